<script setup lang="ts">
/**
 * One task through the year: strokes where it was done, a bar from the last of them to when it is due,
 * as much of it filled as has passed. All lanes share one scale, with today at the same place.
 */
import { computed, ref } from 'vue'
import { useWidth } from '@/shared/useWidth'

const props = defineProps<{
  done: number[]
  due: number | null
  /** Whether when it is due is but reckoned from the pace so far. */
  guessed: boolean
  state: 'NOT_YET' | 'SOON' | 'DUE'
  now: number
  from: number
  to: number
  words: string
}>()
const H = 28
const MID = 14
const root = ref<SVGSVGElement | null>(null)
const W = useWidth(root, 520, 160)
const x = (ms: number) => {
  const at = (Math.min(props.to, Math.max(props.from, ms)) - props.from) / (props.to - props.from)
  return 4 + at * (W.value - 8)
}
const last = computed(() => props.done[0] ?? null)
const shown = computed(() => props.done.filter((d) => d >= props.from))
const bar = computed(() => {
  const a = x(last.value ?? props.from)
  const b = props.due == null ? x(props.now) : x(props.due)
  return { a: Math.min(a, b), b: Math.max(a, b) }
})
const filled = computed(() => ({ a: x(last.value ?? props.from), b: x(props.now) }))
const beyond = computed(() => props.due != null && props.due > props.to)
</script>

<template>
  <svg
    ref="root"
    class="lane"
    :class="state.toLowerCase()"
    :viewBox="`0 0 ${W} ${H}`"
    role="img"
    :aria-label="words"
  >
    <path class="rail" :d="`M${x(from)} ${MID} H${x(to)}`" />
    <path v-if="last || state === 'DUE'" class="passed" :d="`M${filled.a} ${MID} H${filled.b}`" />
    <path
      v-if="due != null && due > now"
      class="left"
      :class="{ guessed }"
      :d="`M${x(now)} ${MID} H${bar.b}`"
    />
    <path v-for="d in shown" :key="d" class="stroke" :d="`M${x(d)} ${MID - 9} v18`" />
    <path
      v-if="due != null && !beyond && due >= from"
      class="end"
      :class="{ guessed }"
      :d="`M${x(due)} ${MID - 7} v14`"
    />
    <path v-if="beyond" class="end" :d="`M${x(to) - 7} ${MID - 6} l7 6 l-7 6`" />
    <path class="today" :d="`M${x(now)} 0 V${H}`" />
  </svg>
</template>

<style scoped>
.lane {
  display: block;
  width: 100%;
  height: 28px;
}

path {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 2;
}

.rail {
  stroke: var(--line-soft);
}

.passed {
  stroke-width: 10;
  stroke: var(--line);
}

.due .passed {
  stroke: var(--close);
}

.left {
  stroke-width: 10;
  stroke: var(--line-soft);
}

.left.guessed,
.end.guessed {
  stroke-dasharray: 3 3;
}

.stroke {
  stroke: var(--ink);
  stroke-width: 3;
}

.today {
  stroke: var(--frost);
  stroke-width: 1.5;
}
</style>
