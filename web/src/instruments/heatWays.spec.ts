import { describe, expect, it } from 'vitest'
import { heatWays } from './heatWays'

const loss = (air: number, waves: number, through: number, dew: number) => ({
  watts: air + waves + through + dew,
  convectionWatts: air,
  longWaveWatts: waves,
  throughWatts: through,
  dewWatts: dew,
})

describe('how heat gets to a part', () => {
  it('is shared out along the arrow', () => {
    const ways = heatWays(loss(200, 100, 100, 0))
    expect(ways.map((w) => [w.key, w.share])).toEqual([
      ['air', 0.5],
      ['waves', 0.25],
      ['through', 0.25],
    ])
  })
  it('leaves out what works against it and what is next to nothing', () => {
    const ways = heatWays(loss(300, -40, 2, 0))
    expect(ways).toEqual([{ key: 'air', share: 300 / 302, watts: 300 }])
  })
  it('turns round where a wall warms the house', () => {
    expect(heatWays(loss(-80, -20, 0, 0)).map((w) => w.key)).toEqual(['air', 'waves'])
  })
  it('has one way where nothing flows', () => {
    expect(heatWays(loss(0, 0, 0, 0))).toEqual([{ key: 'air', share: 1, watts: 0 }])
  })
})
