<script setup lang="ts">
/** A store that was changed within a run: what is judged, and the run cut where it was changed. */
import { useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { clock, day } from '@/shared/units'

const props = defineProps<{
  changed: Views['ChangedView']
  holding: string
  run: string
  zone: string
  keeper: boolean
}>()
const client = useQueryClient()
const error = ref<unknown>(null)
const going = ref(false)
const at = (iso: string) =>
  `${day(Date.parse(iso) / 1000, props.zone)}, ${clock(Date.parse(iso) / 1000, props.zone)}`

async function cut() {
  if (going.value) return
  going.value = true
  error.value = null
  try {
    for (const moment of [...props.changed.at].reverse())
      await body(
        api.POST('/api/holdings/{holdingId}/runs/{runId}/split', {
          params: { path: { holdingId: props.holding, runId: props.run } },
          body: { at: moment },
        }),
      )
    await client.invalidateQueries({ queryKey: ['holding', props.holding] })
  } catch (e) {
    error.value = e
  }
  going.value = false
}
</script>

<template>
  <p class="changed">
    The store was changed in this run, on {{ changed.at.map(at).join(' and on ') }}. Judged is the
    longest while that it stayed the same: {{ at(changed.from) }} to {{ at(changed.to) }}.
    <BButton v-if="keeper" size="sm" variant="secondary" :disabled="going" @click="cut"
      >Cut the run there</BButton
    >
  </p>
  <ProblemNote v-if="error" :error="error" />
</template>

<style scoped>
.changed {
  border-left: 4px solid var(--ember);
  padding-left: 0.75rem;
}
</style>
