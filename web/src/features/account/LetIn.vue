<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { api, body, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import OneTimeCode from './OneTimeCode.vue'
import { roles, type Role } from './roles'

/** A code for somebody who is to come in; each chooses a password alone. */
const props = defineProps<{ holding: string }>()
const session = useSession()
const role = ref<Role>('HELPER')
const code = ref<Views['CodeView'] | null>(null)
const error = ref<unknown>(null)

async function invite() {
  error.value = null
  try {
    code.value = await body(
      api.POST('/api/holdings/{holdingId}/invitations', {
        params: { path: { holdingId: props.holding } },
        body: { role: role.value },
      }),
    )
  } catch (e) {
    error.value = e
  }
}
</script>

<template>
  <section class="mt-3" aria-labelledby="let-in-h">
    <h3 id="let-in-h">Let somebody in</h3>
    <div role="radiogroup" aria-labelledby="let-in-h" class="choices">
      <label v-for="r in roles" :key="r.value">
        <input v-model="role" type="radio" name="let-in" :value="r.value" @change="code = null" />
        {{ r.text }}
      </label>
    </div>
    <BButton variant="secondary" @click="invite">Make a code</BButton>
    <ProblemNote v-if="error" :error="error" />
    <OneTimeCode
      v-if="code"
      :code="code"
      :zone="session.zone(holding)"
      :what="`For a new ${role.toLowerCase()}, here or from another holding:`"
    />
  </section>
</template>

<style scoped>
.choices label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  min-height: 48px;
}
</style>
