<script setup lang="ts">
/** Two people changed a store at once: what each left otherwise, and whose word holds. */
import { BButton } from 'bootstrap-vue-next'
import type { Apart } from './conflict'

defineProps<{ apart: Apart[] }>()
defineEmits<{ theirs: []; mine: [] }>()
</script>

<template>
  <section class="conflict" aria-label="What is otherwise">
    <table class="ledger">
      <thead>
        <tr>
          <td />
          <th scope="col">as it is kept now</th>
          <th scope="col">as you have it</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="a in apart" :key="a.what">
          <th scope="row">{{ a.what }}</th>
          <td>{{ a.theirs }}</td>
          <td>{{ a.mine }}</td>
        </tr>
      </tbody>
    </table>
    <p class="d-flex gap-2 flex-wrap">
      <BButton variant="secondary" @click="$emit('theirs')">Leave it as it is kept</BButton>
      <BButton variant="secondary" @click="$emit('mine')">Keep mine</BButton>
    </p>
  </section>
</template>

<style scoped>
.conflict {
  max-width: 640px;
  margin-bottom: 1rem;
}
</style>
