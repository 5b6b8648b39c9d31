import type { Views } from '@/shared/api/client'
import type { Keeps } from '@/shared/keeps'

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
  {
    kind: 'ROOM',
    word: 'a room, no glasshouse',
    path: 'M8 44 V16 H52 V44 Z M25 44 V28 H35 V44',
    size: {
      kind: 'ROOM',
      lengthMetres: 4,
      widthMetres: 3.5,
      lowMetres: 0,
      highMetres: 2.4,
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
  ROOM: [
    ['lengthMetres', 'Length'],
    ['widthMetres', 'Depth'],
    ['highMetres', 'Height'],
  ],
}

/** Rooms by what lies behind their walls, with the wall that they usually have. */
export const rooms: {
  room: NonNullable<Answers['room']>
  word: string
  wall: string
  of: string
  keeps: Keeps
}[] = [
  {
    room: 'DWELLING',
    word: 'one room of a dwelling: one outer wall, rooms behind the others',
    wall: 'filled-wall',
    of: 'Its outer wall is of',
    keeps: 'PEOPLE',
  },
  {
    room: 'GARAGE',
    word: 'a garage or shed: walls and roof in the open',
    wall: 'brick-wall',
    of: 'Its walls are of',
    keeps: 'THINGS',
  },
  {
    room: 'CELLAR',
    word: 'a cellar: earth behind all walls, a room above',
    wall: 'stone-wall',
    of: 'Its walls are of',
    keeps: 'THINGS',
  },
  {
    room: 'BERMED',
    word: 'earth behind and above it, glass in front',
    wall: 'earth-wall',
    of: 'The walls before the earth are of',
    keeps: 'PLANTS',
  },
  {
    room: 'MASONRY',
    word: 'heavy walls in the open',
    wall: 'stone-wall',
    of: 'Its walls are of',
    keeps: 'PEOPLE',
  },
]

export const tightness = [
  { value: 0.5, text: 'tight: new, sealed, doors that close' },
  { value: 1, text: 'ordinary' },
  { value: 2.5, text: 'leaky: slipped panes, loose film, a gap round the door' },
]

/** How warm it must be at least, by what it is kept for. */
export const wants: Record<Keeps, { word: string; celsius: number }[]> = {
  PLANTS: [
    { word: 'winter salad', celsius: -4 },
    { word: 'hardy greens', celsius: -7 },
    { word: 'citrus', celsius: 2 },
    { word: 'seedlings', celsius: 5 },
  ],
  PEOPLE: [
    { word: 'to live in', celsius: 18 },
    { word: 'to sleep in', celsius: 15 },
    { word: 'to work in', celsius: 12 },
  ],
  THINGS: [
    { word: 'potatoes and roots', celsius: 3 },
    { word: 'water pipes', celsius: 1 },
    { word: 'paint and jars', celsius: 0 },
  ],
}
