import type { Views } from '@/shared/api/client'

export type Doing = Views['Doing']
export type Possible = Views['Possible']

/** Things done, as they stand in the page's address. */
export function toAddress(doings: Doing[]): string {
  const seconds = (at: string) => Math.round(Date.parse(at) / 1000)
  return doings
    .map((d) =>
      [d.kind, d.storeId ?? '', seconds(d.from), d.to ? seconds(d.to) : '', d.amount].join('~'),
    )
    .join('!')
}

export function fromAddress(text: string): Doing[] {
  return text
    .split('!')
    .map((part) => part.split('~'))
    .filter((p) => p.length === 5 && Number(p[2]) > 0)
    .map(([kind, storeId, from, to, amount]) => ({
      kind: kind as Doing['kind'],
      storeId: (storeId || null) as string,
      from: new Date(Number(from) * 1000).toISOString(),
      to: (to ? new Date(Number(to) * 1000).toISOString() : null) as string,
      amount: Number(amount) || 0,
    }))
}

export const sameLane = (d: Doing, p: Possible) =>
  d.kind === p.kind && (d.storeId ?? null) === (p.storeId ?? null)

/** The same doings with one lane's replaced, or taken away. */
export function withLane(doings: Doing[], lane: Possible, next: Doing | null): Doing[] {
  const others = doings.filter((d) => !sameLane(d, lane))
  return next ? [...others, next] : others
}

/** What a lane begins with: from dusk on, with a usual amount. */
export function begun(lane: Possible, dusk: number, end: number): Doing {
  const hours = lane.kind === 'ELEMENT' ? 2 : null
  const iso = (s: number) => new Date(s * 1000).toISOString()
  const from = ['LID_OFF', 'PUMP'].includes(lane.kind) ? dusk + (end - dusk) / 2 : dusk
  return {
    kind: lane.kind,
    storeId: lane.storeId,
    from: iso(from),
    to: iso(hours ? Math.min(end, from + hours * 3600) : end),
    amount: lane.usual,
  }
}

/** Moved by so many seconds, kept within the night; one end alone, or the whole. */
export function moved(
  d: Doing,
  by: number,
  which: 'from' | 'to' | 'both',
  start: number,
  end: number,
): Doing {
  const from = Date.parse(d.from) / 1000
  const to = d.to ? Date.parse(d.to) / 1000 : end
  const within = (s: number) => Math.min(end, Math.max(start, s))
  const iso = (s: number) => new Date(s * 1000).toISOString()
  if (which === 'from') return { ...d, from: iso(Math.min(within(from + by), to - 600)) }
  if (which === 'to') return { ...d, to: iso(Math.max(within(to + by), from + 600)) }
  const shift = Math.min(end - to, Math.max(start - from, by))
  return { ...d, from: iso(from + shift), to: iso(to + shift) }
}
