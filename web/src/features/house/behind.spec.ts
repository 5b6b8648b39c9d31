import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { behindOf, behindWord, put } from './behind'

const wall = (over: Partial<Views['Part']> = {}): Views['Part'] => ({
  name: 'Back',
  looks: 'OUT',
  areaSquareMetres: 8,
  transmittance: 2,
  material: 'stone-wall',
  tiltDegrees: 90,
  azimuthDegrees: 0,
  beyondCelsius: null as unknown as number,
  earthMetres: null as unknown as number,
  secondSkin: false,
  wallMedium: null as unknown as string,
  wallMetres: null as unknown as number,
  ...over,
})

describe('what lies behind a part', () => {
  it('is one thing only', () => {
    const p = wall()
    put(p, 'ROOM', 16)
    expect([behindOf(p), p.beyondCelsius, p.looks]).toEqual(['ROOM', 16, 'SHELTERED'])
    put(p, 'EARTH', 16)
    expect([behindOf(p), p.beyondCelsius, p.earthMetres]).toEqual(['EARTH', null, 1])
    expect(behindWord(p)).toBe('earth behind it')
  })
  it.each([
    [90, 'OUT'],
    [0, 'UP'],
  ])('looks again as it is tilted in the open: %d', (tiltDegrees, looks) => {
    const p = wall({ tiltDegrees, looks: 'SHELTERED', earthMetres: 1 })
    put(p, 'OPEN', 16)
    expect([behindOf(p), p.looks]).toEqual(['OPEN', looks])
  })
  it('keeps what was said when it is chosen again', () => {
    const p = wall({ earthMetres: 1.4 })
    put(p, 'EARTH', 16)
    expect(p.earthMetres).toBe(1.4)
  })
})
