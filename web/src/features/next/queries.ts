import { api, body, type Views } from '@/shared/api/client'

export const startRanking = (holdingId: string, houseId: string, q: Views['RankingQuestion']) =>
  body(
    api.POST('/api/holdings/{holdingId}/houses/{houseId}/ranking', {
      params: { path: { holdingId, houseId } },
      body: q,
    }),
  )

export const rankingNow = (holdingId: string, id: string) =>
  body(api.GET('/api/holdings/{holdingId}/ranking/{id}', { params: { path: { holdingId, id } } }))

export const stopRanking = (holdingId: string, id: string) =>
  body(
    api.DELETE('/api/holdings/{holdingId}/ranking/{id}', { params: { path: { holdingId, id } } }),
  )
