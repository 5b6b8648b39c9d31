<script setup lang="ts">
import { at } from '@/shared/at'
/** What was done and seen: logged by one touch, set right afterwards. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, body, type Views } from '@/shared/api/client'
import { add, sent } from '@/shared/outbox'
import { useSession } from '@/shared/session'
import { clock, day, degrees, massOf } from '@/shared/units'
import { newId } from '../store/designs'
import { partsQuery } from '../part/queries'
import { housesQuery } from '../house/queries'
import { storesQuery } from '../store/queries'
import { thermometersQuery } from '../thermometer/queries'
import DoneForm from './DoneForm.vue'
import { kinds, placeOf, sights, wordOf, type Kind, type Way } from './doneKinds'
import { eventsQuery, lately, roundsQuery, walkQuery } from './queries'
import { movedStop, stopsOf } from './walk'

const session = useSession()
const client = useQueryClient()
const holding = String(useRoute().params.holding)
const { now } = session
const [from, to] = lately(now())
const { data: events } = useQuery(eventsQuery(holding, from, to))
const { data: rounds } = useQuery(roundsQuery(holding))
const { data: stores } = useQuery(storesQuery(holding))
const { data: houses } = useQuery(housesQuery(holding))
const { data: thermometers } = useQuery(thermometersQuery(holding))
const { data: parts } = useQuery(partsQuery(holding))
const { data: walk } = useQuery(walkQuery(holding))
const mayLog = computed(() => session.role(holding) !== 'GUEST')
const zone = computed(() => session.zone(holding))
const storeId = ref<string | null>(null)
const storeChoices = computed(() => [
  { value: null, text: 'the house' },
  ...(stores.value ?? []).filter((s) => !s.planned).map((s) => ({ value: s.id, text: s.name })),
])

/** The one just logged, open to be set right. */
const last = reactive<{ event: Views['EventView'] | null; fresh: boolean }>({
  event: null,
  fresh: true,
})

async function done(kind: Kind, { note = '', way = null as Way | null } = {}) {
  const at = now()
  const event = {
    id: newId(),
    storeId: placeOf(kind, storeId.value, stores.value ?? [], parts.value ?? []) as string,
    kind,
    way: way as Way,
    at: at.toISOString(),
    note,
    amount: null,
    moisture: null,
  }
  Object.assign(last, { event, fresh: true })
  if (!stores.value) placeOnceKnown(event.id)
  await put(event, 'POST')
}

async function gone(what: Promise<unknown>) {
  await what
  await client.invalidateQueries({ queryKey: ['holding', holding] })
}
function takeAway(id: string) {
  if (last.event?.id === id) last.event = null
  return gone(
    body(
      api.DELETE('/api/holdings/{holdingId}/events/{eventId}', {
        params: { path: { holdingId: holding, eventId: id } },
      }),
    ),
  )
}
const takeRound = (roundId: string) =>
  gone(
    body(
      api.DELETE('/api/holdings/{holdingId}/rounds/{roundId}', {
        params: { path: { holdingId: holding, roundId } },
      }),
    ),
  )
const takePhoto = (photoId: string) =>
  gone(
    body(
      api.DELETE('/api/holdings/{holdingId}/photos/{photoId}', {
        params: { path: { holdingId: holding, photoId } },
      }),
    ),
  )

/** A touch before the stores were there finds its store when they come. */
function placeOnceKnown(id: string) {
  const stop = watch(stores, (all) => {
    stop()
    const e = last.event
    if (e?.id !== id) return
    const at = placeOf(e.kind, e.storeId, all ?? [], parts.value ?? [])
    if (at === e.storeId) return
    e.storeId = at as string
    void put(e, 'PUT')
  })
}

function put(event: Views['EventView'], method: 'POST' | 'PUT') {
  const path = at(`/api/holdings/${holding}/events`)
  return add({
    method,
    path: method === 'POST' ? path : `${path}/${event.id}`,
    kind: 'json',
    body: JSON.stringify(event),
    what: wordOf(event.kind, event.way),
  })
}

async function setRight(event: Views['EventView']) {
  await put(event, 'PUT')
  last.event = null
}

watch(sent, () => client.invalidateQueries({ queryKey: ['holding', holding] }))

type Line = {
  key: string
  at: string
  word: string
  of: string
  note: string
  event?: Views['EventView']
  photos?: string[]
}
const amountOf = (e: Views['EventView']) =>
  e.amount == null
    ? ''
    : e.kind === 'OFF_SCALE'
      ? degrees(e.amount, session.units)
      : massOf(e.amount)
const nameOf = (id: string | null) => stores.value?.find((s) => s.id === id)?.name ?? ''
const probes = computed(() => new Map(stops.value.map((s) => [s.probeId, s])))
const stops = computed(() =>
  stopsOf(stores.value ?? [], thermometers.value ?? [], houses.value ?? [], walk.value ?? []),
)
/** Newest first; of the same moment, the event that came last, then the rounds. */
const lines = computed<Line[]>(() =>
  [
    ...[...(events.value ?? [])].reverse().map((e) => ({
      key: e.id,
      at: e.at,
      word: wordOf(e.kind, e.way),
      of: nameOf(e.storeId),
      note: [amountOf(e), e.note].filter(Boolean).join(', '),
      event: e,
    })),
    ...(rounds.value ?? []).map((r) => ({
      key: r.id,
      at: r.startedAt,
      word: `Round${r.by ? ` by ${r.by}` : ''}`,
      of: '',
      note: r.entries
        .filter((e) => e.celsius != null)
        .map(
          (e) =>
            `${probes.value.get(e.probeId)?.probe ?? '?'} ${degrees(e.celsius!, session.units)}`,
        )
        .join(', '),
      photos: r.photos,
    })),
  ].sort((a, b) => b.at.localeCompare(a.at)),
)

function moveStop(id: string, by: -1 | 1) {
  const ids = movedStop(
    stops.value.map((s) => s.probeId),
    id,
    by,
  )
  const was = walk.value ?? []
  client.setQueryData(['holding', holding, 'walk'], ids)
  return add({
    method: 'PUT',
    path: at(`/api/holdings/${holding}/walk`),
    kind: 'json',
    body: JSON.stringify({ probes: ids, was }),
    what: 'The order of the walk',
  })
}
</script>

<template>
  <h1>Log</h1>
  <template v-if="mayLog">
    <p>
      <RouterLink class="btn btn-primary walk" :to="{ name: 'round', params: { holding } }"
        >Walk the round</RouterLink
      >
    </p>
    <section aria-labelledby="done-h">
      <h2 id="done-h">Done or seen just now</h2>
      <div class="of">
        <label for="of">At</label>
        <BFormSelect id="of" v-model="storeId" :options="storeChoices" />
      </div>
      <div class="touches">
        <template v-for="k in kinds" :key="k.kind">
          <div v-if="k.ways" class="two-ways" role="group" :aria-label="k.word">
            <span aria-hidden="true">{{ k.word }}</span>
            <button
              v-for="(word, way) in k.ways"
              :key="way"
              type="button"
              :aria-label="`${k.word} ${word}`"
              @click="done(k.kind, { way })"
            >
              {{ word }}
            </button>
          </div>
          <button v-else type="button" :class="{ sight: k.seen }" @click="done(k.kind)">
            {{ k.word }}
          </button>
        </template>
        <button
          v-for="s in sights"
          :key="s.word"
          type="button"
          class="sight"
          @click="done(s.kind, { note: s.word })"
        >
          {{ s.word }}
        </button>
      </div>
      <DoneForm
        v-if="last.event"
        :key="last.event.id"
        v-model="last.event"
        :fresh="last.fresh"
        :places="storeChoices"
        :zone="zone"
        :now="now"
        @keep="setRight"
      />
    </section>
  </template>
  <h2 class="mt-4">The last fortnight</h2>
  <table class="ledger lines">
    <tbody>
      <tr v-for="l in lines" :key="l.key">
        <td class="when">
          {{ day(Date.parse(l.at) / 1000, zone) }}, {{ clock(Date.parse(l.at) / 1000, zone) }}
        </td>
        <th scope="row">{{ l.word }}</th>
        <td>{{ l.of }}</td>
        <td>
          {{ l.note }}
          <span v-if="l.photos?.length" class="photos">
            <span v-for="(p, i) in l.photos" :key="p" class="photo">
              <a :href="at(`/api/holdings/${holding}/photos/${p}`)" target="_blank" rel="noopener"
                ><img
                  loading="lazy"
                  :src="at(`/api/holdings/${holding}/photos/${p}`)"
                  :alt="`Photo ${i + 1} of this round`"
              /></a>
              <button
                v-if="mayLog"
                type="button"
                :aria-label="`Take away photo ${i + 1} of this round`"
                @click="takePhoto(p)"
              >
                ×
              </button>
            </span>
          </span>
        </td>
        <td v-if="mayLog" class="right-or-away">
          <template v-if="l.event">
            <button
              type="button"
              :aria-label="`Put right: ${l.word}, ${clock(Date.parse(l.at) / 1000, zone)}`"
              @click="Object.assign(last, { event: { ...l.event }, fresh: false })"
            >
              put right
            </button>
            <button
              type="button"
              :aria-label="`Take away: ${l.word}, ${clock(Date.parse(l.at) / 1000, zone)}`"
              @click="takeAway(l.event.id)"
            >
              take away
            </button>
          </template>
          <button
            v-else-if="l.photos"
            type="button"
            :aria-label="`Take away with its readings: ${l.word}, ${clock(Date.parse(l.at) / 1000, zone)}`"
            @click="takeRound(l.key)"
          >
            take away
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="events && !lines.length" class="soft">Nothing yet.</p>
  <details v-if="mayLog && stops.length" class="mt-3">
    <summary>The order of the walk</summary>
    <ol>
      <li v-for="s in stops" :key="s.probeId">
        {{ s.store }}, {{ s.probe }}
        <button type="button" :aria-label="`${s.probe} earlier`" @click="moveStop(s.probeId, -1)">
          ↑
        </button>
        <button type="button" :aria-label="`${s.probe} later`" @click="moveStop(s.probeId, 1)">
          ↓
        </button>
      </li>
    </ol>
  </details>
  <p class="mt-3">
    <RouterLink :to="{ name: 'loggers', params: { holding } }"
      >Loggers that send by themselves</RouterLink
    >
  </p>
  <p>
    <RouterLink :to="{ name: 'changes', params: { holding } }"
      >What was changed, and by whom</RouterLink
    >
  </p>
</template>

<style scoped>
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  margin-top: 0.3rem;
}

.photo {
  display: inline-flex;
  align-items: start;
}

.photos img {
  height: 72px;
  border: 1px solid var(--line);
}

.walk {
  font-size: 1.2rem;
  min-height: 56px;
}

.of {
  display: flex;
  gap: 0.75rem;
  align-items: center;
  max-width: 340px;
  margin-bottom: 0.5rem;
}

.touches {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 6px;
}

.touches button {
  min-height: 52px;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line);
  text-align: left;
  padding: 0.3rem 0.7rem;
}

.two-ways {
  display: grid;
  grid-template-columns: 1fr 1fr;
  background: var(--sheet);
  border: 1px solid var(--line);
}

.two-ways span {
  grid-column: 1 / -1;
  padding: 0.2rem 0.7rem 0;
}

.touches .two-ways button {
  border-width: 0;
  min-height: 48px;
  text-decoration: underline;
}

.touches .two-ways button + button {
  border-left: 1px solid var(--line);
}

.touches .sight {
  border-style: dashed;
}

.right-or-away {
  text-align: right;
  white-space: nowrap;
}

.right-or-away button {
  background: none;
  border: 0;
  color: var(--ink-soft);
  text-decoration: underline;
  min-height: 40px;
}

@media (max-width: 600px) {
  .lines tr {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 0.6rem;
    border-bottom: 1px solid var(--line);
  }

  .lines td,
  .lines th {
    border: 0;
    padding: 0.15rem 0;
    overflow-wrap: anywhere;
  }

  .lines .right-or-away {
    margin-left: auto;
  }
}

.when {
  white-space: nowrap;
  color: var(--ink-soft);
}

details button {
  background: none;
  border: 1px solid var(--line);
  color: var(--ink);
  min-width: 40px;
  min-height: 40px;
}

summary {
  color: var(--ember);
  min-height: 36px;
}
</style>
