<script setup lang="ts">
/**
 * A house to scale: end view with what leaves each face as an arrow as wide as its watts, ground
 * and gaps included, and the plan with its ends. A part is chosen by a click or by Enter.
 */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { degrees, lengthOf, mine, powerOf } from '@/shared/units'
import HeatArrow from './HeatArrow.vue'
import { behindWord } from '@/features/house/behind'
import { heatWays, wayWords, type Way } from './heatWays'

type Shape = Views['Shape']
const props = defineProps<{
  shape: Shape
  parts: Views['Part'][]
  losses: Views['LossView'][]
  selected: string
}>()
const emit = defineEmits<{ select: [name: string] }>()

const END = { x: 164, w: 190, ground: 296, h: 205 }
const PLAN = { x: 478, w: 150, y: 96, h: 170 }

const scale = computed(() =>
  Math.min(END.w / props.shape.widthMetres, END.h / props.shape.highMetres),
)
const box = computed(() => {
  const w = props.shape.widthMetres * scale.value
  return { x: END.x + (END.w - w) / 2, w }
})
const up = (m: number) => END.ground - m * scale.value

type Edge = { name: string; d: string; x: number; y: number; nx: number; ny: number }
const edges = computed<Edge[]>(() => {
  const { kind, lowMetres, highMetres } = props.shape
  const { x, w } = box.value
  const g = END.ground
  const low = up(lowMetres)
  const high = up(highMetres)
  const slope = (name: string, x1: number, y1: number, x2: number, y2: number): Edge => {
    const long = Math.hypot(x2 - x1, y2 - y1)
    return {
      name,
      d: `M${x1} ${y1} L${x2} ${y2}`,
      x: (x1 + x2) / 2,
      y: (y1 + y2) / 2,
      nx: (y2 - y1) / long,
      ny: -(x2 - x1) / long,
    }
  }
  const left = (name: string, top: number): Edge => ({
    name,
    d: `M${x} ${g} V${top}`,
    x,
    y: (g + top) / 2,
    nx: -1,
    ny: 0,
  })
  const right = (name: string, top: number): Edge => ({
    ...left(name, top),
    d: `M${x + w} ${g} V${top}`,
    x: x + w,
    nx: 1,
  })
  if (kind === 'GABLE')
    return [
      left('Front wall', low),
      slope('Front slope', x, low, x + w / 2, high),
      slope('Rear slope', x + w / 2, high, x + w, low),
      right('Rear wall', low),
    ]
  if (kind === 'ROOM')
    return [left('Front', high), slope('Ceiling', x, high, x + w, high), right('Back', high)]
  if (kind === 'LEAN_TO' || kind === 'FRAME')
    return [
      left('Front', low),
      slope(kind === 'FRAME' ? 'Light' : 'Roof', x, low, x + w, high),
      right('Back', high),
    ]
  const rx = w / 2
  const ry = g - high
  const half = (name: string, sweep: number): Edge => {
    const side = sweep ? -1 : 1
    return {
      name,
      d: `M${x + rx + side * rx} ${g} A${rx} ${ry} 0 0 ${sweep} ${x + rx} ${high}`,
      x: x + rx + side * rx * 0.72,
      y: g - ry * 0.69,
      nx: side * 0.76,
      ny: -0.65,
    }
  }
  return [half('Front half', 1), half('Rear half', 0)]
})
const outline = computed(() => {
  const { x, w } = box.value
  if (props.shape.kind === 'TUNNEL' || props.shape.kind === 'DOME')
    return `M${x} ${END.ground} A${w / 2} ${END.ground - up(props.shape.highMetres)} 0 0 1 ${x + w} ${END.ground} Z`
  return `${edges.value.map((e) => e.d).join(' ')} M${x} ${END.ground} H${x + w}`
})

const still = { watts: 0, convectionWatts: 0, longWaveWatts: 0, throughWatts: 0, dewWatts: 0 }
const ways = (name: string) => props.losses.find((l) => l.name === name) ?? still
const loss = (name: string) => ways(name).watts
const face = (name: string) => props.losses.find((l) => l.name === name)?.innerCelsius
const shown = computed(() => {
  const seen = new Set(props.losses.flatMap((l) => heatWays(l).map((w) => w.key)))
  return (Object.keys(wayWords) as Way[]).filter((k) => seen.has(k))
})
const most = computed(() => Math.max(1, ...props.losses.map((l) => l.watts)))
const wide = (w: number) => Math.max(1.5, (38 * Math.abs(w)) / most.value)
const known = computed(() => props.losses.length > 0)

/** Where the words beside an arrow begin. */
const besides = (e: { x: number; nx: number }) =>
  e.x + e.nx * 62 + (e.nx > 0.3 ? 4 : e.nx < -0.3 ? -4 : 0)

/** Words stand clear of arrow and plan: above it on the left, below on the right, else beyond its tip. */
const wordsAt = (e: { name: string; y: number; nx: number; ny: number }) => {
  const more = face(e.name) == null ? 0 : 17
  if (e.nx > 0.9) return e.y + wide(loss(e.name)) / 2 + 14
  return e.nx < -0.9
    ? e.y - wide(loss(e.name)) / 2 - 30 - more
    : e.y + e.ny * 72 - (e.ny < 0 ? more : 0)
}

const part = (name: string) => props.parts.find((p) => p.name === name)
const behind = (name: string) => behindWord(part(name))
/** Earth against the walls that are drawn, as high as it reaches up them, and on the roof. */
const banks = computed(() => {
  const { x, w } = box.value
  const high = props.shape.highMetres
  const list: { x: number; y: number; w: number; h: number }[] = []
  for (const e of edges.value) {
    const p = part(e.name)
    if (p?.earthMetres != null && Math.abs(e.nx) > 0.9) {
      const top = up(Math.min(high, 2 * p.earthMetres))
      list.push({ x: e.nx < 0 ? x - 60 : x + w, y: top, w: 60, h: END.ground - top })
    } else if (e.ny < -0.9 && (p?.wallMedium === 'soil' || p?.earthMetres != null)) {
      const thick = (p.wallMetres ?? 0.4) * scale.value
      list.push({ x, y: up(high) - thick, w, h: thick })
    }
  }
  return list
})
const word = (name: string) => `${name} ${powerOf(loss(name))}`

const plan = computed(() => {
  const s = props.shape
  const long = s.kind === 'DOME' ? s.widthMetres : s.lengthMetres
  const f = Math.min(PLAN.w / long, PLAN.h / s.widthMetres)
  const w = long * f
  const h = s.widthMetres * f
  return { x: PLAN.x + (PLAN.w - w) / 2, y: PLAN.y + (PLAN.h - h) / 2, w, h }
})
const ends = computed(() =>
  [
    { name: 'Left end', x: plan.value.x, nx: -1 },
    { name: 'Right end', x: plan.value.x + plan.value.w, nx: 1 },
  ].filter((e) => part(e.name)),
)
const rest = computed(() => {
  const drawn = new Set([...edges.value.map((e) => e.name), ...ends.value.map((e) => e.name)])
  return props.losses.filter((l) => !drawn.has(l.name) && l.name !== 'Foundation edge')
})
const ground = computed(() => loss('Foundation edge'))
</script>

<template>
  <div class="frame" role="region" aria-label="The house, wider than a phone" tabindex="0">
    <svg
      class="house"
      :class="{ alone: !known }"
      :viewBox="known ? `0 0 720 ${Math.max(420, 400 + rest.length * 24)}` : '60 60 400 330'"
      role="group"
      aria-label="The house to scale, with what leaves each part"
    >
      <defs>
        <pattern id="earth" width="14" height="14" patternUnits="userSpaceOnUse">
          <path d="M0 14 L14 0" stroke="var(--soil)" stroke-width="1.4" />
        </pattern>
        <pattern id="way-air" width="6" height="6" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" class="way-air" />
        </pattern>
        <pattern id="way-waves" width="10" height="6" patternUnits="userSpaceOnUse">
          <path d="M0 3 q2.5 -4 5 0 t5 0" class="way-line" />
        </pattern>
        <pattern id="way-through" width="9" height="5" patternUnits="userSpaceOnUse">
          <path d="M0 2.5 h5" class="way-line" />
        </pattern>
        <pattern id="way-dew" width="7" height="7" patternUnits="userSpaceOnUse">
          <circle cx="3.5" cy="3.5" r="1.6" class="way-dot" />
        </pattern>
      </defs>
      <rect x="20" :y="END.ground" width="420" height="34" fill="url(#earth)" />
      <path :d="`M20 ${END.ground} H440`" class="line" />
      <rect
        v-for="(b, i) in banks"
        :key="i"
        fill="url(#earth)"
        :x="b.x"
        :y="b.y"
        :width="b.w"
        :height="b.h"
      />
      <path :d="outline" class="inside" />

      <g
        v-for="e in edges"
        :key="e.name"
        class="part"
        :class="{ chosen: selected === e.name }"
        role="button"
        tabindex="0"
        :aria-label="word(e.name)"
        :aria-pressed="selected === e.name"
        @click="emit('select', e.name)"
        @keydown.enter.prevent="emit('select', e.name)"
        @keydown.space.prevent="emit('select', e.name)"
      >
        <path class="hit" :d="e.d" />
        <path
          class="skin"
          :class="{ twice: part(e.name)?.secondSkin, wall: part(e.name)?.looks === 'SHELTERED' }"
          :d="e.d"
        />
        <HeatArrow
          v-if="known"
          v-bind="{ x: e.x, y: e.y, nx: e.nx, ny: e.ny, long: 34 }"
          :wide="wide(loss(e.name))"
          :ways="ways(e.name)"
        />
        <text
          v-if="known"
          :x="besides(e)"
          :y="wordsAt(e)"
          :text-anchor="e.nx > 0.9 ? 'start' : e.nx < -0.9 ? 'end' : 'middle'"
        >
          {{ e.name }}
          <tspan v-if="Math.abs(e.nx) > 0.9" class="figure" :x="besides(e)" dy="18">
            {{ powerOf(loss(e.name)) }}
          </tspan>
          <tspan v-else class="figure" dx="5">{{ powerOf(loss(e.name)) }}</tspan>
          <tspan v-if="face(e.name) != null" class="face" :x="besides(e)" dy="17">
            {{ behind(e.name) || `inside face ${degrees(face(e.name)!, mine, 0)}` }}
          </tspan>
        </text>
      </g>
      <g v-if="ground" class="part still">
        <HeatArrow
          v-bind="{ x: box.x + box.w * 0.5, y: END.ground + 2, nx: 0, ny: 1, long: 14 }"
          :wide="wide(ground)"
          :ways="ways('Foundation edge')"
        />
        <text :x="box.x + box.w * 0.5 + wide(ground) / 2 + 16" :y="END.ground + 28">
          edge
          <tspan class="figure">{{ powerOf(ground) }}</tspan>
        </text>
      </g>
      <g class="size">
        <path
          :d="`M${box.x} ${END.ground + 60} h${box.w} m0 -5 v10 M${box.x} ${END.ground + 55} v10`"
        />
        <text :x="box.x + box.w / 2" :y="END.ground + 80" text-anchor="middle">
          {{ lengthOf(shape.widthMetres) }} wide, {{ lengthOf(shape.highMetres) }} high
        </text>
      </g>

      <rect
        v-if="shape.kind !== 'DOME'"
        class="plan"
        :x="plan.x"
        :y="plan.y"
        :width="plan.w"
        :height="plan.h"
      />
      <ellipse
        v-else
        class="plan"
        :cx="plan.x + plan.w / 2"
        :cy="plan.y + plan.h / 2"
        :rx="plan.w / 2"
        :ry="plan.h / 2"
      />
      <text
        class="plan-word"
        :x="plan.x + plan.w / 2"
        :y="plan.y + plan.h / 2 + 5"
        text-anchor="middle"
      >
        plan
      </text>
      <g
        v-for="e in ends"
        :key="e.name"
        class="part"
        :class="{ chosen: selected === e.name }"
        role="button"
        tabindex="0"
        :aria-label="word(e.name)"
        :aria-pressed="selected === e.name"
        @click="emit('select', e.name)"
        @keydown.enter.prevent="emit('select', e.name)"
        @keydown.space.prevent="emit('select', e.name)"
      >
        <path class="hit" :d="`M${e.x} ${plan.y} v${plan.h}`" />
        <path
          class="skin"
          :class="{ twice: part(e.name)?.secondSkin, wall: part(e.name)?.looks === 'SHELTERED' }"
          :d="`M${e.x} ${plan.y} v${plan.h}`"
        />
        <HeatArrow
          v-if="known"
          v-bind="{ x: e.x, y: plan.y + plan.h / 2, nx: e.nx, ny: 0, long: 12 }"
          :wide="wide(loss(e.name))"
          :ways="ways(e.name)"
        />
        <text :x="e.x" :y="plan.y - 26" text-anchor="middle">{{ e.name }}</text>
        <text v-if="known" :x="e.x" :y="plan.y - 9" text-anchor="middle" class="figure">
          {{ powerOf(loss(e.name)) }}
        </text>
      </g>
      <text
        v-if="shape.kind !== 'DOME'"
        class="size-word"
        :x="plan.x + plan.w / 2"
        :y="plan.y + plan.h + 20"
        text-anchor="middle"
      >
        {{ lengthOf(shape.lengthMetres) }} long
      </text>
      <g v-for="(k, i) in shown" :key="k" class="key">
        <rect :fill="`url(#way-${k})`" x="448" :y="316 + i * 22" width="44" height="13" />
        <rect class="rim" x="448" :y="316 + i * 22" width="44" height="13" />
        <text x="502" :y="327 + i * 22">{{ wayWords[k] }}</text>
      </g>
      <g v-for="(l, i) in rest" :key="l.name" class="through">
        <path
          :d="`M22 ${404 + i * 24} q8 -7 16 0 t16 0 t16 0`"
          :style="{ strokeWidth: String(Math.max(1.5, wide(l.watts) / 3)) }"
        />
        <text :x="84" :y="409 + i * 24">
          {{ l.name }}
          <tspan class="figure" dx="5">{{ powerOf(l.watts) }}</tspan>
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  overflow-x: auto;
  background: var(--sheet);
  border: 1px solid var(--line);
}

.house {
  display: block;
  width: 100%;
  min-width: 620px;
}

.house.alone {
  min-width: 0;
}

text {
  fill: var(--ink);
  font-size: 14px;
}

.figure {
  font-weight: 600;
}

.line {
  stroke: var(--ink);
  stroke-width: 1.5;
}

.inside {
  fill: var(--paper);
  stroke: none;
}

.part {
  cursor: pointer;
}

.part.still {
  cursor: default;
}

.hit {
  stroke: transparent;
  stroke-width: 26;
  fill: none;
}

.skin {
  stroke: var(--ink);
  stroke-width: 3;
  fill: none;
}

.skin.twice {
  stroke-width: 8;
  stroke-dasharray: 2 3;
}

.skin.wall {
  stroke: var(--soil);
  stroke-width: 11;
}

.chosen .skin {
  stroke: var(--ember);
}

.way-air {
  fill: var(--ember);
}

.way-line {
  fill: none;
  stroke: var(--ember);
  stroke-width: 1.6;
}

.way-dot {
  fill: var(--ember);
}

.key text,
.face {
  fill: var(--ink-soft);
  font-size: 13px;
}

.key .rim {
  fill: none;
  stroke: var(--ember);
}

.part text {
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}

.plan {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2;
}

.plan-word,
.size-word,
.size text {
  fill: var(--ink-soft);
}

.size path {
  stroke: var(--ink-soft);
  fill: none;
}

.through path {
  stroke: var(--frost);
  fill: none;
}
</style>
