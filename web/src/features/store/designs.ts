import type { Views } from '@/shared/api/client'
import {
  always,
  byHand,
  fresh,
  radiator,
  sensor,
  thermostat,
  through,
  type Of,
  type PartDesign,
} from '../part/parts'

export type Design = Views['StoreDesign']
export type Probe = Views['ProbeView']
export type Zone = Views['ZoneDesign']
export type Led = Views['FluidCircuitDesign']
export type Place = Views['PlaceDesign']
export type FaceKey = 'side' | 'top' | 'foot'
export type Layer = Views['LayerDesign']

export interface Start {
  key: string
  word: string
  design: Design
  probes: Omit<Probe, 'id'>[]
  /** What charges it and leads its heat away, for the store of an id. */
  parts: (id: string) => PartDesign[]
}

/** What is not known or not there; the interface calls it null, its types do not. */
const none = null

const face = (layers: Layer[] = []) => ({ layers, measuredTransmittance: none })
const bulk = (material: string, thicknessMetres: number): Layer => ({
  kind: 'BULK',
  material,
  thicknessMetres,
  wet: false,
  emissivity: none,
})
const probe = (name: string, radiusFraction: number, heightFraction: number) => ({
  kind: 'STORE' as const,
  name,
  radiusFraction,
  heightFraction,
})

/** The part of a body that is heated, from the middle outwards. */
export const zone = (
  reachFraction: number,
  lowFraction: number,
  highFraction: number,
  behind: Zone['behind'] | null = null,
): Zone => ({ reachFraction, lowFraction, highFraction, behind: behind as Zone['behind'] })

export function led(said: Partial<Led> & Pick<Led, 'way' | 'carrying'>): Led {
  return {
    lengthMetres: none,
    diameterMetres: none,
    wallMetres: none,
    spacingMetres: none,
    grainMetres: none,
    pipe: none,
    pumped: true,
    ...said,
  }
}

const build = (...parts: string[]): Views['Build'] => ({
  parts,
  closedVessel: false,
  closedCoil: false,
  bathed: false,
})

export const place = (where: Place['where'], footing: Place['footing']): Place => ({
  where,
  footing,
  openToHouse: [],
  coverMetres: none,
  roomCelsius: none,
  groundConductivity: none,
})

function body(
  size: { across?: number; length?: number; width?: number; height: number; count?: number },
  medium: string,
  said: Partial<Design>,
): Design {
  return {
    shape: size.across ? 'CYLINDER' : 'BOX',
    diameterMetres: size.across ?? none,
    lengthMetres: size.length ?? none,
    widthMetres: size.width ?? none,
    heightMetres: size.height,
    count: size.count ?? 1,
    medium,
    measuredDensity: none,
    measuredSpecificHeat: none,
    measuredConductivity: none,
    side: face(),
    top: face(),
    foot: face(),
    place: place('HOUSE', 'ON_GROUND'),
    floorCelsius: 6,
    chargeToCelsius: 40,
    zone: none,
    led: none,
    build: build(),
    lidOff: none,
    fills: none,
    ...said,
  }
}

const element = (id: string, watts: number, surplus: boolean): PartDesign => ({
  ...(fresh('ELEMENT', id) as Of<'ELEMENT'>),
  watts,
  surplus,
  control: { ...byHand(), runs: surplus ? 'ALWAYS' : 'BY_HAND' },
})
const hearth = (id: string, kind: string, usualKilograms: number): PartDesign => ({
  ...(fresh('FIRE', id) as Of<'FIRE'>),
  hearth: kind,
  usualKilograms,
})
const sun = (id: string) => fresh('SUNLIGHT', id) as Of<'SUNLIGHT'>
const heap = (id: string, daysAgo: number, fed: Record<string, number>): PartDesign => ({
  kind: 'HEAP',
  storeId: id,
  fed: Object.entries(fed).map(([feedstock, kilograms]) => ({
    feedstock,
    kilograms,
    at: new Date(Date.now() - daysAgo * 86_400_000).toISOString(),
  })),
})
const circuit = (
  carries: 'WATER' | 'AIR',
  kilogramsPerSecond: number,
  machineWatts: number,
  ends: Of<'CIRCUIT'>['ends'],
): PartDesign => ({
  kind: 'CIRCUIT',
  carries,
  kilogramsPerSecond,
  machineWatts,
  ends,
  control: byHand(),
})
/** A stream that comes warm from somewhere else. */
const stream = (
  id: string,
  carries: 'WATER' | 'AIR',
  flow: number,
  machine: number,
  celsius: number,
): PartDesign => circuit(carries, flow, machine, [{ kind: 'HELD', celsius }, through(id)])
const toHouse = (
  id: string,
  carries: 'WATER' | 'AIR',
  flow: number,
  machine: number,
  wattsPerKelvin: number,
): PartDesign =>
  circuit(carries, flow, machine, [
    through(id),
    carries === 'AIR' ? { kind: 'HOUSE_AIR' } : radiator(wattsPerKelvin),
  ])

const wool = (m: number) => face([bulk('stone-wool', m)])

/** Bodies to start from; every size is only a first word. */
export const starts: Start[] = [
  {
    key: 'drum',
    word: 'A round drum of dry sand with an element in the middle',
    design: body({ across: 0.56, height: 0.62 }, 'dry-sand', {
      floorCelsius: 8,
      chargeToCelsius: 70,
      zone: zone(0.15, 0.15, 0.85),
      build: build('steel-drum'),
    }),
    probes: [probe('core', 0.05, 0.5), probe('half', 0.55, 0.5), probe('edge', 0.92, 0.5)],
    parts: (id) => [element(id, 600, false)],
  },
  {
    key: 'vessel',
    word: 'A water vessel with an element',
    design: body({ across: 0.46, height: 0.72 }, 'water', {
      foot: face([bulk('xps', 0.05)]),
      floorCelsius: 6,
      chargeToCelsius: 45,
      build: build('hdpe-barrel'),
    }),
    probes: [probe('middle', 0.3, 0.5)],
    parts: (id) => [
      {
        ...(element(id, 300, false) as Of<'ELEMENT'>),
        control: always(thermostat(sensor('STORE', id), 42, 45)),
      },
    ],
  },
  {
    key: 'bin',
    word: 'A brick-lined bin of dry sand with an element',
    design: body({ length: 1.5, width: 0.9, height: 0.8 }, 'dry-sand', {
      side: face([bulk('clay-brick', 0.1), bulk('stone-wool', 0.1)]),
      top: wool(0.1),
      foot: face([bulk('firebrick', 0.06)]),
      floorCelsius: 8,
      chargeToCelsius: 90,
      zone: zone(0.45, 0.25, 0.6),
      build: build('clay-mortar'),
    }),
    probes: [probe('core', 0.1, 0.45), probe('half', 0.5, 0.5), probe('edge', 0.9, 0.5)],
    parts: (id) => [element(id, 900, true)],
  },
  {
    key: 'coil-drum',
    word: 'A drum of gravel with a water coil from a sun collector',
    design: body({ across: 0.58, height: 0.88 }, 'gravel', {
      side: wool(0.05),
      top: wool(0.08),
      floorCelsius: 8,
      chargeToCelsius: 45,
      zone: zone(0.75, 0.1, 0.9),
      led: led({
        way: 'COIL',
        carrying: 'WATER',
        lengthMetres: 9,
        diameterMetres: 0.02,
        wallMetres: 0.002,
        spacingMetres: 0.12,
        pipe: 'pex-pipe',
      }),
      build: build('steel-drum'),
    }),
    probes: [probe('core', 0.05, 0.5), probe('half', 0.55, 0.5), probe('edge', 0.92, 0.5)],
    parts: (id) => [stream(id, 'WATER', 0.05, 20, 58), toHouse(id, 'WATER', 0.05, 20, 40)],
  },
  {
    key: 'columns',
    word: 'A row of upright water columns in the sun',
    design: body({ across: 0.3, height: 1.4, count: 6 }, 'water', {
      floorCelsius: 5,
      chargeToCelsius: 22,
      zone: zone(1, 0, 1),
      build: build('pp-tub'),
    }),
    probes: [probe('middle', 0.05, 0.5)],
    parts: (id) => [{ ...sun(id), squareMetres: 2.5 }],
  },
  {
    key: 'bench',
    word: 'A stone bench with a flue through it',
    design: body({ length: 2.4, width: 0.6, height: 0.5 }, 'granite', {
      zone: zone(0.3, 0.15, 0.5),
      chargeToCelsius: 45,
      build: build('lime-mortar'),
    }),
    probes: [probe('near the flue', 0.2, 0.4), probe('top', 0.5, 0.9)],
    parts: (id) => [hearth(id, 'flue-bench', 6)],
  },
  {
    key: 'wall',
    word: 'A brick wall behind a stove',
    design: body({ length: 1.8, width: 0.24, height: 1.5 }, 'brick', {
      zone: zone(1, 0, 1, 'SIDE'),
      chargeToCelsius: 40,
      build: build('lime-mortar'),
    }),
    probes: [probe('middle', 0.05, 0.5), probe('face', 0.9, 0.5)],
    parts: (id) => [hearth(id, 'stove-wall', 5)],
  },
  {
    key: 'stack',
    word: 'A stack of concrete blocks round a burner',
    design: body({ length: 0.7, width: 0.7, height: 0.9 }, 'concrete', {
      zone: zone(0.3, 0.05, 0.5),
      chargeToCelsius: 60,
    }),
    probes: [probe('inner blocks', 0.35, 0.4), probe('outer blocks', 0.9, 0.5)],
    parts: (id) => [hearth(id, 'block-stack', 3)],
  },
  {
    key: 'bed',
    word: 'A raised bed over a flue',
    design: body({ length: 2.5, width: 0.9, height: 0.5 }, 'soil', {
      floorCelsius: 8,
      chargeToCelsius: 28,
      zone: zone(0.25, 0.05, 0.3),
      build: build('timber-box', 'clay-pipe'),
    }),
    probes: [probe('over the flue', 0.1, 0.4), probe('root depth', 0.3, 0.75)],
    parts: (id) => [hearth(id, 'raised-bed', 4)],
  },
  {
    key: 'tank',
    word: 'A layered tank warmed by a loop',
    design: body({ across: 0.9, height: 1.4 }, 'water', {
      side: wool(0.1),
      top: wool(0.1),
      foot: face([bulk('xps', 0.05)]),
      floorCelsius: 18,
      chargeToCelsius: 55,
      zone: zone(1, 0.05, 0.6),
      led: led({
        way: 'COIL',
        carrying: 'WATER',
        lengthMetres: 18,
        diameterMetres: 0.022,
        wallMetres: 0.001,
        spacingMetres: 0.08,
        pipe: 'copper-soft',
      }),
    }),
    probes: [probe('low', 0.05, 0.15), probe('middle', 0.05, 0.5), probe('high', 0.05, 0.9)],
    parts: (id) => [stream(id, 'WATER', 0.08, 25, 65), toHouse(id, 'WATER', 0.08, 25, 90)],
  },
  {
    key: 'stones',
    word: 'A bed of stones with warm air from under the ridge',
    design: body({ length: 2, width: 1, height: 0.9 }, 'gravel', {
      side: face([bulk('xps', 0.05)]),
      top: face([bulk('xps', 0.05)]),
      chargeToCelsius: 28,
      zone: zone(1, 0, 1),
      led: led({
        way: 'STONES',
        carrying: 'AIR',
        grainMetres: 0.04,
      }),
    }),
    probes: [probe('upper stones', 0.05, 0.85), probe('lower stones', 0.05, 0.2)],
    parts: (id) => [stream(id, 'AIR', 0.12, 45, 32), toHouse(id, 'AIR', 0.12, 45, 0)],
  },
  {
    key: 'earth',
    word: 'Pipes in the ground with warm air through them',
    design: body({ across: 0.6, height: 12, count: 5 }, 'soil', {
      place: place('OUTDOORS', 'BURIED'),
      floorCelsius: 8,
      chargeToCelsius: 18,
      zone: zone(0.3, 0, 1),
      led: led({
        way: 'BORE',
        carrying: 'AIR',
        diameterMetres: 0.1,
        pipe: 'plastic-drain',
      }),
    }),
    probes: [probe('by the pipe', 0.25, 0.5), probe('between the pipes', 0.95, 0.5)],
    parts: (id) => [stream(id, 'AIR', 0.2, 60, 30), toHouse(id, 'AIR', 0.2, 60, 0)],
  },
  {
    key: 'heap',
    word: 'A boxed compost heap with a pipe loop',
    design: body({ length: 1.8, width: 1.6, height: 1.3 }, 'compost', {
      side: face([bulk('straw', 0.15)]),
      top: face([bulk('straw', 0.1)]),
      place: place('OUTDOORS', 'ON_GROUND'),
      floorCelsius: 30,
      chargeToCelsius: 58,
      zone: zone(0.9, 0.15, 0.85),
      led: led({
        way: 'COIL',
        carrying: 'WATER',
        lengthMetres: 20,
        diameterMetres: 0.025,
        wallMetres: 0.0025,
        spacingMetres: 0.25,
        pipe: 'pex-pipe',
      }),
      build: build('timber-box'),
    }),
    probes: [probe('core', 0.1, 0.45), probe('shell', 0.8, 0.5)],
    parts: (id) => [
      heap(id, 4, { 'horse-manure': 600, straw: 140, leaves: 180, 'hen-manure': 60 }),
      toHouse(id, 'WATER', 0.05, 15, 40),
    ],
  },
]

export function newId(): string {
  return crypto.randomUUID()
}
