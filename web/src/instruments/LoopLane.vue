<script setup lang="ts">
/**
 * A stream through time: which way its heat went, as blocks above the line for what it brought and
 * below it for what it carried off, as high as their mean power; turns marked with their hour.
 */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { clock, day, energyOf, powerOf } from '@/shared/units'

const props = defineProps<{ loop: Views['LoopView']; zone: string }>()
const W = 640
const H = 170
const left = 20
const right = 20
const middle = H / 2
const spells = computed(() => props.loop.spells)
const from = computed(() => spells.value[0].from)
const to = computed(() => Math.max(from.value + 60, spells.value[spells.value.length - 1].to))
const x = (t: number) => left + ((t - from.value) / (to.value - from.value)) * (W - left - right)
const power = (s: { joules: number; from: number; to: number }) =>
  s.joules / Math.max(60, s.to - s.from)
const most = computed(() => Math.max(1, ...spells.value.map((s) => Math.abs(power(s)))))
const high = (s: (typeof spells.value)[number]) => (Math.abs(power(s)) / most.value) * 52
const wide = (s: (typeof spells.value)[number]) => x(s.to) - x(s.from)
const told = computed(() =>
  spells.value
    .filter((s) => s.direction !== 'STILL')
    .map(
      (s) =>
        `${s.direction === 'CHARGING' ? 'brought' : 'carried off'} ${energyOf(Math.abs(s.joules))} from ${clock(s.from, props.zone)} to ${clock(s.to, props.zone)}`,
    )
    .join(', '),
)
</script>

<template>
  <div class="wide-drawing lane-sheet">
    <svg class="lane" :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`The stream ${told}`">
      <defs>
        <pattern id="carried" width="7" height="7" patternUnits="userSpaceOnUse">
          <path d="M0 7 L7 0" class="hatch" />
        </pattern>
      </defs>
      <text class="soft" :x="left" y="14">brought</text>
      <text class="soft" :x="left" :y="H - 6">carried off</text>
      <g v-for="s in spells" :key="s.from">
        <template v-if="s.direction !== 'STILL'">
          <rect
            :class="s.direction.toLowerCase()"
            :x="x(s.from)"
            :width="Math.max(2, wide(s))"
            :y="s.direction === 'CHARGING' ? middle - high(s) : middle"
            :height="high(s)"
          />
          <text
            v-if="wide(s) > 90"
            :x="x(s.from) + wide(s) / 2"
            :y="s.direction === 'CHARGING' ? middle + 18 : middle - 8"
            text-anchor="middle"
          >
            {{ energyOf(Math.abs(s.joules)) }}, {{ powerOf(Math.abs(power(s))) }}
          </text>
        </template>
      </g>
      <path class="line" :d="`M${left} ${middle} H${W - right}`" />
      <g v-if="loop.turnedAt != null && loop.turnedAt >= from && loop.turnedAt <= to">
        <path class="turn" :d="`M${x(loop.turnedAt)} 24 V${H - 24}`" />
        <text
          class="turn-word"
          :x="x(loop.turnedAt) + (x(loop.turnedAt) > W * 0.7 ? -8 : 8)"
          y="32"
          :text-anchor="x(loop.turnedAt) > W * 0.7 ? 'end' : 'start'"
        >
          turned {{ day(loop.turnedAt, zone) }} {{ clock(loop.turnedAt, zone) }}
        </text>
      </g>
      <text class="soft" :x="W - right" :y="H - 6" text-anchor="end">
        {{ day(from, zone) }} {{ clock(from, zone) }} to {{ day(to, zone) }} {{ clock(to, zone) }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.lane-sheet {
  max-width: 52rem;
}

.lane {
  min-width: 560px;
}

.charging {
  fill: var(--ember);
}

.drawing {
  fill: url('#carried');
  stroke: var(--frost);
  stroke-width: 2;
}

.hatch {
  stroke: var(--frost);
  stroke-width: 2;
}

.line {
  stroke: var(--ink-soft);
  stroke-width: 2;
}

.turn {
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 5 4;
}

.turn-word {
  font-weight: 600;
}
</style>
