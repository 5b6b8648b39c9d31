import { onBeforeUnmount, ref, watch } from 'vue'
import type { Views } from '@/shared/api/client'
import { sizingNow, startSizing, stopSizing } from './queries'

const SETTLE_MS = 400
const LOOK_MS = 150

/**
 * A search on the server: begun a moment after the last change of the question, looked at until it
 * is done, stopped by hand; an answer that has been overtaken is dropped.
 */
export function useSizing(
  holding: string,
  house: () => string,
  question: () => Views['SizingQuestion'] | null,
) {
  const view = ref<Views['SizingView'] | null>(null)
  const error = ref<unknown>(null)
  let asked = 0
  let timer = 0

  async function look(mine: number, id: string) {
    try {
      const now = await sizingNow(holding, id)
      if (mine !== asked) return
      view.value = now
      if (now.state === 'RUNNING') timer = window.setTimeout(() => look(mine, id), LOOK_MS)
    } catch (e) {
      if (mine === asked) error.value = e
    }
  }

  async function start() {
    const q = question()
    if (!q || !house()) return
    const mine = ++asked
    error.value = null
    try {
      const begun = await startSizing(holding, house(), q)
      if (mine !== asked) return
      view.value = { ...begun, found: begun.found.length ? begun.found : (view.value?.found ?? []) }
      await look(mine, begun.id)
    } catch (e) {
      if (mine === asked) error.value = e
    }
  }

  async function stop() {
    if (view.value) await stopSizing(holding, view.value.id).catch(() => null)
  }

  watch(
    () => JSON.stringify([house(), question()]),
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
