import type { Views } from '@/shared/api/client'

type Reading = Views['ReadingView']
export type Note = Views['Note']

/** What was read at one moment, by probe, °C. */
export interface Moment {
  at: string
  celsius: Record<string, number>
}

/** Readings, newest first, gathered by their moments. */
export function pageOf(readings: Reading[]): Moment[] {
  const moments = new Map<string, Moment>()
  for (const r of readings) {
    const m = moments.get(r.at) ?? { at: r.at, celsius: {} }
    m.celsius[r.probeId] = r.celsius
    moments.set(r.at, m)
  }
  return [...moments.values()].sort((a, b) => b.at.localeCompare(a.at))
}

export const DOUBTS: Record<NonNullable<Note['doubt']>, string> = {
  NO_PROBE: 'Of which probe?',
  NO_TIME: 'When was it?',
  NO_FIGURE: 'No figure was found here.',
  AHEAD: 'That lies in the future.',
  MAYBE_FAHRENHEIT: 'Hotter than this store gets: was it °F?',
}

/** A note as it is to be kept: what the person made of the guess. */
export interface Draft {
  line: number
  probeId: string | null
  name: string
  at: string | null
  typed: string
  doubt: Note['doubt']
  left: boolean
}

export const draftOf = (n: Note): Draft => ({
  line: n.line,
  probeId: n.probeId,
  name: n.name,
  at: n.at,
  typed: n.typed,
  doubt: n.doubt,
  left: n.doubt === 'NO_FIGURE',
})

/** A name that was tied to a probe by hand is tied to it on every line. */
export function tied(drafts: Draft[], of: Draft, probeId: string | null): Draft[] {
  return drafts.map((d) =>
    d === of || (of.name !== '' && d.name === of.name && d.doubt === 'NO_PROBE')
      ? { ...d, probeId, doubt: d.doubt === 'NO_PROBE' ? null : d.doubt }
      : d,
  )
}

/** Whether it can be kept as it stands. */
export const ready = (d: Draft) =>
  !d.left && d.probeId != null && d.at != null && !['NO_FIGURE', 'AHEAD'].includes(d.doubt ?? '')
