<script setup lang="ts">
/** What streams do just now: one store's in words, or only those that empty what they should charge. */
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useLive } from '@/shared/live'
import { useSession } from '@/shared/session'
import { loopSentences } from './loopSentences'
import { loopsQuery } from './queries'

const props = defineProps<{ holding: string; store?: string; probes?: string[] }>()
const session = useSession()
const { data, refetch } = useQuery(loopsQuery(props.holding))
const zone = computed(() => session.zone(props.holding))
const shown = computed(() =>
  (data.value ?? []).filter((l) => (props.store ? l.storeId === props.store : l.emptying)),
)
if (props.probes)
  useLive(
    props.holding,
    () => props.probes ?? [],
    () => void refetch(),
  )
</script>

<template>
  <div
    v-for="l in shown"
    :key="l.storeId"
    :class="{ caution: l.emptying }"
    :role="l.emptying ? 'status' : undefined"
  >
    <p v-for="(s, i) in loopSentences(l, zone)" :key="s" class="mb-1">
      <b v-if="!store && !i">{{ l.storeName }}: </b>{{ s }}
    </p>
  </div>
</template>
