<script setup lang="ts">
/** For this house and a hard night: which store, how much of it, and where more stops helping. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormCheckbox, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import FloorPlan from '@/instruments/FloorPlan.vue'
import SizeCurve from '@/instruments/SizeCurve.vue'
import { api, body, type Views } from '@/shared/api/client'
import { sidesOf } from '@/shared/body'
import { heatColour } from '@/shared/heat'
import { keepsOf } from '@/shared/keeps'
import NumberField from '@/shared/NumberField.vue'
import { asItIs } from '../store/arrangements'
import { anyWaits } from '@/shared/outbox'
import ProblemNote from '@/shared/ProblemNote.vue'
import WaitsHere from '@/shared/WaitsHere.vue'
import { useSession } from '@/shared/session'
import { areaOf, degrees, energyOf, kelvins, massOf, powerOf } from '@/shared/units'
import { useSearch } from '@/shared/useSearch'
import WordHelp from '@/shared/WordHelp.vue'
import { housesQuery } from '../house/queries'
import { newId } from '../store/designs'
import { catalogueQuery } from '../store/queries'
import { usualOf } from '../store/usual'
import { sizeCurve, sizingNow, startSizing, stopSizing } from './queries'
import { bodies, curveSentence, figuresOf, foundSentence, limitWord, meansWord } from './sentences'

type Found = Views['SizedView']
const explained: Record<string, string> = {
  'holds above its floor': 'balance',
  'bites first': 'bites-first',
}

const session = useSession()
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const holding = String(route.params.holding)
const { data: houses } = useQuery(housesQuery(holding))
const { data: catalogue } = useQuery(catalogueQuery())
const keeper = computed(() => session.role(holding) === 'KEEPER')
const houseId = computed(() => String(route.query.house ?? houses.value?.[0]?.id ?? ''))
const house = computed(() => houses.value?.find((h) => h.id === houseId.value))
const number = (key: string, otherwise: number) => {
  const n = Number(route.query[key])
  return route.query[key] != null && Number.isFinite(n) ? n : otherwise
}
const q = reactive({
  low: number('low', -9),
  water: number('water', 45),
  solid: number('solid', 70),
  power: number('power', 5000),
  source: String(route.query.source ?? 'FIRE') as Views['SizingQuestion']['source'],
  keep: route.query.keep === 'yes',
})
const sources = [
  { value: 'ELEMENT', text: 'an element' },
  { value: 'FIRE', text: 'a fire' },
  { value: 'WATER_LOOP', text: 'a water loop' },
  { value: 'SUN', text: 'the sun' },
]
const question = computed<Views['SizingQuestion'] | null>(() =>
  houseId.value
    ? {
        lowCelsius: q.low,
        wind: null,
        cloud: null,
        media: [],
        wrapsMillimetres: [],
        waterCelsius: q.water,
        solidCelsius: q.solid,
        source: q.source,
        sourceWatts: q.power,
        keepStores: q.keep,
      }
    : null,
)
const { view, error, stop } = useSearch(
  {
    start: (asked: { house: string; of: Views['SizingQuestion'] }) =>
      startSizing(holding, asked.house, asked.of),
    now: (id) => sizingNow(holding, id),
    stop: (id) => stopSizing(holding, id),
    begun: (fresh, before) => ({
      ...fresh,
      found: fresh.found.length ? fresh.found : (before?.found ?? []),
    }),
  },
  () => question.value && { house: houseId.value, of: question.value },
)

watch(q, () =>
  router.replace({
    query: {
      house: houseId.value,
      low: q.low,
      water: q.water,
      solid: q.solid,
      power: q.power,
      source: q.source,
      ...(q.keep ? { keep: 'yes' } : {}),
    },
  }),
)

const key = (s: Found) => `${s.container} ${s.medium} ${s.wrapMillimetres}`
const good = computed(() => (view.value?.found ?? []).filter((s) => s.holds && !s.dominated))
const beaten = computed(() => (view.value?.found ?? []).filter((s) => s.holds && s.dominated))
const fails = computed(() => (view.value?.found ?? []).filter((s) => !s.holds))
const chosenKey = ref('')
const chosen = computed(() => {
  const all = view.value?.found ?? []
  return all.find((s) => key(s) === chosenKey.value) ?? good.value[0] ?? all[0]
})
const running = computed(() => view.value?.state === 'RUNNING')
const floor = computed(() => {
  const d = house.value?.design
  const s = d?.shape
  if (s && s.lengthMetres > 0 && s.kind !== 'DOME')
    return { length: s.lengthMetres, width: s.widthMetres }
  const side = Math.sqrt(d?.floorAreaSquareMetres ?? 16)
  return { length: side, width: side }
})
const size = ({ design: d }: Found) =>
  d ? { ...sidesOf(d), round: d.shape === 'CYLINDER' } : { length: 0, width: 0, round: false }

const curve = ref<Views['CurveView'] | null>(null)
const curveError = ref<unknown>(null)
let asked = 0
watch(
  () => [chosen.value && key(chosen.value), view.value?.state, view.value?.id],
  async () => {
    const s = chosen.value
    if (!s || running.value || !question.value) return
    const mine = ++asked
    curveError.value = null
    curve.value = null
    try {
      const c = await sizeCurve(holding, houseId.value, {
        sizing: question.value,
        container: s.container,
        medium: s.medium,
        wrapMillimetres: s.wrapMillimetres,
        usualLow: q.low + usualOf(catalogue.value, 'USUAL_OVER_HARD_LOW'),
        hardestLow: q.low - 1,
        dailyJoules: q.power > 0 ? q.power * usualOf(catalogue.value, 'SURPLUS_HOURS') * 3600 : 0,
      })
      if (mine === asked) curve.value = c
    } catch (e) {
      if (mine === asked) curveError.value = e
    }
  },
)

const planError = ref<unknown>(null)
async function plan(s: Found) {
  if (!s.design) return
  planError.value = null
  const id = newId()
  try {
    await body(
      api.POST('/api/holdings/{holdingId}/stores', {
        params: { path: { holdingId: holding } },
        body: {
          id,
          name: `${s.containerName.split(',')[0]}, ${s.mediumName.split(',')[0].toLowerCase()}`,
          houseId: houseId.value,
          planned: true,
          design: s.design,
          probes: [],
          ...asItIs,
        },
      }),
    )
    await client.invalidateQueries({ queryKey: ['holding', holding, 'stores'] })
    if (!(await anyWaits())) await router.push({ name: 'store', params: { holding, store: id } })
  } catch (e) {
    planError.value = e
  }
}
</script>

<template>
  <template v-if="house">
    <div role="status">
      <h1 v-if="chosen && !running">{{ foundSentence(chosen, q.low, session.units) }}</h1>
      <h1 v-else>
        Sizing for {{ house.name.toLowerCase() }}
        <template v-if="view">: {{ view.done }} of {{ view.of }} tried</template>
      </h1>
    </div>
    <p class="narrow-only">
      <RouterLink :to="{ name: 'pairs', params: { holding } }">Two ways with one store</RouterLink>
    </p>
    <p v-if="view" class="soft">
      With nothing added {{ keepsOf(house.design).all }} would come to
      {{ degrees(view.withoutCelsius, session.units) }}; {{ keepsOf(house.design).limit }}
      {{ degrees(view.limitCelsius, session.units, 0) }}. That night costs
      {{ energyOf(view.billJoules) }}, up to {{ powerOf(view.peakWatts) }} at once. Held means that
      nine nights in ten like it are: the middle one must stay
      {{ kelvins(view.marginKelvin, session.units) }} above the limit.
    </p>
    <form class="asked-in-a-row" aria-label="The question" @submit.prevent>
      <label for="house">House</label>
      <BFormSelect
        id="house"
        :model-value="houseId"
        :options="(houses ?? []).map((h) => ({ value: h.id, text: h.name }))"
        @update:model-value="router.replace({ query: { ...route.query, house: String($event) } })"
      />
      <NumberField v-model="q.low" label="A hard night’s low" :temperature="session.units" />
      <label for="by">Charged by</label>
      <BFormSelect id="by" v-model="q.source" :options="sources" />
      <NumberField v-model="q.power" label="Its power" quantity="power" />
      <NumberField v-model="q.water" label="Brings water to" :temperature="session.units" />
      <NumberField v-model="q.solid" label="Brings stone to" :temperature="session.units" />
      <BFormCheckbox v-model="q.keep">beside what stands there</BFormCheckbox>
      <BButton v-if="running" variant="secondary" @click="stop">Stop</BButton>
    </form>
    <ProblemNote v-if="error" :error="error" />
    <div v-if="running && view" class="progress-line" aria-hidden="true">
      <span :style="{ width: `${(100 * view.done) / Math.max(1, view.of)}%` }" />
    </div>

    <div class="bench">
      <section aria-label="What holds">
        <h2 v-if="good.length">
          {{ good.length }} that nothing beats in weight, floor and cost together
        </h2>
        <p v-else-if="view && !running">
          Nothing that finds room in the house holds this night. A warmer charge, a milder limit or
          a tighter house would change that.
        </p>
        <ul class="plans">
          <li v-for="s in good" :key="key(s)">
            <button
              type="button"
              :aria-pressed="chosen && key(s) === key(chosen)"
              @click="chosenKey = key(s)"
            >
              <FloorPlan
                :floor="floor"
                :body="size(s)"
                :count="s.count"
                :fill="heatColour(s.fullCelsius, 90)"
                :label="`${s.count} on the floor of ${house.name}`"
              />
              <strong>{{ bodies(s) }}</strong>
              <span>
                {{ massOf(s.massKg)
                }}<template v-if="s.cost != null"
                  >, {{ view?.currency }}{{ Math.round(s.cost) }}</template
                >; {{ limitWord(s) }}
              </span>
            </button>
          </li>
        </ul>
        <details v-if="beaten.length">
          <summary>{{ beaten.length }} more hold it, beaten by one of those</summary>
          <table class="ledger">
            <tbody>
              <tr v-for="s in beaten" :key="key(s)">
                <th scope="row">
                  <button type="button" class="link" @click="chosenKey = key(s)">
                    {{ bodies(s) }}
                  </button>
                </th>
                <td class="num">{{ massOf(s.massKg) }}</td>
                <td class="num">{{ areaOf(s.floorSquareMetres) }}</td>
                <td class="num">
                  {{ s.cost == null ? '' : `${view?.currency}${Math.round(s.cost)}` }}
                </td>
              </tr>
            </tbody>
          </table>
        </details>
        <template v-if="view?.means.length && !running">
          <h2 class="mt-3">Without storing it</h2>
          <p>The same night is held by any of these, beside what stands there:</p>
          <ul>
            <li v-for="m in view.means" :key="m.kind" :class="{ soft: !m.holds }">
              {{ meansWord(m, view.currency) }}
            </li>
          </ul>
          <p class="soft">
            Flames and gas without a flue use up the air: an opening low and one high, an alarm for
            carbon monoxide, nobody asleep in there; mains and machines by local code and a licensed
            trade.
          </p>
        </template>
        <details v-if="fails.length">
          <summary>{{ fails.length }} cannot hold it with what finds room</summary>
          <p>{{ fails.map((s) => bodies(s)).join('; ') }}.</p>
        </details>
      </section>
      <section v-if="chosen && !running" aria-label="The chosen one" class="chosen">
        <h2>What that comes to</h2>
        <table class="ledger">
          <tbody>
            <tr
              v-for="[word, value] in figuresOf(chosen, view?.currency ?? '', session.units)"
              :key="word"
            >
              <th scope="row">
                <WordHelp v-if="explained[word]" :of="explained[word]">{{ word }}</WordHelp>
                <template v-else>{{ word }}</template>
              </th>
              <td class="num">{{ value }}</td>
            </tr>
          </tbody>
        </table>
        <template v-if="curve">
          <h3 class="mt-3">{{ curveSentence(curve, chosen.count) }}</h3>
          <SizeCurve :curve="curve" :chosen="chosen.count" />
          <p class="soft">
            <template v-if="curve.fromFile"
              >The nights of your own weather file, one after the other.</template
            >
            <template v-else
              >A made-up winter of {{ curve.nights }} nights: usual lows of
              {{ degrees(q.low + 8, session.units, 0) }}, the hardest
              {{ degrees(q.low - 1, session.units, 0) }}, cold coming in spells. Charged five hours
              a day. Hand over a weather file to have your own.</template
            >
          </p>
        </template>
        <p v-else-if="!curveError" class="soft mt-3">Going through a winter of nights …</p>
        <ProblemNote v-if="curveError" :error="curveError" />
        <ProblemNote v-if="planError" :error="planError" />
        <WaitsHere :holding="holding" :of="['stores']" />
        <BButton v-if="keeper && chosen.design" variant="primary" class="mt-2" @click="plan(chosen)"
          >Plan this store</BButton
        >
        <p v-if="view?.currency === ''" class="soft mt-2">
          No prices yet:
          <RouterLink :to="{ name: 'book', params: { holding } }"
            >write down what things cost</RouterLink
          >.
        </p>
      </section>
    </div>
  </template>
  <template v-else-if="houses && !houses.length">
    <h1>Which store, and how much?</h1>
    <p>
      Sizing needs a house:
      <RouterLink :to="{ name: 'new-house', params: { holding } }"
        >five questions make one</RouterLink
      >.
    </p>
  </template>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 430px);
  gap: 1.75rem;
}

.plans {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 0.75rem 1rem;
}

.plans button {
  background: none;
  border: 0;
  border-left: 4px solid transparent;
  color: var(--ink);
  text-align: left;
  padding: 0.25rem 0.5rem;
  width: 100%;
}

.plans button[aria-pressed='true'] {
  border-left-color: var(--ember);
  background: var(--sheet);
}

.plans strong,
.plans span {
  display: block;
}

.plans span {
  color: var(--ink-soft);
}

.link {
  background: none;
  border: 0;
  padding: 0;
  color: var(--ember);
  text-align: left;
}

summary {
  color: var(--ember);
  min-height: 36px;
}

@media (max-width: 900px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (min-width: 901px) {
  .asked-in-a-row :deep(.form-check) {
    grid-row: 2;
    align-self: center;
  }
}
</style>
