import type { Views } from '@/shared/api/client'
import { degrees, mine } from '@/shared/units'

type Part = Views['Part']
export type Behind = 'OPEN' | 'ROOM' | 'EARTH'

export const behindOf = (p: Pick<Part, 'beyondCelsius' | 'earthMetres'>): Behind =>
  p.earthMetres != null ? 'EARTH' : p.beyondCelsius != null ? 'ROOM' : 'OPEN'

const MIDDLE = 1 // m; of a wall two metres high whose top lies at the surface
const UPRIGHT = 60 // degrees from which a part counts as a wall

/** Puts something else behind a part; a part that comes into the open looks as it is tilted. */
export function put(part: Part, what: Behind, roomCelsius: number) {
  const none = null as unknown as number
  part.beyondCelsius = what === 'ROOM' ? (part.beyondCelsius ?? roomCelsius) : none
  part.earthMetres = what === 'EARTH' ? (part.earthMetres ?? MIDDLE) : none
  part.looks = what !== 'OPEN' ? 'SHELTERED' : (part.tiltDegrees ?? 90) < UPRIGHT ? 'UP' : 'OUT'
}

/** In the drawing: nothing for the open air. */
export function behindWord(p: Part | undefined): string {
  if (!p) return ''
  const what = behindOf(p)
  if (what === 'EARTH') return 'earth behind it'
  return what === 'ROOM' ? `a room of ${degrees(p.beyondCelsius!, mine, 0)} behind it` : ''
}
