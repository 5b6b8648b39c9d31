<script setup lang="ts">
/** Takes back the last change of one's own, and makes it again; by keys on every page. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { api, body, written } from '@/shared/api/client'
import { sent } from '@/shared/outbox'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { changeWords, turns } from './changes'
import { changesQuery } from './queries'

/** Much is asked by what looks like writing; the list need not follow every move of a hand. */
const SETTLE_MS = 400
const props = defineProps<{ holding: string }>()
const session = useSession()
const client = useQueryClient()
const query = computed(() => changesQuery(props.holding))
const { data } = useQuery(query)
const next = computed(() => turns(data.value ?? []))
const error = ref<unknown>(null)
const words = (c: typeof next.value.back) => (c ? changeWords(c, session.units) : '')

let timer = 0
watch([written, sent], () => {
  window.clearTimeout(timer)
  timer = window.setTimeout(
    () => void client.invalidateQueries({ queryKey: query.value.queryKey }),
    SETTLE_MS,
  )
})

let busy = false
async function turn(back: boolean) {
  if (busy) return
  busy = true
  error.value = null
  try {
    const now = turns(await client.fetchQuery({ ...query.value, staleTime: 0 }))
    const change = back ? now.back : now.again
    if (!change) return
    const params = { path: { holdingId: props.holding, changeId: change.id } }
    await body(
      back
        ? api.POST('/api/holdings/{holdingId}/changes/{changeId}/undo', { params })
        : api.POST('/api/holdings/{holdingId}/changes/{changeId}/redo', { params }),
    )
    await client.invalidateQueries({ queryKey: ['holding', props.holding] })
  } catch (e) {
    error.value = e
  } finally {
    busy = false
  }
}

function key(e: KeyboardEvent) {
  const typing = /INPUT|SELECT|TEXTAREA/.test((e.target as HTMLElement).tagName)
  if (typing || !(e.ctrlKey || e.metaKey) || e.altKey || e.key.toLowerCase() !== 'z') return
  e.preventDefault()
  void turn(!e.shiftKey)
}
onMounted(() => window.addEventListener('keydown', key))
onBeforeUnmount(() => {
  window.clearTimeout(timer)
  window.removeEventListener('keydown', key)
})
</script>

<template>
  <div v-if="next.back || next.again" class="turns">
    <button
      v-if="next.back"
      type="button"
      :aria-label="`Undo: ${words(next.back)}`"
      :title="words(next.back)"
      @click="turn(true)"
    >
      Undo <span class="what" aria-hidden="true">{{ words(next.back) }}</span>
    </button>
    <button
      v-if="next.again"
      type="button"
      :aria-label="`Redo: ${words(next.again)}`"
      :title="words(next.again)"
      @click="turn(false)"
    >
      Redo
    </button>
  </div>
  <ProblemNote v-if="error" class="refused" :error="error" />
</template>

<style scoped>
.turns {
  display: flex;
  min-width: 0;
}

.turns button {
  background: none;
  border: 0;
  color: var(--ink-soft);
  padding: 0.5rem 0.6rem;
  min-height: 40px;
  white-space: nowrap;
}

.turns button:hover {
  color: var(--ink);
  text-decoration: underline;
}

.what {
  display: inline-block;
  max-width: 16ch;
  overflow: hidden;
  text-overflow: ellipsis;
  vertical-align: bottom;
  font-size: 0.85em;
}

.refused {
  order: 4;
  width: 100%;
}

@media (max-width: 1500px) {
  .what {
    display: none;
  }
}

@media (max-width: 600px) {
  .turns button {
    padding: 0.5rem;
    min-height: 48px;
  }
}
</style>
