import type { SubjectRef } from '@tadka/core/stream'
import type { AppendContext } from './append-queries.ts'
import type { StoredState } from './folding.ts'

/** How many states of a site are remembered. */
const most = 400

interface Remembered {
  seq: number
  hash: string
  readonly states: Map<string, StoredState>
}

const nameOf = (s: { kind: string; id: string }) => `${s.kind}/${s.id}`

/**
 * What this process last wrote for each site: the chain's head and the states folded then. It saves reading them again
 * for the next record. It is never trusted: a batch prepared from it goes in only where the head in the database is
 * still the one remembered, which proves that nobody else has written since; else all is read afresh.
 */
export class AppendMemory {
  readonly #sites = new Map<string, Remembered>()

  /** The context for a batch on these subjects, or null where something of it is not remembered. */
  recall(site: string, subjects: readonly SubjectRef[]): AppendContext | null {
    const known = this.#sites.get(site)
    if (!known) return null
    const states: StoredState[] = []
    for (const subject of [{ kind: 'site', id: site } as const, ...subjects]) {
      const state = known.states.get(nameOf(subject))
      if (!state) return null
      states.push(state)
    }
    return { seq: known.seq, hash: known.hash, known: [], states }
  }

  /** Remembers what was just written, on top of what it was prepared from. */
  remember(site: string, head: { seq: number; hash: string }, states: readonly StoredState[]): void {
    const known = this.#sites.get(site) ?? { ...head, states: new Map<string, StoredState>() }
    known.seq = head.seq
    known.hash = head.hash
    for (const state of states) {
      known.states.delete(nameOf(state))
      known.states.set(nameOf(state), state)
    }
    for (const name of known.states.keys()) {
      if (known.states.size <= most) break
      known.states.delete(name)
    }
    this.#sites.set(site, known)
  }

  forget(site: string): void {
    this.#sites.delete(site)
  }
}
