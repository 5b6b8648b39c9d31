import { describe, expect, it } from 'vitest'
import { SI } from '@/shared/units'
import {
  dawnSentence,
  decisionSentence,
  endWord,
  leftSentences,
  nowSentence,
  offerWord,
  saidSentence,
  type Night,
} from './sentences'

const C = { fahrenheit: false }
const way = (held: boolean, lowestCelsius: number) => ({
  held,
  lowestCelsius,
  lowestAt: '2026-01-30T07:10:00Z',
  minutes: 20,
  woodKilograms: 5,
})
const night = (own = way(true, 2.9)): Night => ({
  id: 'n',
  houseId: 'h',
  begins: '2026-01-29T16:00:00Z',
  now: '2026-01-29T18:40:00Z',
  ends: '2026-01-30T08:10:00Z',
  rang: false,
  said: {
    lowCelsius: -6,
    cloud: 0,
    wind: 1,
    chance: 0.42,
    lowestTenth: 0,
    lowestMedian: 1.8,
    verdict: 'LOST',
  },
  plantLimitCelsius: 2,
  seen: { at: [], air: [8, 7.2], outdoor: [0, -1.3], stores: [] },
  possible: [],
  doings: [],
  dawn: {
    own,
    advised: own,
    idle: own,
    advice: [],
    left: null,
    turned: null,
    advisedAir: null,
    decisions: [],
  },
})
const decision = {
  kind: 'LOAD' as const,
  name: 'Hearth',
  amount: 6,
  at: '2026-01-29T22:10:00Z',
  done: true,
  kelvin: 1.21,
}

const left = {
  name: 'Heap, north wall',
  beganCelsius: 51,
  dawnCelsius: 41.2,
  idleCelsius: 49.8,
  putJoules: 0,
  keptJoules: 0,
  late: false,
  overdrawn: false,
}

describe('a practice night', () => {
  it('tells what stores and loops had of it, where that is worth a word', () => {
    const told = (...more: Partial<typeof left>[]) =>
      leftSentences(
        {
          ...night().dawn!,
          left: more.map((m) => ({ ...left, ...m })),
          turned: [{ name: 'Pump of the heap', joules: 4.3e6 }],
        },
        SI,
      )
    expect(told({})).toEqual([
      'The pump of the heap took 1.19 kWh out of the house: its store was the colder of the two.',
    ])
    expect(told({ overdrawn: true })[1]).toBe(
      'Overdrawn: Heap, north wall, 51 °C at dusk and 41 °C at dawn; left alone, 50 °C. That cool it slows down, and takes days to come back.',
    )
    expect(told({ late: true, putJoules: 1.8e7, keptJoules: 1.44e7 })[1]).toContain(
      'Of 5.00 kWh that went into the heap, north wall, 4.00 kWh were still in it at dawn',
    )
    expect(leftSentences(night().dawn!, SI)).toEqual([])
  })
  it('tells the hour and what thermometers show', () => {
    expect(nowSentence(night(), C, 'UTC')).toBe('18:40: 7.2 °C in the house, −1.3 °C outdoors.')
    expect(saidSentence(night(), C)).toContain(
      '−6 °C, clear; with nothing done it would hold in 42 %',
    )
  })
  it('names what can be done and what ends it', () => {
    const lamps = { kind: 'RUN' as const, name: 'Two lamps', part: 'FLAMES' }
    expect(offerWord(lamps, 2)).toBe('Light 2 flames of the two lamps')
    expect(endWord(lamps)).toBe('Put the two lamps out')
    expect(offerWord({ kind: 'LOAD', name: 'Hearth', part: 'FIRE' }, 5)).toBe(
      'Lay 5 kg on the hearth',
    )
  })
  it('ends held or lost', () => {
    expect(dawnSentence(night(), C, 'UTC')).toBe(
      'You held it: coldest 2.9 °C at 07:10, 0.9 K to spare.',
    )
    expect(dawnSentence(night(way(false, 1.2)), C, 'UTC')).toBe(
      'It was lost: 1.2 °C at 07:10, 0.8 K too cold.',
    )
  })
  it('says what a decision was worth, done or left', () => {
    expect(decisionSentence(decision, C, 'UTC')).toBe(
      'Laying wood on the hearth (6 kg) at 22:10 won 1.2 K.',
    )
    expect(decisionSentence({ ...decision, done: false }, C, 'UTC')).toBe(
      'Left undone: laying wood on the hearth (6 kg) at 22:10 would have won 1.2 K.',
    )
    expect(decisionSentence({ ...decision, kelvin: -0.3 }, C, 'UTC')).toContain('cost 0.3 K')
  })
})
