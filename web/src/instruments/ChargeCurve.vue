<script setup lang="ts">
/** A charge and the hours after it: hottest, heated part and mean, with the moment looked at. */
import { computed, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { degrees, hours, type Temperature } from '@/shared/units'
import { useWidth } from '@/shared/useWidth'
import AsTable from './AsTable.vue'
import ReadOff from './ReadOff.vue'

const props = defineProps<{
  charge: Views['ChargeView']
  moment: number
  aim: number
  units: Temperature
}>()
const root = ref<Element | null>(null)
const W = useWidth(root, 640, 300)
const H = 170
const left = 52
const right = 74
const TICK = 52 // px, the least between two
const last = computed(() => props.charge.seconds[props.charge.seconds.length - 1] || 1)
const top = computed(() => Math.max(props.aim, ...props.charge.hottest) * 1.06 + 2)
const low = computed(() => Math.min(0, ...props.charge.mean))
const x = (s: number) => left + (s / last.value) * (W.value - left - right)
const y = (c: number) => 12 + (1 - (c - low.value) / (top.value - low.value)) * (H - 42)
const path = (row: number[]) =>
  row.map((c, i) => `${i ? 'L' : 'M'}${x(props.charge.seconds[i])} ${y(c)}`).join(' ')
const end = (row: number[]) => y(row[row.length - 1])
const labels = computed(() => {
  const c = props.charge
  const list = [
    { word: 'hottest', y: end(c.hottest) },
    { word: 'mean', y: end(c.mean) },
  ].sort((a, b) => a.y - b.y)
  if (list[1].y - list[0].y < 16) list[1].y = list[0].y + 16
  return list
})
const ticks = computed(() => {
  const wide = W.value - left - right
  const steps = [3, 6, 12, 24, 48, 96].map((h) => h * 3600)
  const step = steps.find((s) => (s / last.value) * wide > TICK) ?? steps[5]
  return Array.from({ length: Math.floor(last.value / step) + 1 }, (_, i) => i * step)
})
const xs = computed(() => props.charge.seconds.map(x))
const row = (i: number) => [
  hours(props.charge.seconds[i]),
  degrees(props.charge.hottest[i], props.units),
  degrees(props.charge.mean[i], props.units),
]
const words = (i: number) => {
  const [when, hottest, mean] = row(i)
  return [when, `hottest ${hottest}`, `mean ${mean}`]
}
</script>

<template>
  <svg
    ref="root"
    class="curve drawn-on"
    :viewBox="`0 0 ${W} ${H}`"
    role="group"
    aria-label="Temperatures through the charge"
  >
    <rect
      class="on"
      :x="left"
      y="12"
      :width="x(Math.min(charge.chargeSeconds, last)) - left"
      :height="H - 42"
    />
    <path class="aim" :d="`M${left} ${y(aim)} H${W - right}`" />
    <text class="soft" :x="left - 6" :y="y(aim) + 4" text-anchor="end">
      {{ degrees(aim, units, 0) }}
    </text>
    <text class="soft" :x="left - 6" :y="y(low) + 4" text-anchor="end">
      {{ degrees(low, units, 0) }}
    </text>
    <path class="hottest" :d="path(charge.hottest)" />
    <path class="mean" :d="path(charge.mean)" />
    <text v-for="l in labels" :key="l.word" :x="W - right + 6" :y="l.y + 5">{{ l.word }}</text>
    <g v-for="t in ticks" :key="t">
      <path class="tick" :d="`M${x(t)} ${H - 30} v5`" />
      <text class="soft" :x="x(t)" :y="H - 10" text-anchor="middle">{{ hours(t) }}</text>
    </g>
    <path class="now" :d="`M${x(moment * last)} 8 V${H - 30}`" />
    <text class="soft" :x="left + 6" y="26">source on</text>
    <ReadOff name="the charge" :xs="xs" :top="12" :bottom="H - 30" :words="words" />
  </svg>
  <AsTable
    of="the charge"
    :head="['after', 'hottest', 'mean']"
    :count="charge.seconds.length"
    :row="row"
  />
</template>

<style scoped>
.on {
  fill: var(--line-soft);
  opacity: 0.6;
}

path {
  fill: none;
}

.aim {
  stroke: var(--ink-soft);
  stroke-dasharray: 2 4;
}

.mean {
  stroke: var(--ember);
  stroke-width: 3;
}

.hottest {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 7 3;
}

.tick {
  stroke: var(--line);
}

.now {
  stroke: var(--focus);
  stroke-width: 2;
}
</style>
