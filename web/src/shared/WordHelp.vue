<script setup lang="ts">
/** A word of ours that says what it means when it is touched; Escape or a touch elsewhere shuts it. */
import { computed, useId, useTemplateRef } from 'vue'
import { wordOf } from '@/features/words/words'

const props = defineProps<{ of: string }>()
const id = useId()
const word = computed(() => wordOf(props.of))
const button = useTemplateRef<HTMLElement>('button')
const says = useTemplateRef<HTMLElement>('says')
const GAP = 6

/** Below its word, or above where there is no room. */
function place() {
  const at = button.value!.getBoundingClientRect()
  const own = says.value!.getBoundingClientRect()
  const left = Math.max(
    GAP,
    Math.min(at.left, document.documentElement.clientWidth - own.width - GAP),
  )
  const below = at.bottom + GAP
  const top = below + own.height < window.innerHeight ? below : at.top - own.height - GAP
  Object.assign(says.value!.style, { left: `${left}px`, top: `${Math.max(GAP, top)}px` })
}
</script>

<template>
  <button ref="button" type="button" class="word" :popovertarget="id" :aria-describedby="id">
    <slot>{{ word.word }}</slot>
  </button>
  <Teleport to="body">
    <p :id="id" ref="says" popover class="says no-print" @toggle="place">
      <b>{{ word.word }}:</b> {{ word.says }}
    </p>
  </Teleport>
</template>

<style scoped>
.word {
  border: 0;
  padding: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  text-decoration: underline dotted;
  text-underline-offset: 0.2em;
  cursor: help;
}

.says {
  inset: auto;
  margin: 0;
  max-width: min(26rem, calc(100vw - 2rem));
  border: 1px solid var(--line);
  border-left: 4px solid var(--ember);
  padding: 0.75rem 1rem;
  background: var(--sheet);
  color: var(--ink);
  font-weight: 400;
}

@media print {
  .word {
    text-decoration: none;
  }
}
</style>
