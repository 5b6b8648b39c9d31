import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Known } from './database'

const kept = new Map<string, Known>()
const added = vi.fn()
const box = vi.hoisted(() => ({ own: [] as [string, string][], waits: false }))
vi.mock('./outbox', async (real) => ({
  ...(await real<object>()),
  add: (w: unknown) => Promise.resolve(added(w)),
  waits: () => Promise.resolve(box.waits),
  anyWaits: () => Promise.resolve(box.waits),
  ownChanges: () => Promise.resolve(box.own),
}))
vi.mock('./database', () => ({
  open: async () => ({
    get: async (_: string, url: string) => kept.get(url),
    put: async (_: string, k: Known) => void kept.set(k.url, k),
  }),
}))

import { ask } from './unsent'

const server = vi.fn<() => Promise<Response>>()
const path = '/api/holdings/h/stores/s'
const change = (name: string) =>
  new Request(`http://x${path}`, {
    method: 'PUT',
    headers: { 'If-Match': '"4"' },
    body: JSON.stringify({ id: 's', name, design: { medium: 'water' }, was: null }),
  })

beforeEach(() => {
  vi.stubGlobal('fetch', server)
  added.mockClear()
  Object.assign(box, { own: [], waits: false })
  kept.set(path, {
    url: path,
    path,
    etag: '"4"',
    at: 1,
    body: '{"id":"s","version":4,"name":"Drum","design":{"medium":"dry-sand"},"appraisal":{"mass":2}}',
  })
})
afterEach(() => vi.unstubAllGlobals())

describe('a change without signal', () => {
  it('waits over the version it was made on and is shown as it will be', async () => {
    server.mockRejectedValue(new TypeError('no'))
    const shown = (await (await ask(change('Tub'))).json()) as Record<string, unknown>
    expect(shown).toEqual({
      id: 's',
      version: 4,
      name: 'Tub',
      design: { medium: 'water' },
      appraisal: { mass: 2 },
    })
    expect(added).toHaveBeenCalledWith(
      expect.objectContaining({ method: 'PUT', path, etag: '"4"', what: '“Tub”' }),
    )
    expect(JSON.parse(kept.get(path)!.body)).toEqual(shown)
  })
  it('is kept of a part in the list in which parts are heard', async () => {
    const list = '/api/holdings/h/parts'
    const [mine, other] = [
      { id: 'p', version: 2, name: 'Hearth', houseId: null, design: { kind: 'wood' } },
      { id: 'q', version: 7, name: 'Pump', houseId: null, design: { kind: 'circuit' } },
    ]
    const body = JSON.stringify([mine, other])
    kept.set(list, { url: list, path: list, etag: '', at: 1, body })
    server.mockRejectedValue(new TypeError('no'))
    const sent = { ...mine, name: 'Stove', version: undefined }
    const headers = { 'If-Match': '"2"' }
    const changed = await ask(
      new Request(`http://x${list}/p`, { method: 'PUT', headers, body: JSON.stringify(sent) }),
    )
    expect(await changed.json()).toEqual({ ...mine, name: 'Stove' })
    expect(JSON.parse(kept.get(list)!.body)).toEqual([{ ...mine, name: 'Stove' }, other])
  })
  it('is the server’s where it answers, also where it refuses', async () => {
    server.mockResolvedValue(new Response('{}', { status: 412 }))
    expect((await ask(change('Tub'))).status).toBe(412)
    expect(added).not.toHaveBeenCalled()
  })
  it('goes behind an earlier one of the same thing that still waits', async () => {
    box.waits = true
    server.mockClear()
    expect((await ask(change('Tub'))).headers.get('ETag')).toBe('"4"')
    expect(server).not.toHaveBeenCalled()
    expect(added).toHaveBeenCalledOnce()
  })
  it('is no conflict with what was changed here before, once that has gone out', async () => {
    box.own = [[`${path} "4"`, '"5"']]
    const over: (string | null)[] = []
    vi.stubGlobal('fetch', (r: Request) => {
      over.push(r.headers.get('If-Match'))
      return Promise.resolve(
        new Response('{}', { status: r.headers.get('If-Match') === '"5"' ? 200 : 412 }),
      )
    })
    expect((await ask(change('Barrel'))).status).toBe(200)
    expect(over).toEqual(['"4"', '"5"'])
  })
  it('is a conflict with what somebody else changed', async () => {
    box.own = [[`/api/holdings/h/stores/other "3"`, '"4"']]
    server.mockResolvedValue(new Response('{}', { status: 412 }))
    const other = new Request('http://x/api/holdings/h/stores/other', {
      method: 'PUT',
      headers: { 'If-Match': '"4"' },
      body: '{"name":"Other"}',
    })
    expect((await ask(other)).status).toBe(412)
  })
  it('is refused as ever where nothing is known of the thing', async () => {
    kept.clear()
    server.mockRejectedValue(new TypeError('no'))
    await expect(ask(change('Tub'))).rejects.toThrow('no signal')
  })
})

describe('what is made without signal', () => {
  const made = (method: string, room: string, body: object) =>
    new Request(`http://x/api/holdings/h/${room}`, { method, body: JSON.stringify(body) })

  it.each([
    ['PUT', 'thermometers/t', { name: 'lowest' }, '“lowest”'],
    ['PUT', 'wood/w', { name: 'Ash by the gate' }, '“Ash by the gate”'],
    ['PUT', 'upkeep/u', { what: 'Sweep the flue' }, '“Sweep the flue”'],
    ['POST', 'stores', { id: 's', name: 'Sand bin' }, '“Sand bin”'],
  ])('waits: %s %s', async (method, room, body, what) => {
    server.mockRejectedValue(new TypeError('no'))
    expect((await ask(made(method, room, body))).ok).toBe(true)
    expect(added).toHaveBeenCalledWith(
      expect.objectContaining({ method, path: `/api/holdings/h/${room}`, what, made: true }),
    )
  })
  it('goes behind what waits already, though the signal is back', async () => {
    box.waits = true
    server.mockClear()
    await ask(made('POST', 'parts', { id: 'p', name: 'Stove' }))
    expect(server).not.toHaveBeenCalled()
    expect(added).toHaveBeenCalledOnce()
  })
  it('is the server’s where it answers, also where it refuses', async () => {
    server.mockResolvedValue(new Response('{}', { status: 422 }))
    expect((await ask(made('PUT', 'wood/w', { name: '' }))).status).toBe(422)
    expect(added).not.toHaveBeenCalled()
  })
  it('is not what has to be worked out', async () => {
    server.mockRejectedValue(new TypeError('no'))
    await expect(ask(made('POST', 'heap', { fed: [] }))).rejects.toThrow('no signal')
  })
})
