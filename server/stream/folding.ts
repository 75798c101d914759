import {
  compareKeys,
  foldAll,
  foldKey,
  followsOn,
  type AnyRecord,
  type FoldKey,
  type SubjectKind,
  type SubjectRef,
} from '@tadka/core/stream'
import { isFollowed, type FoodState } from '@tadka/core/food'
import type { TaskState } from '@tadka/core/task'
import { foldOf, upcast, type ShiftState } from '@tadka/core/record'

export interface StoredState {
  readonly kind: SubjectKind
  readonly id: string
  readonly state: unknown
  readonly last: FoldKey | null
}

interface Working {
  state: unknown
  last: FoldKey | null
  changed: boolean
  /** Records of this batch; all needed where the subject must be folded anew. */
  added: AnyRecord[]
  late: boolean
}

const nameOf = (kind: SubjectKind, id: string) => `${kind}/${id}`

/** The states that a batch touches: kept up record by record, or folded anew where one comes late or amends. */
export class Folding {
  readonly #states = new Map<string, Working>()
  readonly #keeps: boolean

  /** @param keeps whether records of the batch are remembered until they are stored; where each is stored at once they need not be. */
  constructor(stored: readonly StoredState[], keeps = true) {
    this.#keeps = keeps
    for (const s of stored)
      this.#states.set(nameOf(s.kind, s.id), {
        state: s.state,
        last: s.last,
        changed: false,
        added: [],
        late: false,
      })
  }

  stateOf(kind: SubjectKind, id: string | undefined): unknown {
    return id === undefined ? null : (this.#states.get(nameOf(kind, id))?.state ?? null)
  }

  #working(kind: SubjectKind, id: string): Working {
    const name = nameOf(kind, id)
    const known = this.#states.get(name)
    if (known) return known
    const made: Working = {
      state: foldOf(kind).initial(id),
      last: null,
      changed: false,
      added: [],
      late: false,
    }
    this.#states.set(name, made)
    return made
  }

  /** Brings an earlier record to subjects that an amendment makes it concern; they are folded anew. */
  bring(stored: AnyRecord, subjects: readonly SubjectRef[]): void {
    for (const { kind, id } of subjects) this.#working(kind, id).added.push(upcast(stored))
  }

  add(stored: AnyRecord, subjects: readonly SubjectRef[]): void {
    const record = upcast(stored)
    for (const { kind, id } of subjects) {
      const fold = foldOf(kind)
      const working = this.#working(kind, id)
      if (followsOn(working.last, record)) working.state = fold.apply(working.state, record)
      else working.late = true
      const key = foldKey(record)
      if (working.last === null || compareKeys(key, working.last) > 0) working.last = key
      working.changed = true
      if (this.#keeps) working.added.push(record)
    }
  }

  /** Folds anew, from all their records, the subjects to which something came late. */
  async refold(stored: (kind: SubjectKind, id: string) => Promise<readonly AnyRecord[]>): Promise<void> {
    for (const [name, working] of this.#states) {
      if (!working.late) continue
      const [kind, id] = splitName(name)
      const held = await stored(kind, id)
      const there = new Set(held.map((r) => r.seq))
      const added = working.added.filter((r) => !there.has(r.seq))
      const folded = foldAll(foldOf(kind), { kind, id }, [...held.map((r) => upcast(r)), ...added])
      working.state = folded.state
      working.last = folded.last
    }
  }

  /** Every state that was needed, as it is now. */
  all(): StoredState[] {
    return [...this.#states].map(([name, w]) => {
      const [kind, id] = splitName(name)
      return { kind, id, state: w.state, last: w.last }
    })
  }

  /** The states that this batch changed, as they are to be kept. */
  changed() {
    return [...this.#states]
      .filter(([, w]) => w.changed)
      .map(([name, w]) => keptState(...splitName(name), w.state, w.last))
  }
}

function splitName(name: string): [SubjectKind, string] {
  const at = name.indexOf('/')
  return [name.slice(0, at) as SubjectKind, name.slice(at + 1)]
}

/** A state as a row of the read table. */
export function keptState(kind: SubjectKind, id: string, state: unknown, last: FoldKey | null) {
  return { kind, id, state, last, touched: last?.at ?? 0, live: isLive(kind, state) }
}

/** Whether tablets need it however long ago it was touched. */
function isLive(kind: SubjectKind, state: unknown): boolean {
  const { status, notes } = state as { status?: string } & Pick<ShiftState, 'notes'>
  if (kind === 'logger') return false
  if (kind === 'run') return status === 'running' || status === 'parked'
  if (kind === 'case' || kind === 'incident') return status === 'open'
  // What was left for who comes stands there until it is settled.
  if (kind === 'shift') return notes?.some((n) => n.settled === null) ?? false
  if (kind === 'food') return isFollowed(state as FoodState)
  if (kind === 'task') return (state as TaskState).ended === null
  return kind !== 'bath' && kind !== 'plan'
}
