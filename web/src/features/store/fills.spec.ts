import { describe, expect, it } from 'vitest'
import type { Design } from './designs'
import { addHollow, addLayer, halfWidth, isLayer } from './fills'

const body = (): Design =>
  ({ shape: 'BOX', lengthMetres: 3, widthMetres: 0.6, heightMetres: 0.5, fills: null }) as Design

describe('what lies in parts of a body', () => {
  it('goes on top, a quarter deep, and under what is there already', () => {
    const d = body()
    expect(addLayer(d, 'cob')).toBe(true)
    expect(addLayer(d, 'gravel')).toBe(true)
    expect(d.fills!.map((f) => [f.lowFraction, f.highFraction])).toEqual([
      [0.75, 1],
      [0.5, 0.75],
    ])
    expect(d.fills!.every(isLayer)).toBe(true)
  })
  it('leaves a firebox below the layers', () => {
    const d = body()
    addLayer(d, 'cob')
    expect(addHollow(d)).toBe(true)
    expect(d.fills![1]).toEqual({
      medium: null,
      reachFraction: 0.5,
      lowFraction: 0.1,
      highFraction: 0.5,
    })
  })
  it('says when there is no room', () => {
    const d = body()
    for (let i = 0; i < 4; i++) expect(addLayer(d, 'cob')).toBe(true)
    expect(addLayer(d, 'cob')).toBe(false)
    expect(addHollow(d)).toBe(false)
  })
  it('reaches half of the smaller width', () => expect(halfWidth(body())).toBeCloseTo(0.3))
})
