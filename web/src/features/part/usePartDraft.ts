import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref, watch } from 'vue'
import { api, body, whole } from '@/shared/api/client'
import { useKeeping } from '@/shared/useKeeping'
import type { Part } from './parts'

const SETTLE_MS = 500
const clone = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** A part being changed: kept as it changes; a refused change stays with its reason. */
export function usePartDraft(holdingId: string, loaded: () => Part) {
  const client = useQueryClient()
  const draft = reactive(clone(pick(loaded())))
  let version = loaded().version
  const keeping = useKeeping(() => JSON.stringify(draft), save, SETTLE_MS)
  keeping.take(JSON.stringify(draft))

  watch(loaded, (l) => {
    if (keeping.state.value === 'kept' && l.version > version) {
      version = l.version
      Object.assign(draft, clone(pick(l)))
      keeping.take(JSON.stringify(draft))
    }
  })

  async function save(text: string) {
    const id = loaded().id
    const answer = await whole(
      api.PUT('/api/holdings/{holdingId}/parts/{partId}', {
        params: {
          path: { holdingId, partId: id },
          header: { 'If-Match': `"${version}"` },
        },
        body: { id, ...JSON.parse(text) },
      }),
    )
    version = answer.data.version
    void touched(client, holdingId)
  }

  watch(
    () => JSON.stringify(draft),
    () => keeping.changed(),
  )
  return { draft, ...keeping }
}

const pick = ({ name, houseId, design }: Part) => ({ name, houseId, design })

/** What rests on parts is asked anew. */
async function touched(client: ReturnType<typeof useQueryClient>, holdingId: string) {
  await client.invalidateQueries({ queryKey: ['holding', holdingId, 'parts'] })
  void client.invalidateQueries({ queryKey: ['holding', holdingId, 'store'] })
  void client.invalidateQueries({ queryKey: ['holding', holdingId, 'stores'] })
}

/** Adding, taking away and putting back. */
export function usePartList(holdingId: string) {
  const client = useQueryClient()
  const error = ref<unknown>(null)
  const removed = ref<Part | null>(null)

  async function add(part: Omit<Part, 'version'>) {
    try {
      await body(
        api.POST('/api/holdings/{holdingId}/parts', {
          params: { path: { holdingId } },
          body: part,
        }),
      )
      error.value = null
      removed.value = null
    } catch (e) {
      error.value = e
    }
    await touched(client, holdingId)
  }

  async function remove(part: Part) {
    try {
      await body(
        api.DELETE('/api/holdings/{holdingId}/parts/{partId}', {
          params: { path: { holdingId, partId: part.id } },
        }),
      )
      removed.value = part
    } catch (e) {
      error.value = e
    }
    await touched(client, holdingId)
  }

  async function change(part: Part) {
    try {
      await whole(
        api.PUT('/api/holdings/{holdingId}/parts/{partId}', {
          params: {
            path: { holdingId, partId: part.id },
            header: { 'If-Match': `"${part.version}"` },
          },
          body: { id: part.id, name: part.name, houseId: part.houseId, design: part.design },
        }),
      )
      error.value = null
    } catch (e) {
      error.value = e
    }
    await touched(client, holdingId)
  }

  const putBack = () => removed.value && add(removed.value)
  return { error, removed, add, change, remove, putBack }
}
