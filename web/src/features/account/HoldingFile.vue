<script setup lang="ts">
/** The whole holding as one open file, out and in. */
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { token } from '@/shared/api/client'
import { useSession } from '@/shared/session'

const props = defineProps<{ holding: string }>()
const session = useSession()
const router = useRouter()
const trouble = ref('')
const busy = ref(false)

async function bring(e: Event) {
  const input = e.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  trouble.value = ''
  busy.value = true
  const form = new FormData()
  form.append('file', file)
  try {
    const answer = await fetch('/api/holdings/file', {
      method: 'POST',
      headers: { 'X-XSRF-TOKEN': decodeURIComponent(token() ?? '') },
      body: form,
    })
    const said = (await answer.json()) as { detail?: string; remedy?: string; holdingId?: string }
    if (!answer.ok) trouble.value = [said.detail, said.remedy].filter(Boolean).join(' ')
    else {
      await session.load()
      await router.push({ name: 'stores', params: { holding: said.holdingId! } })
    }
  } catch {
    trouble.value = 'It could not be sent just now; try again.'
  }
  busy.value = false
  input.value = ''
}
</script>

<template>
  <section aria-labelledby="file-h">
    <h2 id="file-h">The whole holding as a file</h2>
    <p>
      Everything but people and loggers’ tokens, in JSON: houses, stores, readings, runs, rounds,
      photos. Read in where the holding is not yet, it is the same again.
    </p>
    <p class="row-of">
      <a
        class="btn btn-secondary"
        :href="`/api/holdings/${props.holding}/file`"
        download="holding.json"
        >Take it out</a
      >
      <label class="btn btn-secondary" for="bring">{{
        busy ? 'Reading it in …' : 'Bring another holding in'
      }}</label>
      <input id="bring" class="visually-hidden" type="file" accept=".json" @change="bring" />
      <BButton v-if="trouble" size="sm" variant="secondary" @click="trouble = ''"
        >Understood</BButton
      >
    </p>
    <p v-if="trouble" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.row-of {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
</style>
