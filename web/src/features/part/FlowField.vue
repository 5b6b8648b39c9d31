<script setup lang="ts">
/** The real flow, as a bucket and a watch tell it. */
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import NumberField from '@/shared/NumberField.vue'
import { typedQuantity } from '@/shared/typed'
import { measure, typedNumber } from '@/shared/units'

const flow = defineModel<number>({ required: true })
defineProps<{ id: string; water: boolean }>()
const bucket = ref('')
const seconds = ref('')
const told = computed(() => {
  const b = typedQuantity(bucket.value, 'volume')
  const s = typedNumber(seconds.value)
  return b > 0 && s > 0 ? b / s : null
})
function take() {
  if (told.value) flow.value = Math.round(told.value * 1e4) / 1e4
}
</script>

<template>
  <div class="grid">
    <NumberField v-model="flow" label="Real flow, kg/s" />
  </div>
  <div v-if="water" class="bucket">
    <span>A bucket and a watch tell the real flow:</span>
    <label class="visually-hidden" :for="`${id}-litres`"
      >Filled, {{ measure('volume').symbol }}</label
    >
    <BFormInput
      :id="`${id}-litres`"
      v-model="bucket"
      :placeholder="measure('volume').symbol"
      inputmode="decimal"
    />
    <label class="visually-hidden" :for="`${id}-secs`">Seconds</label>
    <BFormInput :id="`${id}-secs`" v-model="seconds" placeholder="seconds" inputmode="decimal" />
    <BButton size="sm" variant="secondary" :disabled="!told" @click="take">
      {{ told ? `Use ${told.toFixed(3)} kg/s` : 'Use it' }}
    </BButton>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 0.35rem 0.75rem;
  align-items: center;
}

.bucket {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 0.35rem;
  margin: 0.5rem 0;
}

.bucket span {
  grid-column: 1 / -1;
  color: var(--ink-soft);
}
</style>
