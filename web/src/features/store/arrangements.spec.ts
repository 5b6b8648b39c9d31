import { describe, expect, it } from 'vitest'
import { differences, inShort, mostOf, type Arrangement } from './arrangements'
import { starts } from './designs'

const wool = [{ id: 'wool', name: 'Sheep wool' }] as never
const layer = (thicknessMetres: number) => ({
  layers: [{ kind: 'BULK', material: 'wool', thicknessMetres, wet: false, emissivity: null }],
  measuredTransmittance: null,
})
const like = (until: string | null, change: object = {}) =>
  ({
    until,
    houseId: null,
    design: { ...starts[0]!.design, ...change },
    probes: [{ id: 'p', kind: 'STORE', name: 'core', radiusFraction: 0, heightFraction: 0.5 }],
  }) as unknown as Arrangement

const bare = like('2026-01-10T10:00:00Z')
const wrapped = like('2026-01-13T10:00:00Z', { side: layer(0.05) })
const lidded = like(null, { side: layer(0.05), top: layer(0.1) })

describe('how a store was, when', () => {
  it('is told by what became otherwise', () => {
    expect(differences(bare, wrapped, wool, [])).toEqual(['side: 50 mm sheep wool'])
    expect(differences(wrapped, bare, wool, [])).toEqual(['side bare'])
    expect(differences(wrapped, lidded, wool, [])).toEqual(['top: 100 mm sheep wool'])
    const fuller = like(null, { heightMetres: 0.7 })
    expect(differences(bare, fuller, wool, [])).toEqual(['56 cm wide, 70 cm high'])
    expect(differences(bare, like(null, { floorCelsius: 9 }), wool, [])).toEqual([
      'described otherwise',
    ])
    expect(differences(bare, bare, wool, [])).toEqual([])
  })
  it('tells probes that came, went and moved', () => {
    const moved = { ...bare, probes: [{ ...bare.probes[0]!, heightFraction: 0.7 }] }
    expect(differences(bare, moved, wool, [])).toEqual(['core moved'])
    expect(differences(bare, { ...bare, probes: [] }, wool, [])).toEqual(['core taken out'])
    expect(differences({ ...bare, probes: [] }, bare, wool, [])).toEqual(['core put in'])
  })
  it('counts for what lay in it for the most part', () => {
    const most = (from: string, to: string) =>
      mostOf([bare, wrapped, lidded], Date.parse(from), Date.parse(to))
    expect(most('2026-01-09T08:00:00Z', '2026-01-10T10:00:00Z')).toBe(0)
    expect(most('2026-01-10T10:00:00Z', '2026-01-11T10:00:00Z')).toBe(1)
    expect(most('2026-01-09T10:00:00Z', '2026-01-11T10:00:00Z')).toBe(1)
    expect(most('2026-01-10T08:00:00Z', '2026-06-01T00:00:00Z')).toBe(2)
  })
  it('has a short name for each side of a trial, another for each', () => {
    expect(inShort([bare, wrapped, lidded], wool, [])).toEqual([
      'bare',
      'side covered',
      'side and top covered',
    ])
    const thicker = like(null, { side: layer(0.1) })
    expect(inShort([bare, wrapped, thicker], wool, [])).toEqual([
      'bare',
      'side: 50 mm sheep wool',
      'side: 100 mm sheep wool',
    ])
    const fuller = like(null, { heightMetres: 0.7 })
    expect(new Set(inShort([bare, fuller], wool, [])).size).toBe(2)
  })
})
