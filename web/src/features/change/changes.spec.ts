import { describe, expect, it } from 'vitest'
import { SI } from '@/shared/units'
import { changeWords, turns, type Change } from './changes'

const change = (id: string, more: Partial<Change> = {}): Change => ({
  id,
  at: '2026-01-12T08:00:00Z',
  by: 'Ada',
  mine: true,
  kind: 'READING',
  verb: 'MADE',
  name: 'core, bin',
  count: 1,
  celsiusBefore: null,
  celsiusAfter: 61,
  undoneAt: null,
  ...more,
})
const UNDONE = { undoneAt: '2026-01-12T09:00:00Z' }

describe('what somebody changed', () => {
  it('is told with both figures where a reading was put right', () => {
    const c = change('a', { verb: 'CHANGED', celsiusBefore: 61, celsiusAfter: 62 })
    expect(changeWords(c, SI)).toBe('core, bin: 61.0 °C → 62.0 °C, put right')
    expect(changeWords(c, { fahrenheit: true })).toContain('141.8 °F → 143.6 °F')
  })
  it('is counted where much was typed at once', () => {
    expect(changeWords(change('a', { count: 12 }), SI)).toBe('12 readings, typed')
  })
  it('has the words of the log', () => {
    expect(changeWords(change('a', { kind: 'EVENT', name: 'LID OFF' }), SI)).toBe('Lid off, logged')
    const file = change('a', { kind: 'IMPORT', verb: 'REMOVED', name: 'bin.csv' })
    expect(changeWords(file, SI)).toBe('File bin.csv taken out')
    const pal = change('a', { kind: 'PERSON', verb: 'REMOVED', name: 'Cass' })
    expect(changeWords(pal, SI)).toBe('Cass shut out')
    const walk = change('a', { kind: 'ROUND', verb: 'REMOVED', name: '' })
    expect(changeWords(walk, SI)).toBe('Round, taken away')
    const store = change('a', { kind: 'STORE', verb: 'REMOVED', name: 'Bin' })
    expect(changeWords(store, SI)).toBe('Store “Bin” taken away')
    const plan = change('a', { kind: 'PLAN', name: 'LID 1.0 Sand drum' })
    expect(changeWords(plan, SI)).toBe(
      'Put a lid on the sand drum, off at midnight: kept as a plan',
    )
    const done = change('a', { kind: 'TASK_DONE', name: 'Sweep' })
    expect(changeWords(done, SI)).toBe('“Sweep” done')
    const stack = change('a', { kind: 'WOOD', name: 'Ash' })
    expect(changeWords(stack, SI)).toBe('Stack “Ash” made')
  })
})

describe('what is taken back next', () => {
  it('is the newest of one’s own that holds', () => {
    const all = [change('c', { mine: false }), change('b', UNDONE), change('a')]
    expect(turns(all).back?.id).toBe('a')
    expect(turns(all).again?.id).toBe('b')
  })
  it('is made again in the order in which it was made', () => {
    expect(turns([change('b', UNDONE), change('a', UNDONE)]).again?.id).toBe('a')
  })
  it('is not made again once something newer was done', () => {
    expect(turns([change('c'), change('b', UNDONE), change('a')]).again).toBeNull()
  })
  it('is nothing where nothing was done', () => {
    expect(turns([])).toEqual({ back: null, again: null })
  })
})
