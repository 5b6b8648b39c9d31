import { reactive, ref, watch } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import type { Of } from './parts'

/** What a heap is worth as it was fed, and how to feed it for what is wanted; asked anew on a change. */
export function useHeap(
  holding: string,
  store: () => Views['StoreView'] | undefined,
  fed: () => Of<'HEAP'>['fed'],
) {
  const worth = ref<Views['HeapView'] | null>(null)
  const error = ref<unknown>(null)
  /** What is to be drawn, and by which loads; null for what is proposed. */
  const wanted = reactive({ watts: null as number | null, load: null as number | null })
  /** Counted up when the log has more. */
  const again = ref(0)
  let asked = 0

  watch(
    () =>
      JSON.stringify([fed(), store()?.id, store()?.design, store()?.now.at, wanted, again.value]),
    async () => {
      const s = store()
      const mine = ++asked
      if (!s) {
        worth.value = null
        return
      }
      try {
        const w = await body(
          api.POST('/api/holdings/{holdingId}/heap', {
            params: { path: { holdingId: holding } },
            body: {
              design: s.design,
              fed: fed(),
              storeId: s.id,
              watts: wanted.watts,
              loadKilograms: wanted.load,
            },
          }),
        )
        if (mine !== asked) return
        worth.value = w
        error.value = null
      } catch (e) {
        if (mine === asked) error.value = e
      }
    },
    { immediate: true },
  )
  return { worth, error, wanted, again }
}
