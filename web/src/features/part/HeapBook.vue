<script setup lang="ts">
/** A heap as a practice: what lies on it, what it can give, and how to feed it for what is drawn. */
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, shallowRef, watchEffect } from 'vue'
import HeapMound from '@/instruments/HeapMound.vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { degrees, massOf, percent, toOwn, type Temperature } from '@/shared/units'
import { coldSentence, giveSentence, rhythmSentence } from './heap'
import type { Of } from './parts'
import { heapQuery } from './queries'

const props = defineProps<{
  fed: Of<'HEAP'>['fed']
  store: Views['StoreView'] | undefined
  holding: string
  units: Temperature
}>()
const session = useSession()
/** What is to be drawn, and by which loads; null for what is proposed. */
const wanted = reactive({ watts: null as number | null, load: null as number | null })
const { data, error } = useQuery(
  computed(() =>
    heapQuery(props.holding, props.store, {
      fed: JSON.parse(JSON.stringify(props.fed)),
      watts: wanted.watts,
      loadKilograms: wanted.load,
    }),
  ),
)
/** What was last answered: what cannot be answered leaves the fields where they are. */
const worth = shallowRef(data.value)
watchEffect(() => (worth.value = data.value ?? worth.value))
const now = computed(() => session.now().getTime())
const zone = computed(() => session.zone(props.holding))
</script>

<template>
  <div class="heap-book">
    <div v-if="worth" class="sides">
      <div>
        <p class="verdict">{{ giveSentence(worth, units) }}</p>
        <p class="rhythm">
          {{ rhythmSentence(worth.rhythm, units) }} {{ coldSentence(worth, now, zone) }}
        </p>
        <slot name="act" :rhythm="worth.rhythm" />
        <div class="wanted no-print">
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
        <p class="soft">
          {{ Math.round(worth.carbonToNitrogen) }} parts of carbon to one of nitrogen,
          {{ percent(worth.moisture) }} water, {{ massOf(worth.solidsLow) }} to
          {{ massOf(worth.solidsHigh) }} left to burn. What it gives is reckoned, good to half as
          much again; outdoors {{ degrees(worth.course.outsideCelsius, units, 0) }} throughout{{
            worth.course.read ? '' : ', and nobody has read it these three days'
          }}.
        </p>
      </div>
      <div>
        <HeapMound :heap="worth" :now="now" :zone="zone" :units="units" />
      </div>
    </div>
    <p v-if="!worth && !error" class="soft">Working through its fortnight …</p>
    <div v-for="h in worth?.hints ?? []" :key="h.reason" class="caution">
      <b>{{ h.reason }}</b> {{ h.remedy }}
    </div>
    <ProblemNote v-if="error" :error="error" />
  </div>
</template>

<style scoped>
.heap-book {
  container-type: inline-size;
}

.wanted {
  display: grid;
  grid-template-columns: auto 1fr auto 1fr;
  gap: 0.4rem;
  align-items: center;
  margin: 0.6rem 0;
}

@container (min-width: 900px) {
  .sides {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.3fr);
    gap: 2rem;
    align-items: start;
  }
}
</style>
