<script setup lang="ts">
/** What the heap was fed, and what that mixture is worth. */
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { degrees, massOf, percent, powerOf, type Temperature } from '@/shared/units'
import type { Design } from './designs'

const props = defineProps<{
  design: Design
  holding: string
  feedstocks: Views['Feedstock'][]
  units: Temperature
  disabled: boolean
}>()
const worth = ref<Views['HeapView'] | null>(null)
const error = ref<unknown>(null)
const feeds = computed(() => props.design.source.feeds ?? [])
const choices = computed(() => props.feedstocks.map((f) => ({ value: f.id, text: f.name })))
let asked = 0

function add() {
  props.design.source.feeds = [...feeds.value, { feedstock: 'straw', kilograms: 50, daysAgo: 0 }]
}

watch(
  () => JSON.stringify(props.design),
  async () => {
    if (!feeds.value.length) {
      worth.value = null
      return
    }
    const mine = ++asked
    try {
      const w = await body(
        api.POST('/api/holdings/{holdingId}/heap', {
          params: { path: { holdingId: props.holding } },
          body: props.design,
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
    <h2>What it was fed</h2>
    <p v-if="worth" class="verdict">
      It can give <b>{{ powerOf(worth.drawWatts) }}</b> day and night for a fortnight and stay above
      {{ degrees(worth.keepCelsius, units, 0) }}.
    </p>
    <p v-if="worth" class="soft">
      {{ Math.round(worth.carbonToNitrogen) }} parts of carbon to one of nitrogen,
      {{ percent(worth.moisture) }} water, {{ massOf(worth.solidsKilograms) }} left to burn;
      reckoned, good to half as much again.
    </p>
    <div v-for="h in worth?.hints ?? []" :key="h.reason" class="caution">
      <b>{{ h.reason }}</b> {{ h.remedy }}
    </div>
    <ProblemNote v-if="error" :error="error" />
    <fieldset v-for="(f, i) in feeds" :key="i" :disabled="disabled" class="feed">
      <legend class="visually-hidden">Feeding {{ i + 1 }}</legend>
      <label class="visually-hidden" :for="`feed${i}`">What was fed</label>
      <BFormSelect :id="`feed${i}`" v-model="f.feedstock" :options="choices" />
      <div class="pair">
        <NumberField v-model="f.kilograms" label="" quantity="mass" />
        <NumberField v-model="f.daysAgo" label="days ago" />
        <BButton
          size="sm"
          variant="secondary"
          :aria-label="`Take feeding ${i + 1} out`"
          @click="design.source.feeds = feeds.filter((_, k) => k !== i)"
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
  grid-template-columns: auto 1fr auto 1fr auto;
  gap: 0.4rem;
  align-items: center;
  margin-top: 0.3rem;
}
</style>
