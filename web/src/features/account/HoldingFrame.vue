<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/shared/session'
import OwnUnits from '@/shared/OwnUnits.vue'
import PageOut from '@/shared/PageOut.vue'
import ShortcutList from '@/shared/ShortcutList.vue'
import UndoButtons from '../change/UndoButtons.vue'
import WaitingNote from '@/shared/WaitingNote.vue'

const session = useSession()
const route = useRoute()
const router = useRouter()
const holding = computed(() => String(route.params.holding))
const known = computed(() => session.holdings.find((h) => h.id === holding.value))
const shortcuts = ref(false)
const units = ref(false)
const recordOpen = computed(() => route.path.includes('/record/'))

const themes = [
  { id: 'day', word: 'Day' },
  { id: 'night', word: 'Night' },
  { id: 'night-eyes', word: 'Night eyes' },
] as const

function nextTheme() {
  const at = themes.findIndex((t) => t.id === session.theme)
  session.setTheme(themes[(at + 1) % themes.length].id)
}

async function leave() {
  await session.signOut()
  await router.replace('/sign-in')
}

function key(e: KeyboardEvent) {
  const target = e.target as HTMLElement
  if (/INPUT|SELECT|TEXTAREA/.test(target.tagName) || e.ctrlKey || e.metaKey || e.altKey) return
  if (e.key === '?') shortcuts.value = true
  if (e.key === 'u') units.value = true
  if (e.key === 't') router.push({ name: 'tonight', params: { holding: holding.value } })
  if (e.key === 'o') router.push({ name: 'log', params: { holding: holding.value } })
  if (e.key === 'r') router.push({ name: 'round', params: { holding: holding.value } })
  if (e.key === 's') router.push({ name: 'stores', params: { holding: holding.value } })
  if (e.key === 'z') router.push({ name: 'sizing', params: { holding: holding.value } })
  if (e.key === 'w') router.push({ name: 'pairs', params: { holding: holding.value } })
  if (e.key === 'n') router.push({ name: 'nights', params: { holding: holding.value } })
  if (e.key === 'l') nextTheme()
}
onMounted(() => window.addEventListener('keydown', key))
onBeforeUnmount(() => window.removeEventListener('keydown', key))
</script>

<template>
  <header class="top">
    <RouterLink class="name" :to="{ name: 'tonight', params: { holding } }">
      <svg viewBox="0 0 32 32" width="26" height="26" aria-hidden="true">
        <path d="M3 20 Q16 5 29 20" fill="none" stroke="var(--frost)" stroke-width="2.4" />
        <path d="M6 27h20v-4H6z" fill="var(--ember)" />
      </svg>
      {{ known?.name ?? 'Night Bank' }}
    </RouterLink>
    <nav aria-label="Main">
      <RouterLink :to="{ name: 'tonight', params: { holding } }">Tonight</RouterLink>
      <RouterLink :to="{ name: 'log', params: { holding } }">Log</RouterLink>
      <RouterLink :to="{ name: 'stores', params: { holding } }">Stores</RouterLink>
      <RouterLink :to="{ name: 'sizing', params: { holding } }">Sizing</RouterLink>
      <RouterLink class="wide" :to="{ name: 'pairs', params: { holding } }">Two ways</RouterLink>
      <RouterLink
        :to="{ name: 'nights', params: { holding } }"
        :class="{ 'router-link-active': recordOpen }"
        >Record</RouterLink
      >
      <RouterLink :to="{ name: 'people', params: { holding } }">Place</RouterLink>
    </nav>
    <UndoButtons v-if="known && known.role !== 'GUEST'" class="undo" :holding="holding" />
    <div class="tools">
      <button type="button" @click="nextTheme">
        <span class="spelled">Light: </span>{{ themes.find((t) => t.id === session.theme)?.word }}
      </button>
      <button type="button" @click="units = true">Units</button>
      <button type="button" @click="leave">Sign out</button>
    </div>
  </header>
  <WaitingNote />
  <main v-if="known" id="main" class="page">
    <RouterView :key="holding" />
    <PageOut />
    <p v-if="route.name !== 'words' && route.name !== 'round'" class="words no-print">
      <RouterLink :to="{ name: 'words', params: { holding } }">What the words mean</RouterLink>
    </p>
  </main>
  <main v-else id="main" class="page">
    <h1>There is no such holding here.</h1>
    <p><RouterLink to="/">To your own</RouterLink></p>
  </main>
  <ShortcutList v-model="shortcuts" />
  <OwnUnits v-model="units" />
</template>

<style scoped>
.words {
  margin: 1rem 0 0;
}

.top {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1.5rem;
  align-items: center;
  padding: 0.5rem 1.25rem;
  border-bottom: 3px double var(--line);
}

.name {
  font-family: var(--figure);
  font-weight: 600;
  color: var(--ink);
  text-decoration: none;
  display: flex;
  gap: 0.5rem;
  align-items: center;
}

nav {
  display: flex;
  gap: 0.25rem;
}

nav a {
  white-space: nowrap;
  color: var(--ink);
  text-decoration: none;
  padding: 0.5rem 0.7rem;
  border-bottom: 3px solid transparent;
}

nav a.router-link-active {
  border-bottom-color: var(--ember);
}

.undo {
  margin-left: auto;
}

.undo + .tools {
  margin-left: 0;
}

.tools {
  margin-left: auto;
  display: flex;
  gap: 0.25rem;
}

.tools button {
  background: none;
  border: 0;
  color: var(--ink-soft);
  padding: 0.5rem 0.6rem;
  min-height: 40px;
}

.tools button:hover {
  color: var(--ink);
  text-decoration: underline;
}

@media (max-width: 600px) {
  .top {
    padding: 0.25rem 0.75rem;
    gap: 0;
  }

  .name {
    flex: 1;
  }

  nav a.wide {
    display: none;
  }

  nav {
    order: 3;
    width: 100%;
    gap: 0;
    justify-content: space-between;
  }

  nav a {
    padding: 0.5rem 0.4rem;
  }

  .tools {
    gap: 0;
  }

  .tools button {
    padding: 0.5rem;
  }

  .spelled {
    position: absolute;
    clip-path: inset(50%);
    width: 1px;
    overflow: hidden;
  }

  nav a,
  .tools button {
    min-height: 48px;
    display: flex;
    align-items: center;
  }
}
</style>
