import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import {
  effortSentence,
  hardestSentences,
  heapSentence,
  nightSentences,
  sinceSentence,
  statementSentence,
  tasksSentence,
  wallSentence,
} from './sentences'
import { daysBefore, evening, spanOf, todayIn, winterName, winterOf } from './winters'

const celsius = { fahrenheit: false }
type Night = Views['PastNightView']['nights'][number]

const night = (over: Partial<Night> = {}): Night => ({
  evening: '2026-01-20',
  verdict: 'LOST',
  lowestCelsius: -1.7,
  lowestAt: '2026-01-21T06:20:00Z',
  outdoorLowest: -8.3,
  liftKelvin: 6.6,
  coldDegreeHours: 20.2,
  seen: [],
  done: [],
  paid: [],
  notBelowCelsius: null,
  unreadFrom: null,
  unreadTo: null,
  model: null,
  ...over,
})
const wall = (held: number, close: number, lost: number, unknown = 0) =>
  ({
    nights: Array.from({ length: held + close + lost + unknown }, () => night()),
    held,
    close,
    lost,
    unknown,
  }) as Views['PastNightView']

describe('a winter in a sentence', () => {
  it('says so when all held', () =>
    expect(wallSentence(wall(5, 0, 0))).toBe('All 5 nights that were read held.'))
  it('counts one and many', () => {
    expect(wallSentence(wall(3, 1, 2))).toBe('Of 6 nights 3 held, 1 was close, 2 were lost.')
    expect(wallSentence(wall(0, 2, 0))).toBe('Of 2 nights 0 held, 2 were close.')
  })
  it('says how many nobody looked through', () =>
    expect(wallSentence(wall(3, 0, 0, 2))).toBe(
      'Of 5 nights 3 held, 2 are not known: too little was looked at.',
    ))
  it('says when nothing was read', () => expect(wallSentence(wall(0, 0, 0))).toContain('No night'))
})

describe('a night that nobody looked through', () => {
  const unread = (over: Partial<Night> = {}) =>
    nightSentences(
      night({
        verdict: 'UNKNOWN',
        lowestCelsius: 6.2,
        lowestAt: '2026-01-20T21:00:00Z',
        unreadFrom: '2026-01-20T21:00:00Z',
        unreadTo: '2026-01-21T08:00:00Z',
        liftKelvin: null,
        coldDegreeHours: 0,
        ...over,
      }),
      2,
      celsius,
      'UTC',
    ).join(' ')
  it('says from when to when, and where the model puts it', () => {
    const said = unread({ model: { lowCelsius: -1.2, highCelsius: 3 } })
    expect(said).toContain('is not known: the air was not read from 21:00 to 08:00')
    expect(said).toContain('between −1.2 °C, if the stores gave nothing more, and 3.0 °C')
    expect(said).toContain('keeps its lowest')
  })
  it('says that a model without weather says nothing, and what a dish tells', () => {
    const said = unread({ lowestCelsius: null, notBelowCelsius: -1.5 })
    expect(said).toContain('nobody read the air')
    expect(said).toContain('the model says nothing')
    expect(said).toContain('not under −1.5 °C')
  })
})

describe('one night', () => {
  it('tells low, time, limit, lift', () => {
    const said = nightSentences(night(), 2, celsius, 'Europe/London')
    expect(said[0]).toContain('was lost')
    expect(said[0]).toContain('06:20')
    expect(said[0]).toContain('3.7 K under')
    expect(said[1]).toContain('kept 6.6 K above it')
    expect(said[2]).toContain('20.2 K h')
  })
  it('says nothing of outdoors that nobody read', () => {
    const said = nightSentences(
      night({ outdoorLowest: null, liftKelvin: null, coldDegreeHours: 0 }),
      2,
      celsius,
      'UTC',
    )
    expect(said).toHaveLength(1)
  })
  it('names who paid, the most first, and what was seen without a doubled stop', () => {
    const said = nightSentences(
      night({
        seen: ['Ice on the dish.'],
        paid: [
          { storeId: 'a', name: 'Bin', joules: 3.6e6 },
          { storeId: 'b', name: 'Bench', joules: 7.2e6 },
          { storeId: 'c', name: 'Cold', joules: 10 },
        ],
      }),
      2,
      celsius,
      'UTC',
    ).join(' ')
    expect(said).toContain('Seen: Ice on the dish. ')
    expect(said.indexOf('Bench')).toBeLessThan(said.indexOf('Bin'))
    expect(said).not.toContain('Cold 0')
  })
})

const sums = {
  opening: 0,
  charged: 36e6,
  own: 0,
  delivered: 18e6,
  early: 3.6e6,
  lost: 7.2e6,
  residual: 0,
  closing: 7.2e6,
}
const statement = (over: Partial<Views['StatementView']> = {}) =>
  ({
    sums,
    stores: [],
    days: [{ evening: '2026-01-20' }],
    pending: 0,
    unread: 0,
    effort: {
      fires: 2,
      woodKilograms: 14,
      fuelJoules: 2.1e8,
      elementJoules: 0,
      doings: 3,
      hours: 1.4,
    },
    currency: '£',
    cost: 4.2,
    tasks: [],
    ...over,
  }) as unknown as Views['StatementView']

describe('a statement', () => {
  it('says in and out', () => {
    expect(statementSentence(statement())).toBe(
      '10.0 kWh went in; 5.00 kWh reached the house in the cold, 1.00 kWh came too early, 2.00 kWh was lost.',
    )
  })
  it('says what a heap made itself', () =>
    expect(statementSentence(statement({ sums: { ...sums, own: 3.6e6 } }))).toContain(
      '11.0 kWh went in, 1.00 kWh of it by the heap itself',
    ))
  it('says how many days are to go before it says a sum', () =>
    expect(statementSentence(statement({ pending: 3 }))).toBe('Being judged: 3 days to go.'))
  it('says the sum when one of many days is still to go', () =>
    expect(
      statementSentence(
        statement({ pending: 1, days: Array(9).fill({ evening: '2026-01-20' }) as never }),
      ),
    ).toContain('went in'))
  it('says when too little was read', () =>
    expect(statementSentence(statement({ days: [] }))).toContain('Too little'))
  it('tells fuel, work and money', () =>
    expect(effortSentence(statement())).toBe(
      'It took 2 fires, 14 kg of wood (58.3 kWh), about 1.4 h of work; £4.20 in all.',
    ))
  it('tells what came round and was done', () => {
    expect(
      tasksSentence(
        statement({
          tasks: [
            { what: 'Take out the ash', times: 3 },
            { what: 'Test the smoke alarm', times: 1 },
          ],
        }),
      ),
    ).toBe('Of what comes round: take out the ash, 3 times; test the smoke alarm, once.')
    expect(tasksSentence(statement())).toBe('')
  })
  it('tells how warm a heap was and what it was fed', () => {
    const heap: Views['HeapWinterView'] = {
      storeId: 's',
      name: 'Heap',
      keepCelsius: 45,
      days: [
        { day: '2026-01-12', celsius: 58 },
        { day: '2026-01-13', celsius: 44.2 },
      ],
      warm: 1,
      fed: [
        { at: '2026-01-11T10:00:00Z', feedstock: 'Straw', kilograms: 200 },
        { at: '2026-01-12T10:00:00Z', feedstock: 'Straw', kilograms: 100 },
      ],
    }
    expect(heapSentence(heap, celsius)).toBe(
      'Over 45 °C in its warmest place on 1 of 2 days that were read, 44.2 °C on Tue 13 January. It was fed on 2 days, 300 kg in all.',
    )
    expect(heapSentence({ ...heap, days: [], fed: [] }, celsius)).toBe(
      'Nobody read its thermometers. Nobody noted that it was fed.',
    )
  })
  it('says when a price is missing', () =>
    expect(effortSentence(statement({ cost: null }))).toContain('a price is missing'))
})

describe('the nights from a change on', () => {
  const since = (over: Partial<Views['Since']>, deeds: string[] = []) =>
    sinceSentence(
      {
        evening: '2026-01-20',
        nightsBefore: 12,
        nightsAfter: 9,
        warmerKelvin: 0.8,
        lowKelvin: 0.2,
        highKelvin: 1.4,
        finding: 'WARMER',
        otherCold: false,
        ...over,
      },
      celsius,
      deeds,
    )
  it('name the plan that was made that day', () => {
    const s = since({}).replace('Was something changed that day?', 'That day: stop the gaps.')
    expect(since({}, ['stop the gaps'])).toBe(s)
  })
  it('are warmer, colder, or leave it open', () => {
    expect(since({})).toBe(
      'Was something changed that day? The 9 nights from then on were, against 12 before, 0.8 K warmer in the same cold (0.2 K to 1.4 K). Wind, sky and what the stores held are not looked at.',
    )
    expect(since({ warmerKelvin: -0.8, finding: 'COLDER' })).toContain('0.8 K colder')
    expect(since({ lowKelvin: -0.4, finding: 'CANNOT_TELL' })).toContain(
      'but anything from −0.4 K to 1.4 K fits: more nights would tell.',
    )
  })
  it('are to be taken with care where they met another cold', () => {
    expect(since({ otherCold: true })).toContain('with care')
  })
})

describe('the hardest week', () => {
  const of = (h: Partial<NonNullable<Views['PastNightView']['hardest']>> | null) =>
    hardestSentences(
      {
        hardest: h && {
          from: '2026-01-10',
          nights: 7,
          lowestCelsius: 1,
          usualLowest: 4,
          outdoorCelsius: -9,
          usualOutdoor: -2,
          paidJoules: 7.2e6,
          usualPaid: 1.8e7,
          colder: true,
          storesGaveLess: false,
          ...h,
        },
      } as Views['PastNightView'],
      celsius,
    ).join(' ')
  it('says what was otherwise then, with both figures', () => {
    expect(of({})).toContain('10 January on the house came down to 1.0 °C on the mean of 7 nights')
    expect(of({})).toContain('It was the cold: −9.0 °C outdoors against −2.0 °C')
    expect(of({ storesGaveLess: true })).toContain('the stores had less: 2.00 kWh a night')
    expect(of({ colder: false, storesGaveLess: true })).toMatch(/4\.0 °C\. The stores had less/)
  })
  it('says nothing of stores whose days are still being judged', () => {
    expect(of({ paidJoules: null, usualPaid: null })).toMatch(
      /It was the cold: −9\.0 °C outdoors against −2\.0 °C\.$/,
    )
  })
  it('blames nothing that nobody read', () => {
    const unread = of({ colder: false, outdoorCelsius: null, usualOutdoor: null })
    expect(unread).toContain('How cold it was outdoors nobody read, with')
    expect(of(null)).toContain('Two weeks of nights')
  })
})

describe('winters', () => {
  it('begin in autumn, north and south', () => {
    expect(winterOf('2026-01-30', false)).toBe(2025)
    expect(winterOf('2026-10-02', false)).toBe(2026)
    expect(winterOf('2026-06-02', true)).toBe(2026)
    expect(winterOf('2026-01-30', true)).toBe(2025)
  })
  it('never reach past today', () => {
    expect(spanOf(2025, false, '2026-01-30')).toEqual(['2025-10-01', '2026-01-30'])
    expect(spanOf(2024, false, '2026-01-30')).toEqual(['2024-10-01', '2025-04-30'])
    expect(spanOf(2025, true, '2026-01-30')).toEqual(['2025-04-01', '2025-10-31'])
  })
  it('have names', () => {
    expect(winterName(2025, false)).toBe('2025/26')
    expect(winterName(1999, false)).toBe('1999/00')
    expect(winterName(2025, true)).toBe('2025')
  })
  it('know today where the holding is', () =>
    expect(todayIn('Pacific/Auckland', '2026-01-30T15:40:00Z')).toBe('2026-01-31'))
  it('count days back over a month and a leap day', () => {
    expect(daysBefore('2024-03-01', 1)).toBe('2024-02-29')
    expect(daysBefore('2026-01-03', 6)).toBe('2025-12-28')
  })
  it('say a day', () => expect(evening('2026-01-20')).toContain('20 January'))
})
