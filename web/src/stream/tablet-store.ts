import type { AnyDraft, FoldKey } from '@tadka/core/stream'
import type { RefusalWire } from '@tadka/core/refusal'
import type { Table } from 'dexie'

export interface Provenance {
  readonly pass: string | null
  readonly offset: number | null
}

/** A draft on this tablet that the server has not taken yet, has refused, or has taken beyond what the kept states hold. */
export interface Kept {
  readonly id: string
  readonly order: number
  readonly draft: AnyDraft
  /** What goes with it: by whose sign-in it was made, and what was known of the server's clock then (ms). */
  readonly provenance?: Provenance
  readonly refusal: RefusalWire | null
  /** Where in the chain it lies; null until the server has taken it. */
  readonly at: number | null
  /** When the server took it, ms by its clock. */
  readonly takenAt?: number
}

/** A photo that was taken on this tablet. */
export interface KeptPhoto {
  readonly sha256: string
  readonly site: string
  readonly blob: Blob
  /** When the server took it, ms by this tablet's clock; none, or null, where it lacks it. */
  readonly takenAt?: number | null
}

/** A state as this tablet last knew it, by its kind and id. */
export interface KeptState {
  readonly name: string
  readonly state: unknown
  readonly last: FoldKey | null
}

/** How far the kept states go: which site's they are, and up to which record. */
export interface KeptUpTo {
  readonly key: 'states'
  readonly site: string
  readonly seq: number
}

export interface TabletStore {
  readonly outbox: Table<Kept, string>
  readonly photos: Table<KeptPhoto, string>
  readonly states: Table<KeptState, string>
  readonly upTo: Table<KeptUpTo, string>
  /** All of it, or nothing. */
  readonly atOnce: (work: () => Promise<unknown>) => Promise<unknown>
}

let store: Promise<TabletStore | null> | null = null

/** The tablet's own store, opened once; null where the browser has none (then drafts live only in memory). */
export function tabletStore(): Promise<TabletStore | null> {
  store ??= import('dexie')
    .then(async ({ Dexie }) => {
      const db = new Dexie('tadka')
      db.version(1).stores({ outbox: 'id, order' })
      db.version(2).stores({ outbox: 'id, order', photos: 'sha256' })
      db.version(3).stores({ outbox: 'id, order', photos: 'sha256', states: 'name', upTo: 'key' })
      await db.open()
      const states = db.table<KeptState, string>('states')
      const upTo = db.table<KeptUpTo, string>('upTo')
      return {
        outbox: db.table<Kept, string>('outbox'),
        photos: db.table<KeptPhoto, string>('photos'),
        states,
        upTo,
        atOnce: (work: () => Promise<unknown>) => db.transaction('rw', states, upTo, work),
      }
    })
    .catch(() => null)
  return store
}
