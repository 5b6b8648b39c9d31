<script setup lang="ts">
import { BModal } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import ProblemNote from './ProblemNote.vue'
import { useSession } from './session'
import { conductanceOf, energyOf, lengthOf, massOf, powerOf, type Units } from './units'

/** The units in which a person reads and types, each by itself, as people mix them. */
const open = defineModel<boolean>({ default: false })
const session = useSession()
const error = ref<unknown>(null)

type Choice = { words: string; of: keyof Units; choices: [Units[keyof Units], string][] }
const rows: Choice[] = [
  {
    words: 'Temperature',
    of: 'fahrenheit',
    choices: [
      [false, '°C'],
      [true, '°F'],
    ],
  },
  {
    words: 'Heat kept',
    of: 'energy',
    choices: [
      ['KWH', 'kWh'],
      ['MJ', 'MJ'],
      ['BTU', 'BTU'],
    ],
  },
  {
    words: 'Heat given',
    of: 'power',
    choices: [
      ['W', 'W'],
      ['BTU_H', 'BTU/h'],
    ],
  },
  {
    words: 'Weight',
    of: 'mass',
    choices: [
      ['KG', 'kg'],
      ['LB', 'lb'],
    ],
  },
  {
    words: 'Volume',
    of: 'volume',
    choices: [
      ['L', 'litres'],
      ['US_GAL', 'US gallons'],
      ['IMP_GAL', 'imperial gallons'],
    ],
  },
  {
    words: 'Length and area',
    of: 'length',
    choices: [
      ['M', 'metres'],
      ['FT', 'feet, inches'],
    ],
  },
  {
    words: 'Covers',
    of: 'insulation',
    choices: [
      ['U', 'U value'],
      ['R', 'R value'],
    ],
  },
]
const example = computed(
  () =>
    `A drum ${lengthOf(0.88)} high with ${massOf(237)} of sand that keeps ${energyOf(1.4e7)}, gives ${powerOf(640)} and loses ${conductanceOf(1.9)}.`,
)

async function choose(row: Choice, value: Units[keyof Units]) {
  error.value = null
  try {
    await session.setUnits({ [row.of]: value })
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <BModal v-model="open" title="Your own units" no-footer>
    <ProblemNote v-if="error" :error="error" />
    <fieldset v-for="row in rows" :key="row.of">
      <legend>{{ row.words }}</legend>
      <label v-for="[value, word] in row.choices" :key="word">
        <input
          type="radio"
          :name="row.of"
          :checked="session.units[row.of] === value"
          @change="choose(row, value)"
        />
        <span>{{ word }}</span>
      </label>
    </fieldset>
    <p class="soft mt-3">{{ example }}</p>
    <p class="soft">
      Only words change; what is stored does not. Whatever you choose, a field understands 200 lb, 5
      ft 3, 12 cm or 2.5 kW as typed.
    </p>
  </BModal>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem;
  padding: 0.15rem 0;
  border-bottom: 1px solid var(--line);
}

legend {
  float: left;
  width: 9rem;
  font-size: 1rem;
  margin: 0;
}

label {
  cursor: pointer;
}

input {
  position: absolute;
  opacity: 0;
}

label span {
  display: inline-block;
  min-height: 40px;
  padding: 0.4rem 0.75rem;
  border-bottom: 3px solid transparent;
}

input:checked + span {
  border-bottom-color: var(--ember);
  font-weight: 600;
}

input:focus-visible + span {
  outline: 2px solid var(--ember);
}

@media (max-width: 600px) {
  legend {
    float: none;
    width: 100%;
  }

  label span {
    min-height: 48px;
    padding: 0.7rem 0.75rem;
  }
}
</style>
