import type { Views } from '@/shared/api/client'

export type Kind = Views['EventView']['kind']
export type Way = NonNullable<Views['EventView']['way']>

/** What can be logged by one touch, with the question that matters for it. */
export const kinds: {
  kind: Kind
  word: string
  amount?: string
  ways?: Partial<Record<Way, string>>
}[] = [
  { kind: 'FIRE_LIT', word: 'Fire lit', amount: 'Wood' },
  { kind: 'FUEL_ADDED', word: 'Fuel added', amount: 'Wood' },
  { kind: 'LID', word: 'Lid', ways: { OFF: 'off', ON: 'on' } },
  { kind: 'SCREEN', word: 'Screen', ways: { SHUT: 'drawn', OPEN: 'open' } },
  { kind: 'DOOR', word: 'Door', ways: { OPEN: 'open', SHUT: 'shut' } },
  { kind: 'VENT', word: 'Vent', ways: { OPEN: 'open', SHUT: 'shut' } },
  { kind: 'PUMP', word: 'Pump', ways: { ON: 'on', OFF: 'off' } },
  { kind: 'ELEMENT', word: 'Element', ways: { ON: 'on', OFF: 'off' } },
  { kind: 'HEAP', word: 'Heap fed or turned', amount: 'Feed' },
  { kind: 'WATER', word: 'Water added', amount: 'Water' },
  { kind: 'REPAIR', word: 'Repaired' },
]

/** What is seen, each with its own word. */
export const sights = ['Ice', 'Rime', 'Smoke', 'Steam', 'A leak', 'A smell']

/** What happened, and which way where somebody said. */
export function wordOf(kind: Kind, way?: Way | null): string {
  const known = kinds.find((k) => k.kind === kind)
  if (!known) return kind === 'SEEN' ? 'Seen' : 'Note'
  const which = way && known.ways?.[way]
  return which ? `${known.word} ${which}` : known.word
}
