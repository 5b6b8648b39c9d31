<script setup lang="ts">
/** What lies in parts of a body beside its own fill: layers, cores, a firebox left hollow. */
import { BButton, BFormCheckbox, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import NumberField from '@/shared/NumberField.vue'
import type { Design } from './designs'
import { addHollow, addLayer, halfWidth, isLayer, within, type Fill } from './fills'
import type { MediumChoice } from './media'

const props = defineProps<{ design: Design; media: MediumChoice[]; disabled: boolean }>()
const full = ref(false)
const fills = computed(() => props.design.fills ?? [])
const solid = computed(() => props.design.medium !== 'water' && props.design.led?.way !== 'STONES')
const choices = computed(() => [
  { value: '', text: 'nothing: a firebox, hollow' },
  ...props.media.filter((m) => m.id !== 'water').map((m) => ({ value: m.id, text: m.name })),
])
const tall = computed(() => props.design.heightMetres)
const LEAST = 0.01

const add = (how: () => boolean) => (full.value = !how())
const from = (f: Fill, m: number | null) =>
  (f.lowFraction = within(m == null ? m : m / tall.value, 0, f.highFraction - LEAST, f.lowFraction))
const to = (f: Fill, m: number | null) =>
  (f.highFraction = within(
    m == null ? m : m / tall.value,
    f.lowFraction + LEAST,
    1,
    f.highFraction,
  ))
const out = (f: Fill, m: number | null) =>
  (f.reachFraction = within(m == null ? m : m / halfWidth(props.design), 0.02, 1, f.reachFraction))
</script>

<template>
  <section v-if="solid" aria-label="What lies in parts of it">
    <details :open="fills.length > 0">
      <summary>Something else in a part of it</summary>
      <fieldset v-for="(f, i) in fills" :key="i" :disabled="disabled" class="fill">
        <legend class="visually-hidden">Part {{ i + 1 }}</legend>
        <label :for="`fill-${i}`">There is</label>
        <BFormSelect
          :id="`fill-${i}`"
          :model-value="f.medium ?? ''"
          :options="choices"
          @update:model-value="f.medium = ($event || null) as string"
        />
        <NumberField
          :model-value="f.lowFraction * tall"
          label="From, above the foot"
          quantity="length"
          @update:model-value="from(f, $event ?? null)"
        />
        <NumberField
          :model-value="f.highFraction * tall"
          label="To"
          quantity="length"
          @update:model-value="to(f, $event ?? null)"
        />
        <BFormCheckbox
          class="wide"
          :model-value="isLayer(f)"
          @update:model-value="f.reachFraction = $event ? 1 : 0.5"
          >all across</BFormCheckbox
        >
        <NumberField
          v-if="!isLayer(f)"
          :model-value="f.reachFraction * halfWidth(design)"
          label="Out from the middle"
          quantity="length"
          @update:model-value="out(f, $event ?? null)"
        />
        <BButton size="sm" variant="secondary" @click="design.fills!.splice(i, 1)"
          >Take it out</BButton
        >
      </fieldset>
      <p v-if="full" class="soft" role="status">There is no room left for it.</p>
      <p v-if="!disabled" class="d-flex gap-2 flex-wrap mt-2">
        <BButton variant="secondary" size="sm" @click="add(() => addLayer(design, 'cob'))"
          >Add a layer</BButton
        >
        <BButton variant="secondary" size="sm" @click="add(() => addHollow(design))"
          >Leave a firebox hollow</BButton
        >
      </p>
    </details>
  </section>
</template>

<style scoped>
.fill {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 0.35rem 0.75rem;
  align-items: center;
  border-top: 1px solid var(--line-soft);
  padding: 0.5rem 0;
}

.wide {
  grid-column: 1 / -1;
}

summary {
  color: var(--ember);
}
</style>
