<script setup lang="ts">
/**
 * The night's actions as lanes under its hours: a handle where each begins, one where it ends.
 * Dragged, or moved by arrow keys; up and down change an amount; Delete takes it away.
 */
import { computed, ref } from 'vue'
import type { ScaleTime } from 'd3-scale'
import {
  begun,
  moved,
  sameLane,
  withLane,
  type Doing,
  type Possible,
} from '@/features/tonight/doings'
import { doingWord, laneWord } from '@/features/tonight/sentences'

const props = defineProps<{
  possible: Possible[]
  doings: Doing[]
  x: ScaleTime<number, number>
  left: number
  right: number
  top: number
  lane: number
  start: number
  end: number
  dusk: number
  zone: string
  still: boolean
}>()
const emit = defineEmits<{ change: [doings: Doing[], done: boolean] }>()
const held = ref(false)

const lanes = computed(() =>
  props.possible.map((p, i) => {
    const d = props.doings.find((a) => sameLane(a, p))
    const y = props.top + (i + 0.5) * props.lane
    const at = (iso: string | null, other: number) =>
      Math.min(props.right, Math.max(props.left, props.x(iso ? Date.parse(iso) : other * 1000)))
    return {
      p,
      d,
      y,
      word: laneWord(p),
      from: d ? at(d.from, props.dusk) : at(null, props.dusk),
      to: d ? at(d.to, props.end) : at(null, props.end),
      ends: p.kind !== 'FIRE',
    }
  }),
)
type Lane = (typeof lanes.value)[number]

const STEP = 600
const tidy = (seconds: number) => Math.round(seconds / 300) * 300
const change = (l: Lane, d: Doing | null, done: boolean) =>
  emit('change', withLane(props.doings, l.p, d), done)

function begin(l: Lane) {
  if (!props.still) change(l, begun(l.p, props.dusk, props.end), true)
}

function drag(e: PointerEvent, l: Lane, which: 'from' | 'to' | 'both') {
  const d = l.d
  const svg = (e.currentTarget as SVGElement).ownerSVGElement
  if (!d || !svg || props.still) return
  e.preventDefault()
  ;(e.currentTarget as SVGElement).focus()
  const scale = svg.viewBox.baseVal.width / svg.getBoundingClientRect().width
  const first = e.clientX
  const perPixel = (props.end - props.start) / (props.right - props.left)
  held.value = true
  let last = d
  const go = (m: PointerEvent) => {
    const by = tidy((m.clientX - first) * scale * perPixel)
    last = moved(d, by, which, props.start, props.end)
    change(l, last, false)
  }
  const stop = () => {
    held.value = false
    window.removeEventListener('pointermove', go)
    window.removeEventListener('pointerup', stop)
    window.removeEventListener('pointercancel', stop)
    change(l, last, true)
  }
  window.addEventListener('pointermove', go)
  window.addEventListener('pointerup', stop)
  window.addEventListener('pointercancel', stop)
}

function key(e: KeyboardEvent, l: Lane, which: 'from' | 'to' | 'both') {
  const d = l.d
  if (!d || props.still) return
  const by = { ArrowRight: STEP, ArrowLeft: -STEP }[e.key]
  const amount = { ArrowUp: 1, ArrowDown: -1 }[e.key]
  if (by) change(l, moved(d, by * (e.shiftKey ? 6 : 1), which, props.start, props.end), true)
  else if (amount && l.p.kind === 'FIRE')
    change(l, { ...d, amount: Math.min(30, Math.max(1, d.amount + amount)) }, true)
  else if (e.key === 'Delete' || e.key === 'Backspace') change(l, null, true)
  else return
  e.preventDefault()
}

/** Words stand beside a handle, on the side with room. */
const beside = (l: Lane) =>
  l.from > (props.left + props.right) / 2 + 60
    ? { x: l.from - 18, y: l.y + 5, 'text-anchor': 'end' }
    : { x: l.from + 18, y: l.y + 5, 'text-anchor': 'start' }

const flame = (x: number, y: number) =>
  `M${x} ${y - 13} c7 8 9 11 9 15 a9 9 0 0 1 -18 0 c0 -4 2 -7 9 -15 z`
</script>

<template>
  <g class="rail">
    <g v-for="l in lanes" :key="l.p.kind + l.p.storeId">
      <path class="track" :d="`M${left} ${l.y} H${right}`" />
      <g
        v-if="!l.d && !still"
        class="empty"
        role="button"
        tabindex="0"
        :aria-label="`${l.word}: plan it for tonight`"
        @click="begin(l)"
        @keydown.enter.prevent="begin(l)"
        @keydown.space.prevent="begin(l)"
      >
        <circle class="hit" :cx="l.from" :cy="l.y" r="22" />
        <circle :cx="l.from" :cy="l.y" r="9" />
        <path :d="`M${l.from - 5} ${l.y} h10 M${l.from} ${l.y - 5} v10`" />
        <text v-bind="beside(l)">{{ l.word }}</text>
      </g>
      <template v-if="l.d">
        <path
          class="span"
          :class="{ fire: !l.ends }"
          :d="`M${l.from} ${l.y} H${l.to}`"
          @pointerdown="drag($event, l, 'both')"
        />
        <text class="when" v-bind="beside(l)">{{ l.word }} {{ doingWord(l.d, zone) }}</text>
        <g
          class="handle"
          :role="still ? undefined : 'slider'"
          :tabindex="still ? -1 : 0"
          :aria-label="`${l.word}: begins`"
          :aria-valuemin="start"
          :aria-valuemax="end"
          :aria-valuenow="Math.round(Date.parse(l.d.from) / 1000)"
          :aria-valuetext="doingWord(l.d, zone)"
          @pointerdown="drag($event, l, 'from')"
          @keydown="key($event, l, 'from')"
        >
          <circle class="hit" :cx="l.from" :cy="l.y" r="22" />
          <path v-if="l.p.kind === 'FIRE'" :d="flame(l.from, l.y)" />
          <path v-else :d="`M${l.from - 7} ${l.y - 11} h9 l6 11 l-6 11 h-9 z`" />
        </g>
        <g
          v-if="l.ends && l.to < right - 2"
          class="handle"
          :role="still ? undefined : 'slider'"
          :tabindex="still ? -1 : 0"
          :aria-label="`${l.word}: ends`"
          :aria-valuemin="start"
          :aria-valuemax="end"
          :aria-valuenow="Math.round(Date.parse(l.d.to) / 1000)"
          :aria-valuetext="doingWord(l.d, zone)"
          @pointerdown="drag($event, l, 'to')"
          @keydown="key($event, l, 'to')"
        >
          <circle class="hit" :cx="l.to" :cy="l.y" r="22" />
          <path :d="`M${l.to + 7} ${l.y - 11} h-9 l-6 11 l6 11 h9 z`" />
        </g>
        <g
          v-if="!still"
          class="away"
          role="button"
          tabindex="0"
          :aria-label="`${l.word}: not tonight`"
          @click="change(l, null, true)"
          @keydown.enter.prevent="change(l, null, true)"
          @keydown.space.prevent="change(l, null, true)"
        >
          <circle class="hit" :cx="right + 16" :cy="l.y" r="15" />
          <path :d="`M${right + 11} ${l.y - 5} l10 10 m0 -10 l-10 10`" />
        </g>
      </template>
    </g>
  </g>
</template>

<style scoped>
.track {
  stroke: var(--line);
  stroke-dasharray: 2 5;
  fill: none;
}

.empty text {
  fill: var(--ink-soft);
  font-size: 14px;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}

.hit {
  fill: transparent;
  stroke: none;
}

.empty {
  cursor: pointer;
}

.empty circle:not(.hit) {
  fill: var(--sheet);
  stroke: var(--ink-soft);
  stroke-dasharray: 3 2;
}

.empty path {
  stroke: var(--ink-soft);
  stroke-width: 2;
}

.span {
  stroke: var(--ink-soft);
  stroke-width: 7;
  stroke-opacity: 0.4;
  fill: none;
  cursor: grab;
}

.span.fire {
  stroke: none;
}

.handle {
  cursor: ew-resize;
  touch-action: none;
}

.handle path {
  fill: var(--ink);
  stroke: var(--sheet);
  stroke-width: 1.5;
}

.handle:focus-visible path,
.handle:hover path {
  fill: var(--ember);
}

.when {
  fill: var(--ink);
  font-size: 14px;
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}

.away {
  cursor: pointer;
}

.away path {
  stroke: var(--ink-soft);
  stroke-width: 2;
  fill: none;
}

@media print {
  .empty,
  .away {
    display: none;
  }
}
</style>
