import type { Views } from '@/shared/api/client'

export type Doing = Views['Doing']
export type Possible = Views['Possible']
type Night = Views['TonightView']
type Part = Views['PartTonight']

/** One thing on the rail: a fire, a machine, a lid, something about the house. */
export interface Lane {
  key: string
  of: string | null
  /** FIRE, FLAMES … STORE or HOUSE. */
  part: string
  name: string
  /** What its first doing would be; absent where it can only be stopped. */
  offer: Possible | null
  /** How it ran through the night; absent where nothing runs. */
  runs: Part | null
  /** Places of its doings in the night's list. */
  at: number[]
  /** What the advice would do on it, where that is not planned. */
  advised: Doing[]
}

/** Things done, as they stand in the page's address. */
export function toAddress(doings: Doing[]): string {
  const seconds = (at: string) => Math.round(Date.parse(at) / 1000)
  return doings
    .map((d) =>
      [d.kind, d.of ?? '', seconds(d.from), d.to ? seconds(d.to) : '', d.amount ?? ''].join('~'),
    )
    .join('!')
}

export function fromAddress(text: string): Doing[] {
  return text
    .split('!')
    .map((part) => part.split('~'))
    .filter((p) => p.length === 5 && Number(p[2]) > 0)
    .map(([kind, of, from, to, amount]) => ({
      kind: kind as Doing['kind'],
      of: (of || null) as string,
      from: new Date(Number(from) * 1000).toISOString(),
      to: (to ? new Date(Number(to) * 1000).toISOString() : null) as string,
      amount: (amount === '' ? null : Number(amount) || 0) as number,
    }))
}

/** Whether it begins only after a night's end, epoch seconds. */
export const later = (d: Doing, end: number) => Date.parse(d.from) / 1000 >= end

const OF_ITSELF = ['HEAP', 'SUNLIGHT']
const ofHouse = ['SCREEN', 'COVER', 'STUFF_GAPS', 'DOOR_OPEN']
const keyOf = (kind: string, of: string | null) => (ofHouse.includes(kind) ? kind : (of ?? kind))

/** Every thing of the night, first those with something on their lane. */
export function lanes(night: Night, doings: Doing[]): { shown: Lane[]; rest: Lane[] } {
  const all = new Map<string, Lane>()
  for (const p of night.possible)
    all.set(keyOf(p.kind, p.of), {
      key: keyOf(p.kind, p.of),
      of: p.of,
      part: p.part,
      name: p.name,
      offer: p,
      runs: null,
      at: [],
      advised: [],
    })
  for (const r of night.parts) {
    if (OF_ITSELF.includes(r.kind)) continue // told in the store's own row
    const lane = all.get(r.id)
    if (lane) lane.runs = r
    else
      all.set(r.id, {
        key: r.id,
        of: r.id,
        part: r.kind,
        name: r.name,
        offer: null,
        runs: r,
        at: [],
        advised: [],
      })
  }
  const end = night.at[night.at.length - 1]
  doings.forEach((d, i) => !later(d, end) && all.get(keyOf(d.kind, d.of))?.at.push(i))
  for (const d of night.advice?.actions ?? []) {
    const lane = all.get(keyOf(d.kind, d.of))
    if (lane && !lane.at.length) lane.advised.push(d)
  }
  const busy = (l: Lane) =>
    l.at.length > 0 || l.advised.length > 0 || (l.runs?.byItself && l.runs.runSeconds > 0)
  const list = [...all.values()]
  return { shown: list.filter(busy), rest: list.filter((l) => !busy(l)) }
}

const iso = (s: number) => new Date(s * 1000).toISOString()

/** What a lane begins with: from dusk on, with a usual amount; what runs by itself is stopped. */
export function begun(lane: Lane, at: number, end: number): Doing {
  const kind = lane.offer?.kind ?? 'STOP'
  const short = lane.part === 'ELEMENT' && lane.offer ? 2 * 3600 : end - at
  return {
    kind,
    of: lane.of as string,
    from: iso(at),
    to: iso(kind === 'LOAD' ? at : Math.min(end, at + short)),
    amount: (lane.offer?.usual ?? null) as number,
  }
}

/** When a lane's first doing would begin. */
export function beginning(lane: Lane, dusk: number, end: number): number {
  const late = lane.part === 'STORE' || lane.part === 'CIRCUIT'
  return late ? dusk + (end - dusk) / 2 : dusk
}

const BYPASS = 15 * 60
const EMBERS = 6 * 3600

/** The bypass open for the first quarter of an hour; none where it is planned already. */
export function bypass(lane: Lane, doings: Doing[]): Doing | null {
  const first = firstLoad(lane, doings)
  return first == null || has(lane, doings, 'BYPASS')
    ? null
    : {
        kind: 'BYPASS',
        of: lane.of as string,
        from: iso(first),
        to: iso(first + BYPASS),
        amount: null,
      }
}

/** The damper shut when the last load has burnt out; none where it is planned already. */
export function damper(lane: Lane, doings: Doing[], end: number): Doing | null {
  const last = Math.max(...loads(lane, doings))
  return !Number.isFinite(last) || last + EMBERS >= end || has(lane, doings, 'DAMPER_SHUT')
    ? null
    : {
        kind: 'DAMPER_SHUT',
        of: lane.of as string,
        from: iso(last + EMBERS),
        to: iso(end),
        amount: null,
      }
}

const has = (lane: Lane, doings: Doing[], kind: string) =>
  lane.at.some((i) => doings[i].kind === kind)
const loads = (lane: Lane, doings: Doing[]) =>
  lane.at.filter((i) => doings[i].kind === 'LOAD').map((i) => Date.parse(doings[i].from) / 1000)
const firstLoad = (lane: Lane, doings: Doing[]) => {
  const at = loads(lane, doings)
  return at.length ? Math.min(...at) : null
}

/** The same doings with one of them changed or taken away. */
export const replaced = (doings: Doing[], i: number, next: Doing | null) =>
  doings.flatMap((d, k) => (k !== i ? [d] : next ? [next] : []))

/** The same doings without anything on a lane. */
export const cleared = (doings: Doing[], lane: Lane) =>
  doings.filter((_, i) => !lane.at.includes(i))

/** Whether it goes on from one time to another. */
export const lasts = (d: Doing) => d.kind !== 'LOAD' && d.kind !== 'QUENCH'

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
  if (!lasts(d)) {
    const at = iso(Math.min(end - 600, within(from + by)))
    return { ...d, from: at, to: at }
  }
  if (which === 'from') return { ...d, from: iso(Math.min(within(from + by), to - 600)) }
  if (which === 'to') return { ...d, to: iso(Math.max(within(to + by), from + 600)) }
  const shift = Math.min(end - to, Math.max(start - from, by))
  return { ...d, from: iso(from + shift), to: iso(to + shift) }
}

/** So much more or less wood or flames; other amounts stay as they are rated. */
export function more(d: Doing, lane: Lane, by: number): Doing {
  if (d.kind === 'LOAD') return { ...d, amount: Math.min(40, Math.max(1, (d.amount ?? 0) + by)) }
  if (lane.part === 'FLAMES' && d.kind === 'RUN')
    return { ...d, amount: Math.min(200, Math.max(1, (d.amount ?? 1) + by)) }
  return d
}
