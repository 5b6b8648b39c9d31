<script setup lang="ts">
import { at } from '@/shared/at'
import { useQuery } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import NightsAhead from '@/instruments/NightsAhead.vue'
import NightStrip from '@/instruments/NightStrip.vue'
import { token } from '@/shared/api/client'
import { back, reached } from '@/shared/answers'
import { save } from '@/shared/download'
import { useLive } from '@/shared/live'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { withFigures } from '@/shared/units'
import HouseTabs from '../house/HouseTabs.vue'
import { housesQuery } from '../house/queries'
import { storesQuery } from '../store/queries'
import { thermometersQuery } from '../thermometer/queries'
import DueNote from '../upkeep/DueNote.vue'
import LoopNotes from '../run/LoopNotes.vue'
import { givenWords } from './givens'
import { advice, aheadPlan, aheadShort, certainty, errand, headline, shortage } from './sentences'
import NightCard from './NightCard.vue'
import NoticedNotes from './NoticedNotes.vue'
import TonightAsk from './TonightAsk.vue'
import TonightLedger from './TonightLedger.vue'
import { toAddress } from './doings'
import { useTonight } from './useTonight'

const session = useSession()
const holding = String(useRoute().params.holding)
const { data: houses } = useQuery(housesQuery(holding))
const {
  zone,
  asked,
  read,
  said,
  night,
  nights,
  doings,
  band,
  without,
  error,
  busy,
  looking,
  searching,
  asKnown,
  ask,
  renew,
  looked,
  change,
  taken,
  planSo,
  question,
} = useTonight(holding)
const { data: stores } = useQuery(storesQuery(holding))
const { data: thermometers } = useQuery(thermometersQuery(holding))
useLive(
  holding,
  () => [
    ...(stores.value ?? []).flatMap((s) => s.probes.map((p) => p.id)),
    ...(thermometers.value ?? []).map((t) => t.id),
  ],
  looked,
)
watch(back, renew)
/** Whether the questions stand open: until something is known, and when somebody opens them. */
const asking = ref(false)
watch(
  houses,
  (list) => {
    if (!asked.house && list?.length) asked.house = list[0].id
  },
  { immediate: true },
)
watch(night, (n, before) => {
  if (n && !before)
    asking.value = asked.low != null || n.assumptions.some((a) => a.code === 'EVENING_GUESSED')
})
const told = computed(() => (night.value ? advice(night.value, session.units, zone.value) : ''))
/** What to change, for nights like this one. */
const next = computed(() => {
  const hardest = Math.round(Math.min(...(night.value?.outdoor ?? [-9])))
  return {
    name: 'next',
    params: { holding },
    query: { house: asked.house, hardest },
  }
})
/** What the days' advice would have done, where that is not planned. */
const daysOffer = computed(() => {
  const a = nights.value?.advice
  return a && toAddress(a.actions) !== toAddress(doings.value) ? a.actions : null
})
const plan = computed(() =>
  night.value && nights.value ? aheadPlan(nights.value, night.value, zone.value) : '',
)
/** How old it is, and what is being worked through. */
const age = computed(() => {
  const renewed = busy.value ? '; working it through anew …' : ''
  if (asKnown.value) return `as was known ${asKnown.value}${renewed}`
  if (looking.value) return 'Working through the nights ahead …'
  return searching.value ? 'Looking for the least work that holds them all …' : ''
})
const print = () => window.print()

/** What is planned, for whatever calendar wakes one. */
async function toCalendar() {
  const answer = await fetch(
    at(`/api/holdings/${holding}/houses/${asked.house}/tonight/calendar`),
    {
      method: 'POST',
      headers: {
        'Content-Type': 'application/json',
        'X-XSRF-TOKEN': decodeURIComponent(token() ?? ''),
      },
      body: JSON.stringify({ ...question(false), actions: doings.value }),
    },
  )
  if (answer.ok) save(await answer.blob(), 'nights.ics')
  else error.value = new Error('The calendar could not be made just now.')
}
const guest = computed(() => session.role(holding) === 'GUEST')
const house = computed(() => houses.value?.find((h) => h.id === asked.house))
</script>

<template>
  <template v-if="houses && !houses.length">
    <h1>Will tonight hold?</h1>
    <p>To say so, Night Bank must know the house first.</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'new-house', params: { holding } }"
      >Describe the house</RouterLink
    >
  </template>
  <template v-else>
    <p v-if="night" class="age soft no-print" role="status">{{ age }}</p>
    <h1 v-if="night" :class="['headline', night.verdict.toLowerCase()]" aria-live="polite">
      <svg viewBox="0 0 24 24" width="30" height="30" aria-hidden="true">
        <path v-if="night.verdict === 'HELD'" d="M3 20 Q12 -2 21 20 Z" />
        <path v-else-if="night.verdict === 'CLOSE'" d="M3 20 Q12 -2 21 20" class="open" />
        <path v-else d="M3 20 Q7 6 10 6 L14 13 M17 9 Q19 12 21 20" class="open" />
      </svg>
      {{ headline(night, session.units, zone) }}
    </h1>
    <template v-else>
      <h1 class="coming">Will tonight hold?</h1>
      <p class="lead-line" role="status">{{ busy ? 'Working the night through …' : '\u00a0' }}</p>
      <div v-if="!error" class="days"></div>
    </template>
    <p v-if="night" class="lead-line">
      {{ shortage(night, session.units, zone) }}
      {{ certainty(night, session.units) }}
    </p>
    <div v-if="night && told && !(taken && said === null)" class="advice no-print">
      <p>{{ told }}</p>
      <BButton v-if="!taken" variant="primary" @click="planSo">Plan it so</BButton>
      <BButton v-else variant="secondary" @click="change(null, true)">Leave it</BButton>
    </div>
    <p v-if="night && night.verdict !== 'HELD'" class="no-print">
      <RouterLink :to="next">What would hold such nights?</RouterLink>
    </p>
    <div v-if="night && nights && nights.nights.length > 1" class="days no-print">
      <NightsAhead :nights="nights" :night="night" :units="session.units" :zone="zone" />
      <details v-if="plan" class="say">
        <summary>{{ aheadShort(nights, zone) }} <span class="change">The plan</span></summary>
        <p>{{ plan }}</p>
        <BButton
          v-if="daysOffer && !guest"
          size="sm"
          variant="primary"
          @click="change(daysOffer, true)"
          >Plan these days so</BButton
        >
      </details>
      <p v-else class="say">{{ aheadShort(nights, zone) }}</p>
    </div>
    <div v-else-if="night && !nights && (busy || looking)" class="days"></div>
    <ProblemNote v-if="error && !(asKnown && !reached)" :error="error" />
    <HouseTabs
      v-if="night || error"
      :houses="houses ?? []"
      :chosen="asked.house"
      class="tabs"
      @choose="(id) => (asked.house = id)"
    />
    <details
      v-if="night || error"
      class="known no-print"
      :open="asking || (!night && !!error)"
      @toggle="asking = ($event.target as HTMLDetailsElement).open"
    >
      <summary>
        {{ givenWords(asked, read, night, session.units) }} <span class="change">change</span>
      </summary>
      <TonightAsk :asked="asked" :read="read" :night="night" :units="session.units" @ask="ask()" />
    </details>
    <div v-if="!night && !error" class="coming"></div>
    <template v-if="night">
      <NightStrip
        :night="night"
        :band="band"
        :without="without"
        :doings="doings"
        :units="session.units"
        :zone="zone"
        :still="guest"
        @change="change"
      />
      <p class="soft no-print hint">
        Drag a mark, or move it by arrow keys; up and down change wood and flames, Delete takes it
        away.
        <BButton variant="secondary" size="sm" @click="print">Card for the door</BButton>
        <RouterLink
          class="btn btn-secondary btn-sm"
          :to="{ name: 'practice', params: { holding }, query: { house: asked.house } }"
          >Practise a night</RouterLink
        >
        <BButton v-if="doings.length" variant="secondary" size="sm" @click="toCalendar"
          >To a calendar</BButton
        >
      </p>
      <NightCard
        :night="night"
        :holding="holding"
        :errands="doings.map((d) => ({ at: d.from, word: errand(d, night!, zone) }))"
        :house="house?.name ?? ''"
        :units="session.units"
        :zone="zone"
      />
      <NoticedNotes
        v-if="!asKnown"
        :holding="holding"
        :house="asked.house"
        :ahead="nights?.noticed ?? []"
        :zone="zone"
      />
      <DueNote :holding="holding" />
      <LoopNotes :holding="holding" />
      <div v-for="c in night.cautions" :key="c.code + c.of" class="caution">
        <b>{{ c.of ? `${c.of}: ` : '' }}{{ withFigures(c.reason, c.figures) }}</b>
        {{ withFigures(c.remedy, c.figures) }}
      </div>
      <TonightLedger
        :night="night"
        :house="house"
        :holding="holding"
        :now="session.me?.now ?? ''"
        :units="session.units"
        :zone="zone"
      />
    </template>
  </template>
</template>

<style scoped>
.headline {
  display: flex;
  gap: 0.6rem;
  align-items: center;
}

.headline,
h1.coming {
  font-size: 1.85rem;
}

.headline svg {
  flex: none;
  fill: currentcolor;
}

.open {
  fill: none;
  stroke: currentcolor;
  stroke-width: 3;
}

.held {
  color: var(--held);
}

.close {
  color: var(--close);
}

.lost {
  color: var(--lost);
}

/* nothing jumps when it comes, changes or goes */
.age {
  position: absolute;
  margin: -1.2rem 0 0;
  font-size: 14px;
  line-height: 1.2rem;
}

div.coming {
  min-height: 100vh;
}

.lead-line {
  font-size: 1.12rem;
}

.advice {
  display: flex;
  gap: 1rem;
  align-items: center;
  border-left: 4px solid var(--ember);
  padding: 0.4rem 0 0.4rem 0.9rem;
  margin-bottom: 0.75rem;
}

.advice p {
  margin: 0;
  font-size: 1.12rem;
  flex: 1;
}

.days {
  display: flex;
  gap: 1.2rem;
  align-items: center;
  margin-bottom: 0.4rem;
  min-height: 84px;
}

.days > :first-child {
  flex: 0 1 644px;
}

.say {
  flex: 1;
  margin: 0;
}

.say p {
  margin: 0.3rem 0;
}

.hint {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
  margin-top: 0.4rem;
}

.known summary {
  font-size: 1.02rem;
  padding: 0.2rem 0;
}

.change {
  text-decoration: underline;
  color: var(--ink-soft);
}

.tabs {
  float: right;
}

@media (max-width: 600px) {
  .days {
    display: block;
    min-height: 112px;
  }

  .headline,
  h1.coming {
    font-size: 1.35rem;
    min-height: 2.4em;
  }

  .lead-line {
    min-height: 3em;
  }
}
</style>
