<script setup lang="ts">
/** The heaps of a place, each with its book, fed by one touch. */
import { useQuery } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, watch } from 'vue'
import type { Views } from '@/shared/api/client'
import { at } from '@/shared/at'
import { add, sent } from '@/shared/outbox'
import { useSession } from '@/shared/session'
import { massOf } from '@/shared/units'
import HeapBook from '../part/HeapBook.vue'
import type { Of } from '../part/parts'
import { partsQuery } from '../part/queries'
import { newId } from '../store/designs'
import { storesQuery } from '../store/queries'

const props = defineProps<{ holding: string }>()
const session = useSession()
const { data: parts } = useQuery(partsQuery(props.holding))
const { data: stores } = useQuery(storesQuery(props.holding))
const role = computed(() => session.role(props.holding))
const heaps = computed(() =>
  (parts.value ?? []).flatMap((p) => {
    const d = p.design as Of<'HEAP'>
    const store = stores.value?.find((s) => s.id === d.storeId)
    return d.kind === 'HEAP' && store ? [{ part: p, fed: d.fed ?? [], store }] : []
  }),
)
/** Just put on, and not heard back of yet. */
const fed = reactive(new Set<string>())
watch(sent, () => fed.clear())
function feed(store: Views['StoreView'], r: Views['RhythmView']) {
  fed.add(store.id)
  const event: Views['EventView'] = {
    id: newId(),
    storeId: store.id,
    kind: 'HEAP',
    way: null,
    at: session.now().toISOString(),
    note: r.feedstock,
    amount: r.loadKilograms,
    moisture: null,
  }
  void add({
    method: 'POST',
    path: at(`/api/holdings/${props.holding}/events`),
    kind: 'json',
    body: JSON.stringify(event),
    what: `${store.name}, fed`,
  })
}
</script>

<template>
  <section v-for="h in heaps" :key="h.part.id" class="heap" :aria-label="h.store.name">
    <h2>{{ h.store.name }}</h2>
    <HeapBook :fed="h.fed" :store="h.store" :holding="holding" :units="session.units">
      <template #act="{ rhythm }">
        <p v-if="role !== 'GUEST'" class="no-print">
          <BButton
            :variant="rhythm.everyDays > 0 ? 'primary' : 'secondary'"
            :disabled="fed.has(h.store.id)"
            @click="feed(h.store, rhythm)"
            >{{
              fed.has(h.store.id)
                ? 'Put on just now'
                : `${massOf(rhythm.loadKilograms)} of ${rhythm.feedstock.toLowerCase()} is on`
            }}</BButton
          >
        </p>
      </template>
    </HeapBook>
  </section>
</template>

<style scoped>
.heap {
  margin-top: 1.4rem;
}
</style>
