<script setup lang="ts">
/**
 * The night from now to sunrise. Above: outdoors, air and leaves with the likely band, the plants'
 * limit with the danger below it under rime. Then the rail of what is done. Below, on the same
 * hours: each store's balance draining, what it gave to the house hatched on top.
 */
import { useWidth } from '@/shared/useWidth'
import { scaleLinear, scaleTime } from 'd3-scale'
import { area, line } from 'd3-shape'
import { computed, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { beginning, begun, lanes, type Doing, type Lane } from '@/features/tonight/doings'
import { laneWord } from '@/features/tonight/sentences'
import { degreeTicks } from '@/shared/heat'
import { keepsWords } from '@/shared/keeps'
import { clock, degrees, energyOf, type Temperature } from '@/shared/units'
import AsTable from './AsTable.vue'
import NightRail from './NightRail.vue'
import ReadOff from './ReadOff.vue'

const props = defineProps<{
  night: Views['TonightView']
  band: { low: number[]; high: number[] }
  without: number[]
  doings: Doing[]
  units: Temperature
  zone: string
  still: boolean
}>()
const emit = defineEmits<{ change: [doings: Doing[], done: boolean] }>()
const root = ref<HTMLElement | null>(null)
const w = useWidth(root, 1000, 330)

const narrow = computed(() => w.value < 600)
const left = 62
const right = computed(() => (narrow.value ? 34 : 150))
const AIR = { top: 24, bottom: 160 }
const rowHeight = computed(() => (narrow.value ? 58 : 40))
const lane = computed(() => (narrow.value ? 46 : 28))
const railTop = AIR.bottom + 28
const rail = computed(() => lanes(props.night, props.doings))
const railHeight = computed(() => rail.value.shown.length * lane.value)
const storesTop = computed(() => railTop + railHeight.value + (railHeight.value ? 10 : 4))
const h = computed(() => storesTop.value + props.night.stores.length * rowHeight.value + 8)

const at = computed(() => props.night.at.map((s) => s * 1000))
const x = computed(() =>
  scaleTime()
    .domain([at.value[0], at.value[at.value.length - 1]])
    .range([left, w.value - right.value]),
)
const y = computed(() => {
  const n = props.night
  const all = [
    ...n.outdoor,
    ...props.band.low,
    ...props.band.high,
    ...props.without,
    ...n.plants,
    ...n.air,
    n.plantLimitCelsius,
  ]
  return scaleLinear()
    .domain([Math.min(...all) - 1, Math.max(...all) + 1])
    .range([AIR.bottom, AIR.top])
})
const path = (row: number[]) =>
  line<number>()
    .x((_, i) => x.value(at.value[i]))
    .y((v) => y.value(v))(row) ?? ''
const likely = computed(
  () =>
    area<number>()
      .x((_, i) => x.value(at.value[i]))
      .y0((_, i) => y.value(props.band.low[i]))
      .y1((_, i) => y.value(props.band.high[i]))(
      props.band.low.slice(0, Math.min(at.value.length, props.band.high.length)),
    ) ?? '',
)
const hoursAt = computed(() =>
  x.value.ticks(narrow.value ? 5 : 12).map((d) => ({ x: x.value(d), at: d.getTime() / 1000 })),
)
const suns = computed(() =>
  [
    { word: 'sunset', at: props.night.sunset },
    { word: 'sunrise', at: props.night.sunrise },
  ]
    .flatMap(({ word, at }) => (at ? { word, at, x: x.value(Date.parse(at)) } : []))
    .filter((s) => s.x >= left - 1 && s.x <= w.value - right.value + 1),
)
const dark = computed(() => {
  const clipped = (t: string | null, other: number) =>
    t ? Math.min(w.value - right.value, Math.max(left, x.value(Date.parse(t)))) : other
  const a = clipped(props.night.sunset, left)
  return { x: a, w: Math.max(0, clipped(props.night.sunrise, w.value - right.value) - a) }
})
const dusk = computed(() => {
  const first = at.value[0] / 1000
  const set = props.night.sunset ? Date.parse(props.night.sunset) / 1000 : first
  return Math.min(Math.max(first, set), at.value[at.value.length - 1] / 1000 - 3600)
})
/** Where it is; so soon in the night its figure would lie over the scale. */
const coldest = computed(() => {
  const cx = x.value(Date.parse(props.night.coldestAt))
  const early = cx < left + 90
  return { at: `translate(${cx} ${y.value(props.night.coldestCelsius)})`, early }
})

/** Heat given to the house so far, J. */
const given = computed(() =>
  props.night.stores.map((s) => {
    let sum = 0
    return s.toHouseWatts.map((w, i) => {
      sum += i ? (Math.max(0, w) * (at.value[i] - at.value[i - 1])) / 1000 : 0
      return sum
    })
  }),
)
const most = computed(() =>
  Math.max(
    1,
    ...props.night.stores.flatMap((s, i) => s.usable.map((u, k) => u + given.value[i][k])),
  ),
)
const stores = computed(() =>
  props.night.stores.map((s, i) => {
    const base = storesTop.value + (i + 1) * rowHeight.value - 6
    const scale = scaleLinear()
      .domain([0, most.value])
      .range([0, rowHeight.value - 12])
    return {
      ...s,
      base,
      d:
        area<number>()
          .x((_, k) => x.value(at.value[k]))
          .y0(base)
          .y1((v) => base - scale(v))(s.usable) ?? '',
      gave:
        area<number>()
          .x((_, k) => x.value(at.value[k]))
          .y0((v) => base - scale(v))
          .y1((v, k) => base - scale(v + given.value[i][k]))(s.usable) ?? '',
      end: s.usable[s.usable.length - 1],
      reached: s.reaches && s.deliveredJoules + s.earlyJoules > 18000,
      gone: s.usable.findIndex((u) => u < 18000),
    }
  }),
)
const words = computed(() => keepsWords[props.night.keeps])
const felt = computed(() => words.value.feels)
const endLabels = computed(() => {
  const n = props.night
  const last = n.at.length - 1
  const list = [
    { key: 'air', word: 'air in the house', y: y.value(n.air[last]) },
    ...(felt.value ? [{ key: 'leaf', word: felt.value, y: y.value(n.leaf[last]) }] : []),
    ...(props.without.length
      ? [{ key: 'without', word: 'without stores', y: y.value(props.without[last]) }]
      : []),
    { key: 'out', word: 'outdoors', y: y.value(n.outdoor[last]) },
    {
      key: 'limit-word',
      word: `${words.value.limit} ${degrees(n.plantLimitCelsius, props.units)}`,
      y: y.value(n.plantLimitCelsius),
    },
  ].sort((a, b) => a.y - b.y)
  let before = -99
  for (const l of list) before = l.y = Math.max(l.y, before + 17)
  const over = Math.max(0, before - AIR.bottom - 8)
  return list.map((l) => ({ ...l, y: l.y - over }))
})

const xs = computed(() => at.value.map((t) => x.value(t)))
const columns = computed(() => [
  { word: 'outdoors', of: props.night.outdoor },
  { word: 'air in the house', of: props.night.air },
  ...(felt.value ? [{ word: felt.value, of: props.night.leaf }] : []),
  ...(props.without.length ? [{ word: 'without stores', of: props.without }] : []),
])
const row = (i: number) => [
  clock(props.night.at[i], props.zone),
  ...columns.value.map((c) => degrees(c.of[i], props.units)),
]
const readings = (i: number) => {
  const [when, ...read] = row(i)
  return [when, ...columns.value.map((c, k) => `${c.word} ${read[k]}`)]
}

const adding = ref(false)
function add(l: Lane) {
  const end = at.value[at.value.length - 1] / 1000
  adding.value = false
  emit('change', [...props.doings, begun(l, beginning(l, dusk.value, end), end)], true)
}
</script>

<template>
  <div ref="root">
    <svg
      :viewBox="`0 0 ${w} ${h}`"
      role="group"
      :aria-label="`The night hour by hour: coldest ${degrees(night.coldestCelsius, units)} at ${clock(Date.parse(night.coldestAt) / 1000, zone)}, ${words.limit} ${degrees(night.plantLimitCelsius, units)}`"
    >
      <defs>
        <pattern id="rime" width="10" height="10" patternUnits="userSpaceOnUse">
          <path
            d="M5 1v8M1.5 3l7 4M8.5 3l-7 4"
            stroke="var(--frost)"
            stroke-width="0.9"
            stroke-opacity="0.55"
          />
        </pattern>
        <pattern id="given" width="7" height="7" patternUnits="userSpaceOnUse">
          <path d="M0 7 L7 0" stroke="var(--ember)" stroke-width="1.2" stroke-opacity="0.7" />
        </pattern>
      </defs>
      <rect class="dark" :x="dark.x" :y="AIR.top" :width="dark.w" :height="AIR.bottom - AIR.top" />
      <rect
        fill="url(#rime)"
        :x="left"
        :y="y(night.plantLimitCelsius)"
        :width="w - left - right"
        :height="Math.max(0, AIR.bottom - y(night.plantLimitCelsius))"
      />
      <path class="limit" :d="`M${left} ${y(night.plantLimitCelsius)} H${w - right}`" />
      <g class="axis">
        <text
          v-for="t in degreeTicks(y.domain(), 6, units)"
          :key="t"
          :x="left - 8"
          :y="y(t) + 5"
          text-anchor="end"
        >
          {{ degrees(t, units, 0) }}
        </text>
        <g v-for="t in hoursAt" :key="t.at">
          <path :d="`M${t.x} ${AIR.bottom} v${h - AIR.bottom - 24}`" />
          <text :x="t.x" :y="AIR.bottom + 20" text-anchor="middle">{{ clock(t.at, zone) }}</text>
        </g>
      </g>
      <g v-for="s in suns" :key="s.word" class="sun">
        <path :d="`M${s.x} ${AIR.top - 6} V${h - 24}`" />
        <text
          :x="s.x + (s.word === 'sunrise' ? -6 : 6)"
          :y="AIR.top - 10"
          :text-anchor="s.word === 'sunrise' ? 'end' : 'start'"
        >
          {{ s.word }} {{ clock(Date.parse(s.at) / 1000, zone) }}
        </text>
      </g>
      <path class="band" :d="likely" />
      <path class="out" :d="path(night.outdoor)" />
      <path v-if="without.length" class="without" :d="path(without)" />
      <path v-if="felt" class="leaf" :d="path(night.leaf)" />
      <path class="air" :d="path(night.air)" />
      <g class="coldest" :transform="coldest.at">
        <circle r="6" />
        <text :class="['figure', { early: coldest.early }]" x="-10" y="-12">
          {{ degrees(night.coldestCelsius, units) }}
        </text>
      </g>
      <template v-if="!narrow">
        <text
          v-for="l in endLabels"
          :key="l.key"
          :class="`word ${l.key}`"
          :x="w - right + 8"
          :y="l.y + 5"
        >
          {{ l.word }}
        </text>
      </template>
      <ReadOff name="the night" :xs="xs" :top="AIR.top" :bottom="AIR.bottom" :words="readings" />
      <NightRail
        :lanes="rail.shown"
        :doings="doings"
        :moments="at"
        :x="x"
        :left="left"
        :right="w - right"
        :top="railTop"
        :lane="lane"
        :start="at[0] / 1000"
        :end="at[at.length - 1] / 1000"
        :zone="zone"
        :still="still"
        @change="(d, done) => emit('change', d, done)"
      />
      <g v-for="s in stores" :key="s.id" class="store">
        <path class="gave" :d="s.gave" />
        <path :d="s.d" />
        <path class="floor" :d="`M${left} ${s.base} H${w - right}`" />
        <text :x="left + 4" :y="s.base - rowHeight + 20" class="name">
          {{ s.name }} {{ energyOf(s.startJoules)
          }}{{ s.chargedJoules > 180000 ? `, ${energyOf(s.chargedJoules)} more put in` : '' }}
        </text>
        <text v-if="!narrow" :x="w - right + 8" :y="s.base - 4">
          {{
            s.end < 18000 && s.gone > 0
              ? `gone by ${clock(at[s.gone] / 1000, zone)}`
              : `${energyOf(s.end)} left`
          }}
        </text>
        <text v-if="!narrow && s.reached" class="gave-word" :x="w - right + 8" :y="s.base - 20">
          {{ energyOf(s.deliveredJoules + s.earlyJoules) }} given
        </text>
      </g>
    </svg>
    <div v-if="!still && rail.rest.length" class="add no-print">
      <button type="button" :aria-expanded="adding" @click="adding = !adding">
        + Add to the night
      </button>
      <ul v-if="adding">
        <li v-for="l in rail.rest" :key="l.key">
          <button type="button" @click="add(l)">
            {{ l.offer ? laneWord(l) : `Switch off: ${laneWord(l)}` }}
          </button>
        </li>
      </ul>
    </div>
    <AsTable
      of="the night"
      :head="['when', ...columns.map((c) => c.word)]"
      :count="night.at.length"
      :row="row"
    />
    <p v-if="narrow" class="soft key">
      <b class="air">thick line</b> air in the house ·
      <template v-if="felt"><b class="leaf">thin</b> {{ felt }} · </template>
      <b class="without">dashes</b> without stores · <b class="out">thin line</b> outdoors ·
      <b class="limit-word">rime</b> below what {{ words.limit }},
      {{ degrees(night.plantLimitCelsius, units) }}
    </p>
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  background: var(--sheet);
  border: 1px solid var(--line);
}

path {
  fill: none;
}

text {
  fill: var(--ink-soft);
  font-size: 14px;
}

.dark {
  fill: var(--ink);
  fill-opacity: 0.045;
}

.axis path {
  stroke: var(--line-soft);
}

.sun path {
  stroke: var(--close);
  stroke-dasharray: 2 4;
}

.limit {
  stroke: var(--frost);
  stroke-width: 2;
}

.word.limit-word,
.key .limit-word {
  fill: var(--frost);
  color: var(--frost);
  font-weight: 600;
}

.add {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.8rem;
  align-items: center;
  margin-top: 0.3rem;
}

.add ul {
  display: contents;
  list-style: none;
}

.add button {
  background: var(--sheet);
  border: 1px solid var(--line);
  color: var(--ink);
  padding: 0.15rem 0.7rem;
  min-height: 34px;
}

.add > button {
  border-color: var(--ink-soft);
  font-weight: 600;
}

@media (max-width: 600px) {
  .add button {
    min-height: 48px;
  }
}

.band {
  fill: var(--ember);
  fill-opacity: 0.2;
}

.air {
  stroke: var(--ember);
  stroke-width: 3.5;
}

.out {
  stroke: var(--frost);
  stroke-width: 1.6;
}

.without {
  stroke: var(--ink-soft);
  stroke-width: 2;
  stroke-dasharray: 7 5;
}

.word,
.key b {
  stroke: none;
}

.word.air,
.key .air {
  fill: var(--ember);
  color: var(--ember);
  font-weight: 700;
}

.word.out,
.key .out {
  fill: var(--frost);
  color: var(--frost);
}

.coldest circle {
  fill: var(--sheet);
  stroke: var(--ember);
  stroke-width: 3;
}

.coldest text {
  text-anchor: end;
  fill: var(--ink);
  font-size: 20px;
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}

.coldest .early {
  text-anchor: start;
  transform: translateX(20px);
}

.leaf {
  stroke: var(--held);
  stroke-width: 1.8;
}

.word.leaf {
  fill: var(--held);
  stroke: none;
}

.store .gave {
  fill: url(#given);
  fill-opacity: 1;
}

.store path {
  fill: var(--ember);
  fill-opacity: 0.55;
}

.store .floor {
  stroke: var(--ink);
  stroke-width: 1;
}

.store .name {
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
</style>
