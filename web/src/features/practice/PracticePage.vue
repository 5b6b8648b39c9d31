<script setup lang="ts">
/** A night lived through before it is real: what thermometers show, what one does, and the dawn. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import NightSoFar from '@/instruments/NightSoFar.vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { clock, degrees, massOf } from '@/shared/units'
import HouseTabs from '../house/HouseTabs.vue'
import { housesQuery } from '../house/queries'
import { newId } from '../store/designs'
import { nightsQuery } from '../record/queries'
import { evening as eveningWord, spanOf, todayIn, winterOf } from '../record/winters'
import { skies, winds } from '../tonight/givens'
import { beginNight, getNight, lessonsQuery, pastQuery, stepNight } from './queries'
import {
  dawnSentence,
  decisionSentence,
  endWord,
  nowSentence,
  leftSentences,
  lessonWord,
  offerWord,
  saidSentence,
} from './sentences'

type Possible = Views['Possible']
const HOUR_MS = 3_600_000
const session = useSession()
const client = useQueryClient()
const route = useRoute()
const router = useRouter()
const holding = String(route.params.holding)
const zone = computed(() => session.zone(holding))
const south = computed(() => session.south(holding))
const today = computed(() => todayIn(zone.value, session.me?.now))
const guest = computed(() => session.role(holding) === 'GUEST')
const { data: houses } = useQuery(housesQuery(holding))
const { data: past } = useQuery({ ...pastQuery(holding), meta: { aside: true } })
const houseId = computed(() => String(route.query.house ?? houses.value?.[0]?.id ?? ''))
const house = computed(() => houses.value?.find((h) => h.id === houseId.value))
const { data: lessons } = useQuery(
  computed(() => ({ ...lessonsQuery(holding, houseId.value), meta: { aside: true } })),
)
const evening = reactive<Omit<Views['Evening'], 'id'>>({
  lesson: null,
  lowCelsius: -6,
  cloud: 0.5,
  wind: 2,
})
const night = ref<Views['PracticeView'] | null>(null)
const error = ref<unknown>(null)
const busy = ref(false)
const alarm = ref<number | null>(null)
/** Of each thing that can be done in amounts. */
const amounts = reactive<Record<string, number | null>>({})

watch(
  () => String(route.query.night ?? ''),
  async (id) => {
    if (id && id !== night.value?.id) await tried(getNight(holding, id))
  },
  { immediate: true },
)

async function tried(what: Promise<Views['PracticeView']>) {
  error.value = null
  busy.value = true
  try {
    const was = night.value?.id
    night.value = await what
    alarm.value ??= night.value.plantLimitCelsius + 2
    if (was !== night.value.id)
      await router.replace({ query: { house: night.value.houseId, night: night.value.id } })
    if (night.value.dawn) await client.invalidateQueries({ queryKey: pastQuery(holding).queryKey })
  } catch (e) {
    error.value = e
  } finally {
    busy.value = false
  }
}
function begin(of: Omit<Views['Evening'], 'id'>) {
  alarm.value = null
  return tried(beginNight(holding, houseId.value, { id: newId(), ...of }))
}
const NOTHING: Views['NightStep'] = { doing: null, ends: null, to: null, alarmCelsius: null }
const step = (s: Partial<Views['NightStep']>) =>
  tried(stepNight(holding, night.value!.id, { ...NOTHING, ...s }))
const later = (hours: number) =>
  new Date(
    Math.min(Date.parse(night.value!.ends), Date.parse(night.value!.now) + hours * HOUR_MS),
  ).toISOString()
const key = (p: Pick<Possible, 'kind' | 'of'>) => `${p.kind}${p.of ?? ''}`
const amountOf = (p: Possible) => amounts[key(p)] ?? p.usual
const asDoing = (p: Possible, amount: number | null): Views['Doing'] => ({
  kind: p.kind,
  of: p.of,
  from: night.value!.now,
  to: night.value!.ends,
  amount: amount as number,
})
/** Whether it goes on until dawn. */
const goesOn = (p: Possible) =>
  p.kind !== 'LOAD' &&
  !!night.value?.doings.some((d) => key(d) === key(p) && d.to === night.value!.ends)
const nameOf = (d: Views['Doing']) =>
  night.value?.possible.find((p) => key(p) === key(d)) ?? { kind: d.kind, name: '', part: '' }
const marksOf = (doings: Views['Doing'][], advised: boolean) =>
  doings
    .flatMap((d) => [
      { at: Date.parse(d.from), word: offerWord(nameOf(d), d.amount) },
      ...(d.kind !== 'LOAD' && Date.parse(d.to) < Date.parse(night.value!.ends)
        ? [{ at: Date.parse(d.to), word: endWord(nameOf(d)) }]
        : []),
    ])
    .map((m) => {
      const said = `${clock(m.at / 1000, zone.value)} ${m.word}`
      return { ...m, advised, word: advised ? `advised: ${said}` : said }
    })
    .sort((a, b) => a.at - b.at)
const marks = computed(() => [
  ...marksOf(night.value?.doings ?? [], false),
  ...marksOf(night.value?.dawn?.advice ?? [], true),
])
const stores = computed(() =>
  (night.value?.seen.stores ?? []).map(
    (s) => `${s.name} ${degrees(s.celsius[s.celsius.length - 1], session.units)}`,
  ),
)
const ways = computed(() => {
  const d = night.value?.dawn
  return d
    ? [
        { name: 'what you did', way: d.own },
        { name: 'what would have been advised', way: d.advised },
        { name: 'nothing', way: d.idle },
      ]
    : []
})
/** Nights of this winter that were lost or close, and how cold it was: the worst first. */
const { data: wall } = useQuery(
  computed(() => ({
    ...nightsQuery(
      holding,
      houseId.value,
      ...spanOf(winterOf(today.value, south.value), south.value, today.value),
    ),
    enabled: !!houseId.value && !night.value,
    meta: { aside: true },
  })),
)
const hard = computed(() =>
  (wall.value?.nights ?? [])
    .filter((n) => (n.verdict === 'LOST' || n.verdict === 'CLOSE') && n.outdoorLowest != null)
    .sort((a, b) => (a.lowestCelsius ?? 0) - (b.lowestCelsius ?? 0))
    .slice(0, 3),
)
const nightWord = (n: Views['Night']) =>
  `${eveningWord(n.evening)}, ${degrees(n.outdoorLowest!, session.units, 0)}: ${n.verdict === 'LOST' ? 'lost' : 'close'}`
const held = computed(() => past.value?.filter((p) => p.held).length ?? 0)
function another() {
  night.value = null
  void router.replace({ query: { house: houseId.value } })
}
</script>

<template>
  <template v-if="!night">
    <HouseTabs
      :houses="houses ?? []"
      :chosen="houseId"
      @choose="(id) => router.replace({ query: { house: id } })"
    />
    <h1>Practise a night</h1>
    <p>
      It begins half an hour before sunset, in your own house as it is now. What really comes is
      hidden, as far as the forecast leaves it open. Look, do, let time run; at dawn it is told what
      mattered.
    </p>
    <p v-if="houses && !houses.length">
      There is no house yet.
      <RouterLink :to="{ name: 'new-house', params: { holding } }">Describe it first</RouterLink>
    </p>
    <p v-else-if="guest" class="soft">Guests look on: ask a keeper to let you help.</p>
    <template v-else>
      <div class="series buttons">
        <BButton
          v-for="(l, i) in lessons ?? []"
          :key="l"
          :variant="i === 0 ? 'primary' : 'secondary'"
          :disabled="busy || !house"
          @click="begin({ ...evening, lesson: l })"
          >{{ i + 1 }}. {{ lessonWord[l] }}</BButton
        >
      </div>
      <template v-if="hard.length">
        <h2>Nights of your own</h2>
        <div class="series buttons">
          <BButton
            v-for="n in hard"
            :key="n.evening"
            variant="secondary"
            :disabled="busy"
            @click="begin({ lesson: null, lowCelsius: n.outdoorLowest, cloud: null, wind: null })"
            >{{ nightWord(n) }}</BButton
          >
        </div>
        <p class="soft">
          As cold as it was then, in the house as it is now; sky and wind as they usually are.
        </p>
      </template>
      <h2>One made up</h2>
      <form class="asked-in-a-row" @submit.prevent="begin(evening)">
        <NumberField v-model="evening.lowCelsius" label="It gets" :temperature="session.units" />
        <label for="p-sky">Sky</label>
        <BFormSelect id="p-sky" v-model="evening.cloud" :options="skies.slice(1)" />
        <label for="p-wind">Wind</label>
        <BFormSelect id="p-wind" v-model="evening.wind" :options="winds.slice(1)" />
        <BButton class="go" type="submit" variant="secondary" :disabled="busy || !house"
          >Such an evening</BButton
        >
      </form>
    </template>
    <p v-if="past?.length" class="soft">{{ past.length }} practised, {{ held }} held.</p>
  </template>
  <template v-else>
    <h1 aria-live="polite" :class="night.dawn ? (night.dawn.own.held ? 'held' : 'lost') : ''">
      {{
        night.dawn
          ? dawnSentence(night, session.units, zone)
          : nowSentence(night, session.units, zone)
      }}
    </h1>
    <p class="lead-line">
      <b v-if="night.rang">The alarm has woken you. </b>{{ saidSentence(night, session.units) }}
    </p>
    <template v-if="night.dawn">
      <ol v-if="night.dawn.decisions.length" class="decisions">
        <li v-for="d in night.dawn.decisions" :key="d.kind + d.at + d.done">
          {{ decisionSentence(d, session.units, zone) }}
        </li>
      </ol>
      <p v-else>Nothing that was done or left mattered much.</p>
      <p v-for="s in leftSentences(night.dawn, session.units)" :key="s">{{ s }}</p>
      <table class="ledger ways">
        <thead>
          <tr>
            <th>with</th>
            <th>coldest</th>
            <th>work</th>
            <th>wood</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="w in ways" :key="w.name">
            <td>{{ w.name }}</td>
            <td class="num" :class="w.way.held ? 'held' : 'lost'">
              {{ degrees(w.way.lowestCelsius, session.units) }}, {{ w.way.held ? 'held' : 'lost' }}
            </td>
            <td class="num">{{ Math.round(w.way.minutes) }} min</td>
            <td class="num">{{ w.way.woodKilograms ? massOf(w.way.woodKilograms) : 'none' }}</td>
          </tr>
        </tbody>
      </table>
      <BButton class="mb-3" variant="primary" @click="another">Another night</BButton>
    </template>
    <div v-else class="deeds">
      <div class="buttons" role="group" aria-label="What can be done">
        <template v-for="p in night.possible" :key="key(p)">
          <BButton
            v-if="goesOn(p)"
            variant="secondary"
            class="on"
            :disabled="busy"
            @click="step({ ends: asDoing(p, null) })"
            >{{ endWord(p) }}</BButton
          >
          <span v-else class="offer">
            <NumberField
              v-if="p.kind === 'LOAD'"
              :model-value="amountOf(p)"
              label="Wood"
              quantity="mass"
              @update:model-value="amounts[key(p)] = $event"
            />
            <BButton
              variant="secondary"
              :disabled="busy"
              @click="step({ doing: asDoing(p, amountOf(p)) })"
              >{{ offerWord(p, amountOf(p)) }}</BButton
            >
          </span>
        </template>
      </div>
      <div class="buttons" role="group" aria-label="Let time run">
        <BButton variant="primary" :disabled="busy" @click="step({ to: later(0.5) })"
          >Half an hour on</BButton
        >
        <BButton variant="secondary" :disabled="busy" @click="step({ to: later(2) })"
          >Two hours on</BButton
        >
        <BButton
          variant="secondary"
          :disabled="busy"
          @click="step({ to: night.ends, alarmCelsius: alarm })"
          >Sleep</BButton
        >
        <span class="offer">
          <NumberField v-model="alarm" label="Alarm below" :temperature="session.units" optional />
        </span>
      </div>
    </div>
    <NightSoFar :night="night" :units="session.units" :zone="zone" :marks="marks" />
    <p v-if="stores.length" class="soft">{{ stores.join(' · ') }}</p>
  </template>
  <ProblemNote v-if="error" :error="error" />
</template>

<style scoped>
@media (min-width: 901px) {
  .go {
    grid-row: 2;
  }
}

h1 {
  margin-top: 0.7rem;
}

.held {
  color: var(--held);
}

.lost {
  color: var(--lost);
}

.lead-line {
  font-size: 1.12rem;
}

.buttons {
  align-items: center;
  margin-bottom: 0.75rem;
}

.on {
  border-color: var(--ember);
  border-width: 2px;
}

.offer {
  display: inline-flex;
  gap: 0.4rem;
  align-items: center;
}

.offer :deep(input) {
  width: 5rem;
}

.decisions {
  font-size: 1.12rem;
}

table.ledger {
  max-width: 640px;
  margin-bottom: 1rem;
}
</style>
