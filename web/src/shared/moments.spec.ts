import { describe, expect, it } from 'vitest'
import { zonedIso, zonedText } from './moments'

describe('a moment by the holding’s own clock', () => {
  it.each([
    ['2026-01-12T22:40:00.000Z', 'Europe/London', '2026-01-12T22:40'],
    ['2026-07-12T22:40:00.000Z', 'Europe/London', '2026-07-12T23:40'],
    ['2026-01-12T22:40:00.000Z', 'America/Denver', '2026-01-12T15:40'],
    ['2026-03-29T01:30:00.000Z', 'Europe/London', '2026-03-29T02:30'],
  ])('is shown and understood: %s in %s', (iso, zone, text) => {
    expect(zonedText(iso, zone)).toBe(text)
    expect(zonedIso(text, zone)).toBe(iso)
  })
  it('is none where nothing was chosen', () => {
    expect(zonedIso('', 'UTC')).toBeNull()
  })
})
