<script setup lang="ts">
/**
 * A winter at a glance: each night one upright mark from the outdoor low up to the house's low,
 * against the plants' limit. Held wears a full roof, close an open one, lost a broken one; a night
 * that nobody looked through has none, only the stretch in which its low may lie.
 */
import { computed, nextTick, onMounted, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { degrees, type Temperature } from '@/shared/units'

type Night = Views['PastNightView']['nights'][number]
const props = defineProps<{
  nights: Night[]
  limit: number
  stand: string
  units: Temperature
  chosen: string
  /** Evenings from which on something in the house was otherwise. */
  changed?: string[]
  /** What the stores lifted the low by, K, by evening. */
  lifts?: Map<string, number>
}>()
const emit = defineEmits<{ choose: [evening: string] }>()

const H = 340
const left = 52
const top = 26
const bottom = 40
const day = (s: string) => Math.round(Date.parse(`${s}T00:00Z`) / 86_400_000)
const first = computed(() => day(props.nights[0]?.evening ?? '2000-01-01'))
const span = computed(() => day(props.nights.at(-1)?.evening ?? '2000-01-01') - first.value + 1)
const step = computed(() => Math.min(44, Math.max(9, 1120 / Math.max(1, span.value))))
const W = computed(() => Math.max(420, left + span.value * step.value + 96))

/** What is drawn of a night, from below. */
const drawn = (n: Night) =>
  [n.outdoorLowest, n.model?.lowCelsius, n.model?.highCelsius, n.lowestCelsius].filter(
    (t) => t != null,
  )
const all = computed(() => props.nights.flatMap(drawn))
const low = computed(() => Math.floor(Math.min(props.limit - 2, ...all.value) / 5) * 5)
const high = computed(() => Math.ceil((Math.max(props.limit + 4, ...all.value) + 1) / 5) * 5)
/** Where a night's mark ends: its low, or as high as that may lie. */
const head = (n: Night) =>
  n.verdict === 'UNKNOWN'
    ? (n.model?.highCelsius ?? n.lowestCelsius ?? props.limit)
    : (n.lowestCelsius ?? props.limit)
const foot = (n: Night) =>
  n.verdict === 'UNKNOWN' ? (n.model?.lowCelsius ?? low.value) : (n.outdoorLowest ?? head(n) - 0.5)
const y = (t: number) =>
  top + ((high.value - t) / Math.max(1, high.value - low.value)) * (H - top - bottom)
const x = (n: Night) => left + (day(n.evening) - first.value + 0.5) * step.value
const ticks = computed(() => {
  const all: number[] = []
  for (let t = low.value; t <= high.value; t += 5) all.push(t)
  return all
})
const dates = computed(() => {
  const every = step.value >= 30 ? 1 : step.value >= 15 ? 3 : 7
  return props.nights.filter((n) => (day(n.evening) - first.value) % every === 0)
})
const dateWord = (n: Night) => {
  const [, m, d] = n.evening.split('-').map(Number)
  return d === 1 || n === props.nights[0]
    ? `${d} ${new Date(Date.UTC(2000, m - 1, 1)).toLocaleString('en-GB', { month: 'short', timeZone: 'UTC' })}`
    : String(d)
}
const roof = computed(() => Math.min(9, step.value * 0.42))
const word = { HELD: 'held', CLOSE: 'close', LOST: 'lost', UNKNOWN: 'not known' } as Record<
  string,
  string
>
const lowWords = (n: Night) =>
  n.verdict === 'UNKNOWN' || n.lowestCelsius == null
    ? ''
    : `, ${degrees(n.lowestCelsius, props.units)}`

const svg = ref<SVGSVGElement | null>(null)
function key(e: KeyboardEvent, i: number) {
  const to = { ArrowRight: i + 1, ArrowLeft: i - 1, Home: 0, End: props.nights.length - 1 }[e.key]
  if (to == null || !props.nights[to]) return
  e.preventDefault()
  emit('choose', props.nights[to].evening)
  void nextTick(() =>
    svg.value?.querySelector<SVGGElement>(`[data-night="${props.nights[to].evening}"]`)?.focus(),
  )
}
/** The chosen night is where one looks, on a small screen too. */
onMounted(() => {
  const at = svg.value?.querySelector('.chosen')
  at?.scrollIntoView?.({ block: 'nearest', inline: 'center' })
})
const reachable = (n: Night, i: number) =>
  props.chosen === n.evening || (!props.nights.some((m) => m.evening === props.chosen) && i === 0)
</script>

<template>
  <div class="wide-drawing">
    <svg
      ref="svg"
      class="wall"
      :viewBox="`0 0 ${W} ${H}`"
      :style="{ minWidth: `${Math.min(W, 900)}px` }"
      role="group"
      aria-label="Nights, arrow keys move from one to the next"
    >
      <rect
        class="danger"
        :x="left"
        :y="y(limit)"
        :width="W - left - 90"
        :height="H - bottom - y(limit)"
      />
      <g v-for="t in ticks" :key="t">
        <path class="tick" :d="`M${left} ${y(t)} H${W - 90}`" />
        <text class="soft" :x="left - 8" :y="y(t) + 5" text-anchor="end">
          {{ degrees(t, units, 0) }}
        </text>
      </g>
      <path class="limit" :d="`M${left} ${y(limit)} H${W - 90}`" />
      <text class="limit-word" :x="W - 84" :y="y(limit) + 1">{{ stand }}</text>
      <text class="limit-word" :x="W - 84" :y="y(limit) + 17">{{ degrees(limit, units) }}</text>
      <path
        v-for="n in nights.filter((one) => changed?.includes(one.evening))"
        :key="`c${n.evening}`"
        class="change"
        :d="`M${x(n) - step / 2} ${top - 8} V${H - bottom + 8}`"
      />
      <g
        v-for="(n, i) in nights"
        :key="n.evening"
        :class="['night', n.verdict.toLowerCase(), { chosen: chosen === n.evening }]"
        role="button"
        :tabindex="reachable(n, i) ? 0 : -1"
        :data-night="n.evening"
        :aria-label="`${n.evening}: ${word[n.verdict]}${lowWords(n)}`"
        :aria-pressed="chosen === n.evening"
        @click="emit('choose', n.evening)"
        @keydown.enter.prevent="emit('choose', n.evening)"
        @keydown.space.prevent="emit('choose', n.evening)"
        @keydown="key($event, i)"
      >
        <rect class="hit" :x="x(n) - step / 2" :y="top" :width="step" :height="H - top - bottom" />
        <path class="stem" :d="`M${x(n)} ${y(foot(n))} V${y(head(n))}`" />
        <path
          v-if="n.verdict !== 'UNKNOWN' && (lifts?.get(n.evening) ?? 0) > 0"
          class="lift"
          :d="`M${x(n)} ${y(head(n) - lifts!.get(n.evening)!)} V${y(head(n))}`"
          :style="{ strokeWidth: `${Math.max(5, roof)}px` }"
        />
        <path
          v-if="n.outdoorLowest != null"
          class="foot"
          :d="`M${x(n) - roof * 0.6} ${y(n.outdoorLowest)} h${roof * 1.2}`"
        />
        <text
          v-if="n.verdict === 'UNKNOWN'"
          class="asked-of"
          :x="x(n)"
          :y="y(head(n)) - 6"
          text-anchor="middle"
        >
          ?
        </text>
        <path
          v-else-if="n.verdict === 'LOST'"
          class="roof"
          :d="`M${x(n) - roof} ${y(head(n))} l${roof * 0.7} ${-roof} M${x(n) + roof * 0.2} ${y(head(n)) - roof * 0.3} l${roof * 0.8} ${roof * 0.9}`"
        />
        <path
          v-else
          class="roof"
          :d="`M${x(n) - roof} ${y(head(n))} l${roof} ${-roof * 1.1} l${roof} ${roof * 1.1} Z`"
        />
        <text
          v-for="s in n.seen.slice(0, 1)"
          :key="s"
          class="seen"
          :x="x(n)"
          :y="y(head(n)) - roof - (n.verdict === 'UNKNOWN' ? 14 : 8)"
          text-anchor="middle"
        >
          seen
        </text>
      </g>
      <text
        v-for="n in dates"
        :key="`d${n.evening}`"
        class="soft"
        :x="x(n)"
        :y="H - 14"
        text-anchor="middle"
      >
        {{ dateWord(n) }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.danger {
  fill: var(--frost-wash);
}

.limit {
  stroke: var(--frost);
  stroke-width: 2;
}

.limit-word {
  fill: var(--frost);
  font-weight: 600;
}

.night {
  cursor: pointer;
}

.night:focus {
  outline: none;
}

.hit {
  fill: transparent;
}

.change {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 8 3 2 3;
}

.night:hover .hit,
.chosen .hit {
  fill: var(--line-soft);
  opacity: 0.55;
}

.night:focus-visible .hit {
  stroke: var(--focus);
  stroke-width: 2.5;
}

.stem {
  stroke: var(--ink-soft);
  stroke-width: 3;
}

.lift {
  stroke: var(--ember);
}

.foot {
  stroke: var(--frost);
  stroke-width: 3;
}

.roof {
  stroke-width: 2.5;
  stroke-linejoin: round;
}

.held .roof {
  fill: var(--held);
  stroke: var(--held);
}

.close .roof {
  fill: var(--sheet);
  stroke: var(--close);
}

.lost .roof {
  fill: none;
  stroke: var(--lost);
  stroke-width: 3.5;
}

.lost .stem {
  stroke: var(--lost);
}

.unknown .stem {
  stroke-dasharray: 3 4;
}

.asked-of {
  fill: var(--ink-soft);
  font-weight: 600;
  font-size: 15px;
}

.seen {
  fill: var(--lost);
  font-size: 12px;
}
</style>
