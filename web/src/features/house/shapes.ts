import type { Views } from '@/shared/api/client'

export type Design = Views['HouseDesign']
export type Shape = Views['Shape']
export type Answers = Views['Answers']

/** Shapes that people have, with sizes to begin from. */
export const shapes: { kind: Shape['kind']; word: string; path: string; size: Shape }[] = [
  {
    kind: 'LEAN_TO',
    word: 'leans on a wall',
    path: 'M8 44 V24 L52 8 V44 Z',
    size: {
      kind: 'LEAN_TO',
      lengthMetres: 6,
      widthMetres: 2.4,
      lowMetres: 1.7,
      highMetres: 2.7,
      frontDegrees: 180,
    },
  },
  {
    kind: 'GABLE',
    word: 'stands alone, two slopes',
    path: 'M8 44 V24 L30 8 L52 24 V44 Z',
    size: {
      kind: 'GABLE',
      lengthMetres: 4,
      widthMetres: 2.5,
      lowMetres: 1.5,
      highMetres: 2.4,
      frontDegrees: 180,
    },
  },
  {
    kind: 'TUNNEL',
    word: 'a tunnel',
    path: 'M8 44 A22 34 0 0 1 52 44 Z',
    size: {
      kind: 'TUNNEL',
      lengthMetres: 10,
      widthMetres: 5,
      lowMetres: 0,
      highMetres: 2.4,
      frontDegrees: 180,
    },
  },
  {
    kind: 'DOME',
    word: 'a dome',
    path: 'M8 44 A22 22 0 0 1 52 44 Z',
    size: {
      kind: 'DOME',
      lengthMetres: 0,
      widthMetres: 5,
      lowMetres: 0,
      highMetres: 2.5,
      frontDegrees: 180,
    },
  },
  {
    kind: 'FRAME',
    word: 'a cold frame',
    path: 'M8 44 V36 L52 26 V44 Z',
    size: {
      kind: 'FRAME',
      lengthMetres: 2,
      widthMetres: 1,
      lowMetres: 0.3,
      highMetres: 0.5,
      frontDegrees: 180,
    },
  },
]

type Dimension = keyof Omit<Shape, 'kind'>

/** What a shape is measured by, in its own words. */
export const dimensions: Record<Shape['kind'], [Dimension, string][]> = {
  GABLE: [
    ['lengthMetres', 'Length'],
    ['widthMetres', 'Width'],
    ['lowMetres', 'To the eaves'],
    ['highMetres', 'To the ridge'],
  ],
  LEAN_TO: [
    ['lengthMetres', 'Length'],
    ['widthMetres', 'Depth'],
    ['lowMetres', 'Height in front'],
    ['highMetres', 'Height at the wall'],
  ],
  TUNNEL: [
    ['lengthMetres', 'Length'],
    ['widthMetres', 'Width'],
    ['highMetres', 'Height'],
  ],
  DOME: [
    ['widthMetres', 'Across'],
    ['highMetres', 'Height'],
  ],
  FRAME: [
    ['lengthMetres', 'Length'],
    ['widthMetres', 'Depth'],
    ['lowMetres', 'Height in front'],
    ['highMetres', 'Height behind'],
  ],
}

export const tightness = [
  { value: 0.5, text: 'tight: new, sealed, doors that close' },
  { value: 1, text: 'ordinary' },
  { value: 2.5, text: 'leaky: slipped panes, loose film, a gap round the door' },
]

export const plants = [
  { word: 'winter salad', celsius: -4 },
  { word: 'hardy greens', celsius: -7 },
  { word: 'citrus', celsius: 2 },
  { word: 'seedlings', celsius: 5 },
]
