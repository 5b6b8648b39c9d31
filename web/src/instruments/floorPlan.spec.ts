import { describe, expect, it } from 'vitest'
import { placed } from './floorPlan'

const floor = { length: 6, width: 2 }

describe('bodies on a floor', () => {
  it('stand along the back wall first', () => {
    const p = placed(floor, { length: 0.5, width: 0.5, round: true }, 5)
    expect(p).toHaveLength(5)
    expect(p.every((b) => b.y === 0)).toBe(true)
  })
  it('begin a second row when the wall is full', () => {
    const p = placed(floor, { length: 1, width: 0.5, round: false }, 7)
    expect(p.filter((b) => b.y > 0).length).toBeGreaterThan(0)
  })
  it('never stand outside', () => {
    for (const b of placed(floor, { length: 0.7, width: 0.4, round: false }, 200)) {
      expect(b.x + b.w).toBeLessThanOrEqual(6.001)
      expect(b.y + b.d).toBeLessThanOrEqual(2.001)
    }
  })
  it('never stand in each other', () => {
    const p = placed(floor, { length: 0.7, width: 0.4, round: false }, 20)
    for (const a of p)
      for (const b of p)
        if (a !== b) expect(Math.abs(a.x - b.x) >= 0.7 || Math.abs(a.y - b.y) >= 0.4).toBe(true)
  })
})
