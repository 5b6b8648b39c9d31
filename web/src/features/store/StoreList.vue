<script setup lang="ts">
/** All stores in words: what each holds, when it was read, what it is. */
import type { Views } from '@/shared/api/client'
import { clock, day, degrees, massOf, energyOf, type Temperature } from '@/shared/units'

const props = defineProps<{
  stores: Views['StoreView'][]
  media: { id: string; name: string }[]
  holding: string
  units: Temperature
  zone: string
  now: string
}>()

const when = (at: string) => {
  const hours = (Date.parse(props.now) - Date.parse(at)) / 3.6e6
  const seconds = Date.parse(at) / 1000
  return hours < 20 ? `at ${clock(seconds, props.zone)}` : day(seconds, props.zone)
}
const mediumOf = (s: Views['StoreView']) =>
  props.media.find((m) => m.id === s.design.medium)?.name.toLowerCase()
</script>

<template>
  <ul class="row-of-stores">
    <li v-for="s in stores" :key="s.id">
      <RouterLink :to="{ name: 'store', params: { holding, store: s.id } }">
        <strong>{{ s.name }}</strong>
        <span v-if="s.planned" class="soft"> planned</span>
      </RouterLink>
      <p>
        <template v-if="s.now.usableJoules != null && s.now.meanCelsius != null && s.now.at">
          <span class="figure balance">{{ energyOf(s.now.usableJoules) }}</span>
          <span class="soft">
            of {{ energyOf(s.appraisal.usableJoules) }},
            {{ degrees(s.now.meanCelsius, units, 0) }} on the whole, read {{ when(s.now.at) }}</span
          >
        </template>
        <span v-else class="soft">{{ s.planned ? 'Not built yet.' : 'Not read yet.' }}</span><br />
        <span class="soft">{{ massOf(s.appraisal.massKg) }} of {{ mediumOf(s) }}</span>
      </p>
    </li>
  </ul>
</template>

<style scoped>
.row-of-stores {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 1rem 1.5rem;
}

a {
  color: var(--ink);
  text-decoration: none;
}

a:hover strong {
  text-decoration: underline;
}

strong {
  font-family: var(--figure);
}

.balance {
  font-size: 1.25rem;
  font-weight: 600;
}

p {
  margin: 0;
}
</style>
