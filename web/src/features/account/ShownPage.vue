<script setup lang="ts">
/** Opened by a link that somebody shared: reads there as a guest. */
import { BButton } from 'bootstrap-vue-next'
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'

const session = useSession()
const router = useRouter()
const code = String(useRoute().params.code)
const error = ref<unknown>(null)
const somebody = ref('')

async function open() {
  error.value = null
  try {
    const { holdingId, view } = await session.comeByLink(code)
    await router.replace(`/h/${holdingId}/${view}`)
  } catch (e) {
    error.value = e
  }
}

onMounted(async () => {
  somebody.value = session.me?.person?.name ?? ''
  if (!somebody.value) await open()
})
</script>

<template>
  <main id="main" class="page">
    <h1>{{ error ? 'This link opens nothing' : 'Somebody shows you their place' }}</h1>
    <ProblemNote v-if="error" :error="error" />
    <template v-else-if="somebody">
      <p>You are signed in as {{ somebody }}. Opening the link signs you out here.</p>
      <BButton variant="primary" @click="open">Open it as a guest</BButton>
    </template>
    <p v-else>One moment …</p>
    <p class="mt-3"><RouterLink to="/">To Night Bank</RouterLink></p>
  </main>
</template>
