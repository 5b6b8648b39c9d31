<script setup lang="ts">
import { BButton, BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { typedQuantity } from '@/shared/typed'
import { measure, toOwn } from '@/shared/units'
import type { Design, FaceKey } from './designs'

const props = defineProps<{
  design: Design
  face: FaceKey
  insulation: { id: string; name: string }[]
  disabled: boolean
}>()

const words: Record<FaceKey, string> = { side: 'The side', top: 'The top', foot: 'The foot' }
const layers = computed(() => props.design[props.face].layers)
const choices = computed(() => [
  ...props.insulation.map((m) => ({ value: m.id, text: m.name })),
  { value: 'GAP', text: 'Foil over an air gap' },
])

function choose(i: number, what: string) {
  const l = layers.value[i]
  l.kind = what === 'GAP' ? 'GAP' : 'BULK'
  l.material = what === 'GAP' ? null : what
  l.emissivity = what === 'GAP' ? 0.05 : null
  if (what === 'GAP') l.thicknessMetres = 0.025
}

function add() {
  layers.value.push({
    kind: 'BULK',
    material: 'stone-wool',
    thicknessMetres: 0.05,
    wet: false,
    emissivity: null,
  })
}

const hours = computed(() => props.design.lidOff)

function schedule(on: boolean) {
  props.design.lidOff = (on ? { from: '05:00', to: '08:00' } : null) as Views['LidHours']
}

function thick(i: number, typed: string) {
  const metres = typedQuantity(typed, 'thickness')
  if (metres > 0) layers.value[i].thicknessMetres = metres
}
</script>

<template>
  <section :aria-label="words[face]">
    <h2>{{ words[face] }}</h2>
    <p v-if="!layers.length" class="soft">Bare. From the mass outwards, add what lies on it.</p>
    <fieldset v-for="(l, i) in layers" :key="i" :disabled="disabled">
      <legend>Layer {{ i + 1 }}, counted from the mass</legend>
      <label class="visually-hidden" :for="`mat${i}`">Material of layer {{ i + 1 }}</label>
      <BFormSelect
        :id="`mat${i}`"
        :model-value="l.kind === 'GAP' ? 'GAP' : l.material"
        :options="choices"
        @update:model-value="choose(i, String($event))"
      />
      <div class="pair">
        <label :for="`th${i}`">Thickness, {{ measure('thickness').symbol }}</label>
        <BFormInput
          :id="`th${i}`"
          :model-value="String(Math.round(toOwn(l.thicknessMetres, 'thickness') * 100) / 100)"
          lazy
          inputmode="decimal"
          @update:model-value="thick(i, String($event))"
        />
      </div>
      <BFormCheckbox v-if="l.kind === 'BULK'" v-model="l.wet"
        >wet, so most of its worth is gone</BFormCheckbox
      >
      <BButton size="sm" variant="secondary" @click="layers.splice(i, 1)"
        >Take layer {{ i + 1 }} off</BButton
      >
    </fieldset>
    <BButton v-if="!disabled" variant="secondary" @click="add">Add a layer</BButton>
    <fieldset
      v-if="face === 'top' && (hours || (layers.length && design.place.where === 'HOUSE'))"
      :disabled="disabled"
    >
      <legend>Its lid</legend>
      <BFormCheckbox :model-value="!!hours" @update:model-value="schedule(!!$event)"
        >stands open at fixed hours, every day</BFormCheckbox
      >
      <div v-if="hours" class="hours">
        <label for="lid-from">from</label>
        <input id="lid-from" v-model.lazy="hours.from" type="time" class="form-control" />
        <label for="lid-to">to</label>
        <input id="lid-to" v-model.lazy="hours.to" type="time" class="form-control" />
      </div>
    </fieldset>
  </section>
</template>

<style scoped>
fieldset {
  border-top: 1px solid var(--line-soft);
  padding: 0.5rem 0;
}

legend {
  font-size: 0.95rem;
  color: var(--ink-soft);
  float: none;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 90px;
  align-items: center;
  margin: 0.35rem 0;
}

.hours {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  margin-top: 0.35rem;
}
</style>
