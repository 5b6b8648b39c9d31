<script setup lang="ts">
/** Where good people disagree: both ways with one store, on the same night, with the reasons. */
import { useQuery } from '@tanstack/vue-query'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import TwoNights from '@/instruments/TwoNights.vue'
import WhereItWent from '@/instruments/WhereItWent.vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { housesQuery } from '../house/queries'
import { storesQuery } from '../store/queries'
import { askPair } from './queries'
import { pairSentence, schools, whyWord } from './sentences'

const session = useSession()
const route = useRoute()
const router = useRouter()
const holding = String(route.params.holding)
const { data: houses } = useQuery(housesQuery(holding))
const { data: stores } = useQuery(storesQuery(holding))
const usable = computed(() => (stores.value ?? []).filter((s) => s.houseId))
const q = reactive({
  school: String(route.query.school ?? 'BARE_OR_INSULATED') as Views['PairQuestion']['school'],
  store: String(route.query.store ?? ''),
  low: Number(route.query.low ?? -6),
  kwh: route.query.kwh == null ? null : Number(route.query.kwh),
})
const store = computed(
  () =>
    usable.value.find((s) => s.id === q.store) ??
    usable.value.find((s) => s.design.place.where === 'HOUSE' && s.design.medium !== 'water') ??
    usable.value[0],
)
/** As much as the store holds, where nobody said. */
const heat = computed({
  get: () =>
    q.kwh ?? Math.max(1, Math.round((store.value?.appraisal.usableJoules ?? 2.2e7) / 3.6e6)),
  set: (v) => (q.kwh = v),
})
const joules = computed({ get: () => heat.value * 3.6e6, set: (j) => (heat.value = j / 3.6e6) })
const house = computed(() => houses.value?.find((h) => h.id === store.value?.houseId))
const school = computed(() => schools.find((s) => s.key === q.school) ?? schools[0])
const pair = ref<Views['PairView'] | null>(null)
const error = ref<unknown>(null)
let asked = 0
let timer = 0

async function ask() {
  const s = store.value
  if (!s?.houseId) return
  const mine = ++asked
  try {
    const answer = await askPair(holding, s.houseId, {
      school: q.school,
      storeId: s.id,
      lowCelsius: q.low,
      wind: null,
      cloud: null,
      joules: joules.value,
    })
    if (mine !== asked) return
    pair.value = answer
    error.value = null
  } catch (e) {
    if (mine === asked) error.value = e
  }
}

watch(
  () => [q.school, q.low, heat.value, store.value?.id],
  () => {
    window.clearTimeout(timer)
    timer = window.setTimeout(ask, pair.value ? 200 : 0)
    if (store.value)
      void router.replace({
        query: { school: q.school, store: store.value.id, low: q.low, kwh: heat.value },
      })
  },
  { immediate: true },
)
</script>

<template>
  <template v-if="store">
    <div role="status">
      <h1 v-if="pair">{{ pairSentence(pair, session.units) }}</h1>
      <h1 v-else>Two ways with one store</h1>
    </div>
    <div class="split">
      <div>
        <ProblemNote v-if="error" :error="error" />
        <template v-if="pair">
          <TwoNights
            :pair="pair"
            :first="school.first"
            :second="school.second"
            :units="session.units"
            :zone="session.zone(holding)"
          />
          <h2 class="mt-3">Why</h2>
          <ul class="why">
            <li v-for="w in pair.why" :key="w.reason">
              {{ whyWord(w, pair.school, session.units) }}
            </li>
            <li v-if="!pair.why.length">No figure differs enough to speak of.</li>
          </ul>
          <h2 class="mt-3">Where the heat went</h2>
          <WhereItWent :pair="pair" :first="school.first" :second="school.second" />
        </template>
      </div>
      <div>
        <h2>The question</h2>
        <ul class="schools">
          <li v-for="s in schools" :key="s.key">
            <button type="button" :aria-pressed="q.school === s.key" @click="q.school = s.key">
              {{ s.question }}
            </button>
          </li>
        </ul>
        <div class="grid">
          <label for="store">Tried with</label>
          <BFormSelect
            id="store"
            :model-value="store.id"
            :options="usable.map((s) => ({ value: s.id, text: s.name }))"
            @update:model-value="q.store = String($event)"
          />
          <NumberField v-model="q.low" label="Night’s low" :temperature="session.units" />
          <NumberField v-model="joules" label="Heat put in" quantity="energy" />
        </div>
        <p class="soft mt-2">
          In {{ house?.name.toLowerCase() }}, with no other store, from noon to sunrise. The sky is
          fairly clear. Both sides begin alike and get the same heat: from noon on for three and a
          half hours, or as a fire at dusk. Nothing of yours is changed.
        </p>
      </div>
    </div>
  </template>
  <template v-else-if="stores">
    <h1>Two ways with one store</h1>
    <p>
      This needs a house with a store:
      <RouterLink :to="{ name: 'stores', params: { holding } }">begin one</RouterLink>.
    </p>
  </template>
</template>

<style scoped>
.schools {
  list-style: none;
  padding: 0;
}

.schools button {
  background: none;
  border: 0;
  border-left: 4px solid transparent;
  color: var(--ink);
  padding: 0.35rem 0.6rem;
  min-height: 40px;
  width: 100%;
  text-align: left;
}

.schools button[aria-pressed='true'] {
  border-left-color: var(--ember);
  font-weight: 600;
  background: var(--sheet);
}

.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 0.35rem 0.75rem;
  align-items: center;
}

.why {
  padding-left: 1.1rem;
  max-width: 62ch;
}
</style>
