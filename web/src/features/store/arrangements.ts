import type { Views } from '@/shared/api/client'
import { lengthOf, thinOf } from '@/shared/units'
import { sidesOf } from '@/shared/body'
import type { Design, FaceKey, Layer, Probe } from './designs'

export type Arrangement = Views['Arrangement']

/** How a store is or was, by itself. */
export interface Described {
  houseId: string | null
  design: Design
  probes: Probe[]
}

/** Of a store that nobody says another time of. */
export const asItIs = { earlier: null, since: null, was: null }

const FACES: FaceKey[] = ['side', 'top', 'foot']
const same = (a: unknown, b: unknown) => JSON.stringify(a ?? null) === JSON.stringify(b ?? null)

/** All that a store was, in the order of time; the last is how it is now, without an end. */
export function allOf(store: Views['StoreView']): Arrangement[] {
  const { houseId, design, probes } = store
  return [...(store.earlier ?? []), { until: null, houseId, design, probes }]
}

/** The place of the one that was in force for most of a stretch, ms; of equal parts the later. */
export function mostOf(all: Arrangement[], from: number, to: number): number {
  let found = all.length - 1
  let most = 0
  let begin = -Infinity
  all.forEach((a, i) => {
    const end = a.until ? Date.parse(a.until) : Infinity
    const within = Math.min(to, end) - Math.max(from, begin)
    if (within > 0 && within >= most) [found, most] = [i, within]
    begin = end
  })
  return found
}

const layer = (l: Layer, insulation: { id: string; name: string }[]) => {
  const what =
    l.kind === 'GAP'
      ? 'air gap with foil'
      : (insulation.find((m) => m.id === l.material)?.name.toLowerCase() ?? 'a layer')
  return `${thinOf(l.thicknessMetres)} ${what}${l.wet ? ', wet' : ''}`
}

/** What a face is, in a few words. */
export function faceWords(
  d: Design,
  key: FaceKey,
  insulation: { id: string; name: string }[],
): string {
  const f = d[key]
  if (f?.measuredTransmittance != null) return `${key} as measured`
  if (!f?.layers?.length) return `${key} bare`
  return `${key}: ${f.layers.map((l) => layer(l, insulation)).join(' + ')}`
}

function size(d: Design): string {
  if (d.shape === 'CYLINDER')
    return `${lengthOf(d.diameterMetres ?? 0)} wide, ${lengthOf(d.heightMetres)} high`
  const { length, width } = sidesOf(d)
  return `${lengthOf(length)} × ${lengthOf(width)} × ${lengthOf(d.heightMetres)}`
}

function probes(before: Described, after: Described): string[] {
  const was = new Map(before.probes.map((p) => [p.id, p]))
  const is = new Map(after.probes.map((p) => [p.id, p]))
  return [
    ...after.probes.filter((p) => !was.has(p.id)).map((p) => `${p.name} put in`),
    ...before.probes.filter((p) => !is.has(p.id)).map((p) => `${p.name} taken out`),
    ...after.probes
      .filter((p) => {
        const w = was.get(p.id)
        return w && (w.radiusFraction !== p.radiusFraction || w.heightFraction !== p.heightFraction)
      })
      .map((p) => `${p.name} moved`),
  ]
}

/** What is otherwise in one than in another, in words of the later one. */
export function differences(
  before: Described,
  after: Described,
  insulation: { id: string; name: string }[],
  media: { id: string; name: string }[],
): string[] {
  const a = before.design
  const b = after.design
  const words = FACES.filter((f) => !same(a[f], b[f])).map((f) => faceWords(b, f, insulation))
  if (size(a) !== size(b)) words.push(size(b))
  if (a.medium !== b.medium)
    words.push(media.find((m) => m.id === b.medium)?.name.toLowerCase() ?? 'another medium')
  if (!same(a.fills?.length ? a.fills : null, b.fills?.length ? b.fills : null))
    words.push('filled otherwise in parts')
  if (a.count !== b.count) words.push(`${b.count} of them`)
  if (!same(a.place, b.place) || before.houseId !== after.houseId) words.push('stands elsewhere')
  words.push(...probes(before, after))
  if (!words.length && !same(a, b)) words.push('described otherwise')
  return words
}

const listed = (words: string[]) =>
  words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${words.at(-1)}` : (words[0] ?? '')

/** A word or two for each, by which they are told apart: of what is otherwise what is covered. */
export function inShort(
  all: Arrangement[],
  insulation: { id: string; name: string }[],
  media: { id: string; name: string }[],
): string[] {
  const differing = FACES.filter((f) => all.some((o) => !same(o.design[f], all[0]?.design[f])))
  const bare = (d: Design, f: FaceKey) =>
    d[f]?.measuredTransmittance == null && !d[f]?.layers?.length
  const words = all.map((a) => {
    const clad = differing.filter((f) => !bare(a.design, f))
    return clad.length ? `${listed(clad)} covered` : 'bare'
  })
  return words.map((w, i) => {
    if (differing.length && words.indexOf(w) === i && words.lastIndexOf(w) === i) return w
    const before = all[i - 1]
    return before
      ? differences(before, all[i]!, insulation, media).join(', ')
      : differing.length
        ? differing.map((f) => faceWords(all[i]!.design, f, insulation)).join(', ')
        : size(all[i]!.design)
  })
}
