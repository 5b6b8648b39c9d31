<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { clock, day, degrees, type Temperature } from '@/shared/units'
import { keepsWords } from '@/shared/keeps'
import { upkeepQuery } from '../upkeep/queries'
import { dueOf, everyWords } from '../upkeep/sentences'
import { headline } from './sentences'

/** The night on a card for the door: only on paper. */
const props = defineProps<{
  night: Views['TonightView']
  errands: { at: string; word: string }[]
  house: string
  units: Temperature
  zone: string
  holding: string
}>()
const MOST_DUE = 4
const { data: upkeep } = useQuery({ ...upkeepQuery(props.holding), meta: { aside: true } })
const due = computed(() => dueOf(upkeep.value?.tasks ?? []).slice(0, MOST_DUE))
const inOrder = computed(() =>
  [...props.errands].sort((a, b) => Date.parse(a.at) - Date.parse(b.at)),
)
const burns = computed(() => props.errands.some((e) => e.word.startsWith('light')))
</script>

<template>
  <section class="card-for-the-door" aria-hidden="true">
    <h2>{{ house }}, the night of {{ day(night.at[0], zone) }}</h2>
    <p class="said">{{ headline(night, units, zone) }}</p>
    <p v-if="!inOrder.length">Nothing is to be done.</p>
    <ol>
      <li v-for="e in inOrder" :key="e.at + e.word">
        <span class="box"></span> <b>{{ clock(Date.parse(e.at) / 1000, zone) }}</b> {{ e.word }}
      </li>
    </ol>
    <p>
      {{ keepsWords[night.keeps].stand }} {{ degrees(night.plantLimitCelsius, units) }}. Sunrise
      {{ night.sunrise ? clock(Date.parse(night.sunrise) / 1000, zone) : 'does not come' }}.
    </p>
    <p v-if="burns">
      Something burns tonight: a carbon monoxide alarm must hang in the house, nobody sleeps in it,
      nothing dries on hot metal. The local code comes first.
    </p>
    <p v-for="t in due" :key="t.id">
      <span class="box"></span> Due: {{ t.task.what }} ({{ everyWords(t.task) }})
    </p>
    <p>Seen in the morning: ______________________________ coldest inside: ________</p>
  </section>
</template>

<style scoped>
.card-for-the-door {
  display: none;
}

@media print {
  .card-for-the-door {
    display: block;
    break-inside: avoid;
    border: 2px solid #000;
    padding: 1rem 1.5rem;
    margin: 1rem 0;
    font-size: 1.2rem;
  }

  ol {
    list-style: none;
    padding: 0;
  }

  .box {
    display: inline-block;
    width: 1em;
    height: 1em;
    border: 2px solid #000;
  }
}
</style>
