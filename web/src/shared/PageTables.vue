<script setup lang="ts">
/** Hands out all tables that are open on a page; there where a page has any without tools of its own. */
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import { handTable, pageRows } from './tables'

const route = useRoute()
const trouble = ref('')

async function hand(kind: 'csv' | 'xlsx') {
  trouble.value = ''
  const tables = [...document.querySelectorAll<HTMLElement>('main table')]
  try {
    await handTable(kind, String(route.name ?? 'tables'), pageRows(tables))
  } catch {
    trouble.value = 'It could not be made just now; try again.'
  }
}
</script>

<template>
  <p class="page-tables no-print">
    <span>The tables on this page:</span>
    <button type="button" @click="hand('csv')">as CSV</button>
    <button type="button" @click="hand('xlsx')">as a spreadsheet</button>
    <span v-if="trouble" role="alert">{{ trouble }}</span>
  </p>
</template>

<style scoped>
.page-tables {
  display: none;
  gap: 0.25rem 0.5rem;
  align-items: center;
  flex-wrap: wrap;
  margin: 2rem 0 0;
  color: var(--ink-soft);
}

main:has(table.ledger) .page-tables {
  display: flex;
}

.page-tables button {
  background: none;
  border: 0;
  color: inherit;
  text-decoration: underline;
  min-height: 40px;
  padding: 0.25rem 0.4rem;
}

@media (max-width: 600px) {
  .page-tables button {
    min-height: 48px;
  }
}
</style>
