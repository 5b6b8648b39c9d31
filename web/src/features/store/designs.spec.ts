import { sidesOf } from '@/shared/body'
import { describe, expect, it } from 'vitest'
import { storesOf } from '../part/parts'
import { led, starts } from './designs'

describe('bodies to start from', () => {
  it('are told apart by key and word', () => {
    expect(new Set(starts.map((s) => s.key)).size).toBe(starts.length)
    expect(new Set(starts.map((s) => s.word)).size).toBe(starts.length)
  })

  it.each(starts.map((s) => [s.key, s] as const))('%s has a size of its own shape', (_, s) => {
    const d = s.design
    expect(Math.min(sidesOf(d).length, sidesOf(d).width)).toBeGreaterThan(0)
    expect(d.chargeToCelsius).toBeGreaterThan(d.floorCelsius)
  })

  it.each(starts.map((s) => [s.key, s] as const))('%s keeps probes and heat inside', (_, s) => {
    for (const p of s.probes) {
      expect(p.radiusFraction).toBeGreaterThanOrEqual(0)
      expect(p.radiusFraction).toBeLessThanOrEqual(1)
    }
    const zone = s.design.zone
    if (zone) expect(zone.lowFraction).toBeLessThan(zone.highFraction)
  })

  it('lead a stream through whatever is charged by one', () => {
    for (const s of starts)
      if (s.parts('x').some((p) => p.kind === 'CIRCUIT')) expect(s.design.led).toBeTruthy()
  })

  it.each(starts.map((s) => [s.key, s] as const))('%s brings parts that are its own', (_, s) => {
    for (const p of s.parts('x')) expect(storesOf(p)).toContain('x')
  })
})

describe('what nobody said', () => {
  it('is null, so that the server takes the table’s', () => {
    expect(led({ way: 'BORE', carrying: 'AIR' }).lengthMetres).toBeNull()
  })
})
