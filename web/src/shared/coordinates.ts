/** A place's latitude and longitude as people write them: 41.3 N, 105°36′W, 57 20 24 n, -3,4. */

const NUMBERS = /\d+(?:[.,]\d+)?/g

/** Degrees, north and east positive; NaN for what is none, or lies beyond the most. */
export function typedDegrees(text: string, most: 90 | 180): number {
  const t = text.trim().replace(/[−–]/g, '-')
  const sides = t.match(/[a-zA-Z]+/g) ?? []
  const side = sides.length === 1 ? sides[0].toUpperCase() : ''
  const known = most === 90 ? ['N', 'S', 'NORTH', 'SOUTH'] : ['E', 'W', 'EAST', 'WEST']
  if (sides.length > 1 || (side && !known.includes(side))) return NaN
  if (/[^\d\s.,°º'′"″:+\-a-zA-Z]/.test(t) || /\d\s*[-+]/.test(t)) return NaN
  const parts = (t.match(NUMBERS) ?? []).map((n) => Number(n.replace(',', '.')))
  if (parts.length < 1 || parts.length > 3 || parts.slice(1).some((p) => p >= 60)) return NaN
  const size = parts[0] + (parts[1] ?? 0) / 60 + (parts[2] ?? 0) / 3600
  const minus = t.startsWith('-') !== ['S', 'SOUTH', 'W', 'WEST'].includes(side)
  return size > most ? NaN : minus ? -size : size
}

/** Both at once, as a map writes them or in its link: 57.34, -3.41 or …@57.34,-3.41,12z. */
export function typedPlace(text: string): { latitude: number; longitude: number } | null {
  const link = text.match(/(-?\d{1,2}\.\d+)\s*[,/]\s*(-?\d{1,3}\.\d+)/)
  if (link) {
    const latitude = typedDegrees(link[1], 90)
    const longitude = typedDegrees(link[2], 180)
    return Number.isNaN(latitude) || Number.isNaN(longitude) ? null : { latitude, longitude }
  }
  const sides = text.match(/^(.*?[NSns])\s*[,;]?\s+(.*[EWew])$/)
  if (!sides) return null
  const latitude = typedDegrees(sides[1], 90)
  const longitude = typedDegrees(sides[2], 180)
  return Number.isNaN(latitude) || Number.isNaN(longitude) ? null : { latitude, longitude }
}
