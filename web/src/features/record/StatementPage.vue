<script setup lang="ts">
/** The ledger of a store or the whole holding over any time, and what it took. */
import { useQuery } from '@tanstack/vue-query'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import StatementBars from '@/instruments/StatementBars.vue'
import type { Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import TableTools from '@/shared/TableTools.vue'
import { useSession } from '@/shared/session'
import { energyOf } from '@/shared/units'
import WordHelp from '@/shared/WordHelp.vue'
import { storesQuery } from '../store/queries'
import { statementQuery } from './queries'
import RecordTabs from './RecordTabs.vue'
import { effortSentence, statementSentence, tasksSentence } from './sentences'
import { daysBefore, evening, spanOf, todayIn, winterOf } from './winters'

const session = useSession()
const route = useRoute()
const router = useRouter()
const holding = String(route.params.holding)
const zone = computed(() => session.zone(holding))
const today = computed(() => todayIn(zone.value, session.me?.now))
const { data: stores } = useQuery(storesQuery(holding))

const store = computed(() => String(route.query.store ?? ''))
const from = computed(() => String(route.query.from ?? daysBefore(today.value, 27)))
const to = computed(() => String(route.query.to ?? today.value))
const go = (q: Record<string, string>) => void router.replace({ query: { ...route.query, ...q } })
const spans = computed(() => {
  const south = session.south(holding)
  return [
    { word: 'a week', from: daysBefore(today.value, 6) },
    { word: 'four weeks', from: daysBefore(today.value, 27) },
    { word: 'this winter', from: spanOf(winterOf(today.value, south), south, today.value)[0] },
  ]
})
const asked = computed(() => statementQuery(holding, store.value, from.value, to.value))
const { data: s, error } = useQuery(asked)

type Sums = Views['Sums']
const columns: { key: keyof Sums; word: string; help?: string }[] = [
  { key: 'opening', word: 'Balance at first' },
  { key: 'charged', word: 'Put in' },
  { key: 'own', word: 'Made by itself' },
  { key: 'delivered', word: 'To the house in the cold', help: 'delivered' },
  { key: 'early', word: 'Spent early', help: 'spent-early' },
  { key: 'lost', word: 'Fees: lost', help: 'lost' },
  { key: 'residual', word: 'Unaccounted', help: 'unaccounted' },
  { key: 'closing', word: 'Balance at last' },
]
const rows = computed(() => {
  const v = s.value
  if (!v) return []
  const each = v.stores.map((x) => ({ name: x.name, sums: x.sums }))
  return each.length > 1 ? [...each, { name: 'All together', sums: v.sums }] : each
})
</script>

<template>
  <RecordTabs :holding="holding" />
  <h1>{{ s ? statementSentence(s) : 'Statement' }}</h1>
  <p v-if="s" class="lead-line">{{ effortSentence(s) }}</p>
  <p v-if="s && tasksSentence(s)">{{ tasksSentence(s) }}</p>
  <form class="asked no-print" aria-label="Which statement" @submit.prevent>
    <div>
      <label for="s-store">Of</label>
      <BFormSelect
        id="s-store"
        :model-value="store"
        :options="[
          { value: '', text: 'the whole holding' },
          ...(stores ?? []).filter((x) => !x.planned).map((x) => ({ value: x.id, text: x.name })),
        ]"
        @update:model-value="go({ store: String($event ?? '') })"
      />
    </div>
    <div>
      <label for="s-from">from the noon of</label>
      <input
        id="s-from"
        class="form-control"
        type="date"
        :value="from"
        :max="to"
        @change="go({ from: ($event.target as HTMLInputElement).value || from })"
      />
    </div>
    <div>
      <label for="s-to">to the noon after</label>
      <input
        id="s-to"
        class="form-control"
        type="date"
        :value="to"
        :max="today"
        @change="go({ to: ($event.target as HTMLInputElement).value || to })"
      />
    </div>
    <div class="choices">
      <button
        v-for="p in spans"
        :key="p.word"
        type="button"
        :aria-pressed="from === p.from && to === today"
        @click="go({ from: p.from, to: today })"
      >
        {{ p.word }}
      </button>
    </div>
  </form>
  <ProblemNote v-if="error" :error="error" />
  <template v-if="s">
    <p v-if="s.pending" role="status" class="soft">
      {{ s.pending === 1 ? 'One day is' : `${s.pending} days are` }} still being judged; the figures
      grow as it goes.
    </p>
    <StatementBars v-if="s.days.length" :days="s.days" />
    <p v-if="s.unread" class="soft">
      On {{ s.unread }} {{ s.unread === 1 ? 'day' : 'days' }} too little was read to judge; what the
      stores did then is in “unaccounted”.
    </p>
    <TableTools v-if="rows.length" name="statement">
      <table class="table table-sm">
        <thead>
          <tr>
            <th scope="col"><span class="visually-hidden">Store</span></th>
            <th v-for="c in columns" :key="c.key" scope="col" data-unit="kWh">
              <WordHelp v-if="c.help" :of="c.help">{{ c.word }}</WordHelp>
              <template v-else>{{ c.word }}</template>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.name">
            <th scope="row">{{ r.name }}</th>
            <td v-for="c in columns" :key="c.key" class="num" :data-value="r.sums[c.key] / 3.6e6">
              {{ c.key === 'own' && !r.sums.own ? '' : energyOf(r.sums[c.key]) }}
            </td>
          </tr>
        </tbody>
      </table>
    </TableTools>
    <details v-if="s.days.length" class="mt-3">
      <summary>Day by day</summary>
      <TableTools name="statement-days">
        <table class="table table-sm">
          <thead>
            <tr>
              <th scope="col">From the noon of</th>
              <th scope="col" data-unit="kWh">Put in</th>
              <th scope="col" data-unit="kWh">To the house in the cold</th>
              <th scope="col" data-unit="kWh">Spent early</th>
              <th scope="col" data-unit="kWh">Lost</th>
              <th scope="col" data-unit="kWh">Unaccounted</th>
              <th scope="col" data-unit="kWh">Balance</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="d in s.days" :key="d.evening">
              <th scope="row" :data-value="d.evening">{{ evening(d.evening) }}</th>
              <td
                v-for="k in [
                  'charged',
                  'delivered',
                  'early',
                  'lost',
                  'residual',
                  'balance',
                ] as const"
                :key="k"
                class="num"
                :data-value="d[k] / 3.6e6"
              >
                {{ energyOf(d[k]) }}
              </td>
            </tr>
          </tbody>
        </table>
      </TableTools>
    </details>
    <p class="soft mt-2">
      Days run from noon to noon, so that a night stays whole. “Early” is heat that came while the
      house did not need it.
    </p>
  </template>
</template>
