<script setup lang="ts">
/** Factors over a description on one scale of ratios: each a point with the reach of its doubt. */
import { computed } from 'vue'

const props = defineProps<{
  factors: { name: string; value: number; low: number; high: number }[]
  label: string
}>()
const W = 440
const left = 104
const right = 74
const step = 40
const H = computed(() => 40 + props.factors.length * step)
const most = computed(() =>
  Math.max(2, ...props.factors.map((f) => Math.max(f.high, 1 / Math.max(0.01, f.low)))),
)
const reach = computed(() => Math.log(Math.min(8, most.value)))
const x = (factor: number) => {
  const share = Math.max(-1, Math.min(1, Math.log(factor) / reach.value))
  return left + ((share + 1) / 2) * (W - left - right)
}
const ticks = computed(() =>
  [0.25, 0.5, 1, 2, 4].filter((t) => Math.abs(Math.log(t)) <= reach.value),
)
const said = (t: number) => (t < 1 ? `1/${1 / t}` : `${t} ×`)
const times = (v: number) => `${v.toFixed(2)} ×`
</script>

<template>
  <div class="wide-drawing scale-sheet">
    <svg class="scale" :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="label">
      <g v-for="t in ticks" :key="t">
        <path :class="t === 1 ? 'one' : 'tick'" :d="`M${x(t)} 22 V${H - 8}`" />
        <text class="soft" :x="x(t)" y="14" text-anchor="middle">
          {{ t === 1 ? 'described' : said(t) }}
        </text>
      </g>
      <g v-for="(f, i) in factors" :key="f.name" :transform="`translate(0 ${40 + i * step})`">
        <text :x="left - 14" y="6" text-anchor="end">{{ f.name }}</text>
        <path
          class="doubt"
          :d="`M${x(f.low)} 0 H${x(f.high)} M${x(f.low)} -6 v12 M${x(f.high)} -6 v12`"
        />
        <circle :cx="x(f.value)" cy="0" r="7" />
        <text class="value" :x="W - right + 16" y="6">{{ times(f.value) }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.scale-sheet {
  max-width: 38rem;
}

.scale {
  min-width: 330px;
}

.tick {
  stroke: var(--line-soft);
  stroke-width: 1.5;
}

.one {
  stroke: var(--ink);
  stroke-width: 2;
}

.doubt {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 3;
}

circle {
  fill: var(--ember);
  stroke: var(--sheet);
  stroke-width: 2;
}

.value {
  font-family: var(--figure);
}
</style>
