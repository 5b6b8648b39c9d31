<script setup lang="ts">
/** The earth that a store stands on, lies in or is covered by, drawn to the store's own scale. */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'

const props = defineProps<{
  place: Views['PlaceDesign']
  box: { x: number; y: number; w: number; h: number; ground: number; side: number; top: number }
  width: number
  scale: number
}>()
const LEFT = 14
const FLOOR = 42
const USUAL_COVER = 0.6

const cover = computed(() => (props.place.coverMetres ?? USUAL_COVER) * props.scale)
const surface = computed(() => Math.max(16, props.box.y - props.box.top - cover.value))
const outline = computed(() => {
  const b = props.box
  const right = props.width - LEFT
  const bottom = b.ground + FLOOR
  if (props.place.footing === 'BURIED')
    return `M${LEFT} ${surface.value} H${right} V${bottom} H${LEFT} Z`
  if (props.place.footing === 'EARTH_COVERED') {
    const edge = b.x - b.side - cover.value
    const far = b.x + b.w + b.side + cover.value
    return (
      `M${LEFT} ${b.ground} H${Math.max(LEFT, edge - 40)} ` +
      `Q${edge} ${surface.value} ${b.x} ${surface.value} H${b.x + b.w} ` +
      `Q${far} ${surface.value} ${Math.min(right, far + 40)} ${b.ground} H${right} V${bottom} H${LEFT} Z`
    )
  }
  return `M${LEFT} ${b.ground} H${right} V${bottom} H${LEFT} Z`
})
const line = computed(() =>
  props.place.footing === 'BURIED'
    ? `M${LEFT} ${surface.value} H${props.width - LEFT}`
    : `M${LEFT} ${props.box.ground} H${props.width - LEFT}`,
)
</script>

<template>
  <g v-if="place.footing !== 'RAISED'">
    <path :d="outline" fill="url(#ground)" />
    <path :d="line" stroke="var(--ink)" stroke-width="1.5" />
    <text
      v-if="place.footing === 'BURIED' && place.where === 'HOUSE'"
      class="soft"
      :x="width - 24"
      :y="surface + 18"
      text-anchor="end"
    >
      under the house’s floor
    </text>
  </g>
</template>

<style scoped>
.soft {
  fill: var(--ink);
  font-size: 13px;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
</style>
