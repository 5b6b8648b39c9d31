<script setup lang="ts">
/** What charges the store, each kind with its own few questions. */
import { BFormCheckbox, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import { percent, type Temperature } from '@/shared/units'
import type { Design, Source } from './designs'
import { led } from './designs'

const props = defineProps<{
  design: Design
  catalogue: Views['CatalogueView']
  others: { id: string; name: string }[]
  units: Temperature
  disabled: boolean
}>()

const kinds = [
  { value: 'NONE', text: 'nothing of its own' },
  { value: 'ELEMENT', text: 'an electric element' },
  { value: 'FIRE', text: 'a fire or its flue' },
  { value: 'FLAMES', text: 'small flames' },
  { value: 'WATER_LOOP', text: 'a warm-water loop' },
  { value: 'WARM_AIR', text: 'warm air through it' },
  { value: 'HEAT_PUMP', text: 'a heat pump' },
  { value: 'SUN', text: 'sun on its side' },
  { value: 'HEAP', text: 'its own biology' },
]
const places = [
  { value: null, text: 'in its core' },
  { value: 'FOOT', text: 'below it' },
  { value: 'SIDE', text: 'behind or beside it' },
  { value: 'TOP', text: 'on top of it' },
]
const s = computed(() => props.design.source)
const hearth = computed(() => props.catalogue.hearths.find((h) => h.id === s.value.hearth))
const flue = computed(() => {
  const h = hearth.value
  const store = s.value.toStore ?? h?.toStore.value ?? 0
  const room = s.value.toRoom ?? h?.toRoom.value ?? 0
  return Math.max(0, 1 - store - room)
})

/** A kind brings what it cannot do without. */
function choose(kind: unknown) {
  const x = props.design.source
  x.kind = kind as Source['kind']
  x.hours ??= 5
  if (x.kind === 'FIRE') {
    x.hearth ??= 'flue-bench'
    x.woodKilograms ??= 6
    x.woodMoisture ??= 0.18
  }
  if (x.kind === 'FLAMES') {
    x.flames ??= 4
    x.gramsPerHour ??= 5
    x.toStore ??= 0.5
  }
  if (x.kind === 'SUN') x.absorptance ??= 0.85
  if (x.kind === 'WATER_LOOP' || x.kind === 'WARM_AIR') {
    x.inletCelsius ??= x.kind === 'WATER_LOOP' ? 55 : 32
    props.design.led ??= led({
      way: 'COIL',
      carrying: x.kind === 'WATER_LOOP' ? 'WATER' : 'AIR',
      lengthMetres: 8,
      diameterMetres: x.kind === 'WATER_LOOP' ? 0.02 : 0.1,
      wallMetres: 0.002,
      spacingMetres: x.kind === 'WATER_LOOP' ? 0.12 : 0.25,
      pipe: x.kind === 'WATER_LOOP' ? 'pex-pipe' : 'aluminium-duct',
    })
  }
  if (x.kind === 'HEAP') x.feeds ??= []
}
</script>

<template>
  <section aria-label="What charges it">
    <h2>What charges it</h2>
    <fieldset :disabled="disabled" class="grid">
      <label for="charge">Heated by</label>
      <BFormSelect
        id="charge"
        :model-value="s.kind"
        :options="kinds"
        @update:model-value="choose"
      />
      <template v-if="['ELEMENT', 'HEAT_PUMP'].includes(s.kind)">
        <NumberField v-model="s.powerWatts" label="Its power" quantity="power" />
        <NumberField
          v-model="s.thermostatCelsius"
          label="Cut off at"
          :temperature="units"
          optional
        />
      </template>
      <template v-if="s.kind === 'FIRE'">
        <label for="hearth">Hearth</label>
        <BFormSelect
          id="hearth"
          v-model="s.hearth"
          :options="catalogue.hearths.map((h) => ({ value: h.id, text: h.name }))"
        />
        <NumberField v-model="s.woodKilograms" label="Wood in one fire" quantity="mass" />
        <NumberField v-model="s.woodMoisture" label="Water in the wood, share" />
        <NumberField
          v-model="s.toStore"
          label="Share into the mass"
          :placeholder="hearth ? String(hearth.toStore.value) : ''"
          optional
        />
        <NumberField
          v-model="s.toRoom"
          label="Share to the room at once"
          :placeholder="hearth ? String(hearth.toRoom.value) : ''"
          optional
        />
        <NumberField v-model="s.bypassHours" label="Bypass open at first, h" optional />
      </template>
      <template v-if="s.kind === 'FLAMES'">
        <NumberField v-model="s.flames" label="How many flames" />
        <NumberField v-model="s.gramsPerHour" label="Wax each, g an hour" />
        <NumberField v-model="s.toStore" label="Share into the mass" />
      </template>
      <NumberField
        v-if="s.kind === 'WATER_LOOP' || s.kind === 'WARM_AIR'"
        v-model="s.inletCelsius"
        label="Comes in at"
        :temperature="units"
      />
      <template v-if="s.kind === 'HEAT_PUMP'">
        <label for="cold">Takes its heat from</label>
        <BFormSelect
          id="cold"
          v-model="s.coldStoreId"
          :options="[
            { value: null, text: 'outdoors' },
            ...others.map((o) => ({ value: o.id, text: o.name })),
          ]"
        />
        <NumberField
          v-if="!s.coldStoreId"
          v-model="s.coldCelsius"
          label="Outdoors at"
          :temperature="units"
          optional
        />
      </template>
      <template v-if="s.kind === 'SUN'">
        <NumberField v-model="s.sunlitSquareMetres" label="Sunlit area" quantity="area" optional />
        <NumberField v-model="s.absorptance" label="How dark, 0 to 1" />
      </template>
      <NumberField
        v-if="!['NONE', 'FIRE'].includes(s.kind)"
        v-model="s.hours"
        :label="s.kind === 'HEAP' ? 'Watched for, h' : 'Hours of one charge'"
        optional
      />
      <template v-if="['ELEMENT', 'FIRE', 'FLAMES'].includes(s.kind)">
        <label for="behind">Heat enters</label>
        <BFormSelect id="behind" v-model="s.behind" :options="places" />
      </template>
      <NumberField
        v-if="!['NONE', 'SUN', 'HEAP'].includes(s.kind) && !s.behind"
        v-model="s.reachFraction"
        label="Reaches out to, 0 to 1"
      />
    </fieldset>
    <BFormCheckbox v-if="s.kind === 'ELEMENT'" v-model="s.surplus" :disabled="disabled"
      >fed by surplus sun, strongest at noon</BFormCheckbox
    >
    <p v-if="s.kind === 'FIRE' && hearth" class="soft mt-2">
      The flue takes the remaining {{ percent(flue) }}. Table: {{ hearth.source }}.
    </p>
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
</style>
