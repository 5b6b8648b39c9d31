import type { Views } from '@/shared/api/client'
import {
  energyOf,
  hours,
  kelvins,
  lengthOf,
  massOf,
  powerOf,
  type Temperature,
} from '@/shared/units'

export type Ranked = Views['RankingView']
export type Change = Views['RetrofitView']
type Told = Views['Told']

/** Nobody measures such a length to the centimetre. */
const roughly = (metres: number) => lengthOf(metres).replace('.00 ', ' ')

const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1)

/** A change as one says what is to be done. */
export function deedOf(c: Pick<Change, 'kind' | 'amount' | 'name'>, u: Temperature): string {
  const it = lower(c.name)
  switch (c.kind) {
    case 'CLOSE_GAPS':
      return c.amount > 0 ? `stop the gaps, ${roughly(c.amount)} of them` : 'stop the draughts'
    case 'SECOND_SKIN':
      return 'hang film inside all that lets in sun'
    case 'SCREEN':
      return 'hang a screen and draw it every night'
    case 'FLEECE':
      return 'lay fleece over the plants on cold nights'
    case 'EDGE_BOARD':
      return `let board in along ${roughly(c.amount)} of foundation`
    case 'LID':
      return `put a lid on the ${it}, off at midnight`
    case 'MORE_MASS':
      return `put as much again beside the ${it}`
    case 'WATER_FILL':
      return `fill the ${it} with water instead`
    case 'FOOT':
      return `lay board under the ${it}`
    case 'BIGGER_ELEMENT':
      return `give the ${it} ${powerOf(c.amount)}`
    case 'LONGER_FIRE':
      return `burn ${massOf(c.amount)} on the ${it} each time`
    case 'DRY_WOOD':
      return `burn only dry wood on the ${it}`
    case 'HEAP_LOOP':
      return `lead ${roughly(c.amount)} of pipe through the ${it}`
    case 'HARDIER_PLANTS':
      return `grow what stands ${kelvins(c.amount, u, 0)} more`
    case 'HALF_HOUSE':
      return 'keep half of the house, film across it'
  }
}

export const upper = (said: string) => said.charAt(0).toUpperCase() + said.slice(1)

/** Nights as one counts them: whole, or halves below three. */
export function nightsOf(n: number): string {
  const rounded = n < 3 ? Math.round(2 * n) / 2 : Math.round(n)
  return `${rounded} ${rounded === 1 ? 'night' : 'nights'}`
}

/** With its range, where that is wider than a night. */
export function rangeOf(t: Told): string {
  const [low, high] = [Math.round(t.low), Math.round(t.high)]
  return high - low > 1 ? `${nightsOf(t.middle)} (${low} to ${high})` : nightsOf(t.middle)
}

/** What it takes: money and work. */
export function priceOf(money: number | null, h: number, currency: string): string {
  const work = hours(Math.round(h * 2) * 1800)
  if (money == null) return `${work}, and what it costs to buy`
  return money > 0 ? `${work}, ${currency}${Math.round(money)}` : work
}

/** What to do first, in one sentence. */
export function firstSentence(r: Ranked, u: Temperature): string {
  const base = r.base
  if (!base) return ''
  if (base.lost.middle < 0.2)
    return `No night of such a winter is lost: the hard ones keep ${kelvins(base.hardestKelvin.middle, u)} to spare.`
  const of = `of the ${nightsOf(base.lost.middle)} that such a winter loses`
  const count = (n: number) => nightsOf(n).replace(/ nights?$/, '')
  const first = r.path[0]
  if (!first) return `Nothing that was tried saves any ${of}.`
  const c = r.changes.find((x) => x.id === first.id)!
  if (base.lost.middle < 1.5)
    return `First ${deedOf(c, u)}: such a winter may lose ${Math.round(base.lost.low)} to ${nightsOf(base.lost.high)}.`
  const saves =
    first.saved.middle >= base.lost.middle - 0.2
      ? `saves all ${nightsOf(base.lost.middle)} that such a winter loses`
      : `saves ${count(first.saved.middle)} ${of}`
  return `First ${deedOf(c, u)}: that ${saves}.`
}

/** A step of the path, what it takes and what it brings. */
export function stepSentence(s: Views['StepView'], r: Ranked, u: Temperature): string {
  const c = r.changes.find((x) => x.id === s.id)!
  const brings =
    s.saved.middle >= 0.25
      ? `${rangeOf(s.saved)} fewer lost`
      : `the hard nights ${kelvins(s.warmerKelvin.middle, u)} warmer`
  const left = s.lost.middle < 0.2 ? 'then none is lost' : `${rangeOf(s.lost)} left`
  return `${upper(deedOf(c, u))}: ${priceOf(s.money, s.hours, r.currency)}; ${brings}, ${left}.`
}

/** Names of what was tried together. */
export const togetherOf = (ids: string[], r: Ranked, u: Temperature) =>
  upper(
    ids
      .map((id) =>
        deedOf(
          r.changes.find((c) => c.id === id)!,
          u,
        ),
      )
      .join(' and '),
  )

/** What the winter takes as it is, and what bought-in heat would. */
export function runningSentence(r: Ranked): string {
  const b = r.base
  if (!b) return ''
  const kept = b.bare.middle - b.lost.middle
  const took = [
    b.woodKilograms > 1 ? `${massOf(b.woodKilograms)} of wood` : '',
    b.electricJoules > 3.6e6 ? `${energyOf(b.electricJoules)} of power` : '',
  ].filter(Boolean)
  const spent = took.length ? took.join(' and ') : 'neither wood nor power'
  const cost = b.cost != null && took.length ? ` (${r.currency}${Math.round(b.cost)})` : ''
  const saved =
    kept >= 1 ? `, and stores and fires hold ${nightsOf(kept)} that the house alone would lose` : ''
  const each =
    kept >= 1 && b.cost != null && took.length
      ? `: ${r.currency}${(b.cost / kept).toFixed(2)} a night`
      : ''
  return `As it stands such a winter takes ${spent}${cost}${saved}${each}.`
}

const FUELS: Record<string, string> = {
  'bottled-gas': 'gas from bottles',
  paraffin: 'paraffin',
  electricity: 'mains power',
}

export function boughtWords(r: Ranked): string[] {
  return (r.base?.bought ?? []).map((b) => {
    const amount = b.kilograms
      ? `${massOf(b.kilograms)} of ${FUELS[b.fuel] ?? b.fuel}`
      : `${energyOf(r.base!.boughtJoules.middle)} of ${FUELS[b.fuel]}`
    return b.cost == null
      ? `${amount} (no price yet)`
      : `${amount}, ${r.currency}${Math.round(b.cost)}`
  })
}
