import type { Views } from '@/shared/api/client'
import { clock, day, degrees, massOf, type Units } from '@/shared/units'
import { deed } from '../tonight/sentences'

export type Alarm = Views['AlarmView']
export type Kind = Alarm['kind']

/** What one may be warned of, as it is said in a list. */
export const kindWords: Record<Kind, string> = {
  NIGHT: 'the coming night turns close or lost',
  AIR: 'air under what the plants stand, or there within the hour',
  HOT: 'a part of a store near the highest it bears',
  LOOP: 'a loop that carries heat out',
  HEAP: 'a heap going cold',
  WOOD: 'dry wood short for the coming days',
  SILENT: 'a logger that says nothing',
}
export const kinds = Object.keys(kindWords) as Kind[]

/** What is wrong, in one line. */
export function headline(a: Alarm, units: Units, zone: string): string {
  const f = a.facts
  const at = (iso: string | null | undefined) => (iso ? clock(Date.parse(iso) / 1000, zone) : '?')
  const t = (celsius: number | null | undefined) =>
    celsius == null ? '?' : degrees(celsius, units)
  switch (a.kind) {
    case 'NIGHT':
      return `${f.of}: the coming night is ${f.verdict === 'LOST' ? 'lost' : 'close'}, coldest ${t(f.celsius)} at ${at(f.at)}`
    case 'AIR':
      return f.celsius != null && f.limit != null && f.celsius <= f.limit
        ? `${f.of}: the air is at ${t(f.celsius)}, the plants stand ${t(f.limit)}`
        : `${f.of}: the air is at ${t(f.celsius)} and falls to ${t(f.limit)} by ${at(f.at)}`
    case 'HOT':
      return `${f.of} is at ${t(f.celsius)}; a part of it bears ${t(f.limit)}`
    case 'LOOP':
      return `The loop of ${f.of} carries heat out of it${f.at ? ` since ${at(f.at)}` : ''}`
    case 'HEAP':
      return `${f.of} is going cold: ${t(f.celsius)} at its hottest`
    case 'WOOD':
      return `Dry wood is short: ${massOf(f.wood!.readyKilograms)} lie ready, the next three days ask about ${massOf(f.wood!.askedKilograms)}`
    case 'SILENT':
      return `The logger ${f.of} has said nothing since ${f.at ? day(Date.parse(f.at) / 1000, zone) : ''} ${at(f.at)}`
  }
}

const waits = (latest: string | null | undefined, zone: string) =>
  latest ? ` It can wait until ${clock(Date.parse(latest) / 1000, zone)}.` : ''

/** What to do about it. */
export function remedy(a: Alarm, zone: string): string {
  switch (a.kind) {
    case 'NIGHT':
      return a.facts.doings.length
        ? `To do: ${a.facts.doings.map((d) => deed(d, d.of, d.part, zone)).join('; ')}.${waits(a.facts.latest, zone)}`
        : 'Nothing was found that would hold it; Tonight says what comes nearest.'
    case 'AIR':
      return 'Look at doors and vents first, then light or switch on what there is.'
    case 'HOT':
      return 'Stop what charges it. Do not open a vessel that may be under pressure.'
    case 'LOOP':
      return 'Stop its pump, or shut its valve, until what feeds it is warmer than the store.'
    case 'HEAP':
      return 'Draw less from it; feed and water it, and turn it where it is matted.'
    case 'WOOD':
      return 'Split and bring in under a roof what dries soonest, or get dry wood before the nights that need it.'
    case 'SILENT':
      return 'Look at its battery and its signal. What it would have warned of is not seen.'
  }
}
