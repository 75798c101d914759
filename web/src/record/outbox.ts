import type { AnyDraft } from '@tadka/core/record'
import type { RefusalWire } from '@tadka/core/refusal'
import type { Table } from 'dexie'

/** A draft on this tablet that the server has not taken yet, or has refused. */
export interface Kept {
  readonly id: string
  readonly order: number
  readonly draft: AnyDraft
  readonly refusal: RefusalWire | null
}

let table: Promise<Table<Kept, string> | null> | null = null

/** The tablet's own store, opened once; null where the browser has none (then drafts live only in memory). */
function kept(): Promise<Table<Kept, string> | null> {
  table ??= import('dexie')
    .then(async ({ Dexie }) => {
      const db = new Dexie('tadka')
      db.version(1).stores({ outbox: 'id, order' })
      await db.open()
      return db.table<Kept, string>('outbox')
    })
    .catch(() => null)
  return table
}

export const allKept = async (): Promise<Kept[]> => (await (await kept())?.orderBy('order').toArray()) ?? []
export const keep = async (one: Kept): Promise<void> => void (await (await kept())?.put(one))
export const forget = async (ids: readonly string[]): Promise<void> =>
  void (await (await kept())?.bulkDelete([...ids]))
