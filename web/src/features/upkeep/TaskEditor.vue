<script setup lang="ts">
/** A task: what, why, how often; and when it was done. */
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive } from 'vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { clock, day } from '@/shared/units'

const props = defineProps<{
  task: Views['TaskDraft']
  done: Views['DoneView'][]
  isNew: boolean
  zone: string
  error: unknown
}>()
const emit = defineEmits<{
  keep: [draft: Views['TaskDraft']]
  drop: []
  undo: [id: string]
  close: []
}>()
const d = reactive({ ...props.task })
const months = [
  { value: null, text: 'no date' },
  ...Array.from({ length: 12 }, (_, i) => ({
    value: i + 1,
    text: new Date(Date.UTC(2024, i, 1)).toLocaleDateString('en-GB', {
      month: 'long',
      timeZone: 'UTC',
    }),
  })),
]
const dated = computed(() => d.month != null)
const keep = () => emit('keep', { ...d, dayOfMonth: d.month == null ? null : (d.dayOfMonth ?? 1) })
const when = (iso: string) =>
  `${day(Date.parse(iso) / 1000, props.zone)}, ${clock(Date.parse(iso) / 1000, props.zone)}`
</script>

<template>
  <form class="editor" @submit.prevent="keep">
    <label for="task-what">What</label>
    <BFormInput id="task-what" v-model="d.what" maxlength="200" />
    <label for="task-why">Why</label>
    <BFormInput id="task-why" v-model="d.why" maxlength="500" />
    <NumberField v-model="d.days" label="Every so many days" optional />
    <NumberField v-model="d.fires" label="or fires" optional />
    <NumberField v-model="d.kilograms" label="or burnt wood" quantity="mass" optional />
    <label for="task-month">or every year before</label>
    <span class="date">
      <BFormInput
        v-if="dated"
        v-model.number="d.dayOfMonth"
        type="number"
        min="1"
        max="31"
        aria-label="Day of the month"
      />
      <BFormSelect id="task-month" v-model="d.month" :options="months" />
    </span>
    <p class="all soft">
      Whichever is over first. Local rules and what its maker says come before these.
    </p>
    <ProblemNote v-if="error" :error="error" class="all" />
    <p class="all">
      <BButton type="submit" variant="primary">{{ isNew ? 'Take it on' : 'Keep' }}</BButton>
      <BButton v-if="!isNew" variant="secondary" @click="$emit('drop')">Let it go</BButton>
      <BButton variant="secondary" @click="$emit('close')">Close</BButton>
    </p>
    <ul v-if="done.length" class="all">
      <li v-for="one in done.slice(0, 8)" :key="one.id">
        {{ when(one.at) }} {{ one.note }}
        <BButton
          size="sm"
          variant="secondary"
          :aria-label="`Take back that it was done on ${when(one.at)}`"
          @click="$emit('undo', one.id)"
          >Take back</BButton
        >
      </li>
    </ul>
  </form>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr);
  gap: 0.35rem 0.75rem;
  align-items: center;
  border-left: 4px solid var(--ember);
  padding: 0.6rem 0.9rem;
  margin: 0.4rem 0 0.8rem;
  max-width: 640px;
}

.all {
  grid-column: 1 / -1;
  margin: 0.2rem 0 0;
}

p.all {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}

.date {
  display: flex;
  gap: 0.4rem;
}

.date input {
  width: 5rem;
}

ul {
  padding: 0;
  list-style: none;
}
</style>
