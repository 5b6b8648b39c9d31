<script setup lang="ts">
/** The parts of the record. */
defineProps<{ holding: string }>()
</script>

<template>
  <nav class="record" aria-label="Record">
    <RouterLink :to="{ name: 'nights', params: { holding } }">Nights</RouterLink>
    <RouterLink :to="{ name: 'statement', params: { holding } }">Statement</RouterLink>
    <RouterLink :to="{ name: 'winter', params: { holding } }">The winter</RouterLink>
    <RouterLink
      :to="{ name: 'trials', params: { holding } }"
      :class="{ 'router-link-active': $route.path.includes('/record/trials') }"
      >Trials</RouterLink
    >
  </nav>
</template>

<style scoped>
.record {
  display: flex;
  gap: 1.25rem;
  margin-bottom: 0.75rem;
  border-bottom: 1px solid var(--line-soft);
}

a {
  padding: 0.4rem 0;
  min-height: 40px;
  color: var(--ink-soft);
  text-decoration: none;
}

a.router-link-active {
  color: var(--ink);
  box-shadow: inset 0 -2px 0 var(--ember);
}
</style>
