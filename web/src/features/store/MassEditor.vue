<script setup lang="ts">
import { BFormCheckbox, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import { volumeOf, type Temperature } from '@/shared/units'
import WordHelp from '@/shared/WordHelp.vue'
import type { Design } from './designs'
import type { MediumChoice } from './media'
import PlaceEditor from './PlaceEditor.vue'
import { become, fillTo, litresOf, VESSELS } from './vessels'

const props = defineProps<{
  design: Design
  media: MediumChoice[]
  houses: Views['HouseView'][]
  units: Temperature
  disabled: boolean
}>()
const houseId = defineModel<string | null>('houseId', { required: true })
const planned = defineModel<boolean>('planned', { required: true })

const medium = computed(() => props.media.find((m) => m.id === props.design.medium))
const shapes = [
  { value: 'CYLINDER', text: 'Round' },
  { value: 'BOX', text: 'Box' },
]

const litres = computed({
  get: () => litresOf(props.design),
  set: (l) => fillTo(props.design, l ?? 0),
})
const vessels = computed(() => [
  { value: -1, text: 'none of these', disabled: vessel.value >= 0 },
  ...VESSELS.map((v, i) => ({ value: i, text: `${v.word}, ${volumeOf(v.litres)}` })),
])
/** The one whose inside it has; -1 for none. */
const vessel = computed(() =>
  VESSELS.findIndex((v) => {
    const d = props.design
    const floor = v.across
      ? d.shape === 'CYLINDER' && d.diameterMetres === v.across
      : d.shape === 'BOX' && d.lengthMetres === v.length && d.widthMetres === v.width
    return floor && d.heightMetres === v.height
  }),
)

function reshape(shape: unknown) {
  const d = props.design
  const across = d.diameterMetres || Math.min(d.widthMetres ?? 0, d.lengthMetres ?? 0) || 0.6
  d.shape = shape as Design['shape']
  if (d.shape === 'BOX') {
    d.widthMetres ||= across
    d.lengthMetres ||= across
  } else d.diameterMetres ||= across
}
</script>

<template>
  <section aria-label="The mass">
    <h2>The mass</h2>
    <fieldset :disabled="disabled">
      <div class="grid">
        <label for="medium">Filled with</label>
        <BFormSelect
          id="medium"
          v-model="design.medium"
          :options="media.map((m) => ({ value: m.id, text: m.name }))"
        />
        <label for="vessel">In a vessel people have</label>
        <BFormSelect
          id="vessel"
          :model-value="vessel"
          :options="vessels"
          @update:model-value="become(design, VESSELS[Number($event)]!)"
        />
        <label for="shape">Shape</label>
        <BFormSelect
          id="shape"
          :model-value="design.shape"
          :options="shapes"
          @update:model-value="reshape"
        />
        <NumberField
          v-if="design.shape === 'CYLINDER'"
          v-model="design.diameterMetres"
          label="Across"
          quantity="length"
        />
        <template v-else>
          <NumberField v-model="design.lengthMetres" label="Length" quantity="length" />
          <NumberField v-model="design.widthMetres" label="Width" quantity="length" />
        </template>
        <NumberField v-model="design.heightMetres" label="Height" quantity="length" />
        <NumberField v-model="litres" label="Holds" quantity="volume" />
        <NumberField v-model="design.count" label="How many alike" />
        <NumberField v-model="design.floorCelsius" label="Stops helping at" :temperature="units" />
        <NumberField v-model="design.chargeToCelsius" label="Charged to" :temperature="units" />
        <p class="help soft">
          <WordHelp of="stops-helping">what is “stops helping”?</WordHelp>
        </p>
        <label for="in-house">For the house</label>
        <BFormSelect
          id="in-house"
          v-model="houseId"
          :options="[
            { value: null, text: 'none' },
            ...houses.map((h) => ({ value: h.id, text: h.name })),
          ]"
        />
      </div>
      <PlaceEditor v-model="design.place" :units="units" />
      <BFormCheckbox v-model="planned"
        >only planned: it counts in no night and no balance</BFormCheckbox
      >
      <details class="mt-2">
        <summary>Measured values, where you know better than the table</summary>
        <p class="soft">{{ medium?.name }}: {{ medium?.source }}</p>
        <div class="grid">
          <NumberField
            v-model="design.measuredDensity"
            label="Density, kg/m³"
            :placeholder="String(medium?.density)"
            optional
          />
          <NumberField
            v-model="design.measuredSpecificHeat"
            label="Heat, J/(kg K)"
            :placeholder="String(medium?.specificHeat)"
            optional
          />
          <NumberField
            v-model="design.measuredConductivity"
            label="Conductivity, W/(m K)"
            :placeholder="String(medium?.conductivity)"
            optional
          />
        </div>
      </details>
    </fieldset>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 0.35rem 0.75rem;
  align-items: center;
  margin-bottom: 0.5rem;
}

.help {
  grid-column: 1 / -1;
  margin: 0;
}

summary {
  color: var(--ember);
}
</style>
