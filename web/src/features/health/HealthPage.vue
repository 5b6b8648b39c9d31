<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, body, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { clock, day } from '@/shared/units'

/** Whether all is well with the program: the verdict first, then each thing with its remedy. */
type Item = Views['HealthItem']
const holding = String(useRoute().params.holding)
const zone = useSession().zone(holding)
const { data: items, error } = useQuery({
  queryKey: ['holding', holding, 'health'],
  queryFn: () =>
    body(api.GET('/api/holdings/{holdingId}/health', { params: { path: { holdingId: holding } } })),
  refetchInterval: 60_000,
})

const ill = computed(() => (items.value ?? []).filter((i) => !i.well))
const verdict = computed(() =>
  ill.value.length === 0
    ? 'All is well'
    : ill.value.length === 1
      ? 'One thing wants you'
      : `${ill.value.length} things want you`,
)

const words = {
  DATABASE: 'The record',
  DISK: 'The disk',
  BACKUP: 'Last backup',
  FORECAST: 'Forecast',
  LOGGER: 'Logger',
  BROKER: 'Broker',
}
const remedies = {
  DATABASE: '',
  DISK: 'Free some; below that the record cannot be written.',
  BACKUP: 'The program writes one a day by itself; now: ./nightbank backup',
  FORECAST: 'Hand over a weather file under Place, or name a service (docs/operations.md).',
  LOGGER: 'Look at its power, its signal and its token (Loggers).',
  BROKER: 'What keeps it from being heard is said under Loggers.',
}

function when(iso: string): string {
  const at = Date.parse(iso) / 1000
  return `${day(at, zone)} ${clock(at, zone)}`
}
function size(bytes: number): string {
  const mb = bytes / 2 ** 20
  return mb < 1000 ? `${Math.round(mb)} MB` : `${(mb / 1024).toFixed(1)} GB`
}
function says(i: Item): string {
  if (i.of === 'DATABASE') return `answers; ${size(i.bytes ?? 0)}`
  if (i.of === 'DISK') return `${size(i.bytes ?? 0)} free`
  if (i.of === 'BROKER') return i.well ? 'is heard' : 'is not heard'
  return i.last ? when(i.last) : i.of === 'LOGGER' ? 'never heard' : 'none yet'
}
</script>

<template>
  <ProblemNote v-if="error" :error="error" />
  <template v-if="items">
    <h1 :class="{ ill: ill.length > 0 }">{{ verdict }}</h1>
    <table class="ledger">
      <tbody>
        <tr v-for="(i, n) in items" :key="n" :class="{ ill: !i.well }">
          <th scope="row">{{ words[i.of] }}{{ i.name ? ` “${i.name}”` : '' }}</th>
          <td>
            {{ says(i) }}
            <span v-if="!i.well" class="remedy">{{ remedies[i.of] }}</span>
          </td>
          <td>{{ i.well ? 'well' : 'look' }}</td>
        </tr>
      </tbody>
    </table>
  </template>
  <h1 v-else-if="!error">Looking …</h1>
</template>

<style scoped>
.ledger {
  max-width: 760px;
}

h1.ill,
tr.ill td:last-child {
  color: var(--ember);
}

.remedy {
  display: block;
}
</style>
