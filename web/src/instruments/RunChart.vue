<script setup lang="ts">
/**
 * A run through time: probes as measured, the model beside them, the store's mean with its
 * interval, phases along the foot. Closer by dragging over a stretch, by + and −, moved by arrows.
 */
import { useWidth } from '@/shared/useWidth'
import { bisector } from 'd3-array'
import { computed, ref } from 'vue'
import { clock, day, degrees, type Temperature } from '@/shared/units'
import AsTable from './AsTable.vue'
import { margin as M, useRunDrawing, type DrawnRun, type Row } from './runDrawing'

const props = defineProps<{ run: DrawnRun; units: Temperature; zone: string }>()
const span = defineModel<[number, number] | null>('span', { required: true })

const root = ref<HTMLElement | null>(null)
const wide = useWidth(root, 860, 320)
const size = computed(() => ({ w: wide.value, h: wide.value < 600 ? 340 : 420 }))
const cursor = ref<number | null>(null)
const picked = ref<[number, number] | null>(null)

const whole = computed<[number, number]>(() => [
  props.run.at[0],
  props.run.at[props.run.at.length - 1],
])
const shown = computed(() => span.value ?? whole.value)
const {
  narrow,
  right,
  x,
  y,
  clip,
  path,
  band,
  single,
  ends,
  phases,
  used,
  ticksX,
  ticksY,
  events,
} = useRunDrawing(
  () => props.run,
  () => props.units,
  shown,
  size,
)
const dashes = ['', '7 3', '2 3', '9 3 2 3', '4 4']

const under = computed(() => {
  if (cursor.value == null) return null
  const i = Math.min(
    props.run.at.length - 1,
    bisector((d: number) => d).left(props.run.at, cursor.value),
  )
  return {
    x: x.value(props.run.at[i] * 1000),
    words: [
      `${day(props.run.at[i], props.zone)} ${clock(props.run.at[i], props.zone)}`,
      ...(props.run.mean[i] == null
        ? []
        : [`whole store ${degrees(props.run.mean[i], props.units)}`]),
      ...props.run.probes.flatMap((p) => {
        const read = p.measured[i]
        return read == null ? [] : `${p.name} ${degrees(read, props.units)}`
      }),
      ...(props.run.air[i] == null ? [] : [`air ${degrees(props.run.air[i], props.units)}`]),
    ],
  }
})

const read = (celsius: number | null | undefined) =>
  celsius == null ? '' : degrees(celsius, props.units)
const row = (i: number) => [
  `${day(props.run.at[i], props.zone)} ${clock(props.run.at[i], props.zone)}`,
  ...props.run.probes.map((p) => read(p.measured[i])),
  read(props.run.mean[i]),
  read(props.run.air[i]),
]

function at(e: PointerEvent): number {
  const r = (e.currentTarget as SVGElement).getBoundingClientRect()
  return x.value.invert(((e.clientX - r.left) * size.value.w) / r.width).getTime() / 1000
}
function down(e: PointerEvent) {
  picked.value = [at(e), at(e)]
}
function move(e: PointerEvent) {
  cursor.value = Math.min(shown.value[1], Math.max(shown.value[0], at(e)))
  if (picked.value) picked.value = [picked.value[0], cursor.value]
}
function up() {
  if (picked.value) {
    const [a, b] = [...picked.value].sort((p, q) => p - q)
    if (b - a > (shown.value[1] - shown.value[0]) / 50) span.value = [Math.round(a), Math.round(b)]
  }
  picked.value = null
}

function zoom(factor: number) {
  const [a, b] = shown.value
  const middle = cursor.value ?? (a + b) / 2
  const half = ((b - a) * factor) / 2
  const next: [number, number] = [
    Math.max(whole.value[0], middle - half),
    Math.min(whole.value[1], middle + half),
  ]
  span.value =
    next[1] - next[0] >= whole.value[1] - whole.value[0] - 1
      ? null
      : [Math.round(next[0]), Math.round(next[1])]
}
function key(e: KeyboardEvent) {
  const [a, b] = shown.value
  const stepBy = ((b - a) / 60) * (e.shiftKey ? 10 : 1)
  if (e.key === '+' || e.key === '=') zoom(0.5)
  else if (e.key === '-') zoom(2)
  else if (e.key === 'ArrowRight') cursor.value = Math.min(b, (cursor.value ?? a) + stepBy)
  else if (e.key === 'ArrowLeft') cursor.value = Math.max(a, (cursor.value ?? b) - stepBy)
  else if (e.key === 'Escape') span.value = null
  else return
  e.preventDefault()
}
</script>

<template>
  <div ref="root" class="run-chart">
    <div class="tools no-print">
      <button type="button" @click="zoom(0.5)">Closer</button>
      <button type="button" :disabled="!span" @click="zoom(2)">Wider</button>
      <button type="button" :disabled="!span" @click="span = null">Whole run</button>
      <span class="soft" aria-live="polite">{{ under?.words.join(' · ') }}</span>
    </div>
    <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
    <svg
      :viewBox="`0 0 ${size.w} ${size.h}`"
      role="application"
      tabindex="0"
      aria-label="Temperatures through the run. Arrow keys move the cursor, plus and minus change the scale."
      @keydown="key"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointerleave="up"
    >
      <rect
        v-if="used && used.x1 > used.x0"
        class="used"
        :x="used.x0"
        :y="M.top"
        :width="used.x1 - used.x0"
        :height="size.h - M.top - M.bottom"
      />
      <g class="grid">
        <g v-for="(t, i) in ticksY" :key="t">
          <path :d="`M${M.left} ${y(t)} H${size.w - right}`" :class="{ zero: t === 0 }" />
          <text :x="M.left - 8" :y="y(t) + 5" text-anchor="end">
            {{ degrees(t, units, 0).replace(i === ticksY.length - 1 ? '' : / .*/, '') }}
          </text>
        </g>
        <g v-for="t in ticksX" :key="t.at">
          <path :d="`M${t.x} ${size.h - M.bottom} v6`" />
          <text :x="t.x" :y="size.h - M.bottom + 20" text-anchor="middle">
            {{ clock(t.at, zone) === '00:00' ? day(t.at, zone) : clock(t.at, zone) }}
          </text>
        </g>
      </g>
      <g v-for="p in phases" :key="p.from" class="phase" :class="p.kind.toLowerCase()">
        <rect :x="p.x0" :y="size.h - 34" :width="p.x1 - p.x0" height="20" />
        <text v-if="p.x1 - p.x0 > 70" :x="(p.x0 + p.x1) / 2" :y="size.h - 19" text-anchor="middle">
          {{ p.word }}
        </text>
      </g>
      <path class="interval" :d="band" />
      <path class="air" :d="path(run.air)" />
      <g v-for="(p, i) in run.probes" :key="p.probeId">
        <path class="model" :d="path(p.modelled as Row)" />
        <path
          class="measured"
          :d="path(p.measured)"
          :stroke-dasharray="dashes[i % dashes.length]"
        />
        <template v-if="single">
          <template v-for="(t, k) in p.measured" :key="k">
            <circle
              v-if="t != null && x(run.at[k] * 1000) >= M.left"
              class="one"
              :cx="x(run.at[k] * 1000)"
              :cy="y(t)"
              r="4.5"
            />
          </template>
        </template>
      </g>
      <path class="mean" :d="path(run.mean)" />
      <path v-if="run.coolDown" class="fitted" :d="path(run.coolDown.fitted as Row)" />
      <g v-if="!narrow">
        <text
          v-for="l in ends"
          :key="l.name"
          :x="size.w - M.right + 8"
          :y="l.y + 5"
          :class="['end', l.kind]"
        >
          {{ l.name }}
        </text>
      </g>
      <g v-for="e in events" :key="e.id" class="event">
        <path :d="`M${e.x} ${M.top} V${size.h - M.bottom}`" />
        <path :d="`M${e.x - 5} ${M.top} h10 l-5 8 z`" class="flag" />
        <text
          :x="e.x + (e.x > size.w / 2 ? -7 : 7)"
          :y="M.top + 12 + 17 * e.row"
          :text-anchor="e.x > size.w / 2 ? 'end' : 'start'"
        >
          {{ e.word }}
        </text>
      </g>
      <rect
        v-if="picked"
        class="picked"
        :x="Math.min(clip(picked[0]), clip(picked[1]))"
        :y="M.top"
        :width="Math.abs(clip(picked[1]) - clip(picked[0]))"
        :height="size.h - M.top - M.bottom"
      />
      <path v-if="under" class="cursor" :d="`M${under.x} ${M.top} V${size.h - M.bottom}`" />
    </svg>
    <AsTable
      of="the run"
      :head="['when', ...run.probes.map((p) => p.name), 'whole store', 'air']"
      :count="run.at.length"
      :row="row"
    />
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  background: var(--sheet);
  border: 1px solid var(--line);
  cursor: crosshair;
  touch-action: pan-y;
}

text {
  fill: var(--ink-soft);
  font-size: 13.5px;
}

.tools {
  display: flex;
  gap: 0.5rem;
  align-items: baseline;
  min-height: 40px;
  flex-wrap: wrap;
}

.tools button {
  background: none;
  border: 0;
  color: var(--ember);
  padding: 0.35rem 0.5rem 0.35rem 0;
}

.tools button:disabled {
  color: var(--ink-soft);
}

.grid path {
  stroke: var(--line-soft);
}

.grid .zero {
  stroke: var(--frost);
  stroke-dasharray: 1 3;
  stroke-width: 2;
}

path {
  fill: none;
}

.interval {
  fill: var(--ember);
  fill-opacity: 0.16;
}

.mean {
  stroke: var(--ember);
  stroke-width: 3;
}

.fitted {
  stroke: var(--sheet);
  stroke-width: 1.4;
  stroke-dasharray: 3 6;
}

.one {
  fill: var(--ink);
}

.measured {
  stroke: var(--ink);
  stroke-width: 1.5;
}

.model {
  stroke: var(--soil);
  stroke-width: 5;
  stroke-opacity: 0.4;
}

.air {
  stroke: var(--frost);
  stroke-width: 1.5;
}

.end.mean {
  fill: var(--ember);
  font-weight: 700;
  stroke: none;
}

.end.air {
  fill: var(--frost);
  stroke: none;
}

.end.probe {
  fill: var(--ink);
}

.used {
  fill: var(--frost-wash);
}

.phase rect {
  fill: var(--line-soft);
  stroke: var(--line);
}

.phase.charging rect {
  fill: var(--ember);
}

.phase.charging text {
  fill: var(--ember-ink);
  font-weight: 600;
}

.phase text {
  fill: var(--ink);
}

.event path {
  stroke: var(--lost);
  stroke-dasharray: 2 3;
}

.event .flag {
  fill: var(--lost);
}

.event text {
  fill: var(--lost);
  stroke: var(--sheet);
  stroke-width: 4px;
  paint-order: stroke;
}

.picked {
  fill: var(--focus);
  fill-opacity: 0.2;
}

.cursor {
  stroke: var(--ink-soft);
}
</style>
