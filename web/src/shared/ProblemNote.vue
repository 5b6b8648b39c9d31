<script setup lang="ts">
import { computed } from 'vue'
import { Refusal } from './api/client'

const props = defineProps<{ error: unknown }>()
const refusal = computed(() =>
  props.error instanceof Refusal ? props.error : new Refusal(0, '', '', String(props.error), ''),
)
</script>

<template>
  <div class="problem" role="alert">
    <strong>{{ refusal.message }}</strong>
    {{ refusal.remedy }}
  </div>
</template>
