import type { Views } from '@/shared/api/client'

export type Design = Views['StoreDesign']
export type Probe = Views['ProbeView']
export type FaceKey = 'side' | 'top' | 'foot'
export type Layer = Views['LayerDesign']

type Start = { key: string; word: string; design: Design; probes: Omit<Probe, 'id'>[] }

const face = (layers: Layer[] = []) => ({
  layers,
  measuredTransmittance: null as unknown as number,
})
const bulk = (material: string, thicknessMetres: number): Layer => ({
  kind: 'BULK',
  material,
  thicknessMetres,
  wet: false,
  emissivity: null as unknown as number,
})
const probe = (name: string, radiusFraction: number, heightFraction: number) => ({
  kind: 'STORE' as const,
  name,
  radiusFraction,
  heightFraction,
})
const none = null as unknown as number

/** Bodies to start from; every size is only a first word. */
export const starts: Start[] = [
  {
    key: 'drum',
    word: 'A round drum of dry sand with an element in the middle',
    design: {
      shape: 'CYLINDER',
      diameterMetres: 0.56,
      lengthMetres: none,
      widthMetres: none,
      heightMetres: 0.62,
      count: 1,
      medium: 'dry-sand',
      measuredDensity: none,
      measuredSpecificHeat: none,
      measuredConductivity: none,
      side: face(),
      top: face(),
      foot: face(),
      indoors: true,
      onGround: true,
      floorCelsius: 8,
      chargeToCelsius: 70,
      source: {
        kind: 'ELEMENT',
        powerWatts: 600,
        reachFraction: 0.15,
        lowFraction: 0.15,
        highFraction: 0.85,
      },
    },
    probes: [probe('core', 0.05, 0.5), probe('half', 0.55, 0.5), probe('edge', 0.92, 0.5)],
  },
  {
    key: 'columns',
    word: 'A row of upright water columns',
    design: {
      shape: 'CYLINDER',
      diameterMetres: 0.3,
      lengthMetres: none,
      widthMetres: none,
      heightMetres: 1.4,
      count: 6,
      medium: 'water',
      measuredDensity: none,
      measuredSpecificHeat: none,
      measuredConductivity: none,
      side: face(),
      top: face(),
      foot: face(),
      indoors: true,
      onGround: true,
      floorCelsius: 5,
      chargeToCelsius: 22,
      source: { kind: 'SUN', powerWatts: 0, reachFraction: 1, lowFraction: 0, highFraction: 1 },
    },
    probes: [probe('middle', 0.05, 0.5)],
  },
  {
    key: 'bin',
    word: 'A boxed bin of dry sand, insulated',
    design: {
      shape: 'BOX',
      diameterMetres: none,
      lengthMetres: 1.5,
      widthMetres: 0.9,
      heightMetres: 0.8,
      count: 1,
      medium: 'dry-sand',
      measuredDensity: none,
      measuredSpecificHeat: none,
      measuredConductivity: none,
      side: face([bulk('clay-brick', 0.1), bulk('stone-wool', 0.1)]),
      top: face([bulk('stone-wool', 0.1)]),
      foot: face([bulk('firebrick', 0.06)]),
      indoors: true,
      onGround: true,
      floorCelsius: 8,
      chargeToCelsius: 90,
      source: {
        kind: 'ELEMENT',
        powerWatts: 900,
        reachFraction: 0.2,
        lowFraction: 0.3,
        highFraction: 0.6,
      },
    },
    probes: [probe('core', 0.1, 0.45), probe('half', 0.5, 0.5), probe('edge', 0.9, 0.5)],
  },
  {
    key: 'bench',
    word: 'A stone bench',
    design: {
      shape: 'BOX',
      diameterMetres: none,
      lengthMetres: 2.4,
      widthMetres: 0.6,
      heightMetres: 0.5,
      count: 1,
      medium: 'granite',
      measuredDensity: none,
      measuredSpecificHeat: none,
      measuredConductivity: none,
      side: face(),
      top: face(),
      foot: face(),
      indoors: true,
      onGround: true,
      floorCelsius: 6,
      chargeToCelsius: 45,
      source: {
        kind: 'FIRE',
        powerWatts: 0,
        reachFraction: 0.3,
        lowFraction: 0.15,
        highFraction: 0.5,
      },
    },
    probes: [probe('near the flue', 0.2, 0.4), probe('top', 0.5, 0.9)],
  },
]

export function newId(): string {
  return crypto.randomUUID()
}
