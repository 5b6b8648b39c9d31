<script setup lang="ts">
/** Loggers that send by themselves: their token once, their channels tied to probes. */
import { queryOptions, useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, body, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { clock, day } from '@/shared/units'
import { newId } from '../store/designs'
import { storesQuery } from '../store/queries'
import { thermometersQuery } from '../thermometer/queries'
import BrokerArrivals from './BrokerArrivals.vue'

const session = useSession()
const client = useQueryClient()
const holding = String(useRoute().params.holding)
const devicesQuery = queryOptions({
  queryKey: ['holding', holding, 'devices'],
  queryFn: () =>
    body(
      api.GET('/api/holdings/{holdingId}/devices', { params: { path: { holdingId: holding } } }),
    ),
})
const { data: devices } = useQuery(devicesQuery)
const { data: stores } = useQuery(storesQuery(holding))
const { data: thermometers } = useQuery(thermometersQuery(holding))
const keeper = computed(() => session.role(holding) === 'KEEPER')
const zone = computed(() => session.zone(holding))
const name = ref('')
const fresh = ref<Views['DeviceView'] | null>(null)
const error = ref<unknown>(null)
const probes = computed(() => [
  ...(stores.value ?? []).flatMap((s) =>
    s.probes.map((p) => ({ value: p.id, text: `${s.name}, ${p.name}` })),
  ),
  ...(thermometers.value ?? []).map((t) => ({ value: t.id, text: t.name })),
])
const probeName = (id: string) => probes.value.find((p) => p.value === id)?.text ?? '?'

async function attempt<T>(what: () => Promise<T>): Promise<T | null> {
  error.value = null
  try {
    const done = await what()
    await client.invalidateQueries({ queryKey: ['holding', holding, 'devices'] })
    return done
  } catch (e) {
    error.value = e
    return null
  }
}

async function make() {
  fresh.value = await attempt(() =>
    body(
      api.POST('/api/holdings/{holdingId}/devices', {
        params: { path: { holdingId: holding } },
        body: { id: newId(), name: name.value, channels: [], was: null },
      }),
    ),
  )
  if (fresh.value) name.value = ''
}

const change = (d: Views['DeviceView'], channels: Views['DeviceChannel'][]) =>
  attempt(() =>
    body(
      api.PUT('/api/holdings/{holdingId}/devices/{deviceId}', {
        params: { path: { holdingId: holding, deviceId: d.id } },
        body: {
          id: d.id,
          name: d.name,
          channels,
          was: { id: d.id, name: d.name, channels: d.channels, was: null },
        },
      }),
    ),
  )

const revoke = (d: Views['DeviceView']) =>
  attempt(() =>
    body(
      api.DELETE('/api/holdings/{holdingId}/devices/{deviceId}', {
        params: { path: { holdingId: holding, deviceId: d.id } },
      }),
    ),
  )

const channel = ref<Record<string, string>>({})
const probe = ref<Record<string, string | null>>({})
async function tie(d: Views['DeviceView']) {
  const n = channel.value[d.id]?.trim()
  const p = probe.value[d.id]
  if (!n || !p) return
  const done = await change(d, [...d.channels.filter((c) => c.name !== n), { name: n, probeId: p }])
  if (done) channel.value[d.id] = ''
}
const when = (at: string) =>
  `${day(Date.parse(at) / 1000, zone.value)}, ${clock(Date.parse(at) / 1000, zone.value)}`
</script>

<template>
  <h1>Loggers that send by themselves</h1>
  <p class="soft">
    They send SenML (RFC 8428, JSON) to <code>/api/devices/readings</code> with their token, in Cel,
    K or degF. A pack sent twice adds nothing.
  </p>
  <ProblemNote v-if="error" :error="error" />
  <div v-if="fresh" class="token" role="status">
    <b>{{ fresh.name }}: write this token down now, it is not shown again.</b>
    <code>{{ fresh.token }}</code>
  </div>
  <section v-for="d in devices ?? []" :key="d.id" class="device">
    <h2>{{ d.name }} <small v-if="d.overBroker" class="soft">over the broker</small></h2>
    <p>
      <template v-if="d.revokedAt">Revoked {{ when(d.revokedAt) }}; it may send no more.</template>
      <template v-else-if="d.lastSeenAt">Last heard {{ when(d.lastSeenAt) }}.</template>
      <template v-else>Not heard of yet.</template>
      <b v-if="d.lastProblem" class="wrong"> {{ d.lastProblem }}.</b>
    </p>
    <table v-if="d.channels.length" class="ledger">
      <tbody>
        <tr v-for="c in d.channels" :key="c.name">
          <th scope="row">{{ c.name }}</th>
          <td>{{ probeName(c.probeId) }}</td>
        </tr>
      </tbody>
    </table>
    <form v-if="keeper && !d.revokedAt && !d.overBroker" class="tie" @submit.prevent="tie(d)">
      <label class="visually-hidden" :for="`c${d.id}`">Channel of {{ d.name }}</label>
      <BFormInput :id="`c${d.id}`" v-model="channel[d.id]" placeholder="channel, as it sends it" />
      <label class="visually-hidden" :for="`p${d.id}`">Probe of the channel</label>
      <BFormSelect
        :id="`p${d.id}`"
        :model-value="probe[d.id] ?? null"
        :options="[{ value: null, text: 'reads which probe?' }, ...probes]"
        @update:model-value="probe[d.id] = $event ? String($event) : null"
      />
      <BButton type="submit" variant="secondary">Tie</BButton>
      <BButton variant="secondary" @click="revoke(d)">Revoke</BButton>
    </form>
  </section>
  <BrokerArrivals :holding="holding" :probes="probes" :keeper="keeper" />
  <form v-if="keeper" class="tie mt-4" @submit.prevent="make">
    <label for="new-name">A new logger’s name</label>
    <BFormInput id="new-name" v-model="name" maxlength="100" />
    <BButton type="submit" variant="primary" :disabled="!name.trim()">Make its token</BButton>
  </form>
</template>

<style scoped>
.token {
  border-left: 4px solid var(--ember);
  padding: 0.5rem 0.9rem;
  background: var(--sheet);
}

.token code {
  display: block;
  overflow-wrap: anywhere;
  color: var(--ink);
}

code {
  color: var(--ink);
}

.device {
  margin-top: 1rem;
}

.tie {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  margin-top: 0.5rem;
  max-width: 760px;
}

.tie > * {
  flex: 1 1 150px;
}

.wrong {
  color: var(--lost);
}
</style>
