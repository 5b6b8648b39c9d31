import type { Place } from './designs'

type Face = 'SIDE' | 'TOP' | 'FOOT'
type Footing = Place['footing']

const words: Record<Footing, Record<Place['where'], string>> = {
  RAISED: {
    HOUSE: 'legs or boards, air below',
    OUTDOORS: 'legs, air below',
    ROOM: 'legs, air below',
  },
  ON_GROUND: { HOUSE: 'the floor', OUTDOORS: 'the ground', ROOM: 'the floor' },
  EARTH_COVERED: { HOUSE: '', OUTDOORS: 'the ground, earth heaped over it', ROOM: '' },
  BURIED: { HOUSE: 'nothing: under the floor', OUTDOORS: 'nothing: in the ground', ROOM: '' },
}

/** What a body there can rest on. */
export function footingsOf(p: Place): { value: Footing; text: string }[] {
  return (Object.keys(words) as Footing[])
    .map((value) => ({ value, text: words[value][p.where] }))
    .filter((o) => o.text !== '')
}

/** Faces of a body outside the house that may look into it. */
export function facesToHouse(p: Place): Face[] {
  if (p.where === 'HOUSE' || p.footing === 'BURIED') return []
  if (p.footing === 'EARTH_COVERED') return ['SIDE']
  return p.footing === 'RAISED' ? ['SIDE', 'TOP', 'FOOT'] : ['SIDE', 'TOP']
}

/** The same place with whatever cannot be there left out. */
export function settled(p: Place): Place {
  const footings = footingsOf(p).map((f) => f.value)
  const footing = footings.includes(p.footing) ? p.footing : 'ON_GROUND'
  const next = { ...p, footing }
  const open = facesToHouse(next)
  return { ...next, openToHouse: (p.openToHouse ?? []).filter((f) => open.includes(f)) }
}
