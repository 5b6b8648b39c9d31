<script setup lang="ts">
import { BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import type { Views } from '@/shared/api/client'
import { degrees, type Temperature } from '@/shared/units'

/** The first rows as understood, each column tied to its probe; every tie can be put right. */
const props = defineProps<{
  state: Views['ImportView']
  probes: Pick<Views['ProbeView'], 'id' | 'name'>[]
  units: Temperature
}>()
const emit = defineEmits<{ correct: [mapping: Views['FileMapping']] }>()
const m = computed(() => props.state.mapping)
const zoneText = ref(m.value.zone)
watch(m, (now) => (zoneText.value = now.zone))
const long = computed(() => m.value.channelColumn >= 0)

const forms = [
  { value: 'YEAR_FIRST', text: 'year – month – day' },
  { value: 'DAY_FIRST', text: 'day – month – year' },
  { value: 'MONTH_FIRST', text: 'month – day – year' },
  { value: 'EPOCH_SECONDS', text: 'seconds since 1970' },
  { value: 'EPOCH_MILLIS', text: 'milliseconds since 1970' },
]
const ties = computed(() => [
  ...props.probes.map((p) => ({ value: p.id, text: p.name })),
  { value: 'NEW_PROBE', text: 'a new probe in the mass' },
  { value: 'NEW_AIR', text: 'the air beside the store' },
  { value: 'SKIP', text: 'leave out' },
])
type Tied = Pick<Views['Channel'], 'use' | 'probeId'>
const tieOf = (c: Tied) => (c.use === 'PROBE' ? c.probeId : c.use)

function change(part: Partial<Views['FileMapping']>) {
  emit('correct', { ...m.value, ...part })
}
function tied<T extends Tied>(c: T, to: string): T {
  return to === 'NEW_PROBE' || to === 'NEW_AIR' || to === 'SKIP'
    ? { ...c, use: to, probeId: null }
    : { ...c, use: 'PROBE', probeId: to }
}
const setColumn = (i: number, to: string) =>
  change({ columns: m.value.columns.map((c, k) => (k === i ? tied(c, to) : c)) })
const setChannel = (name: string, to: string) =>
  change({ channels: { ...m.value.channels, [name]: tied(m.value.channels[name], to) } })
const setFahrenheit = (i: number, on: boolean) =>
  change({ columns: m.value.columns.map((c, k) => (k === i ? { ...c, fahrenheit: on } : c)) })

const moment = (at: string | null) =>
  at
    ? new Intl.DateTimeFormat('en-GB', {
        weekday: 'short',
        day: 'numeric',
        month: 'long',
        year: 'numeric',
        hour: '2-digit',
        minute: '2-digit',
        timeZone: m.value.zone,
      }).format(Date.parse(at))
    : ''
const firstMoment = computed(() => moment(props.state.preview[0]?.at ?? null))
</script>

<template>
  <div v-if="state.ambiguousDates" class="caution" role="note">
    <b>Its dates read either way round.</b> Below they are taken as
    {{ forms.find((f) => f.value === m.timeForm)?.text }}; the first reading would be of
    {{ firstMoment }}. Put it right if that is wrong.
  </div>
  <p v-if="state.remembered">Understood as the last file of this logger was.</p>
  <div class="questions">
    <div>
      <label for="form">Dates are</label>
      <BFormSelect
        id="form"
        :model-value="m.timeForm"
        :options="forms"
        @update:model-value="change({ timeForm: $event as never })"
      />
    </div>
    <div>
      <label for="zone">Its clock shows the time of</label>
      <BFormInput id="zone" v-model="zoneText" @change="change({ zone: zoneText.trim() })" />
    </div>
    <div>
      <label for="point">Decimals after a</label>
      <BFormSelect
        id="point"
        :model-value="m.decimalComma"
        :options="[
          { value: false, text: 'point: 14.5' },
          { value: true, text: 'comma: 14,5' },
        ]"
        @update:model-value="change({ decimalComma: $event as boolean })"
      />
    </div>
  </div>
  <div v-if="long" class="questions mt-2">
    <div v-for="(c, name) in m.channels" :key="name">
      <label :for="`ch-${name}`">“{{ name }}” is</label>
      <BFormSelect
        :id="`ch-${name}`"
        :model-value="tieOf(c)"
        :options="ties"
        @update:model-value="setChannel(String(name), String($event))"
      />
    </div>
  </div>
  <div class="scroll mt-3" tabindex="0" role="region" aria-label="First rows as understood">
    <table class="ledger">
      <thead>
        <tr>
          <th scope="col" class="line">Line</th>
          <th scope="col">Moment</th>
          <th
            v-for="(c, i) in m.columns"
            :key="c.index"
            scope="col"
            :class="{ out: c.use === 'SKIP' }"
          >
            <span>{{ c.heading }}</span>
            <BFormSelect
              v-if="!long"
              size="sm"
              :aria-label="`Column ${c.heading} is`"
              :model-value="tieOf(c)"
              :options="ties"
              @update:model-value="setColumn(i, String($event))"
            />
            <BFormCheckbox
              v-if="c.use !== 'SKIP'"
              :model-value="c.fahrenheit"
              @update:model-value="setFahrenheit(i, Boolean($event))"
              >in °F</BFormCheckbox
            >
          </th>
          <th scope="col"><span class="visually-hidden">What is wrong</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in state.preview" :key="r.line">
          <td class="num">{{ r.line }}</td>
          <td class="moment">{{ moment(r.at) || '–' }}</td>
          <td
            v-for="(c, i) in m.columns"
            :key="c.index"
            class="num"
            :class="{ out: c.use === 'SKIP' }"
          >
            {{ r.celsius[i] == null ? (r.cells[c.index] ?? '') : degrees(r.celsius[i], units) }}
          </td>
          <td class="why">{{ r.why }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.questions {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem 1.5rem;
}

.questions > div {
  min-width: 190px;
}

.scroll {
  overflow: auto;
  max-height: 380px;
  border-top: 1px solid var(--line);
}

th {
  min-width: 90px;
}

thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
}

th.line {
  min-width: 50px;
}

.moment {
  white-space: nowrap;
}

.out {
  color: var(--ink-soft);
}

.why {
  color: var(--lost);
}
</style>
