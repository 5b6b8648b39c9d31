<script setup lang="ts">
/** What the nights say of the house, and whether tonight is reckoned with it. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import FactorScale from '@/instruments/FactorScale.vue'
import { api, whole, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { houseQuery } from '../house/queries'
import { leftOutSentence, learnedSentences } from './sentences'

const props = defineProps<{ holding: string; house: string; view: Views['HouseLearnedView'] }>()
const session = useSession()
const client = useQueryClient()
const { data: kept } = useQuery(computed(() => houseQuery(props.holding, props.house)))
const keeper = computed(() => session.role(props.holding) === 'KEEPER')
const error = ref<unknown>(null)
const inUse = computed(() => kept.value?.data.design.learned)
const factors = computed(() => {
  const l = props.view.learned
  return l
    ? [
        { name: 'Loss in all', ...l.loss },
        { name: 'Skin', ...l.skin },
        { name: 'Draught', ...l.leak },
        { name: 'Heavy parts', ...l.mass },
      ]
    : []
})
const sameInUse = computed(
  () =>
    inUse.value &&
    props.view.learned &&
    Math.abs(inUse.value.skinFactor / props.view.learned.skin.value - 1) < 0.005 &&
    inUse.value.nights === props.view.learned.nights,
)

async function reckon(learned: Views['LearnedFactors'] | null) {
  const k = kept.value
  if (!k) return
  error.value = null
  try {
    const answer = await whole(
      api.PUT('/api/holdings/{holdingId}/houses/{houseId}', {
        params: {
          path: { holdingId: props.holding, houseId: props.house },
          header: { 'If-Match': k.etag },
        },
        body: { id: k.data.id, name: k.data.name, design: { ...k.data.design, learned: learned! } },
      }),
    )
    client.setQueryData(['holding', props.holding, 'house', props.house], answer)
    await client.invalidateQueries({ queryKey: ['holding', props.holding] })
  } catch (e) {
    error.value = e
    await client.invalidateQueries({ queryKey: ['holding', props.holding, 'house', props.house] })
  }
}
/** One standard deviation of a factor’s logarithm, from its 95 % interval. */
const sigma = (f: { low: number; high: number }) => Math.log(f.high / f.low) / (2 * 1.96)
const withNights = () => {
  const l = props.view.learned!
  return reckon({
    skinFactor: l.skin.value,
    leakFactor: l.leak.value,
    massFactor: l.mass.value,
    nights: l.nights,
    until: l.until,
    skinSigma: sigma(l.skin),
    leakSigma: sigma(l.leak),
    massSigma: sigma(l.mass),
  })
}
</script>

<template>
  <section aria-labelledby="learned-head">
    <h2 id="learned-head">What the nights say of the house</h2>
    <p v-for="s in learnedSentences(view)" :key="s">{{ s }}</p>
    <FactorScale
      v-if="view.learned"
      :factors="factors"
      label="How the house differs from its description"
    />
    <p v-if="view.leftOut.length" class="soft">{{ leftOutSentence(view.leftOut) }}</p>
    <ProblemNote v-if="error" :error="error" />
    <div v-if="view.learned && keeper" class="act">
      <p v-if="inUse" role="status">
        Nights to come are reckoned with what {{ inUse.nights }} nights taught.
      </p>
      <BButton v-if="!sameInUse" variant="primary" @click="withNights"
        >Reckon coming nights with this</BButton
      >
      <BButton v-if="inUse" variant="secondary" @click="reckon(null)"
        >Reckon with the description again</BButton
      >
    </div>
  </section>
</template>

<style scoped>
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: center;
  margin-top: 0.5rem;
}

.act p {
  margin: 0;
}
</style>
