<script setup lang="ts">
/**
 * The nights ahead on one line: each low as a stroke from its coldest tenth up to its best guess,
 * over the plants' limit with rime below it; a roof tells held, close or lost; what is planned
 * stands as marks under it. A touch tells a night in words.
 */
import { useWidth } from '@/shared/useWidth'
import { scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { nightWord } from '@/features/tonight/sentences'
import { degrees, percent, weekday, type Temperature } from '@/shared/units'

const props = defineProps<{
  nights: Views['NightsView']
  night: Views['TonightView']
  units: Temperature
  zone: string
}>()
const chosen = ref<number | null>(null)
const root = ref<HTMLElement | null>(null)
const width = useWidth(root, 644)
/** Of one night. */
const W = computed(() => Math.max(44, Math.min(92, width.value / props.nights.nights.length)))
const narrow = computed(() => W.value < 80)
const TOP = 34
const BOTTOM = 62
/** Tonight is judged finer below; its own figures stand here too. */
const all = computed(() =>
  props.nights.nights.map((n, i) =>
    i === 0 && props.night.chanceOfHolding != null
      ? {
          ...n,
          coldestCelsius: props.night.coldestCelsius,
          coldestTenth: props.night.coldestTenth ?? props.night.coldestCelsius,
          chanceOfHolding: props.night.chanceOfHolding,
          verdict: props.night.verdict,
        }
      : n,
  ),
)
const y = computed(() => {
  const values = all.value.flatMap((n) => [n.coldestCelsius, n.coldestTenth])
  const limit = props.night.plantLimitCelsius
  return scaleLinear()
    .domain([Math.min(limit - 2, ...values) - 0.5, Math.max(limit + 2, ...values) + 0.5])
    .range([BOTTOM, TOP])
})
const limitY = computed(() => y.value(props.night.plantLimitCelsius))
const name = (i: number) =>
  i === 0 && !narrow.value
    ? 'tonight'
    : weekday(Date.parse(all.value[i].dusk) / 1000, props.zone, 'short')
const low = (celsius: number) => {
  const said = degrees(celsius, props.units, 0)
  return narrow.value ? said.replace(/\s*°.*/, '°') : said
}
const words = computed(() =>
  chosen.value == null || !all.value[chosen.value]
    ? ''
    : nightWord(all.value[chosen.value], chosen.value, props.night, props.units, props.zone),
)
const choose = (i: number) => (chosen.value = chosen.value === i ? null : i)
</script>

<template>
  <div ref="root" class="ahead">
    <svg :viewBox="`0 0 ${all.length * W} 84`" :width="all.length * W" height="84">
      <defs>
        <pattern id="rime-ahead" width="9" height="9" patternUnits="userSpaceOnUse">
          <path d="M4.5 2v5M2 4.5h5" class="flake" />
        </pattern>
      </defs>
      <rect
        x="0"
        :y="limitY"
        :width="all.length * W"
        :height="BOTTOM + 2 - limitY"
        fill="url(#rime-ahead)"
      />
      <line x1="0" :x2="all.length * W" :y1="limitY" :y2="limitY" class="limit" />
      <g
        v-for="(n, i) in all"
        :key="n.dawn"
        role="button"
        tabindex="0"
        :aria-pressed="chosen === i"
        :aria-label="nightWord(n, i, night, units, zone)"
        :class="['one', n.verdict.toLowerCase()]"
        :transform="`translate(${i * W} 0)`"
        @click="choose(i)"
        @keydown.enter="choose(i)"
        @keydown.space.prevent="choose(i)"
      >
        <rect :width="W" height="84" class="hit" />
        <path v-if="n.verdict === 'HELD'" d="M6 15 Q13 -1 20 15 Z" class="full" />
        <path v-else-if="n.verdict === 'CLOSE'" d="M6 15 Q13 -1 20 15" class="roof" />
        <path v-else d="M6 15 Q9 4 11 4 L14 10 M16 6 Q18 9 20 15" class="roof" />
        <text x="26" y="14" class="day">{{ name(i) }}</text>
        <line x1="13" x2="13" :y1="y(n.coldestTenth)" :y2="y(n.coldestCelsius)" class="spread" />
        <circle cx="13" :cy="y(n.coldestCelsius)" r="4.5" class="dot" />
        <text x="22" :y="Math.min(BOTTOM - 2, y(n.coldestCelsius) + 5)" class="low">
          {{ low(n.coldestCelsius) }}
        </text>
        <text x="6" y="79" class="chance">{{ percent(n.chanceOfHolding) }}</text>
        <rect
          v-for="(d, k) in n.actions.slice(0, 4)"
          :key="d.from + d.kind"
          :x="(narrow ? 2 : 48) + k * 10"
          :y="narrow ? 22 : 72"
          width="7"
          height="7"
          class="planned"
        />
      </g>
    </svg>
    <p v-if="words" class="soft words" role="status">{{ words }}</p>
  </div>
</template>

<style scoped>
svg {
  display: block;
}

.hit {
  fill: transparent;
}

.one {
  cursor: pointer;
  color: var(--held);
}

.one.close {
  color: var(--close);
}

.one.lost {
  color: var(--lost);
}

.one[aria-pressed='true'] .hit {
  fill: var(--ink);
  fill-opacity: 0.06;
}

.full,
.dot {
  fill: currentcolor;
}

.roof {
  fill: none;
  stroke: currentcolor;
  stroke-width: 2;
}

.day,
.chance {
  font-size: 13px;
  fill: var(--ink-soft);
}

.low {
  font-size: 15px;
  font-weight: 600;
  fill: var(--ink);
  stroke: var(--paper);
  stroke-width: 3px;
  paint-order: stroke;
}

.spread {
  stroke: currentcolor;
  stroke-width: 3;
  opacity: 0.45;
}

.limit {
  stroke: var(--frost);
}

.flake {
  stroke: var(--frost);
  stroke-width: 0.8;
  opacity: 0.6;
}

.planned {
  fill: var(--ember);
}

.words {
  margin: 0.2rem 0 0;
}
</style>
