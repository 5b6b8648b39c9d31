import { queryOptions } from '@tanstack/vue-query'
import { api, body, whole } from '@/shared/api/client'

export const housesQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'houses'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/houses', { params: { path: { holdingId } } })),
  })

export const houseQuery = (holdingId: string, houseId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'house', houseId],
    queryFn: () =>
      whole(
        api.GET('/api/holdings/{holdingId}/houses/{houseId}', {
          params: { path: { holdingId, houseId } },
        }),
      ),
  })
