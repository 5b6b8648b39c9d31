import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { shapes } from '@/features/house/shapes'
import HouseDrawing from './HouseDrawing.vue'

const loss = (name: string, watts: number): Views['LossView'] => ({
  kind: 'SKIN',
  name,
  watts,
  convectionWatts: 0.6 * watts,
  longWaveWatts: 0.4 * watts,
  throughWatts: 0,
  dewWatts: 0,
  innerCelsius: -1,
  outerCelsius: -2,
})

function draw(kind: string, losses: Views['LossView'][] = []) {
  const shape = shapes.find((s) => s.kind === kind)!.size
  return mount(HouseDrawing, { props: { shape, parts: [], losses, selected: '' } })
}

describe('the house drawing', () => {
  it.each([
    ['LEAN_TO', ['Front', 'Roof', 'Back']],
    ['GABLE', ['Front wall', 'Front slope', 'Rear slope', 'Rear wall']],
    ['TUNNEL', ['Front half', 'Rear half']],
    ['DOME', ['Front half', 'Rear half']],
    ['FRAME', ['Front', 'Light', 'Back']],
    ['ROOM', ['Front', 'Ceiling', 'Back']],
  ])('draws every face of a %s to be touched', (kind, names) => {
    const faces = draw(kind)
      .findAll('[role=button]')
      .map((b) => b.attributes('aria-label')!.replace(/ [−\d.]+ k?W$/, ''))
    expect(faces).toEqual(names)
  })
  it('makes an arrow as wide as its watts', () => {
    const w = draw('LEAN_TO', [loss('Roof', 1000), loss('Front', 250), loss('Back', 0)])
    const width = (label: string) =>
      Number(w.get(`[aria-label^="${label}"] .heat-arrow .rim`).attributes('height'))
    expect(width('Roof') / width('Front')).toBeCloseTo(4, 1)
  })
  it('tells heat that comes in from heat that goes out', () => {
    const w = draw('LEAN_TO', [loss('Roof', 900), loss('Back', -150)])
    expect(w.get('[aria-label^="Back"] .heat-arrow').classes()).toContain('gain')
    expect(w.get('[aria-label^="Roof"] .heat-arrow').classes()).not.toContain('gain')
  })
  it('shows draughts and gaps beside the faces', () => {
    const w = draw('GABLE', [loss('Front wall', 100), loss('Door', 63)])
    expect(w.text()).toContain('Door')
    expect(w.text()).toContain('63 W')
  })
  it('says which part was touched', async () => {
    const w = draw('LEAN_TO')
    await w.get('[aria-label^="Roof"]').trigger('keydown', { key: 'Enter' })
    expect(w.emitted('select')?.[0]).toEqual(['Roof'])
  })
})
