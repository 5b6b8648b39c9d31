<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, body, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { typedDegrees } from '@/shared/coordinates'
import { useSession } from '@/shared/session'
import { holdingQuery, peopleQuery } from './queries'
import { roles, type Role } from './roles'
import HoldingFile from './HoldingFile.vue'
import LetIn from './LetIn.vue'
import SharedLinks from './SharedLinks.vue'
import OnAPhone from './OnAPhone.vue'
import OneTimeCode from './OneTimeCode.vue'
import OwnAccount from './OwnAccount.vue'
import WeatherHandOver from './WeatherHandOver.vue'

const session = useSession()
const client = useQueryClient()
const holding = String(useRoute().params.holding)
const { data: place } = useQuery(holdingQuery(holding))
const { data: people } = useQuery(peopleQuery(holding))
const keeper = computed(() => session.role(holding) === 'KEEPER')
const error = ref<unknown>(null)
const said = ref('')
const draft = reactive({ name: '', latitude: '', longitude: '', zone: '' })
const code = ref<{ of: string; code: Views['CodeView'] } | null>(null)

watch(
  place,
  (p) => {
    if (p)
      Object.assign(draft, {
        name: p.name,
        latitude: String(p.latitude),
        longitude: String(p.longitude),
        zone: p.zone,
      })
  },
  { immediate: true },
)

async function attempt(what: () => Promise<unknown>, done: string) {
  error.value = null
  said.value = ''
  try {
    await what()
    said.value = done
    await client.invalidateQueries({ queryKey: ['holding', holding] })
    await session.load()
  } catch (e) {
    error.value = e
  }
}

const savePlace = () =>
  attempt(
    () =>
      body(
        api.PUT('/api/holdings/{holdingId}', {
          params: { path: { holdingId: holding } },
          body: {
            name: draft.name,
            latitude: typedDegrees(draft.latitude, 90),
            longitude: typedDegrees(draft.longitude, 180),
            zone: draft.zone,
            was: place.value
              ? {
                  name: place.value.name,
                  latitude: place.value.latitude,
                  longitude: place.value.longitude,
                  zone: place.value.zone,
                  was: null,
                }
              : null,
          },
        }),
      ),
    'Kept.',
  )

const may = (personId: string, role: Role) =>
  attempt(
    () =>
      body(
        api.PUT('/api/holdings/{holdingId}/people/{personId}', {
          params: { path: { holdingId: holding, personId } },
          body: { role },
        }),
      ),
    'Kept.',
  )
const shutOut = (personId: string) =>
  attempt(
    () =>
      body(
        api.DELETE('/api/holdings/{holdingId}/people/{personId}', {
          params: { path: { holdingId: holding, personId } },
        }),
      ),
    'Shut out; Undo lets them in again.',
  )

const newPassword = (personId: string) =>
  attempt(async () => {
    code.value = {
      of: personId,
      code: await body(
        api.POST('/api/holdings/{holdingId}/people/{personId}/code', {
          params: { path: { holdingId: holding, personId } },
        }),
      ),
    }
  }, '')
</script>

<template>
  <h1>The place and its people</h1>
  <ProblemNote v-if="error" :error="error" />
  <p v-if="said" role="status">{{ said }}</p>
  <div class="split">
    <section aria-labelledby="people-h">
      <h2 id="people-h">Who belongs here</h2>
      <table class="ledger people">
        <tbody>
          <tr v-for="p in people" :key="p.personId">
            <th scope="row">{{ p.name }}</th>
            <td v-if="!keeper">{{ roles.find((r) => r.value === p.role)?.text }}</td>
            <template v-else>
              <td>
                <BFormSelect
                  :model-value="p.role"
                  :options="roles"
                  :aria-label="`${p.name} may`"
                  @update:model-value="may(p.personId, $event as Role)"
                />
              </td>
              <td class="acts">
                <BButton
                  v-if="p.personId !== session.me?.person?.id"
                  size="sm"
                  variant="secondary"
                  :aria-label="`A new password for ${p.name}`"
                  @click="newPassword(p.personId)"
                  >Forgot password</BButton
                >
                <BButton
                  size="sm"
                  variant="secondary"
                  :aria-label="`Shut ${p.name} out`"
                  @click="shutOut(p.personId)"
                  >Shut out</BButton
                >
              </td>
            </template>
          </tr>
        </tbody>
      </table>
      <OneTimeCode
        v-if="code"
        :code="code.code"
        :zone="session.zone(holding)"
        :what="`For ${people?.find((p) => p.personId === code!.of)?.name}, to choose a new password:`"
      />
      <LetIn v-if="keeper" :holding="holding" />
      <SharedLinks v-if="keeper" :holding="holding" />
    </section>
    <form aria-labelledby="place-h" @submit.prevent="savePlace">
      <h2 id="place-h">Where it lies</h2>
      <label class="form-label" for="p-name">Name</label>
      <BFormInput id="p-name" v-model="draft.name" :disabled="!keeper" />
      <label class="form-label mt-2" for="p-lat">Latitude</label>
      <BFormInput id="p-lat" v-model="draft.latitude" :disabled="!keeper" />
      <label class="form-label mt-2" for="p-lon">Longitude</label>
      <BFormInput id="p-lon" v-model="draft.longitude" :disabled="!keeper" />
      <label class="form-label mt-2" for="p-zone">Time zone</label>
      <BFormInput id="p-zone" v-model="draft.zone" :disabled="!keeper" />
      <BButton v-if="keeper" class="mt-3" type="submit" variant="primary">Keep</BButton>
    </form>
  </div>
  <OnAPhone class="mt-4" />
  <OwnAccount class="own mt-4" />
  <WeatherHandOver v-if="keeper" :holding="holding" />
  <p class="mt-4">
    <RouterLink :to="{ name: 'book', params: { holding } }">What things cost here</RouterLink>, and
    media of your own.
    <template v-if="session.role(holding) !== 'GUEST'">
      <RouterLink :to="{ name: 'alarms', params: { holding } }">Who is warned of what</RouterLink>,
      <RouterLink :to="{ name: 'health', params: { holding } }">whether all is well</RouterLink>
      with the program, its disk and its backups.
    </template>
  </p>
  <HoldingFile v-if="keeper" class="mt-4" :holding="holding" />
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}

.own {
  max-width: 420px;
}

@media (max-width: 600px) {
  .people tr {
    display: block;
    padding: 0.4rem 0;
  }

  .people :is(th, td) {
    display: block;
    width: 100%;
    border: 0;
  }

  .people .acts {
    display: flex;
  }
}
</style>
