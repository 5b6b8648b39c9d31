import { computed, ref, watch, type Ref } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import type { PartDesign } from '../part/parts'
import type { Design } from './designs'

/** How it is charged: for how long, with how much wood, the bypass open at first. */
export interface ChargeHow {
  hours: number | null
  kilograms: number | null
  loads: number | null
  bypassHours: number | null
}

/**
 * A charge tried on a design as it changes: asked again a moment after the last touch, the frame at
 * the moment that is looked at, and nothing from an answer that has been overtaken.
 */
export function useCharge(
  holdingId: string,
  storeId: string,
  design: () => Design,
  part: () => PartDesign | null,
  how: ChargeHow,
  open: Ref<boolean>,
) {
  const charge = ref<Views['ChargeView'] | null>(null)
  const error = ref<unknown>(null)
  const busy = ref(false)
  const moment = ref(1)
  let asked = 0
  let timer = 0

  async function ask() {
    const mine = ++asked
    busy.value = true
    try {
      const answer = await body(
        api.POST('/api/holdings/{holdingId}/charge', {
          params: { path: { holdingId } },
          body: {
            storeId,
            design: design(),
            part: part() as PartDesign,
            ...how,
            startCelsius: null,
            airCelsius: null,
            groundCelsius: null,
            holdHours: null,
          },
        }),
      )
      if (mine !== asked) return
      charge.value = answer
      error.value = null
    } catch (e) {
      if (mine === asked) {
        error.value = e
        charge.value = null
      }
    } finally {
      if (mine === asked) busy.value = false
    }
  }

  watch(
    [open, () => JSON.stringify([design(), part(), how])],
    ([isOpen]) => {
      window.clearTimeout(timer)
      if (isOpen) timer = window.setTimeout(ask, charge.value ? 250 : 0)
    },
    { immediate: true },
  )

  const second = computed(() => {
    const all = charge.value?.seconds ?? []
    return moment.value * (all[all.length - 1] ?? 0)
  })
  const frame = computed(() => {
    const frames = charge.value?.frames ?? []
    return frames.reduce<Views['Frame'] | null>(
      (best, f) =>
        !best || Math.abs(f.second - second.value) < Math.abs(best.second - second.value)
          ? f
          : best,
      null,
    )
  })
  const hottest = computed(() =>
    Math.max(0, ...(charge.value?.frames ?? []).flatMap((f) => f.section.celsius)),
  )
  return { charge, error, busy, moment, second, frame, hottest }
}
