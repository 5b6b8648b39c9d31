import { at } from '@/shared/at'
import { onBeforeUnmount, onMounted } from 'vue'

const REST_MS = 4000 // readings that come fast are shown together

/**
 * Calls back soon after readings of any of these probes have come in, while the page is open. A page
 * that is left gives its line back: a browser has six to a server, and keeps pages it may go back to.
 */
export function useLive(holding: string, probes: () => string[], came: () => void) {
  let source: EventSource | null = null
  let timer = 0

  function heard(e: MessageEvent<string>) {
    const said = JSON.parse(e.data) as { probes: string[] }
    const mine = probes()
    if (!said.probes.some((p) => mine.includes(p)) || timer) return
    timer = window.setTimeout(() => {
      timer = 0
      came()
    }, REST_MS)
  }

  function listen() {
    if (source || !('EventSource' in window)) return
    source = new EventSource(at(`/api/holdings/${holding}/live`))
    source.addEventListener('readings', heard)
  }
  function hangUp() {
    source?.close()
    source = null
  }

  onMounted(() => {
    listen()
    window.addEventListener('pagehide', hangUp)
    window.addEventListener('pageshow', listen)
  })
  onBeforeUnmount(() => {
    window.removeEventListener('pagehide', hangUp)
    window.removeEventListener('pageshow', listen)
    hangUp()
    window.clearTimeout(timer)
  })
}
