import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { starts } from './designs'
import { useStoreDraft } from './useStoreDraft'

const view = (name: string, version: number) =>
  ({
    id: 's',
    name,
    version,
    houseId: null,
    design: starts[0].design,
    probes: [],
    appraisal: {},
    now: {},
  }) as unknown as Views['StoreView']

const fake = vi.hoisted(() => {
  const state = {
    version: 1,
    refuse: 0,
    slowMs: 0,
    saves: [] as { match: string; name: string }[],
  }
  type Save = { params: { header: { 'If-Match': string } }; body: { name: string } }
  const answer = (status: number, etag = '') =>
    new Response(null, { status, headers: { ETag: etag } })
  return {
    state,
    api: {
      POST: () => Promise.resolve({ data: {}, response: answer(200) }),
      PUT: async (_: string, save: Save) => {
        if (state.slowMs) await new Promise((done) => setTimeout(done, state.slowMs))
        state.saves.push({ match: save.params.header['If-Match'], name: save.body.name })
        if (state.refuse)
          return Promise.resolve({
            error: { code: state.refuse === 412 ? 'changed-meanwhile' : 'invalid', detail: 'No.' },
            response: answer(state.refuse),
          })
        state.version++
        return Promise.resolve({
          data: { ...save.body, appraisal: {} },
          response: answer(200, `"${state.version}"`),
        })
      },
    },
  }
})
vi.mock('@/shared/api/client', async (original) => ({
  ...(await original<typeof import('@/shared/api/client')>()),
  api: fake.api,
}))

function editor() {
  const loaded = ref({ data: view('Drum', 1), etag: '"1"' })
  let draft!: ReturnType<typeof useStoreDraft>
  const w = mount(
    defineComponent({
      setup() {
        draft = useStoreDraft('h', 's', loaded)
        return () => null
      },
    }),
    { global: { plugins: [[VueQueryPlugin, { queryClient: new QueryClient() }]] } },
  )
  return { w, d: draft }
}

const settle = async () => {
  await vi.advanceTimersByTimeAsync(600)
  await flushPromises()
}
const saves = () => fake.state.saves

describe('a store being changed', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    Object.assign(fake.state, { version: 1, refuse: 0, slowMs: 0, saves: [] })
  })
  afterEach(() => {
    vi.useRealTimers()
  })

  it('is kept once the hand rests, with the version it changes', async () => {
    const { d } = editor()
    d.draft.name = 'Bin'
    await vi.advanceTimersByTimeAsync(200)
    d.draft.name = 'Sand bin'
    await settle()
    expect(saves()).toHaveLength(1)
    expect(saves()[0].match).toBe('"1"')
    expect(saves()[0].name).toBe('Sand bin')
    expect(d.state.value).toBe('kept')
  })
  it('stays on the page when it is refused, and says that somebody was quicker', async () => {
    const { d } = editor()
    fake.state.refuse = 412
    d.draft.name = 'Mine'
    await settle()
    expect(d.state.value).toBe('refused')
    expect(d.changedMeanwhile.value).toBe(true)
    expect(d.draft.name).toBe('Mine')
  })
  it('is no longer refused once it is as it was', async () => {
    const { d } = editor()
    fake.state.refuse = 422
    d.draft.design.count = 0
    await settle()
    expect(d.state.value).toBe('refused')
    d.draft.design.count = 1
    await settle()
    expect(d.state.value).toBe('kept')
    expect(d.error.value).toBeNull()
  })
  it('is saved again when it is as it was while what lay between was being saved', async () => {
    const { d } = editor()
    fake.state.slowMs = 2000
    d.draft.name = 'D'
    await vi.advanceTimersByTimeAsync(700)
    d.draft.name = 'Drum'
    await vi.advanceTimersByTimeAsync(9000)
    expect(saves().map((s) => s.name)).toEqual(['D', 'Drum'])
    expect(d.state.value).toBe('kept')
  })
  it('is not called refused when what was refused lay between', async () => {
    const { d } = editor()
    Object.assign(fake.state, { slowMs: 2000, refuse: 422 })
    d.draft.design.count = 0
    await vi.advanceTimersByTimeAsync(700)
    d.draft.design.count = 1
    await vi.advanceTimersByTimeAsync(9000)
    expect(d.state.value).toBe('kept')
    expect(d.error.value).toBeNull()
  })

  it('keeps by itself what a fault of the server refused at first', async () => {
    const { w, d } = editor()
    fake.state.refuse = 500
    d.draft.name = 'Cask'
    await settle()
    expect(d.state.value).toBe('refused')
    fake.state.refuse = 0
    await vi.advanceTimersByTimeAsync(5000)
    await flushPromises()
    expect(d.state.value).toBe('kept')
    expect(saves().map((s) => s.name)).toEqual(['Cask', 'Cask'])
    w.unmount()
  })
})
