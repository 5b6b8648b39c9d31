import { onBeforeUnmount, onMounted } from 'vue'

const REST_MS = 4000 // readings that come fast are shown together

/** Calls back soon after readings of any of these probes have come in, while the page is open. */
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

  onMounted(() => {
    if (!('EventSource' in window)) return
    source = new EventSource(`/api/holdings/${holding}/live`)
    source.addEventListener('readings', heard)
  })
  onBeforeUnmount(() => {
    source?.close()
    window.clearTimeout(timer)
  })
}
