import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import FactorScale from './FactorScale.vue'

const mounted = (value: number, low: number, high: number) =>
  mount(FactorScale, { props: { factors: [{ name: 'Skin', value, low, high }], label: 'scale' } })
const at = (w: ReturnType<typeof mounted>) => Number(w.find('circle').attributes('cx'))
const one = (w: ReturnType<typeof mounted>) =>
  Number(w.find('.one').attributes('d')!.slice(1).split(' ')[0])

describe('a scale of factors', () => {
  it('puts a factor of one on the description', () => {
    const w = mounted(1, 0.8, 1.25)
    expect(at(w)).toBeCloseTo(one(w))
  })
  it('is even in ratios: half lies as far down as double lies up', () => {
    const half = mounted(0.5, 0.4, 2.5)
    const twice = mounted(2, 0.4, 2.5)
    expect(one(half) - at(half)).toBeCloseTo(at(twice) - one(twice))
  })
  it('keeps what is off the scale on the picture', () => {
    const w = mounted(40, 0.001, 90)
    expect(at(w)).toBeLessThanOrEqual(440 - 74)
    expect(w.find('.doubt').attributes('d')).not.toContain('NaN')
  })
})
