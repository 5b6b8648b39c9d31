import { describe, expect, it } from 'vitest'
import { joined, type Body } from './joins'
import { fresh, type Of } from './parts'

const bodies: Body[] = [
  { id: 'bench', name: 'Bench', led: false, water: false },
  { id: 'heap', name: 'Heap', led: true, water: false },
  { id: 'tank', name: 'Tank', led: false, water: true },
]
const store = (id: string) => ({ to: 'STORE' as const, id })
const house = { to: 'HOUSE' as const, id: null }

describe('what can be joined', () => {
  it('lets one fire heat several stores and the house, each once', () => {
    const fire = fresh('FIRE', 'bench')
    const two = joined(fire, store('tank'), bodies) as Of<'FIRE'>
    expect(two.heats.map((h) => h.id ?? 'house')).toEqual(['bench', 'house', 'tank'])
    expect(joined(two, store('tank'), bodies)).toBeNull()
    expect(joined(two, house, bodies)).toBeNull()
  })
  it('leads a circuit only through what has a pipe or is water', () => {
    const loop = fresh('CIRCUIT', 'heap')
    expect(joined(loop, store('bench'), bodies)).toBeNull()
    const more = joined(loop, store('tank'), bodies) as Of<'CIRCUIT'>
    expect(more.ends.at(-1)).toMatchObject({ kind: 'TANK', storeId: 'tank' })
    expect(joined(more, store('heap'), bodies)).toBeNull()
  })
  it('gives a circuit one end in the house, of its own kind', () => {
    const water = { ...(fresh('CIRCUIT', 'heap') as Of<'CIRCUIT'>), ends: [] }
    expect((joined(water, house, bodies) as Of<'CIRCUIT'>).ends[0].kind).toBe('RADIATOR')
    const air = { ...water, carries: 'AIR' as const }
    const open = joined(air, house, bodies) as Of<'CIRCUIT'>
    expect(open.ends[0].kind).toBe('HOUSE_AIR')
    expect(joined(open, house, bodies)).toBeNull()
  })
  it('turns a heat pump to another store, never onto what it cools', () => {
    const pump = fresh('HEAT_PUMP', 'tank') as Of<'HEAT_PUMP'>
    pump.cold = { node: 'STORE', storeId: 'heap', celsius: null }
    expect(joined(pump, store('heap'), bodies)).toBeNull()
    expect((joined(pump, house, bodies) as Of<'HEAT_PUMP'>).hot.node).toBe('HOUSE_AIR')
  })
  it('moves the sun and a heap’s own heat to another store', () => {
    const sun = fresh('SUNLIGHT', 'tank')
    expect((joined(sun, store('bench'), bodies) as Of<'SUNLIGHT'>).storeId).toBe('bench')
    expect(joined(sun, house, bodies)).toBeNull()
  })
})
