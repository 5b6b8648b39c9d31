import { mount } from '@vue/test-utils'
import { scaleTime } from 'd3-scale'
import { describe, expect, it } from 'vitest'
import type { Doing, Possible } from '@/features/tonight/doings'
import NightRail from './NightRail.vue'

const START = Date.parse('2026-01-30T15:40:00Z') / 1000
const END = START + 16 * 3600
const lanes: Possible[] = [
  { kind: 'FIRE', storeId: 'b', storeName: 'Stone bench', usual: 6 },
  { kind: 'SCREEN', storeId: null as unknown as string, storeName: '', usual: 0 },
]
const fire: Doing = {
  kind: 'FIRE',
  storeId: 'b',
  from: new Date((START + 3600) * 1000).toISOString(),
  to: new Date(END * 1000).toISOString(),
  amount: 6,
}

function rail(doings: Doing[], still = false) {
  const w = mount(NightRail, {
    props: {
      possible: lanes,
      doings,
      x: scaleTime()
        .domain([START * 1000, END * 1000])
        .range([60, 860]),
      left: 60,
      right: 860,
      top: 0,
      lane: 30,
      start: START,
      end: END,
      dusk: START + 3600,
      zone: 'UTC',
      still,
    },
  })
  const last = () => w.emitted('change')?.at(-1) as [Doing[], boolean] | undefined
  return { w, last }
}

describe('the rail of the night', () => {
  it('offers each thing that can be done, and begins it at dusk', async () => {
    const r = rail([])
    const offers = r.w.findAll('[role=button]')
    expect(offers.map((o) => o.attributes('aria-label'))).toEqual([
      'Fire, stone bench: plan it for tonight',
      'Screen: plan it for tonight',
    ])
    await offers[0].trigger('keydown', { key: 'Enter' })
    const [doings, done] = r.last()!
    expect(done).toBe(true)
    expect(doings[0]).toMatchObject({ kind: 'FIRE', storeId: 'b', amount: 6 })
    expect(Date.parse(doings[0].from) / 1000).toBe(START + 3600)
  })
  it('moves by ten minutes, by an hour with Shift, and feeds the fire', async () => {
    const r = rail([fire])
    const handle = r.w.get('[role=slider]')
    expect(handle.attributes('aria-valuetext')).toBe('16:40, 6 kg')
    await handle.trigger('keydown', { key: 'ArrowRight' })
    expect(Date.parse(r.last()![0][0].from) / 1000).toBe(START + 3600 + 600)
    await handle.trigger('keydown', { key: 'ArrowRight', shiftKey: true })
    expect(Date.parse(r.last()![0][0].from) / 1000).toBe(START + 3600 + 3600)
    await handle.trigger('keydown', { key: 'ArrowUp' })
    expect(r.last()![0][0].amount).toBe(7)
    await handle.trigger('keydown', { key: 'Delete' })
    expect(r.last()![0]).toEqual([])
  })
  it('leaves other keys alone', async () => {
    const r = rail([fire])
    await r.w.get('[role=slider]').trigger('keydown', { key: 'Tab' })
    expect(r.last()).toBeUndefined()
  })
  it('stands still for a guest', () => {
    const r = rail([fire], true)
    expect(r.w.findAll('[role=button], [role=slider]')).toHaveLength(0)
    expect(r.w.text()).toContain('16:40, 6 kg')
  })
})
