<script setup lang="ts">
/** Day by day: what went in above the line, where it went below it, and the balance as a line. */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { energyOf, measure, sensible, toOwn } from '@/shared/units'

const props = defineProps<{ days: Views['StatementView']['days'] }>()
const W = 1120
const H = 300
const left = 56
const right = 84
const mid = 128
const own = (j: number) => toOwn(j, 'energy')
const most = computed(() =>
  Math.max(
    1,
    ...props.days.map((d) =>
      Math.max(
        own(d.charged),
        own(Math.max(0, d.delivered) + Math.max(0, d.early) + Math.max(0, d.lost)),
      ),
    ),
  ),
)
const scale = computed(() => 104 / most.value)
const day = (s: string) => Math.round(Date.parse(`${s}T00:00Z`) / 86_400_000)
const first = computed(() => day(props.days[0].evening))
const span = computed(() => day(props.days.at(-1)!.evening) - first.value + 1)
const step = computed(() => Math.min(60, (W - left - right) / span.value))
const x = (d: { evening: string }) => left + (day(d.evening) - first.value) * step.value
const wide = computed(() => Math.max(2, step.value * 0.62))
const parts = ['delivered', 'early', 'lost'] as const
const below = computed(() =>
  props.days.map((d) => {
    let at = mid
    return parts.map((key) => {
      const h = Math.max(0, own(d[key])) * scale.value
      at += h
      return { key, y: at - h, h }
    })
  }),
)
const highest = computed(() => Math.max(1, ...props.days.map((d) => Math.abs(own(d.balance)))))
const balance = computed(() =>
  props.days
    .map(
      (d, i) =>
        `${i ? 'L' : 'M'}${x(d) + step.value * 0.82} ${mid - (own(d.balance) / highest.value) * 104}`,
    )
    .join(' '),
)
const last = computed(() => props.days.at(-1)!)
const dates = computed(() => {
  const every = Math.max(1, Math.ceil(54 / step.value))
  return props.days.filter((d) => (day(d.evening) - first.value) % every === 0)
})
const dateWord = (s: string) =>
  new Date(`${s}T12:00Z`).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  })
</script>

<template>
  <div class="wide-drawing" role="region" aria-label="In and out, wider than the page" tabindex="0">
    <svg class="bars" :viewBox="`0 0 ${W} ${H}`" role="img" aria-label="In and out, day by day">
      <text class="soft" :x="left - 8" y="26" text-anchor="end">{{ sensible(most, 2) }}</text>
      <text class="soft" :x="left - 8" :y="mid + 5" text-anchor="end">0</text>
      <text class="soft" :x="left - 8" :y="mid + 108" text-anchor="end">
        {{ sensible(most, 2) }}
      </text>
      <text class="soft" x="6" y="46">{{ measure('energy').symbol }} in</text>
      <text class="soft" x="6" :y="mid + 88">and out</text>
      <g v-for="(d, i) in days" :key="d.evening">
        <rect
          class="charged"
          :x="x(d) + (step - wide) / 2"
          :y="mid - Math.max(0, own(d.charged)) * scale"
          :width="wide"
          :height="Math.max(0, own(d.charged)) * scale"
        />
        <rect
          v-for="p in below[i]"
          :key="p.key"
          :class="p.key"
          :x="x(d) + (step - wide) / 2"
          :y="p.y"
          :width="wide"
          :height="p.h"
        />
      </g>
      <path class="ground" :d="`M${left} ${mid} H${W - right + 8}`" />
      <path class="balance" :d="balance" />
      <text
        class="balance-word"
        :x="x(last) + step * 0.82 + 8"
        :y="mid - (own(last.balance) / highest) * 104 + 5"
      >
        {{ energyOf(last.balance) }}
      </text>
      <text
        v-for="d in dates"
        :key="`t${d.evening}`"
        class="soft"
        :x="x(d) + step / 2"
        :y="H - 16"
        text-anchor="middle"
      >
        {{ dateWord(d.evening) }}
      </text>
    </svg>
  </div>
  <p class="soft key">
    <span class="k charged"></span>put in <span class="k delivered"></span>reached the house in the
    cold <span class="k early"></span>too early <span class="k lost"></span>lost
    <span class="k line"></span>balance, to a scale of its own
  </p>
</template>

<style scoped>
.charged {
  fill: var(--ember);
}

.delivered {
  fill: var(--held);
}

.early {
  fill: var(--sheet);
  stroke: var(--close);
  stroke-width: 2;
}

.lost {
  fill: var(--frost);
}

.ground {
  stroke: var(--ink-soft);
}

.balance {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}

.balance-word {
  font-weight: 600;
}

.k {
  display: inline-block;
  width: 14px;
  height: 14px;
  margin: 0 5px 0 14px;
  vertical-align: -2px;
}

.k.charged {
  background: var(--ember);
  margin-left: 0;
}

.k.delivered {
  background: var(--held);
}

.k.early {
  border: 2px solid var(--close);
}

.k.lost {
  background: var(--frost);
}

.k.line {
  height: 0;
  width: 24px;
  border-top: 3px solid var(--ink);
  vertical-align: 4px;
}
</style>
