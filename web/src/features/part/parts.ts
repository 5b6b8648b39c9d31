import type { Views } from '@/shared/api/client'
import { degrees, massOf, powerOf, type Temperature } from '@/shared/units'

export type Part = Views['PartView']
export type PartDesign = Part['design']
export type Kind = PartDesign['kind']
export type Of<K extends Kind> = Extract<PartDesign, { kind: K }>
export type HeatTo = Views['HeatTo']
export type End = Of<'CIRCUIT'>['ends'][number]
export type Control = Views['ControlDesign']
export type Guard = NonNullable<Control['guards']>[number]
export type SensorAt = Views['SensorDesign']

/** What is not known or not there; the interface calls it null, its types do not. */
const none = null

export const kindWord: Record<Kind, string> = {
  FIRE: 'a wood fire',
  FLAMES: 'candles or lamps',
  HEATER: 'a heater or boiler that burns fuel',
  ELEMENT: 'an electric element or heater',
  SUNLIGHT: 'sun on its side',
  HEAP: 'its own biology',
  CIRCUIT: 'a circuit of water or air',
  HEAT_PUMP: 'a heat pump',
  ANIMALS: 'animals that sleep there',
}

const kindName: Record<Kind, string> = {
  FIRE: 'Hearth',
  FLAMES: 'Lamps',
  HEATER: 'Heater',
  ELEMENT: 'Element',
  SUNLIGHT: 'Sun',
  HEAP: 'Rot',
  CIRCUIT: 'Circuit',
  HEAT_PUMP: 'Heat pump',
  ANIMALS: 'Animals',
}

/** What a new part is called until somebody says better. */
export function nameOf(d: PartDesign, of: string): string {
  const comes = d.kind === 'CIRCUIT' && d.ends.some((e) => e.kind === 'HELD')
  const moves = d.kind === 'CIRCUIT' ? (d.carries === 'AIR' ? 'Fan' : 'Pump') : kindName[d.kind]
  if (!of) return moves
  const the = `the ${of.charAt(0).toLowerCase()}${of.slice(1)}`
  return comes ? `Stream into ${the}` : `${moves} of ${the}`
}

export const toStore = (id: string, share: number | null = null): HeatTo => ({
  to: 'STORE',
  id,
  share: share as number,
})
export const toHouse = (share: number | null = null): HeatTo => ({
  to: 'HOUSE',
  id: none,
  share: share as number,
})

export const byHand = (): Control => ({ runs: 'BY_HAND', from: none, to: none, guards: [] })
export const always = (...guards: Guard[]): Control => ({
  runs: 'ALWAYS',
  from: none,
  to: none,
  guards,
})
export const sensor = (where: SensorAt['where'], id: string | null = null): SensorAt => ({
  where,
  id: id as string,
  radiusFraction: none,
  heightFraction: none,
})
export const thermostat = (at: SensorAt, onBelow: number, offAbove: number): Guard => ({
  kind: 'THERMOSTAT',
  sensor: at,
  onBelow,
  offAbove,
})

export const through = (storeId: string): End => ({ kind: 'THROUGH', storeId })
export const tank = (storeId: string): End => ({
  kind: 'TANK',
  storeId,
  takenAt: 0.9,
  returnedAt: 0.1,
})
export const radiator = (wattsPerKelvin: number): End => ({ kind: 'RADIATOR', wattsPerKelvin })

/** A part of a kind to begin with, at a store or in the house itself. */
export function fresh(kind: Kind, store: string | null): PartDesign {
  const heats = store ? [toStore(store)] : [toHouse()]
  switch (kind) {
    case 'FIRE':
      return {
        kind,
        heats: store ? [toStore(store), toHouse()] : [toHouse(0.6)],
        hearth: 'flue-bench',
        kilogramsPerHour: none,
        gasCelsius: none,
        roomAir: false,
        usualKilograms: 6,
        moisture: none,
        indoors: true,
      }
    case 'FLAMES':
      return {
        kind,
        heats: store ? [toStore(store, 0.5), toHouse(0.5)] : heats,
        count: 2,
        gramsPerHour: store ? 5 : 20,
        fuel: store ? 'wax' : 'paraffin',
        indoors: true,
        control: byHand(),
      }
    case 'HEATER':
      return {
        kind,
        heats,
        fuel: 'bottled-gas',
        watts: 2500,
        efficiency: none,
        flue: false,
        indoors: true,
        control: store ? byHand() : always(thermostat(sensor('HOUSE_AIR'), 3, 5)),
      }
    case 'ELEMENT':
      return {
        kind,
        heats,
        watts: 700,
        surplus: false,
        indoors: true,
        control: store ? byHand() : always(thermostat(sensor('HOUSE_AIR'), 3, 5)),
      }
    case 'SUNLIGHT':
      return { kind, storeId: store as string, absorptance: none, squareMetres: none }
    case 'HEAP':
      return { kind, storeId: store as string, fed: [] }
    case 'CIRCUIT':
      return {
        kind,
        carries: 'WATER',
        kilogramsPerSecond: 0.05,
        machineWatts: 20,
        ends: store
          ? [through(store), radiator(40)]
          : [{ kind: 'BOILER', highestCelsius: 90 }, radiator(80)],
        control: byHand(),
      }
    case 'ANIMALS':
      return { kind, count: 6, kilogramsEach: 2 }
    default:
      return {
        kind: 'HEAT_PUMP',
        watts: 400,
        cold: { node: 'OUTDOOR_AIR', storeId: none, celsius: none },
        hot: store
          ? { node: 'STORE', storeId: store, celsius: none }
          : { node: 'HOUSE_AIR', storeId: none, celsius: none },
        coldestCelsius: none,
        hottestCelsius: none,
        control: byHand(),
      }
  }
}

/** Every store that a part names. */
export function storesOf(d: PartDesign): string[] {
  const ids = new Set<string>()
  if ('heats' in d) d.heats.forEach((h) => h.to === 'STORE' && h.id && ids.add(h.id))
  if ('storeId' in d && d.storeId) ids.add(d.storeId)
  if (d.kind === 'CIRCUIT') d.ends.forEach((e) => 'storeId' in e && ids.add(e.storeId))
  if (d.kind === 'HEAT_PUMP')
    [d.cold, d.hot].forEach((n) => n.node === 'STORE' && n.storeId && ids.add(n.storeId))
  return [...ids]
}

/** Whether it brings heat into a store, so that a charge can be tried with it. */
export function charges(d: PartDesign, store: string): boolean {
  if (d.kind === 'HEAT_PUMP') return d.hot.storeId === store
  if (d.kind === 'CIRCUIT')
    return (
      storesOf(d).includes(store) &&
      d.ends.some((e) => ['HELD', 'BOILER', 'COLLECTOR'].includes(e.kind))
    )
  return storesOf(d).includes(store)
}

/** Where an end or a receiver is, in words. */
export function endWord(e: End, names: Map<string, string>, u: Temperature): string {
  const store = 'storeId' in e ? (names.get(e.storeId) ?? 'a store that is gone') : ''
  switch (e.kind) {
    case 'THROUGH':
    case 'TANK':
      return store
    case 'RADIATOR':
      return 'a radiator'
    case 'UNDER_FLOOR':
      return 'floor pipes'
    case 'HOUSE_AIR':
      return 'the house’s air'
    case 'OUTDOOR_AIR':
      return 'outdoors'
    case 'BOILER':
      return 'a boiler'
    case 'COLLECTOR':
      return `${Math.round(e.squareMetres * 10) / 10} m² of collector`
    default:
      return `something at ${degrees(e.celsius, u, 0)}`
  }
}

function sensorWord(s: SensorAt, names: Map<string, string>): string {
  if (s.where === 'STORE') return names.get(s.id ?? '') ?? 'a store that is gone'
  return {
    HOUSE_AIR: 'the air',
    HOUSE_FLOOR: 'the floor',
    OUTDOORS: 'outdoors',
    COLLECTOR: 'the collector',
  }[s.where]
}

/** What switches it, in words. */
export function controlWord(c: Control | null, names: Map<string, string>, u: Temperature): string {
  if (!c || c.runs === 'BY_HAND') return 'switched by hand'
  const guards = (c.guards ?? []).map((g) => {
    if (g.kind === 'THERMOSTAT')
      return `on below ${degrees(g.onBelow, u, 0)}, off above ${degrees(g.offAbove, u, 0)} in ${sensorWord(g.sensor, names)}`
    if (g.kind === 'ABOVE')
      return `while ${sensorWord(g.sensor, names)} has over ${degrees(g.offBelow, u, 0)}`
    return `while ${sensorWord(g.warm, names)} is warmer than ${sensorWord(g.cold, names)}`
  })
  const when = c.runs === 'DAILY' ? `daily ${c.from?.slice(0, 5)} to ${c.to?.slice(0, 5)}` : ''
  return [when, ...guards].filter(Boolean).join(', ') || 'always'
}

/** What switches it, in two words at most. */
export function controlShort(d: PartDesign): string {
  if (d.kind === 'FIRE') return ''
  if (!('control' in d)) return 'by itself'
  const c = d.control as Control | null
  if (!c || c.runs === 'BY_HAND') return 'by hand'
  const by = c.runs === 'DAILY' ? 'by the clock' : 'by itself'
  const guard = c.guards?.[0]?.kind
  if (guard === 'THERMOSTAT') return 'thermostat'
  return guard ? 'by difference' : by
}

/** What it is, on one line. */
export function partWord(d: PartDesign, names: Map<string, string>, u: Temperature): string {
  const to = (h: HeatTo) =>
    h.to === 'HOUSE' ? 'the house' : (names.get(h.id ?? '') ?? 'something that is gone')
  const list = (words: string[]) => words.join(' and ')
  switch (d.kind) {
    case 'FIRE':
      return `wood, ${massOf(d.usualKilograms ?? 6)} a load, into ${list(d.heats.map(to))}`
    case 'FLAMES':
      return `${d.count} flames of ${d.gramsPerHour} g an hour, into ${list(d.heats.map(to))}`
    case 'HEATER':
    case 'ELEMENT':
      return `${powerOf(d.watts)} into ${list(d.heats.map(to))}, ${controlWord(d.control, names, u)}`
    case 'SUNLIGHT':
      return `sun on ${names.get(d.storeId) ?? 'a store that is gone'}`
    case 'HEAP':
      return `${massOf(d.fed.reduce((s, f) => s + f.kilograms, 0))} fed`
    case 'CIRCUIT':
      return `${d.carries === 'AIR' ? 'air' : 'water'} from ${list(d.ends.map((e) => endWord(e, names, u)))}, ${controlWord(d.control, names, u)}`
    case 'ANIMALS':
      return `${d.count} of ${massOf(d.kilogramsEach)} each`
    default:
      return `${powerOf(d.watts)} of power, ${controlWord(d.control, names, u)}`
  }
}
