/** Words for quantities, in the person's own units. Data stay SI; only the words change. */
export interface Units {
  fahrenheit: boolean
}

const MINUS = '\u2212'

function plain(value: number, digits: number): string {
  const text = value.toFixed(digits)
  const zero = Number(text) === 0
  return (zero ? text.replace('-', '') : text).replace('-', MINUS)
}

export function degrees(celsius: number, u: Units, digits = 1): string {
  const value = u.fahrenheit ? celsius * 1.8 + 32 : celsius
  return `${plain(value, digits)} °${u.fahrenheit ? 'F' : 'C'}`
}

/** A difference of temperatures. */
export function kelvins(kelvin: number, u: Units, digits = 1): string {
  return u.fahrenheit ? `${plain(kelvin * 1.8, digits)} °F` : `${plain(kelvin, digits)} K`
}

export function kilowattHours(joules: number): string {
  const kwh = joules / 3.6e6
  const size = Math.abs(kwh)
  return `${plain(kwh, size >= 100 ? 0 : size >= 10 ? 1 : 2)} kWh`
}

export function watts(w: number): string {
  return Math.abs(w) >= 2000 ? `${plain(w / 1000, 1)} kW` : `${plain(w, 0)} W`
}

export function wattsPerKelvin(w: number): string {
  return `${plain(w, w >= 100 ? 0 : w >= 10 ? 1 : 2)} W/K`
}

export function kilograms(kg: number): string {
  return kg >= 1000 ? `${plain(kg / 1000, kg >= 10_000 ? 0 : 1)} t` : `${plain(kg, 0)} kg`
}

export function metres(m: number): string {
  return m < 1 ? `${plain(m * 100, m < 0.1 ? 1 : 0)} cm` : `${plain(m, 2)} m`
}

export function hours(seconds: number, halfWidth = 0): string {
  const h = seconds / 3600
  if (h > 24 * 30) return 'more than a month'
  const digits = h < 3 ? 1 : 0
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

/** A typed number, comma or point, minus of any kind; NaN when it is none. */
export function typedNumber(text: string): number {
  const t = text
    .trim()
    .replace(/[\u2212\u2013]/g, '-')
    .replace(',', '.')
  return /^[-+]?(\d+\.?\d*|\.\d+)$/.test(t) ? Number(t) : NaN
}

/** A typed temperature with or without its unit, in °C. */
export function typedCelsius(text: string, u: Units): number {
  const m = /^(.*?)\s*°?\s*([cf])?$/i.exec(text.trim())
  const value = typedNumber(m?.[1] ?? '')
  const unit = m?.[2]?.toLowerCase() ?? (u.fahrenheit ? 'f' : 'c')
  return unit === 'f' ? (value - 32) / 1.8 : value
}

const QUARTER_HOUR = 900_000

/**
 * The next time within a day that the clock of a zone shows this hour, to a quarter of an hour;
 * null when it is no hour, or one that a change of the clock leaves out.
 */
export function nextMoment(hour: string, now: number, zone: string): string | null {
  const m = /^(\d{1,2})(?:[:.](\d{2}))?$/.exec(hour.trim())
  if (!m) return null
  const wanted = (Number(m[1]) * 60 + Math.round(Number(m[2] ?? 0) / 15) * 15) % 1440
  for (let k = 0; k < 96; k++) {
    const t = (Math.ceil(now / QUARTER_HOUR) + k) * QUARTER_HOUR
    const shown = clock(t / 1000, zone)
    if (Number(shown.slice(0, 2)) * 60 + Number(shown.slice(3)) === wanted)
      return new Date(t).toISOString()
  }
  return null
}
