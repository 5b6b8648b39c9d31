<script setup lang="ts">
/** The house's floor from above, to scale, with the bodies that would stand in it. */
import { computed } from 'vue'
import { placed } from './floorPlan'

const props = defineProps<{
  floor: { length: number; width: number }
  body: { length: number; width: number; round: boolean }
  count: number
  fill: string
  label: string
}>()
const W = 300
const pad = 8
const scale = computed(() => (W - 2 * pad) / props.floor.length)
const H = computed(() => props.floor.width * scale.value + 2 * pad + 6)
const bodies = computed(() => placed(props.floor, props.body, props.count))
</script>

<template>
  <svg class="plan" :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="label">
    <rect
      class="floor"
      :x="pad"
      :y="pad"
      :width="floor.length * scale"
      :height="floor.width * scale"
    />
    <path class="wall" :d="`M${pad} ${pad} H${W - pad}`" />
    <template v-for="(b, i) in bodies" :key="i">
      <ellipse
        v-if="b.round"
        :cx="pad + (b.x + b.w / 2) * scale"
        :cy="pad + (b.y + b.d / 2) * scale"
        :rx="(b.w / 2) * scale"
        :ry="(b.d / 2) * scale"
        :fill="fill"
      />
      <rect
        v-else
        :x="pad + b.x * scale"
        :y="pad + b.y * scale"
        :width="b.w * scale"
        :height="b.d * scale"
        :fill="fill"
      />
    </template>
  </svg>
</template>

<style scoped>
.plan {
  width: 100%;
  display: block;
}

.floor {
  fill: var(--sheet);
  stroke: var(--line);
}

.wall {
  stroke: var(--ink);
  stroke-width: 4;
}

ellipse,
rect:not(.floor) {
  stroke: var(--ink);
  stroke-width: 1;
}
</style>
