import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, body, Refusal, type Views } from '@/shared/api/client'
import { keep as remember, kept as recalled } from '@/shared/outbox'
import { useSession } from '@/shared/session'
import { clock, nextMoment } from '@/shared/units'
import { rememberLow } from '../house/useTrial'
import { fromAddress, later, toAddress, type Doing } from './doings'

/** What somebody typed of the night. */
export type Asked = ReturnType<typeof useTonight>['asked']
type Night = Views['TonightView']
type Nights = Views['NightsView']

/** One house's coming night and the nights after it, asked anew as something is said or moved. */
export function useTonight(holding: string) {
  const session = useSession()
  const route = useRoute()
  const router = useRouter()
  const zone = computed(() => session.zone(holding))
  const q = (name: string) => (route.query[name] == null ? null : Number(route.query[name]))
  const asked = reactive({
    house: typeof route.query.house === 'string' ? route.query.house : '',
    low: q('low'),
    evening: q('evening'),
    air: q('air'),
    floor: q('floor'),
    hour: typeof route.query.hour === 'string' ? route.query.hour : '',
    cloud: q('cloud') as number | null,
    wind: q('wind') as number | null,
  })
  /** What the stores read now, where somebody types it instead of logging it. */
  const read = reactive<Record<string, number | null>>({})
  /** What will be done; null while nobody has said so and the stores' own hours stand. */
  const said = ref<Doing[] | null>(
    route.query.do == null ? null : fromAddress(String(route.query.do)),
  )
  const night = ref<Night | null>(null)
  const nights = ref<Nights | null>(null)
  const doings = computed(() => said.value ?? night.value?.actions ?? [])
  const band = ref<{ low: number[]; high: number[] }>({ low: [], high: [] })
  const without = ref<number[]>([])
  const error = ref<unknown>(null)
  const busy = ref(false)
  /** Whether the nights ahead are being worked through for the first time. */
  const looking = ref(false)
  /** Whether the least work over the days is being looked for. */
  const searching = ref(false)
  /** Without signal, the hour of the last answer that there was. */
  const asKnown = ref('')

  async function recall() {
    const last = await recalled<{ answer: Night; at: string }>(`tonight:${holding}`)
    if (!last) return
    night.value = last.answer
    band.value = { low: last.answer.low, high: last.answer.high }
    without.value = last.answer.without
    asKnown.value = clock(Date.parse(last.at) / 1000, zone.value)
  }

  let turn = 0
  let waiting = false
  let again = false
  let whole = false

  /**
   * The middle night alone, while something is moved: one request at a time, the newest next; the
   * whole answer once the hand rests.
   */
  async function follow() {
    if (waiting) {
      again = true
      return
    }
    waiting = true
    do {
      again = false
      await ask(true)
    } while (again)
    waiting = false
    if (whole) {
      window.clearTimeout(timer)
      timer = window.setTimeout(() => ask(), 120)
    }
  }

  function change(next: Doing[] | null, done: boolean) {
    said.value = next
    whole = done
    window.clearTimeout(timer)
    void follow()
  }

  /** What is known and said, as the server is asked. */
  const question = (quick: boolean): Views['TonightQuestion'] => ({
    lowCelsius: asked.low as number,
    lowAt: nextMoment(
      asked.hour,
      Date.parse(session.me?.now ?? '') || Date.now(),
      zone.value,
    ) as string,
    eveningCelsius: asked.evening as number,
    airCelsius: asked.air as number,
    floorCelsius: asked.floor as number,
    stores: Object.entries(read)
      .filter(([, celsius]) => celsius != null)
      .map(([id, celsius]) => ({ id, celsius: celsius as number })),
    cloud: asked.cloud as number,
    wind: asked.wind as number,
    actions: said.value as Doing[],
    quick,
    design: null as unknown as Views['HouseDesign'],
  })
  const there = () => ({ params: { path: { holdingId: holding, houseId: asked.house } } })

  async function ask(quick = false) {
    if (!asked.house) return
    const mine = ++turn
    if (!quick) {
      if (asked.low != null) rememberLow(asked.low)
      busy.value = true
      const facts = Object.entries({
        ...asked,
        do: said.value && (toAddress(said.value) || 'none'),
      })
      void router.replace({
        query: Object.fromEntries(
          facts.filter(([, v]) => v != null && v !== '').map(([k, v]) => [k, String(v)]),
        ),
      })
    }
    try {
      const answer = await body(
        api.POST('/api/holdings/{holdingId}/houses/{houseId}/tonight', {
          ...there(),
          body: question(quick),
        }),
      )
      if (mine === turn) take(answer, quick)
    } catch (e) {
      if (mine !== turn) return
      error.value = e
      if (e instanceof Refusal && e.code === 'no-signal' && !night.value) await recall()
    } finally {
      if (mine === turn) busy.value = false
    }
  }

  function take(answer: Night, quick: boolean) {
    if (quick && night.value) lean(answer)
    else {
      band.value = { low: answer.low, high: answer.high }
      without.value = answer.without
    }
    if (said.value && answer.assumptions.some((a) => a.code === 'PLANNED_GONE')) {
      const known = [...answer.possible.map((p) => p.of), ...answer.parts.map((p) => p.id)]
      known.push(...answer.stores.map((s) => s.id))
      said.value = said.value.filter((d) => !d.of || known.includes(d.of))
    }
    night.value = quick && night.value ? { ...answer, ...kept(night.value) } : answer
    error.value = null
    asKnown.value = ''
    if (quick) return
    void remember(`tonight:${holding}`, { answer, at: session.me?.now, house: asked.house })
    void ahead(true)
  }

  /** The nights ahead: first how they go, then, where one breaks, what would hold them all. */
  async function ahead(quick: boolean) {
    const mine = turn
    looking.value = !nights.value
    searching.value = !quick
    try {
      const answer = await body(
        api.POST('/api/holdings/{holdingId}/houses/{houseId}/nights-ahead', {
          ...there(),
          body: question(quick),
        }),
      )
      if (mine !== turn) return
      nights.value = answer
      looking.value = false
      if (quick && answer.breaksFirst != null) void ahead(false)
    } catch {
      if (mine === turn) nights.value = null // tonight's own error says why
    } finally {
      if (mine === turn) {
        looking.value = false
        searching.value = false
      }
    }
  }

  /** Until the whole answer comes, the band is carried along by what the middle night moved. */
  function lean(answer: Night) {
    const before = night.value?.plants ?? []
    const by = answer.plants.map((v, i) => v - (before[i] ?? v))
    band.value = {
      low: band.value.low.map((v, i) => v + (by[i] ?? 0)),
      high: band.value.high.map((v, i) => v + (by[i] ?? 0)),
    }
  }

  const kept = (n: Night) => ({
    advice: n.advice,
    counterfactuals: n.counterfactuals,
    without: n.without,
  })

  let timer = 0
  watch(
    [asked, read],
    () => {
      window.clearTimeout(timer)
      timer = window.setTimeout(() => ask(), 250)
    },
    { immediate: true },
  )
  watch(
    () => asked.house,
    (_, before) => {
      if (!before) return
      said.value = null
      nights.value = null
    },
  )

  /** Whether tonight's advice is what is planned tonight. */
  const taken = computed(() => {
    const n = night.value
    if (!n?.advice) return false
    const end = n.at[n.at.length - 1]
    const tonight = doings.value.filter((d) => !later(d, end))
    return toAddress(n.advice.actions) === toAddress(tonight)
  })
  /** Takes tonight's advice; what is planned for later nights stays. */
  function planSo() {
    const n = night.value
    if (!n?.advice) return
    const end = n.at[n.at.length - 1]
    change([...n.advice.actions, ...doings.value.filter((d) => later(d, end))], true)
  }

  return {
    zone,
    asked,
    read,
    said,
    night,
    nights,
    doings,
    band,
    without,
    error,
    busy,
    looking,
    searching,
    asKnown,
    ask,
    change,
    taken,
    planSo,
    question,
  }
}
