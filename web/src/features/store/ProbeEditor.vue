<script setup lang="ts">
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import NumberField from '@/shared/NumberField.vue'
import type { Probe } from './designs'

defineProps<{ probe: Probe; holding: string; disabled: boolean }>()
const emit = defineEmits<{ remove: [] }>()
const kinds = [
  { value: 'STORE', text: 'in the mass' },
  { value: 'AIR', text: 'in the air beside it' },
  { value: 'LOWEST', text: 'in the house’s air, and keeps its lowest' },
  { value: 'OUTDOOR', text: 'outdoors' },
  { value: 'SURFACE', text: 'on its surface, a spot read from outside' },
  { value: 'INLET', text: 'in the loop, going in' },
  { value: 'OUTLET', text: 'in the loop, coming out' },
]
</script>

<template>
  <section aria-label="Probe">
    <h2>Probe</h2>
    <fieldset :disabled="disabled">
      <div class="grid">
        <label for="probe-name">Name</label>
        <BFormInput id="probe-name" v-model="probe.name" />
        <label for="probe-kind">Hangs</label>
        <BFormSelect id="probe-kind" v-model="probe.kind" :options="kinds" />
        <template v-if="probe.kind === 'STORE'">
          <NumberField v-model="probe.radiusFraction" label="From the middle (0) to the side (1)" />
          <NumberField v-model="probe.heightFraction" label="From the foot (0) to the top (1)" />
        </template>
      </div>
      <BButton v-if="!disabled" variant="secondary" @click="emit('remove')"
        >Take this probe out</BButton
      >
    </fieldset>
    <p v-if="probe.kind === 'SURFACE'" class="soft mt-2">
      A surface tells nothing of the inside, so it counts for no balance. By infrared, bare shiny
      steel reads far too cold: stick matt tape on the spot and read that.
    </p>
    <p v-if="probe.kind === 'LOWEST'" class="soft mt-2">
      Read it in the morning and set it anew: what it shows is the low of the night. Left for
      several nights, it tells only that none of them was colder.
    </p>
    <p v-if="probe.kind === 'INLET' || probe.kind === 'OUTLET'" class="soft mt-2">
      Going in and coming out together tell power and direction, with the flow given under Pipe.
      Strap both under the lagging of the pipe, and let them change places once: what they differ by
      then is their own fault.
    </p>
    <p class="soft mt-2">Its readings stay in the record when it goes.</p>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 0.35rem 0.75rem;
  align-items: center;
  margin-bottom: 0.75rem;
}
</style>
