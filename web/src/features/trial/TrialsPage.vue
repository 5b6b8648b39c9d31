<script setup lang="ts">
/** Trials that are kept, and a new one from the runs of any stores. */
import { useQueries, useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormCheckbox, BFormInput } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, body } from '@/shared/api/client'
import { anyWaits } from '@/shared/outbox'
import ProblemNote from '@/shared/ProblemNote.vue'
import WaitsHere from '@/shared/WaitsHere.vue'
import { useSession } from '@/shared/session'
import { day } from '@/shared/units'
import RecordTabs from '../record/RecordTabs.vue'
import { newId } from '../store/designs'
import { allOf, inShort, mostOf } from '../store/arrangements'
import { insulationOf, mediaOf } from '../store/media'
import { bookQuery, catalogueQuery, runsQuery, storesQuery } from '../store/queries'
import { trialsQuery } from './queries'

const session = useSession()
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const holding = String(route.params.holding)
const zone = computed(() => session.zone(holding))
const keeper = computed(() => session.role(holding) === 'KEEPER')
const { data: trials } = useQuery(trialsQuery(holding))
const { data: stores } = useQuery(storesQuery(holding))
const { data: catalogue } = useQuery(catalogueQuery())
const { data: book } = useQuery(bookQuery(holding))
const runs = useQueries({
  queries: computed(() => (stores.value ?? []).map((s) => runsQuery(holding, s.id))),
})
const all = computed(() =>
  (stores.value ?? []).flatMap((s, i) =>
    (runs.value[i]?.data ?? []).map((r) => ({ run: r, store: s.name })),
  ),
)

/** Runs that a trial has room for. */
const MOST = 12
const name = ref('')
/** Sides by run, in the order they were chosen. */
const chosen = reactive(new Map<string, string>())
const error = ref<unknown>(null)
const changing = computed(() => String(route.query.change ?? ''))

watch(
  [trials, changing],
  () => {
    const t = trials.value?.find((x) => x.id === changing.value)
    if (!t) return
    name.value = t.name
    chosen.clear()
    t.runs.forEach((r) => chosen.set(r.runId, r.side))
  },
  { immediate: true },
)

/** What was the case in a run: how its store was then, or else that it was changed or not. */
function sideOf(id: string): string {
  const run = all.value.find((a) => a.run.id === id)?.run
  const store = stores.value?.find((s) => s.id === run?.storeId)
  if (run && store?.earlier.length) {
    const was = allOf(store)
    const short = inShort(
      was,
      insulationOf(catalogue.value, book.value?.data.book),
      mediaOf(catalogue.value, book.value?.data.book),
    )
    return short[mostOf(was, Date.parse(run.from), Date.parse(run.to))]!
  }
  return chosen.size ? 'changed' : 'as it was'
}

function pick(id: string, on: boolean) {
  if (on) chosen.set(id, sideOf(id))
  else chosen.delete(id)
}

/** All runs of the store that somebody came from, the earliest first. */
watch(
  [all, stores, catalogue],
  () => {
    const of = stores.value?.find((s) => s.id === route.query.store)
    if (!of || chosen.size || !catalogue.value) return
    const own = all.value.filter((a) => a.run.storeId === of.id).map((a) => a.run)
    own.sort((a, b) => Date.parse(a.from) - Date.parse(b.from))
    own.slice(-MOST).forEach((r) => pick(r.id, true))
    if (chosen.size) name.value = [...new Set(chosen.values())].join(', ')
  },
  { immediate: true },
)

async function keep() {
  error.value = null
  const id = changing.value || newId()
  const was = trials.value?.find((x) => x.id === changing.value)
  try {
    await body(
      api.PUT('/api/holdings/{holdingId}/trials/{trialId}', {
        params: { path: { holdingId: holding, trialId: id } },
        body: {
          name: name.value,
          runs: [...chosen].map(([runId, side]) => ({ runId, side })),
          was: was
            ? {
                name: was.name,
                runs: was.runs.map(({ runId, side }) => ({ runId, side })),
                was: null,
              }
            : null,
        },
      }),
    )
    await client.invalidateQueries({ queryKey: ['holding', holding] })
    if (!(await anyWaits())) void router.push({ name: 'trial', params: { holding, trial: id } })
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <RecordTabs :holding="holding" />
  <h1>What did a change do?</h1>
  <p class="lead-line">
    Set runs side by side that began, lasted and stood in weather as they liked: they are brought to
    the same start and told apart with their doubt.
  </p>
  <WaitsHere :holding="holding" :of="['trials']" />
  <ul v-if="trials?.length" class="list">
    <li v-for="t in trials" :key="t.id">
      <RouterLink :to="{ name: 'trial', params: { holding, trial: t.id } }">{{
        t.name
      }}</RouterLink>
      <span class="soft">
        {{ [...new Set(t.runs.map((r) => r.side))].join(' against ') }}, {{ t.runs.length }} runs
      </span>
    </li>
  </ul>
  <section v-if="keeper" aria-labelledby="new-h">
    <h2 id="new-h">{{ changing ? 'Change this trial' : 'A new trial' }}</h2>
    <p v-if="!all.length">
      There are no runs yet. Hand over a logger’s file, or mark a run on a store’s page.
    </p>
    <form v-else @submit.prevent="keep">
      <label for="t-name">What was changed</label>
      <BFormInput id="t-name" v-model="name" placeholder="a lid of 10 cm wool" />
      <fieldset class="mt-3">
        <legend>Which runs show it; the first chosen is what the others are held against</legend>
        <div v-for="a in all" :key="a.run.id" class="run">
          <BFormCheckbox
            :model-value="chosen.has(a.run.id)"
            @update:model-value="pick(a.run.id, !!$event)"
            >{{ a.store }}: {{ a.run.name }}
            <span class="soft">{{ day(Date.parse(a.run.from) / 1000, zone) }}</span></BFormCheckbox
          >
          <template v-if="chosen.has(a.run.id)">
            <label class="visually-hidden" :for="`side-${a.run.id}`"
              >How it was in {{ a.run.name }}</label
            >
            <BFormInput
              :id="`side-${a.run.id}`"
              :model-value="chosen.get(a.run.id)"
              @update:model-value="chosen.set(a.run.id, String($event))"
            />
          </template>
        </div>
      </fieldset>
      <ProblemNote v-if="error" :error="error" />
      <BButton type="submit" variant="primary" class="mt-2">Set them side by side</BButton>
    </form>
  </section>
</template>

<style scoped>
.list {
  list-style: none;
  padding: 0;
}

.list li {
  padding: 0.5rem 0;
  border-top: 1px solid var(--line-soft);
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
}

form {
  max-width: 720px;
}

legend {
  font-size: 1rem;
}

.run {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 200px;
  gap: 0.75rem;
  align-items: center;
  min-height: 44px;
  border-top: 1px solid var(--line-soft);
}

@media (max-width: 700px) {
  .run {
    grid-template-columns: 1fr;
  }
}
</style>
