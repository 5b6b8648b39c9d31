<script setup lang="ts">
/** Says whether the program answers, and how old what is shown is while it does not. */
import { onBeforeUnmount, ref } from 'vue'
import { ago } from './ages'
import { look, oldest, reached } from './answers'

const now = ref(Date.now())
const timer = window.setInterval(() => (now.value = Date.now()), 20_000)
onBeforeUnmount(() => window.clearInterval(timer))
const age = (at: number) => ago(Math.max(now.value, Date.now()) - at)
</script>

<template>
  <aside v-if="!reached || oldest" class="told no-print" aria-label="How old this is">
    <p v-if="!reached" role="status">
      <b>The program cannot be reached.</b>
      <template v-if="oldest"> Shown is what it said {{ age(oldest) }}.</template>
      What you log is kept here and sent later.
      <button type="button" @click="look()">Try now</button>
    </p>
    <p v-else-if="oldest" role="status">
      The program could not say all of this anew: some is as it was {{ age(oldest) }}.
    </p>
  </aside>
</template>
