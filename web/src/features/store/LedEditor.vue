<script setup lang="ts">
/** A pipe, coil or bed that a stream goes through. */
import { BButton, BFormCheckbox, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import { degrees, mine } from '@/shared/units'
import type { Design } from './designs'
import { led } from './designs'

const props = defineProps<{
  design: Design
  parts: Views['PartLimit'][]
  disabled: boolean
}>()

const ways = [
  { value: 'COIL', text: 'a coil of pipe' },
  { value: 'STONES', text: 'loose stones' },
  { value: 'BORE', text: 'a pipe along its middle' },
]
const fluids = [
  { value: 'WATER', text: 'water' },
  { value: 'AIR', text: 'air' },
]
const pipes = computed(() =>
  props.parts
    .filter((p) => p.kind === 'PIPE')
    .map((p) => ({ value: p.id, text: `${p.name}, to ${degrees(p.highestCelsius, mine, 0)}` })),
)
function add() {
  props.design.led = led({
    way: 'COIL',
    carrying: 'WATER',
    lengthMetres: 10,
    diameterMetres: 0.02,
    wallMetres: null,
    spacingMetres: 0.12,
    pipe: 'pex-pipe',
  })
}

function choose(way: unknown) {
  const l = props.design.led
  if (!l) return
  l.way = way as typeof l.way
  if (l.way === 'STONES') {
    l.carrying = 'AIR'
  } else {
    l.diameterMetres ??= 0.02
    if (l.way === 'COIL') {
      l.lengthMetres ??= 10
      l.spacingMetres ??= 0.12
    }
  }
}
</script>

<template>
  <section aria-label="What is led through it">
    <h2>What is led through it</h2>
    <p v-if="!design.led" class="soft">No pipe, no stones for air: its heat leaves by the faces.</p>
    <fieldset v-else :disabled="disabled">
      <div class="grid">
        <label for="way">By way of</label>
        <BFormSelect
          id="way"
          :model-value="design.led.way"
          :options="ways"
          @update:model-value="choose"
        />
        <label for="fluid">Carries</label>
        <BFormSelect id="fluid" v-model="design.led.carrying" :options="fluids" />
        <template v-if="design.led.way !== 'STONES'">
          <label for="pipe">Pipe</label>
          <BFormSelect id="pipe" v-model="design.led.pipe" :options="pipes" />
          <NumberField v-model="design.led.diameterMetres" label="Across" quantity="length" />
        </template>
        <template v-if="design.led.way === 'COIL'">
          <NumberField
            v-model="design.led.lengthMetres"
            label="Length of one coil"
            quantity="length"
          />
          <NumberField v-model="design.led.spacingMetres" label="Turn to turn" quantity="length" />
        </template>
        <NumberField
          v-if="design.led.way === 'STONES'"
          v-model="design.led.grainMetres"
          label="Stones"
          quantity="length"
        />
      </div>
      <BFormCheckbox v-model="design.led.pumped">moved by a pump or fan</BFormCheckbox>
    </fieldset>
    <BButton v-if="!disabled && !design.led" variant="secondary" @click="add"
      >Lead something through it</BButton
    >
    <BButton v-if="!disabled && design.led" size="sm" variant="secondary" @click="design.led = null"
      >Take it out</BButton
    >
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
