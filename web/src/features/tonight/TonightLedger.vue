<script setup lang="ts">
/** The night's bill, what is in the bank, and what was taken as given. */
import type { Views } from '@/shared/api/client'
import { degrees, energyOf, kelvins, type Temperature } from '@/shared/units'
import WordHelp from '@/shared/WordHelp.vue'
import { isOld } from '../store/inTheBank'
import { assumption, otherwise } from './sentences'

const props = defineProps<{
  night: Views['TonightView']
  house: Views['HouseView'] | undefined
  holding: string
  now: string
  units: Temperature
  zone: string
}>()

/** Why a store counts in the bank, or not. */
function reach(s: Views['StoreTonight']): string {
  if (!s.reaches) return `${energyOf(s.startJoules)} that nothing leads to the house`
  if (!s.readAt || isOld(s.readAt, props.now))
    return 'given to the house, as far as old readings tell'
  return s.startJoules < 180_000
    ? 'given to the house; it is as good as empty'
    : 'given to the house'
}
</script>

<template>
  <div class="split mt-3">
    <section aria-labelledby="bill-h">
      <h2 id="bill-h">The bill and the balance</h2>
      <table class="ledger">
        <tbody>
          <tr>
            <th scope="row">
              <WordHelp of="bill">The night’s bill</WordHelp> for {{ house?.name }}
            </th>
            <td class="num">{{ energyOf(night.billJoules) }}</td>
            <td class="soft">
              to stay at {{ degrees(night.plantLimitCelsius, units) }} with nothing stored
            </td>
          </tr>
          <tr>
            <th scope="row"><WordHelp of="balance">In the bank</WordHelp></th>
            <td class="num">{{ energyOf(night.balanceJoules) }}</td>
            <td class="soft">usable heat that can still reach the house</td>
          </tr>
          <tr v-for="s in night.stores" :key="s.id">
            <th scope="row" class="of">{{ s.name }}</th>
            <td class="num">{{ energyOf(s.deliveredJoules + s.earlyJoules) }}</td>
            <td class="soft">{{ reach(s) }}; {{ energyOf(s.lostJoules) }} lost to ground or sky</td>
          </tr>
          <tr>
            <th scope="row">What the stores are worth</th>
            <td class="num">{{ kelvins(night.liftKelvin, units) }}</td>
            <td class="soft">
              warmer at the coldest moment; without them
              {{ degrees(night.withoutCelsius, units) }}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <section aria-labelledby="given-h">
      <template v-if="night.counterfactuals.length">
        <h2>What it hangs on</h2>
        <ul class="given">
          <li v-for="w in night.counterfactuals" :key="w.kind + w.of">
            {{ otherwise(w, units) }}
          </li>
        </ul>
      </template>
      <h2 id="given-h">Taken as given</h2>
      <ul class="given">
        <li v-for="(a, i) in night.assumptions" :key="i">
          {{ assumption(a, units, zone) }}
        </li>
      </ul>
      <p v-if="house">
        <RouterLink :to="{ name: 'house', params: { holding, house: house.id } }"
          >The house itself</RouterLink
        >
      </p>
    </section>
  </div>
</template>

<style scoped>
.of {
  padding-left: 1.2rem !important;
  font-weight: 400;
}

.given {
  padding-left: 1.1rem;
}
</style>
