<script setup lang="ts">
/** A sheet to build a store by; prints on two pages. */
import { useQuery } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import CutAway from '@/instruments/CutAway.vue'
import type { Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import {
  degrees,
  hours,
  massOf,
  energyOf,
  lengthOf,
  powerOf,
  areaOf,
  thinOf,
  volumeOf,
  withFigures,
  floorLoadOf,
  forceOf,
} from '@/shared/units'
import CautionList from './CautionList.vue'
import { buildQuery } from './queries'
import { sidesOf } from '@/shared/body'

const session = useSession()
const route = useRoute()
const holding = String(route.params.holding)
const store = String(route.params.store)
const { data: sheet, error } = useQuery(buildQuery(holding, store))
const units: Record<string, string> = {
  KILOGRAM: 'kg',
  LITRE: 'litres',
  SQUARE_METRE: 'm²',
  METRE: 'm',
  PIECE: '',
}
const amount = (i: Views['Item']) => {
  if (i.unit === 'KILOGRAM') return massOf(i.amount)
  if (i.unit === 'LITRE') return volumeOf(i.amount)
  if (i.unit === 'SQUARE_METRE') return areaOf(i.amount)
  if (i.unit === 'METRE') return lengthOf(i.amount)
  const digits = i.amount >= 100 || i.unit === 'PIECE' ? 0 : 1
  return `${i.amount.toFixed(digits)} ${units[i.unit] ?? ''}`.trim()
}
const cut = (c: Views['Cut']) =>
  c.round
    ? `a disc ${lengthOf(c.lengthMetres)} across`
    : `${lengthOf(c.lengthMetres)} by ${lengthOf(c.widthMetres)}`
const size = computed(() => {
  const d = sheet.value?.design
  if (!d) return ''
  const body =
    d.shape === 'CYLINDER'
      ? `${lengthOf(sidesOf(d).width)} across`
      : `${lengthOf(sidesOf(d).length)} by ${lengthOf(sidesOf(d).width)}`
  return `${d.count > 1 ? `${d.count} bodies, each ` : ''}${body}, ${lengthOf(d.heightMetres)} high`
})
const print = () => window.print()
</script>

<template>
  <ProblemNote v-if="error" :error="error" />
  <article v-if="sheet" class="sheet">
    <header>
      <h1>To build: {{ sheet.name }}</h1>
      <BButton class="no-print" variant="primary" @click="print">Print it</BButton>
    </header>
    <p class="lead">
      {{ size }}; {{ massOf(sheet.appraisal.massKg) }} in all,
      {{ floorLoadOf(sheet.appraisal.loadKgPerSquareMetre) }} on the floor. It will hold
      {{ energyOf(sheet.appraisal.usableJoules) }} and lose half in
      {{ hours(sheet.appraisal.losesHalfSeconds) }}; after a night of fourteen hours it still gives
      {{ powerOf(sheet.appraisal.dawnWatts) }}.
    </p>
    <div class="two">
      <CutAway
        class="drawing"
        :design="sheet.design"
        :probes="[]"
        :latest="[]"
        :section="null"
        :losses="sheet.appraisal.faces"
        selected=""
        :units="session.units"
        :editable="false"
      />
      <section>
        <h2>To get</h2>
        <table class="ledger">
          <tbody>
            <tr v-for="(i, k) in sheet.items" :key="k">
              <th scope="row">{{ i.name }}</th>
              <td class="num">{{ amount(i) }}</td>
              <td class="num">{{ i.packs == null ? '' : `${i.packs} × ${i.packName}` }}</td>
              <td class="num">
                {{ i.cost == null ? '' : `${sheet.appraisal.currency}${i.cost.toFixed(0)}` }}
              </td>
            </tr>
            <tr v-if="sheet.appraisal.cost > 0">
              <th scope="row">
                Together<template v-if="sheet.appraisal.unpriced">
                  without the {{ sheet.appraisal.unpriced }} that have no price</template
                >
              </th>
              <td />
              <td />
              <td class="num">
                {{ sheet.appraisal.currency }}{{ sheet.appraisal.cost.toFixed(0) }}
              </td>
            </tr>
          </tbody>
        </table>
        <p class="soft">
          <template v-if="sheet.pallets"
            >{{ sheet.pallets }} {{ sheet.pallets === 1 ? 'pallet' : 'pallets' }} of fill. </template
          >A push of {{ forceOf(sheet.tippingNewtons) }} at the top begins to tip a full one.
        </p>
      </section>
    </div>
    <div class="two">
      <section v-if="sheet.cuts.length">
        <h2>To cut</h2>
        <table class="ledger">
          <tbody>
            <tr v-for="(c, k) in sheet.cuts" :key="k">
              <th scope="row">{{ c.what }}, {{ c.face.toLowerCase() }}</th>
              <td class="num">{{ c.pieces }} × {{ cut(c) }}</td>
              <td class="num">{{ thinOf(c.thicknessMetres) }} thick</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section>
        <h2>What it stands</h2>
        <table class="ledger">
          <tbody>
            <tr v-for="l in sheet.limits" :key="l.what">
              <th scope="row">{{ l.what }}</th>
              <td class="num">{{ degrees(l.celsius, session.units, 0) }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
    <section class="page-two">
      <h2>In this order</h2>
      <ol>
        <li v-for="s in sheet.steps" :key="s.text">{{ withFigures(s.text, s.figures) }}</li>
      </ol>
    </section>
    <CautionList :cautions="sheet.appraisal.cautions" />
  </article>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  align-items: start;
  gap: 1rem;
}

.lead {
  font-size: 1.1rem;
  max-width: 80ch;
}

.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 1.5rem;
  margin-bottom: 1rem;
}

ol li {
  margin-bottom: 0.35rem;
  max-width: 80ch;
}

@media (max-width: 800px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media print {
  .sheet {
    font-size: 10.5pt;
  }

  .drawing {
    max-height: 7.5cm;
    border: 0;
  }

  .page-two {
    break-before: page;
  }

  .two,
  li,
  tr {
    break-inside: avoid;
  }
}
</style>
