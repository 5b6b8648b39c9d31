<script setup lang="ts">
/** Asked of a store that has been read, once its description is changed: since when is it so? */
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref, watch } from 'vue'
import { zonedIso, zonedText } from '@/shared/moments'

const props = defineProps<{ words: string[]; zone: string; now: string }>()
/** From when on it is so; null where it always was. */
const since = defineModel<string | null>({ required: true })
const emit = defineEmits<{ settled: [] }>()
const typed = ref(zonedText(since.value ?? props.now, props.zone))

watch(since, (at) => {
  if (at) typed.value = zonedText(at, props.zone)
})

function from(text: string) {
  typed.value = text
  const at = zonedIso(text, props.zone)
  if (at) since.value = at
}
</script>

<template>
  <section class="ask" aria-labelledby="since-h">
    <h2 id="since-h">
      Since when is it so? <span class="soft">{{ words.join(', ') }}</span>
    </h2>
    <div class="choices">
      <BButton
        variant="secondary"
        :aria-pressed="since === null"
        :class="{ chosen: since === null }"
        @click="since = null"
        >Always: it was described wrongly</BButton
      >
      <div class="moment" :class="{ chosen: since !== null }">
        <BButton variant="secondary" :aria-pressed="since !== null" @click="from(typed)"
          >Changed on</BButton
        >
        <BFormInput
          :model-value="typed"
          type="datetime-local"
          aria-label="When it was changed"
          :max="zonedText(now, zone)"
          @change="from(($event.target as HTMLInputElement).value)"
        />
      </div>
      <BButton variant="primary" @click="emit('settled')">Settled</BButton>
    </div>
    <p class="soft">
      {{
        since
          ? 'Runs and nights before that are judged by how it was.'
          : 'All that was ever read of it is judged by this.'
      }}
    </p>
  </section>
</template>

<style scoped>
.ask {
  position: sticky;
  top: 0;
  z-index: 5;
  border: 1px solid var(--line);
  border-left: 4px solid var(--ember);
  background: var(--sheet);
  padding: 0.6rem 0.9rem 0.2rem;
  margin-bottom: 1rem;
}

h2 {
  font-size: 1.1rem;
}

.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: center;
}

.moment {
  display: flex;
  align-items: center;
}

.moment input {
  width: 220px;
}

.chosen,
.chosen button {
  border-color: var(--ember);
  box-shadow: inset 0 -3px 0 var(--ember);
}

p {
  margin: 0.4rem 0;
}

@media (max-width: 600px) {
  .ask {
    padding: 0.3rem 0.6rem 0.1rem;
  }

  .choices {
    gap: 0.3rem;
  }

  .moment input {
    width: 190px;
  }
}
</style>
