<script setup lang="ts">
/** Cautions, those for people first; what breaks and what disappoints are told apart. */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { withFigures } from '@/shared/units'

const props = defineProps<{ cautions: Views['Appraisal']['cautions'] }>()
const words = { DANGER: 'Mind people', DAMAGE: 'Mind the build', NOTE: 'Worth knowing' } as const
const groups = computed(() =>
  (['DANGER', 'DAMAGE', 'NOTE'] as const)
    .map((w) => ({ word: words[w], list: props.cautions.filter((c) => c.weight === w) }))
    .filter((g) => g.list.length),
)
</script>

<template>
  <section v-if="groups.length" class="cautions" aria-label="Cautions">
    <template v-for="g in groups" :key="g.word">
      <h3>{{ g.word }}</h3>
      <ul>
        <li v-for="(c, i) in g.list" :key="i">
          <b>{{ withFigures(c.reason, c.figures) }}</b> {{ withFigures(c.remedy, c.figures) }}
        </li>
      </ul>
    </template>
    <p class="soft">Your local codes come first, and trades that are licensed for it.</p>
  </section>
</template>

<style scoped>
.cautions {
  border-left: 4px double var(--close);
  padding: 0.2rem 0.9rem;
  margin: 1rem 0;
}

h3 {
  margin: 0.5rem 0 0.15rem;
}

ul {
  margin: 0 0 0.4rem;
  padding-left: 1.1rem;
}

.soft {
  margin: 0.3rem 0 0;
}
</style>
