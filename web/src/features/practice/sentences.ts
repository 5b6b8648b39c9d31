import type { Views } from '@/shared/api/client'
import {
  clock,
  degrees,
  energyOf,
  kelvins,
  massOf,
  percent,
  type Temperature,
  type Units,
} from '@/shared/units'

export type Night = Views['PracticeView']
type Possible = Views['Possible']
type Kind = Views['Doing']['kind']

export type Lesson = NonNullable<Views['Evening']['lesson']>

/** Evenings of rising difficulty. */
export const lessonWord: Record<Lesson, string> = {
  STILL_UNDER_CLOUD: 'A still night under cloud',
  WIND_IN_THE_GAPS: 'Wind finds the gaps',
  CLEAR_SKY: 'Clear sky: leaves colder than air',
  LATE_CORE: 'A cold core, and dusk is here',
  LOOP_TURNS_ROUND: 'The loop of a store gone cold',
  HEAP_OVERDRAWN: 'A heap with little to spare',
  HARD_AND_CLEAR: 'Hard, clear and long',
}

const lower = (s: string) => s.charAt(0).toLowerCase() + s.slice(1)
const at = (iso: string, zone: string) => clock(Date.parse(iso) / 1000, zone)
const flames = (n: number) => (n === 1 ? '1 flame' : `${n} flames`)

/** What a button does. */
export function offerWord(p: Pick<Possible, 'kind' | 'name' | 'part'>, amount: number | null) {
  const what = lower(p.name)
  const words: Partial<Record<Kind, string>> = {
    SCREEN: 'Draw the screen',
    COVER: 'Lay fleece over the plants',
    STUFF_GAPS: 'Stuff the gaps',
    LOAD: `Lay ${massOf(amount ?? 0)} on the ${what}`,
    LID_OFF: `Take the lid off the ${what}`,
    RUN:
      p.part === 'FLAMES' && amount != null
        ? `Light ${flames(amount)} of the ${what}`
        : `Switch the ${what} on`,
  }
  return words[p.kind] ?? p.name
}

/** What ends it. */
export function endWord(p: Pick<Possible, 'kind' | 'name' | 'part'>) {
  const what = lower(p.name)
  const words: Partial<Record<Kind, string>> = {
    SCREEN: 'Open the screen',
    COVER: 'Take the fleece off',
    STUFF_GAPS: 'Take the stuffing out',
    LID_OFF: `Put the lid back on the ${what}`,
    RUN: p.part === 'FLAMES' ? `Put the ${what} out` : `Switch the ${what} off`,
  }
  return words[p.kind] ?? p.name
}

const last = (values: number[]) => values[values.length - 1]

/** What it is o'clock, and what the thermometers show. */
export function nowSentence(n: Night, u: Temperature, zone: string): string {
  const air = degrees(last(n.seen.air), u)
  return `${at(n.now, zone)}: ${air} in the house, ${degrees(last(n.seen.outdoor), u)} outdoors.`
}

/** What was said of the evening. */
export function saidSentence(n: Night, u: Temperature): string {
  const s = n.said
  const sky = s.cloud < 0.3 ? 'clear' : s.cloud > 0.7 ? 'overcast' : 'half clouded'
  return `It is said to get ${degrees(s.lowCelsius, u, 0)}, ${sky}; with nothing done it would hold in ${percent(s.chance)} of such nights. The plants stand ${degrees(n.plantLimitCelsius, u)}.`
}

/** How it ended. */
export function dawnSentence(n: Night, u: Temperature, zone: string): string {
  const own = n.dawn!.own
  const over = own.lowestCelsius - n.plantLimitCelsius
  return own.held
    ? `You held it: coldest ${degrees(own.lowestCelsius, u)} at ${at(own.lowestAt, zone)}, ${kelvins(over, u)} to spare.`
    : `It was lost: ${degrees(own.lowestCelsius, u)} at ${at(own.lowestAt, zone)}, ${kelvins(-over, u)} too cold.`
}

/** What stores and loops had of the night, where it is worth a word. */
export function leftSentences(d: NonNullable<Night['dawn']>, u: Units): string[] {
  const heaps = (d.left ?? [])
    .filter((l) => l.overdrawn)
    .map(
      (l) =>
        `Overdrawn: ${l.name}, ${degrees(l.beganCelsius, u, 0)} at dusk and ${degrees(l.dawnCelsius, u, 0)} at dawn; left alone, ${degrees(l.idleCelsius, u, 0)}. That cool it slows down, and takes days to come back.`,
    )
  const late = (d.left ?? [])
    .filter((l) => l.late)
    .map(
      (l) =>
        `Of ${energyOf(l.putJoules, u)} that went into the ${lower(l.name)}, ${energyOf(l.keptJoules, u)} were still in it at dawn: too late for this night, there for the next.`,
    )
  const turned = (d.turned ?? []).map(
    (t) =>
      `The ${lower(t.name)} took ${energyOf(t.joules, u)} out of the house: its store was the colder of the two.`,
  )
  return [...turned, ...heaps, ...late]
}

const DID: Partial<Record<Kind, string>> = {
  SCREEN: 'drawing the screen',
  COVER: 'the fleece',
  STUFF_GAPS: 'stuffing the gaps',
  LID_OFF: 'taking the lid off the {}',
  RUN: 'running the {}',
  LOAD: 'laying wood on the {}',
}

/** A decision that mattered, with what it was worth. */
export function decisionSentence(d: Views['DecisionView'], u: Temperature, zone: string): string {
  const what = (DID[d.kind] ?? lower(d.kind)).replace('{}', lower(d.name))
  const much = d.kind === 'LOAD' && d.amount != null ? ` (${massOf(d.amount)})` : ''
  const worth = kelvins(Math.abs(d.kelvin), u)
  const begin = what.charAt(0).toUpperCase() + what.slice(1)
  if (!d.done)
    return d.kelvin >= 0
      ? `Left undone: ${what}${much} at ${at(d.at, zone)} would have won ${worth}.`
      : `Rightly left: ${what}${much} at ${at(d.at, zone)} would have cost ${worth}.`
  return `${begin}${much} at ${at(d.at, zone)} ${d.kelvin >= 0 ? 'won' : 'cost'} ${worth}.`
}
