import type { Views } from '@/shared/api/client'
import { api, body } from '@/shared/api/client'
import { clock, degrees, kelvins, massOf, powerOf, weekday, type Units } from '@/shared/units'

export type Remark = Views['RemarkView']

/** What an experienced friend would say: what was read, why it matters, what to do. */
export function remark(r: Remark, units: Units, zone: string): string {
  const t = (celsius: number) => degrees(celsius, units)
  const day = r.at ? weekday(Date.parse(r.at) / 1000, zone) : ''
  const at = r.at ? clock(Date.parse(r.at) / 1000, zone) : ''
  switch (r.rule) {
    case 'CHARGE_TODAY':
      return `A later night comes to ${t(r.seen)}, and ${t(r.against)} is stood: what holds it begins before the coming dawn, at ${at}. The nights ahead say what.`
    case 'HEAP_OVERDRAWN':
      return `What the nights ahead draw cools ${r.name} to ${t(r.seen)} at its hottest by ${day} ${at}; left alone it would be at ${t(r.against)}. The colder a heap, the less it works: run its loop for fewer hours, or feed it today.`
    case 'LOOP_FIGURES':
      return `${r.name} carries ${powerOf(r.seen)} by its flow and thermometers, but what heats it gives ${powerOf(r.against)} at most. One figure is wrong: time the flow, and hold both thermometers in one cup.`
    case 'HEATER_TOO_SMALL':
      return `Before dawn ${r.name} was warmer than its heaters explain: as described it asks ${powerOf(r.seen)}, and they give ${powerOf(r.against)}. It is tighter than described, something that heats is missing, or the thermometer hangs in the warm.`
    case 'EVENING_TOO_WARM':
      return `${r.name} comes to ${t(r.seen)} at ${at}; what is over ${t(r.against)} leaves by vents and glass before the cold comes. Light later, lay less, or lead it into a store.`
    case 'FLOW_MATTERS':
      return `The night hangs on the flow of ${r.name}: at half of it the coldest is ${kelvins(r.seen - r.against, units)} lower. Was it measured? Time it, water with a bucket, air with a vane.`
    case 'HEAP_LIGHT':
      return `${r.name} weighs ${massOf(r.against)} by its size, and ${massOf(r.seen)} were put on it as far as anybody said. Log what lay there before, or measure it anew: its heat is reckoned from what was put on.`
  }
}

export const noticedQuery = (holdingId: string, houseId: string) => ({
  queryKey: ['holding', holdingId, 'noticed', houseId],
  queryFn: () =>
    body(
      api.GET('/api/holdings/{holdingId}/houses/{houseId}/noticed', {
        params: { path: { holdingId, houseId } },
      }),
    ),
})

/** For good: it is not said again to whoever does this. */
export const putAway = (holdingId: string, r: Remark) =>
  body(
    api.POST('/api/holdings/{holdingId}/put-away', {
      params: { path: { holdingId } },
      body: { rule: r.rule, subject: r.of },
    }),
  )

export const sayAgain = (holdingId: string) =>
  body(api.DELETE('/api/holdings/{holdingId}/put-away', { params: { path: { holdingId } } }))
