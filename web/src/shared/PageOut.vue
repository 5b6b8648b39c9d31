<script setup lang="ts">
/** Hands out what a page shows: its open tables, itself as a picture, itself on paper. */
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import { save } from './download'
import ShareLink from './ShareLink.vue'
import { handTable, pageRows } from './tables'

const route = useRoute()
const trouble = ref('')

async function hand(kind: 'csv' | 'xlsx') {
  trouble.value = ''
  const rows = pageRows([...document.querySelectorAll<HTMLElement>('main table')])
  if (!rows.length) {
    trouble.value = 'No table is open on this page.'
    return
  }
  try {
    await handTable(kind, String(route.name ?? 'tables'), rows)
  } catch {
    trouble.value = 'It could not be made just now; try again.'
  }
}

const MOST_PIXELS = 16_000 // high, what browsers draw
const drawing = ref(false)

/** The page as it stands in its light, twice as fine, without what is no part of it on paper. */
async function picture() {
  trouble.value = ''
  drawing.value = true
  try {
    const { toBlob } = await import('html-to-image')
    const page = document.getElementById('main')!
    const blob = await toBlob(page, {
      pixelRatio: Math.min(2, MOST_PIXELS / page.scrollHeight),
      backgroundColor: getComputedStyle(document.body).backgroundColor,
      filter: (node) => !(node instanceof HTMLElement && node.classList.contains('no-print')),
    })
    if (!blob) throw new Error('no picture')
    save(blob, `${String(route.name ?? 'page')}.png`)
  } catch {
    trouble.value = 'It could not be drawn just now; print it instead.'
  } finally {
    drawing.value = false
  }
}
const print = () => window.print()
</script>

<template>
  <div class="page-out no-print">
    <span>This page:</span>
    <button type="button" :disabled="drawing" @click="picture">
      {{ drawing ? 'drawing it …' : 'as a picture' }}
    </button>
    <button type="button" @click="print">on paper or as PDF</button>
    <ShareLink />
    <span class="of-tables">
      Its tables:
      <button type="button" @click="hand('csv')">as CSV</button>
      <button type="button" @click="hand('xlsx')">as a spreadsheet</button>
    </span>
    <span v-if="trouble" role="alert">{{ trouble }}</span>
  </div>
</template>

<style scoped>
main:not(:has(table, svg[role], svg[aria-label])) .page-out {
  display: none;
}

.page-out {
  display: flex;
  gap: 0.25rem 0.5rem;
  align-items: center;
  flex-wrap: wrap;
  margin: 2rem 0 0;
  color: var(--ink-soft);
}

main:not(:has(table.ledger tr)) .of-tables {
  display: none;
}

.page-out :deep(> button),
.of-tables button {
  background: none;
  border: 0;
  color: inherit;
  text-decoration: underline;
  min-height: 40px;
  padding: 0.25rem 0.4rem;
}
</style>
