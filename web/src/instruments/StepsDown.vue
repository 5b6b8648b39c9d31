<script setup lang="ts">
/**
 * What next as a stair: to the right what it takes, down the nights that are lost still. Each step is a
 * change after those before it; what else was tried lies as a ring where it alone would lead.
 */
import { useWidth } from '@/shared/useWidth'
import { computed, ref } from 'vue'

export interface Stair {
  /** What the step takes, in one measure of money and work. */
  cost: number
  lost: number
  low: number
  high: number
  name: string
}

const props = defineProps<{
  from: number
  steps: Stair[]
  others: Stair[]
  nights: number
  measure: string
}>()
const H = 330
const BESIDE = 1.5 // times the path's cost
const root = ref<SVGSVGElement | null>(null)
const W = useWidth(root, 760, 320)
const left = 46
const right = 24
const top = 26
const bottom = 46

const reached = computed(() => {
  let at = 0
  return props.steps.map((s) => ({ ...s, at: (at += s.cost) }))
})
/** Where the path ends, with room beside it; what is much dearer would press it into a corner. */
const most = computed(() => {
  const costs = reached.value.length
    ? reached.value.map((s) => s.at)
    : props.others.map((o) => o.cost)
  return Math.max(1, ...costs) * (reached.value.length ? BESIDE : 1.04)
})
const rings = computed(() => props.others.filter((o) => o.cost <= most.value))
const worst = computed(() =>
  Math.max(1, props.from, ...props.steps.map((s) => s.high), ...rings.value.map((o) => o.lost)),
)
const x = (cost: number) => left + (cost / most.value) * (W.value - left - right)
const y = (lost: number) => top + (1 - lost / worst.value) * (H - top - bottom)
const stair = computed(() =>
  reached.value.reduce((d, s) => `${d} H${x(s.at)} V${y(s.lost)}`, `M${x(0)} ${y(props.from)}`),
)
const below = computed(() => `${stair.value} V${y(0)} H${x(0)} Z`)
const ticks = computed(() => {
  const raw = most.value / 5
  const size = 10 ** Math.floor(Math.log10(raw))
  const step = [1, 2, 5, 10].map((m) => m * size).find((s) => s >= raw)!
  return Array.from({ length: Math.floor(most.value / step) + 1 }, (_, i) => i * step)
})
const counts = computed(() => {
  const step = worst.value > 40 ? 20 : worst.value > 15 ? 10 : worst.value > 6 ? 5 : 1
  return Array.from({ length: Math.floor(worst.value / step) + 1 }, (_, i) => i * step)
})
</script>

<template>
  <svg
    ref="root"
    class="down drawn-on"
    :viewBox="`0 0 ${W} ${H}`"
    role="img"
    :aria-label="`Nights lost of ${nights}: ${[Math.round(from), ...steps.map((s) => `${Math.round(s.lost)} after ${s.name}`)].join(', ')}`"
  >
    <path class="under" :d="below" />
    <text class="soft" :x="left" y="16">nights lost of {{ nights }}</text>
    <text class="soft" :x="W - right" :y="H - 6" text-anchor="end">{{ measure }}</text>
    <g v-for="c in counts" :key="`c${c}`">
      <path class="grid" :d="`M${left} ${y(c)} H${W - right}`" />
      <text class="soft" :x="left - 8" :y="y(c) + 5" text-anchor="end">{{ c }}</text>
    </g>
    <text
      v-for="t in ticks"
      :key="`t${t}`"
      class="soft"
      :x="x(t)"
      :y="H - bottom + 20"
      text-anchor="middle"
    >
      {{ t }}
    </text>
    <circle v-for="o in rings" :key="o.name" class="other" :cx="x(o.cost)" :cy="y(o.lost)" r="5">
      <title>{{ o.name }} alone: {{ Math.round(o.lost) }} lost</title>
    </circle>
    <path class="stair" :d="stair" />
    <g v-for="(s, i) in reached" :key="s.name" class="step">
      <path class="doubt" :d="`M${x(s.at)} ${y(s.low)} V${y(s.high)}`" />
      <circle :cx="x(s.at)" :cy="y(s.lost)" r="12" />
      <text :x="x(s.at)" :y="y(s.lost) + 5" text-anchor="middle">{{ i + 1 }}</text>
    </g>
    <circle class="start" :cx="x(0)" :cy="y(from)" r="6" />
  </svg>
</template>

<style scoped>
.grid {
  stroke: var(--line-soft);
}

.under {
  fill: var(--frost-wash);
}

.stair {
  fill: none;
  stroke: var(--ember);
  stroke-width: 3;
}

.doubt {
  stroke: var(--ink-soft);
  stroke-width: 5;
  stroke-opacity: 0.4;
}

.other {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.5;
}

.step circle,
.start {
  fill: var(--sheet);
  stroke: var(--ember);
  stroke-width: 2.5;
}

.step text {
  font-weight: 650;
}
</style>
