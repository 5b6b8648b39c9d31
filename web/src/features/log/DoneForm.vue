<script setup lang="ts">
/** Something that was logged, set right: where, when, how much. */
import { useQuery } from '@tanstack/vue-query'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'
import type { Views } from '@/shared/api/client'
import { zonedIso, zonedText } from '@/shared/moments'
import NumberField from '@/shared/NumberField.vue'
import { useSession } from '@/shared/session'
import { degrees, minutesOf, typedCelsius } from '@/shared/units'
import { feedstocksOf } from '../store/media'
import { bookQuery, catalogueQuery } from '../store/queries'
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
const known = computed(() => kinds.find((k) => k.kind === event.value.kind))
const session = useSession()
const { data: catalogue } = useQuery(catalogueQuery())
const { data: book } = useQuery({
  ...bookQuery(String(useRoute().params.holding)),
  meta: { aside: true },
})
const all = computed(() => feedstocksOf(catalogue.value, book.value?.data.book))
const units = session.units
const ends = ref(
  event.value.kind === 'OFF_SCALE' && event.value.amount != null
    ? degrees(event.value.amount, units)
    : '',
)
const noEnd = ref(false)
/** Of what a heap was fed, once that is said. */
const density = computed(() => {
  const said = event.value.note?.toLowerCase()
  const of = event.value.kind === 'HEAP' && said ? said : null
  return of ? all.value.find((f) => of.includes(f.name.toLowerCase()))?.density : undefined
})
const form = useTemplateRef<HTMLFormElement>('form')
onMounted(() => {
  if (!props.fresh) form.value?.querySelector('select')?.focus()
})

const two = (n: number) => String(n).padStart(2, '0')

/** The day and hour as they were; an hour later than now was the day before. */
function keep() {
  const typed = minutesOf(when.time)
  wrongHour.value = typed == null
  const end = ends.value.trim() ? typedCelsius(ends.value, session.units) : null
  noEnd.value = Number.isNaN(end)
  if (typed == null || noEnd.value) return
  const hour = `${two(Math.floor(typed / 60))}:${two(typed % 60)}`
  const moment = `${when.day}T${hour}`
  const iso = moment === shown ? event.value.at : zonedIso(moment, props.zone) // seconds are not shown
  const at = Date.parse(iso ?? event.value.at)
  const been = at > props.now().getTime() ? at - DAY_MS : at
  emit('keep', {
    ...event.value,
    amount: event.value.kind === 'OFF_SCALE' ? (end as number) : event.value.amount,
    at: new Date(been).toISOString(),
  })
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
      v-if="known?.amount"
      v-model="event.amount"
      :label="known.amount"
      quantity="mass"
      :density="density"
      optional
    />
    <NumberField
      v-if="['FIRE_LIT', 'FUEL_ADDED'].includes(event.kind)"
      v-model="event.moisture"
      label="Water in it, share"
      optional
    />
    <template v-if="event.kind === 'OFF_SCALE'">
      <label for="ends">Its scale ends at</label>
      <BFormInput
        id="ends"
        v-model="ends"
        inputmode="text"
        :placeholder="units.fahrenheit ? '230 F' : '110 C'"
        :aria-invalid="noEnd"
        aria-describedby="ends-wrong"
      />
      <p v-if="noEnd" id="ends-wrong" class="wrong" role="alert">
        “{{ ends }}” is no temperature. For instance 110 C or 230 F.
      </p>
    </template>
    <p v-if="known?.seen && !event.storeId">Say at which store: it is judged by it.</p>
    <label for="more">{{ event.kind === 'HEAP' ? 'What of' : 'Note' }}</label>
    <BFormInput
      id="more"
      v-model="event.note"
      maxlength="2000"
      :placeholder="event.kind === 'HEAP' ? 'as last time' : ''"
      :list="event.kind === 'HEAP' ? 'feedstocks' : undefined"
    />
    <datalist v-if="event.kind === 'HEAP'" id="feedstocks">
      <option v-for="f in all" :key="f.id" :value="f.name" />
    </datalist>
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
