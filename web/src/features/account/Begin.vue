<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { typedNumber } from '@/shared/units'

const session = useSession()
const router = useRouter()
const error = ref<unknown>(null)
const form = reactive({
  login: '',
  password: '',
  holding: '',
  latitude: '',
  longitude: '',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
})

async function begin() {
  error.value = null
  try {
    await body(
      api.POST('/api/setup', {
        body: {
          login: form.login,
          name: form.login,
          password: form.password,
          holding: {
            name: form.holding,
            latitude: typedNumber(form.latitude) || 0,
            longitude: typedNumber(form.longitude) || 0,
            zone: form.zone,
          },
        },
      }),
    )
    await session.signIn(form.login, form.password)
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
            <label class="form-label" for="b-lat">Latitude, north positive</label>
            <BFormInput id="b-lat" v-model="form.latitude" inputmode="text" required />
          </div>
          <div class="col-6 mt-2">
            <label class="form-label" for="b-lon">Longitude, east positive</label>
            <BFormInput id="b-lon" v-model="form.longitude" inputmode="text" required />
          </div>
        </div>
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
  margin-bottom: 1.5rem;
}

legend {
  font-family: var(--figure);
  font-size: 1.15rem;
  border-bottom: 1px solid var(--line);
}
</style>
