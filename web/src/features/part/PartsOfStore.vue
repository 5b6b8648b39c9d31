<script setup lang="ts">
/** What charges a store and leads its heat away: its parts, one under the other. */
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import type { Temperature } from '@/shared/units'
import { newId } from '../store/designs'
import PartEditor from './PartEditor.vue'
import { fresh, kindWord, nameOf, storesOf, type Kind, type Part } from './parts'
import { usePartList } from './usePartDraft'

const props = defineProps<{
  store: { id: string; name: string; houseId: string | null }
  shown: (p: Part) => boolean
  kinds: Kind[]
  holding: string
  catalogue: Views['CatalogueView']
  stores: Views['StoreView'][]
  parts: Part[]
  units: Temperature
  disabled: boolean
}>()
const list = usePartList(props.holding)
const own = computed(() =>
  props.parts.filter((p) => storesOf(p.design).includes(props.store.id) && props.shown(p)),
)
const more = computed(() => [
  { value: '', text: own.value.length ? '+ and …' : '+ choose what it is' },
  ...props.kinds.map((k) => ({ value: k, text: kindWord[k] })),
])
function add(kind: unknown) {
  if (!kind) return
  const design = fresh(kind as Kind, props.store.id)
  void list.add({
    id: newId(),
    name: nameOf(design, props.store.name),
    houseId: props.store.houseId as string,
    design,
  })
}
</script>

<template>
  <p v-if="!own.length" class="soft"><slot name="none" /></p>
  <PartEditor
    v-for="p in own"
    :key="p.id"
    :part="p"
    :holding="holding"
    :catalogue="catalogue"
    :stores="stores"
    :parts="parts"
    :units="units"
    :disabled="disabled"
    @remove="list.remove(p)"
  />
  <ProblemNote v-if="list.error.value" :error="list.error.value" />
  <p v-if="list.removed.value" class="soft" role="status">
    {{ list.removed.value.name }} is gone.
    <BButton size="sm" variant="secondary" @click="list.putBack()">Put it back</BButton>
  </p>
  <template v-if="!disabled">
    <label class="visually-hidden" :for="`more-${store.id}-${kinds[0]}`">Add</label>
    <BFormSelect
      :id="`more-${store.id}-${kinds[0]}`"
      model-value=""
      :options="more"
      @update:model-value="add"
    />
  </template>
</template>
