<script setup lang="ts">
/** Upkeep in a line: what is due, done by one touch; else what comes next and what to carry in. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, watch } from 'vue'
import { sent } from '@/shared/outbox'
import { useSession } from '@/shared/session'
import { noteDone } from './done'
import { upkeepQuery, woodQuery } from './queries'
import { carrySentence, dueOf, dueSentence, type Task } from './sentences'

const props = defineProps<{ holding: string }>()
const session = useSession()
const client = useQueryClient()
const { data: upkeep } = useQuery({ ...upkeepQuery(props.holding), meta: { aside: true } })
const { data: wood } = useQuery({ ...woodQuery(props.holding), meta: { aside: true } })
const ticked = reactive(new Set<string>())
const left = computed(() => (upkeep.value?.tasks ?? []).filter((t) => !ticked.has(t.id)))
const first = computed(() => dueOf(left.value)[0])
const zone = computed(() => session.zone(props.holding))
watch(sent, () => client.invalidateQueries({ queryKey: ['holding', props.holding, 'upkeep'] }))
watch(upkeep, () => ticked.clear())

function done(t: Task) {
  ticked.add(t.id)
  void noteDone(props.holding, t, session.now())
}
</script>

<template>
  <p v-if="first" class="due-note due no-print">
    <span>{{ dueSentence(left, session.now().getTime(), zone) }}</span>
    <BButton
      v-if="session.role(holding) !== 'GUEST'"
      variant="secondary"
      :aria-label="`${first.task.what}: done`"
      @click="done(first)"
      >Done</BButton
    >
  </p>
  <p class="due-note no-print">
    <span v-if="upkeep && !first && left.length">{{
      dueSentence(left, session.now().getTime(), zone)
    }}</span>
    <span v-if="wood && carrySentence(wood)">{{ carrySentence(wood) }}</span>
    <RouterLink :to="{ name: 'upkeep', params: { holding } }">Wood and upkeep</RouterLink>
  </p>
</template>

<style scoped>
.due-note {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.9rem;
  align-items: center;
  margin: 0.5rem 0;
}

.due {
  flex-wrap: nowrap;
  border-left: 4px double var(--close);
  padding: 0.2rem 0 0.2rem 0.9rem;
}

.due button {
  flex: none;
}
</style>
