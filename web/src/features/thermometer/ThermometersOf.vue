<script setup lang="ts">
/** Thermometers that hang in a house, and those outdoors, with what they showed last. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import WaitsHere from '@/shared/WaitsHere.vue'
import { useSession } from '@/shared/session'
import { clock, day, degrees } from '@/shared/units'
import { newId } from '../store/designs'
import { storesQuery } from '../store/queries'
import { thermometersQuery } from './queries'

type Thermometer = Views['ThermometerView']

const props = defineProps<{ holding: string; house: string; zone: string }>()
const session = useSession()
const client = useQueryClient()
const keeper = computed(() => session.role(props.holding) === 'KEEPER')
const { data } = useQuery(thermometersQuery(props.holding))
const { data: stores } = useQuery(storesQuery(props.holding))
const here = computed(() =>
  (data.value ?? []).filter((t) => !t.houseId || t.houseId === props.house),
)
/** Those that were hung up with a store and tell of this house's air or of outdoors. */
const withStores = computed(() =>
  (stores.value ?? [])
    .flatMap((s) => s.probes.map((p) => ({ ...p, store: s })))
    .filter(
      (p) =>
        p.kind === 'OUTDOOR' ||
        (['AIR', 'LOWEST'].includes(p.kind) && p.store.houseId === props.house),
    ),
)
const kinds = [
  { value: 'LOWEST', text: 'in here, and keeps its lowest' },
  { value: 'AIR', text: 'in here' },
  { value: 'OUTDOOR', text: 'outdoors' },
]
const usualName = { LOWEST: 'lowest', AIR: 'air', OUTDOOR: 'outdoors' }
const fresh = reactive({ kind: 'LOWEST' as keyof typeof usualName, name: '' })
const error = ref<unknown>(null)
const path = (thermometerId: string) => ({
  params: { path: { holdingId: props.holding, thermometerId } },
})

async function save(t: Pick<Thermometer, 'id' | 'kind' | 'name'>) {
  error.value = null
  try {
    await body(
      api.PUT('/api/holdings/{holdingId}/thermometers/{thermometerId}', {
        ...path(t.id),
        body: { houseId: t.kind === 'OUTDOOR' ? null : props.house, kind: t.kind, name: t.name },
      }),
    )
    await client.invalidateQueries({ queryKey: ['holding', props.holding] })
    return true
  } catch (e) {
    error.value = e
    return false
  }
}

async function hang() {
  const name = fresh.name.trim() || free(usualName[fresh.kind])
  if (await save({ id: newId(), kind: fresh.kind, name })) fresh.name = ''
}

/** A name that none has yet. */
function free(name: string): string {
  const names = new Set((data.value ?? []).map((t) => t.name.toLowerCase()))
  let n = 1
  while (names.has(n > 1 ? `${name} ${n}` : name)) n++
  return n > 1 ? `${name} ${n}` : name
}

async function takeDown(t: Thermometer) {
  error.value = null
  try {
    await body(api.DELETE('/api/holdings/{holdingId}/thermometers/{thermometerId}', path(t.id)))
    await client.invalidateQueries({ queryKey: ['holding', props.holding] })
  } catch (e) {
    error.value = e
  }
}

const word = (t: Thermometer) => kinds.find((k) => k.value === t.kind)?.text
const when = (at: string) => {
  const s = Date.parse(at) / 1000
  return `${day(s, props.zone)}, ${clock(s, props.zone)}`
}
</script>

<template>
  <section aria-labelledby="thermometers-h">
    <h2 id="thermometers-h">Thermometers</h2>
    <ul v-if="here.length">
      <li v-for="t in here" :key="t.id">
        <BFormInput
          v-if="keeper"
          :model-value="t.name"
          lazy
          :aria-label="`Name of ${t.name}`"
          @update:model-value="save({ ...t, name: String($event) })"
        />
        <b v-else>{{ t.name }}</b>
        <span class="soft">{{ word(t) }}</span>
        <span class="figure">{{ t.celsius == null ? '' : degrees(t.celsius, session.units) }}</span>
        <span class="soft">{{ t.at ? when(t.at) : 'not read yet' }}</span>
        <BButton
          v-if="keeper"
          size="sm"
          variant="secondary"
          :aria-label="`Take ${t.name} down`"
          @click="takeDown(t)"
          >Take down</BButton
        >
      </li>
    </ul>
    <p v-if="withStores.length" class="soft">
      Hung up with stores:
      <template v-for="(p, i) in withStores" :key="p.id"
        >{{ i ? ', ' : '' }}{{ p.name }} at
        <RouterLink :to="{ name: 'store', params: { holding, store: p.store.id } }">{{
          p.store.name
        }}</RouterLink></template
      >.
    </p>
    <p v-else-if="!here.length" class="soft">
      None hangs in here or outdoors. One that keeps its lowest, read in the morning, tells a whole
      night.
    </p>
    <form v-if="keeper" class="hang" @submit.prevent="hang">
      <label class="visually-hidden" for="hang-kind">Where it hangs</label>
      <BFormSelect id="hang-kind" v-model="fresh.kind" :options="kinds" />
      <BFormInput
        v-model="fresh.name"
        aria-label="What it is called"
        :placeholder="free(usualName[fresh.kind])"
      />
      <BButton type="submit" variant="secondary">Hang one up</BButton>
    </form>
    <WaitsHere :holding="holding" :of="['thermometers']" />
    <ProblemNote v-if="error" :error="error" />
    <RouterLink
      v-if="here.length"
      class="btn btn-secondary mt-2"
      :to="{ name: 'thermometers', params: { holding } }"
      >What they showed</RouterLink
    >
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  max-width: 760px;
}

li {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr) auto auto auto;
  gap: 0.75rem;
  align-items: center;
  border-top: 1px solid var(--line-soft);
  padding: 0.3rem 0;
}

.hang {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  max-width: 620px;
}

.hang select {
  width: 280px;
}

.hang input {
  width: 150px;
}

@media (max-width: 600px) {
  li {
    grid-template-columns: 1fr auto;
  }
}
</style>
