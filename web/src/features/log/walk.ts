import type { Views } from '@/shared/api/client'

export interface Stop {
  probeId: string
  probe: string
  store: string
  /** Null of a thermometer that hangs in a house or outdoors. */
  storeId: string | null
  last: number | null
}

/** The probes in the order of the grower's own walk; those it does not name come after. */
export function stopsOf(
  stores: Views['StoreView'][],
  thermometers: Views['ThermometerView'][],
  houses: Views['HouseView'][],
  walk: string[],
): Stop[] {
  const hung = thermometers.map((t) => ({
    probeId: t.id,
    probe: t.name,
    store: houses.find((h) => h.id === t.houseId)?.name ?? 'Outdoors',
    storeId: null,
    last: t.celsius,
  }))
  const inStores = stores
    .filter((s) => !s.planned)
    .flatMap((s) =>
      s.probes.map((p) => ({
        probeId: p.id,
        probe: p.name,
        store: s.name,
        storeId: s.id,
        last: s.now.latest.find((l) => l.probeId === p.id)?.celsius ?? null,
      })),
    )
  const all: Stop[] = [...inStores, ...hung]
  const rank = (id: string) => {
    const i = walk.indexOf(id)
    return i < 0 ? walk.length : i
  }
  return all
    .map((stop, i) => ({ stop, i }))
    .sort((a, b) => rank(a.stop.probeId) - rank(b.stop.probeId) || a.i - b.i)
    .map((x) => x.stop)
}

/** One probe earlier or later on the walk. */
export function movedStop(ids: string[], id: string, by: -1 | 1): string[] {
  const from = ids.indexOf(id)
  const to = from + by
  if (from < 0 || to < 0 || to >= ids.length) return ids
  const next = [...ids]
  next.splice(to, 0, ...next.splice(from, 1))
  return next
}

/** What a key does to what is typed so far. */
export function pressed(text: string, key: string): string {
  if (key === '⌫') return text.slice(0, -1)
  if (key === '−') return text.startsWith('-') ? text.slice(1) : `-${text}`
  if (key === '.') return /[.,]/.test(text) ? text : `${text || '0'}.`
  return text.length >= 8 ? text : text + key
}
