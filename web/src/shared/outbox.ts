import { ref } from 'vue'
import { open } from './database'
import { token } from './token'

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
  /** The version that it changes; of several changes of one thing the newest is sent, over the first's. */
  etag?: string
  /** In the grower's words, for the list of what waits. */
  what: string
  /** Who typed it: it goes out under no other name. */
  by?: { id: string; name: string }
  refused?: string
}

const AGAIN_MS = 5000
const PATIENCE_MS = 60_000 // where there is no signal nothing may end for minutes
const SOON_MS = 300 // another flush was under way

export const waiting = ref<Waiting[]>([])
/** Grows each time something has gone out. */
export const sent = ref(0)
/** Grows each time a change of something that has versions has gone out. */
export const changed = ref(0)
/** Versions over which a change went out, by path, and what they became by it. */
export const became = new Map<string, string>()
export const trouble = ref('')
/** Who is signed in here. */
export const sender = ref<{ id: string; name: string } | null>(null)

export const ofAnother = (w: Waiting) => !!w.by && w.by.id !== sender.value?.id

async function look() {
  waiting.value = await (await open()).getAll('outbox')
}

/** An earlier change of the same thing that has not gone out. */
async function takenBack(
  store: {
    getAll(): Promise<Waiting[]>
    delete(seq: number): Promise<void>
  },
  path: string,
) {
  const mine = (w: Waiting) => w.path === path && w.etag && !w.refused && !ofAnother(w)
  const before = (await store.getAll()).find(mine)
  if (before) await store.delete(before.seq!)
  return before
}

/** Keeps an entry, and what is to be kept with it, both or neither. */
export async function add(
  entry: Omit<Waiting, 'seq' | 'refused' | 'by'>,
  beside?: { key: string; value: unknown },
) {
  const tx = (await open()).transaction(['outbox', 'kept'], 'readwrite')
  const before = entry.etag ? await takenBack(tx.objectStore('outbox'), entry.path) : undefined
  await Promise.all([
    tx.objectStore('outbox').add({
      ...entry,
      ...(before && { etag: before.etag }),
      ...(sender.value && { by: { ...sender.value } }),
    }),
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

type Outcome = { sent: true; etag?: string } | { refused: string } | { later: string }

export async function send(w: Waiting): Promise<Outcome> {
  let answer: Response
  try {
    answer = await fetch(w.path, {
      signal: AbortSignal.timeout(PATIENCE_MS),
      method: w.method,
      body: w.body,
      headers: {
        'Content-Type': w.kind === 'json' ? 'application/json' : 'application/octet-stream',
        'X-XSRF-TOKEN': decodeURIComponent(token() ?? ''),
        ...(w.etag && { 'If-Match': w.etag }),
      },
    })
  } catch {
    return { later: 'no signal' }
  }
  if (answer.ok) return { sent: true, etag: answer.headers.get('ETag') ?? undefined }
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

/** What somebody typed on while it was on its way goes over what that became. */
export const onwards = (all: Waiting[], out: Waiting, etag?: string): Waiting[] =>
  etag && out.etag
    ? all
        .filter((w) => w.seq !== out.seq && !w.refused && w.path === out.path)
        .filter((w) => w.etag === out.etag && w.by?.id === out.by?.id)
        .map((w) => ({ ...w, etag }))
    : []

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
        const tx = db.transaction('outbox', 'readwrite')
        await tx.store.delete(next.seq!)
        for (const w of onwards(await tx.store.getAll(), next, outcome.etag)) await tx.store.put(w)
        await tx.done
        sent.value++
        if (next.etag) {
          if (outcome.etag) became.set(`${next.path} ${next.etag}`, outcome.etag)
          changed.value++
        }
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
