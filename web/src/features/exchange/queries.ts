import { queryOptions } from '@tanstack/vue-query'
import { api, body } from '@/shared/api/client'

export const importQuery = (holdingId: string, importId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'import', importId],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/imports/{importId}', {
          params: { path: { holdingId, importId } },
        }),
      ),
    refetchInterval: (q) => (q.state.data?.state === 'RUNNING' ? 400 : false),
  })

export const leftOutQuery = (holdingId: string, importId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'import', importId, 'left-out'],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/imports/{importId}/left-out', {
          params: { path: { holdingId, importId } },
        }),
      ),
  })

export const readInQuery = (holdingId: string, storeId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'readIn', storeId],
    meta: { aside: true },
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/stores/{storeId}/imports', {
          params: { path: { holdingId, storeId } },
        }),
      ),
  })
