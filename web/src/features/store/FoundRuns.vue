<script setup lang="ts">
/** Runs that the readings show and nobody has marked, each kept by one touch. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { day, hours } from '@/shared/units'
import { newId } from './designs'

const props = defineProps<{ holding: string; store: string; zone: string }>()
const client = useQueryClient()
const { data: found } = useQuery({
  queryKey: ['holding', props.holding, 'found-runs', props.store],
  queryFn: () =>
    body(
      api.GET('/api/holdings/{holdingId}/stores/{storeId}/runs/found', {
        params: { path: { holdingId: props.holding, storeId: props.store } },
      }),
    ),
  meta: { aside: true },
})
const all = ref(false)
const shown = computed(() => (all.value ? found.value : found.value?.slice(0, 4)) ?? [])

const error = ref<unknown>(null)
const going = ref('')
/** A second touch while the first is under way makes no second run. */
async function keep(r: Views['RunDraft']) {
  if (going.value) return
  going.value = r.from
  try {
    await body(
      api.POST('/api/holdings/{holdingId}/stores/{storeId}/runs', {
        params: { path: { holdingId: props.holding, storeId: props.store } },
        body: { ...r, id: newId() },
      }),
    )
    await client.invalidateQueries({ queryKey: ['holding', props.holding] })
  } catch (e) {
    error.value = e
  }
  going.value = ''
}
</script>

<template>
  <div v-if="found?.length" class="found">
    <h3>Seen in the readings, not yet runs</h3>
    <ul>
      <li v-for="r in shown" :key="r.from">
        {{ r.name }},
        <span class="soft"
          >{{ day(Date.parse(r.from) / 1000, zone) }},
          {{ hours((Date.parse(r.to) - Date.parse(r.from)) / 1000) }}</span
        >
        <BButton size="sm" variant="secondary" :aria-label="`Make ${r.name} a run`" @click="keep(r)"
          >Make it a run</BButton
        >
      </li>
    </ul>
    <ProblemNote v-if="error" :error="error" />
    <BButton v-if="found.length > shown.length" size="sm" variant="secondary" @click="all = true"
      >{{ found.length - shown.length }} more</BButton
    >
  </div>
</template>

<style scoped>
.found {
  margin-top: 1rem;
}

h3 {
  font-size: 1rem;
  color: var(--ink-soft);
}

ul {
  list-style: none;
  padding: 0;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  border-top: 1px solid var(--line-soft);
  padding: 0.25rem 0;
}
</style>
