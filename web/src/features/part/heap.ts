import type { Views } from '@/shared/api/client'
import { degrees, massOf, powerOf, type Temperature } from '@/shared/units'

/** How to feed a heap for what is to be drawn from it. */
export function rhythmSentence(r: Views['RhythmView'], u: Temperature): string {
  const draw = `For ${powerOf(r.watts)} day and night for a fortnight`
  const load = `${massOf(r.loadKilograms)} of ${r.feedstock.toLowerCase()}`
  if (r.everyDays < 0) return `${draw} not even ${load} every day would do: it would go cold.`
  if (r.everyDays === 0) return `${draw} nothing need be fed.`
  const often = r.everyDays === 1 ? 'every day' : `every ${r.everyDays} days`
  return `${draw} feed ${load} today and ${often}; on the way it is ${degrees(r.lowestCelsius!, u, 0)} at the coldest.`
}
