import { queryOptions } from '@tanstack/vue-query'
import { api, body, type Views } from '@/shared/api/client'

/** Asked again while days are still being judged. */
const whilePending = (q: { state: { data?: { pending: number } } }) =>
  q.state.data?.pending ? 1500 : false

export const nightsQuery = (holdingId: string, houseId: string, from: string, to: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'nights', houseId, from, to],
    enabled: !!houseId,
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/houses/{houseId}/nights', {
          params: { path: { holdingId, houseId }, query: { from, to } },
        }),
      ),
    refetchInterval: whilePending,
    placeholderData: (before) => before,
  })

export const learnedQuery = (holdingId: string, houseId: string, from: string, to: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'nights', houseId, from, to, 'learned'],
    meta: { aside: true },
    enabled: !!houseId,
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/houses/{houseId}/nights/learned', {
          params: { path: { holdingId, houseId }, query: { from, to } },
        }),
      ),
    refetchInterval: whilePending,
    placeholderData: (before) => before,
  })

export const statementQuery = (holdingId: string, store: string, from: string, to: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'statement', store, from, to],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/statement', {
          params: { path: { holdingId }, query: { from, to, ...(store ? { store } : {}) } },
        }),
      ),
    refetchInterval: whilePending,
    placeholderData: (before) => before,
    retry: false,
  })

/** The heaps beside a house, day by day. */
export const heapsQuery = (holdingId: string, houseId: string, from: string, to: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'heaps', houseId, from, to],
    enabled: !!houseId,
    meta: { aside: true },
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/houses/{houseId}/heaps', {
          params: { path: { holdingId, houseId }, query: { from, to } },
        }),
      ),
  })

/** Tonight and the nights after it with nothing typed, and what would hold them. */
export const weekQuery = (holdingId: string, houseId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'week', houseId],
    enabled: !!houseId,
    retry: false,
    queryFn: async () => {
      const asked = {
        params: { path: { holdingId, houseId } },
        body: { quick: false } as Views['TonightQuestion'],
      }
      const night = await body(
        api.POST('/api/holdings/{holdingId}/houses/{houseId}/tonight', asked),
      )
      const nights = await body(
        api.POST('/api/holdings/{holdingId}/houses/{houseId}/nights-ahead', asked),
      )
      return { night, nights }
    },
  })
