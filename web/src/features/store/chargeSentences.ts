import type { Views } from '@/shared/api/client'
import { degrees, hours, energyOf, percent, type Temperature } from '@/shared/units'
import type { Design } from './designs'

/** What a charge does, in one breath. */
export function chargeSentence(c: Views['ChargeView'], d: Design, u: Temperature): string {
  const at = c.mean.length - 1
  const full = Math.max(...c.mean)
  const end = endOfCharge(c)
  const parts = [
    `After ${hours(c.chargeSeconds)} it holds ${energyOf(c.usableJoules[end] ?? 0)}` +
      ` above ${degrees(d.floorCelsius, u, 0)}`,
  ]
  if (c.outJoules > c.gainJoules) return 'The stream comes in colder than the store and empties it.'
  if (c.reachedSeconds != null)
    parts.push(`and reaches ${degrees(d.chargeToCelsius, u, 0)} after ${hours(c.reachedSeconds)}`)
  else
    parts.push(
      `and never reaches ${degrees(d.chargeToCelsius, u, 0)}: it comes to ${degrees(full, u, 0)}`,
    )
  const left = c.usableJoules[at] ?? 0
  return `${parts.join(' ')}; ${hours(c.seconds[at] - c.chargeSeconds)} later ${energyOf(left)} is left.`
}

/** The core against the whole, when that is what matters. */
export function hotSentence(c: Views['ChargeView'], u: Temperature): string {
  const mean = Math.max(...c.mean)
  const hot = c.hottestSpot.celsius
  if (c.overheated.length) {
    const o = c.overheated[0]
    return `${o.what}${o.face ? ` on the ${o.face.toLowerCase()}` : ''} gets ${degrees(o.celsius, u, 0)} and stands ${degrees(o.limitCelsius, u, 0)}.`
  }
  if (hot > mean + 40)
    return `Its hottest point reaches ${degrees(hot, u, 0)} while the whole is at ${degrees(mean, u, 0)}: a hot core behind a cool wall. Every part stands it.`
  return `Its hottest point reaches ${degrees(hot, u, 0)}; every part stands it.`
}

/** Where the heat of a charge went, as shares of what was put in. */
export function efficiencySentence(c: Views['ChargeView'], currency = ''): string {
  if (c.efficiency == null) return ''
  const room = c.broughtJoules > 0 ? c.roomJoules / c.broughtJoules : 0
  const flue = c.broughtJoules > 0 ? c.flueJoules / c.broughtJoules : 0
  const words = [`${percent(c.efficiency)} of the heat put in gets into the mass`]
  if (room > 0.01) words.push(`${percent(room)} warms the room at once`)
  if (flue > 0.01) words.push(`${percent(flue)} leaves by the flue`)
  if (c.steamJoules > 3.6e5) words.push(`${energyOf(c.steamJoules)} goes off as steam`)
  const used = []
  if (c.fuelJoules > 3.6e4) used.push(`${energyOf(c.fuelJoules)} of fuel`)
  if (c.electricJoules > 3.6e4) used.push(`${energyOf(c.electricJoules)} of electricity`)
  const money = c.cost != null && c.cost > 0 ? ` for ${currency}${c.cost.toFixed(2)}` : ''
  return `${words.join(', ')}.${used.length ? ` It uses ${used.join(' and ')}${money}.` : ''}`
}

/** The row at which the source stops. */
export function endOfCharge(c: Views['ChargeView']): number {
  const i = c.seconds.findIndex((s) => s >= c.chargeSeconds)
  return i < 0 ? c.seconds.length - 1 : i
}
