import { queryOptions } from '@tanstack/vue-query'
import { api, body, Refusal } from '@/shared/api/client'

/** What is still being judged is asked for until it is. */
const untilJudged = {
  retry: (times: number, e: Error) =>
    e instanceof Refusal && e.code === 'being-judged' && times < 120,
  retryDelay: 1000,
}

export const judgementQuery = (holdingId: string, runId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'judgement', runId],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/runs/{runId}/judgement', {
          params: { path: { holdingId, runId } },
        }),
      ),
    ...untilJudged,
  })

/** What a run of few readings comes to. */
export const fewQuery = (holdingId: string, runId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'few', runId],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/runs/{runId}/few', {
          params: { path: { holdingId, runId } },
        }),
      ),
    ...untilJudged,
  })

/** What was read in a run, to be drawn while it is judged. */
export const runReadingsQuery = (holdingId: string, runId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'run-readings', runId],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/runs/{runId}/readings', {
          params: { path: { holdingId, runId } },
        }),
      ),
    retry: false,
  })

/** Streams that were read lately. */
export const loopsQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'loops'],
    meta: { aside: true },
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/loops', { params: { path: { holdingId } } })),
    refetchInterval: 60_000,
  })
