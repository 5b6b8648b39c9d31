import type { Views } from '@/shared/api/client'
import { clock, day, degrees, kelvins, kilowattHours, percent, type Units } from '@/shared/units'

type Night = Views['TonightView']

/** What will happen, in one sentence. */
export function headline(n: Night, u: Units, zone: string): string {
  const when = clock(Date.parse(n.coldestAt) / 1000, zone)
  const coldest = `coldest ${degrees(n.coldestCelsius, u)} at ${when}`
  if (n.verdict === 'HELD')
    return `Tonight holds: ${coldest}, ${kelvins(n.marginKelvin, u)} to spare.`
  if (n.verdict === 'CLOSE')
    return n.marginKelvin >= 0
      ? `Tonight is close: ${coldest}, only ${kelvins(n.marginKelvin, u)} to spare.`
      : `Tonight is close: ${coldest}, ${kelvins(-n.marginKelvin, u)} too cold.`
  return `Tonight is lost as things stand: ${coldest}, ${kelvins(-n.marginKelvin, u)} too cold.`
}

/** What is lacking, told apart: heat, or the speed at which it comes out. */
export function shortage(n: Night): string {
  if (n.shortKind === 'ENERGY')
    return `Short by about ${kilowattHours(n.shortJoules)}: the stores run out before sunrise.`
  if (n.shortKind === 'POWER')
    return `Short by about ${kilowattHours(n.shortJoules)} although the stores still hold heat: it does not come out fast enough.`
  return ''
}

export function certainty(n: Night, u: Units): string {
  return `${percent(n.chanceOfHolding)} likely to hold; eight nights in ten like this end between ${degrees(n.coldestTenth, u)} and ${degrees(n.coldestNinetieth, u)}.`
}

/** What was taken as given, and from where. */
export function assumption(a: Views['Assumption'], u: Units, zone: string): string {
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
    case 'MASS_FROM_DAY':
      return `Walls and floor start at ${t}, the mean of the air over the last day.`
    case 'MASS_GUESSED':
      return `Walls and floor are taken as warm as the air, ${t}.`
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
