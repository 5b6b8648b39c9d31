import { describe, expect, it } from 'vitest'
import { begun, fromAddress, moved, sameLane, toAddress, withLane, type Doing } from './doings'

const START = Date.parse('2026-01-30T15:40:00Z') / 1000
const END = Date.parse('2026-01-31T08:16:00Z') / 1000
const fire = { kind: 'FIRE', storeId: 'b', storeName: 'Bench', usual: 6 } as const
const screen = {
  kind: 'SCREEN',
  storeId: null as unknown as string,
  storeName: '',
  usual: 0,
} as const
const dusk = START + 3600

describe('what is done in a night', () => {
  it('stands in the address and comes back the same', () => {
    const all = [begun(fire, dusk, END), begun(screen, dusk, END)]
    expect(fromAddress(toAddress(all))).toEqual(all)
    expect(fromAddress('')).toEqual([])
    expect(fromAddress('FIRE~b~soup~~6!x')).toEqual([])
  })
  it('has one doing a lane', () => {
    const once = withLane([], fire, begun(fire, dusk, END))
    const twice = withLane(once, fire, { ...once[0], amount: 8 })
    expect(twice).toHaveLength(1)
    expect(twice[0].amount).toBe(8)
    expect(withLane(twice, fire, null)).toEqual([])
    expect(sameLane(once[0], screen)).toBe(false)
  })
  it('moves within the night and never inside out', () => {
    const d: Doing = begun({ ...fire, kind: 'ELEMENT' }, dusk, END)
    expect(Date.parse(moved(d, 1e6, 'both', START, END).to) / 1000).toBe(END)
    expect(Date.parse(moved(d, -1e6, 'both', START, END).from) / 1000).toBe(START)
    const late = moved(d, 1e6, 'from', START, END)
    expect(Date.parse(late.from)).toBeLessThan(Date.parse(late.to))
    const early = moved(d, -1e6, 'to', START, END)
    expect(Date.parse(early.to)).toBeGreaterThan(Date.parse(early.from))
  })
})
