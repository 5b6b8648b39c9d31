<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import LossFan from '@/instruments/LossFan.vue'
import { api, whole, type Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { wattsPerKelvin } from '@/shared/units'
import { catalogueQuery } from '../store/queries'
import { newId } from '../store/designs'
import { houseQuery } from './queries'

const session = useSession()
const client = useQueryClient()
const router = useRouter()
const route = useRoute()
const holding = String(route.params.holding)
const fresh = route.params.house === 'new'
const id = ref(fresh ? newId() : String(route.params.house))
const { data: loaded, error: missing } = useQuery({
  ...houseQuery(holding, id.value),
  enabled: !fresh,
})
const { data: catalogue } = useQuery(catalogueQuery())
const keeper = computed(() => session.role(holding) === 'KEEPER')
const error = ref<unknown>(null)
const said = ref('')
const view = computed(() => loaded.value?.data)

const draft = reactive<{ name: string; design: Views['HouseDesign'] }>({
  name: 'Glasshouse',
  design: {
    skin: [
      {
        name: 'Roof',
        looks: 'UP',
        areaSquareMetres: 18,
        transmittance: 5.8,
        material: 'single-glass',
      },
      {
        name: 'Walls',
        looks: 'OUT',
        areaSquareMetres: 14,
        transmittance: 5.8,
        material: 'single-glass',
      },
    ],
    volumeCubicMetres: 30,
    airChangesPerHour: 1,
    innerMassKg: 3000,
    innerMassMedium: 'soil',
    innerMassAreaSquareMetres: 12,
    plantLimitCelsius: 2,
    groundCelsius: 8,
  },
})
watch(
  loaded,
  (l) => {
    if (l)
      Object.assign(draft, JSON.parse(JSON.stringify({ name: l.data.name, design: l.data.design })))
  },
  { immediate: true },
)

const looks = [
  { value: 'UP', text: 'at the sky' },
  { value: 'OUT', text: 'outwards' },
  { value: 'SHELTERED', text: 'sheltered' },
]
const skins = computed(() => [
  ...(catalogue.value?.skins ?? []).map((s) => ({
    value: s.id,
    text: `${s.name}, U ${s.uValue.value}`,
  })),
  { value: '', text: 'own value' },
])
function skin(i: number, material: string) {
  const part = draft.design.skin[i]
  part.material = material
  const known = catalogue.value?.skins.find((s) => s.id === material)
  if (known) part.transmittance = known.uValue.value
}

async function keep() {
  error.value = null
  said.value = ''
  const body = { id: id.value, name: draft.name, design: draft.design }
  try {
    const answer = fresh
      ? await whole(
          api.POST('/api/holdings/{holdingId}/houses', {
            params: { path: { holdingId: holding } },
            body,
          }),
        )
      : await whole(
          api.PUT('/api/holdings/{holdingId}/houses/{houseId}', {
            params: {
              path: { holdingId: holding, houseId: id.value },
              header: { 'If-Match': loaded.value?.etag ?? '' },
            },
            body,
          }),
        )
    client.setQueryData(['holding', holding, 'house', id.value], answer)
    await client.invalidateQueries({ queryKey: ['holding', holding, 'houses'] })
    if (fresh)
      await router.replace({ name: 'tonight', params: { holding }, query: { house: id.value } })
    else said.value = 'Kept.'
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <ProblemNote v-if="missing" :error="missing" />
  <form v-if="fresh || loaded" @submit.prevent="keep">
    <h1 v-if="view">
      {{ view.name }} loses {{ wattsPerKelvin(view.lossWattsPerKelvin) }} between inside and out
    </h1>
    <h1 v-else>Describe the house</h1>
    <div class="split">
      <fieldset :disabled="!keeper">
        <LossFan v-if="view" :losses="view.losses" />
        <h2 class="mt-3">Its skin, part by part</h2>
        <div v-for="(p, i) in draft.design.skin" :key="i" class="part">
          <BFormInput v-model="p.name" :aria-label="`Name of part ${i + 1}`" />
          <BFormSelect v-model="p.looks" :options="looks" :aria-label="`${p.name} looks`" />
          <BFormSelect
            :model-value="p.material ?? ''"
            :options="skins"
            :aria-label="`${p.name} is of`"
            @update:model-value="skin(i, String($event))"
          />
          <div><NumberField v-model="p.areaSquareMetres" label="m²" /></div>
          <div><NumberField v-model="p.transmittance" label="U, W/(m² K)" /></div>
          <BButton
            variant="secondary"
            :aria-label="`Take ${p.name} away`"
            @click="draft.design.skin.splice(i, 1)"
            >Take away</BButton
          >
        </div>
        <BButton
          variant="secondary"
          class="mt-2"
          @click="
            draft.design.skin.push({
              name: 'Part',
              looks: 'OUT',
              areaSquareMetres: 5,
              transmittance: 5.8,
              material: 'single-glass',
            })
          "
          >Add a part</BButton
        >
      </fieldset>
      <fieldset :disabled="!keeper" class="grid">
        <label for="h-name">Name</label>
        <BFormInput id="h-name" v-model="draft.name" />
        <NumberField
          v-model="draft.design.plantLimitCelsius"
          label="The plants stand"
          :temperature="session.units"
        />
        <NumberField v-model="draft.design.volumeCubicMetres" label="Air inside, m³" />
        <NumberField
          v-model="draft.design.airChangesPerHour"
          label="Air changes an hour in a breeze"
        />
        <label for="h-mass">Inner mass is</label>
        <BFormSelect
          id="h-mass"
          v-model="draft.design.innerMassMedium"
          :options="(catalogue?.media ?? []).map((m) => ({ value: m.id, text: m.name }))"
        />
        <NumberField v-model="draft.design.innerMassKg" label="It weighs, kg" />
        <NumberField v-model="draft.design.innerMassAreaSquareMetres" label="Open to the air, m²" />
        <NumberField
          v-model="draft.design.groundCelsius"
          label="Deep ground"
          :temperature="session.units"
        />
        <p class="soft wide">
          Air changes: tight 0.5, ordinary 1, leaky 2 or more. The inner mass is what is slow: beds,
          floor, a back wall.
        </p>
      </fieldset>
    </div>
    <ProblemNote v-if="error" :error="error" />
    <p v-if="said" role="status">{{ said }}</p>
    <BButton v-if="keeper" type="submit" variant="primary" class="mt-3">{{
      fresh ? 'See tonight' : 'Keep'
    }}</BButton>
  </form>
</template>

<style scoped>
.part {
  display: grid;
  grid-template-columns: 1.1fr 1fr 1.6fr 80px 90px auto;
  gap: 0.5rem;
  align-items: end;
  border-bottom: 1px solid var(--line-soft);
  padding: 0.4rem 0;
}

.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 0.35rem 0.75rem;
  align-content: start;
  align-items: center;
}

.wide {
  grid-column: 1 / -1;
}

@media (max-width: 700px) {
  .part {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
