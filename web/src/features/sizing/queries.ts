import { api, body, type Views } from '@/shared/api/client'

export const startSizing = (holdingId: string, houseId: string, q: Views['SizingQuestion']) =>
  body(
    api.POST('/api/holdings/{holdingId}/houses/{houseId}/sizing', {
      params: { path: { holdingId, houseId } },
      body: q,
    }),
  )

export const sizingNow = (holdingId: string, id: string) =>
  body(api.GET('/api/holdings/{holdingId}/sizing/{id}', { params: { path: { holdingId, id } } }))

export const stopSizing = (holdingId: string, id: string) =>
  body(api.DELETE('/api/holdings/{holdingId}/sizing/{id}', { params: { path: { holdingId, id } } }))

export const sizeCurve = (holdingId: string, houseId: string, q: Views['CurveQuestion']) =>
  body(
    api.POST('/api/holdings/{holdingId}/houses/{houseId}/sizing/curve', {
      params: { path: { holdingId, houseId } },
      body: q,
    }),
  )

export const askPair = (holdingId: string, houseId: string, q: Views['PairQuestion']) =>
  body(
    api.POST('/api/holdings/{holdingId}/houses/{houseId}/pairs', {
      params: { path: { holdingId, houseId } },
      body: q,
    }),
  )
