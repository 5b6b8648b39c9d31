<script setup lang="ts">
/** Where a store stands and what it rests on; only what can be is offered. */
import { BFormCheckbox, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import NumberField from '@/shared/NumberField.vue'
import type { Temperature } from '@/shared/units'
import type { Place } from './designs'
import { facesToHouse, footingsOf, settled } from './places'

const place = defineModel<Place>({ required: true })
defineProps<{ units: Temperature }>()

const where = computed({
  get: () => place.value.where,
  set: (w) => (place.value = settled({ ...place.value, where: w })),
})
const footing = computed({
  get: () => place.value.footing,
  set: (f) => (place.value = settled({ ...place.value, footing: f })),
})
const earth = computed(() => ['BURIED', 'EARTH_COVERED'].includes(place.value.footing))
const open = computed(() => facesToHouse(place.value))
function look(face: 'SIDE' | 'TOP' | 'FOOT', on: boolean) {
  const rest = (place.value.openToHouse ?? []).filter((f) => f !== face)
  place.value = { ...place.value, openToHouse: on ? [...rest, face] : rest }
}
const faceWord = { SIDE: 'side', TOP: 'top', FOOT: 'foot' }
</script>

<template>
  <div class="place">
    <label for="st-where">It stands</label>
    <BFormSelect
      id="st-where"
      v-model="where"
      :options="[
        { value: 'HOUSE', text: 'in the house: its losses warm it' },
        { value: 'OUTDOORS', text: 'outdoors' },
        { value: 'ROOM', text: 'in another room' },
      ]"
    />
    <label for="st-rests">on</label>
    <BFormSelect id="st-rests" v-model="footing" :options="footingsOf(place)" />
    <NumberField
      v-if="earth"
      v-model="place.coverMetres"
      label="Earth over it"
      quantity="length"
      placeholder="0.6"
      optional
    />
    <NumberField
      v-if="place.where === 'ROOM'"
      v-model="place.roomCelsius"
      label="The room has"
      :temperature="units"
      placeholder="15"
      optional
    />
    <template v-for="f in open" :key="f">
      <span class="wide">
        <BFormCheckbox
          :model-value="(place.openToHouse ?? []).includes(f)"
          @update:model-value="look(f, $event === true)"
          >its {{ faceWord[f] }} looks into the house</BFormCheckbox
        >
      </span>
    </template>
  </div>
</template>

<style scoped>
.place {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.6fr);
  gap: 0.35rem 0.75rem;
  align-items: center;
  margin: 0.5rem 0;
}

.wide {
  grid-column: 1 / -1;
}
</style>
