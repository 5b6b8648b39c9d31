<script setup lang="ts">
/** What a heap was fed and when, and what that mixture is worth. */
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import { useSession } from '@/shared/session'
import type { Temperature } from '@/shared/units'
import HeapBook from './HeapBook.vue'
import type { Of } from './parts'

type Fed = Of<'HEAP'>['fed']
const props = defineProps<{
  fed: Fed
  store: Views['StoreView'] | undefined
  holding: string
  feedstocks: { id: string; name: string; density: number }[]
  units: Temperature
  disabled: boolean
}>()
const emit = defineEmits<{ change: [fed: Fed] }>()
const session = useSession()
const choices = computed(() => props.feedstocks.map((f) => ({ value: f.id, text: f.name })))

const densityOf = (id: string) => props.feedstocks.find((f) => f.id === id)?.density
const add = () =>
  emit('change', [
    ...props.fed,
    { feedstock: 'straw', kilograms: 50, at: session.me?.now ?? new Date().toISOString() },
  ])
const day = (at: string) => (at ?? session.me?.now ?? '').slice(0, 10)
function setDay(f: Fed[number], e: Event) {
  const typed = (e.target as HTMLInputElement).value
  if (typed) f.at = `${typed}T12:00:00Z`
}
</script>

<template>
  <section aria-label="What it was fed">
    <HeapBook v-if="fed.length" :fed="fed" :store="store" :holding="holding" :units="units" />
    <fieldset v-for="(f, i) in fed" :key="i" :disabled="disabled" class="feed">
      <legend class="visually-hidden">Feeding {{ i + 1 }}</legend>
      <label class="visually-hidden" :for="`feed${i}`">What was fed</label>
      <BFormSelect :id="`feed${i}`" v-model="f.feedstock" :options="choices" />
      <div class="pair">
        <NumberField
          v-model="f.kilograms"
          label=""
          quantity="mass"
          :density="densityOf(f.feedstock)"
        />
        <label class="visually-hidden" :for="`feed-day${i}`">Fed on</label>
        <input
          :id="`feed-day${i}`"
          type="date"
          class="form-control"
          :value="day(f.at)"
          @change="setDay(f, $event)"
        />
        <BButton
          size="sm"
          variant="secondary"
          :aria-label="`Take feeding ${i + 1} out`"
          @click="
            emit(
              'change',
              fed.filter((_, k) => k !== i),
            )
          "
          >×</BButton
        >
      </div>
    </fieldset>
    <BButton v-if="!disabled" variant="secondary" @click="add">Add a feeding</BButton>
  </section>
</template>

<style scoped>
.feed {
  border-top: 1px solid var(--line-soft);
  padding: 0.35rem 0;
}

.pair {
  display: grid;
  grid-template-columns: auto 1fr 1.3fr auto;
  gap: 0.4rem;
  align-items: center;
  margin-top: 0.3rem;
}
</style>
