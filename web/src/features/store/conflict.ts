import { degrees, lengthOf, type Temperature } from '@/shared/units'
import { faceWords, type Described } from './arrangements'
import type { Design } from './designs'

/** One thing that two people left otherwise, in words of both. */
export interface Apart {
  what: string
  theirs: string
  mine: string
}

type Told = Described & { name: string; planned: boolean }
type Names = { id: string; name: string }[]

const metres = (v: unknown) => (typeof v === 'number' ? lengthOf(v) : 'none')
const LENGTHS = {
  diameterMetres: 'Across',
  lengthMetres: 'Length',
  widthMetres: 'Width',
  heightMetres: 'Height',
} as const
const WARMTHS = { floorCelsius: 'Stops helping at', chargeToCelsius: 'Charged to' } as const
const FACES = { side: 'The side', top: 'The top', foot: 'The foot' } as const
const PARTS: Partial<Record<keyof Design, string>> = {
  count: 'How many alike',
  zone: 'Where it is heated',
  led: 'Pipe through it',
  place: 'Where it stands',
  build: 'What it is made of',
  lidOff: 'Hours of its lid',
  fills: 'What lies in parts of it',
  measuredDensity: 'Density',
  measuredSpecificHeat: 'Heat of its fill',
  measuredConductivity: 'Conductivity',
}

/** What is otherwise in theirs than in mine. */
export function apart(
  theirs: Told,
  mine: Told,
  units: Temperature,
  insulation: { id: string; name: string }[],
  media: Names,
  houses: Names,
): Apart[] {
  const all: Apart[] = []
  const add = (what: string, a: unknown, b: unknown, word: (v: never) => string = plain) => {
    if (JSON.stringify(a ?? null) !== JSON.stringify(b ?? null))
      all.push({ what, theirs: word(a as never), mine: word(b as never) })
  }
  const named = (of: Names) => (id: string | null) => of.find((x) => x.id === id)?.name ?? 'none'
  add('Name', theirs.name, mine.name)
  add('Only planned', theirs.planned, mine.planned)
  add('For the house', theirs.houseId, mine.houseId, named(houses))
  const a = theirs.design
  const b = mine.design
  add('Filled with', a.medium, b.medium, named(media))
  add('Shape', a.shape, b.shape, (s: Design['shape']) => (s === 'BOX' ? 'box' : 'round'))
  for (const [k, what] of Object.entries(LENGTHS))
    add(what, a[k as keyof typeof LENGTHS], b[k as keyof typeof LENGTHS], metres)
  for (const [k, what] of Object.entries(WARMTHS))
    add(what, a[k as keyof typeof WARMTHS], b[k as keyof typeof WARMTHS], (v: number) =>
      degrees(v, units),
    )
  for (const [k, what] of Object.entries(FACES)) {
    const key = k as keyof typeof FACES
    if (JSON.stringify(a[key]) !== JSON.stringify(b[key]))
      all.push({ what, theirs: faceWords(a, key, insulation), mine: faceWords(b, key, insulation) })
  }
  for (const [k, what] of Object.entries(PARTS))
    add(what, a[k as keyof Design], b[k as keyof Design])
  add('Probes', theirs.probes, mine.probes, (p: Described['probes']) =>
    p.map((x) => x.name).join(', '),
  )
  return all.map((x) => (x.theirs === x.mine ? { ...x, mine: 'otherwise' } : x))
}

const plain = (v: unknown) =>
  v == null
    ? 'none'
    : typeof v === 'object'
      ? 'described'
      : typeof v === 'boolean'
        ? v
          ? 'yes'
          : 'no'
        : String(v)
