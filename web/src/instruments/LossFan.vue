<script setup lang="ts">
/** Where the house's heat goes: one trunk of warmth that splits, each branch as wide as its loss. */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { percent, powerOf } from '@/shared/units'

const props = defineProps<{ losses: Views['LossView'][] }>()
const TRUNK = 120
const W = 700
const ROW = 34

const sorted = computed(() => [...props.losses].sort((a, b) => b.watts - a.watts))
const total = computed(() =>
  Math.max(
    0.001,
    sorted.value.reduce((s, l) => s + l.watts, 0),
  ),
)
const height = computed(() => Math.max(TRUNK + 20, sorted.value.length * ROW + TRUNK * 0.6))
const branches = computed(() => {
  let from = height.value / 2 - TRUNK / 2
  let to = 12
  const spare = height.value - 24 - TRUNK
  const gap = spare / Math.max(1, sorted.value.length - 1)
  return sorted.value.map((l) => {
    const wide = (TRUNK * l.watts) / total.value
    const a = from + wide / 2
    const b = to + wide / 2
    from += wide
    to += wide + gap
    return { ...l, wide, a, b, share: l.watts / total.value }
  })
})
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${height}`" role="img" aria-label="Where the heat of the house goes">
    <g v-for="(b, i) in branches" :key="i">
      <path
        :d="`M20 ${b.a} H120 C 220 ${b.a} 200 ${b.b} 310 ${b.b} H362`"
        :stroke-width="Math.max(1.5, b.wide - 1)"
      />
      <text :x="374" :y="b.b + 5">
        <tspan class="figure">{{ powerOf(b.watts) }}</tspan>
        <tspan dx="6">{{ b.name }}, {{ percent(b.share) }}</tspan>
      </text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  background: var(--sheet);
  border: 1px solid var(--line);
}

path {
  fill: none;
  stroke: var(--ember);
  stroke-opacity: 0.75;
}

text {
  fill: var(--ink);
  font-size: 15px;
}

.figure {
  font-weight: 600;
}
</style>
