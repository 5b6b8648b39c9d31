import { queryOptions } from '@tanstack/vue-query'
import { api, body, type Views } from '@/shared/api/client'

export const pastQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'practice'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/practice', { params: { path: { holdingId } } })),
  })

/** The first, that any house has the parts for. */
const ANYWHERE: NonNullable<Views['Evening']['lesson']>[] = [
  'STILL_UNDER_CLOUD',
  'WIND_IN_THE_GAPS',
  'CLEAR_SKY',
]

/** Lessons that a house has the parts for, the easiest first. */
export const lessonsQuery = (holdingId: string, houseId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'house', houseId, 'lessons'],
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/houses/{houseId}/practice', {
          params: { path: { holdingId, houseId } },
        }),
      ),
    enabled: !!houseId,
    placeholderData: ANYWHERE,
  })

export const getNight = (holdingId: string, practiceId: string) =>
  body(
    api.GET('/api/holdings/{holdingId}/practice/{practiceId}', {
      params: { path: { holdingId, practiceId } },
    }),
  )

export const beginNight = (holdingId: string, houseId: string, evening: Views['Evening']) =>
  body(
    api.POST('/api/holdings/{holdingId}/houses/{houseId}/practice', {
      params: { path: { holdingId, houseId } },
      body: evening,
    }),
  )

export const stepNight = (holdingId: string, practiceId: string, step: Views['NightStep']) =>
  body(
    api.POST('/api/holdings/{holdingId}/practice/{practiceId}', {
      params: { path: { holdingId, practiceId } },
      body: step,
    }),
  )
