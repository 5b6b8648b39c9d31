import type { Views } from '@/shared/api/client'
import { degrees, hours, kelvins, percent, type Temperature } from '@/shared/units'

type Sheet = Views['TrialSheet']
type Difference = Sheet['differences'][number]
type Differed = Sheet['differed'][number]

/** The verdict over one change, against the first side. */
export function differenceSentence(d: Difference, s: Sheet, u: Temperature): string {
  const first = s.sides[0].name
  if (d.ratio == null || d.ratioLow == null || d.ratioHigh == null || d.readingKelvin == null)
    return `Of “${d.side}” nothing can be told: ${silence(s, d.side)}.`
  const after = s.seconds ? hours(s.seconds) : ''
  const apart =
    d.readingKelvin >= 0
      ? `${kelvins(d.readingKelvin, u)} warmer`
      : `${kelvins(-d.readingKelvin, u)} colder`
  const between = `${percent(d.ratioLow)} to ${percent(d.ratioHigh)}`
  switch (d.word) {
    case 'LOSES_LESS':
      return `“${d.side}” loses less: ${percent(d.ratio)} of what “${first}” loses (${between}). From the same start it reads ${apart} after ${after}.`
    case 'LOSES_MORE':
      return `“${d.side}” loses more: ${percent(d.ratio)} of what “${first}” loses (${between}). From the same start it reads ${apart} after ${after}.`
    case 'ALIKE':
      return `“${d.side}” and “${first}” lose alike, within a tenth (${between}).`
    default:
      return `Cannot tell: “${d.side}” loses ${between} of what “${first}” loses, so it may be better or worse. A longer or a second run would tell.`
  }
}

const silent: Record<string, string> = {
  AIR_UNKNOWN: 'nobody read the air beside it',
  MAKES_HEAT: 'it warms itself, so that its cooling tells nothing',
  COOL_DOWN_TOO_SHORT: 'it was not followed long enough after the charge',
  FALL_TOO_SMALL: 'it fell too little against the scatter of its readings',
}

function silence(s: Sheet, side: string): string {
  const code = [...s.sides.filter((x) => x.name === side), s.sides[0]]
    .flatMap((x) => x.runs)
    .find((r) => r.silent)?.silent
  return silent[code ?? ''] ?? 'it fell too little'
}

/** What else was not alike, and which way that works. */
export function differedSentence(d: Differed, s: Sheet, u: Temperature): string {
  const first = s.sides[0].name
  const say = (f: (v: number) => string) => `“${first}” ${f(d.first)}, “${d.side}” ${f(d.other)}`
  switch (d.what) {
    case 'START_EXCESS':
      return `Start over the air: ${say((v) => kelvins(v, u))}. Loss grows with warmth, so the warmer start looks a little worse than it is.`
    case 'AIR':
      return `Air beside it: ${say((v) => degrees(v, u))}.`
    case 'AIR_SWING':
      return `Swing of the air: ${say((v) => kelvins(v, u))}.`
    case 'HOURS':
      return `Hours followed: ${say((v) => `${v.toFixed(0)} h`)}.`
    case 'WIND':
      return `Wind: ${say((v) => `${v.toFixed(1)} m/s`)}. Wind takes heat from whatever stands outdoors and draughts through the house.`
    case 'OPENINGS':
      return `Doors and vents opened: ${say((v) => v.toFixed(0))}. A draught counts as loss.`
    case 'WETTINGS':
      return `Water added: ${say((v) => `${v.toFixed(0)} times`)}. Wet fill holds more, wet insulation keeps less.`
    case 'LIFTINGS':
      return `Lid touched: ${say((v) => `${v.toFixed(0)} times`)}.`
    default:
      return `They are not one mass, so the doubt of both their heats is in the interval.`
  }
}

/** Over all: the first verdict, and whether anything else could have done it. */
export function trialHeadline(s: Sheet, u: Temperature): string {
  const d = s.differences[0]
  if (!d) return s.trial.name
  const said = differenceSentence(d, s, u).split('. ')[0].replace(/\.$/, '')
  return `${said}.`
}
