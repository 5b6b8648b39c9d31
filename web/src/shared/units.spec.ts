import { describe, expect, it } from 'vitest'
import { feet } from './feet.fixture'
import {
  degrees,
  hours,
  kelvins,
  energyOf,
  lengthOf,
  minutesOf,
  nextMoment,
  typedCelsius,
  typedNumber,
  powerOf,
  areaOf,
  conductanceOf,
  floorLoadOf,
  fromOwn,
  massOf,
  SI,
  toOwn,
  volumeOf,
  withFigures,
  type Units,
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
  it('puts the numbers of a sentence in their places, as the person counts', () => {
    const figures = [
      { value: 60, unit: 'CELSIUS' as const },
      { value: 25, unit: 'KILOGRAMS' as const },
    ]
    expect(withFigures('Over {1}, to {0}.', figures, SI)).toBe('Over 25 kg, to 60 °C.')
    expect(withFigures('Over {1}, to {0}.', figures, feet)).toBe('Over 55 lb, to 140 °F.')
  })
  it('keeps sensible digits', () => {
    expect(energyOf(14.2837 * 3.6e6)).toBe('14.3 kWh')
    expect(energyOf(2.1 * 3.6e6)).toBe('2.10 kWh')
    expect(powerOf(640.4)).toBe('640 W')
    expect(powerOf(2640)).toBe('2.6 kW')
    expect(lengthOf(0.055)).toBe('5.5 cm')
    expect(massOf(4.5)).toBe('4.5 kg')
    expect(massOf(8)).toBe('8 kg')
    expect(massOf(54.4)).toBe('54 kg')
    expect(lengthOf(1.4)).toBe('1.40 m')
    expect(hours(27 * 3600, 3600)).toBe('27 ± 1 h')
    expect(hours(11.46 * 3600, 0.72 * 3600)).toBe('11.5 ± 0.7 h')
    expect(hours(11.46 * 3600)).toBe('11 h')
  })
  it('has every other unit that a person may choose', () => {
    expect(energyOf(1.4e7, feet)).toBe('13\u202f300 BTU')
    expect(energyOf(1.88e9, feet)).toBe('1.78 million BTU')
    expect(energyOf(0, feet)).toBe('0 BTU')
    expect(energyOf(5.2e7, { ...feet, energy: 'MJ' })).toBe('52.0 MJ')
    expect(powerOf(-640, feet)).toBe('−2180 BTU/h')
    expect(conductanceOf(1.9, feet)).toBe('3.60 BTU/(h °F)')
    expect(massOf(6300, feet)).toBe('13\u202f890 lb')
    expect(massOf(236.7, feet)).toBe('522 lb')
    expect(lengthOf(0.88, feet)).toBe('2 ft 11 in')
    expect(lengthOf(0.055, feet)).toBe('2.2 in')
    expect(lengthOf(1.8288, feet)).toBe('6 ft')
    expect(lengthOf(0.3, feet)).toBe('11.8 in')
    expect(lengthOf(0.304, feet)).toBe('1 ft')
    expect(areaOf(9.29, feet)).toBe('100 ft²')
    expect(volumeOf(200, feet)).toBe('53 US gallons')
    expect(floorLoadOf(1000, feet)).toBe('205 lb/ft²')
    expect(toOwn(0.5, 'transmittance', feet)).toBeCloseTo(11.36, 2)
    expect(toOwn(0.5, 'transmittance', { ...feet, insulation: 'U' })).toBeCloseTo(0.0881, 4)
    expect(toOwn(0.5, 'transmittance', { ...SI, insulation: 'R' })).toBe(2)
  })
  it('turns every unit there and back', () => {
    const all: Units[] = [
      SI,
      {
        fahrenheit: true,
        energy: 'MJ',
        power: 'W',
        mass: 'LB',
        volume: 'IMP_GAL',
        length: 'FT',
        insulation: 'U',
      },
      {
        fahrenheit: false,
        energy: 'BTU',
        power: 'BTU_H',
        mass: 'KG',
        volume: 'US_GAL',
        length: 'M',
        insulation: 'R',
      },
    ]
    for (const u of all)
      for (const q of [
        'energy',
        'power',
        'mass',
        'volume',
        'length',
        'thickness',
        'area',
        'conductance',
        'transmittance',
      ] as const)
        expect(fromOwn(toOwn(3.7, q, u), q, u)).toBeCloseTo(3.7, 9)
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

describe('a typed hour', () => {
  it.each([
    ['16:40', 1000],
    ['16.40', 1000],
    ['1640', 1000],
    ['740', 460],
    [' 7 ', 420],
    ['4:40 pm', 1000],
    ['12 am', 0],
    ['12:05 PM', 725],
    ['24:00', 0],
  ])('%s', (typed, minutes) => expect(minutesOf(typed)).toBe(minutes))
  it.each(['', 'dawn', '25:00', '16:75', '13 pm', '0 am', '-4'])('%s is none', (typed) =>
    expect(minutesOf(typed)).toBeNull(),
  )
})
