<script setup lang="ts">
/** What switches it: a hand, the clock, a thermostat, a difference. */
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import NumberField from '@/shared/NumberField.vue'
import type { Temperature } from '@/shared/units'
import { sensor, thermostat, type Control, type Guard } from './parts'
import SensorField from './SensorField.vue'

const props = defineProps<{
  control: Control
  id: string
  stores: { id: string; name: string }[]
  collectors: { id: string; name: string }[]
  units: Temperature
  /** The store that it heats, which its thermostat would feel. */
  heats: string | null
}>()
const runs = [
  { value: 'BY_HAND', text: 'somebody’s hand' },
  { value: 'ALWAYS', text: 'itself, day and night' },
  { value: 'DAILY', text: 'the clock, every day' },
]
const kinds = [
  { value: '', text: '+ only while …' },
  { value: 'THERMOSTAT', text: 'a thermostat asks for it' },
  { value: 'ABOVE', text: 'something is warm enough' },
  { value: 'DIFFERENTIAL', text: 'one place is warmer than another' },
]
function choose(value: unknown) {
  const c = props.control
  c.runs = value as Control['runs']
  if (c.runs === 'DAILY') {
    c.from ??= '16:00:00'
    c.to ??= '22:00:00'
  }
}
function add(kind: unknown) {
  if (!kind) return
  const made: Guard =
    kind === 'THERMOSTAT'
      ? props.heats
        ? thermostat(sensor('STORE', props.heats), 30, 35)
        : thermostat(sensor('HOUSE_AIR'), 3, 5)
      : kind === 'ABOVE'
        ? {
            kind: 'ABOVE',
            sensor: props.stores[0] ? sensor('STORE', props.stores[0].id) : sensor('HOUSE_AIR'),
            onAbove: 30,
            offBelow: 25,
          }
        : {
            kind: 'DIFFERENTIAL',
            warm: sensor('HOUSE_AIR'),
            cold: props.stores[0] ? sensor('STORE', props.stores[0].id) : sensor('OUTDOORS'),
            onAboveKelvin: 5,
            offBelowKelvin: 2,
          }
  props.control.guards = [...(props.control.guards ?? []), made]
}
const drop = (i: number) => {
  props.control.guards = (props.control.guards ?? []).filter((_, k) => k !== i)
}
const time = (which: 'from' | 'to', e: Event) => {
  const typed = (e.target as HTMLInputElement).value
  if (typed) props.control[which] = `${typed}:00`
}
</script>

<template>
  <div class="grid">
    <label :for="`${id}-runs`">Switched by</label>
    <BFormSelect
      :id="`${id}-runs`"
      :model-value="control.runs"
      :options="runs"
      @update:model-value="choose"
    />
    <template v-if="control.runs === 'DAILY'">
      <label :for="`${id}-from`">from</label>
      <input
        :id="`${id}-from`"
        type="time"
        class="form-control"
        :value="control.from?.slice(0, 5)"
        @change="time('from', $event)"
      />
      <label :for="`${id}-to`">to</label>
      <input
        :id="`${id}-to`"
        type="time"
        class="form-control"
        :value="control.to?.slice(0, 5)"
        @change="time('to', $event)"
      />
    </template>
  </div>
  <div v-for="(g, i) in control.guards ?? []" :key="i" class="guard">
    <div class="grid">
      <template v-if="g.kind === 'THERMOSTAT'">
        <SensorField
          :sensor="g.sensor"
          label="Feels"
          :name="`${id}-g${i}`"
          :stores="stores"
          :collectors="collectors"
        />
        <NumberField v-model="g.onBelow" label="on below" :temperature="units" />
        <NumberField v-model="g.offAbove" label="off above" :temperature="units" />
      </template>
      <template v-else-if="g.kind === 'ABOVE'">
        <SensorField
          :sensor="g.sensor"
          label="While"
          :name="`${id}-g${i}`"
          :stores="stores"
          :collectors="collectors"
        />
        <NumberField v-model="g.onAbove" label="on above" :temperature="units" />
        <NumberField v-model="g.offBelow" label="off below" :temperature="units" />
      </template>
      <template v-else>
        <SensorField
          :sensor="g.warm"
          label="While"
          :name="`${id}-w${i}`"
          :stores="stores"
          :collectors="collectors"
        />
        <SensorField
          :sensor="g.cold"
          label="is warmer than"
          :name="`${id}-c${i}`"
          :stores="stores"
          :collectors="collectors"
        />
        <NumberField v-model="g.onAboveKelvin" label="on by more than, K" />
        <NumberField v-model="g.offBelowKelvin" label="off by less than, K" />
      </template>
    </div>
    <BButton size="sm" variant="secondary" @click="drop(i)">without that</BButton>
  </div>
  <label class="visually-hidden" :for="`${id}-add`">Only while</label>
  <BFormSelect
    :id="`${id}-add`"
    class="add"
    model-value=""
    :options="kinds"
    @update:model-value="add"
  />
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 0.35rem 0.75rem;
  align-items: center;
}

.guard {
  border-left: 3px solid var(--line);
  padding-left: 0.6rem;
  margin: 0.4rem 0;
}

.add {
  margin-top: 0.35rem;
}
</style>
