import { sidesOf } from '@/shared/body'
import type { Design } from './designs'

export type Fill = NonNullable<Design['fills']>[number]

const LEAST = 0.02 // of the height

/** Half of the smaller width, m: as far as a core can reach. */
export const halfWidth = (d: Design) => {
  const { length, width } = sidesOf(d)
  return Math.min(length, width) / 2
}

/** Where the next layer from the top begins: a quarter deep, under those that are there. */
function free(fills: Fill[]): [low: number, high: number] | null {
  let high = 1
  for (const f of [...fills].sort((a, b) => b.highFraction - a.highFraction))
    if (f.highFraction > high - LEAST) high = f.lowFraction
  const below = Math.max(0, ...fills.map((f) => f.highFraction).filter((h) => h <= high))
  const low = Math.max(below, high - 0.25)
  return high - low >= LEAST ? [low, high] : null
}

/** Puts a layer on top of what it is filled with; nothing where there is no room. */
export function addLayer(d: Design, medium: string): boolean {
  const fills = (d.fills ??= [])
  const room = free(fills)
  if (!room) return false
  fills.push({ medium, reachFraction: 1, lowFraction: room[0], highFraction: room[1] })
  return true
}

/** Leaves a firebox in the lower half, where nothing else lies. */
export function addHollow(d: Design): boolean {
  const fills = (d.fills ??= [])
  const high = Math.min(0.5, ...fills.map((f) => f.lowFraction))
  if (high - 0.1 < LEAST) return false
  fills.push({ medium: null, reachFraction: 0.5, lowFraction: 0.1, highFraction: high })
  return true
}

export const isLayer = (f: Fill) => f.reachFraction >= 1

/** Between their neighbours, so that no two lie in one part. */
export const within = (v: number | null, low: number, high: number, otherwise: number) =>
  v == null || !Number.isFinite(v) ? otherwise : Math.min(high, Math.max(low, v))
