<script setup lang="ts">
/** What somebody knows better than was read or forecast; whatever is left empty is taken as read. */
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import { degrees, type Temperature } from '@/shared/units'
import { forecastLow, skies, winds } from './givens'
import type { Asked } from './useTonight'

const props = defineProps<{
  asked: Asked
  read: Record<string, number | null>
  night: Views['TonightView'] | null
  units: Temperature
}>()
defineEmits<{ ask: [] }>()
const low = computed(() => {
  const told = forecastLow(props.night)
  return told == null ? 'as forecast' : `forecast ${degrees(told, props.units)}`
})
</script>

<template>
  <form class="ask" aria-label="Tonight" @submit.prevent="$emit('ask')">
    <div>
      <NumberField
        v-model="asked.low"
        label="Tonight’s low"
        :temperature="units"
        optional
        :placeholder="low"
      />
    </div>
    <div>
      <label for="t-hour">comes at</label>
      <input
        id="t-hour"
        v-model.lazy="asked.hour"
        class="form-control"
        placeholder="before sunrise"
      />
    </div>
    <div>
      <NumberField
        v-model="asked.evening"
        label="Now outdoors"
        :temperature="units"
        optional
        placeholder="as read"
      />
    </div>
    <div>
      <NumberField
        v-model="asked.air"
        label="Air inside"
        :temperature="units"
        optional
        placeholder="as read"
      />
    </div>
    <div>
      <label for="t-sky">Sky</label>
      <BFormSelect id="t-sky" v-model="asked.cloud" :options="skies" />
    </div>
    <div>
      <label for="t-wind">Wind</label>
      <BFormSelect id="t-wind" v-model="asked.wind" :options="winds" />
    </div>
    <NumberField
      v-model="asked.floor"
      label="Floor or beds"
      :temperature="units"
      optional
      placeholder="the day’s mean"
    />
    <NumberField
      v-for="s in night?.stores ?? []"
      :key="s.id"
      v-model="read[s.id]"
      :label="s.name"
      :temperature="units"
      optional
      placeholder="as read"
    />
  </form>
</template>

<style scoped>
.ask {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 0.5rem 1rem;
  margin: 0.5rem 0 0.8rem;
}

.ask label {
  color: var(--ink-soft);
  font-size: 0.95rem;
}

@media (max-width: 600px) {
  .ask {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
