import { type AnyRecord, correctedAt, type SubjectRef } from './record.ts'

/** A pure reducer over the records of one subject, in fold order. States are plain JSON. */
export interface Fold<S> {
  readonly initial: (id: string) => S
  readonly apply: (state: S, record: AnyRecord) => S
}

/** Where a record stands among the records of its subject. */
export interface FoldKey {
  readonly at: number
  readonly device: string
  readonly counter: number
}

export const foldKey = (r: AnyRecord): FoldKey => ({
  at: correctedAt(r),
  device: r.device,
  counter: r.counter,
})

/** By corrected observed time, then device, then the device's counter: the same whatever the order of arrival. */
export function compareKeys(a: FoldKey, b: FoldKey): number {
  return a.at - b.at || (a.device < b.device ? -1 : a.device > b.device ? 1 : 0) || a.counter - b.counter
}

/** Whether a record can be applied on top of a state folded up to `last`, or its subject must be folded anew. */
export function followsOn(last: FoldKey | null, record: AnyRecord): boolean {
  if (record.type === 'record.amended@1') return false
  return last === null || compareKeys(foldKey(record), last) > 0
}

/** Puts amended payloads in the place of the mistaken ones, leaves out what was taken back; the last amendment of a record wins. */
function amended(sorted: readonly AnyRecord[]): AnyRecord[] {
  const instead = new Map<string, unknown>()
  for (const r of sorted) if (r.type === 'record.amended@1') instead.set(r.payload.target, r.payload.instead)
  return sorted
    .filter((r) => r.type !== 'record.amended@1' && instead.get(r.id) !== null)
    .map((r) => (instead.has(r.id) ? ({ ...r, payload: instead.get(r.id), amended: true } as AnyRecord) : r))
}

export interface Folded<S> {
  readonly state: S
  readonly last: FoldKey | null
}

/** Folds all records of one subject, in whatever order they are given. */
export function foldAll<S>(fold: Fold<S>, subject: SubjectRef, records: readonly AnyRecord[]): Folded<S> {
  const sorted = records.toSorted((a, b) => compareKeys(foldKey(a), foldKey(b)))
  const last = sorted.at(-1)
  return {
    state: amended(sorted).reduce((s, r) => fold.apply(s, r), fold.initial(subject.id)),
    last: last ? foldKey(last) : null,
  }
}
