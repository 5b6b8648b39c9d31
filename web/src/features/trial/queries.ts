import { queryOptions } from '@tanstack/vue-query'
import { api, body } from '@/shared/api/client'

export const trialsQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'trials'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/trials', { params: { path: { holdingId } } })),
  })

export const trialQuery = (holdingId: string, trialId: string, hours: number | null) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'trial', trialId, hours],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/trials/{trialId}', {
          params: { path: { holdingId, trialId }, query: hours ? { hours } : {} },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  })
