<script setup lang="ts">
/** Name and password. */
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'

const props = defineProps<{ name?: string; act: string }>()
const emit = defineEmits<{ entered: [] }>()
const session = useSession()
const login = ref(props.name ?? '')
const password = ref('')
const error = ref<unknown>(null)
const busy = ref(false)

async function enter() {
  busy.value = true
  error.value = null
  try {
    await session.signIn(login.value, password.value)
    emit('entered')
  } catch (e) {
    error.value = e
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form @submit.prevent="enter">
    <label class="form-label" for="login">Name</label>
    <BFormInput
      id="login"
      v-model="login"
      autocomplete="username"
      required
      :autofocus="props.name == null"
    />
    <label class="form-label mt-2" for="password">Password</label>
    <BFormInput
      id="password"
      v-model="password"
      type="password"
      autocomplete="current-password"
      required
    />
    <ProblemNote v-if="error" :error="error" />
    <BButton type="submit" variant="primary" class="mt-3 w-100" :disabled="busy">{{ act }}</BButton>
  </form>
</template>
