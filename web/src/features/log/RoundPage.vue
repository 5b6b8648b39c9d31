<script setup lang="ts">
/** A walk past the probes in the dark: one large field at a time, next by one touch. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, body, type Views } from '@/shared/api/client'
import { sent, waiting } from '@/shared/outbox'
import { zonedIso, zonedText } from '@/shared/moments'
import { useSession } from '@/shared/session'
import { degrees, energyOf, typedCelsius } from '@/shared/units'
import { housesQuery } from '../house/queries'
import { storesQuery } from '../store/queries'
import { thermometersQuery } from '../thermometer/queries'
import { headline } from '../tonight/sentences'
import { walkQuery } from './queries'
import { scaledDown, useRound } from './useRound'
import { pressed, stopsOf } from './walk'

const session = useSession()
const client = useQueryClient()
const holding = String(useRoute().params.holding)
const { data: stores, error: noStores } = useQuery(storesQuery(holding))
const { data: walk } = useQuery(walkQuery(holding))
const { data: houses } = useQuery(housesQuery(holding))
const { data: thermometers } = useQuery(thermometersQuery(holding))
const { now } = session
const { state, ready, begin, answer, earlier, photo, end, back, count } = useRound(
  holding,
  () => session.units.fahrenheit,
  now,
)
const stops = computed(() =>
  stopsOf(stores.value ?? [], thermometers.value ?? [], houses.value ?? [], walk.value ?? []),
)
const stop = computed(() => stops.value[state.at])
const text = ref('')
const note = ref('')
const noting = ref(false)
const wrong = ref('')
const pictures = ref(0)
const before = ref<Record<string, number>>({})
const field = ref<{ focus: () => void } | null>(null)
const zone = computed(() => session.zone(holding))

/** Typed later than it was read: from now on at another hour, or at this one again. */
const setBack = () => void earlier(state.past ? null : now().toISOString())
function moved(typed: string) {
  const at = zonedIso(typed, zone.value)
  if (at && at <= now().toISOString()) void earlier(at)
}
const keys = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '−', '0', '.']
const mayLog = computed(() => session.role(holding) !== 'GUEST')

onMounted(begin)
watch(
  stores,
  (list) => {
    if (list && !Object.keys(before.value).length)
      before.value = Object.fromEntries(list.map((s) => [s.id, s.now.usableJoules ?? 0]))
  },
  { immediate: true },
)

function press(k: string) {
  wrong.value = ''
  text.value = pressed(text.value, k)
}

async function next(outcome: 'READ' | 'SKIPPED' | 'OFF_SCALE' | 'ICE') {
  const s = stop.value
  if (!s) return
  if (outcome === 'READ' && Number.isNaN(typedCelsius(text.value, session.units))) {
    wrong.value = text.value ? `“${text.value}” is no temperature.` : 'Nothing is typed yet.'
    return
  }
  const typed = outcome === 'READ' ? text.value : ''
  const said = note.value
  text.value = ''
  note.value = ''
  noting.value = false
  wrong.value = ''
  await answer(s.probeId, outcome, typed, said, `${s.store}, ${s.probe}`)
  if (state.at >= stops.value.length) await finish()
  else field.value?.focus()
}

async function take(e: Event) {
  const input = e.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  try {
    await photo(await scaledDown(file))
    pictures.value++
  } catch {
    wrong.value = 'This is no photo that can be shown.'
  }
  input.value = ''
}

const tonight = ref('')
async function finish() {
  await end('')
  await tell()
}

/** What the round says, once all of it has arrived. */
async function tell() {
  if (waiting.value.some((w) => !w.refused)) return
  await client.invalidateQueries({ queryKey: ['holding', holding] })
  const house = houses.value?.[0]
  if (!house) return
  try {
    const night = await body(
      api.POST('/api/holdings/{holdingId}/houses/{houseId}/tonight', {
        params: { path: { holdingId: holding, houseId: house.id } },
        body: { quick: false } as unknown as Views['TonightQuestion'],
      }),
    )
    tonight.value = headline(night, session.units, session.zone(holding))
  } catch {
    tonight.value = ''
  }
}
watch([sent, waiting], () => {
  if (state.ended) void tell()
})

const balances = computed(() =>
  (stores.value ?? [])
    .filter((s) => !s.planned)
    .flatMap(({ id, name, now: { usableJoules: now } }) =>
      now == null ? [] : { id, name, now, change: now - (before.value[id] ?? now) },
    ),
)
</script>

<template>
  <p v-if="!mayLog">A guest may read and not log. Ask a keeper of the holding.</p>
  <template v-else-if="ready && state.ended">
    <h1>{{ count }} read. Thank you.</h1>
    <p v-if="waiting.length" role="status">
      No signal yet: it is all kept here and goes out by itself. Leave the page open or come back.
    </p>
    <template v-else>
      <p v-if="tonight" class="tonight" role="status">{{ tonight }}</p>
      <table class="ledger">
        <tbody>
          <tr v-for="b in balances" :key="b.id">
            <th scope="row">{{ b.name }}</th>
            <td class="num">{{ energyOf(b.now) }}</td>
            <td class="num">{{ b.change >= 0 ? '+' : '' }}{{ energyOf(b.change) }} since before</td>
          </tr>
        </tbody>
      </table>
    </template>
    <p class="mt-3">
      <RouterLink class="btn btn-primary" :to="{ name: 'tonight', params: { holding } }"
        >Tonight</RouterLink
      >
    </p>
  </template>
  <section v-else-if="ready && stop" class="round" aria-label="Round">
    <p class="soft">{{ state.at + 1 }} of {{ stops.length }}, {{ stop.store }}</p>
    <h1>{{ stop.probe }}</h1>
    <p class="soft">
      {{ stop.last == null ? 'never read' : `last ${degrees(stop.last, session.units)}` }}
    </p>
    <form @submit.prevent="next('READ')">
      <label class="visually-hidden" for="reading">Reading of {{ stop.probe }}</label>
      <BFormInput
        id="reading"
        ref="field"
        v-model="text"
        class="big"
        inputmode="none"
        autocomplete="off"
        :placeholder="`°${session.units.fahrenheit ? 'F' : 'C'}`"
        :aria-invalid="Boolean(wrong)"
        autofocus
      />
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <div class="pad">
        <button
          v-for="k in keys"
          :key="k"
          type="button"
          :aria-label="k === '−' ? 'minus' : k"
          @click="press(k)"
        >
          {{ k }}
        </button>
      </div>
      <div class="go">
        <button type="button" aria-label="take back" @click="press('⌫')">⌫</button>
        <button type="submit" class="next">Next</button>
      </div>
    </form>
    <div class="else">
      <BButton variant="secondary" @click="next('SKIPPED')">Skip</BButton>
      <BButton variant="secondary" @click="next('OFF_SCALE')">Off the scale</BButton>
      <BButton variant="secondary" @click="next('ICE')">Ice on the dish</BButton>
      <BButton variant="secondary" :aria-pressed="noting" @click="noting = !noting">Note</BButton>
      <label class="btn btn-secondary" for="photo">
        Photo{{ pictures ? ` (${pictures})` : '' }}
        <input
          id="photo"
          class="visually-hidden"
          type="file"
          accept="image/*"
          capture="environment"
          @change="take"
        />
      </label>
      <BButton variant="secondary" :aria-pressed="!!state.past" @click="setBack"
        >Read earlier</BButton
      >
      <BButton v-if="state.at > 0" variant="secondary" @click="back">Back</BButton>
      <BButton variant="secondary" @click="finish">End here</BButton>
    </div>
    <template v-if="state.past">
      <label for="earlier">It was read on</label>
      <BFormInput
        id="earlier"
        :model-value="zonedText(state.past, zone)"
        type="datetime-local"
        :max="zonedText(now().toISOString(), zone)"
        @change="moved(($event.target as HTMLInputElement).value)"
      />
    </template>
    <template v-if="noting">
      <label for="note">Note to {{ stop.probe }}</label>
      <BFormInput id="note" v-model="note" maxlength="2000" />
    </template>
  </section>
  <p v-else-if="ready && (stores || noStores)">
    There is no probe to walk past yet.
    <RouterLink :to="{ name: 'stores', params: { holding } }">Give a store its probes</RouterLink>.
  </p>
</template>

<style scoped>
.round {
  max-width: 460px;
  margin: 0 auto;
}

.round h1 {
  margin: 0;
  font-size: 2rem;
}

.big {
  font-family: var(--figure);
  font-size: 2.6rem;
  text-align: right;
  height: 76px;
}

.pad,
.go {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
  margin-top: 6px;
}

.go {
  grid-template-columns: 1fr 2fr;
}

.pad button,
.go button {
  min-height: 62px;
  font-family: var(--figure);
  font-size: 1.6rem;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line);
}

.go .next {
  background: var(--ember);
  color: var(--ember-ink);
  border-color: var(--ember);
  font-weight: 600;
}

.else {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 12px 0;
}

.else .btn {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
}

.wrong {
  color: var(--lost);
  margin: 0.25rem 0 0;
}

.tonight {
  font-size: 1.25rem;
}
</style>
