<script setup lang="ts">
/** Where the heat of a run went: what was put in above, where it is or went below, to one scale. */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { energyOf } from '@/shared/units'

const props = defineProps<{ ledger: Views['LedgerView']; own?: boolean }>()

const rows = computed(() => {
  const l = props.ledger
  return [
    { key: 'charged', word: props.own ? 'made by itself' : 'put in', value: l.charged, side: 'in' },
    {
      key: 'change',
      word: l.change >= 0 ? 'still in the store' : 'taken from the balance',
      value: l.change,
      side: 'out',
    },
    { key: 'delivered', word: 'reached the house in the cold', value: l.delivered, side: 'out' },
    { key: 'early', word: 'spent early, when it was warm', value: l.early, side: 'out' },
    { key: 'lost', word: 'fees: lost to ground or sky', value: l.lost, side: 'out' },
    { key: 'residual', word: 'unaccounted', value: l.residual, side: 'out' },
  ]
})
const most = computed(() => Math.max(1, ...rows.value.map((r) => Math.abs(r.value))))
</script>

<template>
  <table class="ledger">
    <caption class="visually-hidden">
      Ledger of the run
    </caption>
    <tbody>
      <tr v-for="r in rows" :key="r.key">
        <th scope="row">{{ r.word }}</th>
        <td class="bar">
          <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
            <rect
              :class="r.key"
              x="0"
              y="1"
              :width="(100 * Math.abs(r.value)) / most"
              height="10"
            />
          </svg>
        </td>
        <td class="num">{{ energyOf(r.value) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.bar {
  width: 34%;
}

svg {
  width: 100%;
  height: 14px;
}

rect {
  fill: var(--soil);
}

.charged,
.change {
  fill: var(--ember);
}

.delivered {
  fill: var(--held);
}

.early {
  fill: var(--close);
}

.lost {
  fill: var(--frost);
}

.residual {
  fill: none;
  stroke: var(--lost);
  stroke-width: 1.5;
}

th {
  font-weight: 400 !important;
}
</style>
