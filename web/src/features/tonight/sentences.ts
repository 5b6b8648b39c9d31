import type { Views } from '@/shared/api/client'
import {
  clock,
  day,
  degrees,
  kelvins,
  energyOf,
  percent,
  type Temperature,
  powerOf,
  massOf,
  speedOf,
} from '@/shared/units'

type Night = Views['TonightView']

/** What will happen, in one sentence. */
export function headline(n: Night, u: Temperature, zone: string): string {
  const when = clock(Date.parse(n.coldestAt) / 1000, zone)
  const what = n.coldestIs === 'LEAF' ? 'leaves at their coldest' : 'coldest'
  const coldest = `${what} ${degrees(n.coldestCelsius, u)} at ${when}`
  if (n.verdict === 'HELD')
    return `Tonight holds: ${coldest}, ${kelvins(n.marginKelvin, u)} to spare.`
  if (n.verdict === 'CLOSE')
    return n.marginKelvin >= 0
      ? `Tonight is close: ${coldest}, only ${kelvins(n.marginKelvin, u)} to spare.`
      : `Tonight is close: ${coldest}, ${kelvins(-n.marginKelvin, u)} too cold.`
  return `Tonight is lost as things stand: ${coldest}, ${kelvins(-n.marginKelvin, u)} too cold.`
}

/** A lane of the rail. */
export function laneWord(p: Views['Possible']): string {
  switch (p.kind) {
    case 'FIRE':
      return `Fire, ${lower(p.storeName)}`
    case 'ELEMENT':
      return `Element, ${lower(p.storeName)}`
    case 'PUMP':
      return `Pump, ${lower(p.storeName)}`
    case 'LID_OFF':
      return `Lid off, ${lower(p.storeName)}`
    case 'SCREEN':
      return 'Screen'
    case 'STUFF_GAPS':
      return 'Rags in the gaps'
    default:
      return 'Fleece'
  }
}

const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1)
const at = (iso: string, zone: string) => clock(Date.parse(iso) / 1000, zone)

/** When and how much, beside a handle. */
export function doingWord(d: Views['Doing'], zone: string): string {
  if (d.kind === 'FIRE') return `${at(d.from, zone)}, ${massOf(d.amount)}`
  if (d.kind === 'PUMP') return `${at(d.from, zone)} to ${at(d.to, zone)}`
  if (d.kind === 'ELEMENT') return `${at(d.from, zone)} to ${at(d.to, zone)}, ${powerOf(d.amount)}`
  return `from ${at(d.from, zone)}`
}

/** One thing to do, as one says it. */
export function errand(d: Views['Doing'], n: Night, zone: string): string {
  const store = lower(n.stores.find((s) => s.id === d.storeId)?.name ?? '')
  switch (d.kind) {
    case 'FIRE':
      return `light ${massOf(d.amount)} in the ${store} at ${at(d.from, zone)}`
    case 'ELEMENT':
      return `run the element of the ${store} from ${at(d.from, zone)} to ${at(d.to, zone)}`
    case 'PUMP':
      return `start the pump of the ${store} at ${at(d.from, zone)}`
    case 'LID_OFF':
      return `take the lid off the ${store} at ${at(d.from, zone)}`
    case 'SCREEN':
      return `draw the screen at ${at(d.from, zone)}`
    case 'STUFF_GAPS':
      return `stuff the gaps by ${at(d.from, zone)}`
    default:
      return `lay fleece over the plants by ${at(d.from, zone)}`
  }
}

const listed = (words: string[]) =>
  words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}` : words[0]

/** What to do, in one sentence; blank when nothing is needed. */
export function advice(n: Night, u: Temperature, zone: string): string {
  const a = n.advice
  if (!a || !a.actions.length) return ''
  const doing = listed(a.actions.map((d) => errand(d, n, zone)))
  const said = doing.charAt(0).toUpperCase() + doing.slice(1)
  if (a.holds) return `${said}: then it holds, coldest ${degrees(a.coldestCelsius, u)}.`
  const lack =
    a.shortage === 'SPEED' ? 'the heat does not come out fast enough' : 'there is not enough heat'
  return `Nothing at hand makes it sure. ${said} comes nearest, coldest ${degrees(a.coldestCelsius, u)}; ${lack}.`
}

/** What one thing otherwise would be worth. */
export function otherwise(w: Views['What'], u: Temperature): string {
  const by = kelvins(Math.abs(w.gainKelvin), u)
  if (w.kind === 'WITHOUT_STORE') return `Without the ${lower(w.of)} it would be ${by} colder.`
  if (w.kind === 'GAPS_HALVED') return `Half the draught would make it ${by} warmer.`
  return `A second skin inside the ${lower(w.of)} would make it ${by} warmer.`
}

/** What is lacking, told apart: heat, or the speed at which it comes out. */
export function shortage(n: Night): string {
  if (n.shortKind === 'ENERGY')
    return `Short by about ${energyOf(n.shortJoules)}: the stores run out before sunrise.`
  if (n.shortKind === 'POWER')
    return `Short by about ${energyOf(n.shortJoules)} although the stores still hold heat: it does not come out fast enough.`
  return ''
}

export function certainty(n: Night, u: Temperature): string {
  if (n.chanceOfHolding == null) return ''
  return `${percent(n.chanceOfHolding)} likely to hold; eight nights in ten like this end between ${degrees(n.coldestTenth, u)} and ${degrees(n.coldestNinetieth, u)}.`
}

export const shelterWord = {
  OPEN: 'in the open',
  GARDEN: 'in a garden',
  YARD: 'in a yard',
} as const
export const wetWord = { DRY: 'dry', BEDS: 'beds and paths', WET: 'wet all over' } as const

function skyWord(cloud: number): string {
  if (cloud < 0.2) return 'clear'
  if (cloud > 0.8) return 'overcast'
  return `${percent(cloud)} clouded`
}

/** How far the coldest moment moves where a guess is as wrong as it may well be. */
function worthOf(a: Views['Assumption'], u: Temperature): string {
  if (a.worthKelvin == null) return ''
  if (a.worthKelvin < 0.05) return ': worth next to nothing tonight'
  return `: worth ± ${kelvins(a.worthKelvin, u)} tonight`
}

/** What was taken as given, and from where. */
export function assumption(a: Views['Assumption'], u: Temperature, zone: string): string {
  const when = a.at
    ? `${day(Date.parse(a.at) / 1000, zone)} ${clock(Date.parse(a.at) / 1000, zone)}`
    : ''
  const t = a.value == null ? '' : degrees(a.value, u)
  switch (a.code) {
    case 'EVENING_READ':
      return `Outdoors starts at ${t}, read ${when}.`
    case 'EVENING_GUESSED':
      return `Nobody read the air outdoors; it is taken to start at ${t}.`
    case 'AIR_READ':
      return `The house starts at ${t}, read ${when}.`
    case 'AIR_GUESSED':
      return `Nobody read the air in the house; it is taken to start at ${t}.`
    case 'WEATHER_FORECAST':
      return `The weather is the forecast’s of ${when}: a low of ${t}.`
    case 'WEATHER_FILE':
      return `The weather is that of the file handed over ${when}: a low of ${t}.`
    case 'WEATHER_ENDS':
      return `It reaches only to ${when}; from then on the last hour is taken to stay.`
    case 'MASS_FROM_DAY':
      return `Walls and floor start at ${t}, the mean of the air over the last day.`
    case 'MASS_GUESSED':
      return `Walls and floor are taken as warm as the air, ${t}.`
    case 'SKY':
      return `The sky is ${skyWord(a.value ?? 0.5)}${a.of === 'TYPED' ? '' : ', as far as told'}${worthOf(a, u)}.`
    case 'WIND':
      return `The wind is ${speedOf(a.value ?? 0)} at ten metres${worthOf(a, u)}.`
    case 'SHELTER':
      return `${percent(a.value ?? 0)} of it reaches the house, which stands ${shelterWord[a.of as keyof typeof shelterWord] ?? 'in a garden'}.`
    case 'WETNESS':
      return `Underfoot it is ${wetWord[a.of as keyof typeof wetWord] ?? 'beds and paths'}; what they give off condenses on the skin${worthOf(a, u)}.`
    case 'HOUSE_LEARNED':
      return `The house loses heat as ${a.of} of its nights taught.`
    case 'STORE_UNREAD':
      return `${a.of} has never been read; it is taken as cold as the air, ${t}.`
    case 'STORE_STALE':
      return `${a.of} was last read ${when}; that is too old to lean on.`
    case 'STORE_AGE':
      return `${a.of} was last read ${when}; it has lost some since.`
    default:
      return ''
  }
}
