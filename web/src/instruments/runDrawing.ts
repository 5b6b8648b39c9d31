/** A run as it is drawn: its scales, curves, band, names at the curves' ends, phases and notes. */
import { bisector, extent } from 'd3-array'
import { scaleLinear, scaleTime } from 'd3-scale'
import { area, line } from 'd3-shape'
import { computed, type Ref } from 'vue'
import { wordOf } from '@/features/log/doneKinds'
import type { Views } from '@/shared/api/client'
import { degreeTicks } from '@/shared/heat'
import type { Temperature } from '@/shared/units'

export type Row = (number | null)[]

/** What is drawn of a run; without a mean it is not judged yet. */
export type DrawnRun = Pick<Views['JudgementView'], 'at' | 'probes' | 'phases' | 'events'> & {
  air: Row
  mean: Row
  meanHalfWidth: Row
  coolDown?: Views['JudgementView']['coolDown']
}

const LETTER = 6.8 // about as wide as one is, in the drawing's units
const phaseWords: Record<string, string> = {
  CHARGING: 'charging',
  HOLDING: 'holding',
  RELEASING: 'releasing',
}

export const margin = { top: 16, right: 128, bottom: 66, left: 54 }

function lastOf(row: Row, at: number): number | null {
  for (let i = at; i >= 0; i--) if (row[i] != null) return row[i]
  return null
}

export function useRunDrawing(
  run: () => DrawnRun,
  units: () => Temperature,
  shown: Ref<[number, number]>,
  size: Ref<{ w: number; h: number }>,
) {
  const narrow = computed(() => size.value.w < 600)
  const right = computed(() => (narrow.value ? 14 : margin.right))

  const seen = computed(() => {
    const b = bisector((d: number) => d)
    return [
      Math.max(0, b.left(run().at, shown.value[0]) - 1),
      Math.min(run().at.length, b.right(run().at, shown.value[1]) + 1),
    ]
  })
  const x = computed(() =>
    scaleTime()
      .domain(shown.value.map((s) => s * 1000))
      .range([margin.left, size.value.w - right.value]),
  )
  const y = computed(() => {
    const [a, b] = seen.value
    const all: number[] = []
    const take = (row: Row) => row.slice(a, b).forEach((v) => v != null && all.push(v))
    run().probes.forEach((p) => take(p.measured))
    take(run().mean)
    take(run().mean.map((m, i) => (m == null ? null : m + (run().meanHalfWidth[i] ?? 0))))
    take(run().air)
    const [low, high] = extent(all)
    return scaleLinear()
      .domain([Math.min(low ?? 0, 0), (high ?? 20) + 2])
      .nice()
      .range([size.value.h - margin.bottom, margin.top])
  })

  const path = (row: Row) => {
    const [a, b] = seen.value
    return (
      line<number>()
        .defined((i) => row[i] != null)
        .x((i) => x.value(run().at[i] * 1000))
        .y((i) => y.value(row[i] as number))(Array.from({ length: b - a }, (_, k) => a + k)) ?? ''
    )
  }
  const band = computed(() => {
    const [a, b] = seen.value
    const w = (i: number) => run().meanHalfWidth[i] as number
    return (
      area<number>()
        .defined((i) => run().mean[i] != null)
        .x((i) => x.value(run().at[i] * 1000))
        .y0((i) => y.value((run().mean[i] as number) - w(i)))
        .y1((i) => y.value((run().mean[i] as number) + w(i)))(
        Array.from({ length: b - a }, (_, k) => a + k),
      ) ?? ''
    )
  })

  /** Readings so few that each is seen by itself. */
  const single = computed(() => run().at.length <= 80)
  const ends = computed(() => {
    const at = Math.max(0, seen.value[1] - 2)
    const labels = [
      ...run().probes.map((p, i) => ({
        name: p.name,
        v: lastOf(p.measured, at),
        kind: 'probe',
        i,
      })),
      { name: 'whole store', v: lastOf(run().mean, at), kind: 'mean', i: 0 },
      { name: 'air', v: lastOf(run().air, at), kind: 'air', i: 0 },
    ]
      .filter((l) => l.v != null)
      .map((l) => ({ ...l, y: y.value(l.v as number) }))
      .sort((a, b) => a.y - b.y)
    let last = -99
    for (const l of labels) last = l.y = Math.max(l.y, last + 17)
    let low = size.value.h - margin.bottom
    for (let i = labels.length - 1; i >= 0; i--, low -= 17)
      low = labels[i].y = Math.min(labels[i].y, low)
    return labels
  })

  const clip = (s: number) =>
    Math.min(size.value.w - right.value, Math.max(margin.left, x.value(s * 1000)))
  const phases = computed(() =>
    run()
      .phases.map((p) => ({
        ...p,
        x0: clip(p.from),
        x1: clip(p.to),
        word: phaseWords[p.kind] ?? p.kind,
      }))
      .filter((p) => p.x1 > p.x0),
  )
  const used = computed(() => {
    const down = run().coolDown
    return down ? { x0: clip(down.from), x1: clip(down.to) } : null
  })
  const ticksX = computed(() =>
    x.value.ticks(narrow.value ? 4 : 8).map((d) => ({ x: x.value(d), at: d.getTime() / 1000 })),
  )
  const ticksY = computed(() => degreeTicks(y.value.domain(), 6, units()))
  const shortened = (words: string) => {
    const most = narrow.value ? 24 : 60
    return words.length > most ? `${words.slice(0, most - 1).trimEnd()}…` : words
  }
  const notes = computed(() =>
    run()
      .events.map((e) => ({
        ...e,
        x: x.value(Date.parse(e.at)),
        word: shortened(e.note || wordOf(e.kind, e.way).toLowerCase()),
      }))
      .filter((e) => e.x >= margin.left && e.x <= size.value.w - right.value),
  )
  /** Notes that would run into each other stand one below the other. */
  const events = computed(() => {
    const ends: number[] = []
    const spans = notes.value.map((e) => {
      const long = 12 + e.word.length * LETTER
      const from = e.x > size.value.w / 2 ? e.x - long : e.x
      return { ...e, from, to: from + long }
    })
    return spans
      .sort((a, b) => a.from - b.from)
      .map((e) => {
        let row = ends.findIndex((end) => end < e.from)
        if (row < 0) row = ends.length
        ends[row] = e.to
        return { ...e, row: Math.min(row, 3) }
      })
  })

  return {
    narrow,
    right,
    x,
    y,
    clip,
    path,
    band,
    single,
    ends,
    phases,
    used,
    ticksX,
    ticksY,
    events,
  }
}
