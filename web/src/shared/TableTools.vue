<script setup lang="ts">
/** Hands the table within out as CSV or as a spreadsheet: figures as they are, words as shown. */
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { handTable, rowsOf } from './tables'

const props = defineProps<{ name: string }>()
const root = ref<HTMLElement | null>(null)
const trouble = ref('')

async function hand(kind: 'csv' | 'xlsx') {
  trouble.value = ''
  try {
    await handTable(kind, props.name, root.value ? rowsOf(root.value) : [])
  } catch {
    trouble.value = 'It could not be made just now; try again.'
  }
}
</script>

<template>
  <div ref="root" class="tools-table">
    <div class="wide" role="region" :aria-label="`Table: ${name}`" tabindex="0"><slot /></div>
    <p class="no-print out">
      <BButton size="sm" variant="secondary" @click="hand('csv')">As CSV</BButton>
      <BButton size="sm" variant="secondary" @click="hand('xlsx')">As a spreadsheet</BButton>
      <span v-if="trouble" role="alert">{{ trouble }}</span>
    </p>
  </div>
</template>

<style scoped>
.wide {
  overflow-x: auto;
}

.wide :deep(th),
.wide :deep(td) {
  padding: 0.3rem 1rem 0.3rem 0;
  border-top: 1px solid var(--line-soft);
  vertical-align: top;
}

.out {
  display: flex;
  gap: 0.5rem;
  margin: 0.35rem 0 0;
}
</style>
