<script setup lang="ts">
/** Something that was logged, set right: where, when, how much. */
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref, useTemplateRef } from 'vue'
import type { Views } from '@/shared/api/client'
import { zonedIso, zonedText } from '@/shared/moments'
import NumberField from '@/shared/NumberField.vue'
import { minutesOf } from '@/shared/units'
import { kinds, wordOf } from './doneKinds'

const props = defineProps<{
  /** Whether it was logged this moment. */
  fresh: boolean
  places: { value: string | null; text: string }[]
  zone: string
  now: () => Date
}>()
const event = defineModel<Views['EventView']>({ required: true })
const emit = defineEmits<{ keep: [event: Views['EventView']] }>()
const DAY_MS = 86_400_000
const shown = zonedText(event.value.at, props.zone)
const when = reactive({ day: shown.slice(0, 10), time: shown.slice(11) })
const wrongHour = ref(false)
const amountWord = computed(() => kinds.find((k) => k.kind === event.value.kind)?.amount)
const form = useTemplateRef<HTMLFormElement>('form')
onMounted(() => {
  if (!props.fresh) form.value?.querySelector('select')?.focus()
})

const two = (n: number) => String(n).padStart(2, '0')

/** The day and hour as they were; an hour later than now was the day before. */
function keep() {
  const typed = minutesOf(when.time)
  wrongHour.value = typed == null
  if (typed == null) return
  const hour = `${two(Math.floor(typed / 60))}:${two(typed % 60)}`
  const moment = `${when.day}T${hour}`
  const iso = moment === shown ? event.value.at : zonedIso(moment, props.zone) // seconds are not shown
  const at = Date.parse(iso ?? event.value.at)
  const been = at > props.now().getTime() ? at - DAY_MS : at
  emit('keep', { ...event.value, at: new Date(been).toISOString() })
}
</script>

<template>
  <form ref="form" class="right" @submit.prevent="keep">
    <p role="status">
      <b>{{ wordOf(event.kind, event.way) }}</b>
      {{
        fresh
          ? 'is logged. Was it earlier or elsewhere, or is there more to say?'
          : 'as it was logged: what was otherwise?'
      }}
    </p>
    <label for="where">Where</label>
    <BFormSelect id="where" v-model="event.storeId" :options="places" />
    <label for="day">It was on</label>
    <BFormInput id="day" v-model="when.day" type="date" />
    <label for="hour">It was at</label>
    <BFormInput
      id="hour"
      v-model="when.time"
      placeholder="16:40"
      :aria-invalid="wrongHour"
      aria-describedby="hour-wrong"
    />
    <p v-if="wrongHour" id="hour-wrong" class="wrong" role="alert">
      “{{ when.time }}” is no hour. For instance 16:40, 1640 or 4:40 pm.
    </p>
    <NumberField
      v-if="amountWord"
      v-model="event.amount"
      :label="amountWord"
      quantity="mass"
      optional
    />
    <NumberField
      v-if="['FIRE_LIT', 'FUEL_ADDED'].includes(event.kind)"
      v-model="event.moisture"
      label="Water in it, share"
      optional
    />
    <label for="more">Note</label>
    <BFormInput id="more" v-model="event.note" maxlength="2000" />
    <BButton type="submit" variant="secondary">Set it right</BButton>
  </form>
</template>

<style scoped>
.right {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 190px;
  gap: 0.35rem 0.75rem;
  align-items: center;
  max-width: 460px;
  border-left: 4px solid var(--ember);
  padding: 0.5rem 0.9rem;
  margin-top: 0.75rem;
}

.right p {
  grid-column: 1 / -1;
  margin: 0;
}

.right .wrong {
  color: var(--lost);
}
</style>
