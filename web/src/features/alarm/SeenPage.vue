<script setup lang="ts">
/** Opened from a message: whoever opens it has seen the alarm. */
import { onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, body, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { headline, remedy } from './sentences'

const session = useSession()
const code = String(useRoute().params.code)
const alarm = ref<Views['AlarmView'] | null>(null)
const error = ref<unknown>(null)
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone

onMounted(async () => {
  try {
    alarm.value = await body(api.POST('/api/alarms/seen', { body: { code } }))
  } catch (e) {
    error.value = e
  }
})
</script>

<template>
  <main id="main" class="page">
    <h1>{{ alarm ? 'Seen: nobody is told again' : error ? 'Not found' : 'One moment …' }}</h1>
    <template v-if="alarm">
      <p>
        <b>{{ headline(alarm, session.units, zone) }}.</b> {{ remedy(alarm, zone) }}
      </p>
      <p v-if="alarm.over">It is over by now.</p>
    </template>
    <ProblemNote v-if="error" :error="error" />
    <p><RouterLink class="btn btn-secondary" to="/">To Night Bank</RouterLink></p>
  </main>
</template>
