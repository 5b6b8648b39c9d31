<script setup lang="ts">
/** What each store did with its heat: reached the house in the cold, came too early, was lost. */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { energyOf } from '@/shared/units'

const props = defineProps<{ stores: Views['StatementView']['stores'] }>()
const parts = ['delivered', 'early', 'lost'] as const
const words = { delivered: 'in the cold', early: 'too early', lost: 'lost' }
const sum = (s: Views['Sums']) => parts.reduce((a, p) => a + Math.max(0, s[p]), 0)
const rows = computed(() => [...props.stores].sort((a, b) => b.sums.delivered - a.sums.delivered))
const most = computed(() => Math.max(3.6e5, ...rows.value.map((r) => sum(r.sums))))
const wide = (joules: number) => `${(100 * Math.max(0, joules)) / most.value}%`
const there = (s: Views['Sums']) => parts.filter((p) => s[p] > 0.01 * sum(s))
const said = (s: Views['Sums']) =>
  there(s)
    .map((p) => `${energyOf(s[p])} ${words[p]}`)
    .join(', ') || 'nothing yet'
</script>

<template>
  <ul class="paid" aria-label="Store by store">
    <li v-for="r in rows" :key="r.storeId">
      <b>{{ r.name }}</b> <span class="soft">{{ said(r.sums) }}</span>
      <span class="bar" aria-hidden="true">
        <span
          v-for="p in there(r.sums)"
          :key="p"
          :class="p"
          :style="{ width: wide(r.sums[p]) }"
        ></span>
      </span>
    </li>
  </ul>
</template>

<style scoped>
.paid {
  list-style: none;
  padding: 0;
  margin: 0;
}

li {
  margin-bottom: 0.6rem;
}

.bar {
  display: flex;
  height: 14px;
  margin-top: 0.2rem;
  print-color-adjust: exact;
}

.delivered {
  background: var(--held);
}

.early {
  background: var(--sheet);
  border: 2px solid var(--close);
}

.lost {
  background: repeating-linear-gradient(135deg, var(--frost) 0 3px, var(--sheet) 3px 6px);
}

@media (forced-colors: active) {
  .bar span {
    forced-color-adjust: none;
  }
}
</style>
