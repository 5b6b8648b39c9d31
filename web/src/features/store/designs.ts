import type { Views } from '@/shared/api/client'

export type Design = Views['StoreDesign']
export type Probe = Views['ProbeView']
export type Source = Views['SourceDesign']
export type Led = Views['Led']
export type Place = Views['PlaceDesign']
export type FaceKey = 'side' | 'top' | 'foot'
export type Layer = Views['LayerDesign']

export interface Start {
  key: string
  word: string
  design: Design
  probes: Omit<Probe, 'id'>[]
}

/** What is not known or not there; the interface calls it null, its types do not. */
const none = null as never

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

/** A source of one kind; what the kind has no use for stays unsaid. */
export function source(kind: Source['kind'], said: Partial<Source> = {}): Source {
  return {
    kind,
    powerWatts: 0,
    reachFraction: 1,
    lowFraction: 0,
    highFraction: 1,
    behind: none,
    hours: none,
    thermostatCelsius: none,
    surplus: none,
    hearth: none,
    woodKilograms: none,
    woodMoisture: none,
    toStore: none,
    toRoom: none,
    bypassHours: none,
    flames: none,
    gramsPerHour: none,
    inletCelsius: none,
    absorptance: none,
    sunlitSquareMetres: none,
    coldStoreId: none,
    coldCelsius: none,
    feeds: none,
    ...said,
  }
}

export function led(said: Partial<Led> & Pick<Led, 'way' | 'carrying'>): Led {
  return {
    lengthMetres: none,
    diameterMetres: none,
    wallMetres: none,
    spacingMetres: none,
    grainMetres: none,
    pipe: none,
    kilogramsPerSecond: 0.05,
    machineWatts: 0,
    radiatorWattsPerKelvin: 0,
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
    source: source('NONE'),
    led: none,
    build: build(),
    lidOff: none,
    ...said,
  }
}

const wool = (m: number) => face([bulk('stone-wool', m)])

/** Bodies to start from; every size is only a first word. */
export const starts: Start[] = [
  {
    key: 'drum',
    word: 'A round drum of dry sand with an element in the middle',
    design: body({ across: 0.56, height: 0.62 }, 'dry-sand', {
      floorCelsius: 8,
      chargeToCelsius: 70,
      source: source('ELEMENT', {
        powerWatts: 600,
        reachFraction: 0.15,
        lowFraction: 0.15,
        highFraction: 0.85,
        hours: 5,
      }),
      build: build('steel-drum'),
    }),
    probes: [probe('core', 0.05, 0.5), probe('half', 0.55, 0.5), probe('edge', 0.92, 0.5)],
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
      source: source('ELEMENT', {
        powerWatts: 900,
        reachFraction: 0.45,
        lowFraction: 0.25,
        highFraction: 0.6,
        hours: 5,
        surplus: true,
      }),
      build: build('clay-mortar'),
    }),
    probes: [probe('core', 0.1, 0.45), probe('half', 0.5, 0.5), probe('edge', 0.9, 0.5)],
  },
  {
    key: 'coil-drum',
    word: 'A drum of gravel with a water coil from a sun collector',
    design: body({ across: 0.58, height: 0.88 }, 'gravel', {
      side: wool(0.05),
      top: wool(0.08),
      floorCelsius: 8,
      chargeToCelsius: 45,
      source: source('WATER_LOOP', {
        reachFraction: 0.75,
        lowFraction: 0.1,
        highFraction: 0.9,
        inletCelsius: 58,
        hours: 5,
      }),
      led: led({
        way: 'COIL',
        carrying: 'WATER',
        lengthMetres: 9,
        diameterMetres: 0.02,
        wallMetres: 0.002,
        spacingMetres: 0.12,
        pipe: 'pex-pipe',
        machineWatts: 20,
        radiatorWattsPerKelvin: 40,
      }),
      build: build('steel-drum'),
    }),
    probes: [probe('core', 0.05, 0.5), probe('half', 0.55, 0.5), probe('edge', 0.92, 0.5)],
  },
  {
    key: 'columns',
    word: 'A row of upright water columns in the sun',
    design: body({ across: 0.3, height: 1.4, count: 6 }, 'water', {
      floorCelsius: 5,
      chargeToCelsius: 22,
      source: source('SUN', { hours: 5, absorptance: 0.85, sunlitSquareMetres: 2.5 }),
      build: build('pp-tub'),
    }),
    probes: [probe('middle', 0.05, 0.5)],
  },
  {
    key: 'bench',
    word: 'A stone bench with a flue through it',
    design: body({ length: 2.4, width: 0.6, height: 0.5 }, 'granite', {
      source: source('FIRE', {
        reachFraction: 0.3,
        lowFraction: 0.15,
        highFraction: 0.5,
        hearth: 'flue-bench',
        woodKilograms: 6,
        woodMoisture: 0.18,
      }),
      chargeToCelsius: 45,
      build: build('lime-mortar'),
    }),
    probes: [probe('near the flue', 0.2, 0.4), probe('top', 0.5, 0.9)],
  },
  {
    key: 'wall',
    word: 'A brick wall behind a stove',
    design: body({ length: 1.8, width: 0.24, height: 1.5 }, 'brick', {
      source: source('FIRE', {
        behind: 'SIDE',
        hearth: 'stove-wall',
        woodKilograms: 5,
        woodMoisture: 0.18,
      }),
      chargeToCelsius: 40,
      build: build('lime-mortar'),
    }),
    probes: [probe('middle', 0.05, 0.5), probe('face', 0.9, 0.5)],
  },
  {
    key: 'stack',
    word: 'A stack of concrete blocks round a burner',
    design: body({ length: 0.7, width: 0.7, height: 0.9 }, 'concrete', {
      source: source('FIRE', {
        reachFraction: 0.3,
        lowFraction: 0.05,
        highFraction: 0.5,
        hearth: 'block-stack',
        woodKilograms: 3,
        woodMoisture: 0.18,
      }),
      chargeToCelsius: 60,
    }),
    probes: [probe('inner blocks', 0.35, 0.4), probe('outer blocks', 0.9, 0.5)],
  },
  {
    key: 'bed',
    word: 'A raised bed over a flue',
    design: body({ length: 2.5, width: 0.9, height: 0.5 }, 'soil', {
      floorCelsius: 8,
      chargeToCelsius: 28,
      source: source('FIRE', {
        reachFraction: 0.25,
        lowFraction: 0.05,
        highFraction: 0.3,
        hearth: 'raised-bed',
        woodKilograms: 4,
        woodMoisture: 0.18,
      }),
      build: build('timber-box', 'clay-pipe'),
    }),
    probes: [probe('over the flue', 0.1, 0.4), probe('root depth', 0.3, 0.75)],
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
      source: source('WATER_LOOP', {
        lowFraction: 0.05,
        highFraction: 0.6,
        inletCelsius: 65,
        hours: 6,
      }),
      led: led({
        way: 'COIL',
        carrying: 'WATER',
        lengthMetres: 18,
        diameterMetres: 0.022,
        wallMetres: 0.001,
        spacingMetres: 0.08,
        pipe: 'copper-soft',
        kilogramsPerSecond: 0.08,
        machineWatts: 25,
        radiatorWattsPerKelvin: 90,
      }),
    }),
    probes: [probe('low', 0.05, 0.15), probe('middle', 0.05, 0.5), probe('high', 0.05, 0.9)],
  },
  {
    key: 'stones',
    word: 'A bed of stones with warm air from under the ridge',
    design: body({ length: 2, width: 1, height: 0.9 }, 'gravel', {
      side: face([bulk('xps', 0.05)]),
      top: face([bulk('xps', 0.05)]),
      chargeToCelsius: 28,
      source: source('WARM_AIR', { inletCelsius: 32, hours: 5 }),
      led: led({
        way: 'STONES',
        carrying: 'AIR',
        grainMetres: 0.04,
        kilogramsPerSecond: 0.12,
        machineWatts: 45,
      }),
    }),
    probes: [probe('upper stones', 0.05, 0.85), probe('lower stones', 0.05, 0.2)],
  },
  {
    key: 'earth',
    word: 'Pipes in the ground with warm air through them',
    design: body({ across: 0.6, height: 12, count: 5 }, 'soil', {
      place: place('OUTDOORS', 'BURIED'),
      floorCelsius: 8,
      chargeToCelsius: 18,
      source: source('WARM_AIR', { reachFraction: 0.3, inletCelsius: 30, hours: 5 }),
      led: led({
        way: 'BORE',
        carrying: 'AIR',
        diameterMetres: 0.1,
        kilogramsPerSecond: 0.2,
        machineWatts: 60,
        pipe: 'plastic-drain',
      }),
    }),
    probes: [probe('by the pipe', 0.25, 0.5), probe('between the pipes', 0.95, 0.5)],
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
      source: source('HEAP', {
        reachFraction: 0.9,
        lowFraction: 0.15,
        highFraction: 0.85,
        feeds: [
          { feedstock: 'horse-manure', kilograms: 600, daysAgo: 4 },
          { feedstock: 'straw', kilograms: 140, daysAgo: 4 },
          { feedstock: 'leaves', kilograms: 180, daysAgo: 4 },
          { feedstock: 'hen-manure', kilograms: 60, daysAgo: 4 },
        ],
      }),
      led: led({
        way: 'COIL',
        carrying: 'WATER',
        lengthMetres: 20,
        diameterMetres: 0.025,
        wallMetres: 0.0025,
        spacingMetres: 0.25,
        pipe: 'pex-pipe',
        machineWatts: 15,
        radiatorWattsPerKelvin: 40,
      }),
      build: build('timber-box'),
    }),
    probes: [probe('core', 0.1, 0.45), probe('shell', 0.8, 0.5)],
  },
]

export function newId(): string {
  return crypto.randomUUID()
}
