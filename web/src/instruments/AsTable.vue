<script setup lang="ts">
/** The figures behind a drawing, for whoever reads rather than looks; at most so many rows. */
import { computed, ref } from 'vue'

const props = defineProps<{
  of: string
  head: string[]
  /** How many moments there are. */
  count: number
  row: (i: number) => string[]
}>()
const MOST = 60
const open = ref(false)
const every = computed(() => Math.max(1, Math.ceil(props.count / MOST)))
const rows = computed(() =>
  open.value
    ? Array.from({ length: Math.ceil(props.count / every.value) }, (_, k) =>
        props.row(k * every.value),
      )
    : [],
)
</script>

<template>
  <details class="no-print" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>The figures of {{ of }}</summary>
    <div v-if="open" class="scroll" tabindex="0" role="region" :aria-label="`The figures of ${of}`">
      <table class="ledger">
        <thead>
          <tr>
            <th v-for="h in head" :key="h" scope="col">{{ h }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, k) in rows" :key="k">
            <th scope="row">{{ r[0] }}</th>
            <td v-for="(c, i) in r.slice(1)" :key="i">{{ c }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>

<style scoped>
summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  cursor: pointer;
  color: var(--ember);
  width: fit-content;
}

.scroll {
  overflow: auto;
  max-height: 420px;
}

tbody th {
  font-weight: 400;
}
</style>
