<script setup lang="ts">
/** A night as far as it has been lived: what thermometers showed, what was done, the rest still hidden. */
import { computed, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { degreeTicks } from '@/shared/heat'
import { clock, degrees, type Temperature } from '@/shared/units'
import { useWidth } from '@/shared/useWidth'
import AsTable from './AsTable.vue'

const props = defineProps<{
  night: Views['PracticeView']
  units: Temperature
  zone: string
  /** What was done, in words, with its moment; and what would have been advised. */
  marks: { at: number; word: string; advised?: boolean }[]
}>()
const root = ref<SVGSVGElement | null>(null)
const W = useWidth(root, 900, 320)
const left = 58
const right = 16
const top = 18
const PLOT = 210
const ROW = 22
const LETTER = 6.4 // px, about
const from = computed(() => Date.parse(props.night.begins))
const to = computed(() => Date.parse(props.night.ends))
const now = computed(() => Date.parse(props.night.now))
const x = (ms: number) =>
  left + ((ms - from.value) / (to.value - from.value)) * (W.value - left - right)
const advised = computed(() => props.night.dawn?.advisedAir ?? null)
const range = computed(() => {
  const all = [
    ...props.night.seen.air,
    ...props.night.seen.outdoor,
    ...(advised.value ?? []),
    props.night.plantLimitCelsius,
    props.night.said.lowCelsius,
  ]
  return { low: Math.min(...all) - 1, high: Math.max(...all) + 1 }
})
const y = (c: number) =>
  top + ((range.value.high - c) / (range.value.high - range.value.low)) * PLOT
const at = computed(() => props.night.seen.at.map((t) => Date.parse(t)))
const path = (values: number[]) =>
  values.map((v, i) => `${i ? 'L' : 'M'}${x(at.value[i])} ${y(v)}`).join(' ')
const hours = computed(() => {
  const step = (W.value < 600 ? 4 : 2) * 3_600_000
  const first = Math.ceil(from.value / step) * step
  return Array.from({ length: Math.ceil((to.value - first) / step) }, (_, i) => first + i * step)
})
const ticks = computed(() => degreeTicks([range.value.low, range.value.high], 5, props.units))
/** Beside its mark where there is room, else as far left as it must begin. */
function placed(m: { at: number; word: string }) {
  const wide = m.word.length * LETTER
  if (x(m.at) + 6 + wide <= W.value) return { x: x(m.at) + 6, 'text-anchor': 'start' }
  if (x(m.at) - 6 - wide >= 0) return { x: x(m.at) - 6, 'text-anchor': 'end' }
  return { x: Math.max(0, W.value - wide), 'text-anchor': 'start' }
}
const H = computed(() => top + PLOT + 30 + ROW * props.marks.length)
const lastAir = computed(() => props.night.seen.air[props.night.seen.air.length - 1])
const head = computed(() => [
  'at',
  'in the house',
  'outdoors',
  ...(advised.value ? ['as advised'] : []),
])
const row = (i: number) => [
  clock(at.value[i] / 1000, props.zone),
  degrees(props.night.seen.air[i], props.units),
  degrees(props.night.seen.outdoor[i], props.units),
  ...(advised.value ? [degrees(advised.value[i], props.units)] : []),
]
</script>

<template>
  <svg
    ref="root"
    class="so-far drawn-on"
    :viewBox="`0 0 ${W} ${H}`"
    role="img"
    aria-label="The night so far"
  >
    <g v-for="t in ticks" :key="t">
      <text class="soft" :x="left - 8" :y="y(t) + 5" text-anchor="end">
        {{ degrees(t, units, 0) }}
      </text>
      <path class="grid" :d="`M${left} ${y(t)} H${W - right}`" />
    </g>
    <text
      v-for="h in hours"
      :key="h"
      class="soft"
      :x="x(h)"
      :y="top + PLOT + 20"
      text-anchor="middle"
    >
      {{ clock(h / 1000, zone) }}
    </text>
    <rect class="hidden" :x="x(now)" :y="top" :width="Math.max(0, x(to) - x(now))" :height="PLOT" />
    <path class="limit" :d="`M${left} ${y(night.plantLimitCelsius)} H${W - right}`" />
    <g v-for="(m, i) in marks" :key="i" :class="{ 'by-advice': m.advised }">
      <path class="mark" :d="`M${x(m.at)} ${top} V${top + PLOT + 38 + i * ROW}`" />
    </g>
    <text class="limit-word" :x="left + 4" :y="y(night.plantLimitCelsius) + 16">
      plants stand this
    </text>
    <path class="outdoor" :d="path(night.seen.outdoor)" />
    <path v-if="advised" class="advised" :d="path(advised)" />
    <path class="air" :d="path(night.seen.air)" />
    <circle class="air" :cx="x(now)" :cy="y(lastAir)" r="5" />
    <text
      v-for="(m, i) in marks"
      :key="i"
      v-bind="placed(m)"
      class="word"
      :class="{ 'by-advice': m.advised }"
      :y="top + PLOT + 42 + i * ROW"
    >
      {{ m.word }}
    </text>
  </svg>
  <AsTable of="the night so far" :head="head" :count="at.length" :row="row" />
</template>

<style scoped>
.grid {
  stroke: var(--line-soft);
}

.hidden {
  fill: var(--line-soft);
  fill-opacity: 0.45;
}

.limit {
  stroke: var(--frost);
  stroke-width: 2;
}

.limit-word {
  fill: var(--frost);
}

/* On the marks' lines, which pass behind. */
.limit-word,
.word {
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 5px;
}

.outdoor,
path.air {
  fill: none;
  stroke: var(--frost);
  stroke-width: 1.5;
}

path.air {
  stroke: var(--ember);
  stroke-width: 3;
}

circle.air {
  fill: var(--sheet);
  stroke: var(--ember);
  stroke-width: 3;
}

.advised {
  fill: none;
  stroke: var(--held);
  stroke-width: 2;
  stroke-dasharray: 7 4;
}

.mark {
  stroke: var(--ink-soft);
  stroke-dasharray: 2 3;
}

.by-advice .mark {
  stroke: var(--held);
  stroke-dasharray: 7 4;
}

.word.by-advice {
  fill: var(--held);
}
</style>
