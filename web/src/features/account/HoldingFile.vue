<script setup lang="ts">
import { at } from '@/shared/at'
/** The whole holding as one open file, out and in. */
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { token } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { useFileOut } from './useFileOut'

const props = defineProps<{ holding: string }>()
const session = useSession()
const router = useRouter()
const trouble = ref('')
const busy = ref(false)
const { far, error, start, stop } = useFileOut(props.holding)
const writing = computed(() => ['WAITING', 'RUNNING'].includes(far.value?.state ?? ''))
const count = (n: number) => n.toLocaleString('en-GB')
const said = computed(() => {
  const f = far.value
  if (!f) return ''
  if (f.state === 'DONE') return `Written, ${count(f.of)} readings; your browser has it.`
  if (f.state === 'STOPPED') return 'Stopped; there is no file.'
  if (f.state === 'FAILED') return `There is no file. ${f.problem}`
  return f.of ? `${count(f.readings)} of ${count(f.of)} readings written …` : 'Being written …'
})

async function bring(e: Event) {
  const input = e.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  trouble.value = ''
  busy.value = true
  const form = new FormData()
  form.append('file', file)
  try {
    const answer = await fetch(at('/api/holdings/file'), {
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
      <BButton v-if="writing" variant="secondary" @click="stop">Stop writing it</BButton>
      <BButton v-else variant="secondary" @click="start">Take it out</BButton>
      <label class="btn btn-secondary" for="bring">{{
        busy ? 'Reading it in …' : 'Bring another holding in'
      }}</label>
      <input id="bring" class="visually-hidden" type="file" accept=".json" @change="bring" />
      <BButton v-if="trouble" size="sm" variant="secondary" @click="trouble = ''"
        >Understood</BButton
      >
    </p>
    <p v-if="said" role="status">{{ said }}</p>
    <ProblemNote v-if="error" :error="error" />
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
