import { describe, expect, it } from 'vitest'
import { placeOf } from './doneKinds'

type Store = Parameters<typeof placeOf>[2][number]
const store = (id: string, source: string, layers = 0, planned = false) =>
  ({
    id,
    planned,
    design: { source: { kind: source }, top: { layers: Array(layers).fill({}) } },
  }) as unknown as Store
const bench = store('bench', 'FIRE')
const bin = store('bin', 'ELEMENT', 1)

describe('where something was done', () => {
  it('is the place that was chosen', () => {
    expect(placeOf('FIRE_LIT', 'bin', [bench, bin])).toBe('bin')
  })
  it('is the only store that it can have been done at', () => {
    expect(placeOf('FIRE_LIT', null, [bench, bin])).toBe('bench')
    expect(placeOf('LID', null, [bench, bin])).toBe('bin')
    expect(placeOf('ELEMENT', null, [bench, bin])).toBe('bin')
  })
  it('stays open where several could be meant, or none', () => {
    expect(placeOf('FIRE_LIT', null, [bench, store('stove', 'FIRE')])).toBeNull()
    expect(placeOf('HEAP', null, [bench, bin])).toBeNull()
    expect(placeOf('DOOR', null, [bench])).toBeNull()
  })
  it('is never a store that is only planned', () => {
    expect(placeOf('FIRE_LIT', null, [store('idea', 'FIRE', 0, true)])).toBeNull()
  })
})
