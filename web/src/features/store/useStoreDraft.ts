import { useQueryClient } from '@tanstack/vue-query'
import { computed, onBeforeUnmount, reactive, ref, watch, type Ref } from 'vue'
import { api, body, Refusal, whole, type Views } from '@/shared/api/client'
import { source, type Design, type Probe } from './designs'

interface Draft {
  name: string
  houseId: string | null
  planned: boolean
  design: Design
  probes: Probe[]
}

const SETTLE_MS = 500
const clone = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/**
 * A store being changed: kept as it changes (half a second after the last touch), appraised as it
 * changes, and undone step by step. A refused change stays on the page with its reason.
 */
export function useStoreDraft(
  holdingId: string,
  storeId: string,
  loaded: Ref<{ data: Views['StoreView']; etag: string } | undefined>,
) {
  const client = useQueryClient()
  const draft = reactive<Draft>({
    name: '',
    houseId: null,
    planned: false,
    design: {} as Design,
    probes: [],
  })
  const ready = ref(false)
  const error = ref<unknown>(null)
  const state = ref<'kept' | 'changing' | 'refused'>('kept')
  const appraisal = ref<Views['Appraisal'] | null>(null)
  const past: string[] = []
  const undoable = ref(0)
  let etag = ''
  let keptText = ''
  let timer = 0
  let saving = false

  function take(view: Views['StoreView'], tag: string) {
    etag = tag
    Object.assign(
      draft,
      clone({
        name: view.name,
        houseId: view.houseId,
        planned: view.planned,
        design: view.design,
        probes: view.probes,
      }),
    )
    for (const face of ['side', 'top', 'foot'] as const) {
      draft.design[face] ??= { layers: [], measuredTransmittance: null as unknown as number }
      draft.design[face].layers ??= []
    }
    draft.design.source ??= source('NONE')
    draft.design.build ??= { parts: [], closedVessel: false, closedCoil: false, bathed: false }
    draft.design.build.parts ??= []
    appraisal.value = view.appraisal
    keptText = JSON.stringify(draft)
    ready.value = true
  }

  watch(
    loaded,
    (l) => {
      if (l && state.value === 'kept' && l.etag !== etag) take(l.data, l.etag)
    },
    { immediate: true },
  )

  async function keep() {
    if (saving) {
      timer = window.setTimeout(keep, SETTLE_MS)
      return
    }
    const text = JSON.stringify(draft)
    if (text === keptText) return
    saving = true
    try {
      const answer = await whole(
        api.PUT('/api/holdings/{holdingId}/stores/{storeId}', {
          params: { path: { holdingId, storeId }, header: { 'If-Match': etag } },
          body: { id: storeId, ...JSON.parse(text) },
        }),
      )
      past.push(keptText)
      undoable.value = past.length
      keptText = text
      etag = answer.etag
      appraisal.value = answer.data.appraisal
      error.value = null
      state.value = JSON.stringify(draft) === text ? 'kept' : 'changing'
      client.setQueryData(['holding', holdingId, 'store', storeId], answer)
      void client.invalidateQueries({ queryKey: ['holding', holdingId, 'stores'] })
    } catch (e) {
      error.value = e
      state.value = 'refused'
    } finally {
      saving = false
    }
  }

  watch(
    () => JSON.stringify(draft),
    (text) => {
      if (!ready.value) return
      if (text === keptText) {
        window.clearTimeout(timer)
        if (state.value !== 'kept') {
          state.value = 'kept'
          error.value = null
          void appraise(text)
        }
        return
      }
      state.value = 'changing'
      window.clearTimeout(timer)
      timer = window.setTimeout(keep, SETTLE_MS)
      void appraise(text)
    },
  )

  let asked = 0
  async function appraise(text: string) {
    const mine = ++asked
    const { design, houseId } = JSON.parse(text) as Draft
    try {
      const a = await body(
        api.POST('/api/holdings/{holdingId}/appraisal', {
          params: { path: { holdingId }, query: houseId ? { houseId } : {} },
          body: design,
        }),
      )
      if (mine === asked) appraisal.value = a
    } catch {
      // the save that follows says what is wrong
    }
  }

  async function undo() {
    const before = past.pop()
    undoable.value = past.length
    if (!before) return
    Object.assign(draft, JSON.parse(before))
    window.clearTimeout(timer)
    await keep()
    past.pop()
    undoable.value = past.length
  }

  async function reload() {
    state.value = 'kept'
    error.value = null
    etag = ''
    await client.invalidateQueries({ queryKey: ['holding', holdingId, 'store', storeId] })
  }

  const changedMeanwhile = computed(
    () => error.value instanceof Refusal && error.value.code === 'changed-meanwhile',
  )

  onBeforeUnmount(() => {
    window.clearTimeout(timer)
    if (state.value === 'changing') void keep()
  })

  return { draft, ready, error, state, appraisal, undo, undoable, reload, changedMeanwhile }
}
