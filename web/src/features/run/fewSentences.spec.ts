import { describe, expect, it } from 'vitest'
import { fewSentences, fewVerdict } from './fewSentences'

const kwh = (value: number, low: number, high: number) => ({
  value: value * 3.6e6,
  low: low * 3.6e6,
  high: high * 3.6e6,
})
const few = {
  readings: 3,
  best: kwh(4.2, 3.6, 4.9),
  last: kwh(2, 1.5, 2.6),
  halfLife: { value: 9 * 3600, low: 7 * 3600, high: 12 * 3600 },
  loss: { value: 5, low: 4, high: 6.5 },
  brought: kwh(5, 4.5, 5.5),
  chargedFrom: '2026-01-20T16:00:00Z',
  chargedTo: '2026-01-20T20:00:00Z',
  hoursGuessed: true,
  strain: null,
  next: null,
  means: [],
  loop: null,
  changed: null,
}

describe('few readings', () => {
  it('say what the store held and how long, each with its doubt', () => {
    expect(fewVerdict(few)).toBe(
      'It held 4.20 kWh (3.60 kWh to 4.90 kWh) at its best, half of it gone in 9 h (7 h to 12 h).',
    )
    expect(fewVerdict({ ...few, brought: null, chargedFrom: null, chargedTo: null })).toContain(
      'when it was first read',
    )
  })
  it('own up to hours that were read off the readings', () => {
    expect(fewSentences(few, 'UTC').join(' ')).toContain('as the readings rise')
    const told = fewSentences({ ...few, hoursGuessed: false }, 'UTC').join(' ')
    expect(told).not.toContain('as the readings rise')
    expect(told).toContain('3 readings tell this')
    const none = { ...few, brought: null, chargedFrom: null, chargedTo: null }
    expect(fewSentences(none, 'UTC')).toHaveLength(3)
  })
  it('say what cannot be said, and what does not go together', () => {
    const cold = { ...few, halfLife: null, loss: null }
    expect(fewVerdict(cold)).not.toContain('half of it')
    expect(fewSentences(cold, 'UTC').join(' ')).toContain('hardly warmer')
    expect(fewSentences({ ...few, strain: 'READINGS' }, 'UTC').join(' ')).toContain('its unit')
  })
  it('says what to read next and what it would be worth', () => {
    const next = { probe: 'core', afterSeconds: 9 * 3600, before: 0.19, after: 0.12 }
    expect(fewSentences({ ...few, next }, 'UTC').join(' ')).toContain(
      'one more reading of core, 9 h after the charge: half of it gone to ± 12 % instead of ± 19 %',
    )
  })
  it('say of a loop whether it goes together with its store, else which figure to look at', () => {
    const loop = {
      readings: 4,
      brought: kwh(5.4, 4.4, 6.4),
      stored: kwh(5.1, 4.2, 6.2),
      agree: true,
      astray: null,
      flowTimes: 0.94,
    }
    const told = (l: object) => fewSentences({ ...few, loop: { ...loop, ...l } }, 'UTC').join(' ')
    expect(told({})).toContain('that goes together')
    expect(told({ agree: false, astray: '2026-01-20T14:10:00Z' })).toContain('20 Jan 14:10')
    expect(told({ agree: false, flowTimes: 0.25 })).toContain(
      'the flow is 25 % of what was described',
    )
    expect(told({ agree: false, flowTimes: 3.1 })).toContain('the flow is 3.1 times what')
  })
})
