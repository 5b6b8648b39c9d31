import { mount } from '@vue/test-utils'
import { beforeAll, describe, expect, it } from 'vitest'
import { starts } from '@/features/store/designs'
import CutAway from './CutAway.vue'

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  }
})

const drum = starts.find((s) => s.key === 'drum')!
const probes = drum.probes.map((p, i) => ({ ...p, id: `p${i}` }))

function cut(more: object = {}) {
  return mount(CutAway, {
    props: {
      design: JSON.parse(JSON.stringify(drum.design)),
      probes,
      latest: [{ probeId: 'p0', at: '2026-01-30T15:40:00Z', celsius: 91.26 }],
      section: null,
      losses: [
        { face: 'SIDE', areaSquareMetres: 1, transmittance: 9, watts: 400, thicknessMetres: 0 },
        { face: 'TOP', areaSquareMetres: 0.2, transmittance: 9, watts: 100, thicknessMetres: 0 },
      ],
      selected: 'mass',
      units: { fahrenheit: false },
      editable: true,
      ...more,
    } as InstanceType<typeof CutAway>['$props'],
  })
}

describe('the cut-away', () => {
  it('labels faces with their watts and probes with their reading', () => {
    const w = cut()
    expect(w.text()).toContain('side 400 W')
    expect(w.text()).toContain('91.3 °C')
    expect(w.get('[aria-label^="side: bare"]').attributes('role')).toBe('button')
  })
  it('is sized by arrow keys, ten times as far with Shift', async () => {
    const w = cut()
    const height = w.get('[aria-label=Height]')
    await height.trigger('keydown', { key: 'ArrowUp' })
    expect(w.emitted('resize')?.at(-1)).toEqual(['height', 0.63])
    await height.trigger('keydown', { key: 'ArrowDown', shiftKey: true })
    expect(w.emitted('resize')?.at(-1)).toEqual(['height', 0.52])
    await w.get('[aria-label=Width]').trigger('keydown', { key: 'ArrowRight' })
    expect(w.emitted('resize')?.at(-1)).toEqual(['width', 0.57])
  })
  it('moves a probe within the mass and no further', async () => {
    const w = cut()
    const edge = w.get('[aria-label^="Probe edge"]')
    await edge.trigger('keydown', { key: 'ArrowRight' })
    expect(w.emitted('place')?.at(-1)).toEqual(['p2', 0.94, 0.5])
    await edge.trigger('keydown', { key: 'ArrowUp' })
    expect(w.emitted('place')?.at(-1)).toEqual(['p2', 0.92, 0.52])
  })
  it('draws each layer in its thickness on both sides', () => {
    const design = JSON.parse(JSON.stringify(drum.design))
    design.side.layers = [
      { kind: 'BULK', material: 'straw', thicknessMetres: 0.1, wet: false },
      { kind: 'BULK', material: 'straw', thicknessMetres: 0.2, wet: true },
    ]
    const bands = cut({ design }).findAll('.band')
    expect(bands).toHaveLength(4)
    const width = (i: number) => Number(bands[i].attributes('width'))
    expect(width(2) / width(0)).toBeCloseTo(2, 5)
    expect(bands[2].attributes('fill')).toContain('wet')
  })
  it('mirrors the section about the middle', () => {
    const section = { across: 2, up: 2, celsius: [80, 20, 60, 10] }
    const w = cut({ section })
    const fills = w.findAll('.mass rect').map((r) => r.attributes('fill'))
    expect(fills.filter(Boolean).length).toBeGreaterThanOrEqual(9)
    const counted = fills.filter((f) => f === fills[1]).length
    expect(counted).toBe(2)
  })
  it('cannot be changed by a guest', () => {
    expect(cut({ editable: false }).findAll('[role=slider]')).toHaveLength(0)
  })
})
