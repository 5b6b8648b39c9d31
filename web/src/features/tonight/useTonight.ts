import { computed, onBeforeUnmount, onMounted, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ago } from '@/shared/ages'
import { reached } from '@/shared/answers'
import { api, body, type Views } from '@/shared/api/client'
import { heardKey } from '@/shared/database'
import { keep as remember, kept as recalled } from '@/shared/outbox'
import { useSession } from '@/shared/session'
import { nextMoment } from '@/shared/units'
import { rememberLow } from '../house/useTrial'
import { newId } from '../store/designs'
import { fromAddress, later, toAddress, type Doing } from './doings'

/** What somebody typed of the night. */
export type Asked = ReturnType<typeof useTonight>['asked']
type Night = Views['TonightView']
type Nights = Views['NightsView']

const QUARTER_MS = 15 * 60_000
const TYPED_MS = 250 // until a hand rests
const LOOKED_AGAIN_MS = 60_000
const SAME_NIGHT_MS = 8 * 3_600_000

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
  /** Whether the address asks for a night of its own. */
  const addressed = Object.keys(route.query).some((k) => k !== 'house')
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
  /** The age of what is shown where it was said before; empty where it is fresh. */
  const asKnown = ref('')

  interface Last {
    answer: Night
    nights: Nights | null
    heard: number
    /** Whether nothing was typed or planned: what is asked of a fresh page. */
    plain: boolean
  }

  /** The house of the night that is shown. */
  let shown = ''

  /** What was last said of this house's night, with its age, until it is said anew. */
  async function recall() {
    const house = asked.house
    const last = await recalled<Last>(heardKey('tonight', holding, house))
    if (!last || house !== asked.house || night.value) return
    if (reached.value && (!last.plain || Date.now() - last.heard > SAME_NIGHT_MS)) return
    nights.value = last.nights
    showKnown(last.answer, house, Date.now() - last.heard)
  }

  function showKnown(answer: Night, house: string, age: number) {
    shown = house
    night.value = answer
    band.value = { low: answer.low, high: answer.high }
    without.value = answer.without
    asKnown.value = ago(age)
  }

  /** What anybody was told last, while it is worked out anew; of no matter where that is quicker. */
  async function othersKnow() {
    const house = asked.house
    const known = await body(
      api.GET('/api/holdings/{holdingId}/houses/{houseId}/tonight', there()),
    ).catch(() => null)
    if (!known || night.value || house !== asked.house) return
    const age = session.now().getTime() - Date.parse(known.at)
    showKnown(known.night, house, age)
    rememberNight(true, age)
  }

  const by = session.me?.person?.id

  function rememberNight(plain: boolean, age = 0) {
    if (!night.value || session.me?.person?.id !== by) return
    const last: Last = {
      plain,
      answer: night.value,
      nights: nights.value,
      heard: Date.now() - age,
    }
    void remember(heardKey('tonight', holding, shown), last)
  }

  /** Whether nothing is typed or planned here. */
  function isPlain() {
    const typed = Object.entries(asked).flatMap(([k, v]) => (k === 'house' ? [] : [v]))
    return !said.value && ![...typed, ...Object.values(read)].some((v) => v != null && v !== '')
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
  const line = newId() // of what is asked here only the newest matters
  const there = () => ({ params: { path: { holdingId: holding, houseId: asked.house } } })

  async function ask(quick = false) {
    if (!asked.house) return
    const mine = ++turn
    if (!night.value && !addressed) {
      await recall().catch(() => null)
      if (!night.value && asked.low == null) void othersKnow()
    }
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
    const house = asked.house
    try {
      const answer = await body(
        api.POST('/api/holdings/{holdingId}/houses/{houseId}/tonight', {
          params: { ...there().params, header: { 'Nightbank-Line': line } },
          body: question(quick),
        }),
      )
      if (mine === turn) take(answer, house, quick)
    } catch (e) {
      if (mine !== turn) return
      error.value = e
      if (!night.value) await recall().catch(() => null)
    } finally {
      if (mine === turn) busy.value = false
    }
  }

  function take(answer: Night, house: string, quick: boolean) {
    shown = house
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
    rememberNight(isPlain())
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
      rememberNight(isPlain())
      if (quick && answer.breaksFirst != null) void ahead(false)
    } catch {
      if (mine === turn && quick) nights.value = null // tonight's own error says why
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
      timer = window.setTimeout(() => ask(), night.value ? TYPED_MS : 0)
    },
    { immediate: true },
  )
  watch(
    () => asked.house,
    (_, before) => {
      if (!before) return
      turn++ // what is still to come is of the other house
      said.value = null
      nights.value = null
    },
  )

  /** The clock goes on: said anew on readings, every quarter of an hour, and when it is looked at again. */
  let heard = Date.now()
  function renew() {
    if (document.hidden || busy.value || waiting) return
    heard = Date.now()
    void ask()
  }
  const every = window.setInterval(renew, QUARTER_MS)
  const looked = () => {
    if (Date.now() - heard > LOOKED_AGAIN_MS) renew()
  }
  onMounted(() => document.addEventListener('visibilitychange', looked))
  onBeforeUnmount(() => {
    window.clearInterval(every)
    document.removeEventListener('visibilitychange', looked)
  })

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
    renew,
    looked,
    change,
    taken,
    planSo,
    question,
  }
}
