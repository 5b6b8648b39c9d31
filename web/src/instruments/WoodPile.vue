<script setup lang="ts">
/**
 * The pile against the season: stacks laid end to end by what is left of them, the dry ones first, under
 * them what the season asks. Below, how each dries through the year towards what is fit to burn.
 */
import { computed, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { massOf, percent } from '@/shared/units'
import { useWidth } from '@/shared/useWidth'
import AsTable from './AsTable.vue'

const props = defineProps<{
  wood: Views['WoodView']
  now: number
  chosen: string
}>()
const emit = defineEmits<{ choose: [id: string] }>()
const root = ref<SVGSVGElement | null>(null)
const W = useWidth(root, 520, 300)
const left = 12
const PILE = 26 // y of its top
const HIGH = 56
const ASKED = PILE + HIGH + 30
const TOP = ASKED + 52 // of the year
const DEEP = 150
const H = TOP + DEEP + 30
const right = computed(() => W.value - 14)
const most = computed(() => {
  const there = props.wood.stacks.reduce((sum, s) => sum + s.kilograms, 0)
  return Math.max(100, there, (props.wood.asked?.high ?? 0) * 1.03)
})
const kg = (k: number) => left + (Math.min(k, most.value) / most.value) * (right.value - left)
const stacks = computed(() => {
  let at = 0
  return props.wood.stacks.map((s) => {
    const a = kg(at)
    at += s.kilograms
    return { s, a, b: kg(at), dry: s.moisture <= props.wood.dryEnough }
  })
})
/** Words only where they have room. */
const fits = (b: { a: number; b: number; s: { name: string } }) => b.b - b.a > b.s.name.length * 7.4

const YEAR = 365 * 86_400_000
const yearLeft = 44
const t = (ms: number) =>
  yearLeft + ((ms - (props.now - YEAR)) / (2 * YEAR)) * (right.value - yearLeft)
const WETTEST = 0.55
const y = (m: number) => TOP + (1 - Math.min(m, WETTEST) / WETTEST) * DEEP
const lines = computed(() =>
  props.wood.stacks
    .filter((s) => s.course.length > 1)
    .map((s) => ({
      s,
      x: t(Date.parse(s.course[0].at)),
      y: y(s.course[0].moisture),
      d: s.course
        .map((p, i) => `${i ? 'L' : 'M'}${t(Date.parse(p.at))} ${y(p.moisture)}`)
        .join(' '),
    })),
)
const LETTER = 6.2
/** Whether the left one's name ends before the other begins. */
const apart = (a: { x: number; s: { name: string } }, b: typeof a) =>
  Math.abs(a.x - b.x) > LETTER * (a.x < b.x ? a : b).s.name.length + 8
/** Names stand where their line begins, but not on each other. */
const named = computed(() => {
  const free: typeof lines.value = []
  for (const l of lines.value)
    if (free.every((f) => apart(f, l) || Math.abs(f.y - l.y) > 17)) free.push(l)
  return free
})
const months = computed(() => {
  const from = new Date(props.now - YEAR)
  return Array.from({ length: 9 }, (_, i) => {
    const d = new Date(Date.UTC(from.getUTCFullYear(), from.getUTCMonth() + 1 + i * 3, 1))
    return {
      at: d.getTime(),
      word: d.toLocaleDateString('en-GB', { month: 'short', timeZone: 'UTC' }),
    }
  }).filter((m) => m.at < props.now + YEAR)
})
const row = (i: number) => {
  const s = props.wood.stacks[i]
  return [
    s.name,
    massOf(s.kilograms),
    percent(s.moisture),
    s.ready?.slice(0, 10) ?? 'never as it lies',
  ]
}
</script>

<template>
  <svg
    ref="root"
    class="pile drawn-on"
    :viewBox="`0 0 ${W} ${H}`"
    role="group"
    aria-label="Stacks against what the season asks"
  >
    <g
      v-for="b in stacks"
      :key="b.s.id"
      class="stack"
      :class="{ dry: b.dry, chosen: b.s.id === chosen }"
      role="button"
      tabindex="0"
      :aria-label="`${b.s.name}: ${massOf(b.s.kilograms)}, ${percent(b.s.moisture)} water`"
      @click="emit('choose', b.s.id)"
      @keydown.enter.prevent="emit('choose', b.s.id)"
      @keydown.space.prevent="emit('choose', b.s.id)"
    >
      <rect :x="b.a" :y="PILE" :width="Math.max(2, b.b - b.a)" :height="HIGH" />
      <text v-if="fits(b)" :x="b.a + 8" :y="PILE + 24">{{ b.s.name }}</text>
      <text v-if="b.b - b.a > 76" class="soft" :x="b.a + 8" :y="PILE + 44">
        {{ massOf(b.s.kilograms) }}
      </text>
    </g>
    <text v-if="!wood.stacks.length" class="soft" :x="left" :y="PILE + 32">no stack yet</text>
    <path class="ground" :d="`M${left} ${PILE + HIGH} H${right}`" />
    <g v-if="wood.asked">
      <path class="doubt" :d="`M${kg(wood.asked.low)} ${ASKED} H${kg(wood.asked.high)}`" />
      <path class="asked" :d="`M${kg(0)} ${ASKED} H${kg(wood.asked.kilograms)}`" />
      <path class="asked" :d="`M${kg(wood.asked.kilograms)} ${ASKED - 12} v24`" />
      <text class="soft" :x="left" :y="ASKED + 24">
        the season asks {{ massOf(wood.asked.kilograms) }} more ({{ massOf(wood.asked.low) }} to
        {{ massOf(wood.asked.high) }})
      </text>
    </g>
    <text class="soft" :x="left" :y="PILE - 9">
      what is dry enough to burn stands first; dashed is too wet
    </text>

    <path class="fit" :d="`M${yearLeft} ${y(wood.dryEnough)} H${right} V${y(0)} H${yearLeft} Z`" />
    <template v-for="p in [0.1, 0.2, 0.3, 0.4, 0.5]" :key="p">
      <text class="soft" :x="yearLeft - 6" :y="y(p) + 5" text-anchor="end">{{ percent(p) }}</text>
      <path class="grid" :d="`M${yearLeft} ${y(p)} H${right}`" />
    </template>
    <text v-for="m in months" :key="m.at" class="soft" :x="t(m.at)" :y="H - 8" text-anchor="middle">
      {{ m.word }}
    </text>
    <path
      v-for="l in lines"
      :key="l.s.id"
      class="drying"
      :class="{ chosen: l.s.id === chosen }"
      :d="l.d"
    >
      <title>{{ l.s.name }}</title>
    </path>
    <text v-for="l in named" :key="`n${l.s.id}`" :x="l.x + 5" :y="l.y - 5">{{ l.s.name }}</text>
    <path class="today" :d="`M${t(now)} ${TOP} V${TOP + DEEP}`" />
    <text class="soft" :x="t(now) + 5" :y="TOP + DEEP - 6">today</text>
  </svg>
  <AsTable
    of="the stacks"
    :head="['stack', 'left', 'water in it', 'dry enough']"
    :count="wood.stacks.length"
    :row="row"
  />
</template>

<style scoped>
.stack rect {
  fill: var(--frost-wash);
  stroke: var(--ink-soft);
  stroke-dasharray: 4 4;
}

.stack.dry rect {
  fill: var(--line-soft);
  stroke: var(--ink);
  stroke-dasharray: none;
}

.stack {
  cursor: pointer;
}

.stack.chosen rect {
  stroke: var(--ember);
  stroke-width: 3;
}

.ground {
  stroke: var(--ink-soft);
}

.doubt {
  stroke: var(--ember);
  stroke-width: 14;
  stroke-opacity: 0.3;
}

.asked {
  stroke: var(--ember);
  stroke-width: 3;
}

.fit {
  fill: var(--line-soft);
  fill-opacity: 0.5;
}

.grid {
  stroke: var(--line-soft);
}

.drying {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.5;
}

.drying.chosen {
  stroke: var(--ember);
  stroke-width: 3;
}

.today {
  stroke: var(--frost);
  stroke-width: 1.5;
}
</style>
