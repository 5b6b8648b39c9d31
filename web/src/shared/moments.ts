/** A moment as a clock of the holding shows it, for a field of date and time. */
export function zonedText(iso: string, zone: string): string {
  const parts = new Intl.DateTimeFormat('sv-SE', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  })
  return parts.format(new Date(iso)).replace(' ', 'T')
}

/** The moment that such a field names; null where it names none. */
export function zonedIso(text: string, zone: string): string | null {
  if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(text)) return null
  const wanted = Date.parse(`${text.slice(0, 16)}Z`)
  let at = wanted
  // twice: the first guess may lie on the other side of a change of clocks
  for (let i = 0; i < 2; i++) {
    const shown = Date.parse(`${zonedText(new Date(at).toISOString(), zone)}Z`)
    at += wanted - shown
  }
  return new Date(at).toISOString()
}
