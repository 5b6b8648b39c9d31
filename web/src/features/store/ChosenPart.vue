<script setup lang="ts">
/** What was touched in the picture: a part to change, or the way in to a store or a house. */
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { degrees, energyOf, type Temperature } from '@/shared/units'
import PartEditor from '../part/PartEditor.vue'
import { fresh, kindWord, nameOf, partWord, storesOf, type Kind, type Part } from '../part/parts'
import type { usePartList } from '../part/usePartDraft'
import { newId } from './designs'

const props = defineProps<{
  id: string
  holding: string
  houses: Views['HouseView'][]
  stores: Views['StoreView'][]
  parts: Part[]
  catalogue: Views['CatalogueView']
  units: Temperature
  disabled: boolean
  list: ReturnType<typeof usePartList>
}>()
const emit = defineEmits<{ select: [id: string] }>()
const part = computed(() => props.parts.find((p) => p.id === props.id))
const store = computed(() => props.stores.find((s) => s.id === props.id))
const house = computed(() => props.houses.find((h) => h.id === props.id))
const names = computed(() => new Map(props.stores.map((s) => [s.id, s.name])))
const own = computed(() =>
  props.parts.filter((p) =>
    house.value
      ? p.houseId === props.id && !storesOf(p.design).length
      : storesOf(p.design).includes(props.id),
  ),
)
const common: Kind[] = ['FLAMES', 'HEATER', 'ELEMENT', 'FIRE', 'CIRCUIT', 'HEAT_PUMP']
const ofHouse: Kind[] = [...common, 'ANIMALS']
const ofStore: Kind[] = [...common, 'SUNLIGHT', 'HEAP']
const kinds = computed(() => [
  { value: '', text: '+ add …' },
  ...(house.value ? ofHouse : ofStore).map((k) => ({ value: k, text: kindWord[k] })),
])
async function add(kind: unknown) {
  if (!kind) return
  const design = fresh(kind as Kind, store.value?.id ?? null)
  const id = newId()
  await props.list.add({
    id,
    name: nameOf(design, store.value?.name ?? house.value?.name ?? ''),
    houseId: (house.value?.id ?? store.value?.houseId) as string,
    design,
  })
  if (!props.list.error.value) emit('select', id)
}
async function remove(p: Part) {
  await props.list.remove(p)
  if (!props.list.error.value) emit('select', '')
}
</script>

<template>
  <aside aria-label="What was chosen">
    <PartEditor
      v-if="part"
      :key="part.id"
      :part="part"
      :holding="holding"
      :catalogue="catalogue"
      :stores="stores"
      :parts="parts"
      :units="units"
      :disabled="disabled"
      @remove="remove(part)"
    />
    <template v-else-if="store || house">
      <h2>{{ store?.name ?? house?.name }}</h2>
      <p v-if="store?.now.usableJoules != null && store.now.meanCelsius != null">
        {{ energyOf(store.now.usableJoules) }} of {{ energyOf(store.appraisal.usableJoules) }},
        {{ degrees(store.now.meanCelsius, units, 0) }} on the whole.
      </p>
      <p>
        <RouterLink v-if="store" :to="{ name: 'store', params: { holding, store: store.id } }"
          >Open it: mass, faces, probes, runs</RouterLink
        >
        <RouterLink v-else :to="{ name: 'house', params: { holding, house: id } }"
          >Open it: skin, gaps, floor</RouterLink
        >
      </p>
      <ul v-if="own.length" class="own">
        <li v-for="p in own" :key="p.id">
          <button type="button" @click="emit('select', p.id)">{{ p.name }}</button>
          <span class="soft"> {{ partWord(p.design, names, units) }}</span>
        </li>
      </ul>
      <template v-if="!disabled">
        <label class="visually-hidden" for="add-here">Add</label>
        <BFormSelect id="add-here" model-value="" :options="kinds" @update:model-value="add" />
      </template>
    </template>
  </aside>
</template>

<style scoped>
h2 {
  font-size: 1.15rem;
}

.own {
  list-style: none;
  padding: 0;
}

.own button {
  background: none;
  border: 0;
  padding: 0.2rem 0;
  color: var(--ink);
  text-decoration: underline;
  font-weight: 600;
}
</style>
