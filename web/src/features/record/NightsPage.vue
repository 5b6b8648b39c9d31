<script setup lang="ts">
/** The wall of nights, one winter at a time; one opened says why. */
import { useQuery } from '@tanstack/vue-query'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import NightWall from '@/instruments/NightWall.vue'
import { keepsOf } from '@/shared/keeps'
import ProblemNote from '@/shared/ProblemNote.vue'
import TableTools from '@/shared/TableTools.vue'
import { useSession } from '@/shared/session'
import { clock, degrees, kelvins, energyOf } from '@/shared/units'
import { housesQuery } from '../house/queries'
import { deedsOn, plansQuery } from '../next/plans'
import { deedOf, upper } from '../next/sentences'
import HouseLearned from './HouseLearned.vue'
import { learnedQuery, nightsQuery } from './queries'
import RecordTabs from './RecordTabs.vue'
import { learnedNightSentences, nightSentences, sinceSentence, wallSentence } from './sentences'
import { evening, spanOf, todayIn, winterName, winterOf } from './winters'

const session = useSession()
const route = useRoute()
const router = useRouter()
const holding = String(route.params.holding)
const zone = computed(() => session.zone(holding))
const today = computed(() => todayIn(zone.value, session.me?.now))
const south = computed(() => session.south(holding))
const { data: houses } = useQuery(housesQuery(holding))

const house = computed(() => String(route.query.house ?? houses.value?.[0]?.id ?? ''))
const kept = computed(() => keepsOf(houses.value?.find((h) => h.id === house.value)?.design))
const winter = computed(() => Number(route.query.winter ?? winterOf(today.value, south.value)))
const span = computed(() => spanOf(winter.value, south.value, today.value))
const chosen = computed(() => String(route.query.night ?? ''))
const go = (q: Record<string, string>) => void router.replace({ query: { ...route.query, ...q } })

const asked = computed(() => nightsQuery(holding, house.value, span.value[0], span.value[1]))
const { data, error } = useQuery(asked)
const { data: learned } = useQuery(
  computed(() => learnedQuery(holding, house.value, span.value[0], span.value[1])),
)
const { data: plans } = useQuery(plansQuery(holding))
const made = computed(() =>
  (plans.value ?? []).filter(
    (p) => p.houseId === house.value && data.value?.nights.some((n) => n.evening === p.doneOn),
  ),
)
const learnedOf = computed(() => new Map(learned.value?.nights.map((n) => [n.evening, n])))
const lifts = computed(() => new Map(learned.value?.nights.map((n) => [n.evening, n.liftByStores])))
const opened = computed(
  () =>
    data.value?.nights.find((n) => n.evening === chosen.value) ??
    data.value?.nights.find((n) => n.verdict === 'LOST') ??
    data.value?.nights.at(-1),
)
const since = computed(() => data.value?.since.find((s) => s.evening === opened.value?.evening))
</script>

<template>
  <RecordTabs :holding="holding" />
  <h1>{{ data ? wallSentence(data) : 'Nights' }}</h1>
  <form class="asked" aria-label="Which nights" @submit.prevent>
    <div v-if="(houses?.length ?? 0) > 1">
      <label for="n-house">House</label>
      <BFormSelect
        id="n-house"
        :model-value="house"
        :options="houses!.map((h) => ({ value: h.id, text: h.name }))"
        @update:model-value="go({ house: String($event), night: '' })"
      />
    </div>
    <div class="winters">
      <BButton variant="secondary" @click="go({ winter: String(winter - 1), night: '' })"
        >Winter before</BButton
      >
      <b class="figure">{{ winterName(winter, south) }}</b>
      <BButton
        variant="secondary"
        :disabled="winter >= winterOf(today, south)"
        @click="go({ winter: String(winter + 1), night: '' })"
        >Winter after</BButton
      >
    </div>
  </form>
  <ProblemNote v-if="error" :error="error" />
  <p v-if="houses && !houses.length">
    There is no house yet whose nights could be told.
    <RouterLink :to="{ name: 'new-house', params: { holding } }">Describe one</RouterLink>, and hang
    a thermometer in its air.
  </p>
  <p v-if="houses?.length && !data && !error" role="status">Looking through the nights …</p>
  <template v-if="data?.nights.length">
    <NightWall
      :nights="data.nights"
      :limit="data.limitCelsius"
      :stand="kept.limit"
      :units="session.units"
      :chosen="opened?.evening ?? ''"
      :lifts="lifts"
      :changed="made.map((p) => p.doneOn!)"
      @choose="go({ night: $event })"
    />
    <p class="soft key">
      Each mark stands on the outdoor low and ends at the house’s low: a full roof held, an open one
      was close, a broken one was lost.
      {{
        data.unknown
          ? 'A dotted post with a question mark is a night that nobody looked through.'
          : ''
      }}
      {{ lifts.size ? 'The broad part of a mark is what the stores lifted.' : '' }}
    </p>
    <p v-if="made.length" class="soft">
      Changed this winter, at the broken lines:
      <template v-for="(p, i) in made" :key="p.id"
        >{{ i ? ' · ' : ''
        }}<BButton variant="link" class="p-0" @click="go({ night: p.doneOn! })">{{
          upper(deedOf(p, session.units))
        }}</BButton></template
      >
    </p>
    <section v-if="opened" aria-live="polite" class="one">
      <p
        v-for="(s, i) in nightSentences(opened, data.limitCelsius, session.units, zone)"
        :key="s"
        :class="{ lead: i === 0 }"
      >
        {{ s }}
      </p>
      <template v-if="learnedOf.has(opened.evening) && opened.lowestCelsius != null">
        <p
          v-for="s in learnedNightSentences(
            learnedOf.get(opened.evening)!,
            opened.lowestCelsius,
            session.units,
          )"
          :key="s"
        >
          {{ s }}
        </p>
      </template>
      <p v-if="since" class="soft">
        {{
          sinceSentence(
            since,
            session.units,
            deedsOn(plans ?? [], house, opened.evening, session.units),
          )
        }}
      </p>
      <p v-if="data.pending" class="soft" role="status">
        {{ data.pending === 1 ? 'One day of a store is' : `${data.pending} days of stores are` }}
        still being judged; what was paid then comes in as it goes.
      </p>
    </section>
    <HouseLearned v-if="learned" :holding="holding" :house="house" :view="learned" class="mt-4" />
    <details class="mt-3">
      <summary>All of them as a table</summary>
      <TableTools name="nights">
        <table class="table table-sm">
          <thead>
            <tr>
              <th scope="col">Evening</th>
              <th scope="col">Verdict</th>
              <th scope="col" data-unit="°C">Low in the house</th>
              <th scope="col">at</th>
              <th scope="col" data-unit="°C">Low outdoors</th>
              <th scope="col" data-unit="K">Lift</th>
              <th scope="col" data-unit="K h">Below the limit</th>
              <th scope="col" data-unit="kWh">Stores paid</th>
              <th scope="col" data-unit="K">Stores lifted</th>
              <th scope="col">Loss over other nights</th>
              <th scope="col">Seen</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="n in data.nights" :key="n.evening">
              <th scope="row" :data-value="n.evening">{{ evening(n.evening) }}</th>
              <td>{{ n.verdict === 'UNKNOWN' ? 'not known' : n.verdict.toLowerCase() }}</td>
              <td :data-value="n.lowestCelsius ?? ''">
                {{ n.lowestCelsius == null ? '' : degrees(n.lowestCelsius, session.units) }}
              </td>
              <td>{{ n.lowestAt == null ? '' : clock(Date.parse(n.lowestAt) / 1000, zone) }}</td>
              <td :data-value="n.outdoorLowest ?? ''">
                {{ n.outdoorLowest == null ? '' : degrees(n.outdoorLowest, session.units) }}
              </td>
              <td :data-value="n.liftKelvin ?? ''">
                {{ n.liftKelvin == null ? '' : kelvins(n.liftKelvin, session.units) }}
              </td>
              <td :data-value="n.coldDegreeHours">
                {{ kelvins(n.coldDegreeHours, session.units) }} h
              </td>
              <td :data-value="n.paid.reduce((a, p) => a + p.joules, 0) / 3.6e6">
                {{ energyOf(n.paid.reduce((a, p) => a + p.joules, 0)) }}
              </td>
              <td :data-value="lifts.get(n.evening) ?? ''">
                {{ lifts.has(n.evening) ? kelvins(lifts.get(n.evening)!, session.units) : '' }}
              </td>
              <td>{{ learnedOf.get(n.evening)?.lossTimes.toFixed(2) ?? '' }}</td>
              <td>{{ n.seen.join(' ') }}</td>
            </tr>
          </tbody>
        </table>
      </TableTools>
    </details>
  </template>
</template>

<style scoped>
.winters {
  display: flex;
  gap: 0.75rem;
  align-items: center;
}

.key {
  margin-top: 0.35rem;
}

.lead {
  font-family: var(--figure);
  font-size: 1.25rem;
}

.one p {
  margin-bottom: 0.25rem;
}
</style>
