import { describe, expect, it } from 'vitest'
import {
  degrees,
  hours,
  kelvins,
  kilowattHours,
  metres,
  nextMoment,
  typedCelsius,
  typedNumber,
  watts,
} from './units'

const C = { fahrenheit: false }
const F = { fahrenheit: true }

describe('units', () => {
  it('words temperatures as the person has them', () => {
    expect(degrees(-3.04, C)).toBe('−3.0 °C')
    expect(degrees(0, F)).toBe('32.0 °F')
    expect(degrees(-0.04, C)).toBe('0.0 °C')
    expect(kelvins(1.5, F)).toBe('2.7 °F')
  })
  it('keeps sensible digits', () => {
    expect(kilowattHours(14.2837 * 3.6e6)).toBe('14.3 kWh')
    expect(kilowattHours(2.1 * 3.6e6)).toBe('2.10 kWh')
    expect(watts(640.4)).toBe('640 W')
    expect(watts(2640)).toBe('2.6 kW')
    expect(metres(0.055)).toBe('5.5 cm')
    expect(metres(1.4)).toBe('1.40 m')
    expect(hours(27 * 3600, 3600)).toBe('27 ± 1 h')
  })
  it('reads numbers as they are typed', () => {
    expect(typedNumber('14,5')).toBe(14.5)
    expect(typedNumber('−7')).toBe(-7)
    expect(typedNumber('seven')).toBeNaN()
    expect(typedCelsius('58F', C)).toBeCloseTo(14.44, 2)
    expect(typedCelsius('61 f', C)).toBeCloseTo(16.11, 2)
    expect(typedCelsius('32', F)).toBe(0)
    expect(typedCelsius('20 °C', F)).toBe(20)
  })
})

describe('the hour of the low', () => {
  const evening = Date.parse('2026-01-30T15:40:00Z')
  it('is the next one that the zone’s clock shows', () => {
    expect(nextMoment('6', evening, 'Europe/London')).toBe('2026-01-31T06:00:00.000Z')
    expect(nextMoment('06:50', evening, 'Europe/Berlin')).toBe('2026-01-31T05:45:00.000Z')
    expect(nextMoment('16.00', evening, 'UTC')).toBe('2026-01-30T16:00:00.000Z')
    expect(nextMoment('0', evening, 'UTC')).toBe('2026-01-31T00:00:00.000Z')
  })
  it('is none for what is no hour', () => {
    expect(nextMoment('dawn', evening, 'UTC')).toBeNull()
    expect(nextMoment('', evening, 'UTC')).toBeNull()
  })
  it('keeps its head in the night when the clock is changed', () => {
    const spring = Date.parse('2026-03-28T20:00:00Z')
    expect(nextMoment('03:00', spring, 'Europe/London')).toBe('2026-03-29T02:00:00.000Z')
    expect(nextMoment('01:30', spring, 'Europe/London')).toBeNull()
    const autumn = Date.parse('2026-10-24T20:00:00Z')
    expect(nextMoment('01:30', autumn, 'Europe/London')).toBe('2026-10-25T00:30:00.000Z')
    expect(nextMoment('06:00', autumn, 'Europe/London')).toBe('2026-10-25T06:00:00.000Z')
  })
})
