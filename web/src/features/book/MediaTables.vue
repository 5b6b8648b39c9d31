<script setup lang="ts">
/** The shipped media, insulation and coverings with the span of every number and its source. */
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { degrees, type Temperature } from '@/shared/units'
import TableTools from '@/shared/TableTools.vue'
import { catalogueQuery } from '../store/queries'

const props = defineProps<{ units: Temperature }>()
const { data } = useQuery(catalogueQuery())

type Range = Views['Range']
const figure = (v: number) => String(Number(v.toPrecision(3)))
const span = (r: Range, times = 1) =>
  r.low === r.high
    ? figure(r.value * times)
    : `${figure(r.value * times)} (${figure(r.low * times)} to ${figure(r.high * times)})`
const warm = (r: Range) =>
  `${degrees(r.value, props.units, 0)} (${degrees(r.low, props.units, 0)} to ${degrees(r.high, props.units, 0)})`

const tables = computed(() => [
  {
    name: 'Media',
    heads: [
      'Density, kg/m³',
      'Heat at 20 °C, J/(kg K)',
      'Conductivity, W/(m K)',
      'the same, dried',
      'Water, % of weight',
      'Stands',
    ],
    rows: (data.value?.media ?? []).map((m) => ({
      name: m.name,
      source: m.source,
      cells: [
        span(m.density),
        span(m.specificHeat),
        m.kind === 'WATER' ? 'it moves' : span(m.conductivity),
        m.moisture.value > 0 ? span(m.dryConductivity) : '',
        m.moisture.value > 0 ? span(m.moisture, 100) : '',
        warm(m.highestCelsius),
      ],
    })),
  },
  {
    name: 'Insulation',
    heads: [
      'Conductivity at 20 °C, W/(m K)',
      'more for each 100 K, %',
      'wet lets through, times',
      'Stands',
    ],
    rows: (data.value?.insulation ?? []).map((m) => ({
      name: m.name,
      source: m.source,
      cells: [
        span(m.conductivityRange),
        span(m.slopePerKelvin, 1e4),
        span(m.wetFactor),
        warm(m.highestCelsius),
      ],
    })),
  },
  {
    name: 'Feed of a heap',
    heads: [
      'Carbon to nitrogen',
      'Nitrogen, % dry',
      'Water, % of weight',
      'Thrown on, kg/m³',
      'Can rot, % dry',
      'of that in a season, %',
    ],
    rows: (data.value?.feedstocks ?? []).map((f) => ({
      name: f.name,
      source: f.source,
      cells: [
        figure(f.carbonToNitrogen),
        figure(100 * f.nitrogen),
        figure(100 * f.moisture),
        figure(f.density),
        figure(100 * f.volatileShare),
        span(f.degradable, 100),
      ],
    })),
  },
  {
    name: 'Coverings',
    heads: ['U, W/(m² K)', 'Light let in, %', 'Long waves let out, %'],
    rows: (data.value?.skins ?? []).map((m) => ({
      name: m.name,
      source: m.source,
      cells: [span(m.uValue), span(m.solarShare, 100), span(m.longWaveShare, 100)],
    })),
  },
])
</script>

<template>
  <details class="tables">
    <summary>What the tables say, and where it comes from</summary>
    <TableTools v-for="t in tables" :key="t.name" :name="t.name.toLowerCase()">
      <table class="table table-sm">
        <caption>
          {{
            t.name
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col"><span class="visually-hidden">Name</span></th>
            <th v-for="h in t.heads" :key="h" scope="col">{{ h }}</th>
            <th scope="col">Source</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in t.rows" :key="r.name">
            <th scope="row">{{ r.name }}</th>
            <td v-for="(c, i) in r.cells" :key="i">{{ c }}</td>
            <td class="soft">{{ r.source }}</td>
          </tr>
        </tbody>
      </table>
    </TableTools>
  </details>
</template>

<style scoped>
.tables {
  margin-top: 1.5rem;
}

caption {
  caption-side: top;
  font-family: var(--figure);
  color: var(--ink);
}

th {
  font-weight: 500;
}

td {
  white-space: nowrap;
}

td.soft {
  white-space: normal;
  min-width: 260px;
}
</style>
