<script setup lang="ts">
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import NumberField from '@/shared/NumberField.vue'
import { computed } from 'vue'
import { sidesOf } from '@/shared/body'
import type { Design, Probe } from './designs'

const props = defineProps<{ probe: Probe; design: Design; holding: string; disabled: boolean }>()
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

/** Where it sits as people measure it: from the side inwards, from the top down, from the foot up. */
const half = computed(() => sidesOf(props.design).width / 2)
const within = (fraction: number) => Math.min(1, Math.max(0, fraction))
const fromSide = computed({
  get: () => (1 - props.probe.radiusFraction) * half.value,
  set: (m) => place('radiusFraction', 1 - (m ?? 0) / half.value),
})
const fromTop = computed({
  get: () => (1 - props.probe.heightFraction) * props.design.heightMetres,
  set: (m) => place('heightFraction', 1 - (m ?? 0) / props.design.heightMetres),
})
const fromFoot = computed({
  get: () => props.probe.heightFraction * props.design.heightMetres,
  set: (m) => place('heightFraction', (m ?? 0) / props.design.heightMetres),
})
function place(what: 'radiusFraction' | 'heightFraction', fraction: number) {
  const p = props.probe
  p[what] = within(Math.round(fraction * 1e4) / 1e4)
}
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
        <template v-if="probe.kind === 'STORE' || probe.kind === 'SURFACE'">
          <NumberField v-model="fromSide" label="In from the side" quantity="thickness" />
          <NumberField v-model="fromTop" label="Down from the top" quantity="thickness" />
          <NumberField v-model="fromFoot" label="Up from the foot" quantity="thickness" />
        </template>
      </div>
      <BButton v-if="!disabled" variant="secondary" @click="emit('remove')"
        >Take this probe out</BButton
      >
    </fieldset>
    <p v-if="probe.kind === 'SURFACE'" class="soft mt-2">
      A spot on the top if it lies nothing below it, else on the side. With a few readings it tells
      of the inside by what its cover lets through, less than a probe in the mass. By infrared, bare
      shiny steel and foil read far too cold: stick matt tape on the spot and read that.
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
