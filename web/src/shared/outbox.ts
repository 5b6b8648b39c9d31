import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { ref } from 'vue'
import { token } from './api/client'

/**
 * What is typed without signal: kept in the browser's own database, sent in order and once each when
 * the signal returns. Every entry carries an id made here, so that one sent twice is the same to the
 * server. What the server refuses stays here with its reason and does not hold up the rest.
 */
export interface Waiting {
  seq?: number
  method: 'PUT' | 'POST'
  path: string
  kind: 'json' | 'bytes'
  body: string | Blob
  /** In the grower's words, for the list of what waits. */
  what: string
  /** Who typed it: it goes out under no other name. */
  by?: { id: string; name: string }
  refused?: string
}

interface Schema extends DBSchema {
  outbox: { key: number; value: Waiting }
  kept: { key: string; value: unknown }
}

const AGAIN_MS = 5000
const SOON_MS = 300 // another flush was under way

let database: Promise<IDBPDatabase<Schema>> | null = null
const open = () =>
  (database ??= openDB<Schema>('night-bank', 1, {
    upgrade(db) {
      db.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true })
      db.createObjectStore('kept')
    },
  }))

export const waiting = ref<Waiting[]>([])
/** Grows each time something has gone out. */
export const sent = ref(0)
export const trouble = ref('')
/** Who is signed in here. */
export const sender = ref<{ id: string; name: string } | null>(null)

export const ofAnother = (w: Waiting) => !!w.by && w.by.id !== sender.value?.id

async function look() {
  waiting.value = await (await open()).getAll('outbox')
}

/** Keeps an entry, and what is to be kept with it, both or neither. */
export async function add(
  entry: Omit<Waiting, 'seq' | 'refused' | 'by'>,
  beside?: { key: string; value: unknown },
) {
  const tx = (await open()).transaction(['outbox', 'kept'], 'readwrite')
  await Promise.all([
    tx.objectStore('outbox').add({ ...entry, ...(sender.value && { by: { ...sender.value } }) }),
    beside && tx.objectStore('kept').put(JSON.parse(JSON.stringify(beside.value)), beside.key),
    tx.done,
  ])
  await look()
  void flush()
}

export async function forget(seq: number) {
  await (await open()).delete('outbox', seq)
  await look()
}

export async function keep(key: string, value: unknown) {
  await (await open()).put('kept', JSON.parse(JSON.stringify(value)), key)
}

export async function kept<T>(key: string): Promise<T | undefined> {
  return (await (await open()).get('kept', key)) as T | undefined
}

export async function drop(key: string) {
  await (await open()).delete('kept', key)
}

type Outcome = { sent: true } | { refused: string } | { later: string }

export async function send(w: Waiting): Promise<Outcome> {
  let answer: Response
  try {
    answer = await fetch(w.path, {
      method: w.method,
      body: w.body,
      headers: {
        'Content-Type': w.kind === 'json' ? 'application/json' : 'application/octet-stream',
        'X-XSRF-TOKEN': decodeURIComponent(token() ?? ''),
      },
    })
  } catch {
    return { later: 'no signal' }
  }
  if (answer.ok) return { sent: true }
  if (answer.status === 401) return { later: 'signed out' }
  if (answer.status === 403 && (await told(answer)).code === 'no-token')
    return { later: 'not let in yet' }
  if (answer.status === 429 || answer.status >= 500) return { later: 'the program is busy' }
  const said = await told(answer)
  return { refused: [said.detail, said.remedy].filter(Boolean).join(' ') || 'It was refused.' }
}

type Told = { code?: string; detail?: string; remedy?: string }

async function told(answer: Response): Promise<Told> {
  return (await answer
    .clone()
    .json()
    .catch(() => ({}))) as Told
}

let timer = 0

/** Sends what waits, in order, what comes in meanwhile too; one tab at a time. */
export async function flush(): Promise<void> {
  window.clearTimeout(timer)
  const later = await exclusively(async () => {
    const db = await open()
    for (;;) {
      const next = (await db.getAll('outbox')).find((w) => !w.refused && !ofAnother(w))
      if (!next) return ''
      const outcome = await send(next)
      if ('later' in outcome) return outcome.later
      if ('refused' in outcome) await db.put('outbox', { ...next, refused: outcome.refused })
      else {
        await db.delete('outbox', next.seq!)
        sent.value++
      }
      await look()
    }
  })
  await look()
  const more = waiting.value.some((w) => !w.refused && !ofAnother(w))
  if (later !== null) trouble.value = later
  if (more) timer = window.setTimeout(() => void flush(), later ? AGAIN_MS : SOON_MS)
}

/** Null when another tab is at it. */
async function exclusively<T>(work: () => Promise<T>): Promise<T | null> {
  if (!navigator.locks) return work()
  return navigator.locks.request('outbox', { ifAvailable: true }, (lock) =>
    lock ? work() : Promise.resolve(null),
  )
}

export function watchSignal() {
  window.addEventListener('online', () => void flush())
  document.addEventListener('visibilitychange', () => {
    if (!document.hidden) void flush()
  })
  void flush()
}
