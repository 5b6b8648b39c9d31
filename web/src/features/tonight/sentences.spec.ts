import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import {
  advice,
  aheadWord,
  assumption,
  headline,
  nightWord,
  otherwise,
  shortage,
} from './sentences'

const C = { fahrenheit: false }
const F = { fahrenheit: true }
const night = (part: object) =>
  ({
    coldestAt: '2026-01-31T07:10:00Z',
    coldestCelsius: 3.1,
    marginKelvin: 1.1,
    ...part,
  }) as unknown as Views['TonightView']

describe('tonight in words', () => {
  it('says that it holds and by how much', () => {
    expect(headline(night({ verdict: 'HELD' }), C, 'UTC')).toBe(
      'Tonight holds: coldest 3.1 °C at 07:10, 1.1 K to spare.',
    )
  })
  it('says by how much it is lost, in the person’s units', () => {
    const n = night({ verdict: 'LOST', coldestCelsius: -1, marginKelvin: -3 })
    expect(headline(n, F, 'UTC')).toBe(
      'Tonight is lost as things stand: coldest 30.2 °F at 07:10, 5.4 °F too cold.',
    )
  })
  it('tells too little heat from too slow heat', () => {
    const short = (shortKind: string) =>
      shortage(
        night({
          shortKind,
          shortJoules: 7.56e6,
          shortWatts: 300,
          shortFrom: '2026-01-31T01:00:00Z',
          shortCandles: 7,
          shortWoodKilograms: 0.8,
        }),
        C,
        'UTC',
      )
    expect(short('HEAT')).toBe(
      'The stores run out before sunrise. Short by 2.10 kWh: 300 W from 01:00 to sunrise would hold it, as would 7 candles, 0.8 kg of dry wood or one heater of that power.',
    )
    expect(short('SPEED')).toContain('fast enough')
    expect(short('NO_STORE')).toContain('No store reaches the house')
    expect(short('NONE')).toBe('')
    const set = night({ shortKind: 'NO_STORE', setWarmerKelvin: 3.5 })
    expect(shortage(set, C, 'UTC')).toContain('set 3.5 K warmer, this night holds')
  })
  it('owns up to what was guessed', () => {
    const given = (code: string, value: number, of: string, worthKelvin: number | null) =>
      assumption({ code, value, at: null, of, worthKelvin }, C, 'UTC')
    expect(given('SKY', 0.5, '', 1.24)).toBe(
      'The sky is 50 % clouded, as far as told: worth ± 1.2 K tonight.',
    )
    expect(given('WIND', 2, 'TYPED', 0.02)).toContain('2 m/s at ten metres: worth next to')
    expect(given('SHELTER', 0.25, 'YARD', null)).toContain('in a yard')
    expect(given('WETNESS', 0.8, 'WET', 0.4)).toContain('wet all over')
    expect(given('HEAP_FED', 300, 'Heap (straw)', null)).toContain(
      'Heap (straw) is reckoned with the 300 kg that the log says were put on',
    )
    const said = given('STORE_UNREAD', 4, 'Bin', null)
    expect(said).toBe(
      'Bin has never been read; it starts at 4.0 °C, as what is round it and its own heat tell.',
    )
  })
})

describe('what to do about it', () => {
  const hearth = { kind: 'LOAD', of: 'f', name: 'Fire of the stone bench', part: 'FIRE', usual: 6 }
  const fire = {
    kind: 'LOAD' as const,
    of: 'f',
    from: '2026-01-30T16:40:00Z',
    to: '2026-01-30T16:40:00Z',
    amount: 5,
  }
  const screen = { ...fire, kind: 'SCREEN' as const, of: null }
  const told = (part: object) =>
    advice(
      night({
        possible: [hearth],
        parts: [],
        advice: {
          actions: [screen, fire],
          holds: true,
          coldestCelsius: 2.9,
          shortage: 'NONE',
          ...part,
        },
      }),
      C,
      'UTC',
    )
  it('is one sentence that can be acted on', () => {
    expect(told({})).toBe(
      'Draw the screen at 16:40 and lay 5 kg on the fire of the stone bench at 16:40: then it holds, coldest 2.9 °C.',
    )
  })
  it('says what is lacking when nothing holds', () => {
    expect(told({ holds: false, shortage: 'SPEED' })).toContain('fast enough')
    expect(told({ holds: false, shortage: 'HEAT' })).toContain('not enough heat')
  })
  it('is silent when nothing is needed', () => {
    expect(told({ actions: [] })).toBe('')
  })
  it('speaks of leaves where they are the colder', () => {
    expect(headline(night({ verdict: 'HELD', coldestIs: 'LEAF' }), C, 'UTC')).toContain('leaves')
  })
  it('says what the night hangs on', () => {
    const what = (kind: string, of: string, gainKelvin: number, peakKelvin: number) =>
      otherwise({ kind, of, gainKelvin, peakKelvin }, C)
    expect(what('WITHOUT_STORE', 'Sand bin', -0.9, 4)).toBe(
      'Without the sand bin, the same fuel burnt, it would be 0.9 K colder, and the evening 4.0 K hotter.',
    )
    expect(what('GAPS_HALVED', '', 0.4, 0)).toContain('0.4 K warmer')
  })
})

describe('the nights ahead in words', () => {
  const doing = (kind: string, from: string, amount: number | null = null) => ({
    kind,
    of: kind === 'LOAD' ? 'hearth' : null,
    from,
    to: null,
    amount,
  })
  const one = (dusk: string, actions: object[] = []) => ({
    dusk,
    dawn: dusk.replace('T16', 'T23'),
    outdoorLowest: -11,
    coldestCelsius: 0.4,
    coldestAt: '2026-02-02T23:30:00Z',
    chanceOfHolding: 0.34,
    verdict: 'LOST',
    actions,
  })
  const names = night({ possible: [{ of: 'hearth', name: 'Hearth', part: 'FIRE' }], parts: [] })
  const nights = (part: object) =>
    ({
      nights: [one('2026-01-30T16:40:00Z'), one('2026-02-02T16:40:00Z')],
      breaksFirst: 1,
      advice: null,
      ...part,
    }) as unknown as Views['NightsView']

  it('says nothing of one night, and that all hold where none breaks', () => {
    expect(aheadWord(nights({ nights: [one('2026-01-30T16:40:00Z')] }), names, 'UTC')).toBe('')
    expect(aheadWord(nights({ breaksFirst: null }), names, 'UTC')).toBe(
      'The 2 nights that the forecast reaches all hold.',
    )
  })
  it('names the night that breaks, what to do by days, and how long it can wait', () => {
    const advice = {
      holds: true,
      latest: '2026-02-02T21:15:00Z',
      actions: [
        doing('LOAD', '2026-02-01T12:10:00Z', 7),
        doing('SCREEN', '2026-02-02T16:40:00Z'),
        doing('LOAD', '2026-02-02T16:40:00Z', 3.5),
      ],
    }
    expect(aheadWord(nights({ advice }), names, 'UTC')).toBe(
      'Monday is the night that breaks first. Sunday lay 7 kg on the hearth at 12:10; ' +
        'Monday draw the screen at 16:40 and lay 3.5 kg on the hearth at 16:40: then all of them hold. ' +
        'It can wait until Monday 21:15.',
    )
  })
  it('does not tell to do what is planned already', () => {
    const load = doing('LOAD', '2026-02-02T16:40:00Z', 7)
    const planned = nights({
      nights: [one('2026-01-30T16:40:00Z'), one('2026-02-02T16:40:00Z', [load])],
      advice: { holds: false, latest: null, actions: [load] },
    })
    expect(aheadWord(planned, names, 'UTC')).toContain('nothing at hand holds it')
  })
  it('tells one night with what is planned for it', () => {
    const n = one('2026-02-02T16:40:00Z', [doing('LOAD', '2026-02-02T16:40:00Z', 7)])
    expect(nightWord(n as never, 1, names, C, 'UTC')).toBe(
      'Monday: −11.0 °C outdoors, coldest 0.4 °C at 23:30, 34 % likely to hold. ' +
        'Planned: lay 7 kg on the hearth at 16:40.',
    )
  })
})
