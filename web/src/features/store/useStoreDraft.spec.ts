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
    earlier: [],
    appraisal: {},
    now: {},
  }) as unknown as Views['StoreView']

/** What is sent, as far as it is looked at here. */
interface Sent {
  name: string
  since: string | null
  design: { heightMetres: number }
  earlier: { until: string; design: { heightMetres: number } }[] | null
  was: { design: { heightMetres: number } } | null
}

const fake = vi.hoisted(() => {
  const state = {
    version: 1,
    refuse: 0,
    slowMs: 0,
    newer: {} as object,
    saves: [] as (Sent & { match: string })[],
  }
  type Save = { params: { header: { 'If-Match': string } }; body: Sent }
  /** As the server writes moments. */
  const plain = (earlier: Sent['earlier']) =>
    earlier?.map((a) => ({ ...a, until: a.until.replace('.000Z', 'Z') })) ?? []
  const answer = (status: number, etag = '') =>
    new Response(null, { status, headers: { ETag: etag } })
  return {
    state,
    api: {
      GET: () => Promise.resolve({ data: state.newer, response: answer(200, '"9"') }),
      POST: () => Promise.resolve({ data: {}, response: answer(200) }),
      PUT: async (_: string, save: Save) => {
        if (state.slowMs) await new Promise((done) => setTimeout(done, state.slowMs))
        state.saves.push({ ...save.body, match: save.params.header['If-Match'] })
        if (state.refuse)
          return Promise.resolve({
            error: { code: state.refuse === 412 ? 'changed-meanwhile' : 'invalid', detail: 'No.' },
            response: answer(state.refuse),
          })
        state.version++
        return Promise.resolve({
          data: { ...save.body, earlier: plain(save.body.earlier), appraisal: {} },
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

function editor(past = ref(''), of = view('Drum', 1)) {
  const loaded = ref({ data: of, etag: '"1"' })
  let draft!: ReturnType<typeof useStoreDraft>
  const w = mount(
    defineComponent({
      setup() {
        draft = useStoreDraft('h', 's', loaded, past)
        return () => null
      },
    }),
    { global: { plugins: [[VueQueryPlugin, { queryClient: new QueryClient() }]] } },
  )
  return { w, d: draft, loaded }
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
    Object.assign(fake.state, { refuse: 412, newer: view('Theirs', 9) })
    d.draft.name = 'Mine'
    await settle()
    expect(d.state.value).toBe('refused')
    expect(d.changedMeanwhile.value).toBe(true)
    expect(d.draft.name).toBe('Mine')
    expect(d.theirs.value?.data.name).toBe('Theirs')
    expect(d.theirs.value?.data.design).toEqual(d.draft.design)
    fake.state.refuse = 0
    await d.overrule()
    expect(saves()[1]!.match).toBe('"9"')
    expect(saves()[1]!.name).toBe('Mine')
    expect(d.state.value).toBe('kept')
  })
  it('gives way to what the page had loaded already, and left aside', async () => {
    const { d, loaded } = editor()
    Object.assign(fake.state, { refuse: 412, newer: view('Theirs', 9) })
    d.draft.name = 'Mine'
    await settle()
    loaded.value = { data: view('Theirs', 9), etag: '"9"' }
    await flushPromises()
    expect(d.draft.name).toBe('Mine')
    d.yieldTo()
    await flushPromises()
    expect(d.draft.name).toBe('Theirs')
    expect(d.state.value).toBe('kept')
    fake.state.refuse = 0
    d.draft.name = 'Mine after all'
    await settle()
    expect(saves()[1]!.match).toBe('"9"')
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

  const TUESDAY = '2026-01-13T10:00:00Z'

  it('asks since when only once something of it is otherwise', async () => {
    const { d } = editor()
    d.draft.name = 'Bin'
    await settle()
    expect(d.changed.value).toBe(false)
    d.draft.design.heightMetres = 0.7
    await settle()
    expect(d.changed.value).toBe(true)
    await d.settle()
    expect(d.changed.value).toBe(false)
  })
  it('is sent again with how it was and the moment, when that is said afterwards', async () => {
    const { d } = editor()
    const before = d.draft.design.heightMetres
    d.draft.design.heightMetres = 0.7
    await settle()
    d.draft.moment = TUESDAY
    await settle()
    expect(saves().map((s) => s.since)).toEqual([null, TUESDAY])
    expect(saves()[1]!.was?.design.heightMetres).toBe(before)
    await d.settle()
    d.draft.design.heightMetres = 0.8
    await settle()
    expect(saves()[2]!.since).toBeNull()
    expect(saves()[2]!.was?.design.heightMetres).toBe(0.7)
  })
  it('is changed as it was, and how it is now stays', async () => {
    const design = JSON.parse(JSON.stringify(starts[0]!.design)) as { heightMetres: number }
    const now = design.heightMetres
    const of = {
      ...view('Drum', 1),
      earlier: [
        { until: TUESDAY, houseId: null, design: { ...design, heightMetres: 0.4 }, probes: [] },
      ],
    } as unknown as Views['StoreView']
    const past = ref(TUESDAY)
    const { d } = editor(past, of)
    expect(d.draft.design.heightMetres).toBe(0.4)
    d.draft.design.heightMetres = 0.45
    await settle()
    expect(saves()[0]!.earlier?.[0]?.design.heightMetres).toBe(0.45)
    expect(saves()[0]!.design.heightMetres).toBe(now)
    expect(d.changed.value).toBe(false)
    d.draft.moment = '2026-01-12T21:00:00.000Z'
    await settle()
    expect(past.value).toBe('2026-01-12T21:00:00Z')
    d.draft.design.heightMetres = 0.5
    past.value = ''
    await settle()
    expect(saves()[2]!.earlier?.[0]?.design.heightMetres).toBe(0.5)
    expect(saves()[2]!.design.heightMetres).toBe(now)
    expect(d.draft.design.heightMetres).toBe(now)
    past.value = '2026-01-12T21:00:00Z'
    await settle()
    await d.never()
    expect(saves()[3]!.earlier).toEqual([])
    expect(past.value).toBe('')
  })
  it('is kept before another arrangement is looked at, and never put into that one', async () => {
    const design = JSON.parse(JSON.stringify(starts[0]!.design)) as object
    const of = {
      ...view('Drum', 1),
      earlier: [{ until: TUESDAY, houseId: null, design, probes: [] }],
    } as unknown as Views['StoreView']
    const past = ref('')
    const { d } = editor(past, of)
    d.draft.design.heightMetres = 0.7
    past.value = TUESDAY
    await settle()
    expect(saves()[0]!.design.heightMetres).toBe(0.7)
    expect(saves()[0]!.earlier).toBeNull()
    past.value = ''
    await settle()
    fake.state.refuse = 422
    d.draft.design.heightMetres = 0
    past.value = TUESDAY
    await settle()
    expect(past.value).toBe('')
    expect(d.draft.design.heightMetres).toBe(0)
    expect(d.state.value).toBe('refused')
  })
})
