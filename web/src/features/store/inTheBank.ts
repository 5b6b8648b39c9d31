import type { Views } from '@/shared/api/client'
import { day } from '@/shared/units'

type Store = Views['StoreView']
const OLD_DAYS = 7

/** Whether a reading is too old to lean on. */
export const isOld = (readAt: string, now: string) =>
  (Date.parse(now) - Date.parse(readAt)) / 86_400_000 > OLD_DAYS

/** Why a store's heat does not count; blank where it does. */
function why(s: Store, now: string, zone: string): string {
  if (!s.reachesHouse) return 'nothing leads it to a house'
  return s.now.at && isOld(s.now.at, now)
    ? `last read ${day(Date.parse(s.now.at) / 1000, zone)}`
    : ''
}

/** Usable heat that can still reach a house, and what was left out of it. */
export function inTheBank(stores: Store[], now: string, zone: string) {
  let joules = 0
  let count = 0
  const left: string[] = []
  for (const s of stores) {
    const usable = s.now.usableJoules ?? 0
    if (s.planned || !(usable > 0)) continue
    const reason = why(s, now, zone)
    if (reason) left.push(`${s.name}, ${reason}`)
    else {
      joules += usable
      count++
    }
  }
  return { joules, count, left }
}
