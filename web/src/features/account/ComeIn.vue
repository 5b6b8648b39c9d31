<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, body } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { unitsHere } from '@/shared/usualUnits'

/** What a keeper's code opens: a place for somebody new, a new password, one holding more. */
const session = useSession()
const router = useRouter()
const error = ref<unknown>(null)
const busy = ref(false)
const forgot = ref(false)
const typed = reactive({ code: '', login: '', password: '' })
const here = computed(() => session.me?.person?.name)

async function opened(): Promise<string> {
  if (here.value) {
    const joined = await body(api.POST('/api/me/holdings', { body: { code: typed.code } }))
    await session.load()
    return `/h/${joined.holdingId}/tonight`
  }
  if (forgot.value) {
    await body(api.POST('/api/passwords', { body: { ...typed } }))
  } else {
    await body(api.POST('/api/people', { body: { ...typed, name: typed.login } }))
  }
  await session.signIn(typed.login, typed.password)
  if (!forgot.value) await session.setUnits(unitsHere())
  return '/'
}

async function enter() {
  error.value = null
  busy.value = true
  try {
    await router.replace(await opened())
  } catch (e) {
    error.value = e
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main id="main" class="come-in">
    <h1>A keeper gave you a code</h1>
    <p v-if="here">You are signed in as {{ here }}; the code opens one holding more.</p>
    <form @submit.prevent="enter">
      <label class="form-label" for="c-code">Code</label>
      <BFormInput
        id="c-code"
        v-model="typed.code"
        class="signs"
        autocomplete="off"
        autocapitalize="characters"
        spellcheck="false"
        required
        autofocus
      />
      <template v-if="!here">
        <fieldset class="ways">
          <legend class="visually-hidden">What the code is for</legend>
          <label><input v-model="forgot" type="radio" :value="false" /> I am new here</label>
          <label><input v-model="forgot" type="radio" :value="true" /> I forgot my password</label>
        </fieldset>
        <label class="form-label" for="c-login">{{
          forgot ? 'Name you sign in with' : 'Name to sign in with'
        }}</label>
        <BFormInput id="c-login" v-model="typed.login" autocomplete="username" required />
        <label class="form-label mt-2" for="c-password">New password</label>
        <BFormInput
          id="c-password"
          v-model="typed.password"
          type="password"
          autocomplete="new-password"
          aria-describedby="c-how"
          required
        />
        <p id="c-how" class="soft">Ten letters at least; three or four words are good.</p>
      </template>
      <ProblemNote v-if="error" :error="error" />
      <BButton type="submit" variant="primary" class="mt-3 w-100" :disabled="busy">Come in</BButton>
    </form>
    <p class="mt-3"><RouterLink to="/">Back</RouterLink></p>
  </main>
</template>

<style scoped>
.come-in {
  max-width: 400px;
  margin: 6vh auto;
  padding: 0 1.25rem;
}

.signs {
  font-family: var(--figure);
  font-size: 1.5rem;
  letter-spacing: 0.08em;
  text-transform: uppercase;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1.5rem;
  margin: 0.75rem 0;
}

.ways label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  min-height: 48px;
}
</style>
