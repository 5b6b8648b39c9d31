import { queryOptions } from '@tanstack/vue-query'
import { api, body } from '@/shared/api/client'

export const holdingQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'place'],
    queryFn: () => body(api.GET('/api/holdings/{holdingId}', { params: { path: { holdingId } } })),
  })

export const peopleQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'people'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/people', { params: { path: { holdingId } } })),
  })

export const homeQuery = queryOptions({
  queryKey: ['home'],
  meta: { aside: true },
  queryFn: () => body(api.GET('/api/home')),
})
