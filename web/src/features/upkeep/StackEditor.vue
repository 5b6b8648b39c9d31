<script setup lang="ts">
/** A stack of wood: what it is, how much, how it lies. */
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { reactive, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { zonedIso, zonedText } from '@/shared/moments'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'

const props = defineProps<{
  stack: Views['StackDraft']
  isNew: boolean
  zone: string
  error: unknown
}>()
const emit = defineEmits<{ keep: [draft: Views['StackDraft']]; drop: []; close: [] }>()
const covers = [
  { value: 'ROOFED', text: 'a roof over it, sides open' },
  { value: 'ROOM', text: 'it lies in a dry room' },
  { value: 'BARE', text: 'nothing: rain falls on it' },
]
const own = (s: Views['StackDraft']) => ({
  ...s,
  percent: s.moisture == null ? null : Math.round(s.moisture * 1000) / 10,
  day: zonedText(s.since, props.zone).slice(0, 10),
})
const d = reactive(own(props.stack))
const noDay = ref(false)

function keep() {
  const asBefore = d.day === zonedText(props.stack.since, props.zone).slice(0, 10)
  const since = asBefore ? props.stack.since : zonedIso(`${d.day}T12:00`, props.zone)
  noDay.value = !since
  if (!since) return
  emit('keep', {
    name: d.name,
    kilograms: d.kilograms,
    thicknessMetres: d.thicknessMetres,
    cover: d.cover,
    moisture: d.percent == null ? null : d.percent / 100,
    since,
  })
}
</script>

<template>
  <form class="editor" @submit.prevent="keep">
    <label for="stack-name">Stack</label>
    <BFormInput
      id="stack-name"
      v-model="d.name"
      maxlength="100"
      placeholder="birch behind the shed"
    />
    <NumberField v-model="d.kilograms" label="It weighed then" quantity="mass" />
    <label for="stack-since">Split, weighed or measured on</label>
    <BFormInput id="stack-since" v-model="d.day" type="date" :aria-invalid="noDay" />
    <NumberField
      v-model="d.percent"
      label="Water in it then, % of all"
      placeholder="fresh"
      optional
    />
    <NumberField v-model="d.thicknessMetres" label="Pieces, how thick" quantity="thickness" />
    <label for="stack-cover">What keeps rain off</label>
    <BFormSelect id="stack-cover" v-model="d.cover" :options="covers" />
    <ProblemNote v-if="error" :error="error" class="all" />
    <p class="all">
      <BButton type="submit" variant="primary">{{ isNew ? 'Stack it' : 'Keep' }}</BButton>
      <BButton v-if="!isNew" variant="secondary" @click="$emit('drop')">Take it away</BButton>
      <BButton variant="secondary" @click="$emit('close')">Close</BButton>
    </p>
  </form>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 210px;
  gap: 0.35rem 0.75rem;
  align-items: center;
  border-left: 4px solid var(--ember);
  padding: 0.6rem 0.9rem;
  margin: 0.75rem 0;
  max-width: 520px;
}

.all {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin: 0.3rem 0 0;
}
</style>
