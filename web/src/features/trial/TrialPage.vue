<script setup lang="ts">
/** One trial: runs brought to the same start, what the change did, and what else differed. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import TrialOverlay from '@/instruments/TrialOverlay.vue'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import TableTools from '@/shared/TableTools.vue'
import { useSession } from '@/shared/session'
import { degrees, hours, conductanceOf } from '@/shared/units'
import RecordTabs from '../record/RecordTabs.vue'
import { trialQuery } from './queries'
import { differedSentence, differenceSentence, trialHeadline } from './sentences'

const session = useSession()
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const holding = String(route.params.holding)
const trial = String(route.params.trial)
const keeper = computed(() => session.role(holding) === 'KEEPER')
const carried = computed(() => (route.query.hours ? Number(route.query.hours) : null))
const asked = computed(() => trialQuery(holding, trial, carried.value))
const { data: sheet, error } = useQuery(asked)
const choices = [6, 12, 14, 24, 48]

async function remove() {
  await body(
    api.DELETE('/api/holdings/{holdingId}/trials/{trialId}', {
      params: { path: { holdingId: holding, trialId: trial } },
    }),
  )
  await client.invalidateQueries({ queryKey: ['holding', holding, 'trials'] })
  void router.push({ name: 'trials', params: { holding } })
}
</script>

<template>
  <RecordTabs :holding="holding" />
  <ProblemNote v-if="error" :error="error" />
  <template v-if="sheet">
    <p class="soft mb-1">{{ sheet.trial.name }}</p>
    <h1>{{ trialHeadline(sheet, session.units) }}</h1>
    <p v-for="(d, i) in sheet.differences" :key="d.side" :class="i ? '' : 'lead-line'">
      {{
        differenceSentence(d, sheet, session.units)
          .split('. ')
          .slice(i ? 0 : 1)
          .join('. ')
      }}
    </p>
    <template v-if="sheet.seconds">
      <form class="choices my-2 no-print" aria-label="How long" @submit.prevent>
        <span>Carried along for</span>
        <button type="button" :aria-pressed="!carried" @click="router.replace({ query: {} })">
          as long as all were followed
        </button>
        <button
          v-for="h in choices"
          :key="h"
          type="button"
          :aria-pressed="carried === h"
          @click="router.replace({ query: { hours: String(h) } })"
        >
          {{ h }} h
        </button>
      </form>
      <TrialOverlay :sheet="sheet" :units="session.units" />
      <p class="soft">
        Readings are scaled by their start over the air; lines are each side’s fitted cooling with
        its 95 % band.
      </p>
    </template>
    <section v-if="sheet.differed.length" aria-labelledby="else-h">
      <h2 id="else-h">What else was not alike</h2>
      <ul>
        <li v-for="d in sheet.differed" :key="d.what + d.side">
          {{ differedSentence(d, sheet, session.units) }}
        </li>
      </ul>
    </section>
    <p v-else-if="sheet.seconds">
      Nothing else that was logged differed: start, air, hours, doors and water were alike.
    </p>
    <TableTools name="trial">
      <table class="table table-sm">
        <thead>
          <tr>
            <th scope="col">Side</th>
            <th scope="col" data-unit="h">Half-life</th>
            <th scope="col" data-unit="W/K">Heat loss</th>
            <th scope="col" data-unit="°C">Would read at the end</th>
            <th scope="col">Runs</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in sheet.sides" :key="s.name">
            <th scope="row">{{ s.name }}</th>
            <template v-if="s.fair">
              <td :data-value="s.fair.halfLifeSeconds / 3600">
                {{ hours(s.fair.halfLifeSeconds) }} ({{ hours(s.fair.halfLifeLow) }} to
                {{ hours(s.fair.halfLifeHigh) }})
              </td>
              <td :data-value="s.fair.lossWattsPerKelvin">
                {{ conductanceOf(s.fair.lossWattsPerKelvin) }} ({{
                  conductanceOf(s.fair.lossLow)
                }}
                to {{ conductanceOf(s.fair.lossHigh) }})
              </td>
              <td :data-value="s.fair.readingCelsius">
                {{ degrees(s.fair.readingCelsius, session.units) }}
              </td>
            </template>
            <td v-else colspan="3">tells nothing</td>
            <td>
              <template
                v-for="r in sheet.trial.runs.filter((x) => x.side === s.name)"
                :key="r.runId"
              >
                <RouterLink :to="{ name: 'run', params: { holding, run: r.runId } }"
                  >{{ r.storeName }}: {{ r.runName }}</RouterLink
                ><br />
              </template>
            </td>
          </tr>
        </tbody>
      </table>
    </TableTools>
    <p v-if="keeper" class="mt-3 no-print">
      <RouterLink
        class="btn btn-secondary me-2"
        :to="{ name: 'trials', params: { holding }, query: { change: trial } }"
        >Change it</RouterLink
      >
      <BButton variant="secondary" @click="remove">Take the trial away</BButton>
    </p>
  </template>
</template>
