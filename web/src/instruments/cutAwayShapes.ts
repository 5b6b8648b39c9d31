import type { Design, FaceKey } from '@/features/store/designs'
import type { Views } from '@/shared/api/client'
import { heatColour } from '@/shared/heat'
import { sidesOf } from '@/shared/body'

/** The mass on the sheet, px, with its layers' thickness on each face. */
export interface Box {
  x: number
  y: number
  w: number
  h: number
  cx: number
  ground: number
  foot: number
  side: number
  top: number
}

export interface Rect {
  x: number
  y: number
  w: number
  h: number
}

export type Band = Rect & { face: FaceKey; kind: string; key: string }

export const faces: FaceKey[] = ['side', 'top', 'foot']

export const thicknessOf = (design: Design, face: FaceKey) =>
  (design[face]?.layers ?? []).reduce((sum, l) => sum + (l.thicknessMetres || 0), 0)

/** Width of the cut: across a round body, through the narrow way of a box. */
export const cutWidth = (d: Design) => Math.min(sidesOf(d).length, sidesOf(d).width)

/** Layers in true thickness, from the mass outwards; both sides of the cut. */
export function bandsOf(design: Design, b: Box, scale: number): Band[] {
  const list: Band[] = []
  for (const face of faces) {
    let out = 0
    for (const [i, l] of (design[face]?.layers ?? []).entries()) {
      const t = l.thicknessMetres * scale
      const kind = l.kind === 'GAP' ? 'gap' : l.wet ? 'wet' : 'bulk'
      const key = `${face}${i}`
      if (face === 'side') {
        const tall = { y: b.y - b.top, w: t, h: b.h + b.top + b.foot, face, kind }
        list.push({ ...tall, x: b.x - out - t, key: `${key}l` })
        list.push({ ...tall, x: b.x + b.w + out, key: `${key}r` })
      } else {
        const y = face === 'top' ? b.y - out - t : b.y + b.h + out
        list.push({ x: b.x, y, w: b.w, h: t, face, kind, key })
      }
      out += t
    }
  }
  return list
}

/** The section mirrored about the middle, from the foot up. */
export function cellsOf(section: Views['Section'], b: Box, hottest: number) {
  const w = b.w / 2 / section.across
  const h = b.h / section.up
  return section.celsius.flatMap((celsius, i) => {
    const out = i % section.across
    const y = b.y + b.h - (Math.floor(i / section.across) + 1) * h
    const one = { y, w: w + 0.6, h: h + 0.6, fill: heatColour(celsius, hottest) }
    return [
      { ...one, x: b.cx + out * w },
      { ...one, x: b.cx - (out + 1) * w },
    ]
  })
}

/** An arrow out of a face, as wide as its watts. */
export function arrowPath(face: FaceKey, b: Box, width: number, narrow: boolean): string {
  const w = width / 2
  const head = w + 6
  const long = narrow ? 16 : 46
  if (face === 'side') {
    const x = b.x - b.side - 8
    const y = b.y + b.h / 2
    return `M${x} ${y - w} h${-long} v${-(head - w)} l${-head * 0.9} ${head} l${head * 0.9} ${head} v${-(head - w)} h${long} z`
  }
  const up = face === 'top'
  const y = up ? b.y - b.top - 8 : b.ground + 6
  const d = up ? -1 : 1
  const run = up ? long * 0.55 : 14
  return `M${b.cx - w} ${y} v${d * run} h${-(head - w)} l${head} ${d * head * 0.8} l${head} ${-d * head * 0.8} h${-(head - w)} v${-d * run} z`
}

/** The part of the mass that its sources heat, or nothing where heat comes from everywhere. */
export function zoneOf(d: Design, b: Box): Rect[] {
  const s = d.zone
  if (!s) return []
  const skin = 0.12
  if (s.behind === 'TOP') return [{ x: b.x, y: b.y, w: b.w, h: skin * b.h }]
  if (s.behind === 'FOOT') return [{ x: b.x, y: b.y + (1 - skin) * b.h, w: b.w, h: skin * b.h }]
  if (s.behind === 'SIDE') {
    const w = (skin * b.w) / 2
    return [
      { x: b.x, y: b.y, w, h: b.h },
      { x: b.x + b.w - w, y: b.y, w, h: b.h },
    ]
  }
  if (!d.led && s.reachFraction >= 1 && s.lowFraction <= 0 && s.highFraction >= 1) return []
  const half = (s.reachFraction * b.w) / 2
  return [
    {
      x: b.cx - half,
      y: b.y + b.h * (1 - s.highFraction),
      w: 2 * half,
      h: b.h * (s.highFraction - s.lowFraction),
    },
  ]
}

const EDGE = 3 // of the body's own outline, which stays free

/** Parts with something else in them, as they are cut. */
export const fillsOf = (d: Design, b: Box): Rect[] =>
  (d.fills ?? []).map((f) => {
    const half = Math.min((f.reachFraction * b.w) / 2, b.w / 2 - EDGE)
    const top = Math.max(b.y + b.h * (1 - f.highFraction), b.y + EDGE)
    const foot = Math.min(b.y + b.h * (1 - f.lowFraction), b.y + b.h - EDGE)
    return { x: b.cx - half, y: top, w: 2 * half, h: foot - top }
  })

/** A rod's zigzag through the heated part. */
export function rodPath(zone: Rect, cx: number): string {
  const turns = 7
  let d = `M${cx} ${zone.y}`
  for (let i = 0; i < turns; i++)
    d += ` L${zone.x + zone.w * (i % 2 ? 0.15 : 0.85)} ${zone.y + ((i + 0.5) * zone.h) / turns}`
  return `${d} L${cx} ${zone.y + zone.h}`
}

/** Pipes cut across, to scale: a coil's turns in its zone, a bore in the middle. */
export function pipesOf(
  d: Design,
  zone: Rect | undefined,
  b: Box,
  scale: number,
): { x: number; y: number; r: number }[] {
  const led = d.led
  if (!led) return []
  if (led.way === 'BORE')
    return [{ x: b.cx, y: b.y + b.h / 2, r: Math.max(3, ((led.diameterMetres ?? 0) * scale) / 2) }]
  if (led.way !== 'COIL' || !zone) return []
  const step = Math.max(14, (led.spacingMetres ?? 0) * scale)
  const r = Math.max(2.5, ((led.diameterMetres ?? 0) * scale) / 2)
  const across = Math.max(1, Math.floor(zone.w / step))
  const up = Math.max(1, Math.floor(zone.h / step))
  const pipes = []
  for (let j = 0; j < up; j++)
    for (let i = 0; i < across; i++)
      pipes.push({
        x: zone.x + zone.w / 2 + (i - (across - 1) / 2) * step,
        y: zone.y + zone.h / 2 + (j - (up - 1) / 2) * step,
        r,
      })
  return pipes
}
