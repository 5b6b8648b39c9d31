<script setup lang="ts">
/** How much warmer a change was told to be, above, and what the nights since show, below, on one scale. */
import { useWidth } from '@/shared/useWidth'
import { kelvins, type Temperature } from '@/shared/units'
import { computed, ref } from 'vue'

export interface Span {
  low: number
  middle: number
  high: number
}

const props = defineProps<{
  told: Span
  shown: Span | null
  /** Of all that stand under one another. */
  least: number
  most: number
  units: Temperature
}>()
const root = ref<SVGSVGElement | null>(null)
const W = useWidth(root, 560, 300)
const left = 74
const right = 16
const H = computed(() => (props.shown ? 92 : 62))
const x = (k: number) =>
  left + ((k - props.least) / (props.most - props.least)) * (W.value - left - right)
const ticks = computed(() => {
  const raw = (props.most - props.least) / 5
  const step = [0.2, 0.5, 1, 2, 5, 10].find((s) => s >= raw) ?? 20
  const first = Math.ceil(props.least / step)
  return Array.from(
    { length: Math.floor(props.most / step) - first + 1 },
    (_, i) => (first + i) * step,
  )
})
const wide = (s: Span) => Math.max(2, x(s.high) - x(s.low))
const words = (s: Span) =>
  `${kelvins(s.middle, props.units)}, ${kelvins(s.low, props.units)} to ${kelvins(s.high, props.units)}`
</script>

<template>
  <svg
    ref="root"
    class="drawn-on"
    :viewBox="`0 0 ${W} ${H}`"
    role="img"
    :aria-label="`Warmer by, as told: ${words(told)}${shown ? `; as the nights show: ${words(shown)}` : ''}`"
  >
    <g v-for="t in ticks" :key="t">
      <path :class="t ? 'grid' : 'nought'" :d="`M${x(t)} 6 V${H - 24}`" />
      <text class="soft" :x="x(t)" :y="H - 7" text-anchor="middle">
        {{ t > 0 ? '+' : '' }}{{ kelvins(t, units) }}
      </text>
    </g>
    <text x="10" y="26">told</text>
    <rect class="told" :x="x(told.low)" y="12" :width="wide(told)" height="18" />
    <path class="middle" :d="`M${x(told.middle)} 12 V30`" />
    <template v-if="shown">
      <text x="10" y="56">nights</text>
      <path class="shown" :d="`M${x(shown.low)} 51 H${x(shown.high)}`" />
      <path class="ends" :d="`M${x(shown.low)} 44 V58 M${x(shown.high)} 44 V58`" />
      <circle class="shown" :cx="x(shown.middle)" cy="51" r="5" />
    </template>
  </svg>
</template>

<style scoped>
.grid {
  stroke: var(--line-soft);
}

.nought {
  stroke: var(--ink);
  stroke-dasharray: 2 3;
}

.told {
  fill: var(--line-soft);
  stroke: var(--ink-soft);
  stroke-dasharray: 4 3;
}

.middle {
  stroke: var(--ink);
  stroke-width: 2;
}

.shown {
  stroke: var(--ember);
  stroke-width: 4;
  fill: var(--ember);
}

.ends {
  stroke: var(--ember);
  stroke-width: 2;
}
</style>
