import { describe, expect, it } from 'vitest'
import { draftOf, pageOf, ready, tied, type Note } from './pages'

const note = (more: Partial<Note> = {}): Note => ({
  line: 1,
  probeId: 'core',
  name: 'core',
  at: '2026-01-12T22:40:00Z',
  typed: '61',
  celsius: 61,
  doubt: null,
  ...more,
})

describe('a page of the notebook', () => {
  it('has a line for each moment, the newest first', () => {
    const page = pageOf([
      { probeId: 'core', at: '2026-01-12T22:40:00Z', celsius: 61 },
      { probeId: 'core', at: '2026-01-13T07:00:00Z', celsius: 48 },
      { probeId: 'edge', at: '2026-01-12T22:40:00Z', celsius: 38 },
    ])
    expect(page.map((m) => m.at)).toEqual(['2026-01-13T07:00:00Z', '2026-01-12T22:40:00Z'])
    expect(page[1].celsius).toEqual({ core: 61, edge: 38 })
  })
})

describe('notes that are looked over', () => {
  it('are kept once they have probe, moment and figure', () => {
    expect(ready(draftOf(note()))).toBe(true)
    expect(ready(draftOf(note({ doubt: 'MAYBE_FAHRENHEIT' })))).toBe(true)
    expect(ready(draftOf(note({ probeId: null, doubt: 'NO_PROBE' })))).toBe(false)
    expect(ready(draftOf(note({ at: null, doubt: 'NO_TIME' })))).toBe(false)
    expect(ready(draftOf(note({ celsius: null, doubt: 'NO_FIGURE' })))).toBe(false)
  })
  it('are tied to a probe by their name on every line, and those without a name one by one', () => {
    const drafts = [
      draftOf(note({ name: 'middle', probeId: null, doubt: 'NO_PROBE' })),
      draftOf(note({ name: 'middle', probeId: null, doubt: 'NO_PROBE', line: 2 })),
      draftOf(note({ name: '', probeId: null, doubt: 'NO_PROBE', line: 3 })),
    ]
    const all = tied(drafts, drafts[0], 'core')
    expect(all.map((d) => d.probeId)).toEqual(['core', 'core', null])
    expect(all[1].doubt).toBeNull()
  })
})
