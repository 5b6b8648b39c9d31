import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch, type Ref } from 'vue'
import { api, body, whole, type Views } from '@/shared/api/client'
import { useKeeping } from '@/shared/useKeeping'
import type { Arrangement, Described } from './arrangements'

interface Draft extends Described {
  name: string
  planned: boolean
  /** Since when it is so; null where it always was. Of one that is past: until when it was. */
  moment: string | null
}

const SETTLE_MS = 500
const clone = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
const described = ({ houseId, design, probes }: Described): Described =>
  clone({ houseId, design, probes })

/** With what an older description leaves out. */
function complete(of: Described): Described {
  const d = described(of)
  for (const face of ['side', 'top', 'foot'] as const) {
    d.design[face] ??= { layers: [], measuredTransmittance: null }
    d.design[face].layers ??= []
  }
  d.design.build ??= { parts: [], closedVessel: false, closedCoil: false, bathed: false }
  d.design.build.parts ??= []
  return d
}

/**
 * A store being changed, as it is now or as it was: kept as it changes (half a second after the last
 * touch) and appraised as it changes. A refused change stays on the page with its reason. What is
 * changed is held against how it was when the changing began, so that since when it is so can be
 * said at the end.
 *
 * @param past until when the arrangement was that is changed; empty for how it is now
 */
export function useStoreDraft(
  holdingId: string,
  storeId: string,
  loaded: Ref<{ data: Views['StoreView']; etag: string } | undefined>,
  past: Ref<string> = ref(''),
) {
  const client = useQueryClient()
  const draft = reactive<Draft>({
    name: '',
    houseId: null,
    planned: false,
    design: {} as Views['StoreDesign'],
    probes: [],
    moment: null,
  })
  const ready = ref(false)
  const appraisal = ref<Views['Appraisal'] | null>(null)
  const base = ref<Described & { earlier: Arrangement[] }>()
  let view: Views['StoreView']
  let etag = ''
  /** Until when the arrangement was that the draft is of: the page may be turning to another. */
  let of = ''
  let asked = 0
  const keeping = useKeeping(() => JSON.stringify(draft), save, SETTLE_MS)
  const { state, error } = keeping

  const ended = (until: string) =>
    view.earlier?.find((a) => Date.parse(a.until ?? '') === Date.parse(until))

  function begin() {
    base.value = { ...complete(view), earlier: clone(view.earlier ?? []) }
  }

  function take() {
    const was = ended(past.value)
    of = was?.until ?? ''
    const { name, planned } = view
    Object.assign(draft, { name, planned, moment: was?.until ?? null }, complete(was ?? view))
    if (was) void appraise(JSON.stringify(draft))
    else appraisal.value = view.appraisal
    begin()
    keeping.take(JSON.stringify(draft))
    ready.value = true
  }

  watch(
    loaded,
    (l) => {
      if (l && state.value === 'kept' && l.etag !== etag) {
        view = l.data
        etag = l.etag
        if (past.value && !ended(past.value)) past.value = ''
        take()
      }
    },
    { immediate: true },
  )

  /** What is not kept yet is kept first; what cannot be kept stays before one's eyes. */
  watch(past, async (to) => {
    if (to === of) return
    if (state.value !== 'kept') await keeping.keep()
    if (state.value === 'kept') take()
    else past.value = of
  })

  function sent(d: Draft): Views['StoreDraft'] {
    const { name, planned, moment, ...is } = d
    if (!of) {
      const was = base.value ?? null
      return { id: storeId, name, planned, ...is, earlier: null, since: moment, was }
    }
    const earlier = view.earlier.map((a) => (a.until === of ? { until: moment, ...is } : a))
    return { id: storeId, name, planned, ...described(view), earlier, since: null, was: null }
  }

  async function save(text: string) {
    const d = JSON.parse(text) as Draft
    await put(sent(d))
    if (!of) return
    const stays = past.value === of
    of = ended(d.moment ?? '')?.until ?? of
    if (stays) past.value = of
  }

  async function put(store: Views['StoreDraft']) {
    const answer = await whole(
      api.PUT('/api/holdings/{holdingId}/stores/{storeId}', {
        params: { path: { holdingId, storeId }, header: { 'If-Match': etag } },
        body: store,
      }),
    )
    etag = answer.etag
    view = answer.data
    if (!of) appraisal.value = view.appraisal
    client.setQueryData(['holding', holdingId, 'store', storeId], answer)
    for (const of of ['stores', 'few', 'judgement', 'run-readings'])
      void client.invalidateQueries({ queryKey: ['holding', holdingId, of] })
  }

  /** It was never as the past one that is shown: the one after it was so already. */
  async function never() {
    const earlier = view.earlier.filter((a) => a.until !== of)
    const { name, planned } = view
    try {
      await put({
        ...{ id: storeId, name, planned, ...described(view) },
        ...{ earlier, since: null, was: null },
      })
      past.value = ''
    } catch (e) {
      error.value = e
    }
  }

  /** What was changed until now is done with; what is changed next is another change. */
  async function settle() {
    await keeping.keep()
    if (state.value !== 'kept') return
    draft.moment = null
    begin()
    keeping.take(JSON.stringify(draft))
  }

  const changed = computed(
    () =>
      !past.value &&
      !!base.value &&
      JSON.stringify(described(draft)) !== JSON.stringify(described(base.value)),
  )

  watch(
    () => JSON.stringify(draft),
    (text) => {
      if (!ready.value) return
      keeping.changed()
      void appraise(text)
    },
  )

  async function appraise(text: string) {
    const mine = ++asked
    const { design, houseId } = JSON.parse(text) as Draft
    try {
      const a = await body(
        api.POST('/api/holdings/{holdingId}/appraisal', {
          params: { path: { holdingId }, query: { storeId, ...(houseId ? { houseId } : {}) } },
          body: design,
        }),
      )
      if (mine === asked) appraisal.value = a
    } catch {
      // the save that follows says what is wrong
    }
  }

  /** What somebody else has kept meanwhile. */
  const theirs = ref<{ data: Views['StoreView']; etag: string } | null>(null)
  watch(keeping.changedMeanwhile, async (is) => {
    theirs.value = null
    if (!is) return
    const now = await whole(
      api.GET('/api/holdings/{holdingId}/stores/{storeId}', {
        params: { path: { holdingId, storeId } },
      }),
    ).catch(() => null)
    theirs.value = now && { ...now, data: { ...now.data, ...complete(now.data) } }
  })

  /** Mine in the place of theirs, which counts as how it was. */
  async function overrule() {
    if (!theirs.value) return
    etag = theirs.value.etag
    view = theirs.value.data
    begin()
    await keeping.keep()
  }

  /** Theirs in the place of mine: the page may have loaded it before and left it aside. */
  function yieldTo() {
    if (!theirs.value) return
    etag = theirs.value.etag
    view = theirs.value.data
    keeping.settled()
    take()
    void client.invalidateQueries({ queryKey: ['holding', holdingId, 'store', storeId] })
  }

  return {
    draft,
    ready,
    error,
    state,
    appraisal,
    base,
    changed,
    settle,
    never,
    yieldTo,
    theirs,
    overrule,
    changedMeanwhile: keeping.changedMeanwhile,
  }
}
