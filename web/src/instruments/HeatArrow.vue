<script setup lang="ts">
/**
 * What leaves (or, reversed, enters) at a point: an arrow as wide as its watts, told apart along its
 * width by how the heat comes there: from the air, by long waves, straight through, by what
 * condenses. Textures carry the meaning, not colour.
 */
import { computed } from 'vue'
import { heatWays, type Ways } from './heatWays'

const props = defineProps<{
  x: number
  y: number
  nx: number
  ny: number
  wide: number
  long: number
  ways: Ways
}>()

const angle = computed(() => (Math.atan2(props.ny, props.nx) * 180) / Math.PI)
const reversed = computed(() => props.ways.watts < 0)
const half = computed(() => props.wide / 2)
const head = computed(() => half.value + 5)
const bands = computed(() => {
  let from = -half.value
  return heatWays(props.ways).map((w) => {
    const band = { key: w.key, y: from, h: w.share * props.wide }
    from += band.h
    return band
  })
})
const tip = computed(() => {
  const at = 6 + props.long
  return `M${at} ${-head.value} L${at + head.value * 0.8} 0 L${at} ${head.value} Z`
})
</script>

<template>
  <g
    class="heat-arrow"
    :class="{ gain: reversed }"
    :transform="
      `translate(${x} ${y}) rotate(${angle})` +
      (reversed ? ` translate(${long + 24} 0) rotate(180)` : '')
    "
  >
    <path class="tip" :d="tip" />
    <template v-for="b in bands" :key="b.key">
      <rect class="ground" x="6" :y="b.y" :width="long" :height="b.h" />
      <rect :fill="`url(#way-${b.key})`" x="6" :y="b.y" :width="long" :height="b.h" />
    </template>
    <rect class="rim" x="6" :y="-half" :width="long" :height="wide" />
  </g>
</template>

<style scoped>
.tip {
  fill: var(--ember);
}

.ground {
  fill: var(--sheet);
}

.rim {
  fill: none;
  stroke: var(--ember);
  stroke-width: 1.2;
}

.gain .tip {
  fill: var(--held);
}

.gain .rim {
  stroke: var(--held);
}
</style>
