import { ref } from 'vue'
import { at } from './at'

/** Loads the version that has come in meanwhile; null while this is the newest. */
export const newer = ref<(() => void) | null>(null)

const LOOK_MS = 60 * 60_000
const SOON_MS = 4000 // after what is looked at, which needs the line and the processor first

/** Keeps the page and all its parts in the browser, and says when there are newer ones. */
export function watchVersion() {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  const soon = navigator.serviceWorker.controller ? 0 : SOON_MS
  window.setTimeout(() => void keep().catch(() => null), soon)
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
