<script setup lang="ts">
/** What a holding has of one kind that is in no table, each with its figures and where they are from. */
import { BButton, BFormInput } from 'bootstrap-vue-next'
import NumberField from '@/shared/NumberField.vue'
import type { Temperature } from '@/shared/units'
import type { Figure, kinds, Own } from './own'

const props = defineProps<{
  of: (typeof kinds)[number]
  list: Own[]
  units: Temperature
  editable: boolean
}>()
defineEmits<{ add: []; remove: [at: number] }>()

const figures = (o: Own) => o as unknown as Record<string, number | null>
/** Rounded, so that 0.07 comes back as 7 and not as 7.000000000000001. */
const shown = (o: Own, f: Figure) => {
  const v = figures(o)[f.key]
  return f.percent && v != null ? Number((100 * v).toPrecision(12)) : v
}
function put(o: Own, f: Figure, v: number | null) {
  figures(o)[f.key] = f.percent && v != null ? Number((v / 100).toPrecision(12)) : v
}
</script>

<template>
  <h2 class="mt-4">{{ of.head }}</h2>
  <p class="soft">{{ of.how }}</p>
  <fieldset v-for="(o, i) in props.list" :key="o.id" class="thing">
    <legend>{{ o.name }}</legend>
    <label :for="`name-${o.id}`">Name</label>
    <BFormInput :id="`name-${o.id}`" v-model="o.name" maxlength="80" />
    <NumberField
      v-for="f in of.figures"
      :key="f.key"
      :model-value="shown(o, f)"
      :label="f.label"
      :temperature="f.warmth ? units : undefined"
      @update:model-value="put(o, f, $event ?? null)"
    />
    <label :for="`note-${o.id}`">Where from</label>
    <BFormInput :id="`note-${o.id}`" v-model="o.note" />
    <BButton size="sm" variant="secondary" @click="$emit('remove', i)"
      >Take {{ o.name }} out</BButton
    >
  </fieldset>
  <BButton v-if="editable" variant="secondary" @click="$emit('add')">{{ of.add }}</BButton>
</template>

<style scoped>
.thing {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 200px;
  gap: 0.35rem 0.75rem;
  max-width: 520px;
  border-top: 1px solid var(--line);
  padding: 0.5rem 0;
}

legend {
  font-family: var(--figure);
  font-size: 1.05rem;
}
</style>
