import { describe, expect, it } from 'vitest'
import { typedDegrees, typedPlace } from './coordinates'

describe('coordinates as people write them', () => {
  it.each([
    ['41.3 N', 90, 41.3],
    ['41,3', 90, 41.3],
    ['33.9 s', 90, -33.9],
    ['-33.9', 90, -33.9],
    ['−3.4', 180, -3.4],
    ['105°36′W', 180, -105.6],
    ['57 20 24 N', 90, 57.34],
    ['5°30\'0"E', 180, 5.5],
    ['0', 180, 0],
  ] as const)('%s of at most %d is %d', (text, most, degrees) => {
    expect(typedDegrees(text, most)).toBeCloseTo(degrees, 6)
  })
  it.each(['', 'N', 'Fernhill', '41.3 W', '95 N', '41 70 N', '3-4', '41.3 N 5 E', 'NaN'])(
    '“%s” is none and never nought',
    (text) => {
      expect(typedDegrees(text, 90)).toBeNaN()
    },
  )
  it('finds both in a link or a pair', () => {
    expect(typedPlace('https://maps.example/@57.34,-3.41,12z')).toEqual({
      latitude: 57.34,
      longitude: -3.41,
    })
    expect(typedPlace('57.34 N, 3.41 W')).toEqual({ latitude: 57.34, longitude: -3.41 })
    expect(typedPlace('57.34')).toBeNull()
  })
})
