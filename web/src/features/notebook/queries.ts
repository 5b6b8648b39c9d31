import { keepPreviousData, queryOptions } from '@tanstack/vue-query'
import { api, body } from '@/shared/api/client'

/** Up to a day from now. */
export const tomorrow = (now: Date) => new Date(now.getTime() + 86_400_000).toISOString()

/** Of a store's probes, or of thermometers that hang in none. */
export const notebookQuery = (holdingId: string, storeId: string | null, before: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'notebook', storeId, before],
    queryFn: () =>
      body(
        storeId
          ? api.GET('/api/holdings/{holdingId}/stores/{storeId}/notebook', {
              params: { path: { holdingId, storeId }, query: { before } },
            })
          : api.GET('/api/holdings/{holdingId}/notebook', {
              params: { path: { holdingId }, query: { before } },
            }),
      ),
    placeholderData: keepPreviousData,
  })
