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
  /** Whether something new is made by it, which is shown once it is sent. */
  made?: boolean
  /** Of what it took the place of one may have arrived unheard: the last bodies. */
  instead?: (string | Blob)[]
  /** In the grower's words, for the list of what waits. */
  what: string
  /** Who typed it: it goes out under no other name. */
  by?: { id: string; name: string }
  refused?: string
}

const AGAIN_MS = 5000
const PATIENCE_MS = 60_000 // where there is no signal nothing may end for minutes
const SOON_MS = 300 // another flush was under way
const UNHEARD = 4 // bodies that one entry may have taken the place of
const OWN = 100 // versions remembered

export const waiting = ref<Waiting[]>([])
/** Grows each time something has gone out. */
export const sent = ref(0)
/** Grows each time something that pages show was changed or made by it. */
export const changed = ref(0)
export const trouble = ref('')
/** Who is signed in here. */
export const sender = ref<{ id: string; name: string } | null>(null)

export const ofAnother = (w: Waiting) => !!w.by && w.by.id !== sender.value?.id

async function look() {
  waiting.value = await (await open()).getAll('outbox')
}

/**
 * Versions over which a change was kept here, with their path, and what each became when it went out:
 * empty while it waits. The newest last; in the browser's database, so that a page that is opened
 * anew, or another one, knows its own change from somebody else's.
 */
export type Own = [over: string, became: string][]

const key = (path: string, etag: string) => `${path} ${etag}`

export const noted = (own: Own, path: string, etag: string, became: string): Own =>
  [...own.filter(([o]) => o !== key(path, etag)), [key(path, etag), became] as Own[0]].slice(-OWN)

/** The version that one's own changes made of it, or null where there was none. */
export function became(own: Own, path: string, etag: string): string | null {
  const next = own.find(([o, b]) => o === key(path, etag) && b)?.[1]
  return next && next !== etag ? (became(own, path, next) ?? next) : null
}

export const ownChanges = async () => (await kept<Own>('own')) ?? []

/** Whether an earlier change of it by the same hand waits: what follows goes behind it. */
export async function waits(path: string) {
  return (await (await open()).getAll('outbox')).some(changeOf(path))
}

/** Whether anything of the one who is here waits: what may build on it goes behind it. */
export async function anyWaits() {
  return (await (await open()).getAll('outbox')).some((w) => !w.refused && !ofAnother(w))
}

const changeOf = (path: string) => (w: Waiting) =>
  w.path === path && !!w.etag && !w.refused && !ofAnother(w)

/** Keeps an entry, and what is to be kept with it, both or neither. */
export async function add(
  entry: Omit<Waiting, 'seq' | 'refused' | 'by' | 'instead'>,
  beside?: { key: string; value: unknown },
) {
  const tx = (await open()).transaction(['outbox', 'kept'], 'readwrite')
  const [outbox, keeps] = [tx.objectStore('outbox'), tx.objectStore('kept')]
  const by = sender.value && { by: { ...sender.value } }
  if (entry.etag) {
    const own = ((await keeps.get('own')) ?? []) as Own
    const before = (await outbox.getAll()).find(changeOf(entry.path))
    const etag = before?.etag ?? became(own, entry.path, entry.etag) ?? entry.etag
    const instead = before && [...(before.instead ?? []), before.body].slice(-UNHEARD)
    if (before) void outbox.delete(before.seq!)
    void outbox.add({ ...entry, etag, ...(instead && { instead }), ...by })
    void keeps.put(noted(own, entry.path, etag, ''), 'own')
  } else void outbox.add({ ...entry, ...by })
  if (beside) void keeps.put(JSON.parse(JSON.stringify(beside.value)), beside.key)
  await tx.done
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

type Outcome =
  | { sent: true; etag?: string }
  | { refused: string; changed?: true } // by somebody meanwhile
  | { later: string }

/** Sends it; where what it took the place of had arrived unheard, over what that became. */
export async function send(w: Waiting): Promise<Outcome> {
  const outcome = await put(w)
  if (!('changed' in outcome)) return outcome
  for (const body of [...(w.instead ?? [])].reverse()) {
    const arrived = await put({ ...w, body })
    if ('sent' in arrived && arrived.etag) return send({ ...w, etag: arrived.etag, instead: [] })
    if ('later' in arrived) return arrived
  }
  return { refused: outcome.refused }
}

async function put(w: Waiting): Promise<Outcome> {
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
  const refused = [said.detail, said.remedy].filter(Boolean).join(' ') || 'It was refused.'
  return answer.status === 412 ? { refused, changed: true } : { refused }
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

/** It is out of the box, and what it became is known, in one. */
async function gone(out: Waiting, etag?: string) {
  const tx = (await open()).transaction(['outbox', 'kept'], 'readwrite')
  const [outbox, keeps] = [tx.objectStore('outbox'), tx.objectStore('kept')]
  void outbox.delete(out.seq!)
  for (const w of onwards(await outbox.getAll(), out, etag)) void outbox.put(w)
  if (out.etag && etag) {
    const own = ((await keeps.get('own')) ?? []) as Own
    void keeps.put(noted(own, out.path, out.etag, etag), 'own')
  }
  await tx.done
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
        await gone(next, outcome.etag)
        sent.value++
        if (next.etag || next.made) changed.value++
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
