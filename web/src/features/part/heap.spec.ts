import { describe, expect, it } from 'vitest'
import { rhythmSentence } from './heap'

const C = { fahrenheit: false }
const rhythm = {
  watts: 200,
  feedstock: 'Horse manure',
  loadKilograms: 60,
  everyDays: 3,
  lowestCelsius: 46.2,
}

describe('feeding a heap', () => {
  it('says what, how much and how often', () => {
    expect(rhythmSentence(rhythm, C)).toBe(
      'For 200 W day and night for a fortnight feed 60 kg of horse manure today and every 3 days; on the way it is 46 °C at the coldest.',
    )
  })
  it('says that nothing is needed, or that nothing does', () => {
    expect(rhythmSentence({ ...rhythm, everyDays: 0 }, C)).toContain('nothing need be fed')
    expect(rhythmSentence({ ...rhythm, everyDays: -1, lowestCelsius: null }, C)).toContain('cold')
  })
})
