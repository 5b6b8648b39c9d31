<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'

const session = useSession()
const router = useRouter()
const route = useRoute()
const login = ref('')
const password = ref('')
const error = ref<unknown>(null)
const busy = ref(false)

async function enter() {
  busy.value = true
  error.value = null
  try {
    await session.signIn(login.value, password.value)
    await router.replace(typeof route.query.next === 'string' ? route.query.next : '/')
  } catch (e) {
    error.value = e
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main id="main" class="door">
    <svg viewBox="0 0 600 210" aria-hidden="true">
      <path d="M0 170 Q300 -40 600 170" fill="none" stroke="var(--frost)" stroke-width="3" />
      <path d="M0 170 H600" stroke="var(--line)" stroke-width="2" />
      <g fill="var(--ember)">
        <rect x="205" y="132" width="54" height="38" />
        <rect x="271" y="112" width="26" height="58" />
        <rect x="309" y="112" width="26" height="58" />
        <rect x="347" y="146" width="72" height="24" />
      </g>
      <path
        d="M0 170 l14 40 M40 170 l14 40 M80 170 l14 40 M120 170 l14 40 M160 170 l14 40 M200 170 l14 40 M240 170 l14 40 M280 170 l14 40 M320 170 l14 40 M360 170 l14 40 M400 170 l14 40 M440 170 l14 40 M480 170 l14 40 M520 170 l14 40 M560 170 l14 40"
        stroke="var(--line)"
      />
    </svg>
    <h1>Night Bank</h1>
    <p class="soft">Heat is money in the bank; the night sends a bill at dawn.</p>
    <form @submit.prevent="enter">
      <label class="form-label" for="login">Name</label>
      <BFormInput id="login" v-model="login" autocomplete="username" required autofocus />
      <label class="form-label mt-2" for="password">Password</label>
      <BFormInput
        id="password"
        v-model="password"
        type="password"
        autocomplete="current-password"
        required
      />
      <ProblemNote v-if="error" :error="error" />
      <BButton type="submit" variant="primary" class="mt-3 w-100" :disabled="busy">Sign in</BButton>
    </form>
    <p v-if="session.me?.demo" class="soft mt-3">
      This is the demo: sign in as <b>keeper</b> with the password <b>quernstone croft</b>.
    </p>
  </main>
</template>

<style scoped>
.door {
  max-width: 400px;
  margin: 6vh auto;
  padding: 0 1.25rem;
}

.door svg {
  width: 100%;
  margin-bottom: 1rem;
}
</style>
