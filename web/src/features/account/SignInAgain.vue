<script setup lang="ts">
/** A sign-in that has run out: the password again, here, so that nothing typed on the page is lost. */
import { BModal } from 'bootstrap-vue-next'
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { back, signedOut } from '@/shared/answers'
import { useSession } from '@/shared/session'
import SignInForm from './SignInForm.vue'

const session = useSession()
const router = useRouter()
const before = ref(session.me?.person)
watch(signedOut, () => (before.value = session.me?.person))

async function entered() {
  if (before.value && before.value.id !== session.me?.person?.id) await router.replace('/')
  else back.value++
}
</script>

<template>
  <BModal v-model="signedOut" title="Your sign-in has ended" no-footer lazy>
    <p>Sign in again and go on where you are; what you typed is still here.</p>
    <SignInForm :name="before?.login ?? ''" act="Sign in again" @entered="entered" />
  </BModal>
</template>
