import type { Views } from '@/shared/api/client'
import { clock, conductanceOf, day, energyOf, hours } from '@/shared/units'

type Few = Views['FewView']
type Estimate = Few['best']

/** A figure between its bounds, each in words. */
const between = (e: Estimate, word: (v: number) => string) =>
  `${word(e.value)} (${word(e.low)} to ${word(e.high)})`

/** What few readings come to, in one sentence. */
export function fewVerdict(f: Few): string {
  const when = f.chargedTo ? 'at its best' : 'when it was first read'
  return `It held ${between(f.best, energyOf)} ${when}, half of it gone in ${between(f.halfLife, hours)}.`
}

/** The rest, and what the figures rest on. */
export function fewSentences(f: Few, zone: string): string[] {
  const at = (iso: string) => {
    const s = Date.parse(iso) / 1000
    return `${day(s, zone)} ${clock(s, zone)}`
  }
  const said = [`At the last reading ${between(f.last, energyOf)} were left.`]
  said.push(`Late in its cooling it loses ${between(f.loss, conductanceOf)}.`)
  if (f.brought && f.chargedFrom && f.chargedTo) {
    const hoursOf = f.hoursGuessed ? 'somewhere between' : 'from'
    const to = f.hoursGuessed ? 'and' : 'to'
    said.push(
      `It was charged with ${between(f.brought, energyOf)}, ${hoursOf} ${at(f.chargedFrom)} ${to} ${at(f.chargedTo)}${f.hoursGuessed ? ', as the readings rise' : ''}.`,
    )
  }
  said.push(
    `${f.readings} readings tell this; what they do not tell is taken as the design says, with its doubt. Each bracket holds the truth 19 times in 20.`,
  )
  return said
}
