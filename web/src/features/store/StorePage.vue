<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ArrangementBand from '@/instruments/ArrangementBand.vue'
import CutAway from '@/instruments/CutAway.vue'
import TopWarmth from '@/instruments/TopWarmth.vue'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import TakeAway from '@/shared/TakeAway.vue'
import { useSession } from '@/shared/session'
import { clock, day, degrees, hours, massOf, energyOf } from '@/shared/units'
import { housesQuery } from '../house/queries'
import PartsOfStore from '../part/PartsOfStore.vue'
import { charges, storesOf, type Kind } from '../part/parts'
import { partsQuery } from '../part/queries'
import LoopNotes from '../run/LoopNotes.vue'
import HandReadings from './HandReadings.vue'
import { apart } from './conflict'
import BuildEditor from './BuildEditor.vue'
import FillsEditor from './FillsEditor.vue'
import CautionList from './CautionList.vue'
import ChargeBench from './ChargeBench.vue'
import { chargeSentence } from './chargeSentences'
import { allOf, differences, mostOf, type Described } from './arrangements'
import LayerEditor from './LayerEditor.vue'
import LedEditor from './LedEditor.vue'
import MassEditor from './MassEditor.vue'
import ProbeEditor from './ProbeEditor.vue'
import StoreConflict from './StoreConflict.vue'
import SinceWhen from './SinceWhen.vue'
import StoreFigures from './StoreFigures.vue'
import StoreRuns from './StoreRuns.vue'
import ZoneEditor from './ZoneEditor.vue'
import { newId, type FaceKey } from './designs'
import { catalogueQuery, runsQuery, storeQuery, storesQuery } from './queries'
import { topWhenFull } from './topUses'
import { usualOf } from './usual'
import { useMaterials } from './useMaterials'
import PastArrangement from './PastArrangement.vue'
import { useCharge, type ChargeHow } from './useCharge'
import { useStoreDraft } from './useStoreDraft'
import { sidesOf } from '@/shared/body'

const session = useSession()
const client = useQueryClient()
const router = useRouter()
const route = useRoute()
const holding = String(route.params.holding)
const store = String(route.params.store)
const { data: loaded, error: missing } = useQuery(storeQuery(holding, store))
const { data: catalogue } = useQuery(catalogueQuery())
const { data: runs } = useQuery(runsQuery(holding, store))
const { data: houses } = useQuery(housesQuery(holding))
const { data: all } = useQuery(storesQuery(holding))
const past = ref(String(route.query.as ?? ''))
watch(past, (as) => void router.replace({ query: { ...route.query, as: as || undefined } }))
const {
  draft,
  ready,
  error,
  state,
  appraisal,
  base,
  changed,
  settle,
  never,
  yieldTo,
  theirs,
  overrule,
  changedMeanwhile,
} = useStoreDraft(holding, store, loaded, past)
const selected = ref('mass')
const keeper = computed(() => session.role(holding) === 'KEEPER')
const zone = computed(() => session.zone(holding))
const now = computed(() => (past.value ? undefined : loaded.value?.data.now))
const clockNow = computed(() => session.now().toISOString())
const was = computed(() => (loaded.value ? allOf(loaded.value.data) : []))
const between = (a: Described, b: Described) => differences(a, b, insulation.value, media.value)
const wasWords = computed(() => was.value.map((a, i) => (i ? between(was.value[i - 1]!, a) : [])))
const runsOf = computed(() => {
  const counts = was.value.map(() => 0)
  runs.value?.forEach((r) => counts[mostOf(was.value, Date.parse(r.from), Date.parse(r.to))]!++)
  return counts
})
/** Nobody is asked since when of a store that nobody has read. */
const asks = computed(
  () => keeper.value && changed.value && !!base.value && !!(now.value?.at || runs.value?.length),
)
const told = (iso: string) =>
  `${day(Date.parse(iso) / 1000, zone.value)}, ${clock(Date.parse(iso) / 1000, zone.value)}`
const { insulation, media, fillNames, filled } = useMaterials(holding, () => draft.design)
const { data: parts } = useQuery(partsQuery(holding))
const chargers = computed(() => (parts.value ?? []).filter((p) => charges(p.design, store)))
const chosen = ref('')
const tried = computed(
  () => chargers.value.find((p) => p.id === chosen.value) ?? chargers.value[0] ?? null,
)
const how = reactive<ChargeHow>({
  hours: null,
  kilograms: null,
  loads: null,
  bypassHours: null,
})
const sources: Kind[] = ['ELEMENT', 'FIRE', 'FLAMES', 'HEATER', 'SUNLIGHT', 'HEAP', 'HEAT_PUMP']
const charging = ref(route.query.charge === 'yes')
const {
  charge,
  error: chargeError,
  busy,
  moment,
  second,
  frame,
  hottest,
} = useCharge(
  holding,
  store,
  () => draft.design,
  () => tried.value?.design ?? null,
  how,
  computed(() => charging.value && ready.value && !!tried.value),
)
const tabs = [
  { key: 'mass', word: 'Mass' },
  { key: 'source', word: 'Charge' },
  { key: 'led', word: 'Pipe' },
]
const tab = computed(() =>
  ['source', 'led'].includes(selected.value)
    ? selected.value
    : isFace.value || probe.value
      ? ''
      : 'mass',
)
const probe = computed(() => draft.probes.find((p) => `probe:${p.id}` === selected.value))
const isFace = computed(() => ['side', 'top', 'foot'].includes(selected.value))
const house = computed(() => houses.value?.find((h) => h.id === draft.houseId))

function resize(dimension: 'width' | 'height', to: number) {
  const d = draft.design
  if (dimension === 'height') d.heightMetres = to
  else if (d.shape === 'CYLINDER') d.diameterMetres = to
  else if (sidesOf(d).width <= sidesOf(d).length) d.widthMetres = to
  else d.lengthMetres = to
}

function place(id: string, radiusFraction: number, heightFraction: number) {
  const p = draft.probes.find((x) => x.id === id)
  if (p) Object.assign(p, { radiusFraction, heightFraction })
}

function addProbe() {
  const names = new Set(draft.probes.map((p) => p.name))
  let n = draft.probes.length + 1
  while (names.has(`probe ${n}`)) n++
  const id = newId()
  draft.probes.push({
    id,
    kind: 'STORE',
    name: `probe ${n}`,
    radiusFraction: 0.5,
    heightFraction: 0.5,
  })
  selected.value = `probe:${id}`
}

const counted = (n: number, word: string) => `${n} ${word}${n === 1 ? '' : 's'}`

const takeAway = () =>
  body(
    api.DELETE('/api/holdings/{holdingId}/stores/{storeId}', {
      params: { path: { holdingId: holding, storeId: store } },
    }),
  )

async function leave() {
  await router.push({ name: 'stores', params: { holding } })
  await client.invalidateQueries({ queryKey: ['holding', holding] })
}

function removeProbe(id: string) {
  draft.probes = draft.probes.filter((p) => p.id !== id)
  selected.value = 'mass'
}

const topFull = computed(() => topWhenFull(draft.design, appraisal.value ?? undefined))
</script>

<template>
  <ProblemNote v-if="missing" :error="missing" />
  <template v-if="ready && appraisal">
    <h1 class="visually-hidden">{{ draft.name }}</h1>
    <div class="head">
      <BFormInput
        v-model="draft.name"
        class="title"
        aria-label="Name of the store"
        :disabled="!keeper"
      />
      <span class="soft state" role="status">{{
        { kept: 'Kept', changing: 'Keeping …', refused: 'Not kept' }[state]
      }}</span>
    </div>
    <p v-if="charging && charge" class="verdict" role="status">
      {{ chargeSentence(charge, draft.design, session.units) }}
    </p>
    <p v-else class="verdict">
      <template v-if="past">Until {{ told(past) }}: </template>
      <template v-else-if="draft.planned">Planned: </template>
      <b>{{ massOf(appraisal.massKg) }}</b> of {{ filled }}
      {{ filled.includes(' and ') ? 'hold' : 'holds' }}
      <b>{{ energyOf(appraisal.usableJoules) }}</b> between
      {{ degrees(draft.design.floorCelsius, session.units, 0) }} and
      {{ degrees(draft.design.chargeToCelsius, session.units, 0) }}, and loses half in
      <b>{{ hours(appraisal.losesHalfSeconds) }}</b> of still air at
      {{ degrees(draft.design.floorCelsius, session.units, 0)
      }}<template v-if="now?.usableJoules != null && now.at"
        >; read {{ day(Date.parse(now.at) / 1000, zone) }}:
        <b>{{ energyOf(now.usableJoules) }}</b></template
      >.
    </p>
    <SinceWhen
      v-if="asks && base"
      v-model="draft.moment"
      :words="between(base, draft)"
      :zone="zone"
      :now="clockNow"
      @settled="settle"
    />
    <ArrangementBand
      v-if="was.length > 1"
      v-model="past"
      :arrangements="was"
      :words="wasWords"
      :runs="runsOf"
      :zone="zone"
    />
    <PastArrangement
      v-if="past && keeper"
      v-model="draft.moment"
      :zone="zone"
      :now="clockNow"
      @never="never"
    />
    <ProblemNote v-if="error" :error="error" />
    <StoreConflict
      v-if="changedMeanwhile && theirs"
      :apart="apart(theirs.data, draft, session.units, insulation, media, houses ?? [])"
      @theirs="yieldTo"
      @mine="overrule"
    />
    <div class="split">
      <div>
        <CutAway
          :design="draft.design"
          :fill-names="fillNames"
          :probes="draft.probes"
          :latest="charging ? [] : (now?.latest ?? [])"
          :section="charging ? (frame?.section ?? null) : (now?.section ?? null)"
          :losses="appraisal.faces"
          :selected="selected"
          :units="session.units"
          :editable="keeper"
          :hot="charging ? charge?.hottestSpot : null"
          :scorched="charging ? charge?.overheated.map((o) => o.face ?? '') : []"
          :scale-to="charging ? hottest : 0"
          @select="selected = $event"
          @resize="resize"
          @place="place"
        />
        <StoreFigures :appraisal="appraisal" :count="draft.design.count" />
        <TopWarmth
          v-if="topFull != null && catalogue"
          :uses="catalogue.faceUses"
          :burns="usualOf(catalogue, 'BURNS_IN_A_MINUTE')"
          :now="charging ? null : (now?.topCelsius ?? null)"
          :full="topFull"
          :units="session.units"
        />
        <LoopNotes :holding="holding" :store="store" :probes="draft.probes.map((p) => p.id)" />
        <div class="d-flex gap-2 flex-wrap mt-2 no-print">
          <BButton variant="secondary" :aria-pressed="charging" @click="charging = !charging">{{
            charging ? 'Back to how it is now' : 'Try a charge'
          }}</BButton>
          <RouterLink class="btn btn-secondary" :to="{ name: 'build', params: { holding, store } }"
            >Build sheet</RouterLink
          >
          <RouterLink
            class="btn btn-secondary"
            :to="{ name: 'notebook', params: { holding, store } }"
            >Notebook</RouterLink
          >
          <RouterLink
            v-if="house"
            class="btn btn-secondary"
            :to="{ name: 'pairs', params: { holding }, query: { store } }"
            >Two ways with it</RouterLink
          >
        </div>
        <ChargeBench
          v-if="charging"
          v-model:moment="moment"
          v-model:chosen="chosen"
          class="mt-3"
          :charging="chargers"
          :how="how"
          :charge="charge"
          :error="chargeError"
          :busy="busy"
          :second="second"
          :design="draft.design"
          :units="session.units"
          :currency="appraisal?.currency ?? ''"
        />
        <p v-else class="soft mt-2">
          Touch a face, the mass, the source or a probe to change it; drag the rings to size it.
          Arrows: watts lost through each face when it is full and the air is at its floor
          temperature.
        </p>
        <CautionList :cautions="charging && charge ? charge.cautions : appraisal.cautions" />
      </div>
      <div>
        <nav v-if="!past" class="tabs" aria-label="What is changed">
          <button
            v-for="t in tabs"
            :key="t.key"
            type="button"
            :aria-pressed="tab === t.key"
            @click="selected = t.key"
          >
            {{ t.word }}
          </button>
        </nav>
        <LayerEditor
          v-if="isFace"
          :design="draft.design"
          :face="selected as FaceKey"
          :insulation="insulation"
          :disabled="!keeper"
        />
        <ProbeEditor
          v-else-if="probe"
          :key="probe.id"
          :probe="probe"
          :design="draft.design"
          :holding="holding"
          :disabled="!keeper"
          @remove="removeProbe(probe.id)"
        />
        <template v-else-if="tab === 'source' && catalogue">
          <h2>What charges it</h2>
          <PartsOfStore
            :store="{ id: store, name: draft.name, houseId: draft.houseId }"
            :shown="(p) => p.design.kind !== 'CIRCUIT' || charges(p.design, store)"
            :kinds="sources"
            :holding="holding"
            :catalogue="catalogue"
            :stores="all ?? []"
            :parts="parts ?? []"
            :units="session.units"
            :disabled="!keeper"
          >
            <template #none>Nothing yet.</template>
          </PartsOfStore>
          <ZoneEditor class="mt-3" :design="draft.design" :disabled="!keeper" />
        </template>
        <template v-else-if="tab === 'led' && catalogue">
          <LedEditor :design="draft.design" :parts="catalogue.parts" :disabled="!keeper" />
          <h2 class="mt-3">What moves its heat</h2>
          <PartsOfStore
            :store="{ id: store, name: draft.name, houseId: draft.houseId }"
            :shown="
              (p) =>
                storesOf(p.design).includes(store) &&
                p.design.kind === 'CIRCUIT' &&
                !charges(p.design, store)
            "
            :kinds="['CIRCUIT']"
            :holding="holding"
            :catalogue="catalogue"
            :stores="all ?? []"
            :parts="parts ?? []"
            :units="session.units"
            :disabled="!keeper"
          >
            <template #none>Nothing: it gives its heat by its faces alone.</template>
          </PartsOfStore>
        </template>
        <MassEditor
          v-else
          v-model:house-id="draft.houseId"
          v-model:planned="draft.planned"
          :design="draft.design"
          :media="media"
          :houses="houses ?? []"
          :units="session.units"
          :disabled="!keeper"
        />
        <FillsEditor
          v-if="tab === 'mass'"
          :design="draft.design"
          :media="media"
          :disabled="!keeper"
        />
        <BuildEditor
          v-if="tab === 'mass' && catalogue"
          :design="draft.design"
          :parts="catalogue.parts"
          :units="session.units"
          :disabled="!keeper"
        />
        <p v-if="keeper" class="mt-3 d-flex gap-2 flex-wrap">
          <BButton variant="secondary" @click="addProbe">Add a probe</BButton>
        </p>
        <TakeAway v-if="keeper && !past" what="this store" :remove="takeAway" @gone="leave"
          >{{ draft.name }} goes, with its {{ counted(runs?.length ?? 0, 'run') }}, its own parts
          and what was read of it.</TakeAway
        >
      </div>
    </div>

    <div class="split mt-4">
      <StoreRuns
        :holding="holding"
        :store="store"
        :runs="runs ?? []"
        :changed="was.length > 1"
        :keeper="keeper"
        :zone="zone"
      />
      <HandReadings
        v-if="session.role(holding) !== 'GUEST'"
        :holding="holding"
        :store="store"
        :probes="draft.probes"
        :units="session.units"
      />
    </div>
    <p v-if="house" class="soft mt-3">
      It stands {{ draft.design.place.where === 'HOUSE' ? 'in' : 'outside' }}
      <RouterLink :to="{ name: 'house', params: { holding, house: house.id } }">{{
        house.name
      }}</RouterLink>.
    </p>
  </template>
</template>

<style scoped>
.head {
  display: flex;
  gap: 1rem;
  align-items: center;
}

.state {
  white-space: nowrap;
}

.title {
  font-family: var(--figure);
  font-size: 1.6rem;
  font-weight: 600;
  background: transparent;
  border: 0;
  border-bottom: 1px dashed var(--line);
  padding: 0 0 0.1rem;
  border-radius: 0;
}

.verdict {
  font-size: 1.2rem;
  margin: 0.6rem 0 1rem;
}

.tabs {
  display: flex;
  border-bottom: 1px solid var(--line);
  margin-bottom: 0.75rem;
}

.tabs button {
  background: none;
  border: 0;
  border-bottom: 3px solid transparent;
  color: var(--ink);
  padding: 0.4rem 0.8rem;
  min-height: 44px;
}

.tabs button[aria-pressed='true'] {
  border-bottom-color: var(--ember);
  font-weight: 600;
}
</style>
