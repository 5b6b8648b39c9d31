import { queryOptions } from '@tanstack/vue-query'
import { api, body } from '@/shared/api/client'

export const partsQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'parts'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/parts', { params: { path: { holdingId } } })),
  })
