import type { Views } from '@/shared/api/client'
import { degrees, massOf, powerOf, weekday, type Temperature } from '@/shared/units'

const DAY = 86_400

/** What can be drawn from it; a heap that is cold already, or has nothing to spare, says so. */
export function giveSentence(h: Views['HeapView'], u: Temperature): string {
  const inside = h.course.unfed[0]
  const keep = degrees(h.keepCelsius, u, 0)
  if (inside < h.keepCelsius)
    return `Where its loop lies it is ${degrees(inside, u, 0)}, under the ${keep} at which a heap slows down: draw nothing, and feed it.`
  if (h.drawWatts === 0)
    return `It has nothing to spare: of itself it falls under ${keep} within a fortnight.`
  return `It can give ${powerOf(h.drawWatts)} day and night for a fortnight and stay above ${keep} where its loop lies.`
}

/** How to feed a heap for what is to be drawn from it. */
export function rhythmSentence(r: Views['RhythmView'], u: Temperature): string {
  if (r.watts === 0 && r.everyDays < 0) return ''
  const draw = `For ${powerOf(r.watts)} day and night for a fortnight`
  const load = `${massOf(r.loadKilograms)} of ${r.feedstock.toLowerCase()}`
  if (r.everyDays < 0) return `${draw} not even ${load} every day would do: it would go cold.`
  if (r.everyDays === 0) return `${draw} nothing need be fed.`
  const often = r.everyDays === 1 ? 'every day' : `every ${r.everyDays} days`
  return `${draw} feed ${load} today and ${often}; on the way it is ${degrees(r.lowestCelsius!, u, 0)} at the coldest.`
}

/** Days after which a row is below what it is kept at; null where it never is. */
export function coldAfter(h: Views['HeapView'], row: number[]): number | null {
  const i = row.findIndex((c) => c < h.keepCelsius)
  return i < 0 ? null : h.course.days[i]
}

/** When a heap that nothing more is put on goes cold under that draw. */
export function coldSentence(h: Views['HeapView'], now: number, zone: string): string {
  if (h.rhythm.everyDays === 0) return ''
  const after = coldAfter(h, h.course.unfed)
  if (after == null) return ''
  if (after === 0) return ''
  if (after < 1) return 'With nothing put on it would be too cold within the day.'
  const when =
    after < 7 ? `on ${weekday(now / 1000 + after * DAY, zone)}` : `in ${Math.round(after)} days`
  return `With nothing put on it would be too cold ${when}.`
}

/** What lies on a heap, put on the same day together, oldest first. */
export function layersOf(h: Views['HeapView']) {
  const days = new Map<string, { at: string; kilograms: number; left: number; of: string[] }>()
  for (const l of h.layers) {
    const day = (l.at ?? '').slice(0, 10)
    const one = days.get(day) ?? { at: l.at ?? '', kilograms: 0, left: 0, of: [] }
    one.left = (one.left * one.kilograms + l.left * l.kilograms) / (one.kilograms + l.kilograms)
    one.kilograms += l.kilograms
    if (!one.of.includes(l.feedstock)) one.of.push(l.feedstock)
    days.set(day, one)
  }
  return [...days.values()].sort((a, b) => a.at.localeCompare(b.at))
}
