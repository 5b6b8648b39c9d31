<script setup lang="ts">
import { at } from '@/shared/at'
/** Makes a link to what is open, for somebody without an account. */
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, body } from './api/client'
import ProblemNote from './ProblemNote.vue'
import { useSession } from './session'

const session = useSession()
const route = useRoute()
const asked = ref(false)
const days = ref(7)
const link = ref('')
const copied = ref(false)
const error = ref<unknown>(null)
watch(
  () => route.fullPath,
  () => ((asked.value = false), (link.value = '')),
)

async function make() {
  error.value = null
  const holdingId = String(route.params.holding)
  try {
    const made = await body(
      api.POST('/api/holdings/{holdingId}/links', {
        params: { path: { holdingId } },
        body: { view: route.fullPath.replace(/^\/h\/[^/]+\//, ''), days: days.value },
      }),
    )
    link.value = `${location.origin}${at(`/shown/${made.code}`)}`
  } catch (e) {
    error.value = e
  }
}

async function copy() {
  await navigator.clipboard?.writeText(link.value).catch(() => null)
  copied.value = true
}
</script>

<template>
  <template v-if="session.role(String(route.params.holding)) === 'KEEPER'">
    <button type="button" :aria-expanded="asked" @click="asked = !asked">by a link</button>
    <div v-if="asked" class="share">
      <template v-if="!link">
        <p>Whoever has the link reads this place as a guest, for</p>
        <BFormSelect
          v-model="days"
          aria-label="How long"
          :options="[
            { value: 1, text: 'one day' },
            { value: 7, text: 'a week' },
            { value: 30, text: 'thirty days' },
          ]"
        />
        <BButton variant="primary" @click="make">Make the link</BButton>
      </template>
      <template v-else>
        <input
          :value="link"
          readonly
          aria-label="The link"
          @focus="($event.target as HTMLInputElement).select()"
        />
        <BButton variant="secondary" @click="copy">{{ copied ? 'Copied' : 'Copy it' }}</BButton>
        <p>It is shown this once; take it back under Place, People.</p>
      </template>
      <ProblemNote v-if="error" :error="error" />
    </div>
  </template>
</template>

<style scoped>
.share {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  align-items: center;
  flex: 1 1 100%;
  border-left: 4px solid var(--line);
  padding: 0.25rem 0.75rem;
}

.share p {
  margin: 0;
}

.share select {
  width: auto;
}

.share input {
  flex: 1 1 320px;
  min-height: 40px;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line);
  padding: 0.25rem 0.5rem;
}
</style>
