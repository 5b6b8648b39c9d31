import { ref } from 'vue'
import { registerSW } from 'virtual:pwa-register'

/** Loads the version that has come in meanwhile; null while this is the newest. */
export const newer = ref<(() => Promise<void>) | null>(null)

const LOOK_MS = 60 * 60_000

/** Keeps the page and all its parts in the browser, and says when there are newer ones. */
export function watchVersion() {
  if (!import.meta.env.PROD) return
  const load = registerSW({
    immediate: true,
    onNeedRefresh: () => (newer.value = () => load(true)),
    onRegisteredSW: (_, kept) => {
      if (kept) window.setInterval(() => void kept.update().catch(() => null), LOOK_MS)
    },
  })
}
