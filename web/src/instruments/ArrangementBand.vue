<script setup lang="ts">
/**
 * How a store was, when: one drawing after another, each until the next change, with the runs that
 * are judged by it. A touch shows the store as it was then.
 */
import { computed } from 'vue'
import type { Views } from '@/shared/api/client'
import { clock, day } from '@/shared/units'

const props = defineProps<{
  arrangements: Views['Arrangement'][]
  /** What each is that the one before it was not. */
  words: string[][]
  /** How many runs are judged by each. */
  runs: number[]
  zone: string
}>()
/** When the one that is shown ended; empty for how it is now. */
const shown = defineModel<string>({ required: true })

const BODY = 26
const THICKEST = 9 // px
const METRES = 0.2 // of layers that are drawn as the thickest

const moment = (iso: string) =>
  `${day(Date.parse(iso) / 1000, props.zone)}, ${clock(Date.parse(iso) / 1000, props.zone)}`

type Face = 'side' | 'top' | 'foot'
const skin = (a: Views['Arrangement'], face: Face) => {
  const layers = a.design[face]?.layers ?? []
  const metres = layers.reduce((sum, l) => sum + l.thicknessMetres, 0)
  return metres ? Math.max(2.5, Math.min(1, metres / METRES) * THICKEST) : 0
}

const tiles = computed(() =>
  props.arrangements.map((a, i) => {
    const tall = a.design.shape === 'BOX' ? 18 : 24
    return {
      key: a.until ?? '',
      word: i ? props.words[i]!.join(', ') : 'first described',
      when: a.until
        ? `until ${moment(a.until)}`
        : `since ${moment(props.arrangements[i - 1]!.until as string)}`,
      runs: props.runs[i]!,
      now: !a.until,
      tall,
      side: skin(a, 'side'),
      top: skin(a, 'top'),
      foot: skin(a, 'foot'),
    }
  }),
)
</script>

<template>
  <ol class="band" aria-label="How it was, when">
    <li v-for="t in tiles" :key="t.key">
      <button
        type="button"
        :aria-pressed="shown === t.key"
        :class="{ now: t.now }"
        @click="shown = t.key"
      >
        <svg width="48" height="46" viewBox="0 0 48 46" aria-hidden="true">
          <g :transform="`translate(24 ${36 - t.tall})`">
            <rect class="mass" :x="-BODY / 2" y="0" :width="BODY" :height="t.tall" />
            <rect
              v-if="t.side"
              class="skin"
              :x="-BODY / 2 - t.side"
              y="0"
              :width="t.side"
              :height="t.tall"
            />
            <rect v-if="t.side" class="skin" :x="BODY / 2" y="0" :width="t.side" :height="t.tall" />
            <rect
              v-if="t.top"
              class="skin"
              :x="-BODY / 2 - t.side"
              :y="-t.top"
              :width="BODY + 2 * t.side"
              :height="t.top"
            />
            <rect
              v-if="t.foot"
              class="skin"
              :x="-BODY / 2 - t.side"
              :y="t.tall"
              :width="BODY + 2 * t.side"
              :height="t.foot"
            />
          </g>
        </svg>
        <span class="says">
          <span class="word">{{ t.word }}</span>
          <span class="when">{{ t.when }}</span>
          <span v-if="t.runs" class="when">{{ t.runs }} {{ t.runs === 1 ? 'run' : 'runs' }}</span>
        </span>
      </button>
    </li>
  </ol>
</template>

<style scoped>
.band {
  list-style: none;
  margin: 0 0 0.75rem;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.4rem;
}

li {
  position: relative;
  max-width: 290px;
}

/* the seam where it was changed */
li + li::before {
  content: '';
  position: absolute;
  left: -0.75rem;
  top: 6px;
  bottom: 6px;
  border-left: 2px dashed var(--line);
}

button {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  text-align: left;
  background: none;
  border: 0;
  border-bottom: 3px solid transparent;
  color: var(--ink);
  padding: 0.2rem 0.3rem;
  min-height: 52px;
}

button[aria-pressed='true'] {
  border-bottom-color: var(--ember);
}

@media (max-width: 600px) {
  li + li::before {
    left: 0.3rem;
    right: 0.3rem;
    top: -0.2rem;
    bottom: auto;
    border-left: 0;
    border-top: 2px dashed var(--line);
  }

  .band {
    flex-direction: column;
  }
}

.says {
  display: flex;
  flex-direction: column;
}

.word {
  font-weight: 600;
  overflow-wrap: anywhere;
}

.when {
  color: var(--ink-soft);
  font-size: 0.92rem;
}

.mass {
  fill: var(--soil);
}

.skin {
  fill: color-mix(in srgb, var(--ember) 30%, transparent);
  stroke: var(--ember);
  stroke-width: 1;
}
</style>
