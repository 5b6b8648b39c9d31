import { at } from '@/shared/at'
import { add } from '@/shared/outbox'
import { newId } from '../store/designs'
import type { Task } from './sentences'

/** Notes a task as done; without signal it waits and goes out once. */
export const noteDone = (holding: string, t: Task, now: Date) =>
  add({
    method: 'PUT',
    path: at(`/api/holdings/${holding}/upkeep/${t.id}/done/${newId()}`),
    kind: 'json',
    body: JSON.stringify({ at: now.toISOString() }),
    what: `${t.task.what}, done`,
  })
