<script setup lang="ts">
/** Says plainly what is typed and not yet sent. */
import { computed } from 'vue'
import { forget, flush, ofAnother, trouble, waiting } from './outbox'

const going = computed(() => waiting.value.filter((w) => !w.refused && !ofAnother(w)))
const others = computed(() => {
  const names = waiting.value.filter((w) => !w.refused && ofAnother(w)).map((w) => w.by!.name)
  return [...new Set(names)].map((name) => ({
    name,
    count: names.filter((n) => n === name).length,
  }))
})
const refused = computed(() => waiting.value.filter((w) => w.refused))
</script>

<template>
  <aside v-if="waiting.length" class="waiting told no-print" aria-label="Not sent yet">
    <p v-if="going.length" role="status">
      <b>{{ going.length }} {{ going.length === 1 ? 'entry waits' : 'entries wait' }}</b> to be
      sent{{ trouble ? `: ${trouble}` : '' }}.
      <button type="button" @click="flush()">Try now</button>
    </p>
    <p v-for="o in others" :key="o.name" role="status">
      {{ o.count === 1 ? 'One entry was' : `${o.count} entries were` }} typed here by
      {{ o.name }} and {{ o.count === 1 ? 'goes' : 'go' }} out when {{ o.name }} signs in.
    </p>
    <p v-for="w in refused" :key="w.seq" class="refused">
      <b>{{ w.what }} was not taken:</b> {{ w.refused }}
      <button type="button" @click="forget(w.seq!)">Throw it away</button>
    </p>
  </aside>
</template>
