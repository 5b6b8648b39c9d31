import { computed, onBeforeUnmount, ref } from 'vue'
import { Refusal } from './api/client'

const AGAIN_MS = 4000
/** No signal, or a fault of the server: it may pass. */
const mayPass = (e: unknown) => e instanceof Refusal && (e.status === 0 || e.status >= 500)

/**
 * Keeps a text some time after it last changed: one save at a time, the newest last. What comes back
 * to how it was while another save is under way is saved again, for that save has changed it. What
 * could not be kept for want of signal or by a fault of the server is tried again by itself.
 */
export function useKeeping(
  now: () => string,
  save: (text: string, before: string) => Promise<void>,
  settleMs: number,
) {
  const state = ref<'kept' | 'changing' | 'refused'>('kept')
  const error = ref<unknown>(null)
  let kept = ''
  let timer = 0
  let saving = false

  function settled() {
    state.value = 'kept'
    error.value = null
  }

  /** What is kept, as it was loaded. */
  function take(text: string) {
    kept = text
  }

  /** To be told of every change. */
  function changed() {
    window.clearTimeout(timer)
    if (!saving && now() === kept) return settled()
    state.value = 'changing'
    timer = window.setTimeout(() => void keep(), settleMs)
  }

  async function keep() {
    window.clearTimeout(timer)
    if (saving) {
      timer = window.setTimeout(() => void keep(), settleMs)
      return
    }
    const text = now()
    if (text === kept) return settled()
    saving = true
    try {
      await save(text, kept)
      kept = text
      error.value = null
      if (now() === text) settled()
    } catch (e) {
      error.value = e
      state.value = 'refused'
      if (mayPass(e)) timer = window.setTimeout(() => void keep(), AGAIN_MS)
    } finally {
      saving = false
    }
  }

  const changedMeanwhile = computed(
    () => error.value instanceof Refusal && error.value.code === 'changed-meanwhile',
  )

  /** What is not kept yet is kept before the page is gone. */
  function leave() {
    window.clearTimeout(timer)
    if (state.value === 'changing' || mayPass(error.value)) void keep()
  }
  window.addEventListener('pagehide', leave)
  onBeforeUnmount(() => {
    window.removeEventListener('pagehide', leave)
    leave()
  })

  return { state, error, take, changed, keep, settled, changedMeanwhile }
}
