<script setup lang="ts">
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import { mine } from '@/shared/units'
import type { Design } from './shapes'

/** Every part of the skin as numbers, for houses of no plain shape. */
const props = defineProps<{
  design: Design
  catalogue: Views['SkinMaterial'][]
  disabled: boolean
}>()
const looks = [
  { value: 'UP', text: 'at the sky' },
  { value: 'OUT', text: 'outwards' },
  { value: 'SHELTERED', text: 'sheltered' },
]
const skins = computed(() => [
  ...props.catalogue.map((s) => ({ value: s.id, text: `${s.name}, U ${s.uValue.value}` })),
  { value: '', text: 'own value' },
])
function skin(part: Views['Part'], material: string) {
  part.material = material
  const known = props.catalogue.find((s) => s.id === material)
  if (known) part.transmittance = known.uValue.value
}
const none = null
function add(design: Design) {
  design.skin.push({
    name: `Part ${design.skin.length + 1}`,
    looks: 'OUT',
    areaSquareMetres: 5,
    transmittance: props.catalogue.find((s) => s.id === 'single-glass')!.uValue.value,
    material: 'single-glass',
    tiltDegrees: none,
    azimuthDegrees: none,
    beyondCelsius: none,
    earthMetres: none,
    secondSkin: false,
    wallMedium: null,
    wallMetres: null,
  })
}
</script>

<template>
  <fieldset :disabled="disabled">
    <div v-for="(p, i) in design.skin" :key="i" class="part">
      <BFormInput v-model="p.name" :aria-label="`Name of part ${i + 1}`" />
      <BFormSelect v-model="p.looks" :options="looks" :aria-label="`${p.name} looks`" />
      <BFormSelect
        :model-value="p.material ?? ''"
        :options="skins"
        :aria-label="`${p.name} is of`"
        @update:model-value="skin(p, String($event))"
      />
      <div><NumberField v-model="p.areaSquareMetres" label="" quantity="area" /></div>
      <div>
        <NumberField v-model="p.transmittance" :label="mine.insulation" quantity="transmittance" />
      </div>
      <BButton
        variant="secondary"
        :aria-label="`Take ${p.name} away`"
        @click="design.skin.splice(i, 1)"
        >Take away</BButton
      >
    </div>
    <div class="rest">
      <NumberField v-model="design.volumeCubicMetres" label="Air inside, m³" />
      <NumberField
        v-model="design.floorAreaSquareMetres"
        label="Beds and soil"
        quantity="area"
        optional
      />
      <NumberField
        v-model="design.perimeterMetres"
        label="Foundation in the open"
        quantity="length"
        optional
      />
      <NumberField v-model="design.airChangesPerHour" label="Air changes an hour" />
      <NumberField
        v-model="design.ventAboveCelsius"
        label="Vents open above"
        :temperature="mine"
        optional
      />
    </div>
    <BButton variant="secondary" class="mt-2" @click="add(design)">Add a part</BButton>
  </fieldset>
</template>

<style scoped>
.part {
  display: grid;
  grid-template-columns: 1.1fr 1fr 1.6fr 80px 90px auto;
  gap: 0.5rem;
  align-items: end;
  border-bottom: 1px solid var(--line-soft);
  padding: 0.4rem 0;
}

.rest {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 120px;
  gap: 0.35rem 0.75rem;
  align-items: center;
  max-width: 420px;
  margin-top: 0.6rem;
}

@media (max-width: 700px) {
  .part {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
