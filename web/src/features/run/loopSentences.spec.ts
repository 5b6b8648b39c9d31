import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import LoopLane from '@/instruments/LoopLane.vue'
import type { Views } from '@/shared/api/client'
import { loopSentences } from './loopSentences'

const turned = Date.parse('2026-01-20T14:10Z') / 1000
const loop = (over: Partial<Views['LoopView']> = {}): Views['LoopView'] => ({
  storeId: 's',
  storeName: 'Drum',
  readAt: turned + 7200,
  wattsNow: -334,
  direction: 'DRAWING',
  turnedAt: turned,
  turnedHalf: 900,
  charged: 1.2e7,
  chargedHalf: 1.3e6,
  drawn: 2.4e6,
  drawnHalf: 3e5,
  stoodSince: null,
  emptying: true,
  spells: [
    { direction: 'CHARGING', from: turned - 14_400, to: turned - 900, joules: 1.2e7 },
    { direction: 'STILL', from: turned - 900, to: turned + 900, joules: 0 },
    { direction: 'DRAWING', from: turned + 900, to: turned + 7200, joules: -2.4e6 },
  ],
  ...over,
})

describe('a loop in words', () => {
  it('says that its pump stands, and claims no direction for warm pipes', () => {
    const said = loopSentences(loop({ stoodSince: turned + 600, emptying: false }), 'UTC')
    expect(said[0]).toBe('Its pump stands since Tue 20 Jan 14:20, as it was logged.')
  })
  it('says since when it empties what it should charge, how sure that is, and what to do', () => {
    const said = loopSentences(loop(), 'UTC')
    expect(said[0]).toContain('emptying it since Tue 20 Jan 14:10 ± 15 min')
    expect(said[0]).toContain('334 W')
    expect(said[0]).toContain('Stop the pump')
    expect(said[1]).toBe('In this time it brought 3.33 kWh ± 0.36 and carried off 0.67 kWh ± 0.08.')
  })
  it('does not scold a loop that is meant to draw', () =>
    expect(loopSentences(loop({ emptying: false }), 'UTC')[0]).toMatch(/^Its loop carries off/))
  it('does not claim a direction it cannot tell', () =>
    expect(
      loopSentences(loop({ emptying: false, direction: 'STILL', wattsNow: 12 }), 'UTC')[0],
    ).toContain('too alike'))
})

describe('a loop drawn', () => {
  const lane = (l = loop()) => mount(LoopLane, { props: { loop: l, zone: 'UTC' } })
  it('puts what it brought above the line and what it carried off below', () => {
    const w = lane()
    expect(Number(w.find('.charging').attributes('y'))).toBeLessThan(85)
    expect(Number(w.find('.drawing').attributes('y'))).toBe(85)
    expect(w.find('svg').attributes('aria-label')).toContain('brought 3.33 kWh')
  })
  it('marks the turn', () => expect(lane().text()).toContain('turned Tue 20 Jan 14:10'))
  it('draws one short stretch without falling over', () =>
    expect(
      lane(
        loop({
          turnedAt: null,
          spells: [{ direction: 'CHARGING', from: turned, to: turned, joules: 0 }],
        }),
      ).html(),
    ).not.toContain('NaN'))
})
