<script setup lang="ts">
/**
 * The night's doings as lanes under its hours: what is planned, advised or runs by itself. A fire's
 * lane carries its loads, its bypass and its damper; where a machine ran the lane is filled. Marks
 * are dragged, or moved by arrow keys; up and down change wood and flames; Delete takes one away.
 */
import { computed, ref } from 'vue'
import type { ScaleTime } from 'd3-scale'
import {
  begun,
  bypass,
  cleared,
  damper,
  lasts,
  more,
  moved,
  replaced,
  type Doing,
  type Lane,
} from '@/features/tonight/doings'
import { doingWord, laneWord, markWord, runWord } from '@/features/tonight/sentences'

const props = defineProps<{
  lanes: Lane[]
  doings: Doing[]
  moments: number[]
  x: ScaleTime<number, number>
  left: number
  right: number
  top: number
  lane: number
  start: number
  end: number
  zone: string
  still: boolean
}>()
const emit = defineEmits<{ change: [doings: Doing[], done: boolean] }>()
const held = ref(false)

const xAt = (iso: string | null, other: number) =>
  Math.min(props.right, Math.max(props.left, props.x(iso ? Date.parse(iso) : other * 1000)))

/** Stretches in which it ran, in the drawing. */
function ran(l: Lane): { x: number; w: number }[] {
  const watts = l.runs?.watts ?? []
  const all: { x: number; w: number }[] = []
  let from = -1
  for (let i = 1; i <= watts.length; i++) {
    const on = i < watts.length && watts[i] > 0.5
    if (on && from < 0) from = i - 1
    if (!on && from >= 0) {
      const a = props.x(props.moments[from])
      all.push({ x: a, w: Math.max(1.5, props.x(props.moments[i - 1]) - a) })
      from = -1
    }
  }
  return all
}

const rows = computed(() =>
  props.lanes.map((l, i) => {
    const y = props.top + (i + 0.5) * props.lane
    const marks = l.at.map((k) => {
      const d = props.doings[k]
      const from = xAt(d.from, props.start)
      return { k, d, from, to: lasts(d) ? xAt(d.to, props.end) : from }
    })
    const ghosts = l.advised.map((d) => ({
      d,
      from: xAt(d.from, props.start),
      to: lasts(d) ? xAt(d.to, props.end) : xAt(d.from, props.start),
    }))
    const filled = l.part === 'FIRE' ? [] : ran(l)
    const all = [...marks.map((m) => m.from), ...ghosts.map((g) => g.from)]
    const first = all.length ? Math.min(...all) : props.left
    const planned = marks.map((m) => doingWord(m.d, l, props.zone)).join('; ')
    const advised = l.advised.map((d) => doingWord(d, l, props.zone)).join('; ')
    const said = planned || (advised ? `advised: ${advised}` : runWord(l))
    return {
      l,
      y,
      marks,
      ghosts,
      ran: filled,
      word: laneWord(l),
      said,
      textAt: all.length
        ? Math.max(...all) + 18
        : Math.max(
            props.left + 6,
            ...filled
              .slice(0, 1)
              .map((f) => (f.x + f.w < props.right / 2 ? f.x + f.w + 8 : props.left + 6)),
          ),
      spare: { bypass: bypass(l, props.doings), damper: damper(l, props.doings, props.end) },
      first,
      back: first > (props.left + props.right) / 2 + 60,
    }
  }),
)
type Row = (typeof rows.value)[number]
type Mark = Row['marks'][number]

/** On a phone what is said stands below its name: beside it there is no room. */
const narrow = computed(() => props.right - props.left < 400)
const STEP = 600
const tidy = (seconds: number) => Math.round(seconds / 300) * 300
const put = (k: number, d: Doing | null, done: boolean) =>
  emit('change', replaced(props.doings, k, d), done)
const add = (d: Doing | null) => d && emit('change', [...props.doings, d], true)

/** A touch on an empty stretch of a fire's lane lays wood on there. */
function lay(e: MouseEvent, r: Row) {
  const svg = (e.currentTarget as SVGElement).ownerSVGElement
  if (props.still || !svg || r.l.offer?.kind !== 'LOAD') return
  const box = svg.getBoundingClientRect()
  const px = ((e.clientX - box.left) * svg.viewBox.baseVal.width) / box.width
  const at = tidy(props.x.invert(px).getTime() / 1000)
  add(begun(r.l, Math.min(props.end - 600, Math.max(props.start, at)), props.end))
}

function drag(e: PointerEvent, m: Mark, which: 'from' | 'to' | 'both') {
  const svg = (e.currentTarget as SVGElement).ownerSVGElement
  if (!svg || props.still) return
  e.preventDefault()
  e.stopPropagation()
  ;(e.currentTarget as SVGElement).focus()
  const scale = svg.viewBox.baseVal.width / svg.getBoundingClientRect().width
  const first = e.clientX
  const perPixel = (props.end - props.start) / (props.right - props.left)
  held.value = true
  let last = m.d
  const go = (p: PointerEvent) => {
    const by = tidy((p.clientX - first) * scale * perPixel)
    last = moved(m.d, by, which, props.start, props.end)
    put(m.k, last, false)
  }
  const stop = () => {
    held.value = false
    window.removeEventListener('pointermove', go)
    window.removeEventListener('pointerup', stop)
    window.removeEventListener('pointercancel', stop)
    put(m.k, last, true)
  }
  window.addEventListener('pointermove', go)
  window.addEventListener('pointerup', stop)
  window.addEventListener('pointercancel', stop)
}

function key(e: KeyboardEvent, r: Row, m: Mark, which: 'from' | 'to' | 'both') {
  if (props.still) return
  const by = { ArrowRight: STEP, ArrowLeft: -STEP }[e.key]
  const amount = { ArrowUp: 1, ArrowDown: -1 }[e.key]
  if (by) put(m.k, moved(m.d, by * (e.shiftKey ? 6 : 1), which, props.start, props.end), true)
  else if (amount) put(m.k, more(m.d, r.l, amount), true)
  else if (e.key === 'Delete' || e.key === 'Backspace') put(m.k, null, true)
  else return
  e.preventDefault()
}

const flame = (x: number, y: number, kg: number) => {
  const s = Math.min(1.25, 0.7 + kg / 20)
  return `M${x} ${y - 13 * s} c${7 * s} ${8 * s} ${9 * s} ${11 * s} ${9 * s} ${15 * s} a${9 * s} ${9 * s} 0 0 1 ${-18 * s} 0 c0 ${-4 * s} ${2 * s} ${-7 * s} ${9 * s} ${-15 * s} z`
}
const wicks = (m: Mark, y: number) => {
  const n = Math.min(24, m.d.amount ?? 1)
  const step = Math.min(7, (m.to - m.from - 16) / n)
  return Array.from({ length: n }, (_, i) => `M${m.from + 12 + i * step} ${y + 6} v-10`).join('')
}
const when = (iso: string) => Math.round(Date.parse(iso) / 1000)
</script>

<template>
  <g class="rail">
    <g v-for="r in rows" :key="r.l.key" class="lane">
      <path class="track" :d="`M${left} ${r.y} H${right}`" />
      <rect
        v-if="r.l.offer?.kind === 'LOAD' && !still"
        class="touch"
        :x="left"
        :y="r.y - lane / 2"
        :width="right - left"
        :height="lane"
        @click="lay($event, r)"
      />
      <rect
        v-for="(s, i) in r.ran"
        :key="i"
        class="ran"
        :x="s.x"
        :y="r.y - 6"
        :width="s.w"
        height="12"
      />
      <template v-for="(g, i) in r.ghosts" :key="`g${i}`">
        <path v-if="lasts(g.d)" class="ghost" :d="`M${g.from} ${r.y} H${g.to}`" />
        <path v-else class="ghost mark" :d="flame(g.from, r.y, g.d.amount ?? 0)" />
      </template>
      <template v-for="m in r.marks" :key="m.k">
        <path
          v-if="lasts(m.d)"
          :class="['span', m.d.kind.toLowerCase()]"
          :d="`M${m.from} ${r.y} H${m.to}`"
          @touchstart.prevent
          @pointerdown="drag($event, m, 'both')"
        />
        <path v-if="r.l.part === 'FLAMES'" class="wick" :d="wicks(m, r.y)" />
        <g
          class="handle"
          :role="still ? undefined : 'slider'"
          :tabindex="still ? -1 : 0"
          :aria-label="`${markWord(m.d, r.l)}: begins`"
          :aria-valuemin="start"
          :aria-valuemax="end"
          :aria-valuenow="when(m.d.from)"
          :aria-valuetext="doingWord(m.d, r.l, zone)"
          @touchstart.prevent
          @pointerdown="drag($event, m, 'from')"
          @keydown="key($event, r, m, 'from')"
        >
          <circle class="hit" :cx="m.from" :cy="r.y" r="22" />
          <path v-if="m.d.kind === 'LOAD'" :d="flame(m.from, r.y, m.d.amount ?? 0)" />
          <path
            v-else-if="m.d.kind === 'DAMPER_SHUT'"
            :d="`M${m.from - 8} ${r.y - 8} h16 v5 h-16 z M${m.from - 8} ${r.y + 3} h16 v5 h-16 z`"
          />
          <path
            v-else-if="m.d.kind === 'BYPASS'"
            :d="`M${m.from} ${r.y - 10} l6 10 h-4 v9 h-4 v-9 h-4 z`"
          />
          <path v-else :d="`M${m.from - 7} ${r.y - 11} h9 l6 11 l-6 11 h-9 z`" />
        </g>
        <g
          v-if="lasts(m.d) && m.to < right - 2"
          class="handle"
          :role="still ? undefined : 'slider'"
          :tabindex="still ? -1 : 0"
          :aria-label="`${markWord(m.d, r.l)}: ends`"
          :aria-valuemin="start"
          :aria-valuemax="end"
          :aria-valuenow="when(m.d.to)"
          :aria-valuetext="doingWord(m.d, r.l, zone)"
          @touchstart.prevent
          @pointerdown="drag($event, m, 'to')"
          @keydown="key($event, r, m, 'to')"
        >
          <circle class="hit" :cx="m.to" :cy="r.y" r="18" />
          <path :d="`M${m.to + 7} ${r.y - 9} h-8 l-6 9 l6 9 h8 z`" />
        </g>
      </template>
      <text v-if="r.back" class="when" :x="r.first - 18" :y="r.y + 5" text-anchor="end">
        {{ r.word }} <tspan class="said">{{ r.said }}</tspan>
      </text>
      <text v-else class="when" :x="r.textAt" :y="narrow ? r.y - 4 : r.y + 5">
        {{ r.word }}
        <tspan class="said" :x="narrow ? r.textAt : undefined" :dy="narrow ? 17 : 0">
          {{ r.said }}
        </tspan>
      </text>
      <template v-if="!still && r.l.part === 'FIRE' && r.marks.length">
        <text
          v-if="r.spare.bypass"
          class="spare"
          role="button"
          tabindex="0"
          :x="right - 116"
          :y="r.y + 5"
          text-anchor="end"
          :aria-label="`${r.word}: bypass open at first`"
          @click="add(r.spare.bypass)"
          @keydown.enter.prevent="add(r.spare.bypass)"
          @keydown.space.prevent="add(r.spare.bypass)"
        >
          + bypass
        </text>
        <text
          v-if="r.spare.damper"
          class="spare"
          role="button"
          tabindex="0"
          :x="right - 26"
          :y="r.y + 5"
          text-anchor="end"
          :aria-label="`${r.word}: damper shut afterwards`"
          @click="add(r.spare.damper)"
          @keydown.enter.prevent="add(r.spare.damper)"
          @keydown.space.prevent="add(r.spare.damper)"
        >
          + damper
        </text>
      </template>
      <g
        v-if="!still && r.marks.length"
        class="away"
        role="button"
        tabindex="0"
        :aria-label="`${r.word}: not tonight`"
        @click="emit('change', cleared(doings, r.l), true)"
        @keydown.enter.prevent="emit('change', cleared(doings, r.l), true)"
        @keydown.space.prevent="emit('change', cleared(doings, r.l), true)"
      >
        <circle class="hit" :cx="right + 14" :cy="r.y" r="14" />
        <path :d="`M${right + 9} ${r.y - 5} l10 10 m0 -10 l-10 10`" />
      </g>
    </g>
  </g>
</template>

<style scoped>
.track {
  stroke: var(--line);
  stroke-dasharray: 2 5;
  fill: none;
}

.touch {
  fill: transparent;
  cursor: copy;
}

.ran {
  fill: var(--ember);
  fill-opacity: 0.4;
}

.hit {
  fill: transparent;
  stroke: none;
}

.span {
  stroke: var(--ink-soft);
  stroke-width: 7;
  stroke-opacity: 0.4;
  fill: none;
  cursor: grab;
}

.span.bypass,
.span.damper_shut {
  stroke-width: 3;
  stroke-dasharray: 4 4;
}

.span.stop {
  stroke-width: 10;
  stroke-dasharray: 1 5;
}

.ghost {
  fill: none;
  stroke: var(--ember);
  stroke-width: 2.5;
  stroke-dasharray: 3 5;
}

.wick {
  stroke: var(--ember);
  stroke-width: 2;
  fill: none;
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
  pointer-events: none;
}

.said {
  font-weight: 400;
}

.spare {
  fill: var(--ink-soft);
  font-size: 14px;
  cursor: pointer;
  text-decoration: underline;
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
  .spare,
  .away {
    display: none;
  }
}
</style>
