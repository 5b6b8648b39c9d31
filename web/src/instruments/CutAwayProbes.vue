<script setup lang="ts">
/** Thermometers of a store that is cut open: taken by the finger or by arrow keys to where they sit. */
import { computed } from 'vue'
import type { Probe } from '@/features/store/designs'
import type { Views } from '@/shared/api/client'
import { degrees, type Temperature } from '@/shared/units'
import type { Box } from './cutAwayShapes'
import { drag } from './drag'

const props = defineProps<{
  probes: Probe[]
  latest: Views['Latest'][]
  box: Box
  /** Right edge of the drawing. */
  right: number
  narrow: boolean
  selected: string
  units: Temperature
  editable: boolean
}>()
const emit = defineEmits<{
  select: [what: string]
  place: [probeId: string, radiusFraction: number, heightFraction: number]
}>()

const celsiusOf = (p: Probe) => props.latest.find((l) => l.probeId === p.id)?.celsius
const inside = computed(() => props.probes.filter((p) => p.kind === 'STORE'))
const marks = computed(() => {
  const b = props.box
  const spots = inside.value.map((p) => ({
    p,
    x: b.cx + (p.radiusFraction * b.w) / 2,
    y: b.y + b.h * (1 - p.heightFraction),
  }))
  const sorted = [...spots].sort((a, c) => a.y - c.y || a.x - c.x)
  let last = -99
  return sorted.map((m) => {
    const labelY = Math.max(m.y, last + 21)
    last = labelY
    return { ...m, labelY, labelX: b.x + b.w + b.side + (props.narrow ? 10 : 22) }
  })
})
const airs = computed(() => props.probes.filter((p) => p.kind !== 'STORE'))

const within = (v: number) => Math.min(1, Math.max(0, Math.round(v * 100) / 100))
function dragProbe(e: PointerEvent, p: Probe) {
  emit('select', `probe:${p.id}`)
  if (!props.editable) return
  const b = props.box
  drag(e, (at) =>
    emit(
      'place',
      p.id,
      within(Math.abs(at.x - b.cx) / (b.w / 2)),
      within((b.y + b.h - at.y) / b.h),
    ),
  )
}

function stepProbe(e: KeyboardEvent, p: Probe) {
  if (e.key === 'Enter' || e.key === ' ') emit('select', `probe:${p.id}`)
  const by = (
    {
      ArrowRight: [0.02, 0],
      ArrowLeft: [-0.02, 0],
      ArrowUp: [0, 0.02],
      ArrowDown: [0, -0.02],
    } as Record<string, number[]>
  )[e.key]
  if (!by || !props.editable) return
  e.preventDefault()
  emit('place', p.id, within(p.radiusFraction + by[0]), within(p.heightFraction + by[1]))
}
</script>

<template>
  <g>
    <g
      v-for="m in marks"
      :key="m.p.id"
      class="probe"
      :class="{ chosen: selected === `probe:${m.p.id}` }"
      role="button"
      tabindex="0"
      :aria-label="`Probe ${m.p.name}${celsiusOf(m.p) === undefined ? '' : ', ' + degrees(celsiusOf(m.p)!, units)}`"
      @touchstart.prevent
      @pointerdown="dragProbe($event, m.p)"
      @keydown="stepProbe($event, m.p)"
    >
      <path :d="`M${m.x} ${m.y} L${m.labelX - 6} ${m.labelY}`" />
      <circle :cx="m.x" :cy="m.y" r="22" class="hit" />
      <circle :cx="m.x" :cy="m.y" r="5.5" />
      <text :x="m.labelX" :y="m.labelY + 5">
        {{ m.p.name }}
        <tspan v-if="celsiusOf(m.p) !== undefined" class="figure" dx="7">
          {{ degrees(celsiusOf(m.p)!, units) }}
        </tspan>
      </text>
    </g>
    <g v-for="(p, i) in airs" :key="p.id" class="probe air">
      <text :x="right - 12" :y="(narrow ? 66 : 24) + i * 20" text-anchor="end">
        {{ p.name }}
        <tspan v-if="celsiusOf(p) !== undefined" class="figure" dx="7">
          {{ degrees(celsiusOf(p)!, units) }}
        </tspan>
      </text>
    </g>
  </g>
</template>

<style scoped>
text {
  fill: var(--ink);
  font-size: 15px;
}

.probe {
  cursor: grab;
}

.probe circle {
  fill: var(--sheet);
  stroke: var(--probe);
  stroke-width: 2.5;
}

.probe .hit {
  fill: transparent;
  stroke: none;
}

.probe path {
  stroke: var(--probe);
  stroke-width: 1;
}

.probe.chosen circle:not(.hit) {
  fill: var(--ember);
}

.probe .figure {
  font-weight: 600;
}
</style>
