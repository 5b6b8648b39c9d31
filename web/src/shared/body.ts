import type { Views } from './api/client'

type Body = Pick<Views['StoreDesign'], 'shape' | 'diameterMetres' | 'lengthMetres' | 'widthMetres'>

/** Length and width of one body from above, m; a round one's diameter both ways. */
export function sidesOf(d: Body): { length: number; width: number } {
  return d.shape === 'CYLINDER'
    ? { length: d.diameterMetres ?? 0, width: d.diameterMetres ?? 0 }
    : { length: d.lengthMetres ?? 0, width: d.widthMetres ?? 0 }
}
