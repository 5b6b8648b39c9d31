import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { inTheBank } from './inTheBank'

const store = (id: string, reachesHouse: boolean, usableJoules: number | null, at?: string) =>
  ({
    id,
    name: id,
    planned: false,
    reachesHouse,
    now: { usableJoules, at: at ?? '2026-01-30T15:00:00Z' },
  }) as unknown as Views['StoreView']
const NOW = '2026-01-30T15:40:00Z'

describe('what is in the bank', () => {
  it('counts what can reach a house and names what cannot', () => {
    expect(inTheBank([store('Bin', true, 3.6e6), store('Heap', true, 7.2e6)], NOW, 'UTC')).toEqual({
      joules: 1.08e7,
      count: 2,
      left: [],
    })
    expect(inTheBank([store('Bin', true, 3.6e6), store('Heap', false, 7.2e6)], NOW, 'UTC')).toEqual(
      { joules: 3.6e6, count: 1, left: ['Heap, nothing leads it to a house'] },
    )
  })
  it('leaves out readings weeks old and says so, and cold stores without a word', () => {
    const stores = [store('Bin', true, 3.6e6, '2026-01-02T08:00:00Z'), store('Tub', true, 0)]
    const bank = inTheBank(stores, NOW, 'UTC')
    expect(bank.count).toBe(0)
    expect(bank.left).toEqual([expect.stringContaining('Bin, last read Fri')])
  })
})
