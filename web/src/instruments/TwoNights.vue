<script setup lang="ts">
/** The same night twice: what is felt in the house with one design and with the other, on one axis; below
 * it what each store holds. */
import { computed, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { clock, degrees, energyOf, type Temperature } from '@/shared/units'
import { useWidth } from '@/shared/useWidth'
import AsTable from './AsTable.vue'
import ReadOff from './ReadOff.vue'

const props = defineProps<{
  pair: Views['PairView']
  first: string
  second: string
  units: Temperature
  zone: string
}>()
const root = ref<Element | null>(null)
const W = useWidth(root, 760, 320)
const H = 400
const left = 58
const right = 14
const upper = 250
const start = computed(() => props.pair.at[0])
const end = computed(() => props.pair.at[props.pair.at.length - 1])
const x = (s: number) =>
  left + ((s - start.value) / (end.value - start.value)) * (W.value - left - right)
const all = computed(() => [
  ...props.pair.first.plants,
  ...props.pair.second.plants,
  ...props.pair.outdoor,
  props.pair.limitCelsius,
])
const top = computed(() => Math.max(...all.value) + 1)
const low = computed(() => Math.min(...all.value) - 1)
const y = (c: number) => 14 + (1 - (c - low.value) / (top.value - low.value)) * (upper - 30)
const line = (row: number[], f: (v: number) => number) =>
  row.map((v, i) => `${i ? 'L' : 'M'}${x(props.pair.at[i])} ${f(v)}`).join(' ')
const fullest = computed(() =>
  Math.max(3.6e5, ...props.pair.first.usableJoules, ...props.pair.second.usableJoules),
)
const b = (j: number) => H - 30 - (j / fullest.value) * (H - 30 - upper - 22)
const dusk = computed(() => x(Date.parse(props.pair.sunset) / 1000))
const hoursShown = computed(() => {
  const step = W.value < 560 ? 21_600 : 10_800
  const first = Math.ceil(start.value / step) * step
  return Array.from({ length: 12 }, (_, i) => first + i * step).filter((s) => s < end.value)
})
const sides = computed(() => [
  { key: 'first', word: props.first, side: props.pair.first },
  { key: 'second', word: props.second, side: props.pair.second },
])
const xs = computed(() => props.pair.at.map(x))
const row = (i: number) => [
  clock(props.pair.at[i], props.zone),
  degrees(props.pair.outdoor[i], props.units),
  ...sides.value.flatMap(({ side }) => [
    degrees(side.plants[i], props.units),
    energyOf(side.usableJoules[i]),
  ]),
]
const words = (i: number) => {
  const [when, out, ...of] = row(i)
  return [
    `${when}, outdoors ${out}`,
    `${props.first}: ${of[0]}, ${of[1]}`,
    `${props.second}: ${of[2]}, ${of[3]}`,
  ]
}
</script>

<template>
  <svg
    ref="root"
    class="two drawn-on"
    :viewBox="`0 0 ${W} ${H}`"
    role="group"
    aria-label="Both nights"
  >
    <rect class="dark" :x="dusk" y="0" :width="W - right - dusk" :height="H - 30" />
    <rect
      class="danger"
      :x="left"
      :y="y(pair.limitCelsius)"
      :width="W - left - right"
      :height="Math.max(0, upper - 16 - y(pair.limitCelsius))"
    />
    <path class="limit" :d="`M${left} ${y(pair.limitCelsius)} H${W - right}`" />
    <text class="soft" :x="left - 6" :y="y(pair.limitCelsius) + 4" text-anchor="end">
      {{ degrees(pair.limitCelsius, units, 0) }}
    </text>
    <path class="out" :d="line(pair.outdoor, y)" />
    <text
      class="soft"
      :x="W - right - 4"
      :y="y(pair.outdoor[pair.outdoor.length - 1]) - 6"
      text-anchor="end"
    >
      outdoors
    </text>
    <g v-for="s in sides" :key="s.key" :class="s.key">
      <path class="plants" :d="line(s.side.plants, y)" />
      <circle :cx="x(Date.parse(s.side.lowestAt) / 1000)" :cy="y(s.side.lowestCelsius)" r="6" />
      <path class="balance" :d="line(s.side.usableJoules, b)" />
    </g>
    <path
      class="ground"
      :d="`M${left} ${upper - 2} H${W - right} M${left} ${H - 30} H${W - right}`"
    />
    <text class="soft" :x="left + 4" :y="upper + 14">in the store, to {{ energyOf(fullest) }}</text>
    <text class="soft" :x="left + 4" y="14">what is felt in the house</text>
    <g v-for="s in hoursShown" :key="s">
      <path class="ground" :d="`M${x(s)} ${H - 30} v5`" />
      <text class="soft" :x="x(s)" :y="H - 10" text-anchor="middle">{{ clock(s, zone) }}</text>
    </g>
    <ReadOff name="both nights" :xs="xs" :top="18" :bottom="H - 30" :words="words" />
  </svg>
  <p class="key">
    <span v-for="s in sides" :key="s.key" :class="s.key">
      <svg viewBox="0 0 40 12" aria-hidden="true"><path class="plants" d="M1 6 H39" /></svg>
      {{ s.word }}: {{ degrees(s.side.lowestCelsius, units) }} at
      {{ clock(Date.parse(s.side.lowestAt) / 1000, zone) }}
    </span>
  </p>
  <AsTable
    of="both nights"
    :head="['when', 'outdoors', first, `in it, ${first}`, second, `in it, ${second}`]"
    :count="pair.at.length"
    :row="row"
  />
</template>

<style scoped>
path {
  fill: none;
}

.dark {
  fill: var(--line-soft);
  opacity: 0.5;
}

.danger {
  fill: var(--frost-wash);
}

.limit {
  stroke: var(--frost);
  stroke-width: 2;
}

.out {
  stroke: var(--frost);
  stroke-dasharray: 2 4;
}

.ground {
  stroke: var(--line);
}

.first .plants,
.first .balance {
  stroke: var(--ember);
  stroke-width: 3;
}

.second .plants,
.second .balance {
  stroke: var(--ink);
  stroke-width: 2.5;
  stroke-dasharray: 9 4;
}

.balance {
  stroke-width: 2;
}

.first circle {
  fill: var(--ember);
}

.second circle {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2.5;
}

.key {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 2rem;
  margin: 0.5rem 0;
}

.key svg {
  width: 40px;
  height: 12px;
}
</style>
