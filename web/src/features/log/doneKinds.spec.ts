import { describe, expect, it } from 'vitest'
import { fresh, type Part } from '../part/parts'
import { placeOf } from './doneKinds'

type Store = Parameters<typeof placeOf>[2][number]
const store = (id: string, layers = 0, planned = false) =>
  ({ id, planned, design: { top: { layers: Array(layers).fill({}) } } }) as unknown as Store
const part = (kind: 'FIRE' | 'ELEMENT', store: string) =>
  ({ id: `${kind} ${store}`, design: fresh(kind, store) }) as unknown as Part
const bench = store('bench')
const bin = store('bin', 1)
const parts = [part('FIRE', 'bench'), part('ELEMENT', 'bin'), part('FIRE', 'stove')]

describe('where something was done', () => {
  it('is the place that was chosen', () => {
    expect(placeOf('FIRE_LIT', 'bin', [bench, bin], parts)).toBe('bin')
  })
  it('is the only store that it can have been done at', () => {
    expect(placeOf('FIRE_LIT', null, [bench, bin], parts)).toBe('bench')
    expect(placeOf('LID', null, [bench, bin], parts)).toBe('bin')
    expect(placeOf('ELEMENT', null, [bench, bin], parts)).toBe('bin')
  })
  it('stays open where several could be meant, or none', () => {
    expect(placeOf('FIRE_LIT', null, [bench, store('stove')], parts)).toBeNull()
    expect(placeOf('HEAP', null, [bench, bin], parts)).toBeNull()
    expect(placeOf('DOOR', null, [bench], parts)).toBeNull()
  })
  it('is never a store that is only planned', () => {
    expect(placeOf('FIRE_LIT', null, [store('stove', 0, true)], parts)).toBeNull()
  })
})
