/** Winters by the year they begin in: October to April in the north, April to October in the south. */
export function winterOf(day: string, south: boolean): number {
  const [year, month] = day.split('-').map(Number)
  return month >= (south ? 4 : 8) ? year : year - 1
}

/** First and last evening of a winter, never later than today. */
export function spanOf(winter: number, south: boolean, today: string): [string, string] {
  const from = south ? `${winter}-04-01` : `${winter}-10-01`
  const to = south ? `${winter}-10-31` : `${winter + 1}-04-30`
  return [from, to < today ? to : today]
}

export const winterName = (winter: number, south: boolean) =>
  south ? String(winter) : `${winter}/${String((winter + 1) % 100).padStart(2, '0')}`

/** Today in a zone, as the server's clock has it. */
export function todayIn(zone: string, now: string | undefined): string {
  const at = now ? new Date(now) : new Date()
  return new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(at)
}

/** So many days before a day. */
export function daysBefore(day: string, days: number): string {
  return new Date(Date.parse(`${day}T12:00Z`) - days * 86_400_000).toISOString().slice(0, 10)
}

/** A day as people say it. */
export function evening(day: string, withYear = false): string {
  return new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
    ...(withYear ? { year: 'numeric' } : { weekday: 'short' }),
  }).format(new Date(`${day}T12:00Z`))
}
