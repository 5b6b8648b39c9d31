import Qty from 'js-quantities'
import { fromOwn, measure, mine, typedNumber, type Quantity, type Units } from './units'

const SI_UNIT: Partial<Record<Quantity, string>> = {
  energy: 'J',
  power: 'W',
  mass: 'kg',
  volume: 'l',
  length: 'm',
  thickness: 'm',
  area: 'm2',
}
const SPELLED: Record<string, string> = {
  kwh: 'kWh',
  wh: 'Wh',
  mj: 'MJ',
  kj: 'kJ',
  w: 'W',
  kw: 'kW',
  tonne: 't',
  tonnes: 't',
  lb: 'lbs',
  'sq ft': 'ft2',
  'ft²': 'ft2',
  'm²': 'm2',
  'm³': 'm3',
}
const FEET_AND_INCHES =
  /^(\d+(?:[.,]\d+)?)\s*(?:'|′|ft|foot|feet)\s*(\d+(?:[.,]\d+)?)\s*(?:"|″|in|inch|inches)?$/i

/** What people carry loose stuff in, litres, heaped as one does; a third either way (estimates). */
const CARRIED: Record<string, number> = {
  barrow: 90,
  barrowload: 90,
  wheelbarrow: 90,
  bucket: 12,
  bag: 50,
  sack: 50,
}

/** A mass of loose stuff told by what it was carried in, or by its volume, kg; NaN when it is none. */
export function typedLoose(text: string, kilogramsPerCubicMetre: number): number {
  const m = /^(an?|half an?|[\d.,]+)\s*(\D.*)$/i.exec(text.trim())
  if (!m) return NaN
  const many = /^half/i.test(m[1]) ? 0.5 : /^a/i.test(m[1]) ? 1 : typedNumber(m[1])
  const word = m[2].trim().toLowerCase()
  const each = CARRIED[word] ?? CARRIED[word.replace(/e?s$/, '')] ?? CARRIED[word.replace(/s$/, '')]
  const litres = each ? many * each : typedQuantity(text, 'volume')
  return Number(((litres * kilogramsPerCubicMetre) / 1000).toPrecision(2))
}

/**
 * What was typed for a quantity, in SI (litres for volume), NaN when it is none: a bare number is in
 * the person's own unit, and 200 lb, 5 ft 3, 1.2 MJ, 3 gal or 2,5 kW are understood whatever it is.
 */
export function typedQuantity(text: string, quantity: Quantity, u: Units = mine): number {
  const bare = typedNumber(text)
  if (!Number.isNaN(bare)) {
    const si = fromOwn(bare, quantity, u)
    return Number.isFinite(si) ? si : NaN // no resistance at all is no resistance to reckon with
  }
  const feet = FEET_AND_INCHES.exec(text.trim())
  if (feet && (quantity === 'length' || quantity === 'thickness'))
    return (typedNumber(feet[1]) + typedNumber(feet[2]) / 12) * 0.3048
  const m = /^([-+−]?[\d.,]+)\s*(\D.*)$/.exec(text.trim())
  if (!m) return NaN
  const value = typedNumber(m[1])
  const word = m[2].trim().replace(/\.$/, '')
  const own = measure(quantity, u)
  if (word === own.symbol) return fromOwn(value, quantity, u)
  if (quantity === 'volume' && /^gal/i.test(word) && u.volume === 'IMP_GAL')
    return fromOwn(value, 'volume', u)
  const si = SI_UNIT[quantity]
  const lower = word.toLowerCase()
  for (const unit of [SPELLED[lower], word, lower]) {
    const read = unit && si ? Qty.parse(`${value} ${unit}`) : null
    if (read && si && read.isCompatible(si)) return read.to(si).scalar
  }
  return NaN
}
