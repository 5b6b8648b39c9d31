<script setup lang="ts">
/** Size against nights lost in a winter: steps down that grow flat, with the chosen size marked. */
import { computed, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { massOf } from '@/shared/units'
import { useWidth } from '@/shared/useWidth'
import AsTable from './AsTable.vue'
import ReadOff from './ReadOff.vue'

const props = defineProps<{ curve: Views['CurveView']; chosen: number }>()
const root = ref<Element | null>(null)
const W = useWidth(root, 560, 300)
const H = 210
const left = 44
const right = 20
const most = computed(() => Math.max(1, ...props.curve.points.map((p) => p.count)))
const worst = computed(() => Math.max(1, ...props.curve.points.map((p) => p.nightsLost)))
const x = (n: number) => left + (n / most.value) * (W.value - left - right)
const y = (lost: number) => 24 + (1 - lost / worst.value) * (H - 74)
const path = computed(() =>
  props.curve.points.map((p, i) => `${i ? 'L' : 'M'}${x(p.count)} ${y(p.nightsLost)}`).join(' '),
)
const xs = computed(() => props.curve.points.map((p) => x(p.count)))
const row = (i: number) => {
  const p = props.curve.points[i]
  return [String(p.count), p.count ? massOf(p.massKg) : 'none', String(p.nightsLost)]
}
const words = (i: number) => {
  const [count, mass, lost] = row(i)
  return [`${count}, ${mass}`, `${lost} of ${props.curve.nights} nights lost`]
}
/** Marks so close that their words would lie on each other go without. */
const spoken = computed(() => {
  let last = -99
  return new Set(
    props.curve.points
      .filter((p) => {
        const ok = x(p.count) - last > 46
        if (ok) last = x(p.count)
        return ok
      })
      .map((p) => p.count),
  )
})
</script>

<template>
  <svg
    ref="root"
    class="curve drawn-on"
    :viewBox="`0 0 ${W} ${H}`"
    role="group"
    aria-label="Size against nights lost"
  >
    <text class="soft" :x="W - right" y="16" text-anchor="end">
      nights lost of {{ curve.nights }}
    </text>
    <path class="ground" :d="`M${left} ${y(0)} H${W - right}`" />
    <path class="line" :d="path" />
    <g v-for="p in curve.points" :key="p.count">
      <circle
        :class="{ chosen: p.count === chosen }"
        :cx="x(p.count)"
        :cy="y(p.nightsLost)"
        :r="p.count === chosen ? 8 : 5"
      />
      <template v-if="spoken.has(p.count)">
        <text :x="x(p.count)" :y="y(p.nightsLost) - 13" text-anchor="middle">
          {{ p.nightsLost }}
        </text>
        <text class="soft" :x="x(p.count)" :y="H - 30" text-anchor="middle">{{ p.count }}</text>
        <text class="soft small" :x="x(p.count)" :y="H - 12" text-anchor="middle">
          {{ p.count ? massOf(p.massKg) : 'none' }}
        </text>
      </template>
    </g>
    <ReadOff name="the sizes" :xs="xs" :top="20" :bottom="H - 46" :words="words" />
  </svg>
  <AsTable
    of="the sizes"
    :head="['how many', 'mass', 'nights lost']"
    :count="curve.points.length"
    :row="row"
  />
</template>

<style scoped>
.small {
  font-size: 12px;
}

.ground {
  stroke: var(--line);
}

.line {
  fill: none;
  stroke: var(--lost);
  stroke-width: 2.5;
}

circle {
  fill: var(--sheet);
  stroke: var(--lost);
  stroke-width: 2.5;
}

circle.chosen {
  fill: var(--ember);
  stroke: var(--ink);
}
</style>
