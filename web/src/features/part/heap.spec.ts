import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { coldAfter, coldSentence, giveSentence, layersOf, rhythmSentence } from './heap'

const C = { fahrenheit: false }
const rhythm = {
  watts: 200,
  of: 'horse-manure',
  feedstock: 'Horse manure',
  loadKilograms: 60,
  everyDays: 3,
  lowestCelsius: 46.2,
}

describe('feeding a heap', () => {
  it('says what, how much and how often', () => {
    expect(rhythmSentence(rhythm, C)).toBe(
      'For 200 W day and night for a fortnight feed 60 kg of horse manure today and every 3 days; on the way it is 46 °C at the coldest.',
    )
  })
  it('says that nothing is needed, or that nothing does', () => {
    expect(rhythmSentence({ ...rhythm, everyDays: 0 }, C)).toContain('nothing need be fed')
    expect(rhythmSentence({ ...rhythm, everyDays: -1, lowestCelsius: null }, C)).toContain('cold')
    expect(rhythmSentence({ ...rhythm, watts: 0, everyDays: -1 }, C)).toBe('')
  })
})

const heap = {
  keepCelsius: 45,
  rhythm,
  layers: [
    { feedstock: 'Straw', kilograms: 20, at: '2026-01-22T12:00:00Z', left: 0.9, logged: true },
    { feedstock: 'Manure', kilograms: 300, at: '2026-01-04T12:00:00Z', left: 0.4, logged: false },
    { feedstock: 'Leaves', kilograms: 100, at: '2026-01-04T09:00:00Z', left: 0.8, logged: false },
  ],
  course: { days: [0, 0.25, 2, 9], unfed: [60, 52, 44, 20] },
} as unknown as Views['HeapView']
const NOW = Date.parse('2026-01-30T16:00:00Z')

describe('a heap as it lies', () => {
  it('has what came on the same day in one layer, the oldest first', () => {
    const [old, young] = layersOf(heap)
    expect(old).toMatchObject({ kilograms: 400, of: ['Manure', 'Leaves'] })
    expect(old.left).toBeCloseTo(0.5)
    expect(young.kilograms).toBe(20)
  })
  it('tells the day on which it goes cold, or that it is', () => {
    expect(coldAfter(heap, heap.course.unfed)).toBe(2)
    expect(coldSentence(heap, NOW, 'UTC')).toContain('too cold on Sunday')
    const late = { ...heap, course: { ...heap.course, unfed: [60, 55, 50, 40] } }
    expect(coldSentence(late, NOW, 'UTC')).toContain('in 9 days')
    const now = { ...heap, course: { ...heap.course, unfed: [40, 38, 30, 20] } }
    expect(coldSentence(now, NOW, 'UTC')).toBe('')
    expect(giveSentence(now, C)).toContain('draw nothing')
  })
  it('tells what it can give, or that it has nothing to spare', () => {
    expect(giveSentence({ ...heap, drawWatts: 240 }, C)).toContain('240 W day and night')
    expect(giveSentence({ ...heap, drawWatts: 0 }, C)).toContain('nothing to spare')
  })
  it('says nothing where nothing need be fed', () => {
    const fine = { ...heap, rhythm: { ...rhythm, everyDays: 0 } }
    expect(coldSentence(fine, NOW, 'UTC')).toBe('')
    expect(coldAfter(heap, [60, 60, 60, 60])).toBeNull()
  })
})
