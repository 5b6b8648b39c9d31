import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import TrialOverlay from './TrialOverlay.vue'

const side = (name: string, end: number) => ({
  name,
  fair: { readingCelsius: end, readingLow: end - 1, readingHigh: end + 1 },
  curve: [60, end],
  low: [60, end - 1],
  high: [60, end + 1],
  runs: [{ runId: name, silent: '', at: [0, 3600], celsius: [59.5, end] }],
})
const sheet = {
  excessKelvin: 55,
  airCelsius: 5,
  seconds: 36_000,
  at: [0, 36_000],
  sides: [side('bare', 30), side('wrapped', 31), { ...side('short', 0), fair: null }],
} as unknown as Views['TrialSheet']
const overlay = () => mount(TrialOverlay, { props: { sheet, units: { fahrenheit: false } } })

describe('runs laid over each other', () => {
  it('begins all sides at one place and leaves out one that tells nothing', () => {
    const curves = overlay().findAll('.curve')
    expect(curves).toHaveLength(2)
    expect(curves[0].attributes('d')!.split('L')[0]).toBe(curves[1].attributes('d')!.split('L')[0])
  })
  it('keeps words of sides that end close apart', () => {
    const at = overlay()
      .findAll('.name')
      .map((n) => Number(n.attributes('y')))
    expect(Math.abs(at[0] - at[1])).toBeGreaterThanOrEqual(42)
  })
  it('tells the sides’ dots apart by shape', () => {
    const dots = overlay().findAll('.dot')
    expect(dots[0].attributes('d')).toContain('L')
    expect(dots.at(-1)!.attributes('d')).toContain('h6')
  })
})
