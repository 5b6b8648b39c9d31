<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import NightStrip from '@/instruments/NightStrip.vue'
import { api, body, Refusal, token, type Views } from '@/shared/api/client'
import { save } from '@/shared/download'
import NumberField from '@/shared/NumberField.vue'
import { keep as remember, kept as recalled } from '@/shared/outbox'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { clock, degrees, kelvins, energyOf, nextMoment } from '@/shared/units'
import { housesQuery } from '../house/queries'
import LoopNotes from '../run/LoopNotes.vue'
import { rememberLow } from '../house/useTrial'
import { fromAddress, toAddress, type Doing } from './doings'
import { advice, assumption, certainty, errand, headline, otherwise, shortage } from './sentences'
import NightCard from './NightCard.vue'

const session = useSession()
const route = useRoute()
const router = useRouter()
const holding = String(route.params.holding)
const zone = computed(() => session.zone(holding))
const { data: houses } = useQuery(housesQuery(holding))
const q = (name: string) => (route.query[name] == null ? null : Number(route.query[name]))
const asked = reactive({
  house: typeof route.query.house === 'string' ? route.query.house : '',
  low: q('low'),
  evening: q('evening'),
  air: q('air'),
  floor: q('floor'),
  hour: typeof route.query.hour === 'string' ? route.query.hour : '',
  cloud: q('cloud') as number | null,
  wind: q('wind') as number | null,
})
/** Whether the questions stand open: until something is known, and when somebody opens them. */
const asking = ref(true)
/** What the stores read now, where somebody types it instead of logging it. */
const read = reactive<Record<string, number | null>>({})
/** What will be done; null while nobody has said so and the stores' own hours stand. */
const said = ref<Doing[] | null>(
  route.query.do == null ? null : fromAddress(String(route.query.do)),
)
const doings = computed(() => said.value ?? night.value?.actions ?? [])
const band = ref<{ low: number[]; high: number[] }>({ low: [], high: [] })
const without = ref<number[]>([])
const night = ref<Views['TonightView'] | null>(null)
const error = ref<unknown>(null)
const busy = ref(false)

const skies = [
  { value: null, text: 'as told' },
  { value: 0, text: 'clear' },
  { value: 0.5, text: 'half clouded' },
  { value: 1, text: 'overcast' },
]
const winds = [
  { value: null, text: 'as told' },
  { value: 0.5, text: 'still' },
  { value: 2, text: 'a breeze' },
  { value: 5, text: 'fresh wind' },
  { value: 10, text: 'storm' },
]

watch(
  houses,
  (list) => {
    if (!asked.house && list?.length) asked.house = list[0].id
  },
  { immediate: true },
)

const moment = (hour: string) =>
  nextMoment(hour, Date.parse(session.me?.now ?? '') || Date.now(), zone.value)

/** Without signal, the last answer that there was, with its hour. */
const asKnown = ref('')
async function recall() {
  const last = await recalled<{ answer: Views['TonightView']; at: string }>(`tonight:${holding}`)
  if (!last) return
  night.value = last.answer
  band.value = { low: last.answer.low, high: last.answer.high }
  without.value = last.answer.without
  asKnown.value = clock(Date.parse(last.at) / 1000, zone.value)
}

let turn = 0
let waiting = false
let again = false
let whole = false

/**
 * The middle night alone, while something is moved: one request at a time, the newest next; the
 * whole answer once the hand rests.
 */
async function follow() {
  if (waiting) {
    again = true
    return
  }
  waiting = true
  do {
    again = false
    await ask(true)
  } while (again)
  waiting = false
  if (whole) {
    window.clearTimeout(timer)
    timer = window.setTimeout(() => ask(), 120)
  }
}

function change(next: Doing[] | null, done: boolean) {
  said.value = next
  whole = done
  window.clearTimeout(timer)
  void follow()
}

async function ask(quick = false) {
  if (!asked.house) return
  const mine = ++turn
  if (!quick) {
    if (asked.low != null) rememberLow(asked.low)
    busy.value = true
    const facts = Object.entries({ ...asked, do: said.value && (toAddress(said.value) || 'none') })
    void router.replace({
      query: Object.fromEntries(
        facts.filter(([, v]) => v != null && v !== '').map(([k, v]) => [k, String(v)]),
      ),
    })
  }
  try {
    const answer = await body(
      api.POST('/api/holdings/{holdingId}/houses/{houseId}/tonight', {
        params: { path: { holdingId: holding, houseId: asked.house } },
        body: {
          lowCelsius: asked.low as number,
          lowAt: moment(asked.hour) as string,
          eveningCelsius: asked.evening as number,
          airCelsius: asked.air as number,
          floorCelsius: asked.floor as number,
          stores: Object.entries(read)
            .filter(([, celsius]) => celsius != null)
            .map(([id, celsius]) => ({ id, celsius: celsius as number })),
          cloud: asked.cloud as number,
          wind: asked.wind as number,
          actions: said.value as Doing[],
          quick,
          design: null as unknown as Views['HouseDesign'],
        },
      }),
    )
    if (mine === turn) {
      if (quick && night.value) lean(answer)
      else {
        band.value = { low: answer.low, high: answer.high }
        without.value = answer.without
      }
      if (!night.value)
        asking.value =
          asked.low != null || answer.assumptions.some((a) => a.code === 'EVENING_GUESSED')
      night.value = quick && night.value ? { ...answer, ...kept(night.value) } : answer
      error.value = null
      asKnown.value = ''
      if (!quick)
        void remember(`tonight:${holding}`, { answer, at: session.me?.now, house: asked.house })
    }
  } catch (e) {
    if (mine !== turn) return
    error.value = e
    if (e instanceof Refusal && e.code === 'no-signal' && !night.value) await recall()
  } finally {
    if (mine === turn) busy.value = false
  }
}
/** Until the whole answer comes, the band is carried along by what the middle night moved. */
function lean(answer: Views['TonightView']) {
  const before = night.value?.plants ?? []
  const by = answer.plants.map((v, i) => v - (before[i] ?? v))
  band.value = {
    low: band.value.low.map((v, i) => v + (by[i] ?? 0)),
    high: band.value.high.map((v, i) => v + (by[i] ?? 0)),
  }
}

const kept = (n: Views['TonightView']) => ({
  advice: n.advice,
  counterfactuals: n.counterfactuals,
  without: n.without,
})

let timer = 0
watch(
  [asked, read],
  () => {
    window.clearTimeout(timer)
    timer = window.setTimeout(() => ask(), 250)
  },
  { immediate: true },
)
watch(
  () => asked.house,
  (_, before) => {
    if (before) said.value = null
  },
)
const told = computed(() => (night.value ? advice(night.value, session.units, zone.value) : ''))
const taken = computed(
  () => !!night.value?.advice && toAddress(night.value.advice.actions) === toAddress(doings.value),
)
function take() {
  if (night.value?.advice) change(night.value.advice.actions, true)
}
/** What the night is reckoned from, on one line. */
const givenWords = computed(() => {
  const n = night.value
  const told = n?.assumptions.find((a) => a.code.startsWith('WEATHER_F'))
  const low =
    asked.low != null
      ? `a low of ${degrees(asked.low, session.units)}`
      : told?.value != null
        ? `forecast low ${degrees(told.value, session.units)}`
        : 'tonight’s low not known'
  const sky = skies.find((k) => k.value === asked.cloud)?.text ?? 'as told'
  const wind = winds.find((k) => k.value === asked.wind)?.text ?? 'as told'
  const typed = Object.values(read).filter((v) => v != null).length
  return [low, `sky ${sky}`, `wind ${wind}`, ...(typed ? [`${typed} typed for now`] : [])]
    .filter(Boolean)
    .join(' · ')
})
const forecastLow = computed(() => {
  const told = night.value?.assumptions.find((a) => a.code.startsWith('WEATHER_F'))
  return told?.value == null ? 'as forecast' : `forecast ${degrees(told.value, session.units)}`
})
const print = () => window.print()

/** What is planned, for whatever calendar wakes one. */
async function toCalendar() {
  const answer = await fetch(`/api/holdings/${holding}/houses/${asked.house}/tonight/calendar`, {
    method: 'POST',
    headers: {
      'Content-Type': 'application/json',
      'X-XSRF-TOKEN': decodeURIComponent(token() ?? ''),
    },
    body: JSON.stringify({
      lowCelsius: asked.low,
      lowAt: moment(asked.hour),
      actions: doings.value,
    }),
  })
  if (answer.ok) save(await answer.blob(), 'tonight.ics')
  else error.value = new Error('The calendar could not be made just now.')
}
const guest = computed(() => session.role(holding) === 'GUEST')

/** Why a store counts in the bank, or not. */
function reach(s: Views['StoreTonight']): string {
  if (!s.reaches) return `${energyOf(s.startJoules)} that nothing leads to the house`
  const days = s.readAt
    ? (Date.parse(session.me?.now ?? '') - Date.parse(s.readAt)) / 86_400_000
    : Infinity
  if (days > 7) return 'given to the house, as far as old readings tell'
  return s.startJoules < 180_000
    ? 'given to the house; it is as good as empty'
    : 'given to the house'
}
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
    <h1 v-if="night" :class="['headline', night.verdict.toLowerCase()]" aria-live="polite">
      <svg viewBox="0 0 24 24" width="30" height="30" aria-hidden="true">
        <path v-if="night.verdict === 'HELD'" d="M3 20 Q12 -2 21 20 Z" />
        <path v-else-if="night.verdict === 'CLOSE'" d="M3 20 Q12 -2 21 20" class="open" />
        <path v-else d="M3 20 Q7 6 10 6 L14 13 M17 9 Q19 12 21 20" class="open" />
      </svg>
      {{ headline(night, session.units, zone) }}
    </h1>
    <h1 v-else>Will tonight hold?</h1>
    <p v-if="night" class="lead-line">
      {{ shortage(night, zone) }}
      {{ certainty(night, session.units) }}
    </p>
    <div v-if="night && told && !(taken && said === null)" class="advice no-print">
      <p>{{ told }}</p>
      <BButton v-if="!taken" variant="primary" @click="take">Plan it so</BButton>
      <BButton v-else variant="secondary" @click="change(null, true)">Leave it</BButton>
    </div>
    <ProblemNote v-if="error" :error="error" />
    <p v-if="asKnown" class="soft" role="status">
      No signal: this is what was known at {{ asKnown }}. What you log waits here and is sent later.
    </p>
    <div v-if="(houses?.length ?? 0) > 1" class="houses no-print" role="group" aria-label="House">
      <button
        v-for="h in houses"
        :key="h.id"
        type="button"
        :aria-pressed="h.id === asked.house"
        @click="asked.house = h.id"
      >
        {{ h.name }}
      </button>
    </div>
    <details
      class="known no-print"
      :open="asking"
      @toggle="asking = ($event.target as HTMLDetailsElement).open"
    >
      <summary>{{ givenWords }} <span class="change">change</span></summary>
      <form class="ask" aria-label="Tonight" @submit.prevent="ask()">
        <div>
          <NumberField
            v-model="asked.low"
            label="Tonight’s low"
            :temperature="session.units"
            optional
            :placeholder="forecastLow"
          />
        </div>
        <div>
          <label for="t-hour">comes at</label>
          <input
            id="t-hour"
            v-model.lazy="asked.hour"
            class="form-control"
            placeholder="before sunrise"
          />
        </div>
        <div>
          <NumberField
            v-model="asked.evening"
            label="Now outdoors"
            :temperature="session.units"
            optional
            placeholder="as read"
          />
        </div>
        <div>
          <NumberField
            v-model="asked.air"
            label="Air inside"
            :temperature="session.units"
            optional
            placeholder="as read"
          />
        </div>
        <div>
          <label for="t-sky">Sky</label>
          <BFormSelect id="t-sky" v-model="asked.cloud" :options="skies" />
        </div>
        <div>
          <label for="t-wind">Wind</label>
          <BFormSelect id="t-wind" v-model="asked.wind" :options="winds" />
        </div>
        <NumberField
          v-model="asked.floor"
          label="Floor or beds"
          :temperature="session.units"
          optional
          placeholder="the day’s mean"
        />
        <NumberField
          v-for="s in night?.stores ?? []"
          :key="s.id"
          v-model="read[s.id]"
          :label="s.name"
          :temperature="session.units"
          optional
          placeholder="as read"
        />
      </form>
    </details>
    <p v-if="busy && !night" role="status">Working the night through …</p>
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
        <BButton v-if="doings.length" variant="secondary" size="sm" @click="toCalendar"
          >To a calendar</BButton
        >
      </p>
      <NightCard
        :night="night"
        :errands="doings.map((d) => ({ at: d.from, word: errand(d, night!, zone) }))"
        :house="house?.name ?? ''"
        :units="session.units"
        :zone="zone"
      />
      <LoopNotes :holding="holding" />
      <div v-for="c in night.cautions" :key="c.code + c.of" class="caution">
        <b>{{ c.of ? `${c.of}: ` : '' }}{{ c.reason }}</b> {{ c.remedy }}
      </div>
      <div class="split mt-3">
        <section aria-labelledby="bill-h">
          <h2 id="bill-h">The bill and the balance</h2>
          <table class="ledger">
            <tbody>
              <tr>
                <th scope="row">The night’s bill for {{ house?.name }}</th>
                <td class="num">{{ energyOf(night.billJoules) }}</td>
                <td class="soft">
                  to stay at {{ degrees(night.plantLimitCelsius, session.units) }} with nothing
                  stored
                </td>
              </tr>
              <tr>
                <th scope="row">In the bank</th>
                <td class="num">{{ energyOf(night.balanceJoules) }}</td>
                <td class="soft">usable heat that can still reach the house</td>
              </tr>
              <tr v-for="s in night.stores" :key="s.id">
                <th scope="row" class="of">{{ s.name }}</th>
                <td class="num">{{ energyOf(s.deliveredJoules + s.earlyJoules) }}</td>
                <td class="soft">
                  {{ reach(s) }}; {{ energyOf(s.lostJoules) }} lost to ground or sky
                </td>
              </tr>
              <tr>
                <th scope="row">What the stores are worth</th>
                <td class="num">{{ kelvins(night.liftKelvin, session.units) }}</td>
                <td class="soft">
                  warmer at the coldest moment; without them
                  {{ degrees(night.withoutCelsius, session.units) }}
                </td>
              </tr>
            </tbody>
          </table>
        </section>
        <section aria-labelledby="given-h">
          <template v-if="night.counterfactuals.length">
            <h2>What it hangs on</h2>
            <ul class="given">
              <li v-for="w in night.counterfactuals" :key="w.kind + w.of">
                {{ otherwise(w, session.units) }}
              </li>
            </ul>
          </template>
          <h2 id="given-h">Taken as given</h2>
          <ul class="given">
            <li v-for="(a, i) in night.assumptions" :key="i">
              {{ assumption(a, session.units, zone) }}
            </li>
          </ul>
          <p v-if="house">
            <RouterLink :to="{ name: 'house', params: { holding, house: house.id } }"
              >The house itself</RouterLink
            >
          </p>
        </section>
      </div>
    </template>
  </template>
</template>

<style scoped>
.headline {
  display: flex;
  gap: 0.6rem;
  align-items: center;
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

.lead-line {
  font-size: 1.12rem;
}

.ask {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 0.5rem 1rem;
  margin: 0.5rem 0 0.8rem;
}

.ask label {
  color: var(--ink-soft);
  font-size: 0.95rem;
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

.houses {
  float: right;
  display: flex;
}

.houses button {
  background: none;
  border: 0;
  border-bottom: 2px solid transparent;
  padding: 0.2rem 0.8rem;
  color: var(--ink-soft);
}

.houses button[aria-pressed='true'] {
  border-color: var(--ember);
  color: var(--ink);
  font-weight: 600;
}

.of {
  padding-left: 1.2rem !important;
  font-weight: 400;
}

.given {
  padding-left: 1.1rem;
}

@media (max-width: 600px) {
  .headline {
    font-size: 1.35rem;
  }

  .ask {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
