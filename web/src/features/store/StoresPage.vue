<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import StoreRow from '@/instruments/StoreRow.vue'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useLive } from '@/shared/live'
import { useSession } from '@/shared/session'
import { energyOf } from '@/shared/units'
import { housesQuery } from '../house/queries'
import { nameOf } from '../part/parts'
import { newId, starts } from './designs'
import { catalogueQuery, storesQuery } from './queries'

const session = useSession()
const client = useQueryClient()
const router = useRouter()
const holding = String(useRoute().params.holding)
const { data: stores } = useQuery(storesQuery(holding))
const { data: houses } = useQuery(housesQuery(holding))
const { data: catalogue } = useQuery(catalogueQuery())
const keeper = computed(() => session.role(holding) === 'KEEPER')
const error = ref<unknown>(null)
const total = computed(() =>
  (stores.value ?? []).filter((x) => !x.planned).reduce((s, x) => s + (x.now.usableJoules ?? 0), 0),
)

useLive(
  holding,
  () => (stores.value ?? []).flatMap((x) => x.probes.map((p) => p.id)),
  () => void client.invalidateQueries({ queryKey: ['holding', holding, 'stores'] }),
)

async function begin(key: string) {
  const start = starts.find((s) => s.key === key)
  if (!start) return
  error.value = null
  const id = newId()
  const name = start.word.replace(/^An? /, '').replace(/^./, (c) => c.toUpperCase())
  const house = houses.value?.[0]?.id ?? null
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
    await router.push({ name: 'store', params: { holding, store: id } })
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <h1 v-if="stores?.length">
    In the bank: {{ energyOf(total) }} in {{ stores.length }}
    {{ stores.length === 1 ? 'store' : 'stores' }}
  </h1>
  <h1 v-else>No store yet</h1>
  <p v-if="stores?.length" class="soft">All drawn to one scale, with the balance as last read.</p>
  <ProblemNote v-if="error" :error="error" />
  <StoreRow
    v-if="stores?.length"
    :stores="stores"
    :holding="holding"
    :media="catalogue?.media ?? []"
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
  </section>
</template>

<style scoped>
.starts {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
</style>
