import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { chargeSentence, efficiencySentence, endOfCharge, hotSentence } from './chargeSentences'
import { starts } from './designs'

const C = { fahrenheit: false }
const design = starts.find((s) => s.key === 'drum')!.design
const charge = {
  seconds: [0, 9000, 18_000, 36_000, 61_200],
  mean: [8, 25, 42, 33, 24],
  contact: [8, 120, 190, 60, 30],
  hottest: [8, 150, 240, 70, 33],
  usableJoules: [0, 3e6, 8e6, 5e6, 3e6],
  storeWatts: [0, 600, 600, 0, 0],
  broughtJoules: 1.08e7,
  fuelJoules: 0,
  electricJoules: 1.08e7,
  flueJoules: 0,
  gainJoules: 1.08e7,
  outJoules: 0,
  roomJoules: 0,
  steamJoules: 0,
  efficiency: 1,
  reachedSeconds: null,
  chargeSeconds: 18_000,
  hottestSpot: { celsius: 240, second: 18_000, radiusFraction: 0, heightFraction: 0.5 },
  overheated: [],
} as unknown as Views['ChargeView']

describe('a charge in words', () => {
  it('ends where the source stops', () => {
    expect(endOfCharge(charge)).toBe(2)
    expect(endOfCharge({ ...charge, chargeSeconds: 1e9 })).toBe(4)
  })

  it('says what it holds then, and what is left later', () => {
    const s = chargeSentence(charge, design, C)
    expect(s).toContain('After 5 h it holds 2.22 kWh above 8 °C')
    expect(s).toContain('never reaches 70 °C: it comes to 42 °C')
    expect(s).toContain('12 h later 0.83 kWh is left')
  })

  it('says when the aim was reached', () => {
    expect(chargeSentence({ ...charge, reachedSeconds: 7200 }, design, C)).toContain(
      'reaches 70 °C after 2.0 h',
    )
  })

  it('says that a colder stream empties the store', () => {
    expect(chargeSentence({ ...charge, outJoules: 9e7 }, design, C)).toContain('empties it')
  })

  it('speaks of a hot core, and before that of what does not stand it', () => {
    expect(hotSentence(charge, C)).toContain('a hot core behind a cool wall')
    const o = { face: 'TOP', what: 'Cork board', limitCelsius: 110, celsius: 140 }
    expect(hotSentence({ ...charge, overheated: [o] }, C)).toBe(
      'Cork board on the top gets 140 °C and stands 110 °C.',
    )
    expect(
      hotSentence({ ...charge, hottestSpot: { ...charge.hottestSpot, celsius: 60 } }, C),
    ).toContain('every part stands it')
  })

  it('adds a fire up: mass, room, flue', () => {
    const fire = {
      ...charge,
      efficiency: 0.44,
      roomJoules: 0.16 * 1.08e7,
      flueJoules: 0.4 * 1.08e7,
      fuelJoules: 1.08e7,
      electricJoules: 0,
    }
    expect(efficiencySentence(fire)).toBe(
      '44 % of the heat put in gets into the mass, 16 % warms the room at once, 40 % leaves by the flue. It uses 3.00 kWh of fuel.',
    )
    expect(efficiencySentence({ ...fire, cost: 0.9 }, '£')).toContain(
      'It uses 3.00 kWh of fuel for £0.90.',
    )
    expect(efficiencySentence({ ...charge, steamJoules: 3.6e6 })).toContain(
      '1.00 kWh goes off as steam',
    )
  })
})
