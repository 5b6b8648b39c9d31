<script setup lang="ts">
/** All stores side by side, seen end on, on one ground line and scale, as full as last read. */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { heatColour } from '@/shared/heat'
import { clock, day, degrees, massOf, energyOf, type Temperature } from '@/shared/units'

const props = defineProps<{
  stores: Views['StoreView'][]
  media: Views['Medium'][]
  holding: string
  units: Temperature
  zone: string
  now: string
}>()

const H = 210
const across = (d: Views['StoreDesign']) =>
  d.shape === 'CYLINDER' ? d.diameterMetres : Math.min(d.lengthMetres, d.widthMetres)
const widest = computed(() =>
  Math.max(...props.stores.map((s) => across(s.design) * Math.min(8, s.design.count) * 1.12)),
)
const tallest = computed(() => Math.max(...props.stores.map((s) => s.design.heightMetres)))
const scale = computed(() => Math.min(250 / widest.value, (H - 30) / tallest.value))

const bodies = (s: Views['StoreView']) => {
  const w = across(s.design) * scale.value
  const n = Math.min(8, s.design.count)
  const gap = w * 0.12
  const start = 140 - (n * w + (n - 1) * gap) / 2
  return Array.from({ length: n }, (_, i) => ({
    x: start + i * (w + gap),
    w,
    h: s.design.heightMetres * scale.value,
  }))
}
const fill = (s: Views['StoreView']) =>
  s.now.meanCelsius == null ? 'var(--line-soft)' : heatColour(s.now.meanCelsius, 90)
const fullness = (s: Views['StoreView']) =>
  s.now.usableJoules == null
    ? 0
    : Math.min(1, s.now.usableJoules / Math.max(1, s.appraisal.usableJoules))
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
        <svg :viewBox="`0 0 280 ${H}`" aria-hidden="true">
          <path :d="`M0 ${H - 14} H280`" stroke="var(--ink)" />
          <g v-for="(b, i) in bodies(s)" :key="i">
            <rect
              :x="b.x"
              :y="H - 14 - b.h"
              :width="b.w"
              :height="b.h"
              fill="var(--sheet)"
              stroke="var(--ink)"
              stroke-width="1.5"
              :stroke-dasharray="s.planned ? '5 4' : undefined"
            />
            <rect
              :x="b.x"
              :y="H - 14 - b.h * fullness(s)"
              :width="b.w"
              :height="b.h * fullness(s)"
              :fill="fill(s)"
            />
          </g>
        </svg>
        <strong>{{ s.name }}</strong>
        <span v-if="s.planned" class="soft"> planned</span>
      </RouterLink>
      <p>
        <template v-if="s.now.usableJoules != null">
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

svg {
  width: 100%;
  display: block;
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
