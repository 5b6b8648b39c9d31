<script setup lang="ts">
/** Notes written elsewhere become readings once somebody has looked over what was understood. */
import { useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { zonedIso, zonedText } from '@/shared/moments'
import { DOUBTS, draftOf, ready, tied, type Draft } from './pages'

const props = defineProps<{
  holding: string
  /** Whose notes they are; null of thermometers that hang in no store. */
  store: string | null
  probes: Pick<Views['ProbeView'], 'id' | 'name'>[]
}>()
const session = useSession()
const client = useQueryClient()
const SETTLE_MS = 350
const SHOWN = 200
const key = `notes-${props.store ?? props.holding}`
const text = ref(sessionStorage.getItem(key) ?? '')
const drafts = ref<Draft[]>([])
const error = ref<unknown>(null)
const said = ref('')
const began = ref('')
const zone = computed(() => session.zone(props.holding))
const good = computed(() => drafts.value.filter(ready))
const left = computed(() => drafts.value.filter((d) => !ready(d)).length)
const needsStart = computed(() => /(^|\n)\s*(\+\s*\d|\d+\s*(min|h)\b)|^\s*min/im.test(text.value))
const example = computed(() => {
  const names = props.probes.map((p) => p.name)
  if (!props.store) return `8:00  ${names[0] ?? 'lowest'} 3${names[1] ? `, ${names[1]} −4` : ''}`
  return `22:40  ${names[0] ?? 'core'} 61${names[1] ? `, ${names[1]} 38` : ''}\n7:00  ${names[0] ?? 'core'} 48`
})

let timer = 0
let asked = 0
watch(
  [text, began],
  () => {
    sessionStorage.setItem(key, text.value)
    window.clearTimeout(timer)
    timer = window.setTimeout(() => void understand(), SETTLE_MS)
  },
  { immediate: true },
)

async function understand() {
  const mine = ++asked
  error.value = null
  if (!text.value.trim()) {
    drafts.value = []
    return
  }
  said.value = ''
  const holdingId = props.holding
  const written = {
    text: text.value,
    fahrenheit: session.units.fahrenheit,
    began: zonedIso(began.value, zone.value),
  }
  try {
    const view = await body(
      props.store
        ? api.POST('/api/holdings/{holdingId}/stores/{storeId}/notes', {
            params: { path: { holdingId, storeId: props.store } },
            body: written,
          })
        : api.POST('/api/holdings/{holdingId}/notes', {
            params: { path: { holdingId } },
            body: written,
          }),
    )
    if (mine === asked) drafts.value = view.notes.map(draftOf)
  } catch (e) {
    if (mine === asked) error.value = e
  }
}

function tie(d: Draft, probeId: string) {
  drafts.value = tied(drafts.value, d, probeId || null)
}

function move(d: Draft, typed: string) {
  const at = zonedIso(typed, zone.value)
  if (at == null) return
  d.at = at
  if (d.doubt === 'NO_TIME' || d.doubt === 'AHEAD') d.doubt = null
}

async function keep() {
  error.value = null
  try {
    const logged = await body(
      api.POST('/api/holdings/{holdingId}/readings', {
        params: { path: { holdingId: props.holding } },
        body: {
          fahrenheit: session.units.fahrenheit,
          readings: good.value.map((d) => ({
            probeId: d.probeId as string,
            at: d.at as string,
            typed: d.typed,
          })),
        },
      }),
    )
    const told = [
      logged.added && `${logged.added} kept`,
      logged.replaced && `${logged.replaced} put in the place of another figure`,
      logged.known && `${logged.known} known already`,
    ]
    said.value = `${told.filter(Boolean).join(', ')}.`
    text.value = ''
    await client.invalidateQueries({ queryKey: ['holding', props.holding] })
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <section aria-labelledby="paste-h">
    <h2 id="paste-h">Write or paste notes</h2>
    <textarea
      v-model="text"
      aria-labelledby="paste-h"
      class="paper"
      rows="4"
      spellcheck="false"
      :placeholder="example"
    ></textarea>
    <p v-if="!drafts.length && !said" class="soft">
      A line for each time, or a table with a heading. “yesterday 22:40”, “6 am”, “12 Jan”, “140F”
      and “+90 min” are understood; nothing is kept before you have looked it over.
    </p>
    <div v-if="needsStart" class="start">
      <label for="began">The minutes are counted from</label>
      <BFormInput id="began" v-model="began" type="datetime-local" />
    </div>
    <ProblemNote v-if="error" :error="error" />
    <p v-if="said" role="status">{{ said }}</p>
    <template v-if="drafts.length">
      <table class="ledger preview">
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Probe</th>
            <th scope="col">Figure</th>
            <th scope="col"><span class="visually-hidden">Doubt</span></th>
            <th scope="col"><span class="visually-hidden">Kept or left out</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(d, i) in drafts.slice(0, SHOWN)"
            :key="i"
            :class="{ left: d.left, doubtful: d.doubt }"
          >
            <td>
              <input
                type="datetime-local"
                :aria-label="`When, line ${d.line}`"
                :value="d.at ? zonedText(d.at, zone) : ''"
                @change="move(d, ($event.target as HTMLInputElement).value)"
              />
            </td>
            <td>
              <select
                :aria-label="`Probe, line ${d.line}`"
                :value="d.probeId ?? ''"
                @change="tie(d, ($event.target as HTMLSelectElement).value)"
              >
                <option value="">{{ d.name ? `${d.name}: of none` : 'of none' }}</option>
                <option v-for="p in probes" :key="p.id" :value="p.id">{{ p.name }}</option>
              </select>
            </td>
            <td class="figure">{{ d.typed }}</td>
            <td class="doubt">
              {{ d.doubt ? DOUBTS[d.doubt] : '' }}
              <button
                v-if="d.doubt === 'MAYBE_FAHRENHEIT'"
                type="button"
                @click="((d.typed += 'F'), (d.doubt = null))"
              >
                It was °F
              </button>
            </td>
            <td>
              <button
                type="button"
                :aria-label="`${d.left ? 'Keep' : 'Leave out'} line ${d.line}, ${d.typed}`"
                @click="d.left = !d.left"
              >
                {{ d.left ? 'Keep' : 'Leave out' }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="drafts.length > SHOWN" class="soft">
        and {{ drafts.length - SHOWN }} more of the same kind.
      </p>
      <p class="end">
        <BButton variant="primary" :disabled="!good.length" @click="keep"
          >Keep {{ good.length }} {{ good.length === 1 ? 'reading' : 'readings' }}</BButton
        >
        <span v-if="left" class="soft"> {{ left }} will be left out.</span>
      </p>
    </template>
  </section>
</template>

<style scoped>
.paper {
  width: 100%;
  max-width: 640px;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line);
  border-left: 4px solid var(--ember);
  padding: 0.6rem 0.8rem;
  font-family: var(--figure);
  font-size: 1.05rem;
  line-height: 1.7;
}

.start {
  display: flex;
  gap: 0.75rem;
  align-items: center;
  max-width: 460px;
  margin: 0.5rem 0;
}

.preview {
  margin-top: 0.75rem;
}

.preview input,
.preview select {
  background: none;
  border: 0;
  border-bottom: 1px dotted var(--line);
  color: var(--ink);
  min-height: 40px;
}

.preview button {
  background: none;
  border: 0;
  color: var(--ink-soft);
  text-decoration: underline;
  min-height: 40px;
}

.figure {
  font-family: var(--figure);
  text-align: right;
}

.left {
  opacity: 0.55;
}

.doubt {
  color: var(--lost);
}

.doubtful td:first-child {
  border-left: 3px solid var(--lost);
}

.end {
  margin-top: 0.75rem;
}

.end button {
  margin-right: 0.75rem;
}

@media (max-width: 600px) {
  .preview thead {
    display: none;
  }

  .preview tr {
    display: grid;
    grid-template-columns: auto 1fr auto;
    align-items: center;
    border-bottom: 1px solid var(--line);
  }

  .preview td {
    border: 0;
    padding: 0.1rem 0.25rem;
  }

  .preview td:first-child {
    grid-column: 1 / 3;
  }

  .preview .figure {
    grid-column: 1;
  }

  .preview td:last-child {
    grid-column: 3;
    grid-row: 2;
    text-align: right;
  }
}
</style>
