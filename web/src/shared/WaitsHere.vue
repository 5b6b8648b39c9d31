<script setup lang="ts">
/** What was made here without signal, where it will stand: it cannot be shown before it is sent. */
import { computed } from 'vue'
import { ofAnother, waiting } from './outbox'

/** The rooms of a holding that it belongs to, as in `stores`. */
const props = defineProps<{ holding: string; of: string[] }>()
const made = computed(() =>
  waiting.value
    .filter((w) => w.made && !w.refused && !ofAnother(w))
    .filter((w) => props.of.some((room) => w.path.includes(`/${props.holding}/${room}`)))
    .map((w) => w.what),
)
</script>

<template>
  <p v-if="made.length" class="soft no-print" role="status">
    {{ made.join(', ') }} {{ made.length === 1 ? 'waits' : 'wait' }} on this device and
    {{ made.length === 1 ? 'goes' : 'go' }} out when there is signal.
  </p>
</template>
