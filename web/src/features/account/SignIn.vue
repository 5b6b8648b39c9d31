<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/shared/session'
import SignInForm from './SignInForm.vue'

const session = useSession()
const router = useRouter()
const route = useRoute()
const enter = () => router.replace(typeof route.query.next === 'string' ? route.query.next : '/')
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
    <SignInForm act="Sign in" @entered="enter" />
    <p class="mt-3"><RouterLink to="/come-in">I have a code from a keeper</RouterLink></p>
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
