import type { Views } from '@/shared/api/client'

export type Kind = Views['EventView']['kind']

/** What can be logged by one touch, with the question that matters for it. */
export const kinds: { kind: Kind; word: string; amount?: string; seen?: string }[] = [
  { kind: 'FIRE_LIT', word: 'Fire lit', amount: 'Wood, kg' },
  { kind: 'FUEL_ADDED', word: 'Fuel added', amount: 'Wood, kg' },
  { kind: 'LID', word: 'Lid off or on' },
  { kind: 'SCREEN', word: 'Screen drawn or open' },
  { kind: 'DOOR', word: 'Door open or shut' },
  { kind: 'VENT', word: 'Vent open or shut' },
  { kind: 'PUMP', word: 'Pump on or off' },
  { kind: 'ELEMENT', word: 'Element on or off' },
  { kind: 'HEAP', word: 'Heap fed or turned', amount: 'Feed, kg' },
  { kind: 'WATER', word: 'Water added', amount: 'Water, kg' },
  { kind: 'REPAIR', word: 'Repaired' },
]

/** What is seen, each with its own word. */
export const sights = ['Ice', 'Rime', 'Smoke', 'Steam', 'A leak', 'A smell']

export const wordOf = (kind: Kind) =>
  kinds.find((k) => k.kind === kind)?.word ?? (kind === 'SEEN' ? 'Seen' : 'Note')
