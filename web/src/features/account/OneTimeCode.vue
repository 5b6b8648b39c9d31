<script setup lang="ts">
import { at } from '@/shared/at'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { clock, day } from '@/shared/units'

/** A code to read out or write on paper; it is told this once. */
const props = defineProps<{ code: Views['CodeView']; zone: string; what: string }>()
const ends = computed(() => Date.parse(props.code.endsAt) / 1000)
const door = location.origin + at('/come-in')
</script>

<template>
  <div class="code" role="status">
    <p>{{ what }}</p>
    <p class="signs">{{ code.code }}</p>
    <p class="soft">
      Type it at <b>{{ door }}</b>. It is of use once, until {{ day(ends, zone) }}
      {{ clock(ends, zone) }}, and is not shown again.
    </p>
  </div>
</template>

<style scoped>
.code {
  border: 2px dashed var(--ember);
  padding: 0.75rem 1rem;
  margin-top: 0.75rem;
}

.signs {
  display: block;
  font-family: var(--figure);
  font-size: 2rem;
  letter-spacing: 0.08em;
  overflow-wrap: anywhere;
}

p {
  margin: 0;
}
</style>
