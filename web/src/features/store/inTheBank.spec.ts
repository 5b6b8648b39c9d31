import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { fresh, type Part } from '../part/parts'
import { inTheBank } from './inTheBank'

const store = (id: string, where: string, joules: number | null, at = '2026-01-30T15:00:00Z') =>
  ({
    id,
    name: id,
    planned: false,
    now: { usableJoules: joules, at },
    design: { place: { where, openToHouse: [] } },
  }) as unknown as Views['StoreView']
const NOW = '2026-01-30T15:40:00Z'
const loop = { id: 'p', name: 'Loop', houseId: '', version: 1, design: fresh('CIRCUIT', 'Heap') }

describe('what is in the bank', () => {
  it('counts what stands in a house or is led to one', () => {
    const stores = [store('Bin', 'HOUSE', 3.6e6), store('Heap', 'OUTDOORS', 7.2e6)]
    expect(inTheBank(stores, [loop as Part], NOW, 'UTC')).toEqual({
      joules: 1.08e7,
      count: 2,
      left: [],
    })
    expect(inTheBank(stores, [], NOW, 'UTC')).toEqual({
      joules: 3.6e6,
      count: 1,
      left: ['Heap, nothing leads it to a house'],
    })
  })
  it('leaves out readings weeks old and says so, and cold stores without a word', () => {
    const stores = [store('Bin', 'HOUSE', 3.6e6, '2026-01-02T08:00:00Z'), store('Tub', 'HOUSE', 0)]
    const bank = inTheBank(stores, [], NOW, 'UTC')
    expect(bank.count).toBe(0)
    expect(bank.left).toEqual([expect.stringContaining('Bin, last read Fri')])
  })
})
