import type { Views } from '@/shared/api/client'
import {
  degrees,
  hours,
  massOf,
  energyOf,
  powerOf,
  type Temperature,
  areaOf,
  floorLoadOf,
} from '@/shared/units'

type Found = Views['SizedView']

/** How many of what. */
export function bodies(s: Found): string {
  const wrap = s.wrapMillimetres > 0 ? `in ${Math.round(s.wrapMillimetres)} mm of wool` : 'bare'
  const kind = s.containerName.charAt(0).toLowerCase() + s.containerName.slice(1)
  const many = s.metresEach > 0 ? `${s.count * s.metresEach} m of ${kind}` : `${s.count} × ${kind}`
  return `${many}, ${s.mediumName.toLowerCase()}, ${wrap}`
}

/** What bites first. */
export function limitWord(s: Found): string {
  if (s.limit === 'ENERGY') return 'limited by how much heat it holds'
  if (s.limit === 'POWER') return 'limited by how fast the heat comes out'
  return s.limit === 'NONE' ? 'one is enough' : 'another is better in every way'
}

/** The whole verdict over a chosen candidate. */
export function foundSentence(s: Found, low: number, u: Temperature): string {
  if (!s.holds)
    return `${bodies(s)}: not even as many as find room hold ${degrees(low, u, 0)}; it comes to ${degrees(s.lowestCelsius, u)}.`
  const hold =
    s.holdSeconds == null
      ? ''
      : s.holdSeconds >= 72 * 3600
        ? ' and three days of steady cold after it'
        : ` (${hours(s.holdSeconds)} if the cold were steady)`
  return `${bodies(s)}: ${s.count > 1 && !s.metresEach ? 'they hold' : 'it holds'} a night of ${degrees(low, u, 0)}${hold}.`
}

/** Hours to make good what the night took, and whether a day has that many. */
export function refillWord(s: Found): string {
  if (s.refillSeconds == null) return 'nothing charges it'
  if (s.refillSeconds > 24 * 3600) return `${hours(s.refillSeconds)}: more than a day has`
  return hours(s.refillSeconds)
}

export function figuresOf(s: Found, currency: string, u: Temperature): [string, string][] {
  return [
    ['mass', massOf(s.massKg)],
    ['floor', `${areaOf(s.floorSquareMetres)}, ${floorLoadOf(s.loadKgPerSquareMetre)}`],
    ['holds above its floor', energyOf(s.usableJoules)],
    ['charged to', degrees(s.fullCelsius, u, 0)],
    ['gives at dawn', powerOf(s.powerAtDawnWatts)],
    ['to refill after that night', refillWord(s)],
    ['cost', s.cost == null ? 'a price is missing' : `${currency}${Math.round(s.cost)}`],
    ['bites first', limitWord(s)],
  ]
}

/** Heat made or moved through the night: how much of it, and what it takes. */
export function meansWord(m: Views['MeansView'], currency: string): string {
  const what = {
    CANDLES: `${m.amount} candles burning all night`,
    GAS_HEATER: `a gas heater of ${powerOf(m.amount)} without a flue`,
    ELECTRIC_HEATER: `an electric heater of ${powerOf(m.amount)}`,
    HEAT_PUMP: `a heat pump on the air outdoors that draws ${powerOf(m.amount)}`,
    HEAP: `${m.amount} m³ of working heap with a loop`,
    EARTH_PIPES: `${m.amount} earth pipes of 8 m with a fan`,
  }[m.kind]
  const takes = [
    m.fuelKilograms > 0
      ? `${massOf(m.fuelKilograms)} of ${m.kind === 'CANDLES' ? 'wax' : 'gas'}`
      : '',
    m.electricJoules > 0 ? energyOf(m.electricJoules) : '',
    m.cost != null && m.cost > 0 ? `${currency}${m.cost.toFixed(2)} a night` : '',
  ].filter(Boolean)
  if (!m.holds) return `not even ${what}`
  return takes.length ? `${what} (${takes.join(', ')})` : what
}

/** Where more of the same stops helping: the first step that saves less than one night. */
export function curveSentence(c: Views['CurveView'], needed: number): string {
  const p = c.points
  const none = p[0]
  const at = p.find((x) => x.count === needed) ?? p[p.length - 1]
  const most = p[p.length - 1]
  const begin = `Without it ${none.nightsLost} of ${c.nights} nights are lost; with ${at.count}, ${at.nightsLost}`
  const fed = at.refillingLimits ? ' Refilling limits it, not size: charge it more each day.' : ''
  if (most.nightsLost >= at.nightsLost && most.count > at.count)
    return `${begin}; twice as many save none more.${fed}`
  return `${begin}; with ${most.count}, ${most.nightsLost}.${fed}`
}

type Pair = Views['PairView']

/** Both schools by name. */
export const schools: {
  key: Views['PairQuestion']['school']
  question: string
  first: string
  second: string
}[] = [
  {
    key: 'BARE_OR_INSULATED',
    question: 'Leave it bare, or wrap it?',
    first: 'bare',
    second: 'wrapped in wool',
  },
  { key: 'SAND_OR_WATER', question: 'Sand, or water?', first: 'dry sand', second: 'water' },
  {
    key: 'BULK_OR_REFLECTIVE',
    question: 'Wool, or foil and air?',
    first: 'wool, 50 mm',
    second: 'two foils with gaps, 50 mm',
  },
  {
    key: 'HOT_FIRE_OR_SMALL_HEAT',
    question: 'One hot fire, or small heat all night?',
    first: 'one hot fire',
    second: 'small heat all night',
  },
  {
    key: 'ROOM_OR_STORE',
    question: 'Heat for the room, or for the mass?',
    first: 'most to the room',
    second: 'most to the mass',
  },
  {
    key: 'HEAP_OUT_OR_IN',
    question: 'The heap outside, or in the house?',
    first: 'outside with a loop',
    second: 'inside',
  },
  {
    key: 'GROUND_OR_INSULATED',
    question: 'Use the ground as mass, or keep it out?',
    first: 'on the bare ground',
    second: 'on 100 mm of board',
  },
  {
    key: 'WATER_OR_AIR',
    question: 'A water loop, or air through pipes?',
    first: 'water loop and radiator',
    second: 'air pipe and fan',
  },
  {
    key: 'AIR_OUTSIDE_OR_ROOM',
    question: 'The fire’s air from outside, or the room’s?',
    first: 'air from outside',
    second: 'air from the room',
  },
]

/** Which side does better and by how much. */
export function pairSentence(p: Pair, u: Temperature): string {
  const s = schools.find((x) => x.key === p.school)!
  const gap = p.first.lowestCelsius - p.second.lowestCelsius
  const size = Math.abs(gap) * (u.fahrenheit ? 1.8 : 1)
  const unit = u.fahrenheit ? '°F' : 'K'
  if (Math.abs(gap) < 0.15)
    return `On this night both come to the same: ${degrees(p.first.lowestCelsius, u)} at the coldest.`
  const better = gap > 0 ? s.first : s.second
  const word = better.charAt(0).toUpperCase() + better.slice(1)
  const held = (x: Pair['first']) => x.lowestCelsius >= p.limitCelsius
  const matters =
    held(p.first) === held(p.second)
      ? held(p.first)
        ? 'both hold'
        : 'neither holds'
      : `only that one holds`
  return `${word} keeps the house ${size.toFixed(1)} ${unit} warmer at the coldest; ${matters}.`
}

/** One reason in words, with its numbers. */
export function whyWord(w: Views['Why'], school: Pair['school'], u: Temperature): string {
  const s = schools.find((x) => x.key === school)!
  const pair = (f: (v: number) => string) => `${s.first} ${f(w.first)}, ${s.second} ${f(w.second)}`
  switch (w.reason) {
    case 'SPENT_EARLY':
      return `Spent early, when the house needed nothing: ${pair(energyOf)}.`
    case 'DELIVERED':
      return `Reached the house in the hours of need: ${pair(energyOf)}.`
    case 'LOST':
      return `Lost to ground or open air: ${pair(energyOf)}.`
    case 'LEFT_AT_DAWN':
      return `Still in the store at sunrise: ${pair(energyOf)}.`
    case 'POWER_AT_COLDEST':
      return `Given to the house at its coldest: ${pair(powerOf)}.`
    case 'HOTTEST':
      return `Hottest point of the mass: ${pair((v) => degrees(v, u, 0))}.`
    default:
      return `To the air at once: ${pair(energyOf)}.`
  }
}
