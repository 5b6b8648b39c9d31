<script setup lang="ts">
/** What keeps the place going: tasks that come round, the wood against what the season asks, the heaps. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import TaskLane from '@/instruments/TaskLane.vue'
import WoodPile from '@/instruments/WoodPile.vue'
import type { Views } from '@/shared/api/client'
import { at } from '@/shared/at'
import { sent } from '@/shared/outbox'
import ProblemNote from '@/shared/ProblemNote.vue'
import WaitsHere from '@/shared/WaitsHere.vue'
import { useSession } from '@/shared/session'
import { plansQuery } from '../next/plans'
import { deedOf } from '../next/sentences'
import { newId } from '../store/designs'
import HeapSection from './HeapSection.vue'
import StackEditor from './StackEditor.vue'
import TaskEditor from './TaskEditor.vue'
import { noteDone } from './done'
import {
  dropDone,
  dropStack,
  dropTask,
  putStack,
  putTask,
  putTasks,
  upkeepQuery,
  woodQuery,
} from './queries'
import {
  carrySentence,
  dueOf,
  dueSentence,
  everyWords,
  standsWords,
  stackWords,
  woodNotes,
  woodSentence,
  type Task,
} from './sentences'

const DAY_MS = 86_400_000
const session = useSession()
const client = useQueryClient()
const holding = String(useRoute().params.holding)
const zone = computed(() => session.zone(holding))
const role = computed(() => session.role(holding))
const keeper = computed(() => role.value === 'KEEPER')
const { data: upkeep } = useQuery(upkeepQuery(holding))
const { data: wood } = useQuery(woodQuery(holding))
const { data: plans } = useQuery(plansQuery(holding))
const meant = computed(() => (plans.value ?? []).filter((p) => !p.doneOn))
const now = computed(() => session.now().getTime())
const from = computed(() => now.value - 45 * DAY_MS)
const to = computed(() => now.value + 120 * DAY_MS)
const open = reactive({ task: '', stack: '' })
const error = ref<unknown>(null)
/** Just done, and not heard back of yet. */
const ticked = reactive(new Set<string>())

const NEW_TASK: Views['TaskDraft'] = {
  usual: null,
  what: '',
  why: '',
  days: 30,
  fires: null,
  kilograms: null,
  month: null,
  dayOfMonth: null,
}
const newStack = computed<Views['StackDraft']>(() => ({
  name: '',
  kilograms: 300,
  thicknessMetres: 0.1,
  cover: 'ROOFED',
  moisture: null,
  since: session.now().toISOString(),
}))
const stackOf = computed(() => {
  const s = wood.value?.stacks.find((one) => one.id === open.stack)
  return s ? { ...s, kilograms: s.madeKilograms, moisture: s.measured } : newStack.value
})

function fresh() {
  return client.invalidateQueries({ queryKey: ['holding', holding] })
}
async function tried(what: Promise<unknown>, then: () => void = () => {}) {
  error.value = null
  try {
    await what
    then()
    await fresh()
  } catch (e) {
    error.value = e
  }
}
watch(sent, fresh)
watch(upkeep, () => ticked.clear())

function done(t: Task) {
  ticked.add(t.id)
  void noteDone(holding, t, session.now())
}
const close = () => Object.assign(open, { task: '', stack: '' })
const keepTask = (id: string, d: Views['TaskDraft']) => tried(putTask(holding, id, d), close)
const takeOn = (all: Views['ProposalView'][]) =>
  tried(putTasks(holding, Object.fromEntries(all.map((p) => [newId(), p.task]))))
const keepStack = (d: Views['StackDraft']) =>
  tried(putStack(holding, open.stack === 'new' ? newId() : open.stack, d), close)
async function choose(id: string) {
  error.value = null
  open.stack = open.stack === id ? '' : id
  await nextTick()
  document.getElementById('stack-name')?.focus({ preventScroll: true })
}
const laneWords = (t: Task) =>
  `${t.task.what}: ${everyWords(t.task)}; ${standsWords(t, now.value, zone.value)}`
const ms = (iso: string | null) => (iso ? Date.parse(iso) : null)
const calendar = at(`/api/holdings/${holding}/upkeep/calendar`)
</script>

<template>
  <template v-if="upkeep && wood">
    <h1 :class="{ due: dueOf(upkeep.tasks).length }">{{ dueSentence(upkeep.tasks, now, zone) }}</h1>
    <p class="lead-line">{{ woodSentence(wood) }} {{ carrySentence(wood) }}</p>
    <div class="two">
      <section aria-labelledby="tasks-h">
        <h2 id="tasks-h">What comes round</h2>
        <ol v-if="upkeep.tasks.length" class="tasks">
          <li v-for="t in upkeep.tasks" :key="t.id" :class="t.state.toLowerCase()">
            <button
              type="button"
              class="name"
              :aria-expanded="open.task === t.id"
              @click="open.task = open.task === t.id ? '' : t.id"
            >
              {{ t.task.what }}
            </button>
            <span class="stands">{{
              ticked.has(t.id) ? 'done just now' : standsWords(t, now, zone)
            }}</span>
            <BButton
              v-if="role !== 'GUEST'"
              class="did"
              :variant="t.state === 'DUE' ? 'primary' : 'secondary'"
              :disabled="ticked.has(t.id)"
              :aria-label="`${t.task.what}: done`"
              @click="done(t)"
              >Done</BButton
            >
            <span class="soft often">{{ everyWords(t.task) }}</span>
            <TaskLane
              class="lane"
              :done="t.done.map((d) => Date.parse(d.at))"
              :due="ms(t.dueAt ?? t.dueAtPace)"
              :guessed="!t.dueAt"
              :state="t.state"
              :now="now"
              :from="from"
              :to="to"
              :words="laneWords(t)"
            />
            <div v-if="open.task === t.id" class="more">
              <p v-if="t.task.why">{{ t.task.why }}</p>
              <TaskEditor
                v-if="keeper"
                :task="t.task"
                :done="t.done"
                :is-new="false"
                :zone="zone"
                :error="error"
                @keep="keepTask(t.id, $event)"
                @drop="tried(dropTask(holding, t.id), close)"
                @undo="tried(dropDone(holding, t.id, $event))"
                @close="close"
              />
            </div>
          </li>
        </ol>
        <p v-if="upkeep.tasks.length" class="soft">
          A stroke is where it was done; the line down is today, six weeks before it and four months
          after it are drawn.
        </p>
        <TaskEditor
          v-if="open.task === 'new'"
          :task="NEW_TASK"
          :done="[]"
          is-new
          :zone="zone"
          :error="error"
          @keep="keepTask(newId(), $event)"
          @close="close"
        />
        <WaitsHere :holding="holding" :of="['upkeep']" />
        <p class="buttons no-print">
          <BButton
            v-if="keeper && open.task !== 'new'"
            variant="secondary"
            @click="open.task = 'new'"
            >One of my own</BButton
          >
          <a v-if="upkeep.tasks.length" class="btn btn-secondary" :href="calendar" download
            >To a calendar</a
          >
        </p>
      </section>
      <section aria-labelledby="wood-h">
        <h2 id="wood-h">Wood</h2>
        <WoodPile
          v-if="wood.stacks.length || wood.asked"
          :wood="wood"
          :now="now"
          :chosen="open.stack"
          @choose="choose"
        />
        <StackEditor
          v-if="open.stack && keeper"
          :key="open.stack"
          :stack="stackOf"
          :is-new="open.stack === 'new'"
          :zone="zone"
          :error="error"
          @keep="keepStack"
          @drop="tried(dropStack(holding, open.stack), close)"
          @close="close"
        />
        <WaitsHere :holding="holding" :of="['wood']" />
        <ul class="stacks">
          <li v-for="s in wood.stacks" :key="s.id">
            <button type="button" class="name" @click="choose(s.id)">
              {{ s.name }}
            </button>
            <span class="soft">{{ stackWords(s, wood.dryEnough) }}</span>
          </li>
        </ul>
        <p v-for="n in woodNotes(wood)" :key="n" class="soft">{{ n }}</p>
        <BButton
          v-if="keeper && open.stack !== 'new'"
          variant="secondary"
          class="no-print"
          @click="choose('new')"
          >A new stack</BButton
        >
        <p class="soft">
          A logged fire takes from the driest stack there is. How fast wood dries is known to a
          factor of 1.5, in air as it usually is at your latitude; a meter’s reading on a fresh
          split face sets it right. What the season asks is what it asked so far, for each
          degree-day.
        </p>
      </section>
    </div>
    <HeapSection :holding="holding" />
    <p class="no-print">
      <RouterLink :to="{ name: 'next', params: { holding } }"
        >What to change, for harder nights</RouterLink
      ><template v-if="meant.length"
        >; meant to be made: {{ meant.map((p) => deedOf(p, session.units)).join('; ') }}</template
      >.
    </p>
    <section v-if="keeper && upkeep.usual.length" aria-labelledby="usual-h">
      <h2 id="usual-h">What such a place usually needs</h2>
      <p class="soft">
        With usual intervals, to be changed. Local rules, the makers of stoves and alarms, and
        licensed trades come first.
      </p>
      <ul class="usual">
        <li v-for="p in upkeep.usual" :key="p.usual">
          <span
            >{{ p.task.what }}
            <span class="soft">{{ everyWords(p.task) }}. {{ p.task.why }}</span></span
          >
          <BButton variant="secondary" :aria-label="`Take on: ${p.task.what}`" @click="takeOn([p])"
            >Take on</BButton
          >
        </li>
      </ul>
      <BButton v-if="upkeep.usual.length > 1" variant="secondary" @click="takeOn(upkeep.usual)"
        >Take all {{ upkeep.usual.length }} on</BButton
      >
    </section>
    <ProblemNote v-if="error && !open.task && !open.stack" :error="error" />
  </template>
</template>

<style scoped>
h1 {
  margin-top: 0.7rem;
}

h1.due {
  color: var(--close);
}

.lead-line {
  font-size: 1.12rem;
}

.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 2rem;
}

.tasks,
.stacks,
.usual {
  list-style: none;
  padding: 0;
}

.tasks li {
  display: grid;
  grid-template-columns: 10.5rem minmax(0, 1fr) auto auto;
  gap: 0 0.75rem;
  align-items: center;
  border-top: 1px solid var(--line-soft);
  padding: 0.35rem 0 0;
}

.tasks .lane {
  grid-column: 2 / -1;
}

.more {
  grid-column: 1 / -1;
}

.name {
  background: none;
  border: 0;
  padding: 0.2rem 0;
  text-align: left;
  color: var(--ink);
  min-height: 40px;
}

.tasks .name {
  grid-column: 1 / 3;
}

.often {
  font-size: 0.95rem;
  line-height: 1.15;
}

.stacks .name {
  text-decoration: underline;
  margin-right: 0.5rem;
}

.due .stands {
  color: var(--close);
  font-weight: 600;
}

.usual {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(22rem, 100%), 1fr));
  column-gap: 2rem;
}

.usual li {
  display: flex;
  gap: 0.75rem;
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--line-soft);
  padding: 0.3rem 0;
}

.usual button,
.did {
  flex: none;
}

@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }

  .tasks li {
    grid-template-columns: 7rem minmax(0, 1fr) auto auto;
  }
}
</style>
