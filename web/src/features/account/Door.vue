<script setup lang="ts">
import { useRouter } from 'vue-router'
import { useSession } from '@/shared/session'

const router = useRouter()
const first = useSession().holdings[0]
router.replace(first ? `/h/${first.id}/tonight` : '/sign-in')
</script>

<template><main id="main"></main></template>
