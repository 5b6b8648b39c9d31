<script setup lang="ts">
/** What is wrong and nobody has seen yet, above whatever page is open; heard when it is new. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { alarmsQuery } from './queries'
import { headline, remedy } from './sentences'
import { ring } from './sound'

const props = defineProps<{ holding: string }>()
const session = useSession()
const client = useQueryClient()
const query = computed(() => alarmsQuery(props.holding))
const { data } = useQuery(query)
const error = ref<unknown>(null)
const zone = computed(() => session.zone(props.holding))
const mayLog = computed(() => session.role(props.holding) !== 'GUEST')
const unseen = computed(() => (data.value ?? []).filter((a) => !a.over && !a.seenAt))

watch(
  () => unseen.value.map((a) => a.id),
  (now, before) => {
    if (now.some((id) => !(before ?? []).includes(id))) ring()
  },
)

async function seen(alarmId: string) {
  error.value = null
  try {
    await body(
      api.POST('/api/holdings/{holdingId}/alarms/{alarmId}/seen', {
        params: { path: { holdingId: props.holding, alarmId } },
      }),
    )
    await client.invalidateQueries({ queryKey: query.value.queryKey })
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <aside v-if="unseen.length" class="alarms no-print" aria-label="Alarms">
    <div v-for="a in unseen" :key="a.id" role="alert" :class="{ now: a.cannotWait }">
      <svg viewBox="0 0 24 24" width="26" height="26" aria-hidden="true">
        <path d="M12 2 L23 21 H1 Z M12 9 V14 M12 17 V18.5" />
      </svg>
      <p>
        <b>{{ headline(a, session.units, zone) }}.</b> {{ remedy(a, zone) }}
      </p>
      <button v-if="mayLog" type="button" class="btn btn-secondary" @click="seen(a.id)">
        Seen
      </button>
    </div>
    <ProblemNote v-if="error" :error="error" />
  </aside>
</template>

<style scoped>
.alarms > div[role='alert'] {
  display: flex;
  gap: 0.75rem;
  align-items: center;
  padding: 0.5rem 1.25rem;
  border-bottom: 1px solid var(--line);
  border-left: 6px solid var(--ember);
}

.alarms p {
  margin: 0;
  flex: 1 1 auto;
  min-width: 0;
}

.alarms .btn {
  min-height: 48px;
  min-width: 72px;
}

svg {
  flex: none;
  fill: none;
  stroke: var(--ember);
  stroke-width: 2;
  stroke-linecap: round;
}
</style>
