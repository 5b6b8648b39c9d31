import { describe, expect, it } from 'vitest'
import { SI } from '@/shared/units'
import { headline, kinds, kindWords, remedy, type Alarm } from './sentences'

const of = (kind: Alarm['kind'], facts: Partial<Alarm['facts']>): Alarm =>
  ({
    id: 'a',
    kind,
    cannotWait: true,
    since: '2026-01-30T16:00:00Z',
    over: null,
    seenAt: null,
    seenBy: null,
    told: 1,
    facts: {
      of: 'Lean-to',
      opens: null,
      verdict: '',
      celsius: null,
      limit: null,
      at: null,
      doings: [],
      ...facts,
    },
  }) as Alarm
const F = { ...SI, fahrenheit: true }

describe('an alarm in words', () => {
  it('says how the night goes and what to do, in the reader’s units', () => {
    const a = of('NIGHT', {
      verdict: 'LOST',
      celsius: -4,
      at: '2026-01-31T07:10:00Z',
      doings: [
        {
          kind: 'LOAD',
          of: 'Hearth',
          part: 'FIRE',
          from: '2026-01-30T21:00:00Z',
          to: '2026-01-31T07:10:00Z',
          amount: 4,
        },
        {
          kind: 'SCREEN',
          of: '',
          part: '',
          from: '2026-01-30T16:40:00Z',
          to: '2026-01-31T07:10:00Z',
          amount: null,
        },
      ],
    })
    expect(headline(a, SI, 'UTC')).toBe(
      'Lean-to: the coming night is lost, coldest −4.0 °C at 07:10',
    )
    expect(headline(a, F, 'UTC')).toContain('24.8 °F')
    expect(remedy(a, 'UTC')).toBe(
      'To do: lay 4 kg on the hearth at 21:00; draw the screen at 16:40.',
    )
  })
  it('tells air that is there from air that falls there', () => {
    expect(headline(of('AIR', { celsius: 1.5, limit: 2 }), SI, 'UTC')).toContain('plants stand 2.0')
    const falls = of('AIR', { celsius: 4, limit: 2, at: '2026-01-30T19:30:00Z' })
    expect(headline(falls, SI, 'UTC')).toContain('falls to 2.0 °C by 19:30')
  })
  it('has words for every kind', () => {
    for (const k of kinds) {
      expect(kindWords[k]).toBeTruthy()
      expect(
        headline(
          of(k, {
            celsius: 3,
            limit: 2,
            at: '2026-01-30T19:30:00Z',
            wood: { readyKilograms: 12, askedKilograms: 31 },
          }),
          SI,
          'UTC',
        ),
      ).toContain(k === 'WOOD' ? '12 kg lie ready' : 'Lean-to')
      expect(remedy(of(k, {}), 'UTC')).toMatch(/\.$/)
    }
  })
})
