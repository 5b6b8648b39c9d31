import { describe, expect, it } from 'vitest'
import { place } from './designs'
import { facesToHouse, footingsOf, settled } from './places'

describe('where a store can stand', () => {
  it('offers no earth heaped over it indoors and nothing under another room', () => {
    expect(footingsOf(place('HOUSE', 'RAISED')).map((f) => f.value)).not.toContain('EARTH_COVERED')
    expect(footingsOf(place('ROOM', 'RAISED')).map((f) => f.value)).toEqual(['RAISED', 'ON_GROUND'])
  })
  it('drops what cannot be when the place changes', () => {
    const out = { ...place('OUTDOORS', 'EARTH_COVERED'), openToHouse: ['SIDE' as const] }
    expect(settled({ ...out, where: 'HOUSE' })).toMatchObject({
      footing: 'ON_GROUND',
      openToHouse: [],
    })
  })
  it('lets a foot look into the house only where it is raised', () => {
    expect(facesToHouse(place('OUTDOORS', 'RAISED'))).toContain('FOOT')
    expect(facesToHouse(place('OUTDOORS', 'ON_GROUND'))).not.toContain('FOOT')
    expect(facesToHouse(place('OUTDOORS', 'BURIED'))).toEqual([])
  })
})
