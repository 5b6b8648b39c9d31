import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Waiting } from './outbox'

/** An answer of the server as it was last heard. */
export interface Known {
  /** Path and query. */
  url: string
  path: string
  body: string
  etag: string
  at: number
}

interface Schema extends DBSchema {
  outbox: { key: number; value: Waiting }
  kept: { key: string; value: unknown }
  answers: { key: string; value: Known; indexes: { path: string; at: number } }
}

let database: Promise<IDBPDatabase<Schema>> | null = null

/** The browser's own database: what waits to be sent, what is remembered, what was last heard. */
export const open = () =>
  (database ??= openDB<Schema>('night-bank', 2, {
    upgrade(db, before) {
      if (before < 1) {
        db.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true })
        db.createObjectStore('kept')
      }
      const answers = db.createObjectStore('answers', { keyPath: 'url' })
      answers.createIndex('path', 'path')
      answers.createIndex('at', 'at')
    },
  }))

const HEARD = 'heard:'

/** Under which something is kept that is forgotten with all that was heard. */
export const heardKey = (...of: string[]) => HEARD + of.join(':')

/** Forgets all that was heard: somebody else may be next. */
export async function forgetHeard() {
  const tx = (await open()).transaction(['answers', 'kept'], 'readwrite')
  void tx.objectStore('answers').clear()
  void tx.objectStore('kept').delete(IDBKeyRange.bound(HEARD, HEARD + '\uffff'))
  await tx.done
}
