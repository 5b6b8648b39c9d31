import type { Views } from '@/shared/api/client'
import {
  clock,
  day,
  degrees,
  hours,
  energyOf,
  percent,
  type Temperature,
  conductanceOf,
  sensible,
} from '@/shared/units'

type Judgement = Views['JudgementView']
type Finding = Views['FindingView']

const of = (j: Judgement, code: string): Finding | undefined =>
  j.findings.find((f) => f.code === code)

/** The face of a finding: "the bare top". */
function named(f: Finding): string {
  const [name, cover] = f.detail.toLowerCase().split(' ')
  return `the ${cover === 'bare' ? 'bare ' : ''}${name}`
}

/** What the run means, in one sentence; or why it cannot be said. */
export function verdict(j: Judgement): string {
  const half = of(j, 'HALF_LIFE')
  if (half?.value != null) {
    const face = of(j, 'MAIN_FACE')
    const worst = of(j, 'WORST_FACE')
    const share = face?.value ?? 0
    const part = share > 0.5 ? 'most of it' : `the largest part, ${percent(share)}`
    const also = worst
      ? `, and ${named(worst)} loses ${(worst.value ?? 0).toFixed(1)} times as much for its size`
      : ''
    const tail = face ? `; ${named(face)} is ${part}${also}` : ''
    return `Loses half its heat in ${hours(half.value, half.halfWidth)}${tail}.`
  }
  if (of(j, 'MAKES_HEAT'))
    return 'It makes heat of its own, so its cooling says nothing of what it loses.'
  if (of(j, 'AIR_UNKNOWN'))
    return 'How fast it loses heat cannot be said: nobody measured the air beside it.'
  const short = of(j, 'COOL_DOWN_TOO_SHORT')
  if (short)
    return `How fast it loses heat cannot be said: the longest cooling lasted ${(short.value ?? 0).toFixed(1)} h, and ${sensible(short.halfWidth ?? 0, 2)} are needed.`
  return 'How fast it loses heat cannot be said: it fell too little against the scatter of the readings.'
}

/** The further findings, each a sentence. */
export function findings(j: Judgement, u: Temperature, zone: string): string[] {
  const said: string[] = []
  const peak = j.peak
  said.push(
    `Warmest on the whole ${clock(peak.at, zone)} on ${day(peak.at, zone)}: ${degrees(peak.meanCelsius, u)} ± ${(u.fahrenheit ? peak.halfWidth * 1.8 : peak.halfWidth).toFixed(1)}${peak.fromFit ? ', from the fit, since nobody was there to see it' : ''}.`,
  )
  for (const f of j.findings) {
    const v = f.value ?? 0
    if (f.code === 'EFFICIENCY')
      said.push(
        `Of ${energyOf(j.ledger.charged)} put in, ${energyOf(j.ledger.gain)} stayed: ${percent(v)}${v > 1 ? ', more than all, so power or mass is not what the design says' : ''}.`,
      )
    if (f.code === 'NO_CHARGE_SEEN') said.push('No charging was seen in this run.')
    if (f.code === 'POWER_DIFFERS')
      said.push(
        `The readings fit a source ${percent(Math.abs(v - 1))} ${v > 1 ? 'stronger' : 'weaker'} than its label.`,
      )
    if (f.code === 'FACES_DIFFER')
      said.push(
        v > 1
          ? `${faces(f.detail)} ${v.toFixed(1)} times what the design says: look for wet or missing insulation, gaps, or wind.`
          : `${faces(f.detail)} only ${percent(v)} of what the design says: is a cover there that is not drawn?`,
      )
    if (f.code === 'CONTRADICTED')
      said.push(
        `Readings and description cannot both be right about ${bounds[f.detail] ?? 'it'}: no figure is given for it.`,
      )
    if (f.code === 'FIRE_TO_STORE' && v > 0)
      said.push(
        `Of the ${energyOf(j.ledger.charged / v)} in the wood ${Math.round(v * 100)} ± ${percent(f.halfWidth)} went into the store.`,
      )
    if (f.code === 'LID_OFF')
      said.push(
        `The lid was off for ${hours(v)} of it and is reckoned with${f.detail === '' ? '' : `; the cool-down was read with the lid ${f.detail === 'OFF' ? 'off' : 'on'}`}.`,
      )
    if (f.code === 'TOO_HOT')
      said.push(
        `Somewhere inside it reached ${degrees(v, u, 0)}; its fill stands ${degrees(f.halfWidth, u, 0)}. Charge more slowly or spread the heat.`,
      )
    if (f.code === 'ONE_PROBE')
      said.push('One probe speaks for the whole mass; the interval says how little that is.')
    if (f.code === 'AIR_UNKNOWN')
      said.push('Hang a thermometer in the air beside it, out of the sun.')
  }
  return said
}

const bounds: Record<string, string> = {
  POWER: 'what its source gives',
  CONDUCTIVITY: 'how well its fill conducts',
  SIDE: 'what its side loses',
  ENDS: 'what its top and foot lose',
  TOP_AGAINST_FOOT: 'how much more its top loses than its foot',
  ZONE_REACH: 'where it is heated',
  ZONE_HEIGHT: 'where it is heated',
}

const faces = (which: string) => (which === 'SIDE' ? 'Its side loses' : 'Its top and foot lose')

export const faceWords: Record<string, string> = {
  SIDE: 'the side',
  TOP: 'the top',
  FOOT: 'the foot',
}

export const reasonWords: Record<string, string> = {
  NOT_A_NUMBER: 'no number',
  OUT_OF_RANGE: 'outside what the sensor can read',
  FAULT_VALUE: 'a value that a failing sensor reports',
  DUPLICATE_TIME: 'a second reading at the same time',
  STUCK: 'stuck at one value',
  IMPOSSIBLE_STEP: 'a step that the mass cannot make',
}

export function lossSentence(j: Judgement): string {
  const c = j.coolDown
  if (!c) return ''
  return `${conductanceOf(c.lossWattsPerKelvin)}, 95 %: ${conductanceOf(c.lossLow)} to ${conductanceOf(c.lossHigh)}`
}

/** The time constant with as many digits as its interval bears. */
export function timeConstantSentence(j: Judgement): string {
  const c = j.coolDown
  if (!c) return ''
  const h = [c.timeConstantSeconds, c.timeConstantLow, c.timeConstantHigh].map((s) => s / 3600)
  const digits = h[2] - h[1] < 4 ? 1 : 0
  const [mid, low, high] = h.map((v) => v.toFixed(digits))
  return `time constant ${mid} h, 95 %: ${low} to ${high} h`
}
