<script setup lang="ts">
/** What has come over the broker, and what each of it reads. */
import { queryOptions, useQuery, useQueryClient } from '@tanstack/vue-query'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import { ago } from '@/shared/ages'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { degrees } from '@/shared/units'

const props = defineProps<{
  holding: string
  probes: { value: string; text: string }[]
  keeper: boolean
}>()
const session = useSession()
const client = useQueryClient()
const path = { holdingId: props.holding }
const key = ['holding', props.holding, 'broker']
const { data: broker } = useQuery(
  queryOptions({
    queryKey: key,
    queryFn: () => body(api.GET('/api/holdings/{holdingId}/broker', { params: { path } })),
    refetchInterval: 10_000,
    meta: { aside: true },
  }),
)
const error = ref<unknown>(null)
const now = computed(() => (broker.value ? session.now().getTime() : 0))
const choices = computed(() => [{ value: '', text: 'nothing' }, ...props.probes])

async function tie(a: Views['ArrivalView'], probe: unknown) {
  error.value = null
  try {
    const after = await body(
      api.PUT('/api/holdings/{holdingId}/broker/channel', {
        params: { path },
        body: { channel: a.channel, probeId: probe ? String(probe) : null },
      }),
    )
    client.setQueryData(key, after)
    await client.invalidateQueries({ queryKey: ['holding', props.holding, 'devices'] })
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <section v-if="broker && broker.state !== 'NONE'" class="broker">
    <h2>What comes over the broker</h2>
    <p v-if="broker.problem" class="wrong">{{ broker.problem }}</p>
    <p v-else class="soft">
      Heard now. What a topic says counts once it reads a probe or thermometer of yours; a plain
      number is then taken as °C, of the moment when it comes.
    </p>
    <ProblemNote v-if="error" :error="error" />
    <p v-if="!broker.arrivals.length && !broker.problem">Nothing has come yet.</p>
    <ul class="arrivals">
      <li v-for="a in broker.arrivals" :key="a.channel" :class="{ tied: a.probeId }">
        <b class="figure">{{
          a.probeId && a.celsius != null ? degrees(a.celsius, session.units) : a.said
        }}</b>
        <span class="from">
          <code>{{ a.channel }}</code>
          <span class="soft">{{ ago(now - Date.parse(a.at)) }}</span>
        </span>
        <label v-if="keeper && (a.celsius != null || a.probeId)" class="reads">
          <span>reads</span>
          <BFormSelect
            :model-value="a.probeId ?? ''"
            :aria-label="`What ${a.channel} reads`"
            :options="choices"
            @update:model-value="tie(a, $event)"
          />
        </label>
      </li>
    </ul>
    <p v-if="broker.adviceTopics.length" class="soft">
      The advice of the hour, for whoever switches by it (it switches nothing itself):
      <code v-for="t in broker.adviceTopics" :key="t" class="topic">{{ t }}</code>
    </p>
  </section>
</template>

<style scoped>
.broker {
  margin-top: 1.5rem;
}

.arrivals {
  list-style: none;
  padding: 0;
  max-width: 760px;
}

.arrivals li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.9rem;
  align-items: center;
  padding: 0.4rem 0.6rem;
  margin-bottom: 0.5rem;
  border-left: 4px dashed var(--line);
}

.arrivals li.tied {
  border-left: 4px solid var(--ember);
}

.figure {
  flex: 0 1 5.2rem;
  font-size: 1.2rem;
  text-align: right;
  overflow-wrap: anywhere;
}

.from {
  flex: 1 1 220px;
  display: flex;
  flex-direction: column;
  overflow-wrap: anywhere;
}

.reads {
  flex: 1 1 240px;
  display: flex;
  gap: 0.5rem;
  align-items: center;
}

code {
  color: var(--ink);
}

.topic {
  display: block;
}

.wrong {
  color: var(--lost);
}
</style>
