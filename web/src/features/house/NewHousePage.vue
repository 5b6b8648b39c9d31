<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import HouseDrawing from '@/instruments/HouseDrawing.vue'
import { api, body } from '@/shared/api/client'
import { keepsOptions, keepsWords, type Keeps } from '@/shared/keeps'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { degrees } from '@/shared/units'
import { newId } from '../store/designs'
import { catalogueQuery } from '../store/queries'
import { usualOf } from '../store/usual'
import { dimensions, rooms, shapes, tightness, wants, type Answers, type Shape } from './shapes'

/** Five questions from nothing to a first verdict. */
const session = useSession()
const client = useQueryClient()
const route = useRoute()
const router = useRouter()
const holding = String(route.params.holding)
const { data: catalogue } = useQuery(catalogueQuery())
const error = ref<unknown>(null)
const busy = ref(false)
const name = ref('Glasshouse')
const low = ref<number | null>(-5)
const heated = ref('no')
const shape = reactive<Shape>({ ...shapes[0].size })
const answers = reactive({
  material: 'single-glass',
  tight: 1,
  limit: 2 as number | null,
  keeps: 'PLANTS' as Keeps,
})
const room = ref(rooms[0])
const isRoom = computed(() => shape.kind === 'ROOM')

const skins = computed(() =>
  (catalogue.value?.skins ?? [])
    .filter((s) => s.solarShare.value > 0 !== isRoom.value)
    .map((s) => ({ value: s.id, text: s.name })),
)
const names: Partial<Record<Shape['kind'], string>> = {
  TUNNEL: 'Tunnel',
  FRAME: 'Cold frame',
  ROOM: 'Room',
}
function choose(kind: Shape['kind']) {
  const start = shapes.find((s) => s.kind === kind)
  if (start) Object.assign(shape, start.size)
  name.value = names[kind] ?? 'Glasshouse'
  if (kind === 'ROOM') chooseRoom(room.value.room)
  else {
    answers.material = 'single-glass'
    keep('PLANTS')
  }
}

function chooseRoom(which: string) {
  room.value = rooms.find((r) => r.room === which) ?? rooms[0]
  answers.material = room.value.wall
  heated.value = room.value.room === 'CELLAR' || room.value.room === 'DWELLING' ? 'yes' : 'no'
  keep(room.value.keeps)
}

function keep(what: Keeps) {
  answers.keeps = what
  answers.limit = wants[what][what === 'PLANTS' ? 2 : 0].celsius
}

/** Whether a room next door, or above, may be warm. */
const besides = computed(
  () => shape.kind === 'LEAN_TO' || (isRoom.value && asksHeated.includes(room.value.room)),
)
const asksHeated = ['DWELLING', 'GARAGE', 'CELLAR']

async function see() {
  error.value = null
  busy.value = true
  const id = newId()
  const path = { path: { holdingId: holding } }
  const asked: Answers = {
    shape: { ...shape },
    material: answers.material,
    backCelsius: (besides.value && heated.value === 'yes'
      ? usualOf(catalogue.value, 'DWELLING')
      : isRoom.value && besides.value && room.value.room !== 'GARAGE'
        ? usualOf(catalogue.value, 'ROOM')
        : null) as unknown as number,
    airChangesPerHour: answers.tight,
    plantLimitCelsius: answers.limit ?? 0,
    room: isRoom.value ? room.value.room : null,
    keeps: answers.keeps,
  }
  try {
    const design = await body(
      api.POST('/api/holdings/{holdingId}/houses/shaped', { params: path, body: asked }),
    )
    await body(
      api.POST('/api/holdings/{holdingId}/houses', {
        params: path,
        body: { id, name: name.value, design },
      }),
    )
    await client.invalidateQueries({ queryKey: ['holding', holding, 'houses'] })
    await router.replace({
      name: 'tonight',
      params: { holding },
      query: { house: id, low: String(low.value ?? -5) },
    })
  } catch (e) {
    error.value = e
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <h1>Five questions, then tonight</h1>
  <form class="split" @submit.prevent="see">
    <ol class="questions">
      <li>
        <h2>What shape is it, and how big?</h2>
        <div class="shapes" role="radiogroup" aria-label="Shape">
          <button
            v-for="s in shapes"
            :key="s.kind"
            type="button"
            role="radio"
            :aria-checked="shape.kind === s.kind"
            @click="choose(s.kind)"
          >
            <svg viewBox="0 0 60 50" width="60" height="50" aria-hidden="true">
              <path :d="s.path" />
              <path v-if="s.kind === 'LEAN_TO'" class="wall" d="M53 4 V46" />
            </svg>
            {{ s.word }}
          </button>
        </div>
        <div class="sizes">
          <div v-for="[key, word] in dimensions[shape.kind]" :key="key">
            <NumberField v-model="shape[key]" :label="word" quantity="length" />
          </div>
        </div>
        <template v-if="isRoom">
          <label class="form-label mt-2" for="n-room">What is round it?</label>
          <BFormSelect
            id="n-room"
            :model-value="room.room"
            :options="rooms.map((r) => ({ value: r.room, text: r.word }))"
            @update:model-value="chooseRoom(String($event))"
          />
        </template>
        <template v-if="besides">
          <label class="form-label mt-2" for="n-heated">{{
            isRoom ? 'Is the rest of the building heated?' : 'Is the building behind it heated?'
          }}</label>
          <BFormSelect
            id="n-heated"
            v-model="heated"
            :options="[
              {
                value: 'no',
                text: isRoom ? 'no, or it stands alone' : 'no: a barn, a garden wall',
              },
              { value: 'yes', text: 'yes: a dwelling' },
            ]"
          />
        </template>
      </li>
      <li>
        <h2>{{ isRoom ? `${room.of}` : 'What is it covered with?' }}</h2>
        <label class="visually-hidden" for="n-skin">{{ isRoom ? room.of : 'Covering' }}</label>
        <BFormSelect id="n-skin" v-model="answers.material" :options="skins" />
      </li>
      <li>
        <h2>How tight is it?</h2>
        <label class="visually-hidden" for="n-tight">How tight</label>
        <BFormSelect id="n-tight" v-model="answers.tight" :options="tightness" />
      </li>
      <li>
        <h2>{{ isRoom ? 'What is it kept for, and how warm?' : 'What can the plants stand?' }}</h2>
        <div v-if="isRoom" class="one mb-2">
          <label class="visually-hidden" for="n-keeps">Kept for</label>
          <BFormSelect
            id="n-keeps"
            :model-value="answers.keeps"
            :options="keepsOptions"
            @update:model-value="keep($event as Keeps)"
          />
        </div>
        <div class="chips">
          <BButton
            v-for="p in wants[answers.keeps]"
            :key="p.word"
            variant="secondary"
            :aria-pressed="answers.limit === p.celsius"
            @click="answers.limit = p.celsius"
            >{{ p.word }}, {{ degrees(p.celsius, session.units, 0) }}</BButton
          >
        </div>
        <div class="one">
          <NumberField
            v-model="answers.limit"
            :label="isRoom ? keepsWords[answers.keeps].stand : 'They stand'"
            :temperature="session.units"
          />
        </div>
      </li>
      <li>
        <h2>How cold will it be tonight?</h2>
        <div class="one">
          <NumberField v-model="low" label="Tonight’s low" :temperature="session.units" />
        </div>
      </li>
    </ol>
    <div>
      <HouseDrawing :shape="shape" :parts="[]" :losses="[]" selected="" />
      <label class="form-label mt-3" for="n-name">What it is called</label>
      <BFormInput id="n-name" v-model="name" />
      <ProblemNote v-if="error" :error="error" />
      <BButton type="submit" variant="primary" class="mt-3 w-100" :disabled="busy"
        >Will tonight hold?</BButton
      >
      <p class="soft mt-2">
        Everything can be put right later on the house’s own drawing: gaps, screens, a second skin,
        what lies behind each wall.
      </p>
    </div>
  </form>
</template>

<style scoped>
.questions {
  padding-left: 1.4rem;
}

.questions > li {
  margin-bottom: 1.2rem;
}

.questions > li::marker {
  font-family: var(--figure);
  font-weight: 600;
}

.shapes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(105px, 1fr));
  gap: 0.5rem;
}

.shapes button {
  background: var(--sheet);
  border: 1px solid var(--line);
  color: var(--ink);
  padding: 0.4rem;
  min-height: 92px;
  line-height: 1.15;
}

.shapes button[aria-checked='true'] {
  border: 3px solid var(--ember);
}

.shapes svg {
  display: block;
  margin: 0 auto 0.25rem;
}

.shapes path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}

.shapes .wall {
  stroke: var(--soil);
  stroke-width: 6;
}

.sizes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 0.5rem 1rem;
  margin-top: 0.6rem;
}

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-bottom: 0.5rem;
}

.chips [aria-pressed='true'] {
  border: 2px solid var(--ember);
}

.one {
  max-width: 200px;
}
</style>
