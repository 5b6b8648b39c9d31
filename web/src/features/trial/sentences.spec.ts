import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { differedSentence, differenceSentence, trialHeadline } from './sentences'

const celsius = { fahrenheit: false }
type Sheet = Views['TrialSheet']
type Difference = Sheet['differences'][number]

const difference = (over: Partial<Difference> = {}): Difference => ({
  side: 'wrapped',
  word: 'LOSES_LESS',
  ratio: 0.5,
  ratioLow: 0.45,
  ratioHigh: 0.55,
  readingKelvin: 6.2,
  readingLow: 5,
  readingHigh: 7,
  ...over,
})
const sheet = (d: Difference, silent = ''): Sheet =>
  ({
    trial: { name: 'The wrap' },
    seconds: 14 * 3600,
    sides: [
      { name: 'bare', runs: [{ silent: '' }] },
      { name: 'wrapped', runs: [{ silent }] },
    ],
    differences: [d],
    differed: [],
  }) as unknown as Sheet
const say = (d: Difference, silent = '') => differenceSentence(d, sheet(d, silent), celsius)

describe('what a change did', () => {
  it('loses less, with its size, interval and what one would read', () => {
    const said = say(difference())
    expect(said).toContain('“wrapped” loses less: 50 % of what “bare” loses (45 % to 55 %)')
    expect(said).toContain('6.2 K warmer after 14 h')
  })
  it('loses more and reads colder', () =>
    expect(say(difference({ word: 'LOSES_MORE', ratio: 1.4, readingKelvin: -3 }))).toContain(
      '3.0 K colder',
    ))
  it('is alike within a tenth', () =>
    expect(say(difference({ word: 'ALIKE' }))).toContain('lose alike, within a tenth'))
  it('cannot be told, with what would tell', () =>
    expect(say(difference({ word: 'CANNOT_TELL', ratioLow: 0.8, ratioHigh: 1.3 }))).toBe(
      'Cannot tell: “wrapped” loses 80 % to 130 % of what “bare” loses, so it may be better or worse. A longer or a second run would tell.',
    ))
  it('says why a side is silent', () => {
    const none = difference({
      word: 'CANNOT_TELL',
      ratio: null,
      ratioLow: null,
      ratioHigh: null,
      readingKelvin: null,
    })
    expect(say(none, 'AIR_UNKNOWN')).toContain('nobody read the air beside it')
    expect(say(none, 'COOL_DOWN_TOO_SHORT')).toContain('not followed long enough')
  })
  it('heads the sheet with the first sentence only', () =>
    expect(trialHeadline(sheet(difference()), celsius)).toBe(
      '“wrapped” loses less: 50 % of what “bare” loses (45 % to 55 %).',
    ))
})

describe('what else was not alike', () => {
  const s = sheet(difference())
  it.each([
    ['START_EXCESS', 60, 30, 'the warmer start looks a little worse'],
    ['AIR', 4, 9, '4.0 °C'],
    ['AIR_SWING', 2, 9, 'Swing of the air'],
    ['HOURS', 12, 30, '30 h'],
    ['WIND', 1, 6, '6.0 m/s'],
    ['OPENINGS', 0, 2, 'draught'],
    ['WETTINGS', 0, 1, 'Wet fill'],
    ['LIFTINGS', 0, 1, 'Lid touched'],
    ['MASS', 1, 2, 'not one mass'],
  ])('%s', (what, first, other, words) => {
    expect(differedSentence({ what, side: 'wrapped', first, other }, s, celsius)).toContain(words)
  })
})
