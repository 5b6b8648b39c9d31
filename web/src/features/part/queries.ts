import { queryOptions } from '@tanstack/vue-query'
import { api, body, type Views } from '@/shared/api/client'

export const partsQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'parts'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/parts', { params: { path: { holdingId } } })),
  })

/** What a heap is worth as it was fed, and how to feed it for what is wanted. */
export const heapQuery = (
  holdingId: string,
  store: Views['StoreView'] | undefined,
  asked: Pick<Views['HeapQuestion'], 'fed' | 'watts' | 'loadKilograms'>,
) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'heap', store?.id, store?.design, asked],
    queryFn: () =>
      body(
        api.POST('/api/holdings/{holdingId}/heap', {
          params: { path: { holdingId } },
          body: { design: store!.design, storeId: store!.id, ...asked },
        }),
      ),
    enabled: !!store,
    meta: { aside: true }, // not kept for want of signal
    placeholderData: (before) => before,
    retry: false,
  })
