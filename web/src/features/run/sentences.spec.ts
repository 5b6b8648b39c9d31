import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import { findings, verdict } from './sentences'

const C = { fahrenheit: false }

function judgement(found: Partial<Views['FindingView']>[]): Views['JudgementView'] {
  return {
    findings: found.map((f) => ({ code: '', value: 0, halfWidth: 0, detail: '', ...f })),
    ledger: { charged: 11.16e6, gain: 10.9e6 },
    peak: { at: 1768154700, meanCelsius: 65.2, halfWidth: 2.1, fromFit: false },
  } as unknown as Views['JudgementView']
}

describe('what a run means', () => {
  it('says the half-life with its interval and the face that loses most', () => {
    const j = judgement([
      { code: 'HALF_LIFE', value: 27.2 * 3600, halfWidth: 3600 },
      { code: 'MAIN_FACE', value: 0.6, detail: 'TOP BARE' },
    ])
    expect(verdict(j)).toBe('Loses half its heat in 27 ± 1 h; the bare top is most of it.')
  })
  it('names the face that is worst for its size when it is not the largest loss', () => {
    const j = judgement([
      { code: 'HALF_LIFE', value: 27.2 * 3600, halfWidth: 3600 },
      { code: 'MAIN_FACE', value: 0.57, detail: 'SIDE COVERED' },
      { code: 'WORST_FACE', value: 2.4, detail: 'TOP BARE' },
    ])
    expect(verdict(j)).toContain(
      'the side is most of it, and the bare top loses 2.4 times as much for its size',
    )
  })
  it('says so when the data cannot carry a judgement', () => {
    expect(verdict(judgement([{ code: 'AIR_UNKNOWN' }]))).toContain('cannot be said')
    expect(verdict(judgement([{ code: 'COOL_DOWN_TOO_SHORT', value: 1.2 }]))).toContain('1.2 h')
    expect(verdict(judgement([{ code: 'FALL_TOO_SMALL' }]))).toContain('scatter')
  })
  it('tells when more came out than went in', () => {
    const said = findings(judgement([{ code: 'EFFICIENCY', value: 1.2 }]), C, 'UTC').join(' ')
    expect(said).toContain('3.10 kWh put in')
    expect(said).toContain('more than all')
  })
  it('says for how long the lid was off and which way the cool-down was read', () => {
    const off = judgement([{ code: 'LID_OFF', value: 12 * 3600, detail: 'OFF' }])
    expect(findings(off, C, 'UTC').join(' ')).toContain(
      'The lid was off for 12 h of it and is reckoned with; the cool-down was read with the lid off.',
    )
    const alone = judgement([{ code: 'LID_OFF', value: 12 * 3600, detail: '' }])
    expect(findings(alone, C, 'UTC').join(' ')).toContain('reckoned with.')
  })
  it('tells which share of a fire the store took up', () => {
    const fire = judgement([{ code: 'FIRE_TO_STORE', value: 0.4, halfWidth: 0.05 }])
    expect(findings(fire, C, 'UTC').join(' ')).toContain(
      'Of the 7.75 kWh in the wood 40 ± 5 % went into the store.',
    )
  })
  it('names a peak that nobody saw as one', () => {
    const j = judgement([])
    j.peak.fromFit = true
    expect(findings(j, C, 'UTC')[0]).toContain('from the fit')
  })
})
