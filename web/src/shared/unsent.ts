import { ask as askServer, AWAY } from './answers'
import { open } from './database'
import { add, anyWaits, became, ownChanges, waits } from './outbox'

/**
 * What is changed without signal: a store, a house, a part or the book waits in the outbox, the newest change in the
 * place of earlier ones, and is shown as it will be. It is sent over the version that it was made on;
 * where somebody has changed that meanwhile, the one who typed it is told.
 */
const KEPT = /\/api\/holdings\/[^/]+\/(?:(stores)|(houses)|(parts)|(book))(?:\/[^/]+)?$/

/** What bears an id that was made here and no version: sent twice it is the same. */
const MADE = {
  PUT: /\/api\/holdings\/[^/]+\/(?:thermometers|trials|upkeep|wood)\/[^/]+$/,
  POST: /\/api\/holdings\/[^/]+\/(?:stores|parts)$/,
}

type Fields = Record<string, unknown>

/** What is shown of it until it is sent. */
function asItWillBe(path: string, known: Fields, sent: Fields): Fields {
  const [, store, house, part] = KEPT.exec(path)!
  const names = store
    ? ['name', 'houseId', 'planned', 'design', 'probes']
    : part
      ? ['name', 'houseId', 'design']
      : ['name', 'design']
  if (!store && !house && !part) return { ...known, book: sent }
  return { ...known, ...Object.fromEntries(names.map((n) => [n, sent[n]])) }
}

const nameOf = (path: string, sent: Fields) =>
  KEPT.exec(path)?.[4] ? 'What things cost' : `“${String(sent.name ?? sent.what)}”`

/** What is shown of it in the place of what was last heard; parts are heard as a list. */
async function shownAs(path: string, sent: Fields, etag: string) {
  const db = await open()
  const list = KEPT.exec(path)![3] ? path.slice(0, path.lastIndexOf('/')) : null
  const known = await db.get('answers', list ?? path)
  if (!known) return null
  if (!list) {
    const body = JSON.stringify(asItWillBe(path, JSON.parse(known.body) as Fields, sent))
    return { body, instead: { ...known, body, etag } }
  }
  const parts = JSON.parse(known.body) as Fields[]
  const before = parts.find((p) => p.id === sent.id)
  if (!before) return null
  const after = asItWillBe(path, before, sent)
  const all = JSON.stringify(parts.map((p) => (p === before ? after : p)))
  return { body: JSON.stringify(after), instead: { ...known, body: all } }
}

/** What was changed on top of one's own change that went out meanwhile is no conflict with it. */
function overNext(request: Request, etag: string): Request {
  const headers = new Headers(request.headers)
  headers.set('If-Match', etag)
  return new Request(request, { headers })
}

/** What is made without signal waits, and is answered by what was sent: what comes of it is not known yet. */
async function make(request: Request): Promise<Response> {
  const again = request.clone()
  if (!(await anyWaits()))
    try {
      const answer = await askServer(request, true)
      if (!AWAY.has(answer.status)) return answer
    } catch {
      // it waits
    }
  const text = await again.text()
  const path = new URL(again.url).pathname
  const sent = JSON.parse(text) as Fields
  const method = again.method as keyof typeof MADE
  await add({ method, path, kind: 'json', body: text, what: nameOf(path, sent), made: true })
  return new Response(text, { headers: { 'Content-Type': 'application/json' } })
}

/** The server's answer; of what it could not be told, the change as it is kept here. */
export async function ask(request: Request): Promise<Response> {
  const path = new URL(request.url).pathname
  if (MADE[request.method as keyof typeof MADE]?.test(path)) return make(request)
  const etag = request.headers.get('If-Match')
  const again = request.method === 'PUT' && etag && KEPT.test(path) ? request.clone() : null
  if (!again) return askServer(request)
  if (!(await waits(path)))
    try {
      const answer = await askServer(request, true)
      const next = answer.status === 412 ? became(await ownChanges(), path, etag!) : null
      if (next) return await ask(overNext(again, next))
      if (!AWAY.has(answer.status)) return answer
    } catch {
      // it waits
    }
  const text = await again.text()
  const sent = JSON.parse(text) as Fields
  const shown = await shownAs(path, sent, etag!)
  if (!shown) throw new TypeError('no signal')
  await add({
    method: 'PUT',
    path,
    kind: 'json',
    body: text,
    what: nameOf(path, sent),
    etag: etag!,
  })
  await (await open()).put('answers', shown.instead)
  return new Response(shown.body, { headers: { 'Content-Type': 'application/json', ETag: etag! } })
}
