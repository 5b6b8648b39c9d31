import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { api, body, type Views } from './api/client'
import { forgetAnswers, signedOut } from './answers'
import { drop, flush, keep, kept, sender } from './outbox'
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

  /** What was heard for one person is not shown to another. */
  async function knownTo(next: Views['MeView']): Promise<Views['MeView']> {
    const id = next.person?.id
    if (id && (await kept('answers-of').catch(() => id)) !== id) {
      await forgetAnswers().catch(() => null)
      await keep('answers-of', id).catch(() => null)
      void api.GET('/api/me').catch(() => null) // to be known too
    }
    return (me.value = next)
  }

  async function load(): Promise<Views['MeView']> {
    return knownTo(await body(api.GET('/api/me')))
  }

  async function signIn(login: string, password: string): Promise<void> {
    await knownTo(await body(api.POST('/api/session', { body: { login, password } })))
    signedOut.value = false
  }

  /** Comes in as a guest by a link that was shared; tells where it leads. */
  async function comeByLink(code: string): Promise<{ holdingId: string; view: string }> {
    const came = await body(api.POST('/api/session/link', { body: { code } }))
    await knownTo(came.me)
    return came
  }

  async function signOut(everywhere = false): Promise<void> {
    await body(everywhere ? api.DELETE('/api/me/sessions') : api.DELETE('/api/session'))
    me.value = null
    await forgetAnswers()
    await drop('answers-of')
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

  /** What it is o'clock; a demo has a clock of its own. */
  function now(): Date {
    return new Date(me.value?.demo ? me.value.now : Date.now())
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
    comeByLink,
    signOut,
    setUnits,
    setTheme,
    now,
    role,
    zone,
    south,
  }
})
