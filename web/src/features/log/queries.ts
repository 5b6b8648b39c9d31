import { queryOptions } from '@tanstack/vue-query'
import { api, body } from '@/shared/api/client'

export const walkQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'walk'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/walk', { params: { path: { holdingId } } })),
  })

export const roundsQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'rounds'],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/rounds', {
          params: { path: { holdingId }, query: { most: 10 } },
        }),
      ),
  })

/** The last fortnight and the coming day. */
export function lately(now: Date): [string, string] {
  const at = (days: number) => new Date(now.getTime() + days * 86_400_000).toISOString()
  return [at(-14), at(1)]
}

export const eventsQuery = (holdingId: string, from: string, to: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'events', from, to],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/events', {
          params: { path: { holdingId }, query: { from, to } },
        }),
      ),
  })
