import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { fresh, type Part, type PartDesign } from '@/features/part/parts'
import { picture } from './placePicture'

const store = (id: string, where: string, length: number, height: number, footing = 'RAISED') =>
  ({
    id,
    name: id,
    design: {
      shape: 'BOX',
      lengthMetres: length,
      widthMetres: 0.6,
      heightMetres: height,
      count: 1,
      place: { where, footing },
    },
  }) as unknown as Views['StoreView']
const part = (id: string, design: PartDesign): Part => ({
  id,
  name: id,
  houseId: 'h',
  design,
  version: 1,
})
const house = {
  id: 'h',
  name: 'House',
  design: { shape: { lengthMetres: 8, highMetres: 2.5, lowMetres: 1.5 } },
} as unknown as Views['HouseView']
const stores = [
  store('bench', 'HOUSE', 4, 0.5),
  store('bin', 'HOUSE', 1, 1),
  store('heap', 'OUTDOORS', 2, 1.2),
  store('bed', 'OUTDOORS', 2, 0.8, 'BURIED'),
]

describe('a place on one scale', () => {
  const p = picture(house, stores, [part('pump', fresh('CIRCUIT', 'heap'))], 1000)
  const drawn = (id: string) => p.stores.find((s) => s.store.id === id)!

  it('draws every store on the scale of the house', () => {
    const scale = p.house!.h / 2.5
    expect(drawn('bench').w / scale).toBeCloseTo(4)
    expect(drawn('heap').h / scale).toBeCloseTo(1.2)
  })
  it('stands stores in the house or beside it, buried ones below the ground', () => {
    const right = p.house!.x + p.house!.w
    expect(drawn('bin').x + drawn('bin').w).toBeLessThan(right)
    expect(drawn('heap').x).toBeGreaterThan(right)
    expect(drawn('bed').y).toBe(p.ground)
    expect(drawn('heap').y + drawn('heap').h).toBeCloseTo(p.ground)
  })
  it('lets nothing overlap and nothing leave the drawing', () => {
    const sorted = [...p.stores].sort((a, b) => a.x - b.x)
    sorted.slice(1).forEach((s, i) => expect(s.x).toBeGreaterThan(sorted[i].x + sorted[i].w))
    p.parts.forEach((n) => expect(n.x).toBeLessThan(p.width))
    expect(Math.max(...p.stores.map((s) => s.x + s.w))).toBeLessThan(p.width)
  })
  it('leads a circuit to its store and to a radiator in the house', () => {
    const ends = p.joints.filter((j) => j.part === 'pump')
    expect(ends.map((j) => j.fixture)).toEqual([null, 'RADIATOR'])
    expect(ends[1].x).toBeLessThan(p.house!.x + p.house!.w)
    expect(ends[0].y).toBeCloseTo(drawn('heap').y)
  })
  it('sets many sources of one store apart', () => {
    const five = Array.from({ length: 5 }, (_, i) => part(`s${i}`, fresh('ELEMENT', 'bin')))
    const xs = picture(house, stores, five, 1000)
      .parts.map((n) => n.x)
      .sort((a, b) => a - b)
    xs.slice(1).forEach((x, i) => expect(x - xs[i]).toBeGreaterThan(150))
    expect(xs[0]).toBeGreaterThan(0)
    expect(xs[4]).toBeLessThan(1000)
  })
  it('draws a house without a store, and stores without a house', () => {
    const lamps = part('lamps', fresh('FLAMES', null))
    const bare = picture(house, [], [lamps], 800)
    expect(bare.joints[0].fixture).toBe('AIR')
    expect(picture(null, stores, [], 800).house).toBeNull()
    expect(picture(null, [], [lamps], 800).joints).toEqual([])
  })
})
