import { reactive } from 'vue'
import type { Views } from './api/client'

/** Words for quantities, in the person's own units. Data stay SI; only the words change. */
export type Units = Views['UnitsView']
export type Temperature = Pick<Units, 'fahrenheit'>

export const SI: Units = {
  fahrenheit: false,
  energy: 'KWH',
  power: 'W',
  mass: 'KG',
  volume: 'L',
  length: 'M',
  insulation: 'U',
}

/** Units of whoever is signed in, for all words. */
export const mine = reactive<Units>({ ...SI })

export type Quantity =
  | 'energy'
  | 'power'
  | 'mass'
  | 'volume'
  | 'length'
  | 'thickness'
  | 'area'
  | 'conductance'
  | 'transmittance'

/** How much of the SI unit one of the person's is; a resistance turns the value over. */
interface Measure {
  symbol: string
  per: number
  inverse?: boolean
}

const KWH = 3.6e6
const BTU = 1055.05585262 // J, international table
const LB = 0.45359237
const FT = 0.3048
const KELVIN = 1 / 1.8 // of a degree Fahrenheit
const BTU_H = BTU / 3600
const SMALL_KG = 0.5 // less is told in g
const SMALL_KWH = 0.1 // less is told in Wh

/** Energy in J, power in W, mass in kg, volume in litres, length in m, area in m², U in W/(m² K). */
export function measure(quantity: Quantity, u: Units = mine): Measure {
  const feet = u.length === 'FT'
  switch (quantity) {
    case 'energy':
      return {
        KWH: { symbol: 'kWh', per: KWH },
        MJ: { symbol: 'MJ', per: 1e6 },
        BTU: { symbol: 'BTU', per: BTU },
      }[u.energy]
    case 'power':
      return u.power === 'W' ? { symbol: 'W', per: 1 } : { symbol: 'BTU/h', per: BTU_H }
    case 'mass':
      return u.mass === 'KG' ? { symbol: 'kg', per: 1 } : { symbol: 'lb', per: LB }
    case 'volume':
      return {
        L: { symbol: 'litres', per: 1 },
        US_GAL: { symbol: 'US gallons', per: 3.785411784 },
        IMP_GAL: { symbol: 'gallons', per: 4.54609 },
      }[u.volume]
    case 'length':
      return feet ? { symbol: 'ft', per: FT } : { symbol: 'm', per: 1 }
    case 'thickness':
      return feet ? { symbol: 'in', per: FT / 12 } : { symbol: 'cm', per: 0.01 }
    case 'area':
      return feet ? { symbol: 'ft²', per: FT * FT } : { symbol: 'm²', per: 1 }
    case 'conductance':
      return u.power === 'W' && !u.fahrenheit
        ? { symbol: 'W/K', per: 1 }
        : u.power === 'W'
          ? { symbol: 'W/°F', per: 1 / KELVIN }
          : u.fahrenheit
            ? { symbol: 'BTU/(h °F)', per: BTU_H / KELVIN }
            : { symbol: 'BTU/(h K)', per: BTU_H }
    case 'transmittance': {
      const foot = BTU_H / (FT * FT * KELVIN)
      if (u.insulation === 'U')
        return feet ? { symbol: 'BTU/(h ft² °F)', per: foot } : { symbol: 'W/(m² K)', per: 1 }
      return feet
        ? { symbol: 'h ft² °F/BTU', per: foot, inverse: true }
        : { symbol: 'm² K/W', per: 1, inverse: true }
    }
  }
}

/** The person's number for an SI value. */
export function toOwn(si: number, quantity: Quantity, u: Units = mine): number {
  const m = measure(quantity, u)
  return m.inverse ? m.per / si : si / m.per
}

/** The SI value of the person's number. */
export function fromOwn(own: number, quantity: Quantity, u: Units = mine): number {
  const m = measure(quantity, u)
  return m.inverse ? m.per / own : own * m.per
}

const MINUS = '\u2212'
const NARROW_SPACE = '\u202f'
const THOUSANDS = /(?<=\d{2})(?=(?:\d{3})+$)/g // of five figures and more

function plain(value: number, digits: number): string {
  const text = value.toFixed(digits)
  const zero = Number(text) === 0
  return (zero ? text.replace('-', '') : text).replace('-', MINUS).replace(THOUSANDS, NARROW_SPACE)
}

/** Three figures or as many as asked for, none beyond two decimals. */
export function sensible(value: number, figures = 3): string {
  const size = Math.abs(value)
  if (size >= 1e6) return `${plain(value / 1e6, size >= 1e7 ? 1 : 2)} million`
  if (size >= 1000 || size < 0.005) return plain(Number(value.toPrecision(figures)), 0)
  return plain(value, size >= 100 || figures < 3 ? 0 : size >= 10 ? 1 : 2)
}

export function degrees(celsius: number, u: Temperature, digits = 1): string {
  const value = u.fahrenheit ? celsius * 1.8 + 32 : celsius
  return `${plain(value, digits)} °${u.fahrenheit ? 'F' : 'C'}`
}

/** A difference of temperatures. */
export function kelvins(kelvin: number, u: Temperature, digits = 1): string {
  return u.fahrenheit ? `${plain(kelvin * 1.8, digits)} °F` : `${plain(kelvin, digits)} K`
}

export function energyOf(joules: number, u: Units = mine): string {
  const own = toOwn(joules, 'energy', u)
  if (u.energy === 'KWH' && own && Math.abs(own) < SMALL_KWH)
    return `${plain(own * 1000, Math.abs(own) < SMALL_KWH / 10 ? 1 : 0)} Wh`
  if (u.energy === 'KWH')
    return `${plain(own, Math.abs(own) >= 100 ? 0 : Math.abs(own) >= 10 ? 1 : 2)} kWh`
  return `${sensible(own)} ${measure('energy', u).symbol}`
}

export function powerOf(w: number, u: Units = mine): string {
  if (u.power === 'W')
    return Math.abs(w) >= 2000
      ? `${plain(w / 1000, 1)} kW`
      : `${plain(w, w && Math.abs(w) < 10 ? 1 : 0)} W`
  const own = toOwn(w, 'power', u)
  return `${plain(Math.abs(own) >= 1000 ? Number(own.toPrecision(3)) : own, 0)} BTU/h`
}

export function conductanceOf(wattsPerKelvin: number, u: Units = mine): string {
  const own = toOwn(wattsPerKelvin, 'conductance', u)
  return `${plain(own, own >= 100 ? 0 : own >= 10 ? 1 : 2)} ${measure('conductance', u).symbol}`
}

export function massOf(kg: number, u: Units = mine): string {
  if (u.mass === 'LB' && kg > 0 && kg < LB / 2) return `${plain((kg / LB) * 16, 1)} oz`
  if (u.mass === 'LB') return `${few(Number((kg / LB).toPrecision(4)))} lb`
  if (kg > 0 && kg < SMALL_KG) return `${plain(kg * 1000, 0)} g`
  return kg >= 1000 ? `${plain(kg / 1000, kg >= 10_000 ? 0 : 1)} t` : `${few(kg)} kg`
}

/** Whole, or to a tenth where it is but a few. */
const few = (v: number) => plain(v, v < 10 && Math.round(v * 10) % 10 ? 1 : 0)

/** What stands on each square metre of a floor, or each square foot. */
export function floorLoadOf(kgPerSquareMetre: number, u: Units = mine): string {
  return u.length === 'FT'
    ? `${massOf(kgPerSquareMetre * FT * FT, u)}/ft²`
    : `${massOf(kgPerSquareMetre, u)}/m²`
}

export function lengthOf(m: number, u: Units = mine): string {
  if (u.length === 'M') return m < 1 ? `${plain(m * 100, m < 0.1 ? 1 : 0)} cm` : `${plain(m, 2)} m`
  const inches = Math.round((m / FT) * 120) / 10
  if (inches < 12) return `${plain(inches, inches % 1 ? 1 : 0)} in`
  const whole = Math.round(inches)
  return whole % 12 ? `${Math.floor(whole / 12)} ft ${whole % 12} in` : `${whole / 12} ft`
}

/** A sentence of the server with the numbers it speaks of in their places, {0}, {1}. */
export function withFigures(text: string, figures: Views['Figure'][], u: Units = mine): string {
  const words: Record<Views['Figure']['unit'], (v: number) => string> = {
    CELSIUS: (v) => degrees(v, u, 0),
    METRES: (v) => lengthOf(v, u),
    THIN_METRES: (v) => thinOf(v, u),
    KILOGRAMS: (v) => massOf(v, u),
    FLOOR_LOAD: (v) => floorLoadOf(v, u),
    LITRES: (v) => volumeOf(v, u),
    NEWTONS: (v) => forceOf(v, u),
  }
  return text.replace(/\{(\d)\}/g, (_, i) => {
    const { value, unit } = figures[Number(i)]!
    return words[unit](value)
  })
}

/** A push, and the weight that pushes so. */
export function forceOf(newtons: number, u: Units = mine): string {
  const weight = massOf(newtons / 9.81, u)
  return u.mass === 'LB' ? `${weight} of force` : `${plain(newtons, 0)} N (about ${weight})`
}

/** A thickness in mm or inches. */
export function thinOf(m: number, u: Units = mine): string {
  return u.length === 'FT' ? `${plain((m / FT) * 12, 2)} in` : `${plain(m * 1000, 0)} mm`
}

export function speedOf(metresPerSecond: number, u: Units = mine): string {
  return u.length !== 'M'
    ? `${sensible(metresPerSecond * 2.237, 2)} mph`
    : `${sensible(metresPerSecond, 2)} m/s`
}

export function areaOf(squareMetres: number, u: Units = mine): string {
  const own = toOwn(squareMetres, 'area', u)
  return `${plain(own, own >= 99.95 ? 0 : 1)} ${measure('area', u).symbol}`
}

export function volumeOf(litres: number, u: Units = mine): string {
  const own = toOwn(litres, 'volume', u)
  return `${plain(own, own >= 10 ? 0 : 1)} ${measure('volume', u).symbol}`
}

export function hours(seconds: number, halfWidth = 0): string {
  const h = seconds / 3600
  if (h > 24 * 30) return 'more than a month'
  const fine = halfWidth > 0 && halfWidth < 0.95 * 3600 // what rounds to less than an hour
  const digits = h < 3 || fine ? 1 : 0
  const about =
    halfWidth > 0 ? ` ± ${plain(Math.max(halfWidth / 3600, digits ? 0.1 : 1), digits)}` : ''
  return `${plain(h, digits)}${about} h`
}

export function percent(share: number): string {
  return `${Math.round(share * 100)} %`
}

export function clock(epochSeconds: number, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: zone,
  }).format(epochSeconds * 1000)
}

export function day(epochSeconds: number, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: zone,
  }).format(epochSeconds * 1000)
}

export const weekday = (epochSeconds: number, zone: string, weekday: 'long' | 'short' = 'long') =>
  new Intl.DateTimeFormat('en-GB', { weekday, timeZone: zone }).format(epochSeconds * 1000)

/** A typed number, comma or point, minus of any kind; NaN when it is none. */
export function typedNumber(text: string): number {
  const t = text
    .trim()
    .replace(/[\u2212\u2013]/g, '-')
    .replace(',', '.')
  return /^[-+]?(\d+\.?\d*|\.\d+)$/.test(t) ? Number(t) : NaN
}

/** A typed temperature with or without its unit, in °C. */
export function typedCelsius(text: string, u: Temperature): number {
  const m = /^(.*?)\s*°?\s*([cf])?$/i.exec(text.trim())
  const value = typedNumber(m?.[1] ?? '')
  const unit = m?.[2]?.toLowerCase() ?? (u.fahrenheit ? 'f' : 'c')
  return unit === 'f' ? (value - 32) / 1.8 : value
}

/** Minutes after midnight of a typed hour: 16:40, 16.40, 1640, 4:40 pm, 7; null when it is none. */
export function minutesOf(typed: string): number | null {
  const m = /^(\d{1,2})(?:[:.h ]?(\d{2}))?\s*([ap])?\.?m?\.?$/i.exec(typed.trim())
  if (!m) return null
  const half = m[3]?.toLowerCase()
  const minutes = Number(m[2] ?? 0)
  let hour = Number(m[1])
  if (minutes > 59 || hour > (half ? 12 : 24) || (half && hour === 0)) return null
  if (half) hour = (hour % 12) + (half === 'p' ? 12 : 0)
  return (hour * 60 + minutes) % 1440
}

const QUARTER_HOUR = 900_000

/**
 * The next time within a day that the clock of a zone shows this hour, to a quarter of an hour;
 * null when it is no hour, or one that a change of the clock leaves out.
 */
export function nextMoment(hour: string, now: number, zone: string): string | null {
  const typed = minutesOf(hour)
  if (typed == null) return null
  const wanted = (Math.round(typed / 15) * 15) % 1440
  for (let k = 0; k < 96; k++) {
    const t = (Math.ceil(now / QUARTER_HOUR) + k) * QUARTER_HOUR
    const shown = clock(t / 1000, zone)
    if (Number(shown.slice(0, 2)) * 60 + Number(shown.slice(3)) === wanted)
      return new Date(t).toISOString()
  }
  return null
}
