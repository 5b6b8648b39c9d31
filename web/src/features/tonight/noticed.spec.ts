import { describe, expect, it } from 'vitest'
import { SI } from '@/shared/units'
import { remark, type Remark } from './noticed'

const of = (rule: Remark['rule'], seen: number, against: number): Remark => ({
  rule,
  of: 'a',
  name: 'Lean-to',
  seen,
  against,
  at: '2026-01-30T19:30:00Z',
})

describe('what a friend would say', () => {
  it('has what was read, why, and what to do', () => {
    const loop = remark(of('LOOP_FIGURES', 4100, 2000), SI, 'UTC')
    expect(loop).toContain('Lean-to carries 4.1 kW')
    expect(loop).toContain('gives 2.0 kW at most')
    expect(remark(of('HEAP_LIGHT', 700, 1900), SI, 'UTC')).toContain('weighs 1.9 t')
    expect(remark(of('FLOW_MATTERS', 3, 1.2), SI, 'UTC')).toContain('coldest is 1.8 K lower')
    expect(remark(of('HEATER_TOO_SMALL', 2200, 1100), SI, 'UTC')).toContain('asks 2.2 kW')
  })
  it('tells by which day a heap is drawn too cold', () => {
    expect(remark(of('HEAP_OVERDRAWN', 38, 55), SI, 'UTC')).toContain(
      'cools Lean-to to 38.0 °C at its hottest by Friday 19:30; left alone it would be at 55.0 °C',
    )
  })
  it('tells the hour of what has one, in the reader’s units', () => {
    const warm = remark(of('EVENING_TOO_WARM', 34, 30), { ...SI, fahrenheit: true }, 'UTC')
    expect(warm).toContain('93.2 °F at 19:30')
    expect(remark(of('CHARGE_TODAY', 1, 2), SI, 'UTC')).toContain(
      'before the coming dawn, at 19:30',
    )
  })
})
