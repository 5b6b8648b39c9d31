<script setup lang="ts">
/**
 * A heap cut open: what was put on it lies in layers, the oldest lowest, the darker the more of it has yet
 * to burn; a thermometer stands in its core. Beside it how warm it is where its loop lies in the days to come
 * under the draw: with nothing put on, with its doubt, and fed by the rhythm.
 */
import { computed, ref } from 'vue'
import { coldAfter, layersOf } from '@/features/part/heap'
import type { Views } from '@/shared/api/client'
import { degrees, massOf, percent, weekday, type Temperature } from '@/shared/units'
import { useWidth } from '@/shared/useWidth'
import AsTable from './AsTable.vue'
import ReadOff from './ReadOff.vue'

const props = defineProps<{
  heap: Views['HeapView']
  now: number
  zone: string
  units: Temperature
}>()
const DAY = 86_400
const root = ref<SVGSVGElement | null>(null)
const W = useWidth(root, 640, 300)
const beside = computed(() => W.value >= 560)

const FOOT = 178
const HIGH = 140
const WIDE = 190
const MID = 14 + WIDE / 2
const LINE = 18
/** Half the mound's width at a height above its foot. */
const half = (up: number) => (WIDE / 2) * Math.sqrt(Math.max(0, 1 - (up / HIGH) ** 1.6))
/** Slices of the mound, by which a layer's height is found from its share of what lies there. */
const SLICES = 70
const sizes = Array.from({ length: SLICES }, (_, i) => half(((i + 0.5) / SLICES) * HIGH))
const whole = sizes.reduce((a, b) => a + b, 0)
function upTo(share: number) {
  let sum = 0
  for (let i = 0; i < SLICES; i++) {
    if (sum + sizes[i] >= share * whole)
      return ((i + (share * whole - sum) / sizes[i]) / SLICES) * HIGH
    sum += sizes[i]
  }
  return HIGH
}
const edge = (from: number, to: number) =>
  Array.from({ length: 25 }, (_, i) => from + ((to - from) * i) / 24)
const dayOf = (iso: string) =>
  iso
    ? new Date(iso).toLocaleDateString('en-GB', {
        day: 'numeric',
        month: 'short',
        timeZone: props.zone,
      })
    : 'no day'
const layers = computed(() => {
  const all = layersOf(props.heap)
  const kilograms = Math.max(
    1e-9,
    all.reduce((sum, l) => sum + l.kilograms, 0),
  )
  let below = 0
  return all.map((l) => {
    const a = upTo(below / kilograms)
    below += l.kilograms
    const b = upTo(below / kilograms)
    const right = edge(a, b).map((u) => `${MID + half(u)} ${FOOT - u}`)
    const left = edge(b, a).map((u) => `${MID - half(u)} ${FOOT - u}`)
    const middle = (a + b) / 2
    return {
      ...l,
      d: `M${right.join('L')}L${left.join('L')}Z`,
      x: MID + half(middle),
      y: FOOT - middle,
    }
  })
})
const MOST_LABELS = 5
/** The largest are told, kept apart; what is told stands beside its layer. */
const labels = computed(() => {
  const told = [...layers.value]
    .sort((a, b) => b.kilograms - a.kilograms)
    .slice(0, MOST_LABELS)
    .sort((a, b) => b.y - a.y)
  let free = FOOT + LINE
  return told.map((l) => {
    free = Math.min(l.y + 5, free - LINE * 2.1)
    return { ...l, line: free }
  })
})
const labelX = 14 + WIDE + 16

const left = computed(() => (beside.value ? 400 : 44))
const top = computed(() => (beside.value ? 22 : FOOT + 54))
const DEEP = 140
const bottom = computed(() => top.value + DEEP)
const H = computed(() => bottom.value + 46)
const right = computed(() => W.value - 16)
const days = computed(() => props.heap.course.days)
const last = computed(() => days.value[days.value.length - 1] || 1)
const x = (d: number) => left.value + (d / last.value) * (right.value - left.value)
const c = computed(() => props.heap.course)
const hottest = computed(() =>
  Math.max(props.heap.keepCelsius + 15, ...c.value.high, ...c.value.fed),
)
const coldest = computed(() =>
  Math.min(props.heap.keepCelsius - 15, ...c.value.low, ...c.value.fed),
)
const y = (t: number) =>
  top.value + (1 - (t - coldest.value) / (hottest.value - coldest.value)) * DEEP
/** Where the first figure stands, off the limit's. */
const startLine = computed(() => {
  const [mine, keep] = [y(c.value.unfed[0]), y(props.heap.keepCelsius)]
  const off =
    Math.abs(mine - keep) > LINE ? 0 : mine < keep ? keep - mine - LINE : keep - mine + LINE
  return mine + off + 5
})
const path = (row: number[]) =>
  row.map((t, i) => `${i ? 'L' : 'M'}${x(days.value[i])} ${y(t)}`).join(' ')
const band = computed(
  () =>
    `${path(c.value.high)} ${[...c.value.low]
      .reverse()
      .map((t, i) => `L${x(days.value[days.value.length - 1 - i])} ${y(t)}`)
      .join(' ')} Z`,
)
const loads = computed(() => {
  const every = props.heap.rhythm.everyDays
  return every > 0
    ? Array.from({ length: Math.ceil(last.value / every) }, (_, i) => x(i * every))
    : []
})
const cold = computed(() => coldAfter(props.heap, c.value.unfed))
const ticks = computed(() => [0, 4, 8, 12].filter((d) => d <= last.value))
const dayWord = (d: number) =>
  d === 0 ? 'now' : weekday(props.now / 1000 + d * DAY, props.zone, 'short')
const xs = computed(() => days.value.map((d) => x(d)))
const row = (i: number) => [
  `after ${Math.round(days.value[i] * 10) / 10} days`,
  degrees(c.value.unfed[i], props.units, 0),
  `${degrees(c.value.low[i], props.units, 0)} to ${degrees(c.value.high[i], props.units, 0)}`,
  c.value.fed.length ? degrees(c.value.fed[i], props.units, 0) : '–',
]
const words = (i: number) => {
  const [when, unfed, doubt, fed] = row(i)
  return [
    when,
    `nothing put on ${unfed}`,
    `(${doubt})`,
    ...(c.value.fed.length ? [`fed ${fed}`] : []),
  ]
}
const endsApart = computed(() => {
  const unfed = y(c.value.unfed[c.value.unfed.length - 1])
  if (!c.value.fed.length) return { unfed, fed: 0 }
  const fed = y(c.value.fed[c.value.fed.length - 1])
  return Math.abs(fed - unfed) > 30 ? { unfed, fed } : { unfed: fed + 34, fed: fed - 4 }
})
</script>

<template>
  <svg
    ref="root"
    class="mound drawn-on"
    :viewBox="`0 0 ${W} ${H}`"
    role="group"
    aria-label="The heap cut open, and how warm it stays"
  >
    <path
      v-for="l in layers"
      :key="l.at"
      class="layer"
      :d="l.d"
      :style="{ fillOpacity: 0.1 + 0.6 * l.left }"
    >
      <title>
        {{ dayOf(l.at) }}: {{ massOf(l.kilograms) }} of {{ l.of.join(', ').toLowerCase() }},
        {{ percent(l.left) }} of it left to burn
      </title>
    </path>
    <path class="ground" :d="`M4 ${FOOT} H${14 + WIDE + 10}`" />
    <g v-for="l in labels" :key="`l${l.at}`">
      <path class="leader" :d="`M${l.x} ${l.y} L${labelX - 4} ${l.line - 5}`" />
      <text :x="labelX" :y="l.line">{{ dayOf(l.at) }}, {{ massOf(l.kilograms) }}</text>
      <text class="soft" :x="labelX" :y="l.line + 16">{{ percent(l.left) }} left to burn</text>
    </g>
    <path class="staff" :d="`M${MID} 14 V${FOOT - HIGH * 0.42}`" />
    <circle class="bulb" :cx="MID" :cy="FOOT - HIGH * 0.42" r="6" />
    <text class="core" :x="MID + 9" y="26">
      {{ degrees(c.startCelsius, units, 0) }}
      <tspan class="soft small">{{ c.read ? 'as read' : 'taken for granted' }}</tspan>
    </text>

    <path class="band" :d="band" />
    <path class="keep" :d="`M${left} ${y(heap.keepCelsius)} H${right}`" />
    <text class="soft" :x="left - 6" :y="y(heap.keepCelsius) + 5" text-anchor="end">
      {{ degrees(heap.keepCelsius, units, 0) }}
    </text>
    <text class="soft" :x="left - 6" :y="startLine" text-anchor="end">
      {{ degrees(c.unfed[0], units, 0) }}
    </text>
    <path class="unfed" :d="path(c.unfed)" />
    <path v-if="c.fed.length" class="fed" :d="path(c.fed)" />
    <text :x="right - 4" :y="Math.min(bottom + 10, endsApart.unfed + 22)" text-anchor="end">
      nothing put on
    </text>
    <text
      v-if="c.fed.length"
      class="fed-word"
      :x="right - 4"
      :y="endsApart.fed - 8"
      text-anchor="end"
    >
      fed
    </text>
    <circle v-if="cold != null" class="cold" :cx="x(cold)" :cy="y(heap.keepCelsius)" r="5" />
    <path
      v-for="at in loads"
      :key="at"
      class="load"
      :d="`M${at - 5} ${bottom + 12} h10 l-5 -9 Z`"
    />
    <text
      v-for="d in ticks"
      :key="d"
      class="soft"
      :x="x(d)"
      :y="bottom + 30"
      :text-anchor="d ? 'middle' : 'start'"
    >
      {{ dayWord(d) }}
    </text>
    <ReadOff name="the heap" :xs="xs" :top="top" :bottom="bottom" :words="words" />
  </svg>
  <AsTable
    of="the heap"
    :head="['when', 'nothing put on', 'its doubt', 'fed']"
    :count="days.length"
    :row="row"
  />
</template>

<style scoped>
.small {
  font-size: 14px;
}

.core {
  font-size: 20px;
  font-weight: 600;
}

.core .small {
  font-weight: 400;
}

.layer {
  fill: var(--ember);
  stroke: var(--ink-soft);
}

.ground,
.leader {
  stroke: var(--ink-soft);
  fill: none;
}

.leader {
  stroke: var(--line);
}

.staff {
  stroke: var(--ink);
  stroke-width: 3;
}

.bulb {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 3;
}

.band {
  fill: var(--ink-soft);
  fill-opacity: 0.14;
}

.keep {
  stroke: var(--frost);
  stroke-dasharray: 6 4;
}

.unfed {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 2;
}

.fed {
  fill: none;
  stroke: var(--ember);
  stroke-width: 2.5;
}

.fed-word {
  fill: var(--ember);
}

.cold {
  fill: var(--sheet);
  stroke: var(--frost);
  stroke-width: 2.5;
}

.load {
  fill: var(--ember);
}
</style>
