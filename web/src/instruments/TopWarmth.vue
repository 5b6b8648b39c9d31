<script setup lang="ts">
/** A store's top on one scale of warmth: bars for what it may serve for, marks for now and full. */
import { scaleLinear } from 'd3-scale'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { topSentence, useWords, type Use } from '@/features/store/topUses'
import { degreeTicks } from '@/shared/heat'
import { degrees, type Temperature } from '@/shared/units'

const props = defineProps<{
  uses: Use[]
  burns: number
  now: number | null
  full: number | null
  units: Temperature
}>()
const WIDEST = 560
const LEFT = 108
const ROW = 17
const TOP = 26
const WORD = 70 // px, a mark's words
const HOTTEST = 90 // °C; hotter marks stand at the end

const figure = ref<HTMLElement | null>(null)
const W = ref(WIDEST)
const sized = new ResizeObserver(() => {
  const wide = figure.value?.clientWidth
  if (wide) W.value = Math.min(WIDEST, wide)
})
onMounted(() => figure.value && sized.observe(figure.value))
onBeforeUnmount(() => sized.disconnect())

const scale = computed(() => scaleLinear([10, HOTTEST], [LEFT, W.value - 24]).clamp(true))
const x = (celsius: number) => scale.value(celsius)
const height = computed(() => TOP + props.uses.length * ROW + 24)
const ticks = computed(() => degreeTicks([10, HOTTEST], W.value < 450 ? 4 : 8, props.units))
const marks = computed(() => {
  const list = [
    { word: 'now', celsius: props.now },
    { word: 'full', celsius: props.full },
  ].filter((m): m is { word: string; celsius: number } => m.celsius != null)
  list.sort((a, b) => a.celsius - b.celsius)
  const at = list.map((m) => x(m.celsius))
  const close = list.length > 1 && at[1] - at[0] < WORD
  const between = Math.min((at[0] + at[1]) / 2, W.value - WORD)
  return list.map((m, i) =>
    close
      ? { ...m, x: at[i], side: ['end', 'start'][i], says: between + [-3, 3][i] }
      : { ...m, x: at[i], side: at[i] > W.value - WORD ? 'end' : 'middle', says: at[i] },
  )
})
</script>

<template>
  <figure ref="figure">
    <figcaption>{{ topSentence(now, full, uses, burns, units) }}</figcaption>
    <svg :viewBox="`0 0 ${W} ${height}`" aria-hidden="true">
      <g v-for="(u, i) in uses" :key="u.of">
        <text :x="LEFT - 8" :y="TOP + i * ROW + 12" text-anchor="end">{{ useWords[u.of] }}</text>
        <rect
          class="fits"
          :x="x(u.low)"
          :y="TOP + i * ROW + 3"
          :width="x(u.high) - x(u.low)"
          height="10"
        />
        <path class="best" :d="`M${x(u.best)} ${TOP + i * ROW + 3} v10`" />
      </g>
      <path class="axis" :d="`M${LEFT} ${height - 20} H${W - 24}`" />
      <g v-for="t in ticks" :key="t">
        <path class="axis" :d="`M${x(t)} ${height - 20} v5`" />
        <text :x="x(t)" :y="height - 3" text-anchor="middle">{{ degrees(t, units, 0) }}</text>
      </g>
      <g v-for="m in marks" :key="m.word" :class="m.word">
        <path class="mark" :d="`M${m.x} 18 V${height - 20}`" />
        <text :x="m.says" y="14" :text-anchor="m.side" class="figure">
          {{ m.word }} {{ degrees(m.celsius, units, 0) }}
        </text>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0.75rem 0 0;
}

svg {
  display: block;
  width: 100%;
  max-width: 560px;
}

text {
  font-size: 12px;
  fill: var(--ink-soft);
}

.figure {
  font-weight: 600;
  fill: var(--ink);
}

.fits {
  fill: var(--ember);
  opacity: 0.28;
}

.best {
  stroke: var(--ember);
  stroke-width: 2;
}

.axis {
  stroke: var(--ink-soft);
  fill: none;
}

.mark {
  stroke: var(--ink);
  stroke-width: 2;
  fill: none;
}

.full .mark {
  stroke-dasharray: 5 4;
}
</style>
