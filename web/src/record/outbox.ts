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

/** A photo on this tablet that the server does not have yet. */
export interface KeptPhoto {
  readonly sha256: string
  readonly site: string
  readonly blob: Blob
}

interface Store {
  readonly outbox: Table<Kept, string>
  readonly photos: Table<KeptPhoto, string>
}

let store: Promise<Store | null> | null = null

/** The tablet's own store, opened once; null where the browser has none (then drafts live only in memory). */
function kept(): Promise<Store | null> {
  store ??= import('dexie')
    .then(async ({ Dexie }) => {
      const db = new Dexie('tadka')
      db.version(1).stores({ outbox: 'id, order' })
      db.version(2).stores({ outbox: 'id, order', photos: 'sha256' })
      await db.open()
      return { outbox: db.table<Kept, string>('outbox'), photos: db.table<KeptPhoto, string>('photos') }
    })
    .catch(() => null)
  return store
}

export const allKept = async (): Promise<Kept[]> =>
  (await (await kept())?.outbox.orderBy('order').toArray()) ?? []
/** What a screen watches cannot be kept as it is: it is kept as it will be sent. */
export const keep = async (one: Kept): Promise<void> =>
  void (await (await kept())?.outbox.put(JSON.parse(JSON.stringify(one)) as Kept))
export const forget = async (ids: readonly string[]): Promise<void> =>
  void (await (await kept())?.outbox.bulkDelete([...ids]))

export const photosKept = async (): Promise<KeptPhoto[]> => (await (await kept())?.photos.toArray()) ?? []
export const keepPhoto = async (one: KeptPhoto): Promise<void> => void (await (await kept())?.photos.put(one))
export const forgetPhoto = async (sha256: string): Promise<void> =>
  void (await (await kept())?.photos.delete(sha256))
