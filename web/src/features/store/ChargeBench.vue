<script setup lang="ts">
/** The charge under the cut-away: what it does in words, its curve, and a hand on the clock. */
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import ChargeCurve from '@/instruments/ChargeCurve.vue'
import type { Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { degrees, hours, type Temperature } from '@/shared/units'
import type { Part } from '../part/parts'
import NumberField from '@/shared/NumberField.vue'
import { efficiencySentence, hotSentence } from './chargeSentences'
import type { Design } from './designs'
import type { ChargeHow } from './useCharge'

const props = defineProps<{
  charging: Part[]
  how: ChargeHow
  charge: Views['ChargeView'] | null
  error: unknown
  busy: boolean
  second: number
  design: Design
  units: Temperature
  currency: string
}>()
const moment = defineModel<number>('moment', { required: true })
const chosen = defineModel<string>('chosen', { required: true })
const kind = computed(() => props.charging.find((p) => p.id === chosen.value)?.design.kind)
const bad = computed(() => (props.charge?.overheated.length ?? 0) > 0)
const here = computed(() => {
  const c = props.charge
  if (!c) return ''
  let i = c.seconds.findIndex((s) => s >= props.second)
  if (i < 0) i = c.seconds.length - 1
  return `${hours(props.second)} after the start: mean ${degrees(c.mean[i], props.units, 0)}, hottest ${degrees(c.hottest[i], props.units, 0)}`
})
</script>

<template>
  <section aria-label="A charge tried">
    <div v-if="charging.length" class="how">
      <template v-if="charging.length > 1">
        <label for="charge-by">With</label>
        <BFormSelect
          id="charge-by"
          v-model="chosen"
          :options="charging.map((p) => ({ value: p.id, text: p.name }))"
        />
      </template>
      <NumberField v-model="how.hours" label="for, h" optional />
      <template v-if="kind === 'FIRE'">
        <NumberField v-model="how.kilograms" label="each load" quantity="mass" optional />
        <NumberField v-model="how.loads" label="loads" optional />
        <NumberField v-model="how.bypassHours" label="bypass open at first, h" optional />
      </template>
    </div>
    <p v-else class="soft">
      Nothing charges it yet: choose what does under “Charge”, beside the drawing.
    </p>
    <ProblemNote v-if="error" :error="error" />
    <template v-if="charge">
      <p :class="bad ? 'caution' : 'said'">{{ hotSentence(charge, units) }}</p>
      <ChargeCurve :charge="charge" :moment="moment" :aim="design.chargeToCelsius" :units="units" />
      <label class="hand" for="moment">{{ here }}</label>
      <input
        id="moment"
        v-model.number="moment"
        type="range"
        min="0"
        max="1"
        step="0.01"
        :aria-valuetext="here"
      />
      <p class="soft">{{ efficiencySentence(charge, currency) }}</p>
    </template>
    <p v-else-if="busy" class="soft">Reckoning …</p>
  </section>
</template>

<style scoped>
.how {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.6rem;
  align-items: center;
  margin-bottom: 0.5rem;
}

.how :deep(input) {
  width: 76px;
}

.how select {
  width: auto;
}

.said {
  font-weight: 600;
}

.hand {
  display: block;
  margin-top: 0.4rem;
}

input[type='range'] {
  width: 100%;
  accent-color: var(--ember);
  min-height: 40px;
}
</style>
