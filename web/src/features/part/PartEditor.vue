<script setup lang="ts">
/** One source, circuit or heat pump, each kind with its own few questions. */
import { useQuery } from '@tanstack/vue-query'
import { BButton, BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { percent, type Temperature } from '@/shared/units'
import ControlEditor from './ControlEditor.vue'
import EndsEditor from './EndsEditor.vue'
import FlowField from './FlowField.vue'
import HeapFed from './HeapFed.vue'
import HeatsEditor from './HeatsEditor.vue'
import { feedstocksOf } from '../store/media'
import { bookQuery } from '../store/queries'
import { usualOf, type UsualName } from '../store/usual'
import { byHand, type HeatTo, type Of, type Part } from './parts'
import { usePartDraft } from './usePartDraft'

const props = defineProps<{
  part: Part
  holding: string
  catalogue: Views['CatalogueView']
  stores: Views['StoreView'][]
  parts: Part[]
  units: Temperature
  disabled: boolean
}>()
defineEmits<{ remove: [] }>()
const { draft, state, error } = usePartDraft(props.holding, () => props.part)
const d = computed(() => draft.design)
const { data: book } = useQuery(bookQuery(props.holding))
const taken = (name: UsualName) => String(usualOf(props.catalogue, name))
const bodies = computed(() =>
  props.stores
    .filter((s) => !s.planned)
    .map((s) => ({
      id: s.id,
      name: s.name,
      led: !!s.design.led?.way,
      water: s.design.medium === 'water',
    })),
)
const boilers = computed(() =>
  props.parts.filter(
    (p) => p.design.kind === 'CIRCUIT' && p.design.ends.some((e) => e.kind === 'BOILER'),
  ),
)
const collectors = computed(() =>
  props.parts.filter(
    (p) => p.design.kind === 'CIRCUIT' && p.design.ends.some((e) => e.kind === 'COLLECTOR'),
  ),
)
const hearth = computed(() => {
  const f = d.value
  return f.kind === 'FIRE' ? props.catalogue.hearths.find((h) => h.id === f.hearth) : undefined
})
const control = computed(() => {
  const c = d.value
  if (!('control' in c)) return null
  c.control ??= byHand()
  c.control.guards ??= []
  return c.control
})
function usual(h: HeatTo): string {
  const all = 'heats' in d.value ? d.value.heats : []
  if (hearth.value) {
    const alike = all.filter((x) => x.to !== 'HOUSE').length || 1
    const share = h.to === 'HOUSE' ? hearth.value.toRoom.value : hearth.value.toStore.value / alike
    return String(Math.round(share * 100) / 100)
  }
  return String(Math.round(100 / all.length) / 100)
}
/** The one store that it heats; none where it heats the house too. */
const heated = computed(() => {
  const c = d.value
  if (c.kind === 'HEAT_PUMP') return c.hot.node === 'STORE' ? c.hot.storeId : null
  return 'heats' in c && c.heats.every((h) => h.to === 'STORE') ? (c.heats[0]?.id ?? null) : null
})
const flue = computed(() => {
  if (d.value.kind !== 'FIRE') return 0
  const sum = d.value.heats.reduce((s, h) => s + (h.share ?? Number(usual(h))), 0)
  return Math.max(0, 1 - sum)
})
const setHeats = (heats: HeatTo[]) => {
  ;(d.value as Of<'FIRE'>).heats = heats
}
const fuels = computed(() => props.catalogue.fuels.map((f) => ({ value: f.id, text: f.name })))
const nodes = (hot: boolean) => [
  ...bodies.value.map((s) => ({ value: `STORE:${s.id}`, text: s.name })),
  { value: 'HOUSE_AIR', text: 'the house’s air' },
  ...(hot
    ? []
    : [
        { value: 'OUTDOOR_AIR', text: 'the air outdoors' },
        { value: 'HELD', text: 'a well or stream' },
      ]),
]
const nodeKey = (n: Views['NodeDesign']) => (n.node === 'STORE' ? `STORE:${n.storeId}` : n.node)
function setNode(n: Views['NodeDesign'], value: unknown) {
  const [node, id] = String(value).split(':')
  Object.assign(n, {
    node,
    storeId: id ?? null,
    celsius: node === 'HELD' ? (n.celsius ?? 9) : null,
  })
}
</script>

<template>
  <fieldset :disabled="disabled" class="part">
    <div class="name">
      <BFormInput v-model="draft.name" :aria-label="`Name of ${part.name}`" />
      <span class="soft" role="status">{{
        { kept: 'Kept', changing: 'Keeping …', refused: 'Not kept' }[state]
      }}</span>
    </div>
    <ProblemNote v-if="error" :error="error" />
    <template v-if="'heats' in d">
      <HeatsEditor
        :id="part.id"
        :heats="d.heats"
        :stores="bodies"
        :circuits="boilers"
        :usual="usual"
        @change="setHeats"
      />
    </template>
    <div class="grid">
      <template v-if="d.kind === 'FIRE'">
        <label :for="`${part.id}-hearth`">Hearth</label>
        <BFormSelect
          :id="`${part.id}-hearth`"
          v-model="d.hearth"
          :options="catalogue.hearths.map((h) => ({ value: h.id, text: h.name }))"
        />
        <NumberField v-model="d.usualKilograms" label="Wood in one load" quantity="mass" />
        <NumberField
          v-model="d.moisture"
          label="Water in the wood, share"
          optional
          :placeholder="taken('WOOD_MOISTURE')"
        />
        <NumberField
          v-model="d.kilogramsPerHour"
          label="Burns at once, kg an hour"
          optional
          :placeholder="hearth ? String(hearth.kilogramsPerHour.value) : ''"
        />
      </template>
      <template v-else-if="d.kind === 'FLAMES'">
        <NumberField v-model="d.count" label="How many" />
        <NumberField v-model="d.gramsPerHour" label="Each burns, g an hour" />
        <label :for="`${part.id}-fuel`">of</label>
        <BFormSelect :id="`${part.id}-fuel`" v-model="d.fuel" :options="fuels" />
      </template>
      <template v-else-if="d.kind === 'HEATER'">
        <label :for="`${part.id}-fuel`">Burns</label>
        <BFormSelect :id="`${part.id}-fuel`" v-model="d.fuel" :options="fuels" />
        <NumberField v-model="d.watts" label="Gives" quantity="power" />
        <NumberField
          v-if="d.flue"
          v-model="d.efficiency"
          label="of its fuel’s heat, share"
          optional
          :placeholder="taken('HEATER_EFFICIENCY')"
        />
      </template>
      <NumberField
        v-else-if="d.kind === 'ELEMENT'"
        v-model="d.watts"
        label="Its power"
        quantity="power"
      />
      <template v-else-if="d.kind === 'SUNLIGHT'">
        <NumberField
          v-model="d.squareMetres"
          label="Sunlit area"
          quantity="area"
          optional
          placeholder="half its sides"
        />
        <NumberField
          v-model="d.absorptance"
          label="How dark, 0 to 1"
          optional
          :placeholder="taken('FACE_ABSORPTANCE')"
        />
      </template>
      <template v-else-if="d.kind === 'ANIMALS'">
        <NumberField v-model="d.count" label="How many" />
        <NumberField v-model="d.kilogramsEach" label="Each weighs" quantity="mass" />
      </template>
      <template v-else-if="d.kind === 'HEAT_PUMP'">
        <NumberField v-model="d.watts" label="Draws" quantity="power" />
        <label :for="`${part.id}-cold`">Takes heat from</label>
        <BFormSelect
          :id="`${part.id}-cold`"
          :model-value="nodeKey(d.cold)"
          :options="nodes(false)"
          @update:model-value="setNode(d.cold, $event)"
        />
        <NumberField
          v-if="d.cold.node === 'HELD'"
          v-model="d.cold.celsius"
          label="which has"
          :temperature="units"
        />
        <label :for="`${part.id}-hot`">Gives it to</label>
        <BFormSelect
          :id="`${part.id}-hot`"
          :model-value="nodeKey(d.hot)"
          :options="nodes(true)"
          @update:model-value="setNode(d.hot, $event)"
        />
        <NumberField
          v-model="d.hottestCelsius"
          label="to no more than"
          :temperature="units"
          optional
          placeholder="55 °C"
        />
      </template>
    </div>
    <template v-if="d.kind === 'CIRCUIT'">
      <div class="grid">
        <label :for="`${part.id}-carries`">Carries</label>
        <BFormSelect
          :id="`${part.id}-carries`"
          v-model="d.carries"
          :options="[
            { value: 'WATER', text: 'water' },
            { value: 'AIR', text: 'air' },
          ]"
        />
      </div>
      <EndsEditor
        :id="part.id"
        :ends="d.ends"
        :stores="bodies"
        :units="units"
        @change="(e) => ((d as Of<'CIRCUIT'>).ends = e)"
      />
      <FlowField :id="part.id" v-model="d.kilogramsPerSecond" :water="d.carries === 'WATER'" />
      <div class="grid">
        <NumberField
          v-model="d.machineWatts"
          :label="d.carries === 'AIR' ? 'Fan' : 'Pump'"
          quantity="power"
        />
      </div>
    </template>
    <HeapFed
      v-if="d.kind === 'HEAP'"
      :fed="d.fed"
      :store="stores.find((s) => s.id === (d as Of<'HEAP'>).storeId)"
      :holding="holding"
      :feedstocks="feedstocksOf(catalogue, book?.data.book)"
      :units="units"
      :disabled="disabled"
      @change="(f) => ((d as Of<'HEAP'>).fed = f)"
    />
    <BFormCheckbox v-if="d.kind === 'ELEMENT'" v-model="d.surplus"
      >fed by surplus sun, strongest at noon</BFormCheckbox
    >
    <BFormCheckbox v-if="d.kind === 'HEATER'" v-model="d.flue">has a flue</BFormCheckbox>
    <BFormCheckbox v-if="d.kind === 'FIRE'" v-model="d.roomAir"
      >takes its air from the house</BFormCheckbox
    >
    <BFormCheckbox v-if="'indoors' in d" v-model="d.indoors">stands in the house</BFormCheckbox>
    <ControlEditor
      v-if="control"
      :id="part.id"
      :control="control"
      :stores="bodies"
      :collectors="collectors"
      :units="units"
      :heats="heated"
    />
    <p v-if="d.kind === 'FIRE' && hearth" class="soft mt-2">
      The flue takes the remaining {{ percent(flue) }}. Table: {{ hearth.source }}.
    </p>
    <BButton v-if="!disabled" size="sm" variant="secondary" class="mt-2" @click="$emit('remove')"
      >Take it away</BButton
    >
  </fieldset>
</template>

<style scoped>
.part {
  border-left: 3px solid var(--ember);
  padding: 0.2rem 0 0.4rem 0.8rem;
  margin-bottom: 1rem;
}

.name {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0.6rem;
  align-items: center;
  margin-bottom: 0.4rem;
}

.name input {
  font-weight: 600;
}

.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 0.35rem 0.75rem;
  align-items: center;
  margin-bottom: 0.4rem;
}
</style>
