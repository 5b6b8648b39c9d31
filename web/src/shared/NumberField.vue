<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { computed, ref, useId, watch } from 'vue'
import { typedLoose, typedQuantity } from './typed'
import {
  massOf,
  measure,
  toOwn,
  typedCelsius,
  typedNumber,
  type Quantity,
  type Temperature,
} from './units'

/** A number typed as people type it; what is no number stays typed and is said so. */
const props = withDefaults(
  defineProps<{
    label: string
    temperature?: Temperature
    quantity?: Quantity
    /** Of a mass of loose stuff, kg/m³: barrows and buckets are understood. */
    density?: number
    optional?: boolean
    placeholder?: string
    disabled?: boolean
  }>(),
  {
    temperature: undefined,
    quantity: undefined,
    density: undefined,
    optional: false,
    placeholder: '',
    disabled: false,
  },
)
const value = defineModel<number | null>({ required: true })
const id = useId()
const hint = computed(() =>
  props.temperature
    ? `°${props.temperature.fahrenheit ? 'F' : 'C'}`
    : props.quantity
      ? measure(props.quantity).symbol
      : '',
)

const shown = () => {
  if (value.value == null) return ''
  if (props.quantity) return String(Number(toOwn(value.value, props.quantity).toPrecision(5)))
  const v = props.temperature?.fahrenheit ? value.value * 1.8 + 32 : value.value
  return String(Math.round(v * 1000) / 1000)
}
const text = ref(shown())
const wrong = ref(false)
const weighed = (t: string) => (props.quantity ? typedQuantity(t, props.quantity) : typedNumber(t))
const read = (t: string) => {
  if (props.temperature) return typedCelsius(t, props.temperature)
  const n = weighed(t)
  return Number.isNaN(n) && props.density ? typedLoose(t, props.density) : n
}
/** Not weighed but carried: what that is taken for. */
const taken = computed(() =>
  props.density && text.value.trim() && Number.isNaN(weighed(text.value)) ? read(text.value) : NaN,
)

watch([value, hint], () => {
  if (read(text.value) !== value.value) text.value = shown()
})

function typed(t: string) {
  text.value = t
  if (!t.trim() && props.optional) {
    wrong.value = false
    value.value = null
    return
  }
  const n = read(t)
  wrong.value = Number.isNaN(n)
  if (!wrong.value) value.value = n
}
</script>

<template>
  <label :for="id">{{ [label, hint].filter(Boolean).join(', ') }}</label>
  <div>
    <BFormInput
      :id="id"
      :model-value="text"
      :placeholder="placeholder"
      :disabled="disabled"
      inputmode="text"
      :aria-invalid="wrong"
      @update:model-value="typed(String($event))"
    />
    <small v-if="!Number.isNaN(taken)">about {{ massOf(taken) }}, a third either way</small>
    <small v-if="wrong" class="wrong">
      This is no number{{ quantity ? ` in ${hint}, nor one with another unit` : '' }}.
    </small>
  </div>
</template>

<style scoped>
.wrong {
  color: var(--lost);
}
</style>
