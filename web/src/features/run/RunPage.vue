<script setup lang="ts">
import { at } from '@/shared/at'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, onBeforeUnmount, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import LedgerBars from '@/instruments/LedgerBars.vue'
import LoopLane from '@/instruments/LoopLane.vue'
import RunChart from '@/instruments/RunChart.vue'
import { api, body, Refusal } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useLive } from '@/shared/live'
import { useSession } from '@/shared/session'
import { clock, day, degrees, hours, energyOf, percent } from '@/shared/units'
import { loopSentences } from './loopSentences'
import { fewSentences, fewVerdict } from './fewSentences'
import { fewQuery, judgementQuery, runReadingsQuery } from './queries'
import RunChanged from './RunChanged.vue'
import RunEdit from './RunEdit.vue'
import {
  faceWords,
  findings,
  lossSentence,
  timeConstantSentence,
  reasonWords,
  verdict,
} from './sentences'

const session = useSession()
const client = useQueryClient()
const route = useRoute()
const router = useRouter()
const holding = String(route.params.holding)
const { data: run, error, isPending } = useQuery(judgementQuery(holding, String(route.params.run)))
const tooFew = computed(
  () => error.value instanceof Refusal && error.value.code === 'too-few-readings',
)
const { data: few, isPending: fewPending } = useQuery({
  ...fewQuery(holding, String(route.params.run)),
  enabled: tooFew,
})
const zone = computed(() => session.zone(holding))

const long = ref(false)
const patience = window.setTimeout(() => (long.value = true), 300)
onBeforeUnmount(() => window.clearTimeout(patience))
const { data: read } = useQuery({
  ...runReadingsQuery(holding, String(route.params.run)),
  enabled: computed(() => !run.value && (long.value || error.value != null)),
})
const drawn = computed(() => {
  if (run.value) return run.value
  const r = read.value
  if (!r || r.at.length < 2) return undefined
  const means = new Map(few.value?.means.map((m) => [m.at, m.celsius]))
  const told = r.at.map((t) => means.get(t) ?? null)
  return {
    ...r,
    mean: told.map((m) => m?.value ?? null),
    meanHalfWidth: told.map((m) => (m ? (m.high - m.low) / 2 : null)),
    phases: [],
    events: [],
  }
})

const known = computed(() => run.value ?? read.value)
const days = computed(() => {
  if (!known.value) return ''
  const { from, to } = known.value.run
  const both = [from, to].map((t) => day(Date.parse(t) / 1000, zone.value))
  return [...new Set(both)].join(' to ')
})

useLive(
  holding,
  () => run.value?.restsOn ?? read.value?.probes.map((p) => p.probeId) ?? [],
  () => {
    void client.invalidateQueries({ queryKey: ['holding', holding, 'judgement'] })
    void client.invalidateQueries({ queryKey: ['holding', holding, 'few'] })
  },
)

const span = computed({
  get: (): [number, number] | null => {
    const [a, b] = String(route.query.span ?? '')
      .split('-')
      .map(Number)
    return a && b ? [a, b] : null
  },
  set: (s: [number, number] | null) =>
    void router.replace({ query: s ? { span: `${s[0]}-${s[1]}` } : {} }),
})

const readings = computed(() =>
  run.value
    ? at(
        `/api/holdings/${holding}/stores/${run.value.storeId}/readings.senml?from=${run.value.run.from}&to=${run.value.run.to}`,
      )
    : '',
)
/** Heat above the floor at one of the run's moments, with its doubt. */
function balanceAt(i: number): string {
  const held = run.value?.usable[i] ?? 0
  const half = run.value?.usableHalfWidth[i] ?? 0
  return half < held
    ? `${energyOf(held)} ± ${percent(half / held)}`
    : `at most ${energyOf(held + half)}`
}
const best = computed(() => {
  const u = run.value?.usable ?? []
  return u.indexOf(Math.max(...u))
})
const reasons = computed(() => {
  const groups = new Map<
    string,
    { id: string; probe: string; reason: string; n: number; first: number; at: number[] }
  >()
  for (const e of run.value?.setAside ?? []) {
    const k = `${e.probe}|${e.reason}`
    const g = groups.get(k) ?? {
      id: e.probeId,
      probe: e.probe,
      reason: e.reason,
      n: 0,
      first: e.at,
      at: [] as number[],
    }
    g.n++
    g.at.push(e.at)
    groups.set(k, g)
  }
  return [...groups.values()]
})

const keeper = computed(() => session.role(holding) === 'KEEPER')

/** Readings taken or left out on the keeper's word. */
async function believe(probeId: string, at: number[], believed: boolean) {
  await body(
    api.POST('/api/holdings/{holdingId}/beliefs', {
      params: { path: { holdingId: holding } },
      body: { probeId, at, believed },
    }),
  )
  await client.invalidateQueries({ queryKey: ['holding', holding] })
}

async function doubtAgain() {
  const byProbe = new Map<string, number[]>()
  for (const b of run.value?.believed ?? [])
    byProbe.set(b.probeId, [...(byProbe.get(b.probeId) ?? []), b.at])
  for (const [probe, at] of byProbe) await believe(probe, at, false)
}
</script>

<template>
  <p v-if="known" class="soft mb-1">
    <RouterLink :to="{ name: 'store', params: { holding, store: known.run.storeId } }">{{
      known.storeName
    }}</RouterLink>
    · {{ known.run.name }} · {{ days
    }}<template v-if="run"> · {{ run.readings }} readings</template>
  </p>
  <h1 v-if="run">{{ verdict(run) }}</h1>
  <h1 v-else-if="few">{{ fewVerdict(few) }}</h1>
  <h1 v-else-if="isPending || (tooFew && fewPending)">
    <span role="status">Judging the run …</span>
  </h1>
  <h1 v-else>This run is not judged</h1>
  <ul v-if="few" class="says">
    <li v-for="s in fewSentences(few, zone)" :key="s">{{ s }}</li>
  </ul>
  <ProblemNote v-else-if="error && !(tooFew && fewPending)" :error="error" />
  <RunChanged
    v-if="known && (run?.changed ?? few?.changed)"
    :changed="(run?.changed ?? few?.changed)!"
    :holding="holding"
    :run="known.run.id"
    :zone="zone"
    :keeper="keeper"
  />
  <RunEdit
    v-if="keeper && known && !isPending"
    :holding="holding"
    :run="known.run"
    :zone="zone"
    :span="span"
  />
  <RunChart v-if="drawn" v-model:span="span" :run="drawn" :units="session.units" :zone="zone" />
  <template v-if="run">
    <p class="soft key">
      <span class="k mean"></span> whole store with its 95 % band
      <span class="k probe"></span> probe as read <span class="k model"></span> the same by the
      conduction model <span class="k air"></span> air <span class="k used"></span> part of the
      cooling that was used
      <a class="no-print ms-3" :href="readings" download="readings.senml">its readings as SenML</a>
    </p>
    <section v-if="run.loop" aria-labelledby="loop-h">
      <h2 id="loop-h">What its loop did</h2>
      <p v-for="s in loopSentences(run.loop, zone)" :key="s" class="mb-1">{{ s }}</p>
      <LoopLane :loop="run.loop" :zone="zone" />
    </section>
    <div class="split mt-3">
      <section aria-labelledby="says-h">
        <h2 id="says-h">What it says</h2>
        <ul class="says">
          <li v-for="s in findings(run, session.units, zone)" :key="s">{{ s }}</li>
        </ul>
        <table v-if="run.coolDown" class="ledger">
          <tbody>
            <tr>
              <th scope="row">Half-life</th>
              <td class="num">{{ hours(run.coolDown.halfLifeSeconds) }}</td>
              <td class="soft">
                {{ timeConstantSentence(run) }}
              </td>
            </tr>
            <tr>
              <th scope="row">Heat loss</th>
              <td class="num">{{ lossSentence(run) }}</td>
              <td class="soft">
                {{ day(run.coolDown.from, zone) }} {{ clock(run.coolDown.from, zone) }} to
                {{ clock(run.coolDown.to, zone) }}, {{ run.coolDown.points }} points; earlier the
                inside was still evening out
              </td>
            </tr>
            <tr>
              <th scope="row">Through</th>
              <td class="num" colspan="2">
                {{
                  run.faceShares.map((f) => `${faceWords[f.face]} ${percent(f.share)}`).join(', ')
                }}
              </td>
            </tr>
          </tbody>
        </table>
        <div v-if="reasons.length" class="mt-3">
          <h2>Readings left out</h2>
          <ul class="says">
            <li v-for="r in reasons" :key="r.probe + r.reason">
              {{ r.probe }}: {{ r.n }} {{ r.n === 1 ? 'reading' : 'readings' }},
              {{ reasonWords[r.reason] }}, from {{ day(r.first, zone) }} {{ clock(r.first, zone) }}
              <BButton
                v-if="keeper && !['NOT_A_NUMBER', 'DUPLICATE_TIME'].includes(r.reason)"
                size="sm"
                variant="secondary"
                :aria-label="`Believe these readings of ${r.probe}`"
                @click="believe(r.id, r.at, true)"
                >It was so: believe {{ r.n === 1 ? 'it' : 'them' }}</BButton
              >
            </li>
          </ul>
        </div>
        <p v-if="run.believed.length" class="mt-2">
          {{ run.believed.length }} {{ run.believed.length === 1 ? 'reading is' : 'readings are' }}
          taken on a keeper’s word.
          <BButton v-if="keeper" size="sm" variant="secondary" @click="doubtAgain"
            >Leave them out again</BButton
          >
        </p>
      </section>
      <section aria-labelledby="ledger-h">
        <h2 id="ledger-h">Ledger</h2>
        <LedgerBars :ledger="run.ledger" :own="run.findings.some((f) => f.code === 'MAKES_HEAT')" />
        <p class="mt-2">
          Balance above {{ degrees(run.floorCelsius, session.units, 0) }}: at best
          <b class="figure">{{ balanceAt(best) }}</b>, at the end
          <b class="figure">{{ balanceAt(run.usable.length - 1) }}</b>.
        </p>
        <p class="soft">
          “In the cold” means while the air beside it was below
          {{ degrees(run.needBelowCelsius, session.units, 0) }}.
        </p>
      </section>
    </div>
  </template>
</template>

<style scoped>
.says {
  padding-left: 1.1rem;
}

.key {
  font-size: 0.95rem;
}

.k {
  display: inline-block;
  width: 26px;
  margin: 0 4px 0 12px;
  vertical-align: middle;
  border-top: 3px solid var(--ember);
}

.k.probe {
  border-top: 1.5px solid var(--ink);
}

.k.model {
  border-top: 5px solid var(--soil);
  opacity: 0.5;
}

.k.air {
  border-top: 2px solid var(--frost);
}

.k.used {
  border-top: 0;
  height: 14px;
  background: var(--frost-wash);
}
</style>
