<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { fetchAhead, fetchedAhead } from '@/ahead'
import { ago } from '@/shared/ages'
import { back, look } from '@/shared/answers'
import { Refusal } from '@/shared/api/client'
import HeardNote from '@/shared/HeardNote.vue'
import { shortcutsOn } from '@/shared/keys'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { newer } from '@/shared/version'
import OwnUnits from '@/shared/OwnUnits.vue'
import PageOut from '@/shared/PageOut.vue'
import ShortcutList from '@/shared/ShortcutList.vue'
import AlarmNote from '../alarm/AlarmNote.vue'
import { upkeepQuery } from '../upkeep/queries'
import { dueOf } from '../upkeep/sentences'
import SignInAgain from './SignInAgain.vue'
import TriesNote from './TriesNote.vue'
import UndoButtons from '../change/UndoButtons.vue'
import WaitingNote from '@/shared/WaitingNote.vue'

const session = useSession()
const route = useRoute()
const router = useRouter()
const holding = computed(() => String(route.params.holding))
const known = computed(() => session.holdings.find((h) => h.id === holding.value))
const shortcuts = ref(false)
const units = ref(false)
/** Another store, house, run or trial is another page; what is asked of one is not. */
const page = computed(() => {
  const { store, house, run, trial } = route.params
  return JSON.stringify([holding.value, route.name, store, house, run, trial])
})
const { data: upkeep } = useQuery(
  computed(() => ({
    ...upkeepQuery(holding.value),
    enabled: !!known.value,
    meta: { aside: true },
  })),
)
const due = computed(() => dueOf(upkeep.value?.tasks ?? []).length)
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
  if (!shortcutsOn.value) return
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
/** What a page cannot do without (all but what is marked as aside) and has not got, for no fault of who asks: nothing untrue is shown. */
const client = useQueryClient()
const missing = ref<unknown>(null)
function lookForMissing() {
  const without = client
    .getQueryCache()
    .findAll({ type: 'active' })
    .filter((q) => !q.meta?.aside && q.state.data === undefined && q.state.status === 'error')
  missing.value =
    without
      .map((q) => q.state.error)
      .find((e) => e instanceof Refusal && (e.status === 0 || e.status >= 500)) ?? null
}
const stopLooking = client.getQueryCache().subscribe(lookForMissing)
async function again() {
  await look()
  await client.refetchQueries({ type: 'active' })
}

const AHEAD_MS = 4000 // after what is looked at
let soon = 0
function ahead() {
  window.clearTimeout(soon)
  if (document.hidden || !known.value) return
  soon = window.setTimeout(() => void fetchAhead(client, holding.value).catch(() => null), AHEAD_MS)
}
watch([holding, back], ahead)

/** The keys and a reader's voice go on where the new page begins. */
watch(
  () => route.name,
  async () => {
    await nextTick()
    document.getElementById('main')?.focus({ preventScroll: true })
  },
)

onMounted(() => {
  ahead()
  window.addEventListener('keydown', key)
  document.addEventListener('visibilitychange', ahead)
})
onBeforeUnmount(() => {
  stopLooking()
  window.clearTimeout(soon)
  window.removeEventListener('keydown', key)
  document.removeEventListener('visibilitychange', ahead)
})
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
      <RouterLink
        :to="{ name: 'upkeep', params: { holding } }"
        :class="{ due }"
        :data-due="due || null"
        >Upkeep</RouterLink
      >
      <RouterLink class="wide" :to="{ name: 'next', params: { holding } }">What next</RouterLink>
      <RouterLink class="wide" :to="{ name: 'sizing', params: { holding } }">Sizing</RouterLink>
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
  <AlarmNote v-if="known" :holding="holding" />
  <HeardNote />
  <WaitingNote />
  <TriesNote :holding="holding" />
  <aside v-if="newer" class="told no-print" aria-label="A newer version">
    <p role="status">
      A newer version of this page has come. <button type="button" @click="newer()">Load it</button>
    </p>
  </aside>
  <main v-if="known" id="main" class="page" tabindex="-1">
    <template v-if="missing">
      <h1>This page cannot be shown now</h1>
      <ProblemNote :error="missing" />
      <p><button type="button" class="btn btn-secondary" @click="again">Try again</button></p>
    </template>
    <div v-show="!missing"><RouterView :key="page" /></div>
    <PageOut />
    <p v-if="route.name !== 'words' && route.name !== 'round'" class="words no-print">
      <RouterLink :to="{ name: 'words', params: { holding } }">What the words mean</RouterLink>
      <span v-if="fetchedAhead" class="soft">
        · opens without signal, as of {{ ago(Date.now() - fetchedAhead) }}</span
      >
    </p>
  </main>
  <main v-else id="main" class="page" tabindex="-1">
    <h1>There is no such holding here.</h1>
    <p><RouterLink to="/">To your own</RouterLink></p>
  </main>
  <ShortcutList v-model="shortcuts" />
  <OwnUnits v-model="units" />
  <SignInAgain />
</template>

<style scoped>
.words {
  margin: 1rem 0 0;
}

main:focus {
  outline: none;
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

/* how many tasks are due: nothing is moved by it */
nav a.due {
  position: relative;
}

nav a.due::after {
  content: attr(data-due) / ', ' attr(data-due) ' due';
  position: absolute;
  top: 0.1rem;
  right: -0.1rem;
  font-size: 12px;
  line-height: 1.2;
  font-weight: 700;
  color: var(--close);
  border-bottom: 3px double var(--close);
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

@media (max-width: 1400px) {
  .top {
    column-gap: 1rem;
  }

  nav {
    gap: 0;
  }
}

@media (max-width: 600px) {
  .top {
    padding: 0.25rem 0.75rem;
    gap: 0;
  }

  .name {
    flex: 1;
    min-width: 0;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
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
    display: flex;
    align-items: center;
  }
}
</style>
