<script setup lang="ts">
/** Which part of the mass is heated. */
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import NumberField from '@/shared/NumberField.vue'
import { zone, type Design } from './designs'

const props = defineProps<{ design: Design; disabled: boolean }>()
const places = [
  { value: 'ALL', text: 'all of it' },
  { value: 'CORE', text: 'its core' },
  { value: 'FOOT', text: 'from below' },
  { value: 'SIDE', text: 'behind or beside it' },
  { value: 'TOP', text: 'from above' },
]
const where = computed<string>(() => {
  const z = props.design.zone
  return !z ? 'ALL' : ((z.behind as typeof z.behind | null) ?? 'CORE')
})
function choose(value: unknown) {
  const d = props.design
  if (value === 'ALL') d.zone = null
  else if (value === 'CORE') d.zone = zone(0.3, 0.15, 0.7)
  else d.zone = zone(1, 0, 1, value as 'FOOT')
}
</script>

<template>
  <fieldset :disabled="disabled" class="grid">
    <label for="behind">Heat enters</label>
    <BFormSelect id="behind" :model-value="where" :options="places" @update:model-value="choose" />
    <template v-if="where === 'CORE' && design.zone">
      <NumberField v-model="design.zone.reachFraction" label="Reaches out to, 0 to 1" />
      <NumberField v-model="design.zone.lowFraction" label="from, 0 foot to 1 top" />
      <NumberField v-model="design.zone.highFraction" label="up to" />
    </template>
  </fieldset>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 0.35rem 0.75rem;
  align-items: center;
  margin-bottom: 0.8rem;
}
</style>
