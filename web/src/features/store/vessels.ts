import type { Design } from './designs'

/** A vessel as people have them; inside sizes in metres, estimates of the usual ones, rounded. */
export interface Vessel {
  word: string
  litres: number
  across?: number
  length?: number
  width?: number
  height: number
}

const round = (word: string, litres: number, across: number): Vessel => ({
  word,
  litres,
  across,
  height: Math.round((litres / 1000 / ((Math.PI / 4) * across * across)) * 1000) / 1000,
})
const box = (word: string, litres: number, length: number, width: number): Vessel => ({
  word,
  litres,
  length,
  width,
  height: Math.round((litres / 1000 / (length * width)) * 1000) / 1000,
})

export const VESSELS: Vessel[] = [
  round('Jug or bottle', 5, 0.16),
  round('Bucket', 12, 0.26),
  round('Builder’s bucket', 20, 0.3),
  round('Crock', 30, 0.32),
  round('Dustbin', 80, 0.42),
  round('Barrel', 120, 0.46),
  round('Drum', 200, 0.57),
  box('Tote', 1000, 1.1, 0.92),
  box('Cold-water tank', 230, 0.9, 0.6),
  box('Trough', 150, 1.2, 0.42),
  box('Bath tub', 150, 1.35, 0.42),
  box('Crate', 60, 0.56, 0.36),
]

/** Gives a body the inside of a vessel. */
export function become(d: Design, v: Vessel) {
  d.shape = v.across ? 'CYLINDER' : 'BOX'
  if (v.across) d.diameterMetres = v.across
  else Object.assign(d, { lengthMetres: v.length, widthMetres: v.width })
  d.heightMetres = v.height
}

const floor = (d: Design) =>
  d.shape === 'CYLINDER'
    ? (Math.PI / 4) * (d.diameterMetres ?? 0) ** 2
    : (d.lengthMetres ?? 0) * (d.widthMetres ?? 0)

/** What one body holds, in litres. */
export const litresOf = (d: Design) => floor(d) * d.heightMetres * 1000

/** Filled so high that it holds so many litres. */
export function fillTo(d: Design, litres: number) {
  if (litres > 0 && floor(d) > 0) d.heightMetres = Math.round((litres / floor(d)) * 10) / 1e4
}
