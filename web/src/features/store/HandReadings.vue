<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { api, body, isAway } from '@/shared/api/client'
import { at as here } from '@/shared/at'
import { add } from '@/shared/outbox'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { typedCelsius, type Temperature } from '@/shared/units'
import type { Probe } from './designs'

/** Readings by hand: as typed, with their unit if the person gives one. */
const props = defineProps<{ holding: string; store: string; probes: Probe[]; units: Temperature }>()
const session = useSession()
const client = useQueryClient()
const typed = reactive<Record<string, string>>({})
const error = ref<unknown>(null)
const said = ref('')
const filled = computed(() => props.probes.filter((p) => typed[p.id]?.trim()))

const wrong = (id: string) =>
  Boolean(typed[id]?.trim()) && Number.isNaN(typedCelsius(typed[id], props.units))

async function log() {
  error.value = null
  said.value = ''
  const at = session.now().toISOString()
  const read = {
    fahrenheit: props.units.fahrenheit,
    readings: filled.value.map((p) => ({ probeId: p.id, at, typed: typed[p.id] })),
  }
  try {
    const logged = await body(
      api.POST('/api/holdings/{holdingId}/readings', {
        params: { path: { holdingId: props.holding } },
        body: read,
      }),
    )
    said.value = `${logged.added} logged.`
    filled.value.forEach((p) => delete typed[p.id])
    await client.invalidateQueries({ queryKey: ['holding', props.holding] })
  } catch (e) {
    if (isAway(e)) await later(read).catch((full) => (error.value = full))
    else error.value = e
  }
}

/** Without signal; the moment goes with them, so that sent twice they are the same. */
async function later(read: unknown) {
  await add({
    method: 'POST',
    path: here(`/api/holdings/${props.holding}/readings`),
    kind: 'json',
    body: JSON.stringify(read),
    what: filled.value.map((p) => `${p.name} ${typed[p.id]}`).join(', '),
  })
  said.value = 'Kept here; they go out when the program answers again.'
  filled.value.forEach((p) => delete typed[p.id])
}
</script>

<template>
  <section aria-labelledby="hand-h">
    <h2 id="hand-h">Read just now</h2>
    <form @submit.prevent="log">
      <div v-for="p in probes" :key="p.id" class="line">
        <label :for="`hand-${p.id}`">{{ p.name }}</label>
        <BFormInput
          :id="`hand-${p.id}`"
          v-model="typed[p.id]"
          inputmode="text"
          autocomplete="off"
          :placeholder="`°${units.fahrenheit ? 'F' : 'C'}`"
          :aria-invalid="wrong(p.id)"
        />
      </div>
      <p class="soft">14.5, 14,5 and 58F are all understood.</p>
      <ProblemNote v-if="error" :error="error" />
      <p v-if="said" role="status">{{ said }}</p>
      <BButton type="submit" variant="secondary" :disabled="!filled.length">Log them</BButton>
    </form>
  </section>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  align-items: center;
  margin-bottom: 0.3rem;
}
</style>
