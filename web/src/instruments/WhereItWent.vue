<script setup lang="ts">
/** The ledger of both sides to one scale: what was spent early, came in time, was lost, is left. */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { energyOf } from '@/shared/units'

const props = defineProps<{ pair: Views['PairView']; first: string; second: string }>()
const W = 640
const parts = [
  { key: 'roomJoules', word: 'to the room' },
  { key: 'earlyJoules', word: 'spent early' },
  { key: 'deliveredJoules', word: 'in time' },
  { key: 'lostJoules', word: 'lost' },
] as const
const sides = computed(() =>
  [
    { word: props.first, side: props.pair.first },
    { word: props.second, side: props.pair.second },
  ].map((s) => {
    let x = 0
    const bars = parts.map((p) => {
      const value = Math.max(0, s.side[p.key])
      const bar = { ...p, value, x }
      x += value
      return bar
    })
    const kept = Math.max(0, s.side.chargedJoules + s.side.roomJoules - x)
    return {
      word: s.word,
      bars: [...bars, { key: 'left', word: 'still warmer than at noon', value: kept, x }],
      sum: x + kept,
    }
  }),
)
const most = computed(() => Math.max(1, ...sides.value.map((s) => s.sum)))
const scaled = (v: number) => (v / most.value) * W
</script>

<template>
  <div v-for="s in sides" :key="s.word" class="side">
    <strong>{{ s.word }}</strong>
    <svg :viewBox="`0 0 ${W} 26`" preserveAspectRatio="none" aria-hidden="true">
      <rect
        v-for="b in s.bars"
        :key="b.key"
        :class="b.key"
        :x="scaled(b.x)"
        y="2"
        :width="scaled(b.value)"
        height="22"
      />
    </svg>
    <p>
      <span v-for="b in s.bars.filter((b) => b.value > 3.6e4)" :key="b.key">
        <i :class="b.key" />{{ b.word }} {{ energyOf(b.value) }}
      </span>
    </p>
  </div>
</template>

<style scoped>
.side {
  margin-bottom: 0.6rem;
}

svg {
  width: 100%;
  height: 26px;
  display: block;
}

rect {
  stroke: var(--ink);
  stroke-width: 1;
}

.roomJoules {
  fill: var(--close);
  background: var(--close);
}

.earlyJoules {
  fill: var(--frost-wash);
  background: var(--frost-wash);
}

.deliveredJoules {
  fill: var(--ember);
  background: var(--ember);
}

.lostJoules {
  fill: var(--soil);
  background: var(--soil);
}

.left {
  fill: var(--sheet);
  background: var(--sheet);
}

p {
  margin: 0.15rem 0 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 1.2rem;
  color: var(--ink-soft);
}

i {
  display: inline-block;
  width: 12px;
  height: 12px;
  border: 1px solid var(--ink);
  margin-right: 0.35rem;
  vertical-align: -1px;
}
</style>
