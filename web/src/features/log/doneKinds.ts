import type { Views } from '@/shared/api/client'
import { storesOf, type Part } from '../part/parts'

export type Kind = Views['EventView']['kind']
export type Way = NonNullable<Views['EventView']['way']>
type Store = Pick<Views['StoreView'], 'id' | 'planned' | 'design'>

const chargedBy = (kind: Part['design']['kind']) => (s: Store, parts: Part[]) =>
  parts.some((p) => p.design.kind === kind && storesOf(p.design).includes(s.id))
const lidded = (s: Store) => (s.design.top?.layers?.length ?? 0) > 0

/** What can be logged by one touch, with the question that matters for it. */
export const kinds: {
  kind: Kind
  word: string
  amount?: string
  /** Whether it is seen and not done. */
  seen?: boolean
  ways?: Partial<Record<Way, string>>
  /** Whether a store is one that it can be done at. */
  at?: (store: Store, parts: Part[]) => boolean
}[] = [
  { kind: 'FIRE_LIT', word: 'Fire lit', amount: 'Wood', at: chargedBy('FIRE') },
  { kind: 'FUEL_ADDED', word: 'Fuel added', amount: 'Wood', at: chargedBy('FIRE') },
  { kind: 'LID', word: 'Lid', ways: { OFF: 'off', ON: 'on' }, at: lidded },
  { kind: 'SCREEN', word: 'Screen', ways: { SHUT: 'drawn', OPEN: 'open' } },
  { kind: 'DOOR', word: 'Door', ways: { OPEN: 'open', SHUT: 'shut' } },
  { kind: 'VENT', word: 'Vent', ways: { OPEN: 'open', SHUT: 'shut' } },
  { kind: 'PUMP', word: 'Pump', ways: { ON: 'on', OFF: 'off' } },
  {
    kind: 'ELEMENT',
    word: 'Element',
    ways: { ON: 'on', OFF: 'off' },
    at: chargedBy('ELEMENT'),
  },
  { kind: 'HEAP', word: 'Heap fed or turned', amount: 'Feed', at: chargedBy('HEAP') },
  {
    kind: 'COMPOST_OUT',
    word: 'Compost taken out',
    amount: 'Compost',
    at: chargedBy('HEAP'),
  },
  { kind: 'WATER', word: 'Water added', amount: 'Water' },
  { kind: 'DAMPER', word: 'Damper', ways: { SHUT: 'shut', OPEN: 'open' }, at: chargedBy('FIRE') },
  { kind: 'REPAIR', word: 'Repaired' },
  { kind: 'TOO_HOT', word: 'Too hot to touch', seen: true, at: () => true },
  {
    kind: 'OFF_SCALE',
    word: 'Off the thermometer’s scale',
    seen: true,
    at: () => true,
  },
]

/** What is seen, each with its own word; ice and rime tell of the night whatever is noted. */
export const sights: { word: string; kind: Kind }[] = [
  { word: 'Ice', kind: 'ICE' },
  { word: 'Rime', kind: 'ICE' },
  { word: 'No ice on the dish', kind: 'NO_ICE' },
  ...['Smoke', 'Steam', 'A leak', 'A smell'].map((word) => ({ word, kind: 'SEEN' as const })),
]

/** What happened, and which way where somebody said. */
export function wordOf(kind: Kind, way?: Way | null): string {
  const known = kinds.find((k) => k.kind === kind)
  if (!known) return ['SEEN', 'ICE', 'NO_ICE'].includes(kind) ? 'Seen' : 'Note'
  const which = way && known.ways?.[way]
  return which ? `${known.word} ${which}` : known.word
}

/** The store it was done at: the one chosen, else the only one that it can have been. */
export function placeOf(
  kind: Kind,
  chosen: string | null,
  stores: Store[],
  parts: Part[],
): string | null {
  const at = kinds.find((k) => k.kind === kind)?.at
  if (chosen || !at) return chosen
  const could = stores.filter((s) => !s.planned && at(s, parts))
  return could.length === 1 ? could[0].id : null
}
