<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, body, upload, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import TakeAway from '@/shared/TakeAway.vue'
import { useSession } from '@/shared/session'
import { day } from '@/shared/units'
import { storeQuery } from '../store/queries'
import { thermometersQuery } from '../thermometer/queries'
import FileUnderstood from './FileUnderstood.vue'
import WatchedFolder from './WatchedFolder.vue'
import { importQuery, leftOutQuery, readInQuery } from './queries'

const session = useSession()
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const holding = String(route.params.holding)
const store = String(route.params.store)
const file = computed(() => String(route.params.file ?? ''))
const { data: loaded } = useQuery(storeQuery(holding, store))
const { data: thermometers } = useQuery(thermometersQuery(holding))
/** What hangs round the store. */
const hung = computed(() =>
  (thermometers.value ?? []).filter((t) => !t.houseId || t.houseId === loaded.value?.data.houseId),
)
const { data: state, error: missing } = useQuery(
  computed(() => ({ ...importQuery(holding, file.value), enabled: !!file.value })),
)
const done = computed(() => state.value?.state === 'DONE')
const { data: leftOut } = useQuery(
  computed(() => ({ ...leftOutQuery(holding, file.value), enabled: done.value })),
)
const error = ref<unknown>(null)
const sending = ref(false)
const over = ref(false)
const zone = computed(() => session.zone(holding))

async function hand(list: FileList | null | undefined) {
  over.value = false
  const f = list?.[0]
  if (!f) return
  error.value = null
  sending.value = true
  try {
    const said = await upload<Views['ImportView']>(
      `/api/holdings/${holding}/stores/${store}/imports`,
      f,
    )
    await router.push({ name: 'file', params: { holding, store, file: said.id } })
  } catch (e) {
    error.value = e
  } finally {
    sending.value = false
  }
}

async function ask(what: () => Promise<Views['ImportView']>) {
  error.value = null
  try {
    client.setQueryData(['holding', holding, 'import', file.value], await what())
  } catch (e) {
    error.value = e
  }
}
const path = () => ({ params: { path: { holdingId: holding, importId: file.value } } })
const start = () =>
  ask(() => body(api.POST('/api/holdings/{holdingId}/imports/{importId}/start', path())))
const stop = () =>
  ask(() => body(api.POST('/api/holdings/{holdingId}/imports/{importId}/stop', path())))
const correct = (mapping: Views['FileMapping']) =>
  ask(() =>
    body(
      api.PUT('/api/holdings/{holdingId}/imports/{importId}/mapping', { ...path(), body: mapping }),
    ),
  )

const { data: before } = useQuery(
  computed(() => ({ ...readInQuery(holding, store), enabled: !file.value })),
)
const keeper = computed(() => session.role(holding) === 'KEEPER')
const takeOut = () => body(api.DELETE('/api/holdings/{holdingId}/imports/{importId}', path()))

watch(done, (d) => {
  if (d) void client.invalidateQueries({ queryKey: ['holding', holding] })
})

const number = (n: number) => new Intl.NumberFormat('en-GB').format(n)
</script>

<template>
  <p class="soft mb-1">
    <RouterLink :to="{ name: 'store', params: { holding, store } }">{{
      loaded?.data.name
    }}</RouterLink>
  </p>
  <template v-if="!file">
    <h1>Hand over a logger’s file</h1>
    <p>
      Any text with a time and temperatures in columns. Nothing is kept until you have seen how it
      was understood.
    </p>
    <ProblemNote v-if="error" :error="error" />
    <div
      role="presentation"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="hand($event.dataTransfer?.files)"
    >
      <label class="drop" :class="{ over }">
        <input
          type="file"
          class="visually-hidden"
          :disabled="sending"
          @change="hand(($event.target as HTMLInputElement).files)"
        />
        <span v-if="sending">Taking it in …</span>
        <span v-else>Choose the file, or let it fall here</span>
      </label>
    </div>
    <WatchedFolder v-if="session.role(holding) === 'KEEPER'" :holding="holding" :store="store" />
    <section v-if="before?.length" class="mt-4" aria-labelledby="before-h">
      <h2 id="before-h">Read in before</h2>
      <table class="ledger">
        <tbody>
          <tr v-for="f in before" :key="f.id">
            <th scope="row">
              <RouterLink :to="{ name: 'file', params: { holding, store, file: f.id } }">{{
                f.fileName
              }}</RouterLink>
            </th>
            <td>
              <template v-if="f.from && f.to"
                >{{ day(Date.parse(f.from) / 1000, zone) }} to
                {{ day(Date.parse(f.to) / 1000, zone) }}</template
              >
            </td>
            <td class="num">
              {{ f.takenOut ? 'taken out again' : `${number(f.added)} readings` }}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </template>
  <ProblemNote v-else-if="missing" :error="missing" />
  <template v-else-if="state">
    <template v-if="state.state === 'UPLOADED'">
      <h1>{{ state.fileName }}: is this right?</h1>
      <ProblemNote v-if="error" :error="error" />
      <FileUnderstood
        :state="state"
        :probes="[...(loaded?.data.probes ?? []), ...hung]"
        :units="session.units"
        @correct="correct"
      />
      <p class="mt-3 d-flex gap-2">
        <BButton variant="primary" @click="start">Read it in</BButton>
        <RouterLink class="btn btn-secondary" :to="{ name: 'file', params: { holding, store } }"
          >Another file</RouterLink
        >
      </p>
    </template>
    <template v-else-if="state.state === 'RUNNING'">
      <h1>Reading {{ state.fileName }}</h1>
      <progress
        :value="state.share"
        max="1"
        aria-label="How much of the file has been read"
      ></progress>
      <p role="status">
        {{ number(state.rowsRead) }} rows, {{ number(state.readings) }} readings so far. It goes on
        if you leave this page.
      </p>
      <BButton variant="secondary" @click="stop">Stop; keep nothing of it</BButton>
    </template>
    <template v-else-if="done">
      <h1>
        {{ number(state.added) }} readings added<template v-if="state.added < state.readings"
          >, {{ number(state.readings - state.added) }} were known already</template
        >
      </h1>
      <p>
        {{ number(state.rowsRead) }} rows of {{ state.fileName
        }}<template v-if="state.from && state.to"
          >, {{ day(Date.parse(state.from) / 1000, zone) }} to
          {{ day(Date.parse(state.to) / 1000, zone) }}</template
        >;
        {{
          state.leftOut
            ? `${number(state.leftOut)} cells or rows were left out.`
            : 'nothing was left out.'
        }}
      </p>
      <RouterLink
        v-if="state.runId"
        class="btn btn-primary"
        :to="{ name: 'run', params: { holding, run: state.runId } }"
      >
        See what the run says
      </RouterLink>
      <RouterLink
        v-else
        class="btn btn-secondary"
        :to="{ name: 'store', params: { holding, store } }"
        >Back to the store</RouterLink
      >
      <TakeAway
        v-if="keeper && state.added"
        class="mt-3"
        what="these readings"
        :remove="takeOut"
        @gone="client.invalidateQueries({ queryKey: ['holding', holding] })"
        >All that this file brought goes, and the run that it made. What was typed by hand or put
        right since stays.</TakeAway
      >
      <section v-if="leftOut?.length" class="mt-4" aria-labelledby="left-h">
        <h2 id="left-h">Left out, and why</h2>
        <table class="ledger">
          <tbody>
            <tr v-for="(l, i) in leftOut" :key="i">
              <td class="num">line {{ l.line }}</td>
              <td>{{ l.reason }}</td>
              <td>
                <code>{{ l.cell }}</code>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
    <template v-else-if="state.state === 'TAKEN_OUT'">
      <h1>The readings of {{ state.fileName }} were taken out again</h1>
      <p>
        For thirty days they can be brought back, by <b>Undo</b> or under
        <RouterLink :to="{ name: 'changes', params: { holding } }">what was changed</RouterLink>.
      </p>
      <RouterLink class="btn btn-secondary" :to="{ name: 'file', params: { holding, store } }"
        >Another file</RouterLink
      >
    </template>
    <template v-else>
      <h1>{{ state.fileName }} was not read in</h1>
      <div class="problem" role="alert">
        <strong>{{ state.problem }}</strong>
      </div>
      <RouterLink class="btn btn-secondary" :to="{ name: 'file', params: { holding, store } }"
        >Another file</RouterLink
      >
    </template>
  </template>
</template>

<style scoped>
.drop {
  display: grid;
  place-items: center;
  min-height: 220px;
  border: 2px dashed var(--line);
  background: var(--sheet);
  font-family: var(--figure);
  font-size: 1.2rem;
  cursor: pointer;
}

.drop.over,
.drop:hover,
.drop:focus-within {
  border-color: var(--ember);
}

.drop:focus-within {
  outline: 3px solid var(--focus);
}

progress {
  width: 100%;
  height: 22px;
  accent-color: var(--ember);
}
</style>
