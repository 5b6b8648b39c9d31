import { wordOf } from '@/features/log/doneKinds'
import type { Views } from '@/shared/api/client'
import {
  clock,
  degrees,
  kelvins,
  massOf,
  energyOf,
  conductanceOf,
  type Temperature,
} from '@/shared/units'
import { evening } from './winters'

type Nights = Views['PastNightView']
type Night = Nights['nights'][number]
type LearnedNight = Views['LearnedNight']
type Statement = Views['StatementView']

const times = (n: number) => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`)
const several = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`

/** A winter in one sentence. */
export function wallSentence(v: Nights): string {
  if (!v.nights.length) return 'No night of this time was read in this house.'
  const n = v.nights.length
  if (!v.close && !v.lost && !v.unknown)
    return n === 1 ? 'The one night that was read held.' : `All ${n} nights that were read held.`
  const parts = [
    `${v.held} held`,
    v.close ? `${v.close} ${v.close === 1 ? 'was' : 'were'} close` : '',
    v.lost ? `${v.lost} ${v.lost === 1 ? 'was' : 'were'} lost` : '',
    v.unknown
      ? `${v.unknown} ${v.unknown === 1 ? 'is' : 'are'} not known: too little was looked at`
      : '',
  ].filter(Boolean)
  return `Of ${several(n, 'night', 'nights')} ${parts.join(', ')}.`
}

const words = { HELD: 'held', CLOSE: 'was close', LOST: 'was lost' } as const

function knownSentence(n: Night, limit: number, u: Temperature, zone: string): string {
  const went = `The night of ${evening(n.evening)} ${words[n.verdict as keyof typeof words]}`
  if (n.lowestCelsius == null) return `${went}, by what was seen.`
  const margin = n.lowestCelsius - limit
  const where = margin >= 0 ? `${kelvins(margin, u)} over` : `${kelvins(-margin, u)} under`
  const at =
    n.lowestAt == null
      ? ' by the thermometer that keeps its lowest'
      : ` at ${clock(Date.parse(n.lowestAt) / 1000, zone)}`
  return `${went}: ${degrees(n.lowestCelsius, u)}${at}, ${where} the limit.`
}

/** What is known of a night that nobody looked through, and what the model says. */
function unknownSentences(n: Night, u: Temperature, zone: string): string[] {
  const hour = (iso: string) => clock(Date.parse(iso) / 1000, zone)
  const gap =
    n.lowestCelsius == null || n.unreadFrom == null || n.unreadTo == null
      ? 'nobody read the air'
      : `the air was not read from ${hour(n.unreadFrom)} to ${hour(n.unreadTo)}; what was read came down to ${degrees(n.lowestCelsius, u)}`
  const said = [`The night of ${evening(n.evening)} is not known: ${gap}.`]
  if (n.model)
    said.push(
      `By the house as described its low lies between ${degrees(n.model.lowCelsius, u)}, if the stores gave nothing more, and ${degrees(n.model.highCelsius, u)}, if they went on as they were.`,
    )
  else
    said.push(
      'Nobody read outdoors either, or nothing was read near dusk: the model says nothing of it.',
    )
  if (n.notBelowCelsius != null)
    said.push(`By what was seen it was not under ${degrees(n.notBelowCelsius, u)}.`)
  said.push('A thermometer that keeps its lowest, read in the morning, would tell.')
  return said
}

/** One night in sentences: how it went, what was seen, who paid. */
export function nightSentences(n: Night, limit: number, u: Temperature, zone: string): string[] {
  const said =
    n.verdict === 'UNKNOWN' ? unknownSentences(n, u, zone) : [knownSentence(n, limit, u, zone)]
  if (n.liftKelvin != null && n.outdoorLowest != null)
    said.push(
      `Outdoors fell to ${degrees(n.outdoorLowest, u)}; the house kept ${kelvins(n.liftKelvin, u)} above it.`,
    )
  if (n.coldDegreeHours > 0.05)
    said.push(`In all ${kelvins(n.coldDegreeHours, u)} h below the limit.`)
  for (const d of n.done)
    said.push(
      `${clock(Date.parse(d.at) / 1000, zone)}, ${[wordOf(d.kind, d.way).toLowerCase(), d.note.replace(/\.$/, '')].filter(Boolean).join(': ')}.`,
    )
  for (const s of n.seen) said.push(`Seen: ${s.replace(/\.$/, '')}.`)
  const paid = n.paid.filter((p) => p.joules > 3.6e4).sort((a, b) => b.joules - a.joules)
  if (paid.length)
    said.push(
      `While it was cold the stores paid: ${paid.map((p) => `${p.name} ${energyOf(p.joules)}`).join(', ')}.`,
    )
  return said
}

/** For whoever changed something that day: the nights from it on against those before. */
export function sinceSentence(s: Views['Since'], u: Temperature, deeds: string[] = []): string {
  const by = `${kelvins(Math.abs(s.warmerKelvin), u)} ${s.warmerKelvin < 0 ? 'colder' : 'warmer'}`
  const doubt = `${kelvins(s.lowKelvin, u)} to ${kelvins(s.highKelvin, u)}`
  const said =
    s.finding === 'CANNOT_TELL'
      ? `${by} in the same cold, but anything from ${doubt} fits: more nights would tell`
      : `${by} in the same cold (${doubt})`
  const other = s.otherCold ? ' They met hardly the same cold, so take it with care.' : ''
  const left = ' Wind, sky and what the stores held are not looked at.'
  const asked = deeds.length ? `That day: ${deeds.join('; ')}.` : 'Was something changed that day?'
  return `${asked} The ${s.nightsAfter} nights from then on were, against ${s.nightsBefore} before, ${said}.${other}${left}`
}

/** How warm a heap was, and what it was fed for it. */
export function heapSentence(h: Views['HeapWinterView'], u: Temperature): string {
  const kilograms = h.fed.reduce((sum, f) => sum + f.kilograms, 0)
  const fed = h.fed.length
    ? `It was fed on ${several(new Set(h.fed.map((f) => f.at.slice(0, 10))).size, 'day', 'days')}, ${massOf(kilograms)} in all.`
    : 'Nobody noted that it was fed.'
  if (!h.days.length) return `Nobody read its thermometers. ${fed}`
  const last = h.days.at(-1)!
  return `Over ${degrees(h.keepCelsius, u, 0)} in its warmest place on ${h.warm} of ${several(h.days.length, 'day', 'days')} that were read, ${degrees(last.celsius, u)} on ${evening(last.day)}. ${fed}`
}

/** The week in which the house was coldest, and what was otherwise then. */
export function hardestSentences(v: Nights, u: Temperature): string[] {
  const h = v.hardest
  if (!h) return ['Two weeks of nights must be read before one can be called the hardest.']
  const said = [
    `From ${evening(h.from)} on the house came down to ${degrees(h.lowestCelsius, u)} on the mean of ${h.nights} nights; on the others to ${degrees(h.usualLowest, u)}.`,
  ]
  const outdoors =
    h.outdoorCelsius == null || h.usualOutdoor == null
      ? ''
      : `${degrees(h.outdoorCelsius, u)} outdoors against ${degrees(h.usualOutdoor, u)}`
  const paid =
    h.paidJoules == null || h.usualPaid == null
      ? ''
      : `${energyOf(h.paidJoules)} a night from the stores against ${energyOf(h.usualPaid)}`
  if (h.colder && h.storesGaveLess)
    said.push(`It was colder, ${outdoors}, and the stores had less: ${paid}.`)
  else if (h.colder) said.push(`It was the cold: ${[outdoors, paid].filter(Boolean).join('; ')}.`)
  else if (h.storesGaveLess) said.push(`The stores had less: ${paid}.`)
  else
    said.push(
      `${outdoors ? `It was hardly colder, ${outdoors}` : 'How cold it was outdoors nobody read'}${paid ? `, with ${paid}` : ''}: look for wind, a clear sky, a door or a lid in the notes of these nights.`,
    )
  return said
}

/** What the learned house says of one night: whether it was like the others, what stores did. */
export function learnedNightSentences(n: LearnedNight, low: number, u: Temperature): string[] {
  const said: string[] = []
  if (n.unlike && n.lossTimes > 1)
    said.push(
      `The house lost heat ${n.lossTimes.toFixed(1)} times as fast as on its other nights` +
        (n.changesPerHour == null
          ? '.'
          : `, as an opening does that changes the air ${n.changesPerHour.toFixed(0)} times an hour.`),
    )
  else if (n.unlike)
    said.push(
      `The house lost heat only ${n.lossTimes.toFixed(1)} times as fast as on other nights.`,
    )
  const worth = n.worth.filter((w) => w.kelvin >= 0.05)
  if (worth.length)
    said.push(
      `Without the stores it would have fallen to ${degrees(low - n.liftByStores, u)}; alone each was worth: ${worth.map((w) => `${w.name} ${kelvins(w.kelvin, u)}`).join(', ')}.`,
    )
  return said
}

/** What logged nights say of the house. */
export function learnedSentences(v: Views['HouseLearnedView']): string[] {
  const l = v.learned
  if (v.pending)
    return ['Its stores’ days are still being judged; the house is learned after that.']
  if (!l)
    return [
      'Three nights at least are needed, with the air read inside and outdoors and every store in the house logged.',
    ]
  const fits = l.loss.low <= 1 && l.loss.high >= 1
  const reach = `${l.loss.low.toFixed(2)} to ${l.loss.high.toFixed(2)}`
  return [
    `Over ${l.nights} nights it lost heat ${l.loss.value.toFixed(2)} times as fast as described (${reach}): ` +
      `${conductanceOf(l.loss.value * l.describedWattsPerKelvin)} instead of ${conductanceOf(l.describedWattsPerKelvin)}` +
      (fits ? '. The description lies within the doubt.' : '; the description is off.'),
    `Reckoned so, the air follows the readings within ${l.scatterKelvin.toFixed(1)} K. Skin and draught are told apart only by windy nights; their sum is better known.`,
  ]
}

const lacks = {
  AIR_UNREAD: 'the air inside was read too little',
  OUTDOORS_UNREAD: 'nobody read outdoors',
  STORE_UNREAD: 'a store was not read',
} as const

/** Nights that could not be used. */
export function leftOutSentence(out: Views['NightLeftOut'][]): string {
  const parts = Object.entries(lacks)
    .map(([reason, why]) => [out.filter((o) => o.reason === reason).length, why] as const)
    .filter(([n]) => n)
    .map(([n, why]) => `${several(n, 'night', 'nights')} because ${why}`)
  return `Not used: ${parts.join(', ')}.`
}

/** A statement in one sentence. */
export function statementSentence(s: Statement): string {
  const t = s.sums
  const into = t.charged + t.own
  if (s.pending > s.days.length / 5)
    return `Being judged: ${several(s.pending, 'day', 'days')} to go.`
  if (!s.days.length) return 'Too little was read in this time to state anything.'
  const own = t.own > 3.6e5 ? `, ${energyOf(t.own)} of it by the heap itself` : ''
  return `${energyOf(into)} went in${own}; ${energyOf(t.delivered)} reached the house in the cold, ${energyOf(t.early)} came too early, ${energyOf(t.lost)} was lost.`
}

/** What it took, in one sentence. */
/** What came round and was done. */
export function tasksSentence(s: Statement): string {
  const small = (what: string) => what.charAt(0).toLowerCase() + what.slice(1)
  const all = s.tasks.map((t) => `${small(t.what)}, ${times(t.times)}`)
  return all.length ? `Of what comes round: ${all.join('; ')}.` : ''
}

export function effortSentence(s: Statement): string {
  const e = s.effort
  const parts = [
    e.fires ? several(e.fires, 'fire', 'fires') : '',
    e.woodKilograms ? `${massOf(e.woodKilograms)} of wood (${energyOf(e.fuelJoules)})` : '',
    e.elementJoules > 3.6e4 ? `${energyOf(e.elementJoules)} by element` : '',
    e.hours > 0.05 ? `about ${e.hours.toFixed(1)} h of work` : '',
  ].filter(Boolean)
  if (!parts.length) return 'Nothing was logged that cost fuel or work.'
  const cost =
    s.cost == null
      ? '; a price is missing, so the cost is not known'
      : `; ${s.currency}${s.cost.toFixed(2)} in all`
  return `It took ${parts.join(', ')}${cost}.`
}
