<script setup lang="ts">
/** What was read of a store, moment by moment: written or pasted in, put right in its cells. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { clock, day, degrees, typedCelsius } from '@/shared/units'
import { storesQuery } from '../store/queries'
import { thermometersQuery } from '../thermometer/queries'
import NotesPaste from './NotesPaste.vue'
import { pageOf, type Moment } from './pages'
import { notebookQuery, tomorrow } from './queries'

const session = useSession()
const client = useQueryClient()
const route = useRoute()
const holding = String(route.params.holding)
const storeId = route.params.store ? String(route.params.store) : null
const before = ref(tomorrow(session.now()))
const { data: stores } = useQuery(storesQuery(holding))
const { data: thermometers } = useQuery(thermometersQuery(holding))
const store = computed(() => stores.value?.find((s) => s.id === storeId))
const query = computed(() => notebookQuery(holding, storeId, before.value))
const { data: notebook } = useQuery(query)
const zone = computed(() => session.zone(holding))
const mayLog = computed(() => session.role(holding) !== 'GUEST')
const probes = computed(() => (storeId ? store.value?.probes : thermometers.value) ?? [])
/** Notes on a store tell of what hangs round it too. */
const noted = computed(() => [
  ...probes.value,
  ...(storeId ? (thermometers.value ?? []) : []).filter(
    (t) => !t.houseId || t.houseId === store.value?.houseId,
  ),
])
const moments = computed(() => pageOf(notebook.value?.readings ?? []))
const error = ref<{ cell: string; of: unknown } | null>(null)

const cellOf = (m: Moment, probe: string) => `${m.at} ${probe}`
const shown = (m: Moment, probe: string) => {
  const celsius = m.celsius[probe]
  return celsius == null ? '' : degrees(celsius, session.units).replace(/\s?°[CF]$/, '')
}

async function put(m: Moment, probe: string) {
  const cell = cellOf(m, probe)
  const typed = (typing.value[cell] ?? shown(m, probe)).trim()
  if (typed === shown(m, probe)) {
    delete typing.value[cell]
    return
  }
  error.value = null
  const path = { holdingId: holding, probeId: probe, at: m.at }
  const fahrenheit = session.units.fahrenheit
  try {
    if (!typed) {
      await body(
        api.DELETE('/api/holdings/{holdingId}/probes/{probeId}/readings/{at}', {
          params: { path },
        }),
      )
    } else if (m.celsius[probe] != null) {
      await body(
        api.PUT('/api/holdings/{holdingId}/probes/{probeId}/readings/{at}', {
          params: { path },
          body: { probeId: probe, at: m.at, typed, fahrenheit },
        }),
      )
    } else {
      await body(
        api.POST('/api/holdings/{holdingId}/readings', {
          params: { path: { holdingId: holding } },
          body: { fahrenheit, readings: [{ probeId: probe, at: m.at, typed }] },
        }),
      )
    }
    await client.invalidateQueries({ queryKey: ['holding', holding] })
    delete typing.value[cell]
  } catch (e) {
    error.value = { cell, of: e }
  }
}

/** What is being typed, until it is kept. */
const typing = ref<Record<string, string>>({})
const wrong = (m: Moment, probe: string) => {
  const typed = typing.value[cellOf(m, probe)]?.trim()
  return !!typed && Number.isNaN(typedCelsius(typed, session.units))
}

const older = () => {
  const last = moments.value.at(-1)
  if (last) before.value = last.at
}
</script>

<template>
  <h1>Notebook of {{ storeId ? store?.name : 'the thermometers' }}</h1>
  <NotesPaste v-if="mayLog && probes.length" :holding="holding" :store="storeId" :probes="noted" />
  <h2 class="mt-4">What was read</h2>
  <p v-if="notebook && !moments.length" class="soft">Nothing yet.</p>
  <template v-else>
    <p v-if="mayLog" class="soft">
      A figure is put right where it stands; an emptied cell is taken away. Undo brings it back.
    </p>
    <ProblemNote v-if="error" :error="error.of" />
    <div class="scroll">
      <table class="ledger">
        <thead>
          <tr>
            <th scope="col">When</th>
            <th v-for="p in probes" :key="p.id" scope="col" class="of">
              {{ p.name }}, °{{ session.units.fahrenheit ? 'F' : 'C' }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in moments" :key="m.at">
            <th scope="row" class="when">
              {{ day(Date.parse(m.at) / 1000, zone) }}, {{ clock(Date.parse(m.at) / 1000, zone) }}
            </th>
            <td v-for="p in probes" :key="p.id">
              <input
                v-if="mayLog"
                class="cell"
                inputmode="text"
                autocomplete="off"
                :aria-label="`${p.name}, ${day(Date.parse(m.at) / 1000, zone)}, ${clock(Date.parse(m.at) / 1000, zone)}`"
                :aria-invalid="wrong(m, p.id) || undefined"
                :value="typing[cellOf(m, p.id)] ?? shown(m, p.id)"
                @input="typing[cellOf(m, p.id)] = ($event.target as HTMLInputElement).value"
                @change="put(m, p.id)"
              />
              <template v-else>{{ shown(m, p.id) }}</template>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <BButton v-if="notebook?.more" variant="secondary" @click="older">Older ones</BButton>
  </template>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}

.scroll table {
  width: auto;
  min-width: min(100%, 460px);
}

.when {
  white-space: nowrap;
  color: var(--ink-soft);
  font-weight: normal;
}

.of {
  text-align: right;
  white-space: nowrap;
}

td {
  text-align: right;
}

.cell {
  width: 6.5ch;
  min-height: 40px;
  text-align: right;
  background: none;
  border: 0;
  border-bottom: 1px dotted var(--line);
  color: var(--ink);
  font-family: var(--figure);
}

.cell[aria-invalid='true'] {
  color: var(--lost);
  border-bottom: 2px solid var(--lost);
}
</style>
