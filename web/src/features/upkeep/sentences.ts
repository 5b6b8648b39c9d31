import type { Views } from '@/shared/api/client'
import { day, massOf, percent } from '@/shared/units'

export type Task = Views['TaskView']
export type Wood = Views['WoodView']
export type Stack = Views['StackView']

const DAY_MS = 86_400_000
const seconds = (iso: string) => Date.parse(iso) / 1000
const days = (n: number) => `${n} ${n === 1 ? 'day' : 'days'}`

/** How often, in words. */
export function everyWords(t: Views['TaskDraft']): string {
  const by = [
    t.days &&
      (t.days === 365 ? 'every year' : t.days === 7 ? 'every week' : `every ${days(t.days)}`),
    t.fires && `every ${t.fires === 1 ? 'fire' : `${t.fires} fires`}`,
    t.kilograms && `every ${massOf(t.kilograms)} of wood`,
    t.month && t.dayOfMonth && `before ${dateWords(t.month, t.dayOfMonth)}`,
  ].filter(Boolean)
  return by.join(' or ')
}

export const dateWords = (month: number, dayOfMonth: number) =>
  new Date(Date.UTC(2024, month - 1, dayOfMonth)).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  })

/** Where it stands, in a few words. */
export function standsWords(t: Task, now: number, zone: string): string {
  if (!t.done.length && t.state === 'DUE') return 'never noted as done'
  if (t.dueAt) {
    const late = Math.floor((now - Date.parse(t.dueAt)) / DAY_MS)
    if (late >= 1) return `${days(late)} late`
    if (t.state === 'DUE' && late === 0) return 'due today'
  }
  if (t.state === 'DUE' || !t.dueAt) return sinceWords(t)
  const left = Math.ceil((Date.parse(t.dueAt) - now) / DAY_MS)
  return left < 60 ? `in ${days(left)}` : day(seconds(t.dueAt), zone)
}

function sinceWords(t: Task): string {
  if (t.task.fires) return `${t.fires} of ${t.task.fires} fires`
  if (t.task.kilograms) return `${massOf(t.kilograms)} of ${massOf(t.task.kilograms)}`
  return ''
}

export const dueOf = (tasks: Task[]) => tasks.filter((t) => t.state === 'DUE')

/** What is to be done first. */
export function dueSentence(tasks: Task[], now: number, zone: string): string {
  const due = dueOf(tasks)
  if (due.length) {
    const more = due.length > 1 ? ` And ${due.length - 1} more.` : ''
    return `Due: ${small(due[0].task.what)} (${standsWords(due[0], now, zone)}).${more}`
  }
  const next = tasks.filter((t) => t.dueAt ?? t.dueAtPace).sort((a, b) => when(a) - when(b))[0]
  if (!tasks.length) return 'Nothing comes round here yet.'
  return next
    ? `Nothing is due. Next: ${small(next.task.what)}, ${day(when(next) / 1000, zone)}.`
    : 'Nothing is due.'
}

const when = (t: Task) => Date.parse((t.dueAt ?? t.dueAtPace)!)
const small = (s: string) => (/^[A-Z][a-z]/.test(s) ? s[0].toLowerCase() + s.slice(1) : s)

const monthOf = (iso: string) =>
  new Date(iso).toLocaleDateString('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' })

/** Whether the dry wood lasts. */
export function woodSentence(w: Wood): string {
  if (!w.stacks.length) return 'No wood is stacked here.'
  const dry = w.readyKilograms > 0.5 ? `${massOf(w.readyKilograms)} of dry wood` : 'No dry wood'
  const a = w.asked
  if (!a) return `${dry}. Three weighed fires of a season would tell what it asks.`
  const asks = `${massOf(a.kilograms)} (${massOf(a.low)} to ${massOf(a.high)}) that is asked until ${monthOf(a.until)}`
  if (w.readyKilograms >= a.high) return `${dry} is enough: more than the ${asks}.`
  if (w.readyKilograms >= a.kilograms) return `${dry} is just enough for the ${asks}.`
  const next = w.stacks
    .filter((s) => s.moisture > w.dryEnough && s.ready && s.kilograms > 1)
    .sort((x, y) => x.ready!.localeCompare(y.ready!))[0]
  const then = next ? ` ${next.name} is dry enough in ${monthOf(next.ready!)}.` : ''
  return `${dry}, too little for the ${asks}.${then}`
}

/** What to bring in for the next days, and from where. */
export function carrySentence(w: Wood): string | null {
  const a = w.asked
  const from = w.stacks.find((s) => s.moisture <= w.dryEnough && s.kilograms > 1)
  if (!a || !from || a.threeDaysKilograms < 1) return null
  const thin =
    a.kindlingKilograms >= 0.3
      ? `; split ${massOf(a.kindlingKilograms)} of it finger-thick, for lighting`
      : ''
  return `For three days carry ${massOf(a.threeDaysKilograms)} in, from ${from.name}${thin}.`
}

/** What may be amiss in the book of the wood. */
export function woodNotes(w: Wood): string[] {
  const notes = []
  if (w.missingKilograms > 1)
    notes.push(
      `${massOf(w.missingKilograms)} more was burnt than lay on any stack: one is not written down, or weighs more.`,
    )
  if (w.unweighed)
    notes.push(
      `${w.unweighed} of ${w.fires} fires ${w.unweighed === 1 ? 'was' : 'were'} logged without their wood and took nothing off.`,
    )
  return notes
}

/** A stack in a line. */
export function stackWords(s: Stack, dryEnough: number): string {
  const band =
    s.high - s.low < 0.02 ? percent(s.moisture) : `${percent(s.low)} to ${percent(s.high)}`
  const ready =
    s.moisture <= dryEnough
      ? 'dry enough'
      : s.ready
        ? `dry enough in ${monthOf(s.ready)}`
        : 'never dry enough as it lies'
  return `${massOf(s.kilograms)}, ${band} water, ${ready}`
}
