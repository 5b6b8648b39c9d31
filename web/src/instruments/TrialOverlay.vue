<script setup lang="ts">
/**
 * Runs laid over each other from one start: each side's cool-down with its 95 % band, the readings
 * scaled to that start as dots, and what one would have read at the end.
 */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { degrees, hours, type Temperature } from '@/shared/units'
import AsTable from './AsTable.vue'
import ReadOff from './ReadOff.vue'

const props = defineProps<{ sheet: Views['TrialSheet']; units: Temperature }>()
const W = 900
const H = 380
const left = 60
const right = 250
const top = 20
const bottom = 44
const fair = computed(() => props.sheet.sides.filter((s) => s.fair))
const end = computed(() => props.sheet.seconds ?? 1)
const air = computed(() => props.sheet.airCelsius ?? 0)
const start = computed(() => air.value + (props.sheet.excessKelvin ?? 1))
const low = computed(() =>
  Math.min(air.value, ...fair.value.flatMap((s) => s.runs.flatMap((r) => r.celsius))),
)
const high = computed(() =>
  Math.max(start.value, ...fair.value.flatMap((s) => s.runs.flatMap((r) => r.celsius))),
)
const x = (s: number) => left + (s / end.value) * (W - left - right)
const y = (t: number) =>
  top + ((high.value - t) / Math.max(0.1, high.value - low.value)) * (H - top - bottom)
const line = (v: number[]) =>
  v.map((t, i) => `${i ? 'L' : 'M'}${x(props.sheet.at[i]).toFixed(1)} ${y(t).toFixed(1)}`).join(' ')
const band = (lo: number[], hi: number[]) =>
  `${line(hi)} ${[...lo]
    .map((t, i) => `L${x(props.sheet.at[i]).toFixed(1)} ${y(t).toFixed(1)}`)
    .reverse()
    .join(' ')} Z`
const hourTicks = computed(() => {
  const all = end.value / 3600
  const every = all > 60 ? 12 : all > 24 ? 6 : all > 10 ? 3 : 1
  return Array.from({ length: Math.floor(all / every) + 1 }, (_, i) => i * every)
})
const warmTicks = computed(() => {
  const span = high.value - low.value
  const every = span > 60 ? 20 : span > 25 ? 10 : span > 10 ? 5 : 2
  const all: number[] = []
  for (let t = Math.ceil(low.value / every) * every; t <= high.value; t += every) all.push(t)
  return all
})
/** Words at the end, pushed apart where they would lie on each other. */
const words = computed(() => {
  const all = fair.value
    .map((s) => ({ s, i: props.sheet.sides.indexOf(s), y: y(s.fair!.readingCelsius) }))
    .sort((a, b) => a.y - b.y)
  all.forEach((w, i) => {
    if (i && w.y - all[i - 1].y < 42) w.y = all[i - 1].y + 42
  })
  return all
})
/** As much of a name as there is room for; all of it stands in the sentences above. */
const ROOM = 28
const brief = (name: string) => (name.length > ROOM ? `${name.slice(0, ROOM - 1)}…` : name)
const kind = (i: number) => ['first', 'second', 'third', 'fourth'][i % 4]
const dotShape = (i: number, px: number, py: number) =>
  i % 2
    ? `M${px - 3} ${py - 3} h6 v6 h-6 Z`
    : `M${px} ${py - 4} L${px + 3.6} ${py + 2.6} H${px - 3.6} Z`
const xs = computed(() => props.sheet.at.map(x))
const row = (i: number) => [
  hours(props.sheet.at[i]),
  ...fair.value.map((s) => degrees(s.curve[i], props.units)),
]
const read = (i: number) => {
  const [when, ...read] = row(i)
  return [when, ...fair.value.map((s, k) => `${brief(s.name)} ${read[k]}`)]
}
</script>

<template>
  <div
    class="wide-drawing"
    role="region"
    aria-label="Runs from one start, wider than the page"
    tabindex="0"
  >
    <svg class="overlay" :viewBox="`0 0 ${W} ${H}`" role="group" aria-label="Runs from one start">
      <g v-for="t in warmTicks" :key="`w${t}`">
        <path class="tick" :d="`M${left} ${y(t)} H${W - right}`" />
        <text class="soft" :x="left - 8" :y="y(t) + 5" text-anchor="end">
          {{ degrees(t, units, 0) }}
        </text>
      </g>
      <text
        v-for="h in hourTicks"
        :key="`h${h}`"
        class="soft"
        :x="x(h * 3600)"
        :y="H - 18"
        text-anchor="middle"
      >
        {{ h }} h
      </text>
      <path class="air" :d="`M${left} ${y(air)} H${W - right}`" />
      <text class="air-word" :x="left + 6" :y="y(air) - 6">
        air of {{ degrees(air, units) }} beside all
      </text>
      <g v-for="(s, i) in sheet.sides" :key="s.name" :class="kind(i)">
        <template v-if="s.fair">
          <path class="band" :d="band(s.low, s.high)" />
          <template v-for="r in s.runs" :key="r.runId">
            <path
              v-for="(t, k) in r.celsius"
              :key="k"
              class="dot"
              :d="dotShape(i, x(r.at[k]), y(t))"
            />
          </template>
          <path class="curve" :d="line(s.curve)" />
        </template>
      </g>
      <g v-for="w in words" :key="`n${w.s.name}`" :class="kind(w.i)">
        <path
          class="lead"
          :d="`M${W - right} ${y(w.s.fair!.readingCelsius)} L${W - right + 16} ${w.y}`"
        />
        <text class="name" :x="W - right + 22" :y="w.y">{{ brief(w.s.name) }}</text>
        <text class="reads" :x="W - right + 22" :y="w.y + 18">
          {{ degrees(w.s.fair!.readingCelsius, units) }} ({{
            degrees(w.s.fair!.readingLow, units)
          }}
          to {{ degrees(w.s.fair!.readingHigh, units) }})
        </text>
      </g>
      <ReadOff name="the runs" :xs="xs" :top="top" :bottom="H - bottom" :words="read" />
    </svg>
  </div>
  <AsTable
    of="the runs"
    :head="['after', ...fair.map((s) => s.name)]"
    :count="sheet.at.length"
    :row="row"
  />
</template>

<style scoped>
.air {
  stroke: var(--frost);
  stroke-width: 2;
}

.air-word {
  fill: var(--frost);
}

.curve {
  fill: none;
  stroke-width: 3;
}

.band {
  opacity: 0.2;
}

.dot {
  opacity: 0.5;
}

.lead {
  fill: none;
  stroke-width: 1.5;
}

.name {
  font-weight: 650;
}

.first .curve,
.first .lead {
  stroke: var(--ink);
}

.first .band,
.first .dot {
  fill: var(--ink);
}

.second .curve,
.second .lead {
  stroke: var(--ember);
}

.second .band,
.second .dot {
  fill: var(--ember);
}

.second .curve {
  stroke-dasharray: 12 4;
}

.third .curve,
.third .lead {
  stroke: var(--held);
}

.third .band,
.third .dot {
  fill: var(--held);
}

.third .curve {
  stroke-dasharray: 3 4;
}

.fourth .curve,
.fourth .lead {
  stroke: var(--close);
}

.fourth .band,
.fourth .dot {
  fill: var(--close);
}

.fourth .curve {
  stroke-dasharray: 14 4 3 4;
}
</style>
