<script setup lang="ts">
/** The rulers of a store that is cut open; their ends are pulled, or moved by arrow keys. */
import { computed } from 'vue'
import { lengthOf } from '@/shared/units'
import type { Box } from './cutAwayShapes'
import { drag } from './drag'

const props = defineProps<{
  box: Box
  /** Temperature of the drawing in a metre. */
  scale: number
  narrow: boolean
  editable: boolean
  width: number
  height: number
  round: boolean
  /** Lower edge of the drawing. */
  bottom: number
}>()
const emit = defineEmits<{
  /** While an end is pulled the scale stays. */
  hold: [held: boolean]
  resize: [dimension: 'width' | 'height', metres: number]
}>()
const ruler = computed(() => (props.narrow ? 14 : 26))

const cm = (m: number) => Math.min(20, Math.max(0.05, Math.round(m * 100) / 100))
function pull(e: PointerEvent, move: (at: { x: number; y: number }) => void) {
  if (!props.editable) return
  emit('hold', true)
  drag(e, move, () => emit('hold', false))
}
const dragWidth = (e: PointerEvent) =>
  pull(e, (at) => emit('resize', 'width', cm((2 * (at.x - props.box.cx)) / props.scale)))
const dragHeight = (e: PointerEvent) =>
  pull(e, (at) =>
    emit('resize', 'height', cm((props.box.ground - props.box.foot - at.y) / props.scale)),
  )

function step(e: KeyboardEvent, dimension: 'width' | 'height') {
  const by = { ArrowRight: 0.01, ArrowUp: 0.01, ArrowLeft: -0.01, ArrowDown: -0.01 }[e.key]
  if (!by || !props.editable) return
  e.preventDefault()
  emit('resize', dimension, cm(props[dimension] + by * (e.shiftKey ? 10 : 1)))
}
</script>

<template>
  <g class="size">
    <path
      :d="`M${box.x} ${bottom - 14} H${box.x + box.w} M${box.x} ${bottom - 20} v12 M${box.x + box.w} ${bottom - 20} v12`"
    />
    <text
      :x="narrow ? box.cx : box.x - 10"
      :y="bottom - (narrow ? 26 : 9)"
      :text-anchor="narrow ? 'middle' : 'end'"
    >
      {{ lengthOf(width) }} {{ round ? 'across' : 'wide' }}
    </text>
    <g
      v-if="editable"
      class="ring"
      role="slider"
      tabindex="0"
      aria-label="Width"
      :aria-valuenow="Math.round(width * 100)"
      :aria-valuetext="lengthOf(width)"
      aria-valuemin="5"
      aria-valuemax="2000"
      @touchstart.prevent
      @pointerdown="dragWidth"
      @keydown="step($event, 'width')"
    >
      <circle class="hit" :cx="box.x + box.w" :cy="bottom - 14" r="26" />
      <circle :cx="box.x + box.w" :cy="bottom - 14" r="9" />
    </g>
    <path :d="`M${ruler} ${box.y} V${box.y + box.h} m-6 0 h12 M${ruler - 6} ${box.y} h12`" />
    <text :x="narrow ? 12 : 38" :y="narrow ? box.y - 16 : box.y + 5">
      {{ lengthOf(height) }} high
    </text>
    <g
      v-if="editable"
      class="ring"
      role="slider"
      tabindex="0"
      aria-label="Height"
      :aria-valuenow="Math.round(height * 100)"
      :aria-valuetext="lengthOf(height)"
      aria-valuemin="5"
      aria-valuemax="2000"
      @touchstart.prevent
      @pointerdown="dragHeight"
      @keydown="step($event, 'height')"
    >
      <circle class="hit" :cx="ruler" :cy="box.y" r="26" />
      <circle :cx="ruler" :cy="box.y" r="9" />
    </g>
  </g>
</template>

<style scoped>
text {
  fill: var(--ink);
  font-size: 15px;
}

.size path {
  stroke: var(--ink-soft);
  fill: none;
}

.size circle {
  fill: var(--sheet);
  stroke: var(--ember);
  stroke-width: 3;
  cursor: grab;
}

.size .hit {
  fill: transparent;
  stroke: none;
}
</style>
