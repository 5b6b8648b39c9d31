<script setup lang="ts">
/** What else it is made of, and what the rules of caution ask. */
import { BFormCheckbox } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { degrees, type Temperature } from '@/shared/units'
import type { Design } from './designs'

const props = defineProps<{
  design: Design
  parts: Views['PartLimit'][]
  units: Temperature
  disabled: boolean
}>()
const choices = computed(() => props.parts.filter((p) => p.kind !== 'PIPE'))
const has = (id: string) => !!props.design.build?.parts.includes(id)

function toggle(id: string) {
  if (!props.design.build) return
  const kept = props.design.build.parts
  props.design.build.parts = has(id) ? kept.filter((p) => p !== id) : [...kept, id]
}
</script>

<template>
  <details v-if="design.build">
    <summary>Vessel, mortar and glue, with what they stand</summary>
    <fieldset :disabled="disabled">
      <ul>
        <li v-for="p in choices" :key="p.id">
          <BFormCheckbox :model-value="has(p.id)" @update:model-value="toggle(p.id)">
            {{ p.name }}, to {{ degrees(p.highestCelsius, units, 0) }}
          </BFormCheckbox>
        </li>
      </ul>
      <BFormCheckbox v-model="design.build.closedVessel"
        >the vessel is sealed, no way out for steam</BFormCheckbox
      >
      <BFormCheckbox v-if="design.led" v-model="design.build.closedCoil"
        >the coil is closed: neither open vent nor relief valve</BFormCheckbox
      >
      <BFormCheckbox v-if="design.medium === 'water'" v-model="design.build.bathed"
        >somebody bathes in it or sprays it</BFormCheckbox
      >
    </fieldset>
  </details>
</template>

<style scoped>
summary {
  color: var(--ember);
  min-height: 32px;
}

ul {
  list-style: none;
  padding: 0;
  margin: 0 0 0.5rem;
}
</style>
