<script setup lang="ts">
/** What next: the changes that spare most lost nights for what they take, in sensible order. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import StepsDown, { type Stair } from '@/instruments/StepsDown.vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { degrees, kelvins, massOf } from '@/shared/units'
import { useSearch } from '@/shared/useSearch'
import HouseTabs from '../house/HouseTabs.vue'
import { housesQuery } from '../house/queries'
import { evening } from '../record/winters'
import { catalogueQuery } from '../store/queries'
import { newId } from '../store/designs'
import { usualOf } from '../store/usual'
import { keepPlan, placeOf, plansQuery } from './plans'
import PlansKept from './PlansKept.vue'
import { rankingNow, startRanking, stopRanking } from './queries'
import {
  boughtWords,
  deedOf,
  firstSentence,
  nightsOf,
  priceOf,
  rangeOf,
  runningSentence,
  stepSentence,
  togetherOf,
  type Change,
} from './sentences'

const session = useSession()
const route = useRoute()
const router = useRouter()
const holding = String(route.params.holding)
const { data: houses } = useQuery(housesQuery(holding))
const houseId = computed(() => String(route.query.house ?? houses.value?.[0]?.id ?? ''))
const house = computed(() => houses.value?.find((h) => h.id === houseId.value))
const number = (key: string, otherwise: number) => {
  const n = Number(route.query[key])
  return route.query[key] != null && Number.isFinite(n) ? n : otherwise
}
const hard = number('hardest', -9)
const q = reactive({
  usual: route.query.usual == null ? null : number('usual', hard),
  hardest: hard,
  hour: number('hour', 10),
  winter: String(route.query.winter ?? 'any'),
})
const { data: catalogue } = useQuery(catalogueQuery())
watch(
  catalogue,
  (c) => {
    if (c) q.usual ??= hard + usualOf(c, 'USUAL_OVER_HARD_LOW')
  },
  { immediate: true },
)
const winters = [
  { value: 'any', text: 'my weather file, else made up' },
  { value: 'made', text: 'made up' },
]
const { view, error, stop } = useSearch(
  {
    start: (a: { house: string; of: Views['RankingQuestion'] }) =>
      startRanking(holding, a.house, a.of),
    now: (id) => rankingNow(holding, id),
    stop: (id) => stopRanking(holding, id),
  },
  () =>
    house.value && q.usual != null
      ? {
          house: houseId.value,
          of: {
            recorded: q.winter === 'made' ? false : null,
            usualLow: q.usual,
            hardestLow: q.hardest,
            hourWorth: q.hour,
          },
        }
      : null,
)
const query = () => ({
  house: houseId.value,
  usual: q.usual,
  hardest: q.hardest,
  hour: q.hour,
  winter: q.winter,
})
watch(q, () => router.replace({ query: query() }))
const choose = (id: string) => router.replace({ query: { ...query(), house: id } })

const running = computed(() => view.value?.state === 'RUNNING')
const done = computed(() => (view.value?.state === 'DONE' ? view.value : null))
const changeOf = (id: string) => view.value!.changes.find((c) => c.id === id)!
const costOf = (money: number | null, h: number) => (money ?? 0) + h * q.hour
/** Where neither money nor hours count, hours are drawn. */
const drawn = (money: number | null, h: number) => costOf(money, h) || h
const measure = computed(() =>
  q.hour > 0 ? `${view.value?.currency ?? ''} with an hour of work at ${q.hour}` : 'hours of work',
)
const steps = computed<Stair[]>(() =>
  (done.value?.path ?? []).map((s) => ({
    cost: drawn(s.money, s.hours),
    lost: s.lost.middle,
    low: s.lost.low,
    high: s.lost.high,
    name: deedOf(changeOf(s.id), session.units),
  })),
)
const others = computed<Stair[]>(() => {
  const taken = new Set(done.value?.path.map((s) => s.id))
  const from = done.value?.base?.lost.middle ?? 0
  return (done.value?.singles ?? [])
    .filter((t) => !taken.has(t.ids[0]) && t.clear)
    .map((t) => ({
      cost: drawn(t.money, t.hours),
      lost: Math.max(0, from - t.saved.middle),
      low: 0,
      high: 0,
      name: deedOf(changeOf(t.ids[0]), session.units),
    }))
})
const unpriced = computed(() => [
  ...new Set(
    (done.value?.changes ?? [])
      .filter((c) => c.money == null)
      .flatMap((c) => c.needs.map((n) => n.price)),
  ),
])
const keeper = computed(() => session.role(holding) === 'KEEPER')
const { data: plans } = useQuery(plansQuery(holding))
const own = computed(() => (plans.value ?? []).filter((p) => p.houseId === houseId.value))
const planOf = (c: Change) => own.value.filter((p) => p.kind === c.kind && p.of === c.of).at(-1)
const keptWord = (c: Change) => {
  const p = planOf(c)
  return !p
    ? ''
    : p.doneOn
      ? `Made since ${evening(p.doneOn)}: put it right there, so that it is reckoned with.`
      : 'Kept as a plan.'
}
const client = useQueryClient()
const refused = ref<unknown>(null)
async function keep(c: Change) {
  refused.value = null
  try {
    await keepPlan(holding, newId(), view.value!.id, c.id)
    await client.invalidateQueries({ queryKey: ['holding', holding] })
  } catch (e) {
    refused.value = e
  }
}
const place = (c: Change) => placeOf(holding, houseId.value, c)
</script>

<template>
  <template v-if="house">
    <HouseTabs :houses="houses ?? []" :chosen="houseId" @choose="choose" />
    <div role="status">
      <h1 v-if="done">{{ firstSentence(done, session.units) }}</h1>
      <h1 v-else>
        What next for {{ house.name.toLowerCase() }}?
        <template v-if="!view && !error">Asking …</template>
        <template v-else-if="running && view">
          Going through winters, {{ Math.round((100 * view.done) / Math.max(1, view.of)) }} % …
        </template>
      </h1>
    </div>
    <div v-if="running && view" class="progress-line" aria-hidden="true">
      <span :style="{ width: `${(100 * view.done) / Math.max(1, view.of)}%` }" />
    </div>
    <p class="narrow-only">
      <RouterLink :to="{ name: 'sizing', params: { holding } }">Which store, how much</RouterLink>
      · <RouterLink :to="{ name: 'pairs', params: { holding } }">Two ways</RouterLink>
    </p>
    <form class="asked-in-a-row no-print" aria-label="The question" @submit.prevent>
      <NumberField
        v-if="q.usual != null"
        v-model="q.usual"
        label="A usual night’s low"
        :temperature="session.units"
      />
      <NumberField v-model="q.hardest" label="The hardest low" :temperature="session.units" />
      <NumberField v-model="q.hour" label="An hour is worth" />
      <label for="winter">The winter</label>
      <BFormSelect id="winter" v-model="q.winter" :options="winters" />
      <BButton v-if="running" variant="secondary" @click="stop">Stop</BButton>
    </form>
    <ProblemNote v-if="error" :error="error" />
    <p v-if="view?.state === 'STOPPED'" class="soft">
      Stopped. Change the question and it begins again.
    </p>
    <template v-if="done">
      <div class="two">
        <div>
          <StepsDown
            v-if="steps.length"
            :from="done.base!.lost.middle"
            :steps="steps"
            :others="others"
            :nights="done.nights"
            :measure="measure"
          />
          <p class="soft">
            <template v-if="done.fromFile"
              >The {{ done.nights }} winter nights of your own weather file, with four draws of what
              is unsure in the house.</template
            >
            <template v-else
              >Four made-up winters of {{ done.nights }} nights, usual low
              {{ degrees(q.usual ?? 0, session.units, 0) }}, hardest
              {{ degrees(q.hardest, session.units, 0) }}, each with another draw of what is unsure
              in the house.</template
            >
            Every change meets the same winters. Ranges are from the mildest of them to the worst;
            rings are what else was tried, alone, as far as it costs no more than is drawn.
          </p>
        </div>
        <section aria-labelledby="order">
          <h2 id="order">In this order</h2>
          <ol v-if="done.path.length" class="path">
            <li v-for="s in done.path" :key="s.id">
              <RouterLink :to="place(changeOf(s.id))">{{
                stepSentence(s, done, session.units)
              }}</RouterLink>
              <span v-if="planOf(changeOf(s.id))" class="said soft">
                {{ keptWord(changeOf(s.id)) }}</span
              >
              <BButton
                v-else-if="keeper"
                class="keep no-print"
                size="sm"
                variant="secondary"
                :aria-label="`${deedOf(changeOf(s.id), session.units)}: keep as a plan`"
                @click="keep(changeOf(s.id))"
                >Keep as a plan</BButton
              >
            </li>
          </ol>
          <p v-else class="soft">Nothing is needed, or nothing helps.</p>
          <template v-if="done.pairs.length">
            <h2>Better together</h2>
            <ul>
              <li v-for="p in done.pairs.slice(0, 3)" :key="p.ids.join()">
                {{ togetherOf(p.ids, done, session.units) }}: {{ rangeOf(p.saved) }} fewer lost,
                more than each alone; {{ priceOf(p.money, p.hours, done.currency) }}.
              </li>
            </ul>
          </template>
        </section>
      </div>
    </template>
    <ProblemNote v-if="refused" :error="refused" />
    <PlansKept v-if="own.length" :holding="holding" :plans="own" />
    <template v-if="done">
      <p v-if="unpriced.length" class="soft">
        What is bought counts nothing until it has a price:
        {{ unpriced.join(', ') }}.
        <RouterLink :to="{ name: 'book', params: { holding } }">Write down what it costs</RouterLink
        >.
      </p>
      <section aria-labelledby="all">
        <h2 id="all">All that was tried, alone</h2>
        <div class="scroll" tabindex="0" role="region" aria-labelledby="all">
          <table class="ledger">
            <thead>
              <tr>
                <th scope="col">change</th>
                <th scope="col" class="num">nights saved</th>
                <th scope="col" class="num">hard nights warmer</th>
                <th scope="col">takes</th>
                <th scope="col" class="num">wood in the winter</th>
                <th v-if="keeper" scope="col" class="no-print">plan</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="t in done.singles" :key="t.ids[0]" :class="{ soft: !t.clear }">
                <th scope="row">{{ deedOf(changeOf(t.ids[0]), session.units) }}</th>
                <td class="num">{{ t.clear ? rangeOf(t.saved) : 'nothing sure' }}</td>
                <td class="num">{{ kelvins(t.warmerKelvin.middle, session.units) }}</td>
                <td>{{ priceOf(t.money, t.hours, done.currency) }}</td>
                <td class="num">
                  {{
                    Math.abs(t.woodKilograms) < 1
                      ? ''
                      : `${t.woodKilograms > 0 ? '+' : '−'}${massOf(Math.abs(t.woodKilograms))}`
                  }}
                </td>
                <td v-if="keeper" class="no-print">
                  <template v-if="planOf(changeOf(t.ids[0]))">{{
                    planOf(changeOf(t.ids[0]))!.doneOn ? 'made' : 'kept'
                  }}</template>
                  <BButton
                    v-else
                    size="sm"
                    variant="secondary"
                    :aria-label="`${deedOf(changeOf(t.ids[0]), session.units)}: keep`"
                    @click="keep(changeOf(t.ids[0]))"
                    >Keep</BButton
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section aria-labelledby="cost">
        <h2 id="cost">What it takes as it is, and bought in</h2>
        <p>{{ runningSentence(done) }}</p>
        <p>
          The house alone would lose {{ nightsOf(done.base!.bare.middle) }}; to hold them all by
          bought-in heat would take one of: {{ boughtWords(done).join('; ') }}.
        </p>
        <p class="soft">
          Hours of work are estimates, half to twice as long: what it takes to make, and a winter of
          what is then done every night. What the skin lets through, draughts and soil are as this
          house’s nights have taught them. Flames without a flue, mains and machines: by local code
          and a licensed trade.
        </p>
      </section>
    </template>
  </template>
  <template v-else-if="houses && !houses.length">
    <h1>What to change next</h1>
    <p>
      What next needs a house:
      <RouterLink :to="{ name: 'new-house', params: { holding } }"
        >five questions make one</RouterLink
      >.
    </p>
  </template>
</template>

<style scoped>
h1 {
  margin-top: 0.7rem;
}

.two {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 1.5rem;
}

.path li {
  margin-bottom: 0.5rem;
}

.path li::marker {
  font-weight: 650;
}

.keep,
.said {
  display: block;
  margin-top: 0.3rem;
}

.path a {
  color: var(--ink);
  text-decoration-color: var(--line);
}

.scroll {
  overflow-x: auto;
}

.scroll table {
  min-width: 560px;
}

.scroll th[scope='row'] {
  font-weight: 400;
}

.soft {
  color: var(--ink-soft);
}

@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
