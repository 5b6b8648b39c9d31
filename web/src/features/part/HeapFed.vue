<script setup lang="ts">
/** What a heap was fed and when, and what that mixture is worth. */
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { degrees, massOf, percent, powerOf, toOwn, type Temperature } from '@/shared/units'
import { rhythmSentence } from './heap'
import type { Of } from './parts'

type Fed = Of<'HEAP'>['fed']
const props = defineProps<{
  fed: Fed
  store: Views['StoreView'] | undefined
  holding: string
  feedstocks: { id: string; name: string }[]
  units: Temperature
  disabled: boolean
}>()
const emit = defineEmits<{ change: [fed: Fed] }>()
const session = useSession()
const worth = ref<Views['HeapView'] | null>(null)
const error = ref<unknown>(null)
const choices = computed(() => props.feedstocks.map((f) => ({ value: f.id, text: f.name })))
/** What is to be drawn, and by which loads; null for what is proposed. */
const wanted = reactive({ watts: null as number | null, load: null as number | null })
let asked = 0

const add = () =>
  emit('change', [
    ...props.fed,
    { feedstock: 'straw', kilograms: 50, at: session.me?.now ?? new Date().toISOString() },
  ])
const nameOf = (id: string) => props.feedstocks.find((f) => f.id === id)?.name.toLowerCase() ?? id
const day = (at: string) => (at ?? session.me?.now ?? '').slice(0, 10)
function setDay(f: Fed[number], e: Event) {
  const typed = (e.target as HTMLInputElement).value
  if (typed) f.at = `${typed}T12:00:00Z`
}

watch(
  () => JSON.stringify([props.fed, props.store?.design, wanted]),
  async () => {
    if (!props.fed.length || !props.store) {
      worth.value = null
      return
    }
    const mine = ++asked
    try {
      const w = await body(
        api.POST('/api/holdings/{holdingId}/heap', {
          params: { path: { holdingId: props.holding } },
          body: {
            design: props.store.design,
            fed: props.fed,
            storeId: props.store.id,
            watts: wanted.watts,
            loadKilograms: wanted.load,
          },
        }),
      )
      if (mine !== asked) return
      worth.value = w
      error.value = null
    } catch (e) {
      if (mine === asked) error.value = e
    }
  },
  { immediate: true },
)
</script>

<template>
  <section aria-label="What it was fed">
    <p v-if="worth" class="verdict">
      It can give <b>{{ powerOf(worth.drawWatts) }}</b> day and night for a fortnight and stay above
      {{ degrees(worth.keepCelsius, units, 0) }}.
    </p>
    <p v-if="worth" class="rhythm">{{ rhythmSentence(worth.rhythm, units) }}</p>
    <div v-if="worth" class="wanted no-print">
      <NumberField
        v-model="wanted.watts"
        label="To be drawn"
        quantity="power"
        :placeholder="String(Math.round(toOwn(worth.rhythm.watts, 'power')))"
        optional
      />
      <NumberField
        v-model="wanted.load"
        label="One load"
        quantity="mass"
        :placeholder="String(Math.round(toOwn(worth.rhythm.loadKilograms, 'mass')))"
        optional
      />
    </div>
    <p v-if="worth?.logged.length" class="soft">
      Counted from the log, since this list ends:
      {{ worth.logged.map((f) => `${massOf(f.kilograms)} of ${nameOf(f.feedstock)}`).join(', ') }}.
    </p>
    <p v-if="worth" class="soft">
      {{ Math.round(worth.carbonToNitrogen) }} parts of carbon to one of nitrogen,
      {{ percent(worth.moisture) }} water, {{ massOf(worth.solidsLow) }} to
      {{ massOf(worth.solidsHigh) }} left to burn; what it can give is reckoned, good to half as
      much again.
    </p>
    <div v-for="h in worth?.hints ?? []" :key="h.reason" class="caution">
      <b>{{ h.reason }}</b> {{ h.remedy }}
    </div>
    <ProblemNote v-if="error" :error="error" />
    <fieldset v-for="(f, i) in fed" :key="i" :disabled="disabled" class="feed">
      <legend class="visually-hidden">Feeding {{ i + 1 }}</legend>
      <label class="visually-hidden" :for="`feed${i}`">What was fed</label>
      <BFormSelect :id="`feed${i}`" v-model="f.feedstock" :options="choices" />
      <div class="pair">
        <NumberField v-model="f.kilograms" label="" quantity="mass" />
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
.wanted {
  display: grid;
  grid-template-columns: auto 1fr auto 1fr;
  gap: 0.4rem;
  align-items: center;
  margin-bottom: 0.6rem;
}

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
