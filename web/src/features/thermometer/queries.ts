import { queryOptions } from '@tanstack/vue-query'
import { api, body } from '@/shared/api/client'

export const thermometersQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'thermometers'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/thermometers', { params: { path: { holdingId } } })),
  })
