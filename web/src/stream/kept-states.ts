import type { FoldKey } from '@tadka/core/stream'
import { tabletStore, type KeptState } from './tablet-store.ts'

/** What the tablet knows of a site, kept for when it is opened without network. */
export interface Known {
  readonly seq: number
  readonly states: ReadonlyMap<string, { readonly state: unknown; readonly last: FoldKey | null }>
}

/** How long changes are gathered before they are kept. */
const gatherMs = 400

/** Keeps the states of one site as they change, beside how far they go. What cannot be kept is left: the server has it. */
export function makeKeeper(held: () => { readonly site: string | null } & Known) {
  const changed = new Set<string>()
  let all = false
  let timer: ReturnType<typeof setTimeout> | null = null

  async function write(): Promise<void> {
    timer = null
    const { site, seq, states } = held()
    const store = await tabletStore()
    if (!store || site === null) return
    const rows = [...(all ? states.keys() : changed)].flatMap((name): KeptState[] => {
      const one = states.get(name)
      return one ? [{ name, state: one.state, last: one.last }] : []
    })
    const anew = all
    changed.clear()
    all = false
    try {
      await store.keepStates(rows, { key: 'states', site, seq }, anew)
    } catch {
      // Tried again with the next change; the server has them.
    }
  }

  const later = () => (timer ??= setTimeout(() => void write(), gatherMs))
  return {
    /** These have changed. */
    changed(names: Iterable<string>): void {
      for (const name of names) changed.add(name)
      later()
    },
    /** All came anew. */
    anew(): void {
      all = true
      later()
    },
  }
}

/** What is kept of a site; null where nothing is. */
export async function readKeptStates(site: string): Promise<Known | null> {
  try {
    const kept = await (await tabletStore())?.states()
    const upTo = kept?.upTo
    if (!kept || upTo?.site !== site) return null
    return {
      seq: upTo.seq,
      states: new Map(kept.rows.map((r) => [r.name, { state: r.state, last: r.last }])),
    }
  } catch {
    return null
  }
}
