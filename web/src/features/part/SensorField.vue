<script setup lang="ts">
/** Where a control feels its temperature. */
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { SensorAt } from './parts'

const props = defineProps<{
  sensor: SensorAt
  label: string
  name: string
  stores: { id: string; name: string }[]
  collectors: { id: string; name: string }[]
}>()
const key = computed(() =>
  ['STORE', 'COLLECTOR'].includes(props.sensor.where)
    ? `${props.sensor.where}:${props.sensor.id}`
    : props.sensor.where,
)
const options = computed(() => [
  { value: 'HOUSE_AIR', text: 'the air in the house' },
  { value: 'HOUSE_FLOOR', text: 'its floor' },
  { value: 'OUTDOORS', text: 'outdoors' },
  ...props.stores.map((s) => ({ value: `STORE:${s.id}`, text: s.name })),
  ...props.collectors.map((c) => ({ value: `COLLECTOR:${c.id}`, text: c.name })),
])
function choose(value: unknown) {
  const [where, id] = String(value).split(':')
  Object.assign(props.sensor, {
    where,
    id: id ?? null,
    radiusFraction: null,
    heightFraction: null,
  })
}
</script>

<template>
  <label :for="name">{{ label }}</label>
  <BFormSelect :id="name" :model-value="key" :options="options" @update:model-value="choose" />
</template>
