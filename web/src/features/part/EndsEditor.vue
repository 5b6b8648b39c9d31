<script setup lang="ts">
/** The ends of a circuit, in the order in which the stream comes to them. */
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import NumberField from '@/shared/NumberField.vue'
import type { Temperature } from '@/shared/units'
import { through, tank, radiator, type End } from './parts'

const props = defineProps<{
  ends: End[]
  id: string
  stores: { id: string; name: string; led: boolean; water: boolean }[]
  units: Temperature
}>()
const emit = defineEmits<{ change: [ends: End[]] }>()
const key = (e: End) => ('storeId' in e ? `${e.kind}:${e.storeId}` : e.kind)
const options = computed(() => [
  ...props.stores
    .filter((s) => s.led)
    .map((s) => ({ value: `THROUGH:${s.id}`, text: `through ${s.name}` })),
  ...props.stores
    .filter((s) => s.water)
    .map((s) => ({ value: `TANK:${s.id}`, text: `water of ${s.name}` })),
  { value: 'RADIATOR', text: 'a radiator in the house' },
  { value: 'UNDER_FLOOR', text: 'pipes in floor or beds' },
  { value: 'HOUSE_AIR', text: 'the house’s air' },
  { value: 'OUTDOOR_AIR', text: 'the air outdoors' },
  { value: 'BOILER', text: 'a boiler' },
  { value: 'COLLECTOR', text: 'a collector in the sun' },
  { value: 'HELD', text: 'a stream of one temperature' },
])
function made(value: string): End {
  const [kind, id] = value.split(':')
  switch (kind) {
    case 'THROUGH':
      return through(id)
    case 'TANK':
      return tank(id)
    case 'RADIATOR':
      return radiator(60)
    case 'UNDER_FLOOR':
      return { kind, wattsPerKelvin: 60 }
    case 'BOILER':
      return { kind, highestCelsius: 90 }
    case 'COLLECTOR':
      return { kind, squareMetres: 2, opticalShare: 0.75, lossWattsPerSquareMetreKelvin: 4 }
    case 'HELD':
      return { kind, celsius: 50 }
    default:
      return { kind } as End
  }
}
const put = (i: number, value: unknown) =>
  emit(
    'change',
    props.ends.map((e, k) => (k === i ? made(String(value)) : e)),
  )
const word = (i: number) => (i === 0 ? 'From' : i === props.ends.length - 1 ? 'to' : 'by way of')
</script>

<template>
  <div v-for="(e, i) in ends" :key="i" class="end">
    <label :for="`${id}-end${i}`">{{ word(i) }}</label>
    <div>
      <BFormSelect
        :id="`${id}-end${i}`"
        :model-value="key(e)"
        :options="options"
        @update:model-value="put(i, $event)"
      />
      <div class="more">
        <NumberField
          v-if="e.kind === 'RADIATOR' || e.kind === 'UNDER_FLOOR'"
          v-model="e.wattsPerKelvin"
          label="gives"
          quantity="conductance"
        />
        <NumberField
          v-if="e.kind === 'BOILER'"
          v-model="e.highestCelsius"
          label="no hotter than"
          :temperature="units"
        />
        <NumberField v-if="e.kind === 'HELD'" v-model="e.celsius" label="at" :temperature="units" />
        <template v-if="e.kind === 'COLLECTOR'">
          <NumberField v-model="e.squareMetres" label="of" quantity="area" />
          <NumberField v-model="e.lossWattsPerSquareMetreKelvin" label="loses, W/m²K" />
        </template>
        <template v-if="e.kind === 'TANK'">
          <NumberField v-model="e.takenAt" label="taken at, 0 foot to 1 top" />
          <NumberField v-model="e.returnedAt" label="back at" />
        </template>
      </div>
    </div>
    <BButton
      size="sm"
      variant="secondary"
      :disabled="ends.length < 3"
      :aria-label="`Without end ${i + 1}`"
      @click="
        emit(
          'change',
          ends.filter((_, k) => k !== i),
        )
      "
      >×</BButton
    >
  </div>
  <BButton
    v-if="ends.length < 6"
    size="sm"
    variant="secondary"
    @click="emit('change', [...ends, made('UNDER_FLOOR')])"
    >One end more</BButton
  >
</template>

<style scoped>
.end {
  display: grid;
  grid-template-columns: 70px minmax(0, 1fr) auto;
  gap: 0.4rem;
  align-items: start;
  margin-bottom: 0.3rem;
}

.more {
  display: grid;
  grid-template-columns: auto 90px;
  gap: 0.2rem 0.5rem;
  align-items: center;
  margin-top: 0.2rem;
}
</style>
