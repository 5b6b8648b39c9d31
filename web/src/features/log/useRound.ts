import { at } from '@/shared/at'
import { computed, reactive, ref } from 'vue'
import type { Views } from '@/shared/api/client'
import { add, drop, keep, kept } from '@/shared/outbox'
import { newId } from '../store/designs'

type Outcome = Views['RoundDraft']['entries'][number]['outcome']

interface State {
  id: string
  startedAt: string
  at: number
  /** By probe; id and moment as they were first answered, so that a second answer corrects it. */
  done: Record<string, { outcome: Outcome; typed: string; id?: string; at?: string }>
  ended: boolean
  /** When it was read, where that was earlier than it is typed. */
  past?: string | null
}

/**
 * One walk: every answer is kept in the browser together with where the walk stands, both or neither, so
 * that a killed tab or a lost signal loses nothing; opened again it goes on where it was.
 */
export function useRound(holding: string, fahrenheit: () => boolean, now: () => Date) {
  const key = `round:${holding}`
  const path = (id: string) => at(`/api/holdings/${holding}/rounds/${id}`)
  const state = reactive<State>({ id: '', startedAt: '', at: 0, done: {}, ended: false })
  const ready = ref(false)

  async function begin() {
    const before = await kept<State>(key)
    if (before && !before.ended) Object.assign(state, before)
    else
      Object.assign(state, {
        id: newId(),
        startedAt: now().toISOString(),
        at: 0,
        done: {},
        ended: false,
        past: null,
      })
    ready.value = true
  }

  async function enqueue(draft: object, what: string) {
    await add(
      {
        method: 'PUT',
        path: path(state.id),
        kind: 'json',
        body: JSON.stringify({
          startedAt: state.startedAt,
          endedAt: null,
          fahrenheit: fahrenheit(),
          note: '',
          entries: [],
          ...draft,
        }),
        what,
      },
      { key, value: state },
    )
  }

  async function answer(
    probeId: string,
    outcome: Outcome,
    typed: string,
    note: string,
    what: string,
  ) {
    const before = state.done[probeId]
    const id = before?.id ?? newId()
    const at = before?.at ?? state.past ?? now().toISOString()
    state.done[probeId] = { outcome, typed, id, at }
    state.at++
    const entry = { id, probeId, at, outcome, typed, note }
    await enqueue({ entries: [entry] }, what)
  }

  /** The readings that follow were taken then; the round began no later. */
  async function earlier(at: string | null) {
    state.past = at
    if (at && at < state.startedAt) state.startedAt = at
    await keep(key, state)
  }

  async function photo(blob: Blob) {
    await add({
      method: 'PUT',
      path: at(
        `/api/holdings/${holding}/photos/${newId()}?round=${state.id}&taken=${now().toISOString()}`,
      ),
      kind: 'bytes',
      body: blob,
      what: 'A photo',
    })
  }

  async function end(note: string) {
    state.ended = true
    if (count.value > 0)
      await enqueue({ endedAt: now().toISOString(), note }, 'The end of the round')
    await drop(key)
  }

  async function back() {
    if (state.at > 0) state.at--
    await keep(key, state)
  }

  const count = computed(() => Object.keys(state.done).length)
  return { state, ready, begin, answer, earlier, photo, end, back, count }
}

const WIDEST = 1280

/** A photo no wider than it needs to be, as JPEG. */
export async function scaledDown(file: File): Promise<Blob> {
  const picture = await createImageBitmap(file)
  const scale = Math.min(1, WIDEST / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(picture.width * scale)
  canvas.height = Math.round(picture.height * scale)
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
  return new Promise((done, fail) =>
    canvas.toBlob((b) => (b ? done(b) : fail(new Error('no picture'))), 'image/jpeg', 0.8),
  )
}
