import { queryOptions } from '@tanstack/vue-query'
import { api, body, whole } from '@/shared/api/client'

export const catalogueQuery = () =>
  queryOptions({
    queryKey: ['catalogue'],
    queryFn: () => body(api.GET('/api/catalogue')),
    staleTime: Infinity,
  })

export const storesQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'stores'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/stores', { params: { path: { holdingId } } })),
  })

export const storeQuery = (holdingId: string, storeId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'store', storeId],
    queryFn: () =>
      whole(
        api.GET('/api/holdings/{holdingId}/stores/{storeId}', {
          params: { path: { holdingId, storeId } },
        }),
      ),
  })

export const runsQuery = (holdingId: string, storeId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'runs', storeId],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/stores/{storeId}/runs', {
          params: { path: { holdingId, storeId } },
        }),
      ),
  })

export const bookQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'book'],
    queryFn: () =>
      whole(api.GET('/api/holdings/{holdingId}/book', { params: { path: { holdingId } } })),
  })

export const buildQuery = (holdingId: string, storeId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'build', storeId],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/stores/{storeId}/build', {
          params: { path: { holdingId, storeId } },
        }),
      ),
    gcTime: 0,
  })
