import { mount } from '@vue/test-utils'
import { scaleTime } from 'd3-scale'
import { describe, expect, it } from 'vitest'
import { lanes, type Doing } from '@/features/tonight/doings'
import type { Views } from '@/shared/api/client'
import NightRail from './NightRail.vue'

const START = Date.parse('2026-01-30T15:40:00Z') / 1000
const END = START + 16 * 3600
const iso = (s: number) => new Date(s * 1000).toISOString()
const night = {
  possible: [{ kind: 'LOAD', of: 'f', name: 'Hearth', part: 'FIRE', usual: 6 }],
  parts: [
    {
      id: 'h',
      name: 'Gas heater',
      kind: 'HEATER',
      byItself: true,
      runSeconds: 7200,
      starts: 5,
      heatJoules: 7.2e6,
      watts: [0, 3000, 3000, 0, 3000],
    },
  ],
  advice: null,
  at: [START, END],
} as unknown as Views['TonightView']
const fire: Doing = {
  kind: 'LOAD',
  of: 'f',
  from: iso(START + 3600),
  to: iso(START + 3600),
  amount: 6,
}

function rail(doings: Doing[], still = false) {
  const w = mount(NightRail, {
    props: {
      lanes: lanes(night, doings).shown,
      doings,
      moments: [0, 1, 2, 3, 4].map((i) => (START + i * 3600) * 1000),
      x: scaleTime()
        .domain([START * 1000, END * 1000])
        .range([60, 860]),
      left: 60,
      right: 860,
      top: 0,
      lane: 30,
      start: START,
      end: END,
      zone: 'UTC',
      still,
    },
  })
  const last = () => w.emitted('change')?.at(-1) as [Doing[], boolean] | undefined
  return { w, last }
}

describe('the rail of the night', () => {
  it('fills a lane where a machine ran by itself, and says how long', () => {
    const r = rail([])
    expect(r.w.findAll('.ran')).toHaveLength(2)
    expect(r.w.text()).toContain('Gas heater by itself: on 5 times, 2 h, gives 2.00 kWh')
  })
  it('moves by ten minutes, by an hour with Shift, and feeds the fire', async () => {
    const r = rail([fire])
    const handle = r.w.get('[role=slider]')
    expect(handle.attributes('aria-valuetext')).toBe('16:40 6 kg')
    await handle.trigger('keydown', { key: 'ArrowRight' })
    expect(Date.parse(r.last()![0][0].from) / 1000).toBe(START + 3600 + 600)
    await handle.trigger('keydown', { key: 'ArrowRight', shiftKey: true })
    expect(Date.parse(r.last()![0][0].from) / 1000).toBe(START + 3600 + 3600)
    await handle.trigger('keydown', { key: 'ArrowUp' })
    expect(r.last()![0][0].amount).toBe(7)
    await handle.trigger('keydown', { key: 'Delete' })
    expect(r.last()![0]).toEqual([])
  })
  it('offers bypass and damper on a fire that is planned', async () => {
    const r = rail([fire])
    await r.w
      .get('[aria-label="Hearth: bypass open at first"]')
      .trigger('keydown', { key: 'Enter' })
    expect(r.last()![0].map((d) => d.kind)).toEqual(['LOAD', 'BYPASS'])
    await r.w.get('[aria-label="Hearth: not tonight"]').trigger('keydown', { key: 'Enter' })
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
    expect(r.w.text()).toContain('16:40 6 kg')
  })
})
