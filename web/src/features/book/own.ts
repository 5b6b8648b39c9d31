import type { Views } from '@/shared/api/client'

type Book = Views['Book']
export type Kind = 'media' | 'insulation' | 'feedstocks'
export type Own = Book[Kind][number]

/** A figure of one's own, as it is asked for; shares are typed in per cent. */
export interface Figure {
  key: string
  label: string
  warmth?: boolean
  percent?: boolean
}

/** What a holding may have that is in no table, and what has to be known of it. */
export const kinds: {
  kind: Kind
  head: string
  how: string
  add: string
  figures: Figure[]
  fresh: (id: string) => Own
}[] = [
  {
    kind: 'media',
    head: 'Media of your own',
    how: 'For what no table has. Weigh a bucket for the density; say where the rest comes from.',
    add: 'Add a medium',
    figures: [
      { key: 'density', label: 'Density, kg/m³' },
      { key: 'specificHeat', label: 'Heat, J/(kg K)' },
      { key: 'conductivity', label: 'Conductivity, W/(m K)' },
      { key: 'moisture', label: 'Water in it, %', percent: true },
      { key: 'highestCelsius', label: 'Stands', warmth: true },
      { key: 'spread', label: 'How sure, % either way', percent: true },
    ],
    fresh: (id): Views['OwnMedium'] => ({
      id,
      name: `Medium ${id.slice(4)}`,
      density: 1600,
      specificHeat: 840,
      conductivity: 0.5,
      moisture: 0,
      highestCelsius: 300,
      spread: 0.1,
      note: '',
    }),
  },
  {
    kind: 'insulation',
    head: 'Insulation of your own',
    how: 'Felt, reed, sawdust: what it may let through at worst and at best stays in every doubt.',
    add: 'Add insulation',
    figures: [
      { key: 'conductivityLow', label: 'Conductivity at best, W/(m K)' },
      { key: 'conductivity', label: 'as reckoned with' },
      { key: 'conductivityHigh', label: 'at worst' },
      { key: 'wetFactor', label: 'Soaked it lets through, times' },
      { key: 'highestCelsius', label: 'Stands', warmth: true },
    ],
    fresh: (id): Views['OwnInsulation'] => ({
      id,
      name: `Insulation ${id.slice(4)}`,
      conductivityLow: 0.04,
      conductivity: 0.06,
      conductivityHigh: 0.09,
      wetFactor: 5,
      highestCelsius: 80,
      note: '',
    }),
  },
  {
    kind: 'feedstocks',
    head: 'Feed of your own',
    how: 'For heaps: a handful dried in a warm oven and weighed again tells its water.',
    add: 'Add feed',
    figures: [
      { key: 'carbonToNitrogen', label: 'Carbon to one of nitrogen' },
      { key: 'nitrogen', label: 'Nitrogen, % of dry weight', percent: true },
      { key: 'moisture', label: 'Water in it, %', percent: true },
      { key: 'density', label: 'Thrown on it weighs, kg/m³' },
      { key: 'volatileShare', label: 'Can rot, % of dry weight', percent: true },
      { key: 'degradableLow', label: 'Burns in a season at least, % of that', percent: true },
      { key: 'degradable', label: 'as reckoned with, %', percent: true },
      { key: 'degradableHigh', label: 'at most, %', percent: true },
    ],
    fresh: (id): Views['OwnFeedstock'] => ({
      id,
      name: `Feed ${id.slice(4)}`,
      carbonToNitrogen: 30,
      nitrogen: 0.015,
      moisture: 0.5,
      density: 300,
      volatileShare: 0.9,
      degradableLow: 0.4,
      degradable: 0.5,
      degradableHigh: 0.6,
      note: '',
    }),
  },
]

/** A key that nothing else of the book has. */
export function freeId(book: Pick<Book, Kind>): string {
  const taken = new Set([...book.media, ...book.insulation, ...book.feedstocks].map((o) => o.id))
  let n = taken.size + 1
  while (taken.has(`own-${n}`)) n++
  return `own-${n}`
}
