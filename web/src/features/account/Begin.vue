<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { typedDegrees, typedPlace } from '@/shared/coordinates'
import { useSession } from '@/shared/session'
import { unitsHere } from '@/shared/usualUnits'

const session = useSession()
const router = useRouter()
const error = ref<unknown>(null)
const noPlace = ref(false)
const form = reactive({
  code: '',
  login: '',
  password: '',
  holding: '',
  latitude: '',
  longitude: '',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
})

/** A place pasted whole fills both. */
function pasted() {
  const both = typedPlace(form.latitude)
  if (!both) return
  form.latitude = String(both.latitude)
  form.longitude = String(both.longitude)
}

async function begin() {
  error.value = null
  const latitude = typedDegrees(form.latitude, 90)
  const longitude = typedDegrees(form.longitude, 180)
  noPlace.value = Number.isNaN(latitude) || Number.isNaN(longitude)
  if (noPlace.value) return
  try {
    await body(
      api.POST('/api/setup', {
        body: {
          code: form.code,
          login: form.login,
          name: form.login,
          password: form.password,
          holding: {
            name: form.holding,
            latitude,
            longitude,
            zone: form.zone,
            was: null,
          },
        },
      }),
    )
    await session.signIn(form.login, form.password)
    await session.setUnits(unitsHere())
    await router.replace('/')
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <main id="main" class="page begin">
    <h1>Begin</h1>
    <p>
      Nobody keeps this Night Bank yet. You will be its first keeper: the one who may change things
      and let others in.
    </p>
    <form @submit.prevent="begin">
      <fieldset>
        <legend>You</legend>
        <label class="form-label" for="b-code">Setup code</label>
        <BFormInput
          id="b-code"
          v-model="form.code"
          autocomplete="off"
          autocapitalize="characters"
          aria-describedby="b-code-where"
          required
        />
        <p id="b-code-where" class="soft mt-1">
          The start command prints it, for whoever runs this program.
        </p>
        <label class="form-label" for="b-login">Name to sign in with</label>
        <BFormInput id="b-login" v-model="form.login" autocomplete="username" required />
        <label class="form-label mt-2" for="b-password">Password, ten letters or more</label>
        <BFormInput
          id="b-password"
          v-model="form.password"
          type="password"
          autocomplete="new-password"
          required
        />
      </fieldset>
      <fieldset>
        <legend>Your place</legend>
        <label class="form-label" for="b-holding">What it is called</label>
        <BFormInput id="b-holding" v-model="form.holding" required />
        <div class="row">
          <div class="col-6 mt-2">
            <label class="form-label" for="b-lat">Latitude</label>
            <BFormInput
              id="b-lat"
              v-model="form.latitude"
              placeholder="such as 57.3 N"
              :aria-invalid="noPlace"
              required
              @change="pasted"
            />
          </div>
          <div class="col-6 mt-2">
            <label class="form-label" for="b-lon">Longitude</label>
            <BFormInput
              id="b-lon"
              v-model="form.longitude"
              placeholder="such as 3.4 W"
              :aria-invalid="noPlace"
              required
            />
          </div>
        </div>
        <p v-if="noPlace" class="wrong" role="alert">
          Latitude and longitude as 57.3 N and 3.4 W, or 57°18′ N and 3°24′ W; a map’s link does
          too.
        </p>
        <label class="form-label mt-2" for="b-zone">Time zone</label>
        <BFormInput id="b-zone" v-model="form.zone" required />
        <p class="soft mt-1">Latitude and zone tell when the sun sets and rises.</p>
      </fieldset>
      <ProblemNote v-if="error" :error="error" />
      <BButton type="submit" variant="primary">Begin</BButton>
    </form>
  </main>
</template>

<style scoped>
.begin {
  max-width: 560px;
}

fieldset {
  margin-bottom: 0.75rem;
}

.wrong {
  color: var(--lost);
}

legend {
  font-family: var(--figure);
  font-size: 1.15rem;
  border-bottom: 1px solid var(--line);
}
</style>
