<script setup lang="ts">
/** A heap through the winter: its warmest place day by day, what it is to be kept at, what it was fed. */
import { computed, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { degreeTicks } from '@/shared/heat'
import { degrees, massOf, type Temperature } from '@/shared/units'
import { useWidth } from '@/shared/useWidth'
import AsTable from './AsTable.vue'

const props = defineProps<{
  heap: Views['HeapWinterView']
  to: string
  units: Temperature
}>()
const DAY_MS = 86_400_000
const GAP = 3 // days without a reading that no line crosses
const ROWS = 60
const FEED = 30 // px, the heaviest day
const H = 190
const left = 52
const right = 14
const top = 14
const bottom = 62
const root = ref<SVGSVGElement | null>(null)
const W = useWidth(root, 620, 300)
const ms = (day: string) => Date.parse(`${day}T12:00Z`)
/** From the first that is known of it. */
const begins = computed(() =>
  Math.min(
    ...props.heap.days.slice(0, 1).map((d) => ms(d.day)),
    ...loads.value.slice(0, 1).map((f) => f.at),
    ms(props.to) - 14 * DAY_MS,
  ),
)
const ends = computed(() => ms(props.to) + DAY_MS / 2)
const x = (at: number) =>
  left + ((at - begins.value) / (ends.value - begins.value)) * (W.value - left - right)
const range = computed<[number, number]>(() => {
  const all = [props.heap.keepCelsius, ...props.heap.days.map((d) => d.celsius)]
  return [Math.min(...all) - 4, Math.max(...all) + 4]
})
const y = (c: number) =>
  top + ((range.value[1] - c) / (range.value[1] - range.value[0])) * (H - top - bottom)
const course = computed(() =>
  props.heap.days
    .map((d, i, all) => {
      const gap = i === 0 || ms(d.day) - ms(all[i - 1].day) > GAP * DAY_MS
      return `${gap ? 'M' : 'L'}${x(ms(d.day))} ${y(d.celsius)}`
    })
    .join(' '),
)
const ticks = computed(() => degreeTicks(range.value, 4, props.units))
/** What was put on in one day, one load on the other. */
const loads = computed(() => {
  const by = new Map<string, number>()
  return props.heap.fed.map((f) => {
    const day = f.at.slice(0, 10)
    const under = by.get(day) ?? 0
    by.set(day, under + f.kilograms)
    return { ...f, under, at: ms(day) }
  })
})
const heaviest = computed(() => Math.max(1, ...loads.value.map((f) => f.under + f.kilograms)))
const high = (kilograms: number) => (FEED * kilograms) / heaviest.value
const weeks = computed(() => {
  const step = Math.max(7, Math.ceil((ends.value - begins.value) / DAY_MS / (W.value / 90)))
  const many = Math.floor((ends.value - begins.value) / (step * DAY_MS)) + 1
  return Array.from({ length: many }, (_, i) => begins.value + i * step * DAY_MS)
})
/** Every day on which it was fed, and some of those on which it was read. */
const rows = computed(() => {
  const fedOn = new Set(props.heap.fed.map((f) => f.at.slice(0, 10)))
  const every = Math.ceil(props.heap.days.length / Math.max(10, ROWS - fedOn.size))
  const readOn = props.heap.days.map((d) => d.day).filter((_, i) => i % every === 0)
  return [...new Set([...readOn, ...fedOn])].sort().map((day) => {
    const read = props.heap.days.find((d) => d.day === day)
    const fed = props.heap.fed.filter((f) => f.at.startsWith(day))
    return [
      short(ms(day)),
      read ? degrees(read.celsius, props.units) : '',
      fed.map((f) => `${massOf(f.kilograms)} of ${f.feedstock}`).join(', '),
    ]
  })
})
const short = (at: number) =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' }).format(at)
</script>

<template>
  <svg
    ref="root"
    class="drawn-on"
    :viewBox="`0 0 ${W} ${H}`"
    role="img"
    :aria-label="`${heap.name}, day by day`"
  >
    <g v-for="t in ticks" :key="t">
      <text class="soft" :x="left - 8" :y="y(t) + 5" text-anchor="end">
        {{ degrees(t, units, 0) }}
      </text>
      <path class="grid" :d="`M${left} ${y(t)} H${W - right}`" />
    </g>
    <path class="keep" :d="`M${left} ${y(heap.keepCelsius)} H${W - right}`" />
    <text class="soft" :x="W - right" :y="y(heap.keepCelsius) + 16" text-anchor="end">
      kept over this
    </text>
    <path class="course" :d="course" />
    <circle
      v-for="d in heap.days"
      :key="d.day"
      class="day"
      :cx="x(ms(d.day))"
      :cy="y(d.celsius)"
      r="2.5"
    >
      <title>{{ short(ms(d.day)) }}: {{ degrees(d.celsius, units) }}</title>
    </circle>
    <path class="ground" :d="`M${left} ${H - 24} H${W - right}`" />
    <text class="soft" :x="left - 8" :y="H - 28" text-anchor="end">fed</text>
    <rect
      v-for="(f, i) in loads"
      :key="i"
      class="fed"
      :x="x(f.at) - 4"
      :y="H - 24 - high(f.under + f.kilograms)"
      width="8"
      :height="high(f.kilograms)"
    >
      <title>{{ short(f.at) }}: {{ massOf(f.kilograms) }} of {{ f.feedstock }}</title>
    </rect>
    <text v-for="w in weeks" :key="w" class="soft" :x="x(w)" :y="H - 7">{{ short(w) }}</text>
  </svg>
  <AsTable
    :of="`${heap.name}, day by day`"
    :head="['day', 'warmest place', 'fed']"
    :count="rows.length"
    :row="(i: number) => rows[i]"
  />
</template>

<style scoped>
.grid,
.ground {
  stroke: var(--line-soft);
}

.ground {
  stroke: var(--ink-soft);
}

.keep {
  stroke: var(--ink-soft);
  stroke-dasharray: 6 4;
}

.course {
  fill: none;
  stroke: var(--ember);
  stroke-width: 2.5;
}

.day {
  fill: var(--ember);
}

.fed {
  fill: var(--ink-soft);
  stroke: var(--sheet);
}
</style>
