<script setup lang="ts">
import { BApp } from 'bootstrap-vue-next'
import { useSession } from './shared/session'

const session = useSession()
session.setTheme(session.theme)
</script>

<template>
  <BApp>
    <a class="skip" href="#main">To the page itself</a>
    <RouterView />
  </BApp>
</template>
