import { queryOptions } from '@tanstack/vue-query'
import { api, body } from '@/shared/api/client'

export const changesQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'changes'],
    meta: { aside: true },
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/changes', { params: { path: { holdingId } } })),
  })
