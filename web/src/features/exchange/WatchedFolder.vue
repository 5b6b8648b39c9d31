<script setup lang="ts">
/** A folder into which a logger's files fall by themselves, and what waits from there. */
import { queryOptions, useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { ago } from '@/shared/ages'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'

const props = defineProps<{ holding: string; store: string }>()
const session = useSession()
const client = useQueryClient()
const params = { path: { holdingId: props.holding, storeId: props.store } }
const way = '/api/holdings/{holdingId}/stores/{storeId}/watched'
const queryKey = ['holding', props.holding, 'watched', props.store]
const { data: watched } = useQuery(
  queryOptions({
    queryKey,
    queryFn: () => body(api.GET(way, { params })),
    refetchInterval: 15_000,
    meta: { aside: true },
  }),
)
const error = ref<unknown>(null)

async function watchOne() {
  error.value = null
  try {
    client.setQueryData(queryKey, await body(api.PUT(way, { params })))
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <section v-if="watched" class="mt-3">
    <p v-if="watched.path" class="soft">
      What falls into <code>{{ watched.path }}</code> on the machine of the program is read in by
      itself, once a file like it has been read in here.
    </p>
    <p v-else>
      <BButton variant="secondary" @click="watchOne">Watch a folder</BButton>
      <span class="soft ms-2">into which the logger’s files fall by themselves</span>
    </p>
    <ProblemNote v-if="error" :error="error" />
    <ul v-if="watched.waiting.length" class="waiting">
      <li v-for="f in watched.waiting" :key="f.id">
        <RouterLink :to="{ name: 'file', params: { holding, store, file: f.id } }">{{
          f.fileName
        }}</RouterLink>
        {{ f.problem || 'waits for you to look how it was understood' }}
        <span class="soft">{{ ago(session.now().getTime() - Date.parse(f.at)) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
code {
  overflow-wrap: anywhere;
  color: var(--ink);
}

.waiting li {
  margin-bottom: 0.4rem;
}
</style>
