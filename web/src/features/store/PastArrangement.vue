<script setup lang="ts">
/** A store as it was before it was changed: until when, or never. */
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { zonedIso, zonedText } from '@/shared/moments'

const props = defineProps<{ zone: string; now: string }>()
const until = defineModel<string | null>({ required: true })
defineEmits<{ never: [] }>()

function move(text: string) {
  until.value = zonedIso(text, props.zone) ?? until.value
}
</script>

<template>
  <p class="past">
    <label for="past-until">It was so until</label>
    <BFormInput
      id="past-until"
      :model-value="until ? zonedText(until, zone) : ''"
      type="datetime-local"
      :max="zonedText(now, zone)"
      @change="move(($event.target as HTMLInputElement).value)"
    />
    <BButton variant="secondary" @click="$emit('never')">It never was so</BButton>
  </p>
</template>

<style scoped>
.past {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: center;
}

.past input {
  width: 220px;
}
</style>
