import { radiator, storesOf, tank, through, toHouse, toStore, type PartDesign } from './parts'

/** Something that a source or a circuit may be led to. */
export type Target = { to: 'STORE' | 'CIRCUIT'; id: string } | { to: 'HOUSE'; id: null }

/** A store as a circuit sees it. */
export interface Body {
  id: string
  name: string
  /** Whether something is led through it. */
  led: boolean
  water: boolean
}

const IN_HOUSE = ['RADIATOR', 'UNDER_FLOOR', 'HOUSE_AIR']

/** The design with one thing more joined to it; null where the two cannot be joined. */
export function joined(d: PartDesign, t: Target, bodies: Body[]): PartDesign | null {
  switch (d.kind) {
    case 'SUNLIGHT':
    case 'HEAP':
      return t.to === 'STORE' && t.id !== d.storeId ? { ...d, storeId: t.id } : null
    case 'CIRCUIT': {
      if (t.to === 'HOUSE')
        return d.ends.some((e) => IN_HOUSE.includes(e.kind))
          ? null
          : { ...d, ends: [...d.ends, d.carries === 'AIR' ? { kind: 'HOUSE_AIR' } : radiator(60)] }
      const body = t.to === 'STORE' ? bodies.find((b) => b.id === t.id) : undefined
      if (!body || storesOf(d).includes(body.id) || !(body.led || body.water)) return null
      return { ...d, ends: [...d.ends, body.led ? through(body.id) : tank(body.id)] }
    }
    case 'ANIMALS':
      return null
    case 'HEAT_PUMP': {
      const node = t.to === 'STORE' ? 'STORE' : 'HOUSE_AIR'
      const there = (n: typeof d.hot) =>
        n.node === node && (node === 'HOUSE_AIR' || n.storeId === t.id)
      if (t.to === 'CIRCUIT' || there(d.hot) || there(d.cold)) return null
      return { ...d, hot: { node, storeId: t.id as string, celsius: null } }
    }
    default: {
      if (d.heats.some((h) => h.to === t.to && (t.to === 'HOUSE' || h.id === t.id))) return null
      if (t.to === 'HOUSE') return { ...d, heats: [...d.heats, toHouse()] }
      if (t.to === 'STORE') return { ...d, heats: [...d.heats, toStore(t.id)] }
      return {
        ...d,
        heats: [...d.heats, { to: 'CIRCUIT', id: t.id, share: null }],
      }
    }
  }
}
