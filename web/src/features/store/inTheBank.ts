import type { Views } from '@/shared/api/client'
import { day } from '@/shared/units'
import { ledToHouse, type Part } from '../part/parts'

type Store = Views['StoreView']
const OLD_DAYS = 7

/** Why a store's heat does not count; blank where it does. */
function why(s: Store, parts: Part[], now: string, zone: string): string {
  const { where, openToHouse } = s.design.place
  const reaches = where === 'HOUSE' || openToHouse?.length || ledToHouse(s.id, parts)
  if (!reaches) return 'nothing leads it to a house'
  const days = (Date.parse(now) - Date.parse(s.now.at)) / 86_400_000
  return days > OLD_DAYS ? `last read ${day(Date.parse(s.now.at) / 1000, zone)}` : ''
}

/** Usable heat that can still reach a house, and what was left out of it. */
export function inTheBank(stores: Store[], parts: Part[], now: string, zone: string) {
  let joules = 0
  let count = 0
  const left: string[] = []
  for (const s of stores) {
    if (s.planned || !(s.now.usableJoules > 0)) continue
    const reason = why(s, parts, now, zone)
    if (reason) left.push(`${s.name}, ${reason}`)
    else {
      joules += s.now.usableJoules
      count++
    }
  }
  return { joules, count, left }
}
