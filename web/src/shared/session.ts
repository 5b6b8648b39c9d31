import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { api, body, type Views } from './api/client'
import { flush, sender } from './outbox'
import { mine, SI, type Units } from './units'

type Theme = 'day' | 'night' | 'night-eyes'

/** Who is here, in which holding, with which units and light. */
export const useSession = defineStore('session', () => {
  const me = ref<Views['MeView'] | null>(null)
  const theme = ref<Theme>((localStorage.getItem('theme') as Theme) || 'day')
  const units = computed<Units>(() => me.value?.person?.units ?? SI)
  watch(units, (own) => Object.assign(mine, own), { flush: 'sync' })
  watch(
    () => me.value?.person,
    (person) => {
      sender.value = person ? { id: person.id, name: person.name } : null
      if (person) void flush()
    },
    { flush: 'sync' },
  )
  const holdings = computed(() => me.value?.holdings ?? [])

  async function load(): Promise<Views['MeView']> {
    me.value = await body(api.GET('/api/me'))
    return me.value
  }

  async function signIn(login: string, password: string): Promise<void> {
    me.value = await body(api.POST('/api/session', { body: { login, password } }))
  }

  async function signOut(): Promise<void> {
    await body(api.DELETE('/api/session'))
    navigator.serviceWorker?.controller?.postMessage('forget')
    me.value = null
    await load()
  }

  async function setUnits(changed: Partial<Units>): Promise<void> {
    me.value = await body(api.PUT('/api/me/units', { body: { ...units.value, ...changed } }))
  }

  function setTheme(next: Theme): void {
    theme.value = next
    localStorage.setItem('theme', next)
    document.documentElement.dataset.theme = next
  }

  /** Role of the person in a holding; guests read, helpers log, keepers change. */
  function role(holdingId: string): string {
    return holdings.value.find((h) => h.id === holdingId)?.role ?? 'GUEST'
  }

  function zone(holdingId: string): string {
    return holdings.value.find((h) => h.id === holdingId)?.zone ?? 'UTC'
  }

  function south(holdingId: string): boolean {
    return holdings.value.find((h) => h.id === holdingId)?.south ?? false
  }

  return {
    me,
    theme,
    units,
    holdings,
    load,
    signIn,
    signOut,
    setUnits,
    setTheme,
    role,
    zone,
    south,
  }
})
