<script setup lang="ts">
/** A day from noon to noon: when nobody is woken for what can wait, and the alarms of the last day on it. */
import { computed } from 'vue'

const props = defineProps<{ from: string; to: string; marks: { hour: number; word: string }[] }>()
const W = 480
const minutes = (t: string) => {
  const [h, m] = t.split(':').map(Number)
  return (((h * 60 + m - 720) % 1440) + 1440) % 1440
}
const x = (m: number) => (m / 1440) * W
const spans = computed(() => {
  const a = minutes(props.from)
  const b = minutes(props.to)
  if (a === b || Number.isNaN(a + b)) return []
  return a < b
    ? [[a, b]]
    : [
        [0, b],
        [a, 1440],
      ]
})
const hours = [12, 18, 0, 6]
</script>

<template>
  <svg
    class="band"
    viewBox="-2 -24 484 76"
    role="img"
    :aria-label="`Quiet from ${from} to ${to}${marks.length ? `; alarms: ${marks.map((m) => m.word).join(', ')}` : ''}`"
  >
    <rect width="480" height="26" class="day" />
    <rect v-for="[a, b] in spans" :key="a" :x="x(a)" :width="x(b - a)" height="26" class="quiet" />
    <text v-for="[a, b] in spans" :key="`t${a}`" :x="x((a + b) / 2)" y="18" class="word">
      quiet
    </text>
    <g v-for="h in hours" :key="h">
      <line :x1="x(minutes(`${h}:00`))" :x2="x(minutes(`${h}:00`))" y1="26" y2="32" class="tick" />
      <text :x="x(minutes(`${h}:00`))" y="48" :class="['hour', { first: h === 12 }]">
        {{ String(h).padStart(2, '0') }}:00
      </text>
    </g>
    <g v-for="(m, i) in marks" :key="`m${i}`">
      <path
        :d="`M${x(minutes(`${Math.floor(m.hour)}:${Math.round((m.hour % 1) * 60)}`))} -2 l-7 -14 h14 z`"
        class="mark"
      />
    </g>
  </svg>
</template>

<style scoped>
.band {
  width: 100%;
  max-width: 560px;
  margin-bottom: 0.75rem;
  overflow: visible;
}

.day {
  fill: var(--sheet);
  stroke: var(--line);
}

.quiet {
  fill: var(--frost);
  opacity: 0.35;
}

.word,
.hour {
  text-anchor: middle;
  fill: var(--ink);
  font-size: 16px;
}

.hour.first {
  text-anchor: start;
}

.tick {
  stroke: var(--line);
}

.mark {
  fill: var(--ember);
}
</style>
