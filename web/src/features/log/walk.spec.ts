import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { movedStop, pressed, stopsOf } from './walk'

const store = (name: string, probes: string[], planned = false) =>
  ({
    id: name,
    name,
    planned,
    probes: probes.map((p) => ({ id: p, name: p })),
    now: { latest: [{ probeId: 'a', at: '', celsius: 14.5 }] },
  }) as unknown as Views['StoreView']

describe('the walk', () => {
  const stores = [store('bin', ['a', 'b']), store('tank', ['c']), store('planned', ['d'], true)]

  it('goes in the order that the grower gave, the rest after', () => {
    expect(stopsOf(stores, [], [], ['c', 'b']).map((s) => s.probeId)).toEqual(['c', 'b', 'a'])
  })
  it('passes no probe of a store that is only planned', () => {
    expect(stopsOf(stores, [], [], []).map((s) => s.probeId)).toEqual(['a', 'b', 'c'])
  })
  it('knows what was read last', () => {
    expect(stopsOf(stores, [], [], [])[0].last).toBe(14.5)
    expect(stopsOf(stores, [], [], [])[1].last).toBeNull()
  })
  it('is put in another order one step at a time', () => {
    expect(movedStop(['a', 'b', 'c'], 'b', -1)).toEqual(['b', 'a', 'c'])
    expect(movedStop(['a', 'b', 'c'], 'b', 1)).toEqual(['a', 'c', 'b'])
    expect(movedStop(['a', 'b'], 'a', -1)).toEqual(['a', 'b'])
  })
})

describe('the keypad', () => {
  const typed = (keys: string) => [...keys].reduce(pressed, '')
  it('types numbers with one point', () => {
    expect(typed('14.5.2')).toBe('14.52')
    expect(typed('.5')).toBe('0.5')
  })
  it('changes the sign whenever it is pressed', () => {
    expect(typed('4−')).toBe('-4')
    expect(typed('4−−')).toBe('4')
  })
  it('takes back', () => {
    expect(typed('14⌫')).toBe('1')
    expect(typed('⌫')).toBe('')
  })
  it('does not run on', () => {
    expect(typed('123456789')).toHaveLength(8)
  })
})
