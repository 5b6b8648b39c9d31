import { afterEach, describe, expect, it, vi } from 'vitest'
import { became, noted, onwards, send, type Own } from './outbox'

const entry = { method: 'PUT', path: '/api/x', kind: 'json', body: '{}', what: 'x' } as const
const answer = (status: number, body = '') => new Response(body || null, { status })
const asked = (a: Response | Error) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(() => (a instanceof Error ? Promise.reject(a) : Promise.resolve(a))),
  )

afterEach(() => vi.unstubAllGlobals())

describe('what becomes of an entry', () => {
  it('goes over the version that it was made on', async () => {
    asked(answer(200))
    await send({ ...entry, etag: '"7"' })
    const [, how] = vi.mocked(fetch).mock.lastCall!
    expect((how!.headers as Record<string, string>)['If-Match']).toBe('"7"')
  })
  it('is sent when the server says so', async () => {
    asked(answer(200, '{}'))
    expect(await send(entry)).toEqual({ sent: true })
  })
  it('waits without signal', async () => {
    asked(new TypeError('failed'))
    expect(await send(entry)).toEqual({ later: 'no signal' })
  })
  it.each([
    [401, 'signed out'],
    [429, 'the program is busy'],
    [500, 'the program is busy'],
    [503, 'the program is busy'],
  ])('waits on %i', async (status, later) => {
    asked(answer(status))
    expect(await send(entry)).toEqual({ later })
  })
  it('stays with its reason when it is refused, and holds up nothing', async () => {
    asked(answer(422, '{"detail":"“warm” is not a temperature.","remedy":"For instance 14.5."}'))
    expect(await send(entry)).toEqual({
      refused: '“warm” is not a temperature. For instance 14.5.',
    })
  })
  it('is refused to a guest, but waits where only the page’s token is old', async () => {
    asked(answer(403, '{"detail":"A guest may read and not log."}'))
    expect(await send(entry)).toEqual({ refused: 'A guest may read and not log.' })
    asked(
      answer(
        403,
        '{"code":"no-token","detail":"The request does not show the token of your page."}',
      ),
    )
    expect(await send(entry)).toEqual({ later: 'not let in yet' })
  })
})

describe('what is typed on while it is on its way', () => {
  const out = { ...entry, seq: 1, etag: '"7"', by: { id: 'a', name: 'Isla' } }
  const typed = { ...out, seq: 2, body: '{"name":"Bench of slate"}' }

  it('goes over what that became', () => {
    expect(onwards([out, typed], out, '"8"')).toEqual([{ ...typed, etag: '"8"' }])
  })
  it('does not when another typed it, at something else, or over another version', () => {
    const others = [
      { ...typed, by: { id: 'b', name: 'Rory' } },
      { ...typed, path: '/api/y' },
      { ...typed, etag: '"6"' },
      { ...typed, refused: 'It was refused.' },
    ]
    expect(onwards(others, out, '"8"')).toEqual([])
    expect(onwards([typed], out)).toEqual([])
  })
})

describe('what took the place of something that may have arrived unheard', () => {
  const server = (...answers: [number, string?][]) => {
    const sent: [string, string][] = []
    vi.stubGlobal('fetch', (_: string, how: { body: string; headers: Record<string, string> }) => {
      const [status, etag] = answers[sent.length]!
      sent.push([how.body, how.headers['If-Match']!])
      return Promise.resolve(new Response('{}', { status, headers: etag ? { ETag: etag } : {} }))
    })
    return sent
  }
  const third = { ...entry, body: '3', etag: '"7"', instead: ['1', '2'] }

  it('goes over what that became', async () => {
    const sent = server([412], [200, '"8"'], [200, '"9"'])
    expect(await send(third)).toEqual({ sent: true, etag: '"9"' })
    expect(sent).toEqual([
      ['3', '"7"'],
      ['2', '"7"'],
      ['3', '"8"'],
    ])
  })
  it('is a conflict where none of it had', async () => {
    const sent = server([412], [412], [412])
    expect(await send(third)).toHaveProperty('refused')
    expect(sent.map(([body]) => body)).toEqual(['3', '2', '1'])
  })
  it('waits where the signal goes meanwhile', async () => {
    server([412], [503])
    expect(await send(third)).toEqual({ later: 'the program is busy' })
  })
})

describe('what one’s own changes made of a version', () => {
  const own: Own = [
    ['/api/x "1"', '"2"'],
    ['/api/x "2"', '"4"'],
    ['/api/x "4"', ''],
    ['/api/y "1"', '"9"'],
  ]
  it('is the last that went out', () => {
    expect(became(own, '/api/x', '"1"')).toBe('"4"')
  })
  it('is none where somebody else changed it, or nothing has gone out', () => {
    expect(became(own, '/api/x', '"3"')).toBeNull()
    expect(became(own, '/api/x', '"4"')).toBeNull()
  })
  it('is remembered once, the newest last, and not for ever', () => {
    expect(noted(own, '/api/x', '"1"', '"5"').at(-1)).toEqual(['/api/x "1"', '"5"'])
    expect(noted(own, '/api/x', '"1"', '"5"')).toHaveLength(4)
    let many: Own = []
    for (let i = 0; i < 500; i++) many = noted(many, '/api/x', `"${i}"`, `"${i + 1}"`)
    expect(many).toHaveLength(100)
  })
})
