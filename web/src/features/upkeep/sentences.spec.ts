import { describe, expect, it } from 'vitest'
import {
  carrySentence,
  dueSentence,
  everyWords,
  standsWords,
  stackWords,
  woodNotes,
  woodSentence,
  type Stack,
  type Task,
  type Wood,
} from './sentences'

const NOW = Date.parse('2026-01-29T15:00:00Z')
const by = (more: Partial<Task['task']> = {}): Task['task'] => ({
  usual: null,
  what: 'Test the smoke alarm',
  why: '',
  days: 30,
  fires: null,
  kilograms: null,
  month: null,
  dayOfMonth: null,
  ...more,
})
const task = (more: Partial<Task> = {}): Task => ({
  id: 't',
  task: by(),
  state: 'NOT_YET',
  way: 0.5,
  dueAt: '2026-02-13T15:00:00Z',
  dueAtPace: null,
  fires: 0,
  kilograms: 0,
  done: [{ id: 'd', at: '2026-01-14T15:00:00Z', note: '' }],
  ...more,
})
const stack = (more: Partial<Stack> = {}): Stack => ({
  id: 's',
  name: 'Birch',
  madeKilograms: 300,
  thicknessMetres: 0.1,
  cover: 'ROOFED',
  measured: null,
  since: '2025-03-01T00:00:00Z',
  kilograms: 180,
  moisture: 0.17,
  low: 0.16,
  high: 0.2,
  megajoules: 2700,
  ready: '2025-10-01T00:00:00Z',
  course: [],
  ...more,
})
const wood = (more: Partial<Wood> = {}): Wood => ({
  stacks: [stack()],
  dryEnough: 0.2,
  readyKilograms: 180,
  fires: 14,
  unweighed: 0,
  burntKilograms: 94,
  missingKilograms: 0,
  asked: {
    kilograms: 235,
    low: 180,
    high: 290,
    until: '2026-08-01T00:00:00Z',
    threeDaysKilograms: 12,
    kindlingKilograms: 1.4,
  },
  ...more,
})

describe('what comes round', () => {
  it('is said by each of its intervals', () => {
    expect(everyWords(by())).toBe('every 30 days')
    expect(everyWords(by({ days: 365, kilograms: 1500 }))).toBe('every year or every 1.5 t of wood')
    expect(everyWords(by({ days: null, fires: 1 }))).toBe('every fire')
    expect(everyWords(by({ days: null, month: 9, dayOfMonth: 15 }))).toBe('before 15 September')
  })
  it('says how far it is, or how late', () => {
    expect(standsWords(task(), NOW, 'UTC')).toBe('in 15 days')
    const late = task({ state: 'DUE', dueAt: '2026-01-21T10:00:00Z' })
    expect(standsWords(late, NOW, 'UTC')).toBe('8 days late')
    expect(standsWords(task({ state: 'DUE', done: [] }), NOW, 'UTC')).toBe('never noted as done')
    const fires = task({ task: by({ days: null, fires: 5 }), dueAt: null, fires: 2 })
    expect(standsWords(fires, NOW, 'UTC')).toBe('2 of 5 fires')
  })
  it('puts what is due first, else what comes next', () => {
    const late = task({ state: 'DUE', dueAt: '2026-01-21T10:00:00Z' })
    expect(dueSentence([late, late], NOW, 'UTC')).toBe(
      'Due: test the smoke alarm (8 days late). And 1 more.',
    )
    expect(dueSentence([task()], NOW, 'UTC')).toBe(
      'Nothing is due. Next: test the smoke alarm, Fri 13 Feb.',
    )
    expect(dueSentence([], NOW, 'UTC')).toBe('Nothing comes round here yet.')
  })
})

describe('wood', () => {
  it('is too little, just enough or enough for what the season asks', () => {
    expect(woodSentence(wood())).toBe(
      '180 kg of dry wood, too little for the 235 kg (180 kg to 290 kg) that is asked until August 2026.',
    )
    expect(woodSentence(wood({ readyKilograms: 240 }))).toContain('just enough')
    expect(woodSentence(wood({ readyKilograms: 400 }))).toContain('is enough')
  })
  it('names the stack that is dry next', () => {
    const wet = stack({ name: 'Ash', moisture: 0.24, ready: '2026-05-10T00:00:00Z' })
    expect(woodSentence(wood({ stacks: [stack(), wet] }))).toMatch(
      /Ash is dry enough in May 2026\.$/,
    )
  })
  it('asks nothing before three fires', () => {
    expect(woodSentence(wood({ asked: null }))).toBe(
      '180 kg of dry wood. Three weighed fires of a season would tell what it asks.',
    )
    expect(woodSentence(wood({ stacks: [] }))).toBe('No wood is stacked here.')
  })
  it('says what to carry and from where, never from what is wet', () => {
    expect(carrySentence(wood())).toBe(
      'For three days carry 12 kg in, from Birch; split 1.4 kg of it finger-thick, for lighting.',
    )
    expect(carrySentence(wood({ stacks: [stack({ moisture: 0.3 })] }))).toBeNull()
  })
  it('tells of what the book does not know', () => {
    expect(woodNotes(wood({ missingKilograms: 40, unweighed: 2 }))).toHaveLength(2)
    expect(woodNotes(wood())).toEqual([])
  })
  it('says how wet a stack may be', () => {
    expect(stackWords(stack(), 0.2)).toBe('180 kg, 16 % to 20 % water, dry enough')
    expect(stackWords(stack({ moisture: 0.3, low: 0.3, high: 0.3, ready: null }), 0.2)).toBe(
      '180 kg, 30 % water, never dry enough as it lies',
    )
  })
})
