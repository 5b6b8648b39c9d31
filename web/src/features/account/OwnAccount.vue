<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'

/** One's own password, and where one is signed in. */
const session = useSession()
const router = useRouter()
const typed = reactive({ before: '', password: '' })
const error = ref<unknown>(null)
const kept = ref(false)

async function change() {
  error.value = null
  kept.value = false
  try {
    await body(api.PUT('/api/me/password', { body: { ...typed } }))
    Object.assign(typed, { before: '', password: '' })
    kept.value = true
  } catch (e) {
    error.value = e
  }
}

async function outEverywhere() {
  await session.signOut(true)
  await router.replace('/sign-in')
}
</script>

<template>
  <form aria-labelledby="own-h" @submit.prevent="change">
    <h2 id="own-h">You, {{ session.me?.person?.name }}</h2>
    <label class="form-label" for="own-before">Password as it is</label>
    <BFormInput
      id="own-before"
      v-model="typed.before"
      type="password"
      autocomplete="current-password"
      required
    />
    <label class="form-label mt-2" for="own-password">New password</label>
    <BFormInput
      id="own-password"
      v-model="typed.password"
      type="password"
      autocomplete="new-password"
      aria-describedby="own-how"
      required
    />
    <p id="own-how" class="soft">Ten letters at least; three or four words are good.</p>
    <ProblemNote v-if="error" :error="error" />
    <p v-if="kept" role="status">Changed. Wherever else you were signed in, you are out.</p>
    <BButton type="submit" variant="secondary">Change it</BButton>
    <p class="mt-3">
      <RouterLink to="/come-in">Come into another holding by a code</RouterLink>
    </p>
    <BButton variant="link" class="p-0" @click="outEverywhere"
      >Sign out on every phone and computer</BButton
    >
  </form>
</template>
