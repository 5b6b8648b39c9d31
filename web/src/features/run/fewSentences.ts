import type { Views } from '@/shared/api/client'
import { clock, conductanceOf, day, energyOf, hours, percent } from '@/shared/units'

type Few = Views['FewView']
type Estimate = Few['best']

/** A figure between its bounds, each in words. */
const between = (e: Estimate, word: (v: number) => string) =>
  `${word(e.value)} (${word(e.low)} to ${word(e.high)})`

/** What would have to be far from what is described, for the readings to be true. */
const strainWord: Record<NonNullable<Few['strain']>, string> = {
  CONDUCTIVITY: 'its inside would have to conduct heat quite otherwise; look at the fill',
  HEAT_CAPACITY: 'it would have to weigh or hold quite another amount; look at size and fill',
  COVERS: 'its faces would have to lose quite another amount; look at covers and lid',
  GROUND: 'the ground below would have to take quite another amount; look at the foot',
  SOURCE: 'it would have to be charged quite otherwise; look at power, wood and hours',
  START: 'it would have to have begun at another warmth; was it read before its charge?',
  AIR: 'the air would have to be quite another; read it once beside the store',
  READINGS: 'one reading stands apart; look at its number and its unit',
}

/** What few readings come to, in one sentence. */
export function fewVerdict(f: Few): string {
  const when = f.chargedTo ? 'at its best' : 'when it was first read'
  const gone = f.halfLife ? `, half of it gone in ${between(f.halfLife, hours)}` : ''
  return `It held ${between(f.best, energyOf)} ${when}${gone}.`
}

/** Whether a loop and its store can both be right, and if not, which figure to look at. */
function loopSays(l: NonNullable<Few['loop']>, at: (iso: string) => string): string[] {
  const brought = `Its loop, read ${l.readings} times, brought ${between(l.brought, energyOf)} by its two thermometers`
  const stored = `${between(l.stored, energyOf)} by the store’s own`
  if (l.agree) return [`${brought}, ${stored}: that goes together.`]
  const both = `${brought}, ${stored}: both cannot be right.`
  if (l.astray)
    return [
      both,
      `The loop’s figures of ${at(l.astray)} make it so: look at them, and at their unit.`,
    ]
  const times = l.flowTimes < 1 ? `${percent(l.flowTimes)} of` : `${l.flowTimes.toFixed(1)} times`
  return [
    both,
    `If its thermometers are right, the flow is ${times} what was described: hold a bucket under it, with a watch. Else they sit wrong, or the store’s probe does.`,
  ]
}

/** The rest, and what the figures rest on. */
export function fewSentences(f: Few, zone: string): string[] {
  const at = (iso: string) => {
    const s = Date.parse(iso) / 1000
    return `${day(s, zone)} ${clock(s, zone)}`
  }
  const said = [`At the last reading ${between(f.last, energyOf)} were left.`]
  said.push(
    f.loss
      ? `Late in its cooling it loses ${between(f.loss, conductanceOf)}.`
      : 'How fast it cools cannot be said: it was hardly warmer than what is round it.',
  )
  if (f.strain) said.push(`Readings and description do not go together: ${strainWord[f.strain]}.`)
  if (f.brought && f.chargedFrom && f.chargedTo) {
    const hoursOf = f.hoursGuessed ? 'somewhere between' : 'from'
    const to = f.hoursGuessed ? 'and' : 'to'
    said.push(
      `It was charged with ${between(f.brought, energyOf)}, ${hoursOf} ${at(f.chargedFrom)} ${to} ${at(f.chargedTo)}${f.hoursGuessed ? ', as the readings rise' : ''}.`,
    )
  }
  if (f.loop) said.push(...loopSays(f.loop, at))
  if (f.next)
    said.push(
      `Most telling would be one more reading of ${f.next.probe}, ${hours(f.next.afterSeconds)} after ${f.chargedTo ? 'the charge' : 'the first'}: half of it gone to ± ${percent(f.next.after)} instead of ± ${percent(f.next.before)}.`,
    )
  said.push(
    `${f.readings} readings tell this; what they do not tell is taken as the design says, with its doubt. Each bracket holds the truth 19 times in 20.`,
  )
  return said
}
