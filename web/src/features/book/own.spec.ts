import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { freeId, kinds, type Own } from './own'
import OwnThings from './OwnThings.vue'

const units = { fahrenheit: false } as InstanceType<typeof OwnThings>['$props']['units']
const feeds = kinds.find((k) => k.kind === 'feedstocks')!

describe('what a holding has of its own', () => {
  it('gets a key that nothing else of the book has', () => {
    const taken = { media: [], insulation: [kinds[1].fresh('own-2') as never], feedstocks: [] }
    expect(freeId(taken)).toBe('own-3')
    expect(freeId({ media: [], insulation: [], feedstocks: [] })).toBe('own-1')
  })
  it.each(kinds)('asks for every figure of $kind', (k) => {
    const asked = new Set(['id', 'name', 'note', ...k.figures.map((f) => f.key)])
    expect(new Set(Object.keys(k.fresh('own-1')))).toEqual(asked)
  })
  it('shows shares in per cent and keeps them as shares', async () => {
    const list: Own[] = [feeds.fresh('own-1')]
    const w = mount(OwnThings, { props: { of: feeds, list, units, editable: true } })
    const water = w.findAll('label').find((l) => l.text().startsWith('Water in it'))!
    const field = w.get<HTMLInputElement>(`[id="${water.attributes('for')}"]`)
    expect(field.element.value).toBe('50')
    await field.setValue('62')
    await field.trigger('blur')
    expect((list[0] as unknown as { moisture: number }).moisture).toBe(0.62)
  })
})
