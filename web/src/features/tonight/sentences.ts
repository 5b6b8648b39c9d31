import type { Views } from '@/shared/api/client'
import type { Lane } from './doings'
import {
  clock,
  day,
  degrees,
  kelvins,
  energyOf,
  percent,
  type Temperature,
  powerOf,
  massOf,
  speedOf,
  weekday,
} from '@/shared/units'

type Night = Views['TonightView']
type Doing = Views['Doing']

/** What will happen, in one sentence. */
export function headline(n: Night, u: Temperature, zone: string): string {
  const when = clock(Date.parse(n.coldestAt) / 1000, zone)
  const what = {
    LEAF: 'leaves at their coldest',
    FELT: 'coldest to people',
    AIR: 'coldest',
  }[n.coldestIs]
  const coldest = `${what ?? 'coldest'} ${degrees(n.coldestCelsius, u)} at ${when}`
  if (n.verdict === 'HELD')
    return `Tonight holds: ${coldest}, ${kelvins(n.marginKelvin, u)} to spare.`
  if (n.verdict === 'CLOSE')
    return n.marginKelvin >= 0
      ? `Tonight is close: ${coldest}, only ${kelvins(n.marginKelvin, u)} to spare.`
      : `Tonight is close: ${coldest}, ${kelvins(-n.marginKelvin, u)} too cold.`
  return `Tonight is lost as things stand: ${coldest}, ${kelvins(-n.marginKelvin, u)} too cold.`
}

const houseWord: Record<string, string> = {
  SCREEN: 'Screen',
  COVER: 'Fleece',
  STUFF_GAPS: 'Rags in the gaps',
  DOOR_OPEN: 'Door open',
}

/** A lane of the rail. */
export function laneWord(l: Lane): string {
  if (l.part === 'STORE') return `Lid of the ${lower(l.name)}`
  if (l.part === 'HOUSE') return houseWord[l.offer?.kind ?? ''] ?? l.name
  return l.name
}

const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1)
const at = (iso: string, zone: string) => clock(Date.parse(iso) / 1000, zone)
const flames = (n: number) => (n === 1 ? '1 flame' : `${n} flames`)

/** One mark, for those who hear the page. */
export function markWord(d: Doing, l: Lane): string {
  const what: Partial<Record<Doing['kind'], string>> = {
    LOAD: 'load',
    BYPASS: 'bypass',
    DAMPER_SHUT: 'damper',
    STOP: 'off',
  }
  return what[d.kind] ? `${laneWord(l)}, ${what[d.kind]}` : laneWord(l)
}

/** When and how much, beside a handle. */
export function doingWord(d: Doing, l: Lane, zone: string): string {
  const span = `${at(d.from, zone)} to ${at(d.to, zone)}`
  switch (d.kind) {
    case 'LOAD':
      return `${at(d.from, zone)} ${massOf(d.amount ?? 0)}`
    case 'BYPASS':
      return `bypass open to ${at(d.to, zone)}`
    case 'DAMPER_SHUT':
      return `damper shut ${at(d.from, zone)}`
    case 'QUENCH':
      return `smothered ${at(d.from, zone)}`
    case 'STOP':
      return `off ${span}`
    case 'RUN':
      if (l.part === 'FLAMES' && d.amount != null) return `${flames(d.amount)}, ${span}`
      return d.amount == null ? span : `${span}, ${powerOf(d.amount)}`
    default:
      return `from ${at(d.from, zone)}`
  }
}

/** What ran by itself. */
export function runWord(l: Lane): string {
  const r = l.runs
  if (!r) return ''
  const heat = energyOf(r.heatJoules)
  if (r.kind === 'HEAP' || r.kind === 'SUNLIGHT') return `gives ${heat} by itself`
  const ran = `${Math.round(r.runSeconds / 360) / 10} h`
  const does = r.kind === 'CIRCUIT' ? 'moves' : 'gives'
  return r.starts > 1
    ? `by itself: on ${r.starts} times, ${ran}, ${does} ${heat}`
    : `by itself: ${ran}, ${does} ${heat}`
}

/** One thing to do, as one says it. */
export function errand(d: Doing, n: Night, zone: string): string {
  const to = n.possible.find((p) => p.of === d.of)
  const of = to?.name ?? n.parts.find((p) => p.id === d.of)?.name ?? ''
  return deed(d, of, to?.part, zone)
}

/** The same of what has this name and is this kind of part. */
export function deed(
  d: Omit<Doing, 'of'>,
  name: string,
  part: string | undefined,
  zone: string,
): string {
  const what = lower(name)
  switch (d.kind) {
    case 'LOAD':
      return `lay ${massOf(d.amount ?? 0)} on the ${what} at ${at(d.from, zone)}`
    case 'BYPASS':
      return `keep the bypass of the ${what} open until ${at(d.to, zone)}`
    case 'DAMPER_SHUT':
      return `shut the damper of the ${what} at ${at(d.from, zone)}`
    case 'QUENCH':
      return `smother the ${what} at ${at(d.from, zone)}`
    case 'RUN': {
      const many = part === 'FLAMES' && d.amount != null ? `${flames(d.amount)} of the ` : 'the '
      return `run ${many}${what} from ${at(d.from, zone)} to ${at(d.to, zone)}`
    }
    case 'STOP':
      return `switch the ${what} off at ${at(d.from, zone)}`
    case 'LID_OFF':
      return `take the lid off the ${what} at ${at(d.from, zone)}`
    case 'SCREEN':
      return `draw the screen at ${at(d.from, zone)}`
    case 'STUFF_GAPS':
      return `stuff the gaps by ${at(d.from, zone)}`
    case 'DOOR_OPEN':
      return `open the door at ${at(d.from, zone)}`
    default:
      return `lay fleece over the plants by ${at(d.from, zone)}`
  }
}

const listed = (words: string[]) =>
  words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}` : words[0]

/** What to do, in one sentence; blank when nothing is needed. */
export function advice(n: Night, u: Temperature, zone: string): string {
  const a = n.advice
  if (!a || !a.actions.length) return ''
  const doing = listed(a.actions.map((d) => errand(d, n, zone)))
  const said = doing.charAt(0).toUpperCase() + doing.slice(1)
  const wait = a.latest ? ` It can wait until ${at(a.latest, zone)}.` : ''
  if (a.holds) return `${said}: then it holds, coldest ${degrees(a.coldestCelsius, u)}.${wait}`
  const lack =
    a.shortage === 'SPEED'
      ? '; the heat does not come out fast enough'
      : a.shortage === 'NO_STORE'
        ? '; no store reaches the house'
        : a.shortage === 'HEAT'
          ? '; there is not enough heat'
          : ''
  const tried = a.untried > 0 ? ' Not everything was tried.' : ''
  return `Nothing at hand makes it sure. ${said} comes nearest, coldest ${degrees(a.coldestCelsius, u)}${lack}.${tried}`
}

/** The day of a night, counted by its evening. */
export const nightName = (n: Views['NightView'], i: number, zone: string) =>
  i === 0 ? 'Tonight' : weekday(Date.parse(n.dusk) / 1000, zone)

/** What the nights ahead come to, in one sentence or two. */
export const aheadWord = (n: Views['NightsView'], names: Night, zone: string) =>
  [aheadShort(n, zone), aheadPlan(n, names, zone)].filter(Boolean).join(' ')

/** Which of the nights ahead breaks first. */
export function aheadShort(n: Views['NightsView'], zone: string): string {
  const count = n.nights.length
  if (count < 2) return ''
  if (n.breaksFirst == null) return `The ${count} nights that the forecast reaches all hold.`
  const breaks = nightName(n.nights[n.breaksFirst], n.breaksFirst, zone)
  const first =
    n.breaksFirst === 0 ? 'Tonight breaks first' : `${breaks} is the night that breaks first`
  return n.advice && !toBeDone(n).length ? `${first}; nothing at hand holds it.` : `${first}.`
}

/** What to do over the days, and until when it can wait; empty where nothing is advised. */
export function aheadPlan(n: Views['NightsView'], names: Night, zone: string): string {
  const own = toBeDone(n)
  const a = n.advice
  if (n.breaksFirst == null || !a || !own.length) return ''
  const when = (iso: string) => weekday(Date.parse(iso) / 1000, zone)
  const days = [...new Set(own.map((d) => when(d.from)))]
  const doing = days
    .map((w) => {
      const that = own.filter((d) => when(d.from) === w).map((d) => errand(d, names, zone))
      return `${w} ${listed(that)}`
    })
    .join('; ')
  const end = a.holds ? 'then all of them hold' : 'that comes nearest'
  const last = a.latest ? ` It can wait until ${when(a.latest)} ${at(a.latest, zone)}.` : ''
  return `${doing}: ${end}.${last}`
}

/** What is advised over the days and not planned yet. */
const toBeDone = (n: Views['NightsView']) => n.advice?.actions.filter((d) => !planned(n, d)) ?? []

const planned = (n: Views['NightsView'], d: Doing) =>
  n.nights.some((x) =>
    x.actions.some((p) => p.kind === d.kind && p.of === d.of && p.from === d.from),
  )

/** One night ahead, in words. */
export function nightWord(
  v: Views['NightView'],
  i: number,
  names: Night,
  u: Temperature,
  zone: string,
): string {
  const plan = v.actions.length
    ? ` Planned: ${listed(v.actions.map((d) => errand(d, names, zone)))}.`
    : ''
  return (
    `${nightName(v, i, zone)}: ${degrees(v.outdoorLowest, u)} outdoors, coldest ${degrees(v.coldestCelsius, u)} ` +
    `at ${at(v.coldestAt, zone)}, ${percent(v.chanceOfHolding)} likely to hold.${plan}`
  )
}

/** What one thing otherwise would be worth, fuel and power spent all the same. */
export function otherwise(w: Views['What'], u: Temperature): string {
  const by = kelvins(Math.abs(w.gainKelvin), u)
  if (w.kind === 'WITHOUT_STORE') {
    const peak = w.peakKelvin > 0.3 ? `, and the evening ${kelvins(w.peakKelvin, u)} hotter` : ''
    const way = w.gainKelvin <= 0 ? 'colder' : 'warmer'
    return `Without the ${lower(w.of)}, the same fuel burnt, it would be ${by} ${way}${peak}.`
  }
  if (w.kind === 'GAPS_HALVED') return `Half the draught would make it ${by} warmer.`
  return `A second skin inside the ${lower(w.of)} would make it ${by} warmer.`
}

/** What is lacking, in heat, in power and in the grower's own means. */
export function shortage(n: Night, u: Temperature, zone: string): string {
  if (n.shortKind === 'NONE') return ''
  if (n.setWarmerKelvin != null)
    return `The heat is there and the thermostat stops it: set ${kelvins(n.setWarmerKelvin, u)} warmer, this night holds. Leaves are colder than the air that it feels.`
  const why =
    n.shortKind === 'NO_STORE'
      ? 'No store reaches the house.'
      : n.shortKind === 'HEAT'
        ? 'The stores run out before sunrise.'
        : 'The stores still hold heat then; it does not come out fast enough.'
  const candles = n.shortCandles <= 60 ? `${n.shortCandles} candles, ` : ''
  return `${why} Short by ${energyOf(n.shortJoules)}: ${powerOf(n.shortWatts)} from ${at(n.shortFrom, zone)} to sunrise would hold it, as would ${candles}${massOf(n.shortWoodKilograms)} of dry wood or one heater of that power.`
}

export function certainty(n: Night, u: Temperature): string {
  const { chanceOfHolding, coldestTenth, coldestNinetieth } = n
  if (chanceOfHolding == null || coldestTenth == null || coldestNinetieth == null) return ''
  return `${percent(chanceOfHolding)} likely to hold; eight nights in ten like this end between ${degrees(coldestTenth, u)} and ${degrees(coldestNinetieth, u)}.`
}

export const shelterWord = {
  OPEN: 'in the open',
  GARDEN: 'in a garden',
  YARD: 'in a yard',
} as const
export const wetWord = { DRY: 'dry', BEDS: 'beds and paths', WET: 'wet all over' } as const

function skyWord(cloud: number): string {
  if (cloud < 0.2) return 'clear'
  if (cloud > 0.8) return 'overcast'
  return `${percent(cloud)} clouded`
}

/** How far the coldest moment moves where a guess is as wrong as it may well be. */
function worthOf(a: Views['Assumption'], u: Temperature): string {
  if (a.worthKelvin == null) return ''
  if (a.worthKelvin < 0.05) return ': worth next to nothing tonight'
  return `: worth ± ${kelvins(a.worthKelvin, u)} tonight`
}

/** What was taken as given, and from where. */
export function assumption(a: Views['Assumption'], u: Temperature, zone: string): string {
  const when = a.at
    ? `${day(Date.parse(a.at) / 1000, zone)} ${clock(Date.parse(a.at) / 1000, zone)}`
    : ''
  const t = a.value == null ? '' : degrees(a.value, u)
  switch (a.code) {
    case 'EVENING_READ':
      return `Outdoors starts at ${t}, read ${when}.`
    case 'EVENING_GUESSED':
      return `Nobody read the air outdoors; it is taken to start at ${t}.`
    case 'AIR_READ':
      return `The house starts at ${t}, read ${when}.`
    case 'AIR_GUESSED':
      return `Nobody read the air in the house; it is taken to start at ${t}.`
    case 'WEATHER_FORECAST':
      return `The weather is the forecast’s of ${when}: a low of ${t}.`
    case 'WEATHER_FILE':
      return `The weather is that of the file handed over ${when}: a low of ${t}.`
    case 'WEATHER_ENDS':
      return `It reaches only to ${when}; from then on the last hour is taken to stay.`
    case 'MASS_FROM_DAY':
      return `Walls and floor start at ${t}, the mean of the air over the last day.`
    case 'MASS_GUESSED':
      return `Walls and floor are taken as warm as the air, ${t}.`
    case 'SKY':
      return `The sky is ${skyWord(a.value ?? 0.5)}${a.of === 'TYPED' ? '' : ', as far as told'}${worthOf(a, u)}.`
    case 'WIND':
      return `The wind is ${speedOf(a.value ?? 0)} at ten metres${worthOf(a, u)}.`
    case 'SHELTER':
      return `${percent(a.value ?? 0)} of it reaches the house, which stands ${shelterWord[a.of as keyof typeof shelterWord] ?? 'in a garden'}.`
    case 'WETNESS':
      return `Underfoot it is ${wetWord[a.of as keyof typeof wetWord] ?? 'beds and paths'}; what they give off condenses on the skin${worthOf(a, u)}.`
    case 'HOUSE_LEARNED':
      return `The house loses heat as ${a.of} of its nights taught.`
    case 'STORE_UNREAD':
      return `${a.of} has never been read; it starts at ${t}, as what is round it and its own heat tell.`
    case 'PLANNED_GONE':
      return `Something planned for ${when} is left out: what it was done with is gone.`
    case 'STORE_STALE':
      return `${a.of} was last read ${when}; that is too old to lean on.`
    case 'HEAP_FED':
      return `${a.of} is reckoned with the ${massOf(a.value ?? 0)} that the log says were put on, last ${when}.`
    case 'STORE_AGE':
      return `${a.of} was last read ${when}; it has lost some since.`
    default:
      return ''
  }
}
