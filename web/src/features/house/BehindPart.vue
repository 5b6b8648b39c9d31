<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import { mine } from '@/shared/units'
import { catalogueQuery } from '../store/queries'
import { usualOf } from '../store/usual'
import { behindOf, put, type Behind } from './behind'

/** What lies behind one part of the skin. */
const props = defineProps<{ part: Views['Part'] }>()
const { data: catalogue } = useQuery(catalogueQuery())
const behind = computed({
  get: () => behindOf(props.part),
  set: (what: Behind) => put(props.part, what, usualOf(catalogue.value, 'DWELLING')),
})
const choices = [
  { value: 'OPEN', text: 'the open air' },
  { value: 'ROOM', text: 'another room' },
  { value: 'EARTH', text: 'earth' },
]
</script>

<template>
  <label for="p-behind">Behind it is</label>
  <BFormSelect id="p-behind" v-model="behind" :options="choices" />
  <NumberField
    v-if="behind === 'ROOM'"
    v-model="part.beyondCelsius"
    label="That room has"
    :temperature="mine"
  />
  <NumberField
    v-if="behind === 'EARTH'"
    v-model="part.earthMetres"
    label="Its middle lies below the surface by"
    quantity="length"
  />
</template>
