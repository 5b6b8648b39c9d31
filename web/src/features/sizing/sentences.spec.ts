import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import {
  bodies,
  curveSentence,
  foundSentence,
  meansWord,
  pairSentence,
  schools,
  whyWord,
} from './sentences'

const C = { fahrenheit: false }
const found = {
  containerName: 'Upright column, 0.3 m across',
  mediumName: 'Water',
  wrapMillimetres: 0,
  metresEach: 0,
  count: 12,
  holds: true,
  limit: 'POWER',
  lowestCelsius: 2.1,
  holdSeconds: 20 * 3600,
} as Views['SizedView']

describe('what was found', () => {
  it('says how many of what', () => {
    expect(bodies(found)).toBe('12 × upright column, 0.3 m across, water, bare')
    expect(bodies({ ...found, containerName: 'Wall, 0.25 m thick', metresEach: 2 })).toContain(
      '24 m of wall, 0.25 m thick',
    )
    expect(bodies({ ...found, wrapMillimetres: 100 })).toContain('in 100 mm of wool')
  })

  it('says how long it would go on', () => {
    expect(foundSentence(found, -9, C)).toContain('(20 h if the cold were steady)')
    expect(foundSentence({ ...found, holdSeconds: 72 * 3600 }, -9, C)).toContain('three days')
  })

  it('says when nothing that fits holds', () => {
    expect(foundSentence({ ...found, holds: false, lowestCelsius: -1 }, -9, C)).toContain(
      'not even as many as find room',
    )
  })
})

describe('the curve', () => {
  const point = (count: number, nightsLost: number) => ({
    count,
    nightsLost,
    massKg: 0,
    coldDegreeHours: 0,
    refillingLimits: false,
  })
  it('says where more stops helping', () => {
    const c = { nights: 120, fromFile: false, points: [point(0, 40), point(6, 5), point(12, 5)] }
    expect(curveSentence(c, 6)).toBe(
      'Without it 40 of 120 nights are lost; with 6, 5; twice as many save none more.',
    )
  })
  it('says what twice as many would save', () => {
    const c = { nights: 120, fromFile: false, points: [point(0, 40), point(6, 5), point(12, 1)] }
    expect(curveSentence(c, 6)).toContain('with 12, 1.')
  })
  it('says when refilling limits it and not size', () => {
    const fed = { ...point(6, 20), refillingLimits: true }
    const c = { nights: 120, fromFile: false, points: [point(0, 40), fed, point(12, 20)] }
    expect(curveSentence(c, 6)).toContain('Refilling limits it, not size')
  })
})

describe('without a store', () => {
  const means = (part: object) =>
    meansWord(
      {
        kind: 'CANDLES',
        amount: 14,
        holds: true,
        lowestCelsius: 2,
        fuelKilograms: 0.8,
        electricJoules: 0,
        cost: null,
        ...part,
      } as unknown as Views['MeansView'],
      '£',
    )
  it('says how much of what, and what it takes', () => {
    expect(means({})).toBe('14 candles burning all night (0.8 kg of wax)')
    expect(
      means({
        kind: 'HEAT_PUMP',
        amount: 450,
        fuelKilograms: 0,
        electricJoules: 2.52e7,
        cost: 2.1,
      }),
    ).toBe('a heat pump on the air outdoors that draws 450 W (7.00 kWh, £2.10 a night)')
  })
  it('says what does not do', () => {
    expect(means({ kind: 'EARTH_PIPES', amount: 30, holds: false })).toBe(
      'not even 30 earth pipes of 8 m with a fan',
    )
  })
})

describe('two ways', () => {
  const side = (lowestCelsius: number) => ({ lowestCelsius }) as Views['Side']
  const pair = (a: number, b: number) =>
    ({
      school: 'BARE_OR_INSULATED',
      limitCelsius: 2,
      first: side(a),
      second: side(b),
    }) as Views['PairView']

  it('names the side that keeps the house warmer and whether it matters', () => {
    expect(pairSentence(pair(1, 2.5), C)).toBe(
      'Wrapped in wool keeps the house 1.5 K warmer at the coldest; only that one holds.',
    )
    expect(pairSentence(pair(4, 3), C)).toContain('both hold')
    expect(pairSentence(pair(0, -1), C)).toContain('neither holds')
  })

  it('says when both come to the same', () => {
    expect(pairSentence(pair(2.1, 2.05), C)).toContain('both come to the same')
  })

  it('gives every school a question and every reason its numbers', () => {
    expect(new Set(schools.map((s) => s.question)).size).toBe(9)
    for (const reason of ['SPENT_EARLY', 'DELIVERED', 'LOST', 'LEFT_AT_DAWN', 'ROOM'])
      expect(whyWord({ reason, first: 3.6e6, second: 7.2e6 }, 'SAND_OR_WATER', C)).toContain(
        'dry sand 1.00 kWh, water 2.00 kWh',
      )
    expect(whyWord({ reason: 'HOTTEST', first: 210, second: 45 }, 'SAND_OR_WATER', C)).toContain(
      '210 °C',
    )
  })
})
