import { describe, expect, it } from 'vitest'
import { starts } from './designs'
import { become, fillTo, litresOf, VESSELS } from './vessels'

const fresh = () => JSON.parse(JSON.stringify(starts[0]!.design)) as (typeof starts)[0]['design']

describe('vessels', () => {
  it('hold what their names say, each of a size that stands', () => {
    for (const v of VESSELS) {
      const d = fresh()
      become(d, v)
      expect(litresOf(d) / v.litres).toBeCloseTo(1, 1)
      expect(d.heightMetres).toBeGreaterThan(0.1)
      expect(d.heightMetres).toBeLessThan(1.3)
    }
  })
  it('are filled as high as so many litres stand', () => {
    const d = fresh()
    become(
      d,
      VESSELS.find((v) => v.word === 'Drum')!,
    )
    fillTo(d, 100)
    expect(litresOf(d)).toBeCloseTo(100, 0)
    fillTo(d, 0)
    expect(litresOf(d)).toBeCloseTo(100, 0)
  })
})
