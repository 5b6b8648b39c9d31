import { at, PREFIX } from '../at'
import createClient from 'openapi-fetch'
import { ref } from 'vue'
import { AWAY } from '../answers'
import { token } from '../token'
import { ask } from '../unsent'
import type { components, paths } from './schema'

export type Views = components['schemas']

/** What went wrong, as the server tells it (RFC 9457). */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly field: string,
    reason: string,
    readonly remedy: string,
  ) {
    super(reason)
  }
}

const client = createClient<paths>({ baseUrl: PREFIX, fetch: ask })

/** Grows each time something was sent that may have changed what is kept. */
export const written = ref(0)

client.use({
  onRequest({ request }) {
    const known = token()
    if (known) request.headers.set('X-XSRF-TOKEN', decodeURIComponent(known))
    return request
  },
  onResponse({ request, response }) {
    if (response.ok && request.method !== 'GET') written.value++
  },
})

export { token }
export const api = client

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** The body of an answer, or a thrown {@link Refusal}. */
export async function body<T>(call: Promise<Answer<T>>): Promise<T> {
  return (await whole(call)).data
}

/** The body with its ETag, for what people edit. */
export async function whole<T>(call: Promise<Answer<T>>): Promise<{ data: T; etag: string }> {
  const answer = await call.catch(() => {
    throw new Refusal(
      0,
      'no-signal',
      '',
      'The program cannot be reached.',
      'Nothing was sent; try again when there is signal.',
    )
  })
  if (!answer.response.ok) throw refusal(answer.response.status, answer.error)
  return { data: answer.data as T, etag: answer.response.headers.get('ETag') ?? '' }
}

/** The program could not be reached: nothing was refused. */
export const isAway = (e: unknown) => e instanceof Refusal && (!e.status || AWAY.has(e.status))

export function refusal(status: number, said: unknown): Refusal {
  const p = (typeof said === 'object' && said ? said : {}) as Record<string, string>
  return new Refusal(
    status,
    p.code ?? 'unforeseen',
    p.field ?? '',
    p.detail ?? 'Something went wrong.',
    p.remedy ?? 'Try again.',
  )
}

/** Hands a file over; what the server made of it, or a thrown {@link Refusal}. */
export async function upload<T>(path: string, file: File): Promise<T> {
  const form = new FormData()
  form.append('file', file)
  const answer = await fetch(at(path), {
    method: 'POST',
    body: form,
    headers: { 'X-XSRF-TOKEN': decodeURIComponent(token() ?? '') },
  }).catch(() => {
    throw new Refusal(
      0,
      'no-signal',
      '',
      'The file did not arrive.',
      'Try again; nothing was saved.',
    )
  })
  const said = await answer.json().catch(() => null)
  if (!answer.ok) throw refusal(answer.status, said)
  return said as T
}
