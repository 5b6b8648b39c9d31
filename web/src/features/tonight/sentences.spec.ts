import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { assumption, headline, shortage } from './sentences'

const C = { fahrenheit: false }
const F = { fahrenheit: true }
const night = (part: object) =>
  ({
    coldestAt: '2026-01-31T07:10:00Z',
    coldestCelsius: 3.1,
    marginKelvin: 1.1,
    ...part,
  }) as unknown as Views['TonightView']

describe('tonight in words', () => {
  it('says that it holds and by how much', () => {
    expect(headline(night({ verdict: 'HELD' }), C, 'UTC')).toBe(
      'Tonight holds: coldest 3.1 °C at 07:10, 1.1 K to spare.',
    )
  })
  it('says by how much it is lost, in the person’s units', () => {
    const n = night({ verdict: 'LOST', coldestCelsius: -1, marginKelvin: -3 })
    expect(headline(n, F, 'UTC')).toBe(
      'Tonight is lost as things stand: coldest 30.2 °F at 07:10, 5.4 °F too cold.',
    )
  })
  it('tells too little heat from too slow heat', () => {
    expect(shortage(night({ shortKind: 'ENERGY', shortJoules: 7.56e6 }))).toContain('2.10 kWh')
    expect(shortage(night({ shortKind: 'POWER', shortJoules: 3.6e6 }))).toContain('fast enough')
    expect(shortage(night({ shortKind: 'NONE' }))).toBe('')
  })
  it('owns up to what was guessed', () => {
    const said = assumption(
      { code: 'STORE_UNREAD', value: 4, at: null as unknown as string, of: 'Bin' },
      C,
      'UTC',
    )
    expect(said).toBe('Bin has never been read; it is taken as cold as the air, 4.0 °C.')
  })
})
