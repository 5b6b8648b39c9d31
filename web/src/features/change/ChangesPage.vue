<script setup lang="ts">
/** Who changed what, and when; each can be taken back for thirty days. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { clock, day } from '@/shared/units'
import { changeWords, type Change } from './changes'
import { changesQuery } from './queries'

const session = useSession()
const client = useQueryClient()
const holding = String(useRoute().params.holding)
const { data: changes } = useQuery(changesQuery(holding))
const zone = computed(() => session.zone(holding))
const role = computed(() => session.role(holding))
const error = ref<{ id: string; of: unknown } | null>(null)
const may = (c: Change) => role.value === 'KEEPER' || (role.value === 'HELPER' && c.mine)
const when = (iso: string) => {
  const at = Date.parse(iso) / 1000
  return `${day(at, zone.value)}, ${clock(at, zone.value)}`
}

async function turn(c: Change) {
  error.value = null
  const params = { path: { holdingId: holding, changeId: c.id } }
  try {
    await body(
      c.undoneAt == null
        ? api.POST('/api/holdings/{holdingId}/changes/{changeId}/undo', { params })
        : api.POST('/api/holdings/{holdingId}/changes/{changeId}/redo', { params }),
    )
    await client.invalidateQueries({ queryKey: ['holding', holding] })
  } catch (e) {
    error.value = { id: c.id, of: e }
  }
}
</script>

<template>
  <h1>What was changed</h1>
  <p>Each can be taken back for thirty days, as long as nothing has changed it again.</p>
  <p v-if="changes && !changes.length" class="soft">Nothing yet.</p>
  <table v-else class="ledger">
    <tbody>
      <tr v-for="c in changes" :key="c.id" :class="{ undone: c.undoneAt }">
        <td class="when">{{ when(c.at) }}</td>
        <th scope="row">
          {{ changeWords(c, session.units) }}
          <ProblemNote v-if="error?.id === c.id" :error="error.of" />
        </th>
        <td>{{ c.by }}</td>
        <td class="turn">
          <BButton
            v-if="may(c)"
            variant="secondary"
            size="sm"
            :aria-label="`${c.undoneAt ? 'Make again' : 'Take back'}: ${changeWords(c, session.units)}`"
            @click="turn(c)"
            >{{ c.undoneAt ? 'Make again' : 'Take back' }}</BButton
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.when {
  white-space: nowrap;
  color: var(--ink-soft);
}

.undone th {
  text-decoration: line-through;
  color: var(--ink-soft);
  font-weight: normal;
}

.turn {
  text-align: right;
}

.turn button {
  min-height: 40px;
  white-space: nowrap;
}
</style>
