import { ask as askServer, AWAY } from './answers'
import { open } from './database'
import { add, became } from './outbox'

/**
 * What is changed without signal: a store, a house or the book waits in the outbox, the newest change in the
 * place of earlier ones, and is shown as it will be. It is sent over the version that it was made on;
 * where somebody has changed that meanwhile, the one who typed it is told.
 */
const KEPT = /^\/api\/holdings\/[^/]+\/(?:(stores)|(houses)|(book))(?:\/[^/]+)?$/

/** Versions over which this page itself changed something, by path. */
const mine = new Set<string>()

type Fields = Record<string, unknown>

/** What is shown of it until it is sent. */
function asItWillBe(path: string, known: Fields, sent: Fields): Fields {
  const [, store, house] = KEPT.exec(path)!
  const names = store ? ['name', 'houseId', 'planned', 'design', 'probes'] : ['name', 'design']
  if (!store && !house) return { ...known, book: sent }
  return { ...known, ...Object.fromEntries(names.map((n) => [n, sent[n]])) }
}

const nameOf = (path: string, sent: Fields) =>
  KEPT.exec(path)![3] ? 'What things cost' : `“${String(sent.name)}”`

/** What was changed on top of one's own change that went out meanwhile is no conflict with it. */
function overNext(request: Request, etag: string): Request {
  const headers = new Headers(request.headers)
  headers.set('If-Match', etag)
  return new Request(request, { headers })
}

/** The server's answer; of what it could not be told, the change as it is kept here. */
export async function ask(request: Request): Promise<Response> {
  const path = new URL(request.url).pathname
  const etag = request.headers.get('If-Match')
  const again = request.method === 'PUT' && etag && KEPT.test(path) ? request.clone() : null
  try {
    const answer = await askServer(request, !!again)
    const over = `${path} ${etag}`
    const next = answer.status === 412 && mine.has(over) ? became.get(over) : undefined
    if (next && again) return await ask(overNext(again, next))
    if (!again || !AWAY.has(answer.status)) return answer
  } catch (e) {
    if (!again) throw e
  }
  const text = await again.text()
  const db = await open()
  const known = await db.get('answers', path)
  if (!known) throw new TypeError('no signal')
  const sent = JSON.parse(text) as Fields
  const body = JSON.stringify(asItWillBe(path, JSON.parse(known.body) as Fields, sent))
  mine.add(`${path} ${etag}`)
  await add({
    method: 'PUT',
    path,
    kind: 'json',
    body: text,
    what: nameOf(path, sent),
    etag: etag!,
  })
  await db.put('answers', { ...known, body, etag: etag! })
  return new Response(body, { headers: { 'Content-Type': 'application/json', ETag: etag! } })
}
