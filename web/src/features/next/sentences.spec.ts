import { describe, expect, it } from 'vitest'
import {
  boughtWords,
  deedOf,
  firstSentence,
  nightsOf,
  priceOf,
  rangeOf,
  runningSentence,
  stepSentence,
  type Change,
  type Ranked,
} from './sentences'

const C = { fahrenheit: false }
const change = (kind: Change['kind'], amount: number, name = ''): Change => ({
  id: kind,
  kind,
  of: null,
  name,
  amount,
  needs: [],
  hours: 2,
  money: 9,
})
const told = (middle: number, low = middle, high = middle) => ({ middle, low, high })
const step = (id: string, lost: number, saved: number) => ({
  id,
  lost: told(lost),
  saved: told(saved),
  warmerKelvin: told(0.4),
  money: 9,
  hours: 2,
})
const ranked = (more: Partial<Ranked>): Ranked => ({
  id: 'r',
  houseId: 'h',
  state: 'DONE',
  done: 1,
  of: 1,
  fromFile: false,
  nights: 120,
  currency: '£',
  hourWorth: 10,
  changes: [change('CLOSE_GAPS', 7), change('MORE_MASS', 3, 'Water columns')],
  base: {
    lost: told(31, 26, 38),
    hardestKelvin: told(-3),
    woodKilograms: 140,
    electricJoules: 3.6e8,
    cost: 60,
    bare: told(51),
    boughtJoules: told(3.6e9),
    bought: [
      { fuel: 'paraffin', kilograms: 84, cost: 210 },
      { fuel: 'electricity', kilograms: 0, cost: null },
    ],
  },
  singles: [],
  pairs: [],
  path: [step('CLOSE_GAPS', 20, 11)],
  untried: 0,
  ...more,
})

describe('what next', () => {
  it('names one thing to do first', () => {
    expect(firstSentence(ranked({}), C)).toBe(
      'First stop the gaps, 7 m of them: that saves 11 of the 31 nights that such a winter loses.',
    )
  })
  it('says that nothing is needed, or that nothing helps', () => {
    const base = { ...ranked({}).base!, lost: told(0), hardestKelvin: told(2.4) }
    expect(firstSentence(ranked({ base }), C)).toContain('No night of such a winter is lost')
    expect(firstSentence(ranked({ path: [] }), C)).toContain('Nothing that was tried saves any')
  })
  it('makes no more of a winter that may lose a night than that', () => {
    const base = { ...ranked({}).base!, lost: told(0.6, 0, 3) }
    expect(firstSentence(ranked({ base }), C)).toBe(
      'First stop the gaps, 7 m of them: such a winter may lose 0 to 3 nights.',
    )
  })
  it('tells a step with what it takes and what is left', () => {
    expect(stepSentence(step('MORE_MASS', 0, 9), ranked({}), C)).toBe(
      'Put as much again beside the water columns: 2.0 h, £9; 9 nights fewer lost, then none is lost.',
    )
    expect(stepSentence(step('MORE_MASS', 20, 0), ranked({}), C)).toContain('0.4 K warmer')
  })
  it('counts nights as one counts them', () => {
    expect(nightsOf(1)).toBe('1 night')
    expect(nightsOf(1.4)).toBe('1.5 nights')
    expect(nightsOf(11.4)).toBe('11 nights')
    expect(rangeOf(told(11, 8, 15))).toBe('11 nights (8 to 15)')
    expect(rangeOf(told(2, 1.8, 2.4))).toBe('2 nights')
  })
  it('says what is not known of a price', () => {
    expect(priceOf(null, 3, '£')).toBe('3 h, and what it costs to buy')
    expect(priceOf(0, 3, '£')).toBe('3 h')
  })
  it('says what the winter takes, and a kept night', () => {
    expect(runningSentence(ranked({}))).toBe(
      'As it stands such a winter takes 140 kg of wood and 100 kWh of power (£60), and stores and fires hold 20 nights that the house alone would lose: £3.00 a night.',
    )
    expect(boughtWords(ranked({}))).toEqual([
      '84 kg of paraffin, £210',
      '1000 kWh of mains power (no price yet)',
    ])
  })
  it('has a word for every kind', () => {
    const kinds: Change['kind'][] = [
      'CLOSE_GAPS',
      'SECOND_SKIN',
      'SCREEN',
      'FLEECE',
      'EDGE_BOARD',
      'LID',
      'MORE_MASS',
      'WATER_FILL',
      'FOOT',
      'BIGGER_ELEMENT',
      'LONGER_FIRE',
      'DRY_WOOD',
      'HEAP_LOOP',
      'HARDIER_PLANTS',
      'HALF_HOUSE',
    ]
    const words = kinds.map((k) => deedOf(change(k, 4, 'Bin'), C))
    expect(new Set(words).size).toBe(kinds.length)
    expect(words.every((w) => w.length > 8)).toBe(true)
  })
})
