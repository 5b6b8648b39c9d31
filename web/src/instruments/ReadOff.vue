<script setup lang="ts">
/**
 * Reads a drawing off at one of its moments: by finger, by pointer, or by arrow keys. Lies within the
 * drawing's svg, over what it reads.
 */
import { computed, ref } from 'vue'

const props = defineProps<{
  /** What it is a drawing of. */
  name: string
  /** Where the moments lie, from left to right. */
  xs: number[]
  top: number
  bottom: number
  /** What is read at a moment, a line each; the first says when. */
  words: (i: number) => string[]
}>()
const LINE = 17
const FAR = 10 // moments at once, with Shift
const at = ref<number | null>(null)
const catching = ref<SVGRectElement | null>(null)

const last = computed(() => props.xs.length - 1)
const first = computed(() => props.xs[0] ?? 0)
const wide = computed(() => Math.max(0, (props.xs[last.value] ?? 0) - first.value))
const shown = computed(() => {
  if (at.value == null || at.value > last.value) return null
  const x = props.xs[at.value]
  const over = x > first.value + wide.value / 2
  return { x, words: props.words(at.value), over }
})

function look(e: PointerEvent) {
  const r = catching.value!.getBoundingClientRect()
  const x = first.value + ((e.clientX - r.left) / Math.max(1, r.width)) * wide.value
  let best = 0
  for (let i = 1; i <= last.value; i++)
    if (Math.abs(props.xs[i] - x) < Math.abs(props.xs[best] - x)) best = i
  at.value = best
}
function key(e: KeyboardEvent) {
  const by = e.shiftKey ? FAR : 1
  const now = at.value ?? 0
  if (e.key === 'ArrowRight' || e.key === 'ArrowUp') at.value = Math.min(last.value, now + by)
  else if (e.key === 'ArrowLeft' || e.key === 'ArrowDown') at.value = Math.max(0, now - by)
  else if (e.key === 'Home') at.value = 0
  else if (e.key === 'End') at.value = last.value
  else if (e.key === 'Escape') at.value = null
  else return
  e.preventDefault()
}
</script>

<template>
  <g class="read-off no-print">
    <g v-if="shown" class="shown">
      <path :d="`M${shown.x} ${top} V${bottom}`" />
      <text
        v-for="(w, i) in shown.words"
        :key="i"
        :x="shown.x + (shown.over ? -8 : 8)"
        :y="top + 14 + i * LINE"
        :text-anchor="shown.over ? 'end' : 'start'"
      >
        {{ w }}
      </text>
    </g>
    <rect
      ref="catching"
      :x="first"
      :y="top"
      :width="wide"
      :height="Math.max(0, bottom - top)"
      tabindex="0"
      role="slider"
      :aria-label="`Read off ${name}`"
      aria-valuemin="0"
      :aria-valuemax="last"
      :aria-valuenow="at ?? 0"
      :aria-valuetext="words(Math.min(at ?? 0, last)).join(', ')"
      @keydown="key"
      @focus="at ??= 0"
      @blur="at = null"
      @pointermove="look"
      @pointerdown="look"
      @pointerleave="at = null"
    />
  </g>
</template>

<style scoped>
rect {
  fill: transparent;
  cursor: crosshair;
  touch-action: pan-y;
}

rect:focus-visible {
  outline: 3px solid var(--focus);
}

path {
  stroke: var(--ink-soft);
  stroke-width: 1.5;
}

text {
  font-size: 14px;
  font-weight: 600;
  fill: var(--ink);
  stroke: var(--sheet);
  stroke-width: 5px;
  paint-order: stroke;
}
</style>
