import { describe, expect, it } from 'vitest'
import { wordOf, words } from './words'

const all = words.flatMap((s) => s.words)

describe('the words', () => {
  it('have each an id of their own and a meaning in a sentence', () => {
    expect(new Set(all.map((w) => w.id)).size).toBe(all.length)
    for (const w of all) {
      expect(w.says, w.word).toMatch(/^[A-Z].*\.$/)
      expect(w.says.length, w.word).toBeLessThan(300)
    }
  })
  it('are found, and asking for one that is not there is a fault', () => {
    expect(wordOf('spent-early').word).toBe('spent early')
    expect(() => wordOf('nothing')).toThrow('no word nothing')
  })
})
