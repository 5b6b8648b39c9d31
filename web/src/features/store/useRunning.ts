import { onBeforeUnmount, ref, watch, type Ref } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import type { Part } from '../part/parts'

/** How everything runs tonight in a house, asked anew when something of it changes; null unknown. */
export function useRunning(holding: string, house: () => string, parts: Ref<Part[]>) {
  const night = ref<Views['TonightView'] | null>(null)
  let asked = new AbortController()
  watch(
    [house, parts],
    async () => {
      asked.abort()
      const mine = (asked = new AbortController())
      if (!house()) {
        night.value = null
        return
      }
      try {
        const answer = await body(
          api.POST('/api/holdings/{holdingId}/houses/{houseId}/tonight', {
            params: { path: { holdingId: holding, houseId: house() } },
            body: { quick: true } as Views['TonightQuestion'],
            signal: mine.signal,
          }),
        )
        if (mine === asked) night.value = answer
      } catch {
        if (mine === asked) night.value = null // no weather known: the picture stands without watts
      }
    },
    { immediate: true },
  )
  onBeforeUnmount(() => asked.abort())
  return night
}
