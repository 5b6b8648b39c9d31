import { keepPreviousData, queryOptions } from '@tanstack/vue-query'
import { api, body } from '@/shared/api/client'

export const notebookQuery = (holdingId: string, storeId: string, before: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'notebook', storeId, before],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/stores/{storeId}/notebook', {
          params: { path: { holdingId, storeId }, query: { before } },
        }),
      ),
    placeholderData: keepPreviousData,
  })
