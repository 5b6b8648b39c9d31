import { describe, expect, it } from 'vitest'
import type { Views } from '@/shared/api/client'
import {
  begun,
  bypass,
  cleared,
  damper,
  fromAddress,
  lanes,
  more,
  moved,
  replaced,
  toAddress,
  type Doing,
  type Lane,
} from './doings'

const START = Date.parse('2026-01-30T15:40:00Z') / 1000
const END = Date.parse('2026-01-31T08:16:00Z') / 1000
const dusk = START + 3600
const nobody = null
const offers: Views['Possible'][] = [
  { kind: 'LOAD', of: 'f', name: 'Hearth', part: 'FIRE', usual: 6 },
  { kind: 'RUN', of: 'l', name: 'Lamps', part: 'FLAMES', usual: 4 },
  { kind: 'SCREEN', of: nobody, name: '', part: 'HOUSE', usual: null },
]
const heater = {
  id: 'h',
  name: 'Heater',
  kind: 'HEATER',
  byItself: true,
  runSeconds: 7200,
  watts: [],
} as unknown as Views['PartTonight']
const night = (part: object = {}) =>
  ({
    possible: offers,
    parts: [heater],
    advice: null,
    at: [START, END],
    ...part,
  }) as unknown as Views['TonightView']
const all = (doings: Doing[], n = night()) => {
  const l = lanes(n, doings)
  return [...l.shown, ...l.rest]
}
const lane = (key: string, doings: Doing[] = []) => all(doings).find((l) => l.key === key) as Lane
const load = begun(lane('f'), dusk, END)

describe('what is done in a night', () => {
  it('stands in the address and comes back the same', () => {
    const some = [load, begun(lane('SCREEN'), dusk, END), begun(lane('l'), dusk, END)]
    expect(fromAddress(toAddress(some))).toEqual(some)
    expect(fromAddress('')).toEqual([])
    expect(fromAddress('LOAD~b~soup~~6!x')).toEqual([])
  })
  it('leaves what is planned for later nights to them', () => {
    const after = { ...begun(lane('f'), dusk, END), from: '2026-01-31T16:40:00Z' }
    expect(lanes(night(), [after]).shown.map((l) => l.key)).not.toContain('f')
  })
  it('shows what is planned, advised or runs by itself, and keeps the rest behind one add', () => {
    const words = (ls: Lane[]) => ls.map((l) => l.key)
    const bare = lanes(night(), [])
    expect(words(bare.shown)).toEqual(['h'])
    expect(words(bare.rest)).toEqual(['f', 'l', 'SCREEN'])
    const advised = night({ advice: { actions: [begun(lane('SCREEN'), dusk, END)] } })
    expect(words(lanes(advised, [load]).shown)).toEqual(['f', 'SCREEN', 'h'])
  })
  it('lays several loads on one fire, with bypass at first and damper at the end', () => {
    const later = moved(load, 3 * 3600, 'from', START, END)
    const doings = [load, later]
    const fire = lane('f', doings)
    expect(fire.at).toEqual([0, 1])
    const open = bypass(fire, doings) as Doing
    expect(Date.parse(open.to) - Date.parse(open.from)).toBe(15 * 60_000)
    expect(open.from).toBe(load.from)
    const shut = damper(fire, doings, END) as Doing
    expect(Date.parse(shut.from) - Date.parse(later.from)).toBe(6 * 3_600_000)
    const both = [...doings, open, shut]
    expect(bypass(lane('f', both), both)).toBeNull()
    expect(damper(lane('f', both), both, END)).toBeNull()
    expect(cleared(both, lane('f', both))).toEqual([])
  })
  it('stops what runs by itself', () => {
    expect(begun(lane('h'), dusk, END).kind).toBe('STOP')
  })
  it('counts flames and wood, and nothing else', () => {
    expect(more(load, lane('f'), 1).amount).toBe(7)
    expect(more({ ...load, amount: 1 }, lane('f'), -1).amount).toBe(1)
    expect(more(begun(lane('l'), dusk, END), lane('l'), -1).amount).toBe(3)
    const screen = begun(lane('SCREEN'), dusk, END)
    expect(more(screen, lane('SCREEN'), 1)).toEqual(screen)
  })
  it('changes one of them and leaves the others', () => {
    const some = [load, begun(lane('SCREEN'), dusk, END)]
    expect(replaced(some, 0, { ...load, amount: 9 })[0].amount).toBe(9)
    expect(replaced(some, 0, null)).toEqual([some[1]])
  })
  it('moves within the night and never inside out', () => {
    const d = begun(lane('l'), dusk, END)
    const short = { ...d, to: new Date((dusk + 7200) * 1000).toISOString() }
    expect(Date.parse(moved(short, 1e6, 'both', START, END).to) / 1000).toBe(END)
    expect(Date.parse(moved(short, -1e6, 'both', START, END).from) / 1000).toBe(START)
    const late = moved(short, 1e6, 'from', START, END)
    expect(Date.parse(late.from)).toBeLessThan(Date.parse(late.to))
    const early = moved(short, -1e6, 'to', START, END)
    expect(Date.parse(early.to)).toBeGreaterThan(Date.parse(early.from))
    const wood = moved(load, 1e6, 'both', START, END)
    expect(wood.from).toBe(wood.to)
    expect(Date.parse(wood.from) / 1000).toBeLessThan(END)
  })
})
