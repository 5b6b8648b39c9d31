import { describe, expect, it } from 'vitest'
import { SI } from '@/shared/units'
import { deedsOn, isAtStore, placeOf, shownSentence, toldSentence, type Plan } from './plans'

const span = (middle: number, low: number, high: number) => ({ middle, low, high })
const plan = (more: Partial<Plan> = {}): Plan => ({
  id: 'p',
  houseId: 'h',
  kind: 'CLOSE_GAPS',
  of: null,
  name: '',
  amount: 7,
  told: {
    nights: 120,
    lost: span(30, 26, 36),
    saved: span(11, 8, 14),
    warmerKelvin: span(1.8, 1.2, 2.3),
    money: 9,
    currency: '£',
    hours: 2,
  },
  keptAt: '2026-01-12T08:00:00Z',
  doneOn: null,
  shownByLows: true,
  shown: null,
  ...more,
})
const shown = (
  kept: NonNullable<Plan['shown']>['kept'],
  more: Partial<Plan['shown'] & object> = {},
) =>
  plan({
    doneOn: '2026-01-22',
    shown: {
      nightsBefore: 12,
      nightsAfter: 8,
      warmerKelvin: 1.5,
      lowKelvin: 0.7,
      highKelvin: 2.3,
      otherCold: false,
      kept,
      ...more,
    },
  })

describe('a change that is kept as a plan', () => {
  it('says what was told of it', () =>
    expect(toldSentence(plan(), SI)).toBe(
      'Told: 11 nights (8 to 14) fewer lost, the hard nights 1.8 K warmer (1.2 K to 2.3 K); 2.0 h, £9.',
    ))
  it('is silent about nights before it is made', () => expect(shownSentence(plan(), SI)).toBe(''))
  it('is as was told, more, less, or cannot be told', () => {
    expect(shownSentence(shown('AS_TOLD'), SI)).toBe(
      'The 8 nights since were, against 12 before, 1.5 K warmer in the same cold (0.7 K to 2.3 K): as was told.',
    )
    expect(shownSentence(shown('MORE'), SI)).toContain('more than was told')
    const less = shown('LESS', { warmerKelvin: -0.4, lowKelvin: -1, highKelvin: 0.2 })
    expect(shownSentence(less, SI)).toContain(
      '0.4 K colder in the same cold (−1.0 K to 0.2 K): less',
    )
    expect(shownSentence(shown('CANNOT_TELL'), SI)).toContain('anything from 0.7 K to 2.3 K fits')
    expect(shownSentence(shown('AS_TOLD', { otherCold: true }), SI)).toContain('with care')
  })
  it('leads to where it is made', () => {
    expect(placeOf('g', 'h', plan())).toEqual({
      name: 'house',
      params: { holding: 'g', house: 'h' },
    })
    const lid = plan({ kind: 'LID', of: 's' })
    expect(placeOf('g', 'h', lid)).toEqual({ name: 'store', params: { holding: 'g', store: 's' } })
    expect(isAtStore(lid)).toBe(true)
    const fire = plan({ kind: 'LONGER_FIRE', of: 'f' })
    expect(placeOf('g', 'h', fire)).toEqual({ name: 'stores', params: { holding: 'g' } })
    expect(isAtStore(fire)).toBe(false)
  })
  it('says why nothing is shown', () => {
    expect(shownSentence(plan({ doneOn: '2026-01-22' }), SI)).toContain('Too few nights')
    const hardier = plan({ doneOn: '2026-01-22', kind: 'HARDIER_PLANTS', shownByLows: false })
    expect(shownSentence(hardier, SI)).toContain('asks less of the house')
  })
  it('is named on the evening from which it was there', () => {
    const all = [shown('AS_TOLD'), plan()]
    expect(deedsOn(all, 'h', '2026-01-22', SI)).toEqual(['stop the gaps, 7 m of them'])
    expect(deedsOn(all, 'h', '2026-01-23', SI)).toEqual([])
    expect(deedsOn(all, 'other', '2026-01-22', SI)).toEqual([])
  })
})
