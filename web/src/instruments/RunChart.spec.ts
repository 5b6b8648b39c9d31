import { mount } from '@vue/test-utils'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import RunChart from './RunChart.vue'

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  }
})

const FROM = 1768154400
const N = 49
const at = Array.from({ length: N }, (_, i) => FROM + i * 1800)
const fall = at.map((_, i) => 60 * Math.exp(-i / 30))

const run = {
  at,
  probes: [
    {
      probeId: 'p',
      name: 'core',
      measured: fall.map((t, i) => (i === 10 ? null : t + 5)),
      modelled: fall.map((t) => t + 5.2),
    },
  ],
  air: at.map(() => 4),
  mean: fall,
  meanHalfWidth: fall.map(() => 2),
  phases: [
    { kind: 'CHARGING', from: FROM, to: FROM + 28_800 },
    { kind: 'RELEASING', from: FROM + 28_800, to: at[N - 1] },
  ],
  coolDown: { from: at[20], to: at[N - 1], fitted: fall.map((t, i) => (i < 20 ? null : t)) },
  events: [
    { id: 'e', storeId: null, kind: 'LID', at: new Date(at[5] * 1000).toISOString(), note: '' },
  ],
} as unknown as Views['JudgementView']

function chart(span: [number, number] | null = null) {
  const w = mount(RunChart, { props: { run, span, units: { fahrenheit: false }, zone: 'UTC' } })
  const key = (k: string, shiftKey = false) => w.get('svg').trigger('keydown', { key: k, shiftKey })
  return { w, key, span: () => w.emitted('update:span')?.at(-1)?.[0] as [number, number] | null }
}

describe('a run’s chart', () => {
  it('names phases, curves and what was done', () => {
    const text = chart().w.text()
    for (const word of ['charging', 'releasing', 'core', 'whole store', 'air', 'lid'])
      expect(text).toContain(word)
  })
  it('sets notes that would run into each other one below the other', () => {
    const near = [5, 6, 44].map((i) => ({
      id: String(i),
      storeId: null,
      kind: 'DOOR',
      way: 'OPEN',
      at: new Date(at[i] * 1000).toISOString(),
      note: i === 6 ? '' : 'Barrow out, arms full.',
    }))
    const w = mount(RunChart, {
      props: {
        run: { ...run, events: near } as never,
        span: null,
        units: { fahrenheit: false },
        zone: 'UTC',
      },
    })
    const y = w.findAll('.event text').map((t) => Number(t.attributes('y')))
    expect(new Set(y).size).toBe(2)
    expect(w.text()).toContain('door open')
  })
  it('draws what was read while nothing is judged yet', () => {
    const unjudged = { at, probes: [{ ...run.probes[0], modelled: [] }], air: run.air }
    const w = mount(RunChart, {
      props: {
        run: { ...unjudged, mean: [], meanHalfWidth: [], phases: [], events: [] },
        span: null,
        units: { fahrenheit: false },
        zone: 'UTC',
      },
    })
    expect(w.get('path.measured').attributes('d')).not.toBe('')
    expect(w.html()).not.toContain('NaN')
    expect(w.text()).not.toContain('whole store')
  })
  it('breaks a curve where nothing was read', () => {
    const d = chart().w.get('path.measured').attributes('d')!
    expect(d.match(/M/g)).toHaveLength(2)
  })
  it('comes closer to half the time, and back to the whole', async () => {
    const c = chart()
    await c.key('+')
    const [a, b] = c.span()!
    expect(b - a).toBeCloseTo((at[N - 1] - FROM) / 2, -2)
    const near = chart([a, b])
    await near.key('-')
    expect(near.span()).toBeNull()
    await near.key('Escape')
    expect(near.span()).toBeNull()
  })
  it('reads out what lies under the cursor', async () => {
    const c = chart()
    await c.key('ArrowRight', true)
    expect(c.w.get('[aria-live]').text()).toMatch(
      /whole store [\d.]+ °C · core [\d.]+ °C · air 4.0/,
    )
  })
  it('never shows a stretch outside the run', async () => {
    const c = chart([FROM, FROM + 3600])
    await c.key('-')
    expect(c.span()![0]).toBe(FROM)
  })
})
