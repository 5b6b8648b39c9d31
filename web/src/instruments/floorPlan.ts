export interface Placed {
  x: number
  y: number
  w: number
  d: number
  round: boolean
}

/**
 * Bodies set along the back wall of a floor, row by row towards the front, in metres from the back
 * left corner; as many as find room.
 *
 * @param space between bodies, as a share of their width
 */
export function placed(
  floor: { length: number; width: number },
  body: { length: number; width: number; round: boolean },
  count: number,
  space = 0.08,
): Placed[] {
  const stepX = body.length * (1 + space)
  const stepY = body.width * (1 + space)
  const inRow = Math.max(1, Math.floor((floor.length + body.length * space) / stepX))
  const rows = Math.max(1, Math.floor((floor.width + body.width * space) / stepY))
  const n = Math.min(count, inRow * rows)
  return Array.from({ length: n }, (_, i) => ({
    x: (i % inRow) * stepX,
    y: Math.floor(i / inRow) * stepY,
    w: body.length,
    d: body.width,
    round: body.round,
  }))
}
