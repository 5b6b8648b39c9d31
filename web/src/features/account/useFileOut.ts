import { at } from '@/shared/at'
import { onBeforeUnmount, ref } from 'vue'
import { api, body, type Views } from '@/shared/api/client'

const LOOK_MS = 300

/** A holding's file: written on the server while one looks on, then handed to the browser. */
export function useFileOut(holdingId: string) {
  const far = ref<Views['HandoutView'] | null>(null)
  const error = ref<unknown>(null)
  let timer = 0

  const path = (id: string) => ({ params: { path: { holdingId, id } } })

  async function look(id: string) {
    try {
      far.value = await body(api.GET('/api/holdings/{holdingId}/file/{id}', path(id)))
      if (['WAITING', 'RUNNING'].includes(far.value.state))
        timer = window.setTimeout(() => look(id), LOOK_MS)
      else if (far.value.state === 'DONE') fetchIt(id)
    } catch (e) {
      error.value = e
      far.value = null
    }
  }

  function fetchIt(id: string) {
    const link = document.createElement('a')
    link.href = at(`/api/holdings/${holdingId}/file/${id}/content`)
    link.download = 'holding.json'
    link.click()
  }

  async function start() {
    error.value = null
    try {
      far.value = await body(
        api.POST('/api/holdings/{holdingId}/file', { params: { path: { holdingId } } }),
      )
      await look(far.value.id)
    } catch (e) {
      error.value = e
    }
  }

  async function stop() {
    if (far.value)
      await api.DELETE('/api/holdings/{holdingId}/file/{id}', path(far.value.id)).catch(() => null)
  }

  onBeforeUnmount(() => window.clearTimeout(timer))
  return { far, error, start, stop }
}
