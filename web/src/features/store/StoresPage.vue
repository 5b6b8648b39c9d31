<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import PlacePicture from '@/instruments/PlacePicture.vue'
import { api, body } from '@/shared/api/client'
import { asItIs } from './arrangements'
import { anyWaits } from '@/shared/outbox'
import ProblemNote from '@/shared/ProblemNote.vue'
import WaitsHere from '@/shared/WaitsHere.vue'
import { useLive } from '@/shared/live'
import { useSession } from '@/shared/session'
import { energyOf } from '@/shared/units'
import HouseTabs from '../house/HouseTabs.vue'
import { housesQuery } from '../house/queries'
import { joined, type Target } from '../part/joins'
import { nameOf, storesOf, type Part } from '../part/parts'
import { partsQuery } from '../part/queries'
import { usePartList } from '../part/usePartDraft'
import { newId, starts } from './designs'
import { mediaOf } from './media'
import { bookQuery, catalogueQuery, storesQuery } from './queries'
import { inTheBank } from './inTheBank'
import ChosenPart from './ChosenPart.vue'
import StoreList from './StoreList.vue'
import { useRunning } from './useRunning'

const session = useSession()
const client = useQueryClient()
const router = useRouter()
const route = useRoute()
const holding = String(route.params.holding)
const { data: stores } = useQuery(storesQuery(holding))
const { data: houses } = useQuery(housesQuery(holding))
const { data: catalogue } = useQuery(catalogueQuery())
const { data: book } = useQuery(bookQuery(holding))
const { data: parts } = useQuery(partsQuery(holding))
const list = usePartList(holding)
const keeper = computed(() => session.role(holding) === 'KEEPER')
const error = ref<unknown>(null)
/** The house whose place is drawn; blank for what belongs to none. */
const at = computed(() => (route.query.house == null ? null : String(route.query.house)))
function show(house: string) {
  selected.value = ''
  void router.replace({ query: { house } })
}
const selected = ref('')
const places = computed(() => {
  const all = (houses.value ?? []).map((h) => ({ id: h.id, name: h.name }))
  const loose = (stores.value ?? []).some((s) => !s.houseId)
  return loose || !all.length ? [...all, { id: '', name: 'Without a house' }] : all
})
const place = computed(() => at.value ?? places.value[0]?.id ?? '')
const house = computed(() => houses.value?.find((h) => h.id === place.value) ?? null)
const hereParts = computed(() => {
  const own = (stores.value ?? []).filter((s) => (s.houseId ?? '') === place.value)
  const ids = new Set(own.map((s) => s.id))
  return (parts.value ?? []).filter(
    (p) => (p.houseId ?? '') === place.value || storesOf(p.design).some((id) => ids.has(id)),
  )
})
const here = computed(() => {
  const named = new Set(hereParts.value.flatMap((p) => storesOf(p.design)))
  return (stores.value ?? []).filter((s) => (s.houseId ?? '') === place.value || named.has(s.id))
})
const bodies = computed(() =>
  (stores.value ?? []).map((s) => ({
    id: s.id,
    name: s.name,
    led: !!s.design.led?.way,
    water: s.design.medium === 'water',
  })),
)
const running = useRunning(holding, () => house.value?.id ?? '', hereParts)
async function join(part: Part, to: Target) {
  const design = joined(part.design, to, bodies.value)
  if (design) await list.change({ ...part, design })
  selected.value = part.id
}
const bank = computed(() =>
  inTheBank(stores.value ?? [], session.me?.now ?? '', session.zone(holding)),
)

useLive(
  holding,
  () => (stores.value ?? []).flatMap((x) => x.probes.map((p) => p.id)),
  () => void client.invalidateQueries({ queryKey: ['holding', holding, 'stores'] }),
)

/** A name that no other store has. */
function free(name: string): string {
  const taken = (n: string) => (stores.value ?? []).some((s) => s.name === n)
  let at = 2
  while (taken(at > 2 ? `${name} ${at - 1}` : name)) at++
  return at > 2 ? `${name} ${at - 1}` : name
}

async function begin(key: string) {
  const start = starts.find((s) => s.key === key)
  if (!start) return
  error.value = null
  const id = newId()
  const name = free(start.word.replace(/^An? /, '').replace(/^./, (c) => c.toUpperCase()))
  const house = place.value || null
  try {
    await body(
      api.POST('/api/holdings/{holdingId}/stores', {
        params: { path: { holdingId: holding } },
        body: {
          id,
          name,
          houseId: house as string,
          planned: false,
          design: start.design,
          probes: start.probes.map((p) => ({ ...p, id: newId() })),
          ...asItIs,
        },
      }),
    )
    for (const design of start.parts(id))
      await body(
        api.POST('/api/holdings/{holdingId}/parts', {
          params: { path: { holdingId: holding } },
          body: {
            id: newId(),
            name: nameOf(design, name),
            houseId: house as string,
            design,
          },
        }),
      )
    await client.invalidateQueries({ queryKey: ['holding', holding] })
    if (!(await anyWaits())) await router.push({ name: 'store', params: { holding, store: id } })
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <h1 v-if="stores?.length">
    In the bank: {{ energyOf(bank.joules) }} in {{ bank.count }}
    {{ bank.count === 1 ? 'store' : 'stores' }}
  </h1>
  <h1 v-else>No store yet</h1>
  <p v-if="bank.left.length" class="soft">Not counted: {{ bank.left.join('; ') }}.</p>
  <HouseTabs :houses="places" :chosen="place" class="tabs" @choose="show" />
  <ProblemNote v-if="error ?? list.error.value" :error="error ?? list.error.value" />
  <div v-if="stores && parts && houses && (here.length || house)" class="whole">
    <div>
      <PlacePicture
        :house="house"
        :stores="here"
        :parts="hereParts"
        :bodies="bodies"
        :night="running"
        :selected="selected"
        :still="!keeper"
        @select="(id) => (selected = selected === id ? '' : id)"
        @join="join"
      />
      <p v-if="list.removed.value" class="soft" role="status">
        {{ list.removed.value.name }} is gone.
        <BButton size="sm" variant="secondary" @click="list.putBack()">Put it back</BButton>
      </p>
      <p v-else-if="keeper" class="soft hint">
        Touch anything to change it; drag a source or a pump onto what it should reach.
      </p>
    </div>
    <ChosenPart
      v-if="selected && catalogue"
      :key="selected"
      class="chosen"
      :id="selected"
      :holding="holding"
      :houses="houses"
      :stores="stores"
      :parts="parts"
      :catalogue="catalogue"
      :units="session.units"
      :disabled="!keeper"
      :list="list"
      @select="(id) => (selected = id)"
    />
  </div>
  <StoreList
    v-if="stores?.length"
    :stores="stores"
    :holding="holding"
    :media="mediaOf(catalogue, book?.data.book)"
    :units="session.units"
    :zone="session.zone(holding)"
    :now="session.me?.now ?? ''"
  />
  <section v-if="keeper" class="mt-4" aria-labelledby="begin-h">
    <h2 id="begin-h">Begin {{ stores?.length ? 'another' : 'one' }} from</h2>
    <ul class="starts">
      <li v-for="s in starts" :key="s.key">
        <BButton variant="secondary" @click="begin(s.key)">{{ s.word }}</BButton>
      </li>
    </ul>
    <WaitsHere :holding="holding" :of="['stores', 'parts']" />
  </section>
</template>

<style scoped>
.tabs {
  justify-content: flex-end;
}

.whole {
  display: flex;
  gap: 1.2rem;
  align-items: flex-start;
}

.whole > :first-child {
  flex: 1;
  min-width: 0;
}

.chosen {
  flex: 0 0 360px;
}

.hint {
  margin: 0.3rem 0 0.6rem;
}

@media (max-width: 900px) {
  .whole {
    display: block;
  }
}

.starts {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
</style>
