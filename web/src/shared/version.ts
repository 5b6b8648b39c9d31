import { ref } from 'vue'
import { at } from './at'

/** Loads the version that has come in meanwhile; null while this is the newest. */
export const newer = ref<(() => void) | null>(null)

const LOOK_MS = 60 * 60_000

/** Keeps the page and all its parts in the browser, and says when there are newer ones. */
export function watchVersion() {
  if (import.meta.env.PROD && 'serviceWorker' in navigator) void keep().catch(() => null)
}

async function keep() {
  const { serviceWorker } = navigator
  const kept = await serviceWorker.register(at('/sw.js'))
  const load = () => {
    serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
    kept.waiting?.postMessage({ type: 'SKIP_WAITING' })
  }
  const look = () => {
    if (kept.waiting && serviceWorker.controller) newer.value = load
  }
  kept.addEventListener('updatefound', () => kept.installing?.addEventListener('statechange', look))
  look()
  window.setInterval(() => void kept.update().catch(() => null), LOOK_MS)
}
