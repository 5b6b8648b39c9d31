<script setup lang="ts">
/** One of several houses; nothing where there is no choice. */
defineProps<{ houses: { id: string; name: string }[]; chosen: string }>()
defineEmits<{ choose: [id: string] }>()
</script>

<template>
  <div v-if="houses.length > 1" class="houses no-print" role="group" aria-label="House">
    <button
      v-for="h in houses"
      :key="h.id"
      type="button"
      :aria-pressed="h.id === chosen"
      @click="$emit('choose', h.id)"
    >
      {{ h.name }}
    </button>
  </div>
</template>

<style scoped>
.houses {
  display: flex;
  flex-wrap: wrap;
}

button {
  background: none;
  border: 0;
  border-bottom: 2px solid transparent;
  padding: 0.2rem 0.8rem;
  color: var(--ink-soft);
}

button[aria-pressed='true'] {
  border-color: var(--ember);
  color: var(--ink);
  font-weight: 600;
}
</style>
