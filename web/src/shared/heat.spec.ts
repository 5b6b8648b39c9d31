import { describe, expect, it } from 'vitest'
import { degreeTicks } from './heat'

describe('ticks of a temperature axis', () => {
  it('are round in the person’s own degrees', () => {
    expect(degreeTicks([-10, 10], 5, { fahrenheit: false })).toEqual([-10, -5, 0, 5, 10])
    const own = degreeTicks([-10, 10], 5, { fahrenheit: true }).map((t) => t * 1.8 + 32)
    expect(own.map((t) => Math.round(t * 1e6) / 1e6)).toEqual([20, 30, 40, 50])
  })
})
