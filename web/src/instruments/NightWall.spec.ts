import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import NightWall from './NightWall.vue'

const night = (evening: string, verdict: string, lowest: number, outdoor: number | null) => ({
  evening,
  verdict,
  lowestCelsius: lowest,
  lowestAt: `${evening}T23:00:00Z`,
  outdoorLowest: outdoor as number,
  liftKelvin: 0,
  coldDegreeHours: 0,
  done: [],
  seen: verdict === 'LOST' ? ['Ice'] : [],
  paid: [],
  model: null as { lowCelsius: number; highCelsius: number } | null,
  notBelowCelsius: null,
  unreadFrom: null,
  unreadTo: null,
})
const nights = [
  night('2026-01-19', 'HELD', 4, -6),
  night('2026-01-20', 'LOST', -1.7, -8),
  night('2026-01-21', 'CLOSE', 2.5, null),
]
const wall = (chosen = '', of = nights) =>
  mount(NightWall, {
    props: { nights: of, stand: 'plants stand', limit: 2, units: { fahrenheit: false }, chosen },
    attachTo: document.body,
  })

describe('the wall of nights', () => {
  it('tells verdicts apart by shape: a roof closed or broken', () => {
    const roofs = wall().findAll('.night .roof')
    expect(roofs[0].attributes('d')).toContain('Z')
    expect(roofs[1].attributes('d')).not.toContain('Z')
    expect(roofs[2].attributes('d')).toContain('Z')
  })
  it('stands warmer nights higher and the lost one under the limit', () => {
    const stems = wall().findAll('.night .stem')
    const top = (i: number) => Number(stems[i].attributes('d')!.split('V')[1])
    const limit = Number(
      wall()
        .find('.limit')
        .attributes('d')!
        .match(/ ([\d.]+) H/)![1],
    )
    expect(top(0)).toBeLessThan(limit)
    expect(top(1)).toBeGreaterThan(limit)
  })
  it('draws no foot where nobody read outdoors', () => {
    expect(wall().findAll('.night .foot')).toHaveLength(2)
  })
  it('gives no roof to a night that nobody looked through, but the stretch of its low', () => {
    const unknown = {
      ...night('2026-01-22', 'UNKNOWN', 6, -5),
      model: { lowCelsius: -1, highCelsius: 3 },
    }
    const w = wall('', [...nights, unknown])
    const last = w.findAll('.night')[3]
    expect(last.find('.roof').exists()).toBe(false)
    expect(last.text()).toContain('?')
    expect(last.attributes('aria-label')).toBe('2026-01-22: not known')
    const [from, to] = last
      .find('.stem')
      .attributes('d')!
      .match(/[\d.]+/g)!
      .slice(1)
      .map(Number)
    const limit = Number(
      w
        .find('.limit')
        .attributes('d')!
        .match(/ ([\d.]+) H/)![1],
    )
    expect(from).toBeGreaterThan(limit)
    expect(to).toBeLessThan(limit)
  })
  it('is one stop of the tab key and walked by arrows', async () => {
    const w = wall('2026-01-20')
    const stops = w.findAll('.night').map((n) => n.attributes('tabindex'))
    expect(stops).toEqual(['-1', '0', '-1'])
    await w.findAll('.night')[1].trigger('keydown', { key: 'ArrowRight' })
    expect(w.emitted('choose')![0]).toEqual(['2026-01-21'])
    await w.findAll('.night')[1].trigger('keydown', { key: 'Home' })
    expect(w.emitted('choose')![1]).toEqual(['2026-01-19'])
    await w.findAll('.night')[2].trigger('keydown', { key: 'ArrowRight' })
    expect(w.emitted('choose')).toHaveLength(2)
  })
  it('says verdict and low to those who do not see', () => {
    expect(wall().findAll('.night')[1].attributes('aria-label')).toBe('2026-01-20: lost, −1.7 °C')
  })
})
