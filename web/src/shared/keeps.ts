import type { Views } from './api/client'

export type Keeps = Views['TonightView']['keeps']

/** What a house is kept for, in the words of its limit. */
export const keepsWords: Record<
  Keeps,
  { kept: string; stand: string; limit: string; feels: string | null; all: string }
> = {
  PLANTS: {
    kept: 'plants',
    stand: 'The plants stand',
    limit: 'plants stand',
    feels: 'leaves',
    all: 'the plants',
  },
  PEOPLE: {
    kept: 'people',
    stand: 'People want',
    limit: 'people want',
    feels: 'as people feel it',
    all: 'the people in it',
  },
  THINGS: {
    kept: 'roots, pipes, tools',
    stand: 'It must stay above',
    limit: 'must stay above',
    feels: null,
    all: 'the room',
  },
}

export const keepsOf = (design: { keeps?: Keeps | null } | null | undefined) =>
  keepsWords[design?.keeps ?? 'PLANTS']

export const keepsOptions = (Object.keys(keepsWords) as Keeps[]).map((value) => ({
  value,
  text: keepsWords[value].kept,
}))
