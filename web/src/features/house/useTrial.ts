import { computed, ref, watch, type Ref } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import type { Design } from './shapes'

type Night = Views['TonightView']
const LOW_KEY = 'tonight-low'
const SETTLE_MS = 250

/** Remembers the low last asked about, so that the house is shown at the same night. */
export function rememberLow(celsius: number): void {
  localStorage.setItem(LOW_KEY, String(celsius))
}

/** Tonight with the house as kept and as it is being tried; nothing of the trial is saved. */
export function useTrial(
  holdingId: string,
  houseId: string,
  loaded: Ref<{ data: Views['HouseView']; etag: string } | undefined>,
  draft: { design: Design },
) {
  const low = Number(localStorage.getItem(LOW_KEY) ?? -6)
  const usual = ref<Night | null>(null)
  const tried = ref<Night | null>(null)
  const refusal = ref<unknown>(null)

  const ask = (design: Design | null) =>
    body(
      api.POST('/api/holdings/{holdingId}/houses/{houseId}/tonight', {
        params: { path: { holdingId, houseId } },
        body: {
          lowCelsius: low,
          lowAt: null,
          eveningCelsius: null,
          airCelsius: null,
          floorCelsius: null,
          stores: [],
          cloud: 0.5,
          wind: 2,
          actions: null as unknown as Views['Doing'][],
          quick: true,
          design: design as Design,
        },
      }),
    )

  watch(
    () => loaded.value?.etag,
    async (etag) => {
      if (etag) usual.value = await ask(null).catch(() => null)
      tried.value = null
    },
    { immediate: true },
  )

  let timer = 0
  let turn = 0
  watch(
    () => JSON.stringify(draft.design),
    (text) => {
      window.clearTimeout(timer)
      refusal.value = null
      const mine = ++turn
      if (!loaded.value || text === JSON.stringify(loaded.value.data.design)) {
        tried.value = null
        return
      }
      timer = window.setTimeout(async () => {
        try {
          const night = await ask(JSON.parse(text) as Design)
          if (mine === turn) tried.value = night
        } catch (e) {
          if (mine === turn) refusal.value = e
        }
      }, SETTLE_MS)
    },
  )

  return { low, usual, trial: computed(() => tried.value), refusal }
}
