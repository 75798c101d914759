import type { AnyDraft, FoldKey } from '@tadka/core/stream'
import type { RefusalWire } from '@tadka/core/refusal'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

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

/** The rows of one kind, each under its key. */
export interface Rows<T> {
  readonly all: () => Promise<T[]>
  /** All of them, or none. */
  readonly put: (rows: readonly T[]) => Promise<void>
  readonly remove: (keys: readonly string[]) => Promise<void>
  /** Changes those of these that are still there. */
  readonly change: (changes: ReadonlyMap<string, Partial<T>>) => Promise<void>
}

export interface TabletStore {
  readonly outbox: Rows<Kept>
  readonly photos: Rows<KeptPhoto>
  readonly states: () => Promise<{ readonly upTo: KeptUpTo | undefined; readonly rows: KeptState[] }>
  /** Keeps these states and how far they go, all of it or nothing. @param anew whether those kept before are forgotten. */
  readonly keepStates: (rows: readonly KeptState[], upTo: KeptUpTo, anew: boolean) => Promise<void>
}

type Db = IDBPDatabase<Schema>
interface Schema extends DBSchema {
  outbox: { key: string; value: Kept }
  photos: { key: string; value: KeptPhoto }
  states: { key: string; value: KeptState }
  upTo: { key: string; value: KeptUpTo }
}
const keyPaths = { outbox: 'id', photos: 'sha256', states: 'name', upTo: 'key' } as const
/** Tablets have a store of version 30 from before. */
const version = 40

function rowsOf<Name extends 'outbox' | 'photos'>(db: Db, name: Name): Rows<Schema[Name]['value']> {
  return {
    all: () => db.getAll(name),
    put: async (rows) => {
      const tx = db.transaction(name, 'readwrite')
      await Promise.all([...rows.map((row) => tx.store.put(row)), tx.done])
    },
    remove: async (keys) => {
      const tx = db.transaction(name, 'readwrite')
      await Promise.all([...keys.map((key) => tx.store.delete(key)), tx.done])
    },
    change: async (changes) => {
      const tx = db.transaction(name, 'readwrite')
      const one = async (key: string, changed: Partial<Schema[Name]['value']>) => {
        const row = await tx.store.get(key)
        if (row) await tx.store.put({ ...row, ...changed })
      }
      await Promise.all([...[...changes].map(([key, changed]) => one(key, changed)), tx.done])
    },
  }
}

async function opened(): Promise<TabletStore> {
  const db = await openDB<Schema>('tadka', version, {
    upgrade(made) {
      for (const [name, keyPath] of Object.entries(keyPaths))
        if (!made.objectStoreNames.contains(name as keyof typeof keyPaths))
          made.createObjectStore(name as keyof typeof keyPaths, { keyPath })
    },
    // Another tab has a newer version of the application: it is not kept waiting.
    blocking: () => db.close(),
  })
  return {
    outbox: rowsOf(db, 'outbox'),
    photos: rowsOf(db, 'photos'),
    states: async () => {
      const tx = db.transaction(['states', 'upTo'])
      const [upTo, rows] = await Promise.all([
        tx.objectStore('upTo').get('states'),
        tx.objectStore('states').getAll(),
      ])
      return { upTo, rows }
    },
    keepStates: async (rows, upTo, anew) => {
      const tx = db.transaction(['states', 'upTo'], 'readwrite')
      const states = tx.objectStore('states')
      const writing: Promise<unknown>[] = anew ? [states.clear()] : []
      writing.push(...rows.map((row) => states.put(row)), tx.objectStore('upTo').put(upTo), tx.done)
      await Promise.all(writing)
    },
  }
}

let store: Promise<TabletStore | null> | null = null

/** The tablet's own store, opened once; null where the browser has none (then drafts live only in memory). */
export function tabletStore(): Promise<TabletStore | null> {
  store ??= opened().catch(() => null)
  return store
}
