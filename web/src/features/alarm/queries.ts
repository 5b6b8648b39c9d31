import { queryOptions } from '@tanstack/vue-query'
import { api, body, whole } from '@/shared/api/client'

export const alarmsQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'alarms'],
    meta: { aside: true },
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/alarms', { params: { path: { holdingId } } })),
    refetchInterval: 20_000,
    refetchIntervalInBackground: true,
  })

export const failedQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'alarms', 'failed'],
    meta: { aside: true },
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/alarms/failed', { params: { path: { holdingId } } })),
  })

export const alarmBookQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'alarm-book'],
    queryFn: () =>
      whole(api.GET('/api/holdings/{holdingId}/alarm-book', { params: { path: { holdingId } } })),
    staleTime: 0,
  })
