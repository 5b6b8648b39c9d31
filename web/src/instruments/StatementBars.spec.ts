import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import StatementBars from './StatementBars.vue'

const day = (evening: string, kwh: [number, number, number, number, number]) => {
  const [charged, delivered, early, lost, balance] = kwh.map((k) => k * 3.6e6)
  return { evening, charged, delivered, early, lost, residual: 0, balance }
}
const bars = (...days: ReturnType<typeof day>[]) => mount(StatementBars, { props: { days } })
const heights = (w: ReturnType<typeof bars>, css: string) =>
  w.findAll(`rect.${css}`).map((r) => Number(r.attributes('height')))

describe('a statement day by day', () => {
  it('draws in and out to one scale', () => {
    const w = bars(day('2026-01-20', [10, 5, 2, 3, 20]), day('2026-01-21', [5, 5, 0, 0, 20]))
    const [first, second] = heights(w, 'charged')
    expect(first).toBeCloseTo(2 * second, 6)
    const out = ['delivered', 'early', 'lost'].map((c) => heights(w, c)[0])
    expect(out.reduce((a, b) => a + b)).toBeCloseTo(first, 6)
  })
  it('lays what went out end to end under the line', () => {
    const w = bars(day('2026-01-20', [10, 5, 2, 3, 20]))
    const parts = ['delivered', 'early', 'lost'].map((c) => w.find(`rect.${c}`))
    for (const i of [1, 2])
      expect(Number(parts[i].attributes('y'))).toBeCloseTo(
        Number(parts[i - 1].attributes('y')) + Number(parts[i - 1].attributes('height')),
        6,
      )
  })
  it('leaves room for days that nobody read', () => {
    const w = bars(
      day('2026-01-20', [1, 0, 0, 0, 1]),
      day('2026-01-21', [1, 0, 0, 0, 1]),
      day('2026-01-24', [1, 0, 0, 0, 1]),
    )
    const x = w.findAll('rect.charged').map((r) => Number(r.attributes('x')))
    expect(x[2] - x[1]).toBeCloseTo(3 * (x[1] - x[0]), 6)
  })
  it('draws no bar upside down for a figure below nothing', () => {
    const w = bars(day('2026-01-20', [-1, -2, 1, 0, -3]))
    expect(heights(w, 'charged')).toEqual([0])
    expect(heights(w, 'delivered')).toEqual([0])
  })
})
