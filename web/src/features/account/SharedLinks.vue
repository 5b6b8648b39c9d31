<script setup lang="ts">
/** Links by which others read this place, to be taken back. */
import { queryOptions, useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { day } from '@/shared/units'

const props = defineProps<{ holding: string }>()
const zone = useSession().zone(props.holding)
const client = useQueryClient()
const queryKey = ['holding', props.holding, 'links']
const { data: links } = useQuery(
  queryOptions({
    queryKey,
    meta: { aside: true },
    queryFn: () =>
      body(
        api.GET('/api/holdings/{holdingId}/links', {
          params: { path: { holdingId: props.holding } },
        }),
      ),
  }),
)
const error = ref<unknown>(null)
const router = useRouter()
const named = (view: string) =>
  String(router.resolve(`/h/${props.holding}/${view}`).meta.title ?? view)
const until = (iso: string) => day(Date.parse(iso) / 1000, zone)

async function takeBack(linkId: string) {
  error.value = null
  try {
    client.setQueryData(
      queryKey,
      await body(
        api.DELETE('/api/holdings/{holdingId}/links/{linkId}', {
          params: { path: { holdingId: props.holding, linkId } },
        }),
      ),
    )
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <section v-if="links?.length" class="mt-3" aria-labelledby="links-h">
    <h2 id="links-h">Shown by a link</h2>
    <ProblemNote v-if="error" :error="error" />
    <table class="ledger">
      <tbody>
        <tr v-for="l in links" :key="l.id">
          <th scope="row">
            <RouterLink :to="`/h/${holding}/${l.view}`">{{ named(l.view) }}</RouterLink>
          </th>
          <td>until {{ until(l.endsAt) }}</td>
          <td>
            <BButton
              size="sm"
              variant="secondary"
              :aria-label="`Take back the link to ${named(l.view)}`"
              @click="takeBack(l.id)"
              >Take back</BButton
            >
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
