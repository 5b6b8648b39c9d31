<script setup lang="ts">
/** What each store did with its heat: reached the house in the cold, came too early, was lost. */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { energyOf } from '@/shared/units'

const props = defineProps<{ stores: Views['StatementView']['stores'] }>()
const W = 520
const ROW = 54
const parts = ['delivered', 'early', 'lost'] as const
const words = { delivered: 'in the cold', early: 'too early', lost: 'lost' }
const sum = (s: Views['Sums']) => parts.reduce((a, p) => a + Math.max(0, s[p]), 0)
const rows = computed(() => [...props.stores].sort((a, b) => b.sums.delivered - a.sums.delivered))
const most = computed(() => Math.max(3.6e5, ...rows.value.map((r) => sum(r.sums))))
const bars = (s: Views['Sums']) => {
  let at = 0
  return parts.map((key) => {
    const w = (Math.max(0, s[key]) / most.value) * W
    at += w
    return { key, x: at - w, w }
  })
}
const said = (s: Views['Sums']) =>
  parts
    .filter((p) => s[p] > 0.01 * sum(s))
    .map((p) => `${energyOf(s[p])} ${words[p]}`)
    .join(', ')
</script>

<template>
  <svg
    class="paid"
    :viewBox="`0 0 ${W} ${rows.length * ROW}`"
    role="img"
    aria-label="Store by store"
  >
    <g v-for="(r, i) in rows" :key="r.storeId" :transform="`translate(0 ${i * ROW})`">
      <text y="17">
        <tspan class="name">{{ r.name }}</tspan>
        <tspan dx="8" class="soft">{{ said(r.sums) || 'nothing yet' }}</tspan>
      </text>
      <rect
        v-for="b in bars(r.sums)"
        :key="b.key"
        :class="b.key"
        :x="b.x"
        y="25"
        :width="b.w"
        height="14"
      />
    </g>
  </svg>
</template>

<style scoped>
.paid {
  width: 100%;
  max-width: 34rem;
}

text {
  fill: var(--ink);
  font-size: 15px;
}

.name {
  font-weight: 600;
}

.soft {
  fill: var(--ink-soft);
  font-size: 14px;
}

.delivered {
  fill: var(--held);
}

.early {
  fill: var(--sheet);
  stroke: var(--close);
  stroke-width: 2;
}

.lost {
  fill: var(--frost);
}
</style>
