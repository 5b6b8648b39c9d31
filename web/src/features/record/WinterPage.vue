<script setup lang="ts">
/** The winter as it is going, on one page; on paper two, as the winter's report. */
import { useQuery } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import NightWall from '@/instruments/NightWall.vue'
import HeapWinter from '@/instruments/HeapWinter.vue'
import NightsAhead from '@/instruments/NightsAhead.vue'
import StoresPaid from '@/instruments/StoresPaid.vue'
import { keepsOf } from '@/shared/keeps'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import HouseTabs from '../house/HouseTabs.vue'
import { housesQuery } from '../house/queries'
import { aheadWord } from '../tonight/sentences'
import { woodQuery } from '../upkeep/queries'
import { woodSentence } from '../upkeep/sentences'
import { heapsQuery, nightsQuery, statementQuery, weekQuery } from './queries'
import RecordTabs from './RecordTabs.vue'
import {
  effortSentence,
  hardestSentences,
  heapSentence,
  statementSentence,
  tasksSentence,
  wallSentence,
} from './sentences'
import { spanOf, todayIn, winterName, winterOf } from './winters'

const session = useSession()
const route = useRoute()
const router = useRouter()
const holding = String(route.params.holding)
const zone = computed(() => session.zone(holding))
const south = computed(() => session.south(holding))
const today = computed(() => todayIn(zone.value, session.me?.now))
const winter = computed(() => winterOf(today.value, south.value))
const span = computed(() => spanOf(winter.value, south.value, today.value))
const { data: houses } = useQuery(housesQuery(holding))
const house = computed(() => String(route.query.house ?? houses.value?.[0]?.id ?? ''))
const described = computed(() => houses.value?.find((h) => h.id === house.value))
const { data: nights, error } = useQuery(
  computed(() => nightsQuery(holding, house.value, ...span.value)),
)
const { data: ledger, error: unstated } = useQuery(
  computed(() => ({ ...statementQuery(holding, '', ...span.value), meta: { aside: true } })),
)
const { data: wood } = useQuery({ ...woodQuery(holding), meta: { aside: true } })
const { data: week, error: unsaid } = useQuery(
  computed(() => ({ ...weekQuery(holding, house.value), meta: { aside: true } })),
)
const { data: heaps } = useQuery(computed(() => heapsQuery(holding, house.value, ...span.value)))
const known = computed(() => (heaps.value ?? []).filter((h) => h.days.length || h.fed.length))
const open = (evening: string) =>
  void router.push({
    name: 'nights',
    params: { holding },
    query: { house: house.value, night: evening },
  })
const print = () => window.print()
</script>

<template>
  <RecordTabs :holding="holding" class="no-print" />
  <HouseTabs
    :houses="houses ?? []"
    :chosen="house"
    class="tabs no-print"
    @choose="(id) => void router.replace({ query: { house: id } })"
  />
  <p class="soft over">
    The winter {{ winterName(winter, south) }}{{ described ? `, ${described.name}` : '' }}
  </p>
  <h1>{{ nights ? wallSentence(nights) : 'The winter so far' }}</h1>
  <ProblemNote v-if="error" :error="error" />
  <p v-if="houses && !houses.length">
    There is no house yet whose winter could be told.
    <RouterLink :to="{ name: 'new-house', params: { holding } }">Describe one</RouterLink>
  </p>
  <p v-else-if="!nights && !error" role="status">Looking through the nights …</p>
  <NightWall
    v-if="nights?.nights.length"
    :nights="nights.nights"
    :limit="nights.limitCelsius"
    :stand="keepsOf(described?.design).limit"
    :units="session.units"
    chosen=""
    @choose="open"
  />
  <div v-if="nights" class="parts">
    <div>
      <section>
        <h2>The hardest week</h2>
        <p v-for="s in hardestSentences(nights, session.units)" :key="s">{{ s }}</p>
      </section>
      <section v-if="ledger">
        <h2>Wood, power and work</h2>
        <p>{{ effortSentence(ledger) }} {{ tasksSentence(ledger) }}</p>
        <p v-if="wood">{{ woodSentence(wood) }}</p>
      </section>
      <section class="week">
        <h2>The nights ahead</h2>
        <ProblemNote v-if="unsaid" :error="unsaid" />
        <p v-else-if="!week" role="status">Working through the nights ahead …</p>
        <template v-else>
          <NightsAhead
            v-if="week.nights.nights.length > 1"
            :nights="week.nights"
            :night="week.night"
            :units="session.units"
            :zone="zone"
          />
          <p>{{ aheadWord(week.nights, week.night, zone) }}</p>
        </template>
      </section>
    </div>
    <ProblemNote v-if="unstated && !ledger" :error="unstated" />
    <div>
      <section v-if="ledger">
        <h2>What all stores of the place paid</h2>
        <p>{{ statementSentence(ledger) }}</p>
        <StoresPaid v-if="ledger.stores.length" :stores="ledger.stores" />
      </section>
      <section v-for="h in known" :key="h.storeId">
        <h2>{{ h.name }}</h2>
        <p>{{ heapSentence(h, session.units) }}</p>
        <HeapWinter :heap="h" :to="span[1]" :units="session.units" />
      </section>
    </div>
  </div>
  <BButton v-if="nights?.nights.length" class="no-print" variant="secondary" @click="print"
    >On paper, two pages</BButton
  >
</template>

<style scoped>
.over {
  margin: 0;
}

.tabs {
  float: right;
}

.parts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 30rem), 1fr));
  gap: 0.5rem 2.5rem;
  margin: 1rem 0;
}

h2 {
  font-size: 1.25rem;
}

section + section {
  margin-top: 1rem;
}

@media print {
  .parts {
    display: block;
  }

  .parts > div + div {
    break-before: page;
  }

  section {
    break-inside: avoid;
  }
}
</style>
