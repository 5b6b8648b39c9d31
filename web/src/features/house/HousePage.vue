<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import HouseDrawing from '@/instruments/HouseDrawing.vue'
import LossFan from '@/instruments/LossFan.vue'
import { api, body, whole } from '@/shared/api/client'
import { keepsOf, keepsOptions } from '@/shared/keeps'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import TakeAway from '@/shared/TakeAway.vue'
import { useSession } from '@/shared/session'
import { degrees, kelvins, powerOf, mine, lengthOf, thinOf } from '@/shared/units'
import WordHelp from '@/shared/WordHelp.vue'
import { catalogueQuery } from '../store/queries'
import { usualOf } from '../store/usual'
import ThermometersOf from '../thermometer/ThermometersOf.vue'
import BehindPart from './BehindPart.vue'
import HouseParts from './HouseParts.vue'
import { houseQuery } from './queries'
import { tightness, type Design } from './shapes'
import { useTrial } from './useTrial'

const session = useSession()
const client = useQueryClient()
const router = useRouter()
const route = useRoute()
const holding = String(route.params.holding)
const id = String(route.params.house)
const { data: loaded, error: missing } = useQuery(houseQuery(holding, id))
const { data: catalogue } = useQuery(catalogueQuery())
const keeper = computed(() => session.role(holding) === 'KEEPER')
const error = ref<unknown>(null)
const selected = ref('')
const draft = reactive<{ name: string; design: Design }>({ name: '', design: {} as Design })
const ready = ref(false)

function drop() {
  const l = loaded.value
  if (!l) return
  Object.assign(draft, JSON.parse(JSON.stringify({ name: l.data.name, design: l.data.design })))
  draft.design.gaps ??= []
  error.value = null
  ready.value = true
}
watch(loaded, drop, { immediate: true })
const changed = computed(
  () =>
    ready.value &&
    JSON.stringify({ name: draft.name, design: draft.design }) !==
      JSON.stringify({ name: loaded.value?.data.name, design: loaded.value?.data.design }),
)
const { low, usual, trial, refusal } = useTrial(holding, id, loaded, draft)
const losses = computed(() => (trial.value ?? usual.value)?.losses ?? [])
const total = computed(() => losses.value.reduce((s, l) => s + l.watts, 0))
const worth = computed(() =>
  trial.value && usual.value ? trial.value.coldestCelsius - usual.value.coldestCelsius : null,
)
const part = computed(() => draft.design.skin?.find((p) => p.name === selected.value))

async function keep() {
  error.value = null
  try {
    const answer = await whole(
      api.PUT('/api/holdings/{holdingId}/houses/{houseId}', {
        params: {
          path: { holdingId: holding, houseId: id },
          header: { 'If-Match': loaded.value?.etag ?? '' },
        },
        body: { id, name: draft.name, design: draft.design },
      }),
    )
    client.setQueryData(['holding', holding, 'house', id], answer)
    await client.invalidateQueries({ queryKey: ['holding', holding, 'houses'] })
  } catch (e) {
    error.value = e
  }
}
const takeAway = () =>
  body(
    api.DELETE('/api/holdings/{holdingId}/houses/{houseId}', {
      params: { path: { holdingId: holding, houseId: id } },
    }),
  )

async function leave() {
  await router.push({ name: 'tonight', params: { holding } })
  await client.invalidateQueries({ queryKey: ['holding', holding] })
}

const closeGaps = () => (draft.design.gaps = [])
const none = null

type Choice = 'shelter' | 'stand' | 'wetness' | 'keeps'
/** A choice that is absent until it is made. */
function choice<K extends Choice>(key: K, usual: NonNullable<Design[K]>) {
  return computed({
    get: () => draft.design[key] ?? usual,
    set: (v: Design[K]) => (draft.design[key] = v),
  })
}
const shelter = choice('shelter', 'GARDEN')
const stand = choice('stand', 'OPEN')
const wetness = choice('wetness', 'BEDS')
const keeps = choice('keeps', 'PLANTS')
const kept = computed(() => keepsOf(draft.design))
const shelters = [
  { value: 'OPEN', text: 'in the open' },
  { value: 'GARDEN', text: 'in a garden' },
  { value: 'YARD', text: 'in a yard' },
]
const stands = [
  { value: 'OPEN', text: 'trays, young' },
  { value: 'CLOSED', text: 'a closed stand' },
]
const wetnesses = [
  { value: 'DRY', text: 'dry' },
  { value: 'BEDS', text: 'beds and paths' },
  { value: 'WET', text: 'wet all over' },
]
const solids = computed(() =>
  (catalogue.value?.media ?? [])
    .filter((m) => m.id !== 'water' && m.id !== 'compost')
    .map((m) => ({ value: m.id, text: m.name })),
)
function massive(is: boolean) {
  if (!part.value) return
  part.value.wallMedium = (is ? 'granite' : null) as string
  part.value.wallMetres = is ? 0.5 : none
}
</script>

<template>
  <ProblemNote v-if="missing" :error="missing" />
  <form v-if="ready" @submit.prevent="keep">
    <h1 v-if="!usual">{{ draft.name }}</h1>
    <h1 v-else>
      {{ draft.name }} {{ total < 0 ? 'is given' : 'loses' }}
      <span class="figure">{{ powerOf(Math.abs(total)) }}</span> at its coldest tonight
    </h1>
    <p v-if="!usual" class="soft">What it loses is being reckoned …</p>
    <p v-else class="soft">
      At a low of {{ degrees(low, session.units, 0) }} and
      {{ degrees((trial ?? usual).coldestCelsius, session.units) }} inside. Touch a part to change
      it; what you try shows its worth before you keep it.
    </p>
    <p v-if="draft.design.learned" class="soft">
      Reckoned with what {{ draft.design.learned.nights }} of
      <RouterLink :to="{ name: 'nights', params: { holding }, query: { house: id } }"
        >its nights</RouterLink
      >
      taught; describe it otherwise, and they teach anew.
    </p>
    <div v-if="changed" class="worth" role="status">
      <p v-if="worth != null">
        <b
          >{{ worth >= 0 ? 'Warmer' : 'Colder' }} by
          {{ kelvins(Math.abs(worth), session.units) }}</b
        >
        at the coldest moment:
        {{ degrees(usual!.coldestCelsius, session.units) }} becomes
        {{ degrees(trial!.coldestCelsius, session.units) }}.
      </p>
      <p v-else>Working it out …</p>
      <BButton v-if="keeper" type="submit" variant="primary">Keep it</BButton>
      <BButton variant="secondary" @click="drop">Drop it</BButton>
    </div>
    <ProblemNote v-if="error ?? refusal" :error="error ?? refusal" />
    <div class="split">
      <div>
        <HouseDrawing
          v-if="draft.design.shape"
          :shape="draft.design.shape"
          :parts="draft.design.skin"
          :losses="losses"
          :selected="selected"
          @select="selected = $event"
        />
        <LossFan v-else :losses="losses" />
        <details class="mt-3">
          <summary>All parts of the skin, as numbers</summary>
          <HouseParts
            :design="draft.design"
            :catalogue="catalogue?.skins ?? []"
            :disabled="!keeper"
          />
        </details>
      </div>
      <fieldset class="grid">
        <template v-if="part">
          <h2 class="wide">{{ part.name }}</h2>
          <label for="p-skin">It is of</label>
          <BFormSelect
            id="p-skin"
            v-model="part.material"
            :options="(catalogue?.skins ?? []).map((s) => ({ value: s.id, text: s.name }))"
            @update:model-value="
              part.transmittance =
                catalogue?.skins.find((s) => s.id === $event)?.uValue.value ?? part.transmittance
            "
          />
          <NumberField v-model="part.areaSquareMetres" label="Area" quantity="area" />
          <NumberField
            v-model="part.transmittance"
            :label="mine.insulation"
            quantity="transmittance"
          />
          <BehindPart :part="part" />
          <BFormCheckbox
            v-if="part.looks !== 'UP' || part.wallMedium != null"
            :model-value="part.wallMedium != null"
            class="wide"
            @update:model-value="massive($event === true)"
            >a heavy wall that keeps heat of its own</BFormCheckbox
          >
          <template v-if="part.wallMedium != null">
            <label for="p-wall">It is built of</label>
            <BFormSelect id="p-wall" v-model="part.wallMedium" :options="solids" />
            <NumberField v-model="part.wallMetres" label="Thick" quantity="length" />
          </template>
          <BFormCheckbox v-model="part.secondSkin" class="wide"
            >a second skin or bubble film inside</BFormCheckbox
          >
          <BButton variant="secondary" class="wide" @click="selected = ''">The whole house</BButton>
        </template>
        <template v-else>
          <label for="h-name">Name</label>
          <BFormInput id="h-name" v-model="draft.name" />
          <label for="h-keeps">Kept for</label>
          <BFormSelect id="h-keeps" v-model="keeps" :options="keepsOptions" />
          <NumberField
            v-model="draft.design.plantLimitCelsius"
            :label="kept.stand"
            :temperature="session.units"
          />
          <label for="h-tight">How tight</label>
          <BFormSelect
            id="h-tight"
            v-model="draft.design.airChangesPerHour"
            :options="[
              ...tightness,
              ...(tightness.some((t) => t.value === draft.design.airChangesPerHour)
                ? []
                : [
                    {
                      value: draft.design.airChangesPerHour,
                      text: `${draft.design.airChangesPerHour} an hour`,
                    },
                  ]),
            ]"
          />
          <template v-for="(g, i) in draft.design.gaps" :key="i">
            <span>Gap: {{ g.name }}</span>
            <span>
              {{ lengthOf(g.lengthMetres) }} × {{ thinOf(g.widthMetres) }}
              <BButton
                variant="secondary"
                size="sm"
                :aria-label="`Close the gap: ${g.name}`"
                @click="draft.design.gaps.splice(i, 1)"
                >Close it</BButton
              >
            </span>
          </template>
          <BButton
            variant="secondary"
            class="wide"
            @click="draft.design.gaps.push({ name: 'Door', lengthMetres: 5.6, widthMetres: 0.004 })"
            >Add a gap</BButton
          >
          <BButton
            v-if="draft.design.gaps.length > 1"
            variant="secondary"
            class="wide"
            @click="closeGaps"
            >Close all gaps</BButton
          >
          <BFormCheckbox
            :model-value="draft.design.screenResistance != null"
            class="wide"
            @update:model-value="
              draft.design.screenResistance = $event
                ? usualOf(catalogue, 'SCREEN_RESISTANCE')
                : none
            "
            >a night screen that can be drawn</BFormCheckbox
          >
          <BFormCheckbox v-if="keeps === 'PLANTS'" v-model="draft.design.fleece" class="wide"
            >fleece to lay over the plants</BFormCheckbox
          >
          <BFormCheckbox v-model="draft.design.edgeInsulated" class="wide"
            >board let into the ground round the edge</BFormCheckbox
          >
          <span>
            <label for="h-mass">Slow mass is</label>
            <WordHelp of="slow-mass">what is that?</WordHelp>
          </span>
          <BFormSelect
            id="h-mass"
            v-model="draft.design.innerMassMedium"
            :options="(catalogue?.media ?? []).map((m) => ({ value: m.id, text: m.name }))"
          />
          <NumberField v-model="draft.design.innerMassKg" label="It weighs" quantity="mass" />
          <NumberField
            v-model="draft.design.innerMassAreaSquareMetres"
            label="Open to the air"
            quantity="area"
          />
          <label for="h-shelter">It stands</label>
          <BFormSelect id="h-shelter" v-model="shelter" :options="shelters" />
          <template v-if="keeps === 'PLANTS'">
            <label for="h-stand">The plants are</label>
            <BFormSelect id="h-stand" v-model="stand" :options="stands" />
          </template>
          <label for="h-wet">Floor and beds</label>
          <BFormSelect id="h-wet" v-model="wetness" :options="wetnesses" />
          <NumberField
            v-model="draft.design.groundCelsius"
            label="Deep ground"
            placeholder="by latitude and season"
            :temperature="session.units"
            optional
          />
        </template>
      </fieldset>
    </div>
    <TakeAway v-if="keeper" class="mt-3" what="this house" :remove="takeAway" @gone="leave"
      >{{ loaded?.data.name }} goes, and its heaters and other parts with it. Its stores stay, in no
      house.</TakeAway
    >
  </form>
  <ThermometersOf
    v-if="ready"
    class="mt-4"
    :holding="holding"
    :house="id"
    :zone="session.zone(holding)"
  />
</template>

<style scoped>
.worth {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
  border-left: 4px solid var(--ember);
  padding: 0.4rem 0.9rem;
  margin-bottom: 0.75rem;
}

.worth p {
  margin: 0;
  font-size: 1.12rem;
}

.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.25fr);
  gap: 0.35rem 0.75rem;
  align-content: start;
  align-items: center;
}

.wide {
  grid-column: 1 / -1;
}

summary {
  color: var(--ember);
  padding: 0.4rem 0;
}
</style>
