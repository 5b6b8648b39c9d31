<script setup lang="ts">
/** What our words mean, in the order of the work. */
import { words } from './words'
</script>

<template>
  <h1>What the words mean</h1>
  <section v-for="s in words" :key="s.when" :aria-labelledby="s.words[0].id">
    <h2 :id="s.words[0].id">{{ s.when }}</h2>
    <dl>
      <template v-for="w in s.words" :key="w.id">
        <dt>{{ w.word }}</dt>
        <dd>{{ w.says }}</dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: minmax(9rem, 14rem) minmax(0, 42rem);
  gap: 0.5rem 1.5rem;
}

dt {
  font-family: var(--figure);
}

dd {
  margin: 0;
}

@media (width < 600px) {
  dl {
    grid-template-columns: minmax(0, 1fr);
    gap: 0.1rem;
  }

  dd {
    margin-bottom: 0.6rem;
  }
}
</style>
