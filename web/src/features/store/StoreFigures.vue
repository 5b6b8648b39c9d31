<script setup lang="ts">
/** What a design comes to, moving with the hand: one line of figures under the drawing. */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { hours, massOf, powerOf, floorLoadOf } from '@/shared/units'

const props = defineProps<{ appraisal: Views['Appraisal']; count: number }>()
const figures = computed(() => {
  const a = props.appraisal
  const list = [
    { word: props.count > 1 ? `mass of ${props.count}` : 'mass', value: massOf(a.massKg) },
    { word: 'at dawn still gives', value: powerOf(a.dawnWatts) },
    { word: 'on the floor', value: floorLoadOf(a.loadKgPerSquareMetre) },
  ]
  if (a.packs != null) list.splice(1, 0, { word: `${a.packName}s`, value: String(a.packs) })
  if (a.sourceTooWeak) list.push({ word: 'full after', value: 'never' })
  else if (a.chargeSeconds) list.push({ word: 'full after', value: hours(a.chargeSeconds) })
  if (a.cost > 0)
    list.push({
      word: a.unpriced ? `cost, ${a.unpriced} unpriced` : 'cost',
      value: `${a.currency}${Math.round(a.cost)}`,
    })
  return list
})
</script>

<template>
  <dl class="figures">
    <div v-for="f in figures" :key="f.word">
      <dt>{{ f.word }}</dt>
      <dd>{{ f.value }}</dd>
    </div>
  </dl>
</template>

<style scoped>
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1.6rem;
  margin: 0.5rem 0 0;
}

dt {
  font-weight: 400;
  color: var(--ink-soft);
  font-size: 0.9rem;
}

dd {
  margin: 0;
  font-family: var(--figure);
  font-weight: 600;
}
</style>
