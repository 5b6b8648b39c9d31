import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref, watch, type Ref } from 'vue'
import { api, body, whole, type Views } from '@/shared/api/client'
import { useKeeping } from '@/shared/useKeeping'
import type { Design, Probe } from './designs'

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
 * A store being changed: kept as it changes (half a second after the last touch) and appraised as it
 * changes. A refused change stays on the page with its reason.
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
  const appraisal = ref<Views['Appraisal'] | null>(null)
  let etag = ''
  const keeping = useKeeping(() => JSON.stringify(draft), save, SETTLE_MS)
  const { state, error } = keeping

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
      draft.design[face] ??= { layers: [], measuredTransmittance: null }
      draft.design[face].layers ??= []
    }
    draft.design.build ??= { parts: [], closedVessel: false, closedCoil: false, bathed: false }
    draft.design.build.parts ??= []
    appraisal.value = view.appraisal
    keeping.take(JSON.stringify(draft))
    ready.value = true
  }

  watch(
    loaded,
    (l) => {
      if (l && state.value === 'kept' && l.etag !== etag) take(l.data, l.etag)
    },
    { immediate: true },
  )

  async function save(text: string) {
    const answer = await whole(
      api.PUT('/api/holdings/{holdingId}/stores/{storeId}', {
        params: { path: { holdingId, storeId }, header: { 'If-Match': etag } },
        body: { id: storeId, ...JSON.parse(text) },
      }),
    )
    etag = answer.etag
    appraisal.value = answer.data.appraisal
    client.setQueryData(['holding', holdingId, 'store', storeId], answer)
    void client.invalidateQueries({ queryKey: ['holding', holdingId, 'stores'] })
  }

  watch(
    () => JSON.stringify(draft),
    (text) => {
      if (!ready.value) return
      keeping.changed()
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
          params: { path: { holdingId }, query: { storeId, ...(houseId ? { houseId } : {}) } },
          body: design,
        }),
      )
      if (mine === asked) appraisal.value = a
    } catch {
      // the save that follows says what is wrong
    }
  }

  async function reload() {
    keeping.settled()
    etag = ''
    await client.invalidateQueries({ queryKey: ['holding', holdingId, 'store', storeId] })
  }

  return {
    draft,
    ready,
    error,
    state,
    appraisal,
    reload,
    changedMeanwhile: keeping.changedMeanwhile,
  }
}
