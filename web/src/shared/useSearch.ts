import { onBeforeUnmount, ref, watch, type Ref } from 'vue'

const SETTLE_MS = 400
const LOOK_MS = 150

interface Search {
  id: string
  state: string
}

/** Where a search is begun, looked at and stopped. */
export interface SearchCalls<Q, V extends Search> {
  start: (question: Q) => Promise<V>
  now: (id: string) => Promise<V>
  stop: (id: string) => Promise<V>
  /** What is shown when another begins. */
  begun?: (fresh: V, before: V | null) => V
}

/**
 * A search on the server: begun a moment after the last change of the question, looked at until it
 * is done, stopped by hand; an answer that has been overtaken is dropped.
 */
export function useSearch<Q, V extends Search>(calls: SearchCalls<Q, V>, question: () => Q | null) {
  const view = ref(null) as Ref<V | null>
  const error = ref<unknown>(null)
  let asked = 0
  let timer = 0

  async function look(mine: number, id: string) {
    try {
      const now = await calls.now(id)
      if (mine !== asked) return
      view.value = now
      if (now.state === 'RUNNING') timer = window.setTimeout(() => look(mine, id), LOOK_MS)
    } catch (e) {
      if (mine === asked) error.value = e
    }
  }

  async function start() {
    const q = question()
    if (!q) return
    const mine = ++asked
    error.value = null
    try {
      const begun = await calls.start(q)
      if (mine !== asked) return
      view.value = calls.begun?.(begun, view.value) ?? begun
      await look(mine, begun.id)
    } catch (e) {
      if (mine === asked) error.value = e
    }
  }

  async function stop() {
    if (view.value) await calls.stop(view.value.id).catch(() => null)
  }

  watch(
    () => JSON.stringify(question()),
    () => {
      window.clearTimeout(timer)
      timer = window.setTimeout(start, view.value ? SETTLE_MS : 0)
    },
    { immediate: true },
  )
  onBeforeUnmount(() => {
    asked++
    window.clearTimeout(timer)
  })
  return { view, error, stop }
}
