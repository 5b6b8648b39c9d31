<script setup lang="ts">
/** Changes that are meant to be made, and what those that were made did, by the nights. */
import { useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import ToldShown from '@/instruments/ToldShown.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { evening, todayIn } from '../record/winters'
import {
  dropPlan,
  isAtStore,
  placeOf,
  planMade,
  shownSentence,
  toldSentence,
  type Plan,
} from './plans'
import { deedOf, upper } from './sentences'

const props = defineProps<{ holding: string; plans: Plan[] }>()
const session = useSession()
const client = useQueryClient()
const keeper = computed(() => session.role(props.holding) === 'KEEPER')
const zone = computed(() => session.zone(props.holding))
const today = computed(() => todayIn(zone.value, session.me?.now))
/** Whose day is asked for. */
const asked = reactive({ plan: '', on: '' })
const error = ref<unknown>(null)

const inOrder = computed(() =>
  [...props.plans].sort((a, b) => Number(a.doneOn != null) - Number(b.doneOn != null)),
)
const spans = computed(() =>
  props.plans.flatMap((p) => [
    p.told.warmerKelvin.low,
    p.told.warmerKelvin.high,
    ...(p.shown ? [p.shown.lowKelvin, p.shown.highKelvin] : []),
  ]),
)
const least = computed(() => Math.min(-0.2, ...spans.value) - 0.1)
const most = computed(() => Math.max(0.5, ...spans.value) + 0.1)
const shownSpan = (p: Plan) =>
  p.shown && {
    low: p.shown.lowKelvin,
    middle: p.shown.warmerKelvin,
    high: p.shown.highKelvin,
  }

async function tried(what: Promise<unknown>) {
  error.value = null
  try {
    await what
    asked.plan = ''
    await client.invalidateQueries({ queryKey: ['holding', props.holding] })
  } catch (e) {
    error.value = e
  }
}
const ask = (p: Plan) => Object.assign(asked, { plan: p.id, on: today.value })
</script>

<template>
  <section aria-labelledby="plans-h" class="plans">
    <h2 id="plans-h">Kept as plans</h2>
    <ProblemNote v-if="error" :error="error" />
    <ul>
      <li v-for="p in inOrder" :key="p.id">
        <p class="deed">
          <RouterLink :to="placeOf(holding, p.houseId, p)"
            ><b>{{ upper(deedOf(p, session.units)) }}</b></RouterLink
          >
          <span v-if="p.doneOn" class="soft">, since {{ evening(p.doneOn) }}</span>
        </p>
        <p v-if="p.doneOn" class="found">{{ shownSentence(p, session.units) }}</p>
        <p class="soft found">{{ toldSentence(p, session.units) }}</p>
        <ToldShown
          v-if="p.shownByLows"
          :told="p.told.warmerKelvin"
          :shown="shownSpan(p)"
          :least="least"
          :most="most"
          :units="session.units"
        />
        <form
          v-if="asked.plan === p.id"
          class="asked-in-a-row no-print"
          :aria-label="`${upper(deedOf(p, session.units))}: made`"
          @submit.prevent="tried(planMade(holding, p.id, asked.on))"
        >
          <label :for="`on-${p.id}`">The first evening with it</label>
          <BFormInput
            :id="`on-${p.id}`"
            v-model="asked.on"
            type="date"
            min="2000-01-02"
            :max="today"
            required
          />
          <BButton type="submit" variant="primary">It is made</BButton>
          <BButton variant="secondary" @click="asked.plan = ''">Close</BButton>
        </form>
        <p v-else-if="keeper" class="buttons no-print">
          <BButton v-if="!p.doneOn" variant="secondary" @click="ask(p)">Made</BButton>
          <BButton v-else variant="secondary" @click="tried(planMade(holding, p.id, null))"
            >Not made after all</BButton
          >
          <BButton variant="secondary" @click="tried(dropPlan(holding, p.id))">Let it go</BButton>
          <RouterLink
            v-if="!p.doneOn && isAtStore(p)"
            class="btn btn-secondary"
            :to="{ name: 'build', params: { holding, store: p.of } }"
            >Build sheet</RouterLink
          >
        </p>
      </li>
    </ul>
    <p v-if="plans.some((p) => p.doneOn)" class="soft">
      Told is the range over winters of the coldest tenth of nights, made alone; the nights’ line is
      what fits all nights since, at the same cold outdoors, in 95 of a hundred cases. Wind, sky and
      what the stores held are not looked at.
    </p>
  </section>
</template>

<style scoped>
.plans ul {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 420px), 1fr));
  gap: 1.2rem 1.5rem;
}

.deed,
.found {
  margin-bottom: 0.25rem;
}

.buttons {
  margin-top: 0.4rem;
}
</style>
