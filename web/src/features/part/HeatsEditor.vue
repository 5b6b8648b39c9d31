<script setup lang="ts">
/** Where a source's heat goes: stores, the house, a circuit's boiler, each with its share. */
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import NumberField from '@/shared/NumberField.vue'
import type { HeatTo } from './parts'

const props = defineProps<{
  heats: HeatTo[]
  id: string
  stores: { id: string; name: string }[]
  circuits: { id: string; name: string }[]
  usual: (h: HeatTo) => string
}>()
const emit = defineEmits<{ change: [heats: HeatTo[]] }>()
const key = (h: HeatTo) => (h.to === 'HOUSE' ? 'HOUSE' : `${h.to}:${h.id}`)
const options = computed(() => [
  ...props.stores.map((s) => ({ value: `STORE:${s.id}`, text: s.name })),
  { value: 'HOUSE', text: 'the house' },
  ...props.circuits.map((c) => ({ value: `CIRCUIT:${c.id}`, text: c.name })),
])
const more = computed(() => [
  { value: '', text: '+ and …' },
  ...options.value.filter((o) => !props.heats.some((h) => key(h) === o.value)),
])
function receiver(value: string, share: number | null): HeatTo {
  const [to, id] = value.split(':')
  return { to: to as HeatTo['to'], id: (id ?? null) as string, share: share as number }
}
const put = (i: number, value: unknown) =>
  emit(
    'change',
    props.heats.map((h, k) => (k === i ? receiver(String(value), h.share) : h)),
  )
</script>

<template>
  <div v-for="(h, i) in heats" :key="i" class="to">
    <label class="visually-hidden" :for="`${id}-to${i}`">Heats</label>
    <BFormSelect
      :id="`${id}-to${i}`"
      :model-value="key(h)"
      :options="options"
      @update:model-value="put(i, $event)"
    />
    <NumberField v-model="h.share" label="share" optional :placeholder="usual(h)" />
    <BButton
      size="sm"
      variant="secondary"
      :disabled="heats.length < 2"
      :aria-label="`Not into ${options.find((o) => o.value === key(h))?.text ?? 'it'}`"
      @click="
        emit(
          'change',
          heats.filter((_, k) => k !== i),
        )
      "
      >×</BButton
    >
  </div>
  <template v-if="more.length > 1">
    <label class="visually-hidden" :for="`${id}-more`">And into</label>
    <BFormSelect
      :id="`${id}-more`"
      class="more"
      model-value=""
      :options="more"
      @update:model-value="(v) => v && emit('change', [...heats, receiver(String(v), null)])"
    />
  </template>
</template>

<style scoped>
.to {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 76px auto;
  gap: 0.4rem;
  align-items: center;
  margin-bottom: 0.3rem;
}

.more {
  margin-bottom: 0.5rem;
}
</style>
