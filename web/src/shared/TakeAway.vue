<script setup lang="ts">
/** Takes something away once it is clear what goes with it. */
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import ProblemNote from './ProblemNote.vue'

const props = defineProps<{ what: string; remove: () => Promise<unknown> }>()
const emit = defineEmits<{ gone: [] }>()
const asked = ref(false)
const busy = ref(false)
const error = ref<unknown>(null)

async function go() {
  busy.value = true
  error.value = null
  try {
    await props.remove()
    emit('gone')
  } catch (e) {
    error.value = e
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <BButton v-if="!asked" variant="secondary" @click="asked = true">Take {{ what }} away</BButton>
  <div v-else class="asked" role="group" :aria-label="`Take ${what} away`">
    <p><slot /> It can be brought back for thirty days.</p>
    <ProblemNote v-if="error" :error="error" />
    <BButton variant="secondary" class="go" :disabled="busy" @click="go"
      >Take {{ what }} away</BButton
    >
    <BButton variant="secondary" class="ms-2" @click="((asked = false), (error = null))"
      >Leave it</BButton
    >
  </div>
</template>

<style scoped>
.asked {
  border-left: 4px solid var(--lost);
  padding: 0.5rem 0.9rem;
  max-width: 460px;
}

.asked .go {
  background: var(--lost);
  border-color: var(--lost);
  color: var(--sheet);
}
</style>
