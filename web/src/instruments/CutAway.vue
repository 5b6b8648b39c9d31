<script setup lang="ts">
/**
 * A store cut through its narrow way, to scale: mass with its inner temperatures, layers in true
 * thickness, ground, source, probes, and what leaves each face as an arrow as wide as its watts.
 */
import { useWidth } from '@/shared/useWidth'
import { computed, ref } from 'vue'
import type { Design, FaceKey, Probe } from '@/features/store/designs'
import { heatColour } from '@/shared/heat'
import type { Views } from '@/shared/api/client'
import { degrees, powerOf, type Temperature } from '@/shared/units'
import CutAwayDefs from './CutAwayDefs.vue'
import EarthRound from './EarthRound.vue'
import CutAwayProbes from './CutAwayProbes.vue'
import CutAwaySize from './CutAwaySize.vue'
import {
  arrowPath,
  bandsOf,
  cellsOf,
  cutWidth,
  faces,
  pipesOf,
  rodPath,
  thicknessOf,
  fillsOf,
  zoneOf,
} from './cutAwayShapes'

const props = defineProps<{
  design: Design
  probes: Probe[]
  latest: Views['Latest'][]
  section: Views['Section'] | null
  losses: Views['FaceLoss'][]
  selected: string
  units: Temperature
  editable: boolean
  /** What lies in parts of it, in the order of its fills. */
  fillNames?: string[]
  /** Where a charge gets hottest, and the faces whose layers do not stand it. */
  hot?: { celsius: number; radiusFraction: number; heightFraction: number } | null
  scorched?: string[]
  /** Kept through a charge, so that colours mean the same at every moment. */
  scaleTo?: number
}>()
const emit = defineEmits<{
  select: [what: string]
  resize: [dimension: 'width' | 'height', metres: number]
  place: [probeId: string, radiusFraction: number, heightFraction: number]
}>()

const svg = ref<SVGSVGElement | null>(null)
const wide = useWidth(svg, 700)
const narrow = computed(() => wide.value < 560)
/** Room for the drawing; on a phone drawn larger, with less beside it. */
const view = computed(() =>
  narrow.value
    ? { w: 390, h: 346, cx: 158, beside: 226 }
    : { w: 700, h: 470, cx: 340, beside: 330 },
)
const HELD = ref<number | null>(null)

const width = computed(() => cutWidth(props.design))
const thickness = (face: FaceKey) => thicknessOf(props.design, face)

const scale = computed(() => {
  if (HELD.value) return HELD.value
  const w = width.value + 2 * thickness('side')
  const h = props.design.heightMetres + thickness('top') + thickness('foot')
  return Math.min(
    (view.value.w - view.value.beside) / Math.max(0.05, w),
    (view.value.h - (narrow.value ? 206 : 170)) / Math.max(0.05, h),
  )
})

const box = computed(() => {
  const s = scale.value
  const w = width.value * s
  const h = props.design.heightMetres * s
  const foot = thickness('foot') * s
  const ground = view.value.h - (narrow.value ? 90 : 74)
  const cx = view.value.cx
  return {
    x: cx - w / 2,
    y: ground - foot - h,
    w,
    h,
    cx,
    ground,
    foot,
    side: thickness('side') * s,
    top: thickness('top') * s,
  }
})

const hottest = computed(() => Math.max(60, props.scaleTo ?? 0, ...(props.section?.celsius ?? [])))

const cells = computed(() =>
  props.section ? cellsOf(props.section, box.value, hottest.value) : [],
)
const scaleSteps = computed(() => {
  const n = 40
  return Array.from({ length: n }, (_, i) => ({
    x: (i * 150) / n,
    fill: heatColour((hottest.value * (i + 0.5)) / n, hottest.value),
  }))
})

const bands = computed(() => bandsOf(props.design, box.value, scale.value))
const loss = (face: FaceKey) => props.losses.find((l) => l.face === face.toUpperCase())?.watts ?? 0
const most = computed(() => Math.max(1, loss('side'), loss('top'), loss('foot')))
const arrowWidth = (face: FaceKey) => Math.max(2, (44 * Math.max(0, loss(face))) / most.value)

const arrow = (face: FaceKey) => arrowPath(face, box.value, arrowWidth(face), narrow.value)
const zones = computed(() => zoneOf(props.design, box.value))
const fills = computed(() => fillsOf(props.design, box.value))
const pipes = computed(() => pipesOf(props.design, zones.value[0], box.value, scale.value))
const rod = computed(() =>
  zones.value.length === 1 && !pipes.value.length && !props.design.zone?.behind
    ? rodPath(zones.value[0], box.value.cx)
    : '',
)
const hotAt = computed(() => {
  const b = box.value
  const h = props.hot
  return h && { x: b.cx + (h.radiusFraction * b.w) / 2, y: b.y + b.h * (1 - h.heightFraction) }
})

const faceWord: Record<FaceKey, string> = { side: 'side', top: 'top', foot: 'foot' }
const nameOf = (face: FaceKey) =>
  `${faceWord[face]}: ${(props.design[face]?.layers ?? []).length ? '' : 'bare, '}${powerOf(loss(face))} when full`
const labelAt = (face: FaceKey) => {
  const b = box.value
  if (face === 'side')
    return {
      x: Math.max(48, b.x - b.side - 62),
      y: b.y + b.h / 2 + arrowWidth('side') / 2 + 34,
      anchor: 'middle',
    }
  if (face === 'top')
    return { x: b.cx + arrowWidth('top') / 2 + 16, y: b.y - b.top - 24, anchor: 'start' }
  return { x: b.cx + arrowWidth('foot') / 2 + 16, y: b.ground + 26, anchor: 'start' }
}
</script>

<template>
  <svg
    ref="svg"
    class="cut-away"
    :viewBox="`0 0 ${view.w} ${view.h}`"
    role="group"
    aria-label="The store cut open, to scale"
  >
    <CutAwayDefs />

    <EarthRound :place="design.place" :box="box" :width="view.w" :scale="scale" />

    <g v-for="f in faces" :key="`a${f}`" class="arrow">
      <path :d="arrow(f)" />
      <text v-bind="{ x: labelAt(f).x, y: labelAt(f).y, 'text-anchor': labelAt(f).anchor }">
        {{ narrow && f === 'side' ? '' : faceWord[f] }} {{ powerOf(loss(f)) }}
      </text>
    </g>

    <g
      class="mass"
      role="button"
      tabindex="0"
      aria-label="the mass"
      :aria-pressed="selected === 'mass'"
      @click="emit('select', 'mass')"
      @keydown.enter.prevent="emit('select', 'mass')"
      @keydown.space.prevent="emit('select', 'mass')"
    >
      <rect :x="box.x" :y="box.y" :width="box.w" :height="box.h" fill="url(#grain)" />
      <rect
        v-for="(c, i) in cells"
        :key="i"
        :x="c.x"
        :y="c.y"
        :width="c.w"
        :height="c.h"
        :fill="c.fill"
      />
      <rect
        class="edge"
        :class="{ chosen: selected === 'mass' }"
        :x="box.x"
        :y="box.y"
        :width="box.w"
        :height="box.h"
      />
    </g>

    <g v-for="(f, i) in fills" :key="`fill${i}`" class="fill">
      <rect
        :class="{ hollow: !design.fills![i].medium }"
        :x="f.x"
        :y="f.y"
        :width="f.w"
        :height="f.h"
      />
      <text :x="f.x + 8" :y="f.y + 18">{{ fillNames?.[i] }}</text>
    </g>
    <g
      v-if="zones.length"
      class="source"
      role="button"
      tabindex="0"
      aria-label="where heat enters"
      :aria-pressed="selected === 'source'"
      @click="emit('select', 'source')"
      @keydown.enter.prevent="emit('select', 'source')"
      @keydown.space.prevent="emit('select', 'source')"
    >
      <rect v-for="(z, i) in zones" :key="i" :x="z.x" :y="z.y" :width="z.w" :height="z.h" />
      <template v-if="rod">
        <path :d="rod" class="halo" />
        <path :d="rod" />
      </template>
    </g>
    <circle v-for="(p, i) in pipes" :key="`p${i}`" class="pipe" :cx="p.x" :cy="p.y" :r="p.r" />

    <rect
      v-for="band in bands"
      :key="band.key"
      class="band"
      role="presentation"
      :class="{ chosen: selected === band.face }"
      :x="band.x"
      :y="band.y"
      :width="band.w"
      :height="band.h"
      :fill="`url(#${band.kind})`"
      @click="emit('select', band.face)"
    />

    <template v-for="band in bands" :key="`h${band.key}`">
      <rect
        v-if="scorched?.includes(band.face.toUpperCase())"
        class="scorched"
        :x="band.x"
        :y="band.y"
        :width="band.w"
        :height="band.h"
      />
    </template>
    <g v-if="hotAt && hot" class="hot">
      <circle :cx="hotAt.x" :cy="hotAt.y" r="9" />
      <path :d="`M${hotAt.x - 15} ${hotAt.y} h30 M${hotAt.x} ${hotAt.y - 15} v30`" />
      <path :d="`M${hotAt.x - 7} ${hotAt.y - 7} L${box.x + 30} ${box.y + 28}`" />
      <text :x="box.x + 8" :y="box.y + 22">hottest {{ degrees(hot.celsius, units, 0) }}</text>
    </g>

    <g
      v-for="f in faces"
      :key="f"
      class="face"
      role="button"
      tabindex="0"
      :aria-label="nameOf(f)"
      :aria-pressed="selected === f"
      @click="emit('select', f)"
      @keydown.enter.prevent="emit('select', f)"
      @keydown.space.prevent="emit('select', f)"
    >
      <template v-if="f === 'side'">
        <rect
          :x="box.x - Math.max(12, box.side)"
          :y="box.y"
          :width="Math.max(12, box.side)"
          :height="box.h"
        />
        <rect :x="box.x + box.w" :y="box.y" :width="Math.max(12, box.side)" :height="box.h" />
      </template>
      <rect
        v-else-if="f === 'top'"
        :x="box.x"
        :y="box.y - Math.max(12, box.top)"
        :width="box.w"
        :height="Math.max(12, box.top)"
      />
      <rect v-else :x="box.x" :y="box.y + box.h" :width="box.w" :height="Math.max(12, box.foot)" />
    </g>

    <CutAwayProbes
      v-bind="{ probes, latest, box, narrow, selected, units, editable }"
      :right="view.w"
      @select="emit('select', $event)"
      @place="(id, radius, height) => emit('place', id, radius, height)"
    />
    <g
      v-if="section"
      class="scale"
      :transform="narrow ? `translate(${view.w - 164} 34)` : `translate(70 28)`"
    >
      <rect
        v-for="(t, i) in scaleSteps"
        :key="i"
        :x="t.x"
        y="0"
        width="4.4"
        height="9"
        :fill="t.fill"
      />
      <text x="-6" y="9" text-anchor="end">{{ degrees(0, units, 0) }}</text>
      <text x="150" y="-5" text-anchor="end">{{ degrees(hottest, units, 0) }}</text>
    </g>
    <CutAwaySize
      v-bind="{ box, scale, narrow, editable, width }"
      :height="design.heightMetres"
      :round="design.shape === 'CYLINDER'"
      :bottom="view.h"
      @hold="HELD = $event ? scale : null"
      @resize="(dimension, to) => emit('resize', dimension, to)"
    />
  </svg>
</template>

<style scoped>
.cut-away {
  width: 100%;
  background: var(--sheet);
  border: 1px solid var(--line);
  touch-action: pan-y;
}

text {
  fill: var(--ink);
  font-size: 15px;
}

.arrow path {
  fill: none;
  stroke: var(--ember);
  stroke-width: 2;
  stroke-linejoin: round;
}

.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}

.band {
  stroke: var(--ink);
  stroke-width: 1;
  cursor: pointer;
}

.chosen {
  stroke: var(--focus);
  stroke-width: 4;
}

.face {
  cursor: pointer;
}

.face rect {
  fill: transparent;
}

.face:hover rect {
  fill: var(--ember);
  fill-opacity: 0.25;
}

.face:focus-visible,
.mass:focus-visible,
.source:focus-visible {
  outline: none;
}

.face:focus-visible rect,
.mass:focus-visible .edge,
.source:focus-visible rect {
  stroke: var(--focus);
  stroke-width: 3;
}

.fill rect {
  fill: none;
  stroke: var(--paper);
  stroke-width: 2;
  pointer-events: none;
}

.fill rect.hollow {
  fill: var(--paper);
  fill-opacity: 0.55;
  stroke: var(--ink);
}

.fill text {
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
  font-size: 13px;
  pointer-events: none;
}

.source rect {
  fill: none;
  stroke: var(--paper);
  stroke-dasharray: 3 4;
  stroke-opacity: 0.6;
}

.source path {
  fill: none;
  stroke: #1d1713;
  stroke-width: 2.5;
  stroke-linejoin: round;
}

.source .halo {
  stroke: #fff6e6;
  stroke-width: 6;
}

.pipe {
  fill: var(--sheet);
  stroke: #1d1713;
  stroke-width: 2;
  pointer-events: none;
}

.scorched {
  fill: url(#scorched);
  pointer-events: none;
}

.hot {
  pointer-events: none;
}

.hot circle,
.hot path {
  fill: none;
  stroke: #1d1713;
  stroke-width: 2;
}

.hot text {
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
</style>
