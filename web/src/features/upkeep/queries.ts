import { queryOptions } from '@tanstack/vue-query'
import { api, body, type Views } from '@/shared/api/client'

export const upkeepQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'upkeep'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/upkeep', { params: { path: { holdingId } } })),
  })

export const woodQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'wood'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/wood', { params: { path: { holdingId } } })),
  })

export const putTask = (holdingId: string, taskId: string, draft: Views['TaskDraft']) =>
  body(
    api.PUT('/api/holdings/{holdingId}/upkeep/{taskId}', {
      params: { path: { holdingId, taskId } },
      body: draft,
    }),
  )

/** Several by their ids, as one change. */
export const putTasks = (holdingId: string, drafts: Record<string, Views['TaskDraft']>) =>
  body(
    api.PUT('/api/holdings/{holdingId}/upkeep', { params: { path: { holdingId } }, body: drafts }),
  )

export const dropTask = (holdingId: string, taskId: string) =>
  body(
    api.DELETE('/api/holdings/{holdingId}/upkeep/{taskId}', {
      params: { path: { holdingId, taskId } },
    }),
  )

export const dropDone = (holdingId: string, taskId: string, doneId: string) =>
  body(
    api.DELETE('/api/holdings/{holdingId}/upkeep/{taskId}/done/{doneId}', {
      params: { path: { holdingId, taskId, doneId } },
    }),
  )

export const putStack = (holdingId: string, stackId: string, draft: Views['StackDraft']) =>
  body(
    api.PUT('/api/holdings/{holdingId}/wood/{stackId}', {
      params: { path: { holdingId, stackId } },
      body: draft,
    }),
  )

export const dropStack = (holdingId: string, stackId: string) =>
  body(
    api.DELETE('/api/holdings/{holdingId}/wood/{stackId}', {
      params: { path: { holdingId, stackId } },
    }),
  )
