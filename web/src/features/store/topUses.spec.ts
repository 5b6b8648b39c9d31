import { describe, expect, it } from 'vitest'
import { serves, topSentence, type Use } from './topUses'

const use = (of: Use['of'], low: number, high: number): Use => ({
  of,
  low,
  best: (low + high) / 2,
  high,
  source: '',
})
const uses = [use('SEED_TRAYS', 18, 30), use('SIT_ON', 27, 48), use('DRY_FRUIT', 50, 70)]
const C = { fahrenheit: false } as Parameters<typeof topSentence>[4]

describe('the top of a store', () => {
  it.each([
    [12, 'not warm to the hand'],
    [28, 'right for seed trays and sitting on it'],
    [60, 'right for drying fruit, but it burns within a minute'],
    [49, 'no use fits'],
    [95, 'burns whoever touches it'],
  ])('of %d degrees serves: %s', (celsius, words) => expect(serves(celsius, uses, 51)).toBe(words))
  it('tells now and when full in one sentence', () =>
    expect(topSentence(31, 95, uses, 51, C)).toBe(
      'Its top has now 31 °C, right for sitting on it; when full 95 °C, burns whoever touches it.',
    ))
  it('leaves out what nobody read', () =>
    expect(topSentence(null, 60, uses, 51, C)).toBe(
      'Its top has when full 60 °C, right for drying fruit, but it burns within a minute.',
    ))
})
