import type { Views } from '@/shared/api/client'
import type { End, Part } from '@/features/part/parts'
import { sidesOf } from '@/shared/body'

type Store = Views['StoreView']
export interface Box {
  x: number
  y: number
  w: number
  h: number
}
export interface DrawnStore extends Box {
  store: Store
  bodies: Box[]
}
/** A line from a part to what it is joined to, with what it is. */
export interface Joint {
  key: string
  part: string
  d: string
  /** Where it ends, for an arrow and a fixture. */
  x: number
  y: number
  /** Place among a circuit's ends. */
  end: number
  fixture: End['kind'] | 'AIR' | null
}
export interface DrawnPart {
  part: Part
  x: number
  y: number
}
export interface Picture {
  width: number
  height: number
  ground: number
  house: (Box & { eave: number }) | null
  stores: DrawnStore[]
  parts: DrawnPart[]
  joints: Joint[]
}

const MARGIN = 60
const ROW = 40
const APART = 180
const across = (d: Store['design']) => sidesOf(d).length
const bodiesOf = (s: Store) => Math.min(8, s.design.count)
const wide = (s: Store) => across(s.design) * (1 + 1.12 * (bodiesOf(s) - 1))
const buried = (s: Store) => s.design.place.footing === 'BURIED'
const STANDS = ['THROUGH', 'TANK', 'HOUSE_AIR', 'RADIATOR', 'UNDER_FLOOR']

/** Circuits and heat pumps run above, sources below. */
export const isCircuit = (p: Part) => p.design.kind === 'CIRCUIT' || p.design.kind === 'HEAT_PUMP'

/** A place on one scale: the house along its length, stores where they stand, what joins them. */
export function picture(
  house: Views['HouseView'] | null,
  stores: Store[],
  parts: Part[],
  width: number,
): Picture {
  const inside = stores.filter((s) => house && s.design.place.where === 'HOUSE')
  const outside = stores.filter((s) => !inside.includes(s))
  const gap = 0.5
  const span = (list: Store[]) => list.reduce((sum, s) => sum + wide(s) + gap, gap)
  const shape = house?.design.shape
  const long = house ? Math.max(shape?.lengthMetres ?? 6, span(inside) + 1.4) : 0
  const high = house ? (shape?.highMetres ?? 2.4) : 0
  const tallest = Math.max(
    high,
    ...stores.filter((s) => !buried(s)).map((s) => s.design.heightMetres),
  )
  const metres = long + (outside.length ? span(outside) : 0)
  const scale = Math.min(
    (width - 2 * MARGIN) / Math.max(3, metres),
    190 / Math.max(1, tallest),
    110,
  )
  const circuits = parts.filter(isCircuit)
  const sources = parts.filter((p) => !isCircuit(p))
  const ground = 34 + circuits.length * ROW + tallest * scale
  let x = (width - metres * scale) / 2
  const box = house
    ? { x, y: ground - high * scale, w: long * scale, h: high * scale, eave: 0 }
    : null
  if (box) box.eave = ground - (shape?.lowMetres ?? high * 0.6) * scale
  const drawn: DrawnStore[] = []
  const put = (list: Store[], from: number) => {
    let at = from + gap * scale
    for (const s of list) {
      const w = across(s.design) * scale
      const h = s.design.heightMetres * scale
      const y = buried(s) ? ground : ground - h
      const bodies = Array.from({ length: bodiesOf(s) }, (_, i) => ({
        x: at + i * w * 1.12,
        y,
        w,
        h,
      }))
      drawn.push({ store: s, bodies, x: at, y, w: wide(s) * scale, h })
      at += (wide(s) + gap) * scale
    }
  }
  put(inside, x)
  x += long * scale
  put(outside, x)
  const deepest = Math.max(0, ...stores.filter(buried).map((s) => s.design.heightMetres * scale))
  const sourceRow = ground + deepest + 74
  const at = new Map(drawn.map((s) => [s.store.id, s]))
  const joints: Joint[] = []
  const placed: DrawnPart[] = []
  let fixtures = 0
  const indoors = () => (box ? box.x + box.w - 26 - 34 * fixtures++ : width / 2)
  let outer = 0
  const outdoors = () => 24 + 30 * outer++

  circuits.forEach((p, row) => {
    const y = 24 + row * ROW
    const ends = endsOf(p).map((e) => {
      const s = e.storeId ? at.get(e.storeId) : undefined
      if (s) return { ...e, x: s.x + s.w * (0.35 + 0.3 * (row % 2)), y: s.y }
      if (e.kind === 'UNDER_FLOOR') return { ...e, x: indoors(), y: ground }
      if (STANDS.includes(e.kind))
        return { ...e, x: indoors(), y: ground - Math.min(60, high * scale * 0.5) }
      return { ...e, x: outdoors(), y: ground - 34 }
    })
    const xs = ends.map((e) => e.x)
    const nx = xs.length ? xs.reduce((a, b) => a + b, 0) / xs.length : width / 2
    placed.push({ part: p, x: nx, y })
    ends.forEach((e, end) =>
      joints.push({
        key: `${p.id}:${end}`,
        part: p.id,
        d: `M${nx} ${y} H${e.x} V${e.y}`,
        x: e.x,
        y: e.y,
        end,
        fixture: e.storeId ? null : e.kind,
      }),
    )
  })

  const wanted = sources.map((p) => {
    const xs = receivers(p).map((id) => {
      const s = at.get(id)
      return s ? s.x + s.w / 2 : null
    })
    const known = xs.filter((v): v is number => v != null)
    const middle = box ? box.x + box.w * 0.5 : width / 2
    return { p, x: known.length ? known.reduce((a, b) => a + b, 0) / known.length : middle }
  })
  spread(wanted, width)
  for (const { p, x: nx } of wanted) {
    placed.push({ part: p, x: nx, y: sourceRow })
    receivers(p).forEach((id, end) => {
      const s = at.get(id)
      if (s) {
        const sx = Math.min(s.x + s.w - 6, Math.max(s.x + 6, nx))
        const sy = s.y + s.h
        const turn = Math.max(ground, sy) + 18
        joints.push({
          key: `${p.id}:${id}`,
          part: p.id,
          d: `M${nx} ${sourceRow} V${turn} H${sx} V${sy}`,
          x: sx,
          y: sy,
          end,
          fixture: null,
        })
      } else if (id === 'HOUSE' && box) {
        const free = gapNear(nx, drawn, box)
        joints.push({
          key: `${p.id}:house`,
          part: p.id,
          d: `M${nx} ${sourceRow} V${ground + 30} H${free} V${ground - 16}`,
          x: free,
          y: ground - 16,
          end,
          fixture: 'AIR',
        })
      } else {
        const node = placed.find((d) => d.part.id === id)
        if (node)
          joints.push({
            key: `${p.id}:${id}`,
            part: p.id,
            d: `M${nx} ${sourceRow} V${ground + 30} H${node.x} V${node.y}`,
            x: node.x,
            y: node.y,
            end,
            fixture: null,
          })
      }
    })
  }
  return {
    width,
    height: sourceRow + 62,
    ground,
    house: box,
    stores: drawn,
    parts: placed,
    joints,
  }
}

function endsOf(p: Part): { kind: End['kind']; storeId?: string }[] {
  const d = p.design
  if (d.kind === 'CIRCUIT')
    return d.ends.map((e) => ({ kind: e.kind, storeId: 'storeId' in e ? e.storeId : undefined }))
  if (d.kind !== 'HEAT_PUMP') return []
  return [d.cold, d.hot].map((n) => ({
    kind: n.node === 'STORE' ? 'TANK' : n.node === 'HELD' ? 'HELD' : n.node,
    storeId: n.node === 'STORE' ? (n.storeId ?? undefined) : undefined,
  }))
}

function receivers(p: Part): string[] {
  const d = p.design
  if ('heats' in d) return d.heats.map((h) => (h.to === 'HOUSE' ? 'HOUSE' : (h.id ?? '')))
  return 'storeId' in d && d.storeId ? [d.storeId] : []
}

/** Set apart along a line, each as near to where it would be as the others let it. */
function spread(list: { x: number }[], width: number) {
  list.sort((a, b) => a.x - b.x)
  const apart = Math.min(APART, (width - 40) / Math.max(1, list.length))
  for (let i = 1; i < list.length; i++) list[i].x = Math.max(list[i].x, list[i - 1].x + apart)
  const over = (list.at(-1)?.x ?? 0) - (width - apart / 2)
  if (over > 0) list.forEach((l) => (l.x -= over))
  for (let i = 0; i < list.length; i++) list[i].x = Math.max(list[i].x, apart / 2 + i * apart)
}

/** Where in the house nothing stands, near so far along. */
function gapNear(x: number, stores: DrawnStore[], box: Box): number {
  const inside = (v: number) => Math.min(box.x + box.w - 14, Math.max(box.x + 14, v))
  const free = (v: number) => stores.every((s) => v < s.x - 6 || v > s.x + s.w + 6)
  for (let by = 0; by < box.w; by += 6) {
    if (free(inside(x + by))) return inside(x + by)
    if (free(inside(x - by))) return inside(x - by)
  }
  return inside(x)
}
