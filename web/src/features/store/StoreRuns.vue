<script setup lang="ts">
import type { Views } from '@/shared/api/client'
import { day, hours } from '@/shared/units'
import FoundRuns from './FoundRuns.vue'

defineProps<{
  holding: string
  store: string
  runs: Views['RunView'][]
  keeper: boolean
  zone: string
  /** Whether the store was changed, so that its runs can tell what that did. */
  changed: boolean
}>()
</script>

<template>
  <section aria-labelledby="runs-h">
    <h2 id="runs-h">Runs</h2>
    <p v-if="!runs.length">
      None yet. Hand over a logger’s file and its readings become the first run.
    </p>
    <table v-else class="ledger">
      <tbody>
        <tr v-for="r in runs" :key="r.id">
          <th scope="row">
            <RouterLink :to="{ name: 'run', params: { holding, run: r.id } }">{{
              r.name
            }}</RouterLink>
          </th>
          <td>
            {{ day(Date.parse(r.from) / 1000, zone) }} to
            {{ day(Date.parse(r.to) / 1000, zone) }}
          </td>
          <td class="num">{{ hours((Date.parse(r.to) - Date.parse(r.from)) / 1000) }}</td>
        </tr>
      </tbody>
    </table>
    <RouterLink
      v-if="keeper && changed && runs.length > 1"
      class="btn btn-secondary mt-2 me-2"
      :to="{ name: 'trials', params: { holding }, query: { store } }"
      >What did the changes do?</RouterLink
    >
    <FoundRuns v-if="keeper" :holding="holding" :store="store" :zone="zone" />
    <RouterLink
      v-if="keeper"
      class="btn btn-primary mt-2"
      :to="{ name: 'file', params: { holding, store } }"
    >
      Hand over a logger’s file
    </RouterLink>
  </section>
</template>
