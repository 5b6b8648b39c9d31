import { at } from '@/shared/at'
import { ref } from 'vue'
import { forgetHeard, open, type Known } from './database'

/**
 * The one place where it is known whether the server answers. What it last said is kept in the browser and
 * told again, with its age, while it cannot be reached.
 */
const MOST = 600 // answers kept, the oldest go
const LARGEST = 4_000_000 // letters of one
const LOOK_MS = 8000
const PATIENCE_MS = 2500 // before it is asked whether the server is there at all
const SHORT_MS = 400 // the same, while it was not
const ALIVE_MS = 4000
export const AWAY = new Set([502, 503, 504])
/** Their address holds the moment at which they were asked for. */
const BY_PATH = /\/(events|notebook)$/

/** Whether the server answers. */
export const reached = ref(true)
/** The age of the oldest answer that is shown in place of a fresh one: when it was heard, in ms. */
export const oldest = ref<number | null>(null)
/** Grows when it answers again after it did not. */
export const back = ref(0)
/** Whether somebody has to sign in again. */
export const signedOut = ref(false)

const old = new Map<string, number>()
let forgotten = 0 // times; what was asked for before is not kept after
let timer = 0

function tell() {
  oldest.value = old.size ? Math.min(...old.values()) : null
}

function heard() {
  if (reached.value) return
  reached.value = true
  window.clearTimeout(timer)
  old.clear()
  tell()
  back.value++
}

function unheard() {
  reached.value = false
  window.clearTimeout(timer)
  timer = window.setTimeout(() => void look(), LOOK_MS)
}

let asking: Promise<boolean> | null = null

/** Whether it answers a small question soon; where there is no signal nothing else may end for minutes. */
function alive(): Promise<boolean> {
  asking ??= fetch(at('/api/me'), { signal: AbortSignal.timeout(ALIVE_MS) })
    .then(
      (answer) => !AWAY.has(answer.status),
      () => false,
    )
    .finally(() => (asking = null))
  return asking
}

/** Asks whether it answers again. */
export async function look() {
  if (await alive()) heard()
  else unheard()
}

const after = (ms: number) => new Promise<null>((done) => setTimeout(() => done(null), ms))

/**
 * What it answers, or null where it is not there.
 *
 * @param waits whether there is something to show in its place
 */
async function fetched(request: Request, waits: () => Promise<boolean>): Promise<Response | null> {
  const stop = new AbortController()
  if (request.signal.aborted) stop.abort()
  request.signal.addEventListener('abort', () => stop.abort())
  // what is being kept is kept even when the page is left meanwhile
  const going = fetch(request, { signal: stop.signal, keepalive: request.method === 'PUT' })
  going.catch(() => null)
  try {
    const first = await Promise.race([going, after(reached.value ? PATIENCE_MS : SHORT_MS)])
    if (first || !(await waits()) || (await alive())) return first ?? (await going)
    stop.abort()
  } catch (e) {
    if (request.signal.aborted) throw e
  }
  return null
}

async function keep(request: Request, answer: Response) {
  const body = await answer.text()
  if (body.length > LARGEST) return
  const url = new URL(request.url)
  const db = await open()
  const tx = db.transaction('answers', 'readwrite')
  void tx.store.put({
    url: url.pathname + url.search,
    path: url.pathname,
    body,
    etag: answer.headers.get('ETag') ?? '',
    at: Date.now(),
  })
  const many = (await tx.store.count()) - MOST
  let last = many > 0 ? await tx.store.index('at').openCursor() : null
  for (let i = 0; i < many && last; i++) {
    await last.delete()
    last = await last.continue()
  }
  await tx.done
}

async function known(request: Request): Promise<Known | undefined> {
  const url = new URL(request.url)
  const db = await open()
  const exact = await db.get('answers', url.pathname + url.search)
  if (exact || !BY_PATH.test(url.pathname)) return exact
  const alike = await db.getAllFromIndex('answers', 'path', url.pathname)
  return alike.sort((a, b) => b.at - a.at)[0]
}

function again(k: Known): Response {
  old.set(k.url, k.at)
  tell()
  const headers: Record<string, string> = { 'Content-Type': 'application/json' }
  if (k.etag) headers.ETag = k.etag
  return new Response(k.body, { headers })
}

const asked = (request: Request) => request.method === 'GET'

/**
 * What the server says, or else what it last said.
 *
 * @param instead whether something else can be shown in place of an answer that does not come
 */
export async function ask(request: Request, instead = false): Promise<Response> {
  const last = () => (asked(request) ? known(request).catch(() => undefined) : undefined)
  const then = forgotten
  const answer = await fetched(request, async () => instead || !!(await last()))
  if (answer && !AWAY.has(answer.status)) {
    heard()
    if (answer.status === 401 && !request.url.endsWith('/api/session')) signedOut.value = true
    if (answer.ok && asked(request) && then === forgotten)
      void keep(request, answer.clone()).catch(() => null)
    return answer
  }
  unheard()
  const before = await last()
  if (before) return again(before)
  if (answer) return answer
  throw new TypeError('no signal')
}

/** Forgets all that was heard: somebody else may be next. */
export async function forgetAnswers() {
  forgotten++
  old.clear()
  tell()
  await forgetHeard()
}
