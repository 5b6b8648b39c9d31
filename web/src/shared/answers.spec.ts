import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Known } from './database'

const kept = new Map<string, Known>()
vi.mock('./database', () => ({
  open: async () => ({
    get: async (_: string, url: string) => kept.get(url),
    getAllFromIndex: async (_: string, __: string, path: string) =>
      [...kept.values()].filter((k) => k.path === path),
    transaction: () => ({
      store: {
        put: async (k: Known) => void kept.set(k.url, k),
        count: async () => kept.size,
      },
      done: Promise.resolve(),
    }),
  }),
  forgetHeard: async () => kept.clear(),
}))

import { ask, back, forgetAnswers, oldest, reached, signedOut } from './answers'

const server = vi.fn<(asked: Request | string) => Promise<Response>>()
const get = (path: string) => new Request(`http://x${path}`)
const answers = (status: number, body = '{}') =>
  server.mockImplementation(async () => new Response(body, { status, headers: { ETag: '"3"' } }))

beforeEach(() => vi.stubGlobal('fetch', server))
afterEach(() => {
  vi.unstubAllGlobals()
  kept.clear()
  signedOut.value = false
})

describe('what the server said', () => {
  it('is said again, with its tag and age, while it cannot be reached', async () => {
    answers(200, '["drum"]')
    await ask(get('/api/stores'))
    await vi.waitFor(() => expect(kept.size).toBe(1))
    server.mockRejectedValue(new TypeError('no'))
    const again = await ask(get('/api/stores'))
    expect(await again.text()).toBe('["drum"]')
    expect(again.headers.get('ETag')).toBe('"3"')
    expect(reached.value).toBe(false)
    expect(Date.now() - oldest.value!).toBeLessThan(5000)
    const before = back.value
    answers(200)
    await ask(get('/api/me'))
    expect([reached.value, oldest.value, back.value]).toEqual([true, null, before + 1])
  })
  it('is not kept where it was asked for before all was forgotten', async () => {
    let end: (a: Response) => void = () => {}
    server.mockImplementation(() => new Promise((done) => (end = done)))
    const late = ask(get('/api/stores'))
    await forgetAnswers()
    end(new Response('["drum"]'))
    await late
    answers(200)
    await ask(get('/api/me'))
    await vi.waitFor(() => expect([...kept.keys()]).toEqual(['/api/me']))
  })
  it('is told to be missing where it never said it', async () => {
    server.mockRejectedValue(new TypeError('no'))
    await expect(ask(get('/api/houses'))).rejects.toThrow('no signal')
  })
  it('stands in for a moment that has gone on', async () => {
    answers(200, '["lit"]')
    await ask(get('/api/holdings/1/events?from=1&to=2'))
    await vi.waitFor(() => expect(kept.size).toBe(1))
    answers(503)
    expect(await (await ask(get('/api/holdings/1/events?from=3&to=4'))).text()).toBe('["lit"]')
    expect((await ask(get('/api/holdings/1/nights?from=3&to=4'))).status).toBe(503)
  })
  it('stands in where nothing ends, but not where the server is only slow', async () => {
    answers(200, '["drum"]')
    await ask(get('/api/stores'))
    await vi.waitFor(() => expect(kept.size).toBe(1))
    vi.useFakeTimers()
    let there = false
    let end: (a: Response) => void = () => {}
    server.mockImplementation((asked) => {
      if (asked !== '/api/me') return new Promise((done) => (end = done))
      return there ? Promise.resolve(new Response('{}')) : Promise.reject(new TypeError('no'))
    })
    const hanging = ask(get('/api/stores'))
    await vi.advanceTimersByTimeAsync(3000)
    expect(await (await hanging).text()).toBe('["drum"]')
    expect(reached.value).toBe(false)
    there = true
    const slow = ask(get('/api/stores'))
    await vi.advanceTimersByTimeAsync(9000)
    end(new Response('["tub"]'))
    expect(await (await slow).text()).toBe('["tub"]')
    expect(reached.value).toBe(true)
    vi.useRealTimers()
  })
  it('is never what was sent', async () => {
    answers(200)
    await ask(new Request('http://x/api/parts', { method: 'POST', body: '{}' }))
    server.mockRejectedValue(new TypeError('no'))
    await expect(
      ask(new Request('http://x/api/parts', { method: 'POST', body: '{}' })),
    ).rejects.toThrow()
  })
  it('may be that somebody has to sign in again, but not where the password was wrong', async () => {
    answers(401)
    await ask(new Request('http://x/api/session', { method: 'POST', body: '{}' }))
    expect(signedOut.value).toBe(false)
    await ask(get('/api/stores'))
    expect(signedOut.value).toBe(true)
  })
})
