import { describe, expect, it } from 'vitest'
import { SI } from '@/shared/units'
import { apart } from './conflict'
import { starts } from './designs'

const told = (name: string, change: object = {}) => ({
  name,
  planned: false,
  houseId: null,
  design: { ...starts[0]!.design, ...change },
  probes: [],
})

describe('what two people left otherwise', () => {
  it('is told in words of both', () => {
    const theirs = told('Drum', { floorCelsius: 7, heightMetres: 0.7 })
    const all = apart(
      theirs,
      told('Cask', { floorCelsius: 9, medium: 'water' }),
      SI,
      [],
      [
        { id: 'water', name: 'Water' },
        { id: 'dry-sand', name: 'Dry sand' },
      ],
      [],
    )
    expect(all).toContainEqual({ what: 'Name', theirs: 'Drum', mine: 'Cask' })
    expect(all).toContainEqual({ what: 'Stops helping at', theirs: '7.0 °C', mine: '9.0 °C' })
    expect(all).toContainEqual({ what: 'Height', theirs: '70 cm', mine: '62 cm' })
    expect(all).toContainEqual({ what: 'Filled with', theirs: 'Dry sand', mine: 'Water' })
    expect(all).toHaveLength(4)
  })
  it('never says the same of both', () => {
    const zone = { reachFraction: 0.3, lowFraction: 0, highFraction: 1, behind: null }
    const all = apart(told('Drum', { zone }), told('Drum'), SI, [], [], [])
    expect(all).toEqual([{ what: 'Where it is heated', theirs: 'described', mine: 'otherwise' }])
  })
  it('is nothing where both have it so', () => {
    expect(apart(told('Drum'), told('Drum'), SI, [], [], [])).toEqual([])
  })
})
