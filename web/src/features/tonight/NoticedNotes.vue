<script setup lang="ts">
/** What an experienced friend would say unasked, three lines at the most; put away by a touch. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { noticedQuery, putAway, remark, sayAgain, type Remark } from './noticed'

const MOST = 3
const props = defineProps<{ holding: string; house: string; ahead: Remark[]; zone: string }>()
const session = useSession()
const client = useQueryClient()
const { data } = useQuery(
  computed(() => ({ ...noticedQuery(props.holding, props.house), meta: { aside: true } })),
)
const gone = ref<string[]>([])
const error = ref<unknown>(null)
const key = (r: Remark) => r.rule + r.of
const said = computed(() =>
  [...props.ahead, ...(data.value?.remarks ?? [])]
    .filter((r) => !gone.value.includes(key(r)))
    .slice(0, MOST),
)
const away = computed(() => (data.value?.putAway ?? 0) > 0)

async function tried(what: Promise<unknown>) {
  error.value = null
  try {
    await what
    await client.invalidateQueries({ queryKey: ['holding', props.holding, 'noticed'] })
  } catch (e) {
    error.value = e
  }
}
async function put(r: Remark) {
  await tried(putAway(props.holding, r))
  if (!error.value) gone.value.push(key(r))
}
async function again() {
  gone.value = []
  await tried(sayAgain(props.holding))
}
</script>

<template>
  <section v-if="said.length || away" class="noticed no-print" aria-label="Noticed">
    <ul v-if="said.length">
      <li v-for="r in said" :key="key(r)">
        <span>{{ remark(r, session.units, zone) }}</span>
        <BButton
          v-if="session.role(holding) !== 'GUEST'"
          variant="secondary"
          :aria-label="`Put away: ${r.name}`"
          @click="put(r)"
          >Put away</BButton
        >
      </li>
    </ul>
    <BButton v-if="away" variant="link" class="again" @click="again"
      >Say again what was put away</BButton
    >
    <ProblemNote v-if="error" :error="error" />
  </section>
</template>

<style scoped>
.noticed {
  margin: 0.6rem 0;
}

ul {
  list-style: none;
  padding: 0;
  margin: 0;
}

li {
  display: flex;
  gap: 1rem;
  align-items: center;
  border-left: 4px dotted var(--ink-soft);
  padding: 0.15rem 0 0.15rem 0.9rem;
  margin-bottom: 0.4rem;
}

li span {
  flex: 1;
  max-width: 62rem;
}

li button {
  flex: none;
}

.again {
  padding-left: 0;
}
</style>
