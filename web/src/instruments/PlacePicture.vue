<script setup lang="ts">
/**
 * A place as one drawing: the house along its length, stores to scale where they stand and as full
 * as last read, circuits above with the way that heat goes, sources below. Anything is chosen by a
 * touch or by Enter; a source, a circuit or a heat pump is dragged onto what it should reach.
 */
import { useWidth } from '@/shared/useWidth'
import { computed, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { joined, type Body, type Target } from '@/features/part/joins'
import { controlShort, type Part } from '@/features/part/parts'
import { heatColour } from '@/shared/heat'
import { energyOf, powerOf } from '@/shared/units'
import PartGlyph from './PartGlyph.vue'
import { isCircuit, picture, type DrawnStore, type Joint } from './placePicture'

const props = defineProps<{
  house: Views['HouseView'] | null
  stores: Views['StoreView'][]
  parts: Part[]
  bodies: Body[]
  night: Views['TonightView'] | null
  selected: string
  still: boolean
}>()
const emit = defineEmits<{ select: [id: string]; join: [part: Part, to: Target] }>()

const root = ref<HTMLElement | null>(null)
const width = useWidth(root, 1000, 720)

const p = computed(() => picture(props.house, props.stores, props.parts, width.value))
const runs = computed(() => new Map(props.night?.parts.map((r) => [r.id, r]) ?? []))
const fullness = (s: Views['StoreView']) =>
  s.now.usableJoules == null
    ? 0
    : Math.min(1, s.now.usableJoules / Math.max(1, s.appraisal.usableJoules))
const fill = (s: Views['StoreView']) =>
  s.now.meanCelsius == null ? 'var(--line-soft)' : heatColour(s.now.meanCelsius, 90)
const wattsNow = (id: string) => runs.value.get(id)?.watts[1] ?? 0
/** What it does now, else what it does tonight. */
function does(part: Part): string {
  const r = runs.value.get(part.id)
  if (!r) return ''
  if (wattsNow(part.id) > 0.5) return `${powerOf(wattsNow(part.id))} now`
  return r.heatJoules > 1000 ? `${energyOf(r.heatJoules)} tonight` : 'off tonight'
}
/** Whether heat goes along a joint tonight, and whether it comes from its far end. */
function flow(j: Joint): 'from' | 'to' | 'none' {
  const r = runs.value.get(j.part)
  if (!r || r.heatJoules < 1000) return 'none'
  if (!r.endsJoules.length) return 'to'
  const ends = r.endsJoules[j.end] ?? 0
  return Math.abs(ends) < 1000 ? 'none' : ends > 0 ? 'from' : 'to'
}
const label = (part: Part) => [part.name, controlShort(part.design), does(part)].filter(Boolean)
const short = (name: string, most: number) =>
  name.length > most ? `${name.slice(0, most - 1)}…` : name

const drag = ref<{ part: Part; x: number; y: number; far: boolean } | null>(null)
const targets = computed<Target[]>(() => {
  const d = drag.value?.part.design
  if (!d) return []
  const all: Target[] = [
    ...props.stores.map((s) => ({ to: 'STORE' as const, id: s.id })),
    ...props.parts
      .filter((c) => c.design.kind === 'CIRCUIT' && c.design.ends.some((e) => e.kind === 'BOILER'))
      .map((c) => ({ to: 'CIRCUIT' as const, id: c.id })),
    { to: 'HOUSE' as const, id: null },
  ]
  return all.filter((t) => joined(d, t, props.bodies))
})
const open = (id: string | null) => !!drag.value?.far && targets.value.some((t) => t.id === id)

function place(e: PointerEvent) {
  const box = (e.currentTarget as Element).closest('svg')!.getBoundingClientRect()
  return { x: ((e.clientX - box.left) / box.width) * p.value.width, y: e.clientY - box.top }
}
function begin(e: PointerEvent, part: Part) {
  if (props.still) return
  drag.value = { part, ...place(e), far: false }
  ;(e.currentTarget as Element).setPointerCapture(e.pointerId)
}
function move(e: PointerEvent) {
  if (!drag.value) return
  const to = place(e)
  const far = drag.value.far || Math.hypot(to.x - drag.value.x, to.y - drag.value.y) > 8
  drag.value = far ? { ...drag.value, ...to, far } : drag.value
}
function end(part: Part) {
  const d = drag.value
  drag.value = null
  if (!d?.far) return emit('select', part.id)
  const t = under(d.x, d.y)
  if (t) emit('join', part, t)
}
const within = (s: { x: number; y: number; w: number; h: number }, x: number, y: number) =>
  x > s.x - 8 && x < s.x + s.w + 8 && y > s.y - 8 && y < s.y + s.h + 8
function under(x: number, y: number): Target | null {
  const s = p.value.stores.find((b) => within(b, x, y))
  if (s) return { to: 'STORE', id: s.store.id }
  const node = p.value.parts.find((n) => Math.hypot(n.x - x, n.y - y) < 24)
  if (node) return { to: 'CIRCUIT', id: node.part.id }
  return p.value.house && within(p.value.house, x, y) ? { to: 'HOUSE', id: null } : null
}
const names = computed(() => {
  // names of narrow neighbours stand on two lines
  const all: { s: DrawnStore; y: number }[] = []
  p.value.stores.forEach((s, i) => {
    const before = p.value.stores[i - 1]
    const close = before && s.x + s.w / 2 - (before.x + before.w / 2) < 120
    all.push({ s, y: close && all[i - 1].y === 0 ? 1 : 0 })
  })
  return all
})
const nameY = (s: DrawnStore, row: number) =>
  (s.y >= p.value.ground ? s.y + s.h / 2 : s.y - 8) - row * 30
</script>

<template>
  <div ref="root" class="picture">
    <svg :viewBox="`0 0 ${p.width} ${p.height}`" :width="p.width" :height="p.height">
      <defs>
        <pattern id="soil-picture" width="16" height="10" patternUnits="userSpaceOnUse">
          <path d="M0 10 L8 2" stroke="var(--soil)" stroke-width="1" opacity="0.45" />
        </pattern>
        <marker id="heat-goes" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="7" orient="auto">
          <path d="M0 0 L8 4 L0 8 Z" fill="var(--ember)" />
        </marker>
      </defs>
      <rect x="0" :y="p.ground" :width="p.width" height="46" fill="url(#soil-picture)" />
      <path :d="`M0 ${p.ground} H${p.width}`" stroke="var(--ink)" stroke-width="1.5" />
      <g
        v-if="p.house && house"
        role="button"
        tabindex="0"
        :aria-label="house.name"
        :aria-pressed="selected === house.id"
        :class="['thing', { chosen: selected === house.id, open: open(null) }]"
        @click="emit('select', house.id)"
        @keydown.enter="emit('select', house.id)"
      >
        <rect :x="p.house.x" :y="p.house.y" :width="p.house.w" :height="p.house.h" class="house" />
        <path :d="`M${p.house.x} ${p.house.eave} h${p.house.w}`" class="bar" />
        <text :x="p.house.x + 10" :y="p.house.y + 20" class="name">{{ house.name }}</text>
      </g>
      <g v-for="j in p.joints" :key="j.key" :class="['joint', flow(j)]">
        <path :d="j.d" class="pipe" />
        <path
          v-if="flow(j) === 'to'"
          :d="`M${j.x} ${j.y + (j.d.endsWith(`V${j.y}`) && j.y < p.ground && j.fixture !== 'AIR' ? -14 : 14)} V${j.y}`"
          class="pipe"
          marker-end="url(#heat-goes)"
        />
        <circle v-if="flow(j) === 'from'" :cx="j.x" :cy="j.y" r="5" class="gives" />
        <PartGlyph v-if="j.fixture" :kind="j.fixture" :x="j.x" :y="j.y" />
      </g>
      <g
        v-for="{ s, y } in names"
        :key="s.store.id"
        role="button"
        tabindex="0"
        :aria-label="s.store.name"
        :aria-pressed="selected === s.store.id"
        :class="['thing', { chosen: selected === s.store.id, open: open(s.store.id) }]"
        @click="emit('select', s.store.id)"
        @keydown.enter="emit('select', s.store.id)"
      >
        <g v-for="(b, i) in s.bodies" :key="i">
          <rect :x="b.x" :y="b.y" :width="b.w" :height="b.h" class="body" />
          <rect
            :x="b.x"
            :y="b.y + b.h * (1 - fullness(s.store))"
            :width="b.w"
            :height="b.h * fullness(s.store)"
            :fill="fill(s.store)"
          />
          <rect :x="b.x" :y="b.y" :width="b.w" :height="b.h" class="edge" />
        </g>
        <text :x="s.x + s.w / 2" :y="nameY(s, y) - 15" class="name middle">
          {{ short(s.store.name, 18) }}
        </text>
        <text :x="s.x + s.w / 2" :y="nameY(s, y)" class="figure middle">
          {{ s.store.now.usableJoules == null ? 'not read' : energyOf(s.store.now.usableJoules) }}
        </text>
      </g>
      <g
        v-for="n in p.parts"
        :key="n.part.id"
        role="button"
        tabindex="0"
        :aria-label="label(n.part).join(', ')"
        :aria-pressed="selected === n.part.id"
        :class="[
          'thing',
          'part',
          {
            chosen: selected === n.part.id,
            runs: wattsNow(n.part.id) > 0.5,
            open: open(n.part.id),
          },
        ]"
        @touchstart.prevent
        @pointerdown="begin($event, n.part)"
        @pointermove="move"
        @pointerup="end(n.part)"
        @pointercancel="drag = null"
        @click="still && emit('select', n.part.id)"
        @keydown.enter="emit('select', n.part.id)"
      >
        <circle :cx="n.x" :cy="n.y" r="17" class="ground" />
        <circle :cx="n.x" :cy="n.y" r="17" class="node" />
        <PartGlyph :kind="n.part.design.kind" :x="n.x" :y="n.y" />
        <template v-if="isCircuit(n.part)">
          <text :x="n.x + 24" :y="n.y - 5" class="name">{{ short(n.part.name, 30) }}</text>
          <text :x="n.x + 24" :y="n.y + 17" class="small">
            {{ label(n.part).slice(1).join(', ') }}
          </text>
        </template>
        <template v-else>
          <text :x="n.x" :y="n.y + 33" class="name middle">{{ short(n.part.name, 26) }}</text>
          <text :x="n.x" :y="n.y + 49" class="small middle">
            {{ label(n.part).slice(1).join(', ') }}
          </text>
        </template>
      </g>
      <line
        v-if="drag?.far"
        :x1="p.parts.find((n) => n.part.id === drag!.part.id)?.x"
        :y1="p.parts.find((n) => n.part.id === drag!.part.id)?.y"
        :x2="drag.x"
        :y2="drag.y"
        class="leading"
      />
    </svg>
  </div>
</template>

<style scoped>
.picture {
  overflow-x: auto;
  background: var(--sheet);
  border: 1px solid var(--line);
}

svg {
  display: block;
  touch-action: pan-x pan-y;
}

.thing {
  cursor: pointer;
}

.part {
  touch-action: none;
}

.house {
  fill: var(--frost-wash);
  fill-opacity: 0.35;
  stroke: var(--ink);
  stroke-width: 1.5;
}

.bar {
  stroke: var(--line);
  fill: none;
}

.body {
  fill: var(--sheet);
}

.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}

.chosen .edge,
.chosen .house,
.chosen .node {
  stroke: var(--ember);
  stroke-width: 3;
}

.open .edge,
.open .house,
.open .node {
  stroke: var(--held);
  stroke-width: 4;
}

.name,
.figure,
.small {
  fill: var(--ink);
  font-size: 14px;
  stroke: var(--sheet);
  stroke-width: 4px;
  paint-order: stroke;
}

.name {
  font-weight: 600;
}

.small {
  fill: var(--ink-soft);
  font-size: 13px;
}

.middle {
  text-anchor: middle;
}

.pipe {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 2;
}

.none .pipe {
  stroke-dasharray: 3 4;
}

.from .pipe,
.to .pipe {
  stroke: var(--ember);
}

.gives {
  fill: var(--ember);
}

.ground {
  fill: var(--sheet);
}

.node {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}

.runs .node {
  fill: var(--ember);
  fill-opacity: 0.18;
}

.leading {
  stroke: var(--held);
  stroke-width: 3;
  stroke-dasharray: 6 4;
  pointer-events: none;
}
</style>
