import type { QueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import {
  bookQuery,
  buildQuery,
  catalogueQuery,
  runsQuery,
  storeQuery,
  storesQuery,
} from './features/store/queries'
import { alarmBookQuery, alarmsQuery } from './features/alarm/queries'
import { changesQuery } from './features/change/queries'
import { eventsQuery, lately, roundsQuery, walkQuery } from './features/log/queries'
import { fewQuery, judgementQuery, loopsQuery, runReadingsQuery } from './features/run/queries'
import { holdingQuery, homeQuery, peopleQuery } from './features/account/queries'
import { houseQuery, housesQuery } from './features/house/queries'
import { learnedQuery, nightsQuery, statementQuery } from './features/record/queries'
import { notebookQuery, tomorrow } from './features/notebook/queries'
import { partsQuery } from './features/part/queries'
import { daysBefore, spanOf, todayIn, winterOf } from './features/record/winters'
import { thermometersQuery } from './features/thermometer/queries'
import { upkeepQuery, woodQuery } from './features/upkeep/queries'
import { trialQuery, trialsQuery } from './features/trial/queries'
import { api } from './shared/api/client'
import { reached } from './shared/answers'
import { heardKey } from './shared/database'
import { keep, kept } from './shared/outbox'
import { useSession } from './shared/session'

/** When all that the pages of a holding show was last fetched, in ms; null before. */
export const fetchedAhead = ref<number | null>(null)

const OFTEN = 30 * 60_000 // ms
const PATIENCE_MS = 60_000 // until the page is kept
const NEWEST_RUNS = 6 // of a store
let going = false

/**
 * Fetches what the pages of a holding show, one after the other, so that after one visit every page opens
 * without signal. Whatever cannot be fetched is left out.
 */
export async function fetchAhead(client: QueryClient, holding: string) {
  if (going) return
  going = true
  try {
    await fetchAll(client, holding)
  } finally {
    going = false
  }
}

/** Whether the page itself opens without signal; where it may not be kept it never does. */
const pageKept = async () =>
  !import.meta.env.PROD ||
  Promise.race([
    navigator.serviceWorker?.ready.then(() => true) ?? false,
    new Promise<boolean>((done) => setTimeout(() => done(false), PATIENCE_MS)),
  ])

async function fetchAll(client: QueryClient, holding: string) {
  const key = heardKey('ahead', holding)
  fetchedAhead.value = (await kept<number>(key)) ?? null
  if (fetchedAhead.value && Date.now() - fetchedAhead.value < OFTEN) return
  const session = useSession()
  const own = { params: { path: { holdingId: holding } } }
  const by = session.me?.person?.id
  const still = () => !!by && session.me?.person?.id === by && reached.value
  const get = async <T>(q: { queryKey: readonly unknown[] }) =>
    still()
      ? (client.fetchQuery(q as never).catch(() => undefined) as Promise<T | undefined>)
      : undefined
  const stores = (await get<{ id: string; planned: boolean }[]>(storesQuery(holding))) ?? []
  const houses = (await get<{ id: string }[]>(housesQuery(holding))) ?? []
  const today = todayIn(session.zone(holding), session.me?.now)
  const [from, to] = lately(session.now())
  const south = session.south(holding)
  const winter = spanOf(winterOf(today, south), south, today)
  for (const q of [
    catalogueQuery(),
    partsQuery(holding),
    thermometersQuery(holding),
    walkQuery(holding),
    roundsQuery(holding),
    eventsQuery(holding, from, to),
    bookQuery(holding),
    holdingQuery(holding),
    peopleQuery(holding),
    homeQuery,
    changesQuery(holding),
    alarmsQuery(holding),
    ...(session.role(holding) === 'KEEPER' ? [alarmBookQuery(holding)] : []),
    upkeepQuery(holding),
    woodQuery(holding),
    loopsQuery(holding),
    notebookQuery(holding, null, tomorrow(session.now())),
    ...houses.flatMap((h) => [
      houseQuery(holding, h.id),
      nightsQuery(holding, h.id, ...winter),
      learnedQuery(holding, h.id, ...winter),
    ]),
    statementQuery(holding, '', daysBefore(today, 27), today),
    statementQuery(holding, '', ...winter),
    ...stores.flatMap((s) => [
      storeQuery(holding, s.id),
      buildQuery(holding, s.id),
      notebookQuery(holding, s.id, tomorrow(session.now())),
    ]),
  ])
    await get(q)
  for (const { id: houseId } of houses)
    await api
      .GET('/api/holdings/{holdingId}/houses/{houseId}/tonight', {
        params: { path: { holdingId: holding, houseId } },
      })
      .catch(() => null)
  await api.GET('/api/holdings/{holdingId}/devices', own).catch(() => null)
  await api.GET('/api/holdings/{holdingId}/health', own).catch(() => null)
  for (const s of stores) {
    const runs = (await get<{ id: string; from: string }[]>(runsQuery(holding, s.id))) ?? []
    for (const r of [...runs].sort((a, b) => b.from.localeCompare(a.from)).slice(0, NEWEST_RUNS)) {
      await get(runReadingsQuery(holding, r.id))
      if (!(await get(judgementQuery(holding, r.id)))) await get(fewQuery(holding, r.id))
    }
  }
  const trials = (await get<{ id: string }[]>(trialsQuery(holding))) ?? []
  for (const t of trials) await get(trialQuery(holding, t.id, null))
  if (!(await pageKept()) || !still()) return
  fetchedAhead.value = Date.now()
  await keep(key, fetchedAhead.value)
}
