<script setup lang="ts">
/** A run named, parted, joined or taken away; its readings stay. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, body, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { day } from '@/shared/units'
import { runsQuery } from '../store/queries'

const props = defineProps<{
  holding: string
  run: Views['RunView']
  zone: string
  span: [number, number] | null
}>()
const client = useQueryClient()
const router = useRouter()
const { data: all } = useQuery(runsQuery(props.holding, props.run.storeId))
const name = ref(props.run.name)
const other = ref('')
const error = ref<unknown>(null)
watch(
  () => props.run.name,
  (n) => (name.value = n),
)
const path = computed(() => ({ holdingId: props.holding, runId: props.run.id }))
const others = computed(() =>
  (all.value ?? [])
    .filter((r) => r.id !== props.run.id)
    .map((r) => ({
      value: r.id,
      text: `${r.name}, ${day(Date.parse(r.from) / 1000, props.zone)}`,
    })),
)

async function attempt(what: () => Promise<unknown>) {
  error.value = null
  try {
    await what()
    await client.invalidateQueries({ queryKey: ['holding', props.holding] })
  } catch (e) {
    error.value = e
  }
}

const change = (from: string, to: string) =>
  attempt(() =>
    body(
      api.PUT('/api/holdings/{holdingId}/runs/{runId}', {
        params: { path: path.value },
        body: {
          id: props.run.id,
          name: name.value,
          from,
          to,
          was: {
            id: props.run.id,
            name: props.run.name,
            from: props.run.from,
            to: props.run.to,
            was: null,
          },
        },
      }),
    ),
  )
const iso = (s: number) => new Date(s * 1000).toISOString()
const split = () =>
  attempt(() =>
    body(
      api.POST('/api/holdings/{holdingId}/runs/{runId}/split', {
        params: { path: path.value },
        body: { at: iso(props.span![0]) },
      }),
    ),
  )
const join = () =>
  attempt(() =>
    body(
      api.POST('/api/holdings/{holdingId}/runs/{runId}/join', {
        params: { path: path.value },
        body: { other: other.value },
      }),
    ),
  )
const remove = () =>
  attempt(async () => {
    await body(
      api.DELETE('/api/holdings/{holdingId}/runs/{runId}', { params: { path: path.value } }),
    )
    await router.push({
      name: 'store',
      params: { holding: props.holding, store: props.run.storeId },
    })
  })
</script>

<template>
  <details class="edit no-print">
    <summary>Name it, part it, join it</summary>
    <form @submit.prevent="change(run.from, run.to)">
      <label for="r-name">Name</label>
      <BFormInput id="r-name" v-model="name" />
      <BButton type="submit" variant="secondary">Keep the name</BButton>
    </form>
    <p v-if="!span" class="soft">
      To part it, or to keep only a stretch of it, choose the stretch on the chart first.
    </p>
    <p v-else class="row-of">
      <BButton variant="secondary" @click="split">Part it where the stretch begins</BButton>
      <BButton variant="secondary" @click="change(iso(span[0]), iso(span[1]))"
        >Keep only this stretch as the run</BButton
      >
    </p>
    <form v-if="others.length" @submit.prevent="join">
      <label for="r-join">Join with</label>
      <BFormSelect
        id="r-join"
        v-model="other"
        :options="[{ value: '', text: 'choose a run' }, ...others]"
      />
      <BButton type="submit" variant="secondary" :disabled="!other">Make them one</BButton>
    </form>
    <BButton variant="secondary" @click="remove">Take the run away; readings stay</BButton>
    <ProblemNote v-if="error" :error="error" />
  </details>
</template>

<style scoped>
.edit {
  margin: 0.5rem 0;
}

form {
  display: grid;
  grid-template-columns: 90px minmax(0, 360px) max-content;
  gap: 0.5rem;
  align-items: center;
  margin: 0.5rem 0;
}

.row-of {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}

@media (max-width: 700px) {
  form {
    grid-template-columns: 1fr;
  }
}
</style>
