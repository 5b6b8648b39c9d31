import type { Views } from '@/shared/api/client'
import { degrees, type Temperature } from '@/shared/units'
import { wordOf, type Kind, type Way } from '../log/doneKinds'
import { deedOf, upper, type Change as Retrofit } from '../next/sentences'

export type Change = Views['ChangeView']

const OUTCOME = { MADE: 'made', CHANGED: 'changed', REMOVED: 'taken away' } as const
const READING = { MADE: 'typed', CHANGED: 'put right', REMOVED: 'taken away' } as const
const EVENT = { MADE: 'logged', CHANGED: 'put right', REMOVED: 'taken away' } as const
const PERSON = { MADE: 'let in', CHANGED: 'may something else', REMOVED: 'shut out' } as const
const TASK_DONE = { MADE: 'done', CHANGED: 'put right', REMOVED: 'not done after all' } as const
const PLAN = { MADE: 'kept as a plan', CHANGED: 'made, or not', REMOVED: 'let go' } as const
const FILE = { MADE: 'read in', CHANGED: 'put right', REMOVED: 'taken out' } as const
const WHAT = {
  RUN: 'Run',
  TRIAL: 'Trial',
  PART: 'Part',
  STORE: 'Store',
  HOUSE: 'House',
  THERMOMETER: 'Thermometer',
  DEVICE: 'Logger',
  TASK: 'Task',
  WOOD: 'Stack',
} as const

/** What somebody changed, in a line. */
export function changeWords(c: Change, units: Temperature): string {
  if (c.kind === 'EVENT') {
    const [kind, way] = c.name.split(' ')
    return `${wordOf(kind as Kind, (way as Way) ?? null)}, ${EVENT[c.verb]}`
  }
  if (c.kind === 'READING') {
    if (c.count > 1) return `${c.count} readings, ${READING[c.verb]}`
    const told = [c.celsiusBefore, c.celsiusAfter]
      .filter((t) => t != null)
      .map((t) => degrees(t as number, units))
    return `${c.name}: ${told.join(' → ')}, ${READING[c.verb]}`
  }
  if (c.kind === 'IMPORT') return `File ${c.name} ${FILE[c.verb]}`
  if (c.kind === 'PLAN') {
    const [kind, amount, ...name] = c.name.split(' ')
    const of = { kind: kind as Retrofit['kind'], amount: Number(amount), name: name.join(' ') }
    return `${upper(deedOf(of, units))}: ${PLAN[c.verb]}`
  }
  if (c.kind === 'PERSON') return `${c.name} ${PERSON[c.verb]}`
  if (c.kind === 'PLACE') return `Where ${c.name} lies, changed`
  if (c.kind === 'ROUND') return `Round${c.name ? ` by ${c.name}` : ''}, taken away`
  if (c.kind === 'PHOTO') return 'Photo, taken away'
  if (c.kind === 'TASK_DONE') return `“${c.name}” ${TASK_DONE[c.verb]}`
  if (c.kind === 'BOOK') return 'Prices and own media, changed'
  return `${WHAT[c.kind]} “${c.name}” ${OUTCOME[c.verb]}`
}

/** Of one's own, newest first: what would be taken back next, and what would be made again. */
export function turns(all: Change[]): { back: Change | null; again: Change | null } {
  const own = all.filter((c) => c.mine)
  const at = own.findIndex((c) => c.undoneAt == null)
  const undone = at < 0 ? own : own.slice(0, at)
  return { back: at < 0 ? null : own[at], again: undone.at(-1) ?? null }
}
