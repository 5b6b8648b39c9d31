import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { learnedNightSentences, learnedSentences, leftOutSentence } from './sentences'

const celsius = { fahrenheit: false }
type View = Views['HouseLearnedView']
const factor = (value: number, low: number, high: number) => ({ value, low, high })
const view = (loss = factor(0.72, 0.51, 0.95), over: Partial<View> = {}): View => ({
  houseId: 'h',
  pending: 0,
  learned: {
    nights: 20,
    until: '2026-01-29',
    describedWattsPerKelvin: 250,
    loss,
    skin: loss,
    leak: factor(1.2, 0.4, 3.8),
    mass: factor(0.9, 0.4, 1.9),
    scatterKelvin: 0.41,
  },
  nights: [],
  leftOut: [],
  ...over,
})

describe('what nights say of a house', () => {
  it('gives the factor with its reach and both losses', () => {
    const said = learnedSentences(view())
    expect(said[0]).toContain('0.72 times as fast as described (0.51 to 0.95)')
    expect(said[0]).toContain('180 W/K instead of 250 W/K')
    expect(said[0]).toContain('the description is off')
  })
  it('does not blame a description within the doubt', () =>
    expect(learnedSentences(view(factor(0.9, 0.7, 1.1)))[0]).toContain('within the doubt'))
  it('says what it takes when too few nights were logged', () =>
    expect(learnedSentences(view(undefined, { learned: undefined as never }))[0]).toContain(
      'Three nights at least',
    ))
  it('waits for stores that are still being judged', () =>
    expect(learnedSentences(view(undefined, { pending: 3 }))[0]).toContain('still being judged'))
  it('counts what was not used by its reason', () =>
    expect(
      leftOutSentence([
        { evening: '2026-01-01', reason: 'AIR_UNREAD', of: '' },
        { evening: '2026-01-02', reason: 'STORE_UNREAD', of: 'Bin' },
        { evening: '2026-01-03', reason: 'AIR_UNREAD', of: '' },
      ]),
    ).toBe(
      'Not used: 2 nights because the air inside was read too little, 1 night because a store was not read.',
    ))
})

const night = (over: Partial<Views['LearnedNight']> = {}): Views['LearnedNight'] => ({
  evening: '2026-01-20',
  lossTimes: 1,
  unlike: false,
  changesPerHour: null,
  lowestWithoutStores: -3.3,
  liftByStores: 2.2,
  worth: [
    { storeId: 'a', name: 'Bench', kelvin: 1.04 },
    { storeId: 'b', name: 'Bin', kelvin: 0.02 },
  ],
  ...over,
})

describe('one night in the learned house', () => {
  it('tells what stores were worth and leaves out what was worth nothing', () => {
    const said = learnedNightSentences(night(), -1.1, celsius)
    expect(said).toEqual([
      'Without the stores it would have fallen to \u22123.3 °C; alone each was worth: Bench 1.0 K.',
    ])
  })
  it('speaks of an opening when the house lost too fast', () =>
    expect(
      learnedNightSentences(
        night({ unlike: true, lossTimes: 2.62, changesPerHour: 12.48 }),
        -1.1,
        celsius,
      )[0],
    ).toBe(
      'The house lost heat 2.6 times as fast as on its other nights, as an opening does that changes the air 12 times an hour.',
    ))
  it('says so when something was better', () =>
    expect(
      learnedNightSentences(night({ unlike: true, lossTimes: 0.6 }), -1.1, celsius)[0],
    ).toContain('only 0.6 times'))
})
