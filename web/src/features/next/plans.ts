import { queryOptions } from '@tanstack/vue-query'
import { api, body, type Views } from '@/shared/api/client'
import { kelvins, type Temperature } from '@/shared/units'
import { deedOf, nightsOf, priceOf, rangeOf } from './sentences'

export type Plan = Views['PlanView']

export const plansQuery = (holdingId: string) =>
  queryOptions({
    queryKey: ['holding', holdingId, 'plans'],
    queryFn: () =>
      body(api.GET('/api/holdings/{holdingId}/plans', { params: { path: { holdingId } } })),
    meta: { aside: true },
  })

/** A change as a search tells of it. */
export const keepPlan = (holdingId: string, planId: string, ranking: string, change: string) =>
  body(
    api.PUT('/api/holdings/{holdingId}/plans/{planId}', {
      params: { path: { holdingId, planId } },
      body: { ranking, change },
    }),
  )

/** The first evening with it; null: not made after all. */
export const planMade = (holdingId: string, planId: string, on: string | null) =>
  body(
    api.PUT('/api/holdings/{holdingId}/plans/{planId}/made', {
      params: { path: { holdingId, planId } },
      body: { on },
    }),
  )

export const dropPlan = (holdingId: string, planId: string) =>
  body(
    api.DELETE('/api/holdings/{holdingId}/plans/{planId}', {
      params: { path: { holdingId, planId } },
    }),
  )

const AT_STORES: Plan['kind'][] = ['LID', 'MORE_MASS', 'WATER_FILL', 'FOOT', 'HEAP_LOOP']

/** Whether it is done to a store, whose build sheet says how. */
export const isAtStore = (c: Pick<Plan, 'kind' | 'of'>) => !!c.of && AT_STORES.includes(c.kind)

/** Where a change is made. */
export const placeOf = (holding: string, house: string, c: Pick<Plan, 'kind' | 'of'>) =>
  !c.of
    ? { name: 'house', params: { holding, house } }
    : isAtStore(c)
      ? { name: 'store', params: { holding, store: c.of } }
      : { name: 'stores', params: { holding } }

/** What was told of it when it was kept. */
export function toldSentence(p: Plan, u: Temperature): string {
  const t = p.told
  const saved = t.saved.middle >= 0.25 ? `${rangeOf(t.saved)} fewer lost, ` : ''
  return `Told: ${saved}the hard nights ${kelvins(t.warmerKelvin.middle, u)} warmer (${kelvins(t.warmerKelvin.low, u)} to ${kelvins(t.warmerKelvin.high, u)}); ${priceOf(t.money, t.hours, t.currency)}.`
}

/** What the nights since say of it. */
export function shownSentence(p: Plan, u: Temperature): string {
  if (!p.doneOn) return ''
  if (!p.shownByLows) return 'It asks less of the house; the house’s lows do not tell what it did.'
  const s = p.shown
  if (!s)
    return 'Too few nights were read to say what it did: three before and three since, between it and the next change.'
  const by = `${kelvins(Math.abs(s.warmerKelvin), u)} ${s.warmerKelvin < 0 ? 'colder' : 'warmer'}`
  const nights = `The ${nightsOf(s.nightsAfter)} since were, against ${s.nightsBefore} before, ${by} in the same cold`
  const doubt = `${kelvins(s.lowKelvin, u)} to ${kelvins(s.highKelvin, u)}`
  const care = s.otherCold ? ' They met hardly the same cold, so take it with care.' : ''
  switch (s.kept) {
    case 'AS_TOLD':
      return `${nights} (${doubt}): as was told.${care}`
    case 'MORE':
      return `${nights} (${doubt}): more than was told.${care}`
    case 'LESS':
      return `${nights} (${doubt}): less than was told. Is all of it made, and does it stay shut?${care}`
    case 'CANNOT_TELL':
      return `${nights}, but anything from ${doubt} fits: more nights would tell.${care}`
  }
}

/** What was changed on an evening, in the words of plans. */
export const deedsOn = (plans: Plan[], house: string, evening: string, u: Temperature) =>
  plans.filter((p) => p.houseId === house && p.doneOn === evening).map((p) => deedOf(p, u))
