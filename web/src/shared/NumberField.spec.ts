import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import NumberField from './NumberField.vue'
import { mine, SI } from './units'

const field = (props: object) => {
  const w = mount(NumberField, {
    props: { label: 'Low', modelValue: -6, ...props } as InstanceType<typeof NumberField>['$props'],
  })
  return { w, input: w.get('input'), last: () => w.emitted('update:modelValue')?.at(-1)?.[0] }
}

describe('a number field', () => {
  it('takes comma, point and any minus', async () => {
    const f = field({})
    await f.input.setValue('14,5')
    expect(f.last()).toBe(14.5)
    await f.input.setValue('−3')
    expect(f.last()).toBe(-3)
  })
  it('keeps what is no number and says so', async () => {
    const f = field({})
    await f.input.setValue('brass')
    expect(f.last()).toBeUndefined()
    expect(f.input.element.value).toBe('brass')
    expect(f.w.text()).toContain('This is no number')
    expect(f.input.attributes('aria-invalid')).toBe('true')
  })
  it('takes barrows where it is known how heavy they are, and says what for', async () => {
    const f = field({ quantity: 'mass', density: 800, modelValue: 10 })
    await f.input.setValue('2 barrows')
    expect(f.last()).toBe(140)
    expect(f.w.text()).toContain('about 140 kg, a third either way')
    await f.input.setValue('60')
    expect(f.last()).toBe(60)
    expect(f.w.text()).not.toContain('about')
  })
  it('shows and takes the person’s own degrees', async () => {
    const f = field({ temperature: { fahrenheit: true } })
    expect(f.input.element.value).toBe('21.2')
    expect(f.w.text()).toContain('°F')
    await f.input.setValue('32')
    expect(f.last()).toBe(0)
    await f.input.setValue('10 c')
    expect(f.last()).toBe(10)
  })
  it('shows and takes the person’s own unit, and any other that is named', async () => {
    Object.assign(mine, { ...SI, mass: 'LB' })
    const f = field({ quantity: 'mass', label: 'Wood', modelValue: 10 })
    expect(f.w.text()).toContain('Wood, lb')
    expect(f.input.element.value).toBe('22.046')
    await f.input.setValue('100')
    expect(f.last()).toBeCloseTo(45.359, 3)
    await f.input.setValue('8 kg')
    expect(f.last()).toBe(8)
    await f.input.setValue('8 ft')
    expect(f.last()).toBe(8)
    expect(f.w.text()).toContain('This is no number')
    Object.assign(mine, SI)
    await f.w.setProps({ modelValue: 9 })
    expect(f.input.element.value).toBe('9')
  })
  it('is empty for nothing where nothing may be', async () => {
    const f = field({ optional: true })
    await f.input.setValue('  ')
    expect(f.last()).toBeNull()
    const strict = field({})
    await strict.input.setValue('')
    expect(strict.last()).toBeUndefined()
  })
  it('follows a value changed elsewhere but not while it is being typed', async () => {
    const f = field({})
    await f.input.setValue('7.0')
    await f.w.setProps({ modelValue: 7 })
    expect(f.input.element.value).toBe('7.0')
    await f.w.setProps({ modelValue: 9 })
    expect(f.input.element.value).toBe('9')
  })
})
