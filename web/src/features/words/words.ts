/** Words of our own, in the order of the work, each with what it means and how it is reckoned. */
export type Word = { id: string; word: string; says: string }

export const words: { when: string; words: Word[] }[] = [
  {
    when: 'What a store is',
    words: [
      {
        id: 'stops-helping',
        word: 'stops helping at',
        says: 'The temperature at which the store no longer warms what it should: a house gets nothing from a bench that is no warmer than itself. All stored heat is counted from there, never from zero.',
      },
      {
        id: 'balance',
        word: 'balance',
        says: 'The heat in a store above where it stops helping, over its whole mass: its middle may be far hotter than its edge, so one hot reading is not its balance.',
      },
      {
        id: 'reaches-out',
        word: 'reaches out to',
        says: 'How far from the middle the part reaches that the source heats first, as a rod does its core. The rest is warmed through the fill, and late.',
      },
      {
        id: 'full',
        word: 'full',
        says: 'Evenly at the temperature it is charged to. It is a yardstick: a store that is hot in the middle can hold as much without being even.',
      },
    ],
  },
  {
    when: 'What a house is',
    words: [
      {
        id: 'slow-mass',
        word: 'slow mass',
        says: 'Walls, staging and pots that follow the air by hours and give their warmth back at night, without anybody having charged them. Floor and beds are reckoned apart, as soil.',
      },
      {
        id: 'plants-stand',
        word: 'plants stand',
        says: 'The lowest temperature at the leaves that does no harm. On a clear night leaves are colder than the air: the colder of the two counts. In a room for people it is what they want to feel: half the air, half the walls and windows that face them. For roots and pipes the air alone counts.',
      },
      {
        id: 'bill',
        word: 'the night’s bill',
        says: 'The heat that would keep the house at what its plants stand, or whatever else it is kept for, until sunrise with nothing stored in it.',
      },
    ],
  },
  {
    when: 'How much, and of what',
    words: [
      {
        id: 'bites-first',
        word: 'bites first',
        says: 'What keeps a store of this size from doing more: too little heat in it (energy), or heat that cannot get out fast enough by morning (power). More mass mends the first, more face the second.',
      },
      {
        id: 'more-stops',
        word: 'where more stops helping',
        says: 'The first step in size that saves less than one more night of the winter.',
      },
    ],
  },
  {
    when: 'A charge and its cooling',
    words: [
      {
        id: 'loses-half',
        word: 'loses half in',
        says: 'From the end of a charge, the hours until half of what it holds above its surroundings has left, the evening out inside included, beside air as it was.',
      },
      {
        id: 'time-constant',
        word: 'time constant',
        says: 'Of the late cooling, when the inside has evened out: the hours in which a store falls by 63 % towards the air beside it.',
      },
      {
        id: 'doubt',
        word: '±',
        says: 'Nineteen times in twenty the truth lies within. It holds the thermometers, their places, what the fill may be, and what the model leaves out.',
      },
      {
        id: 'unaccounted',
        word: 'unaccounted',
        says: 'What is left when all that went in and out is added up: something that nobody told, a reading that is off, or what the model leaves out.',
      },
    ],
  },
  {
    when: 'Tonight, and nights that were',
    words: [
      {
        id: 'held',
        word: 'holds, close, lost',
        says: 'Of a night to come: it holds when the coldest tenth of its likely nights stays above the limit, is lost when half of them fall below it, and close between. Of a night that was: by the lowest that was read.',
      },
      {
        id: 'not-known',
        word: 'not known',
        says: 'Too little of a night was looked at to say what became of it. The house’s model then says where its low lies.',
      },
      {
        id: 'lift',
        word: 'lift',
        says: 'By how much the coldest moment was warmer than it would have been without the stores, or than outdoors, as the page says.',
      },
    ],
  },
  {
    when: 'What became of the heat',
    words: [
      {
        id: 'delivered',
        word: 'reached the house in the cold',
        says: 'Heat that came while the house needed it, at or under the temperature below which it is heated. It is what a store is for.',
      },
      {
        id: 'spent-early',
        word: 'spent early',
        says: 'Heat that came into the house while it was warm enough: by day, or in the evening of a mild night. It is not lost to the house, and it holds no night.',
      },
      {
        id: 'lost',
        word: 'lost',
        says: 'Heat that went to the ground, the sky or the air outdoors without passing through the house.',
      },
    ],
  },
]

const all = new Map(words.flatMap((s) => s.words).map((w) => [w.id, w]))

/** What a word says; a word that is not explained is a fault of the page that asks. */
export function wordOf(id: string): Word {
  const found = all.get(id)
  if (!found) throw new Error(`no word ${id}`)
  return found
}
