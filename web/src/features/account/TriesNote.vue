<script setup lang="ts">
import { computed } from 'vue'
import { api, body } from '@/shared/api/client'
import { clock, day } from '@/shared/units'
import { useSession } from '@/shared/session'

/** Somebody tried this person's name with wrong passwords. */
const props = defineProps<{ holding: string }>()
const session = useSession()
const tries = computed(() => session.me?.person?.tries)
const last = computed(() => {
  const at = Date.parse(tries.value?.last ?? '') / 1000
  const zone = session.zone(props.holding)
  return `${day(at, zone)} ${clock(at, zone)}`
})

async function read() {
  session.me = await body(api.DELETE('/api/me/tries'))
}
</script>

<template>
  <aside v-if="tries" class="told no-print" aria-label="Tries to sign in">
    <p role="status">
      {{ tries.number === 1 ? 'One try' : `${tries.number} tries` }} to sign in as you failed, the
      last {{ last }}. If it was not you,
      <RouterLink :to="{ name: 'people', params: { holding } }">choose a new password</RouterLink>.
      <button type="button" @click="read">It was me</button>
    </p>
  </aside>
</template>
