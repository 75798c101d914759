/** What records are about. */
export const subjectKinds = [
  'site',
  'station',
  'run',
  'bath',
  'case',
  'product',
  'instrument',
  'rule',
  'procedure',
  'spare',
  'shift',
  'roster',
  'crew',
  'plan',
  'dish',
  'logger',
  'mix',
  'rerun',
  'training',
  'incident',
  'food',
  'round',
  'task',
  'stock',
  'pest',
  'trap',
  'visit',
  'shelf',
  'fault',
  'sample',
] as const
export type SubjectKind = (typeof subjectKinds)[number]

/** What a record is about; state folds per subject. */
export interface SubjectRef {
  readonly kind: SubjectKind
  readonly id: string
}

/** A mistake put right by a new record that points at the old; both are shown. */
export interface RecordAmended {
  /** The id of the record that was wrong. */
  readonly target: string
  readonly targetType: string
  /** What the target is about, so that those states are folded anew. */
  readonly subjects: readonly SubjectRef[]
  /** The payload as it should have been. */
  readonly instead: unknown
  readonly reason: string
}

/** Every type of record with its payload, by `type@version`. Each room adds its own, in its `records.ts`. */
export interface Payloads {
  'record.amended@1': RecordAmended
}

export type RecordType = keyof Payloads

/** What a device makes: not yet in the chain. */
export interface Draft<T extends RecordType = RecordType> {
  /** UUIDv7, made on the device. */
  readonly id: string
  readonly site: string
  readonly type: T
  readonly subject: SubjectRef
  /** Milliseconds UTC by the device's own clock. */
  readonly observedAt: number
  readonly device: string
  /** Counts up on the device; orders what it observed within one millisecond. */
  readonly counter: number
  /** The person who acted. */
  readonly by: string
  readonly payload: Payloads[T]
}

/** What the server adds when it puts a draft into the site's chain. The room `procedure` adds what was in force. */
export interface ChainFields {
  /** Gapless within the site, from 1. */
  readonly seq: number
  /** Milliseconds UTC by the server's clock. */
  readonly receivedAt: number
  /** Server clock minus device clock, milliseconds, as estimated when the batch came. */
  readonly clockOffset: number
  /** The hash of the record before, or 64 zeros for the first. */
  readonly prev: string
  /** What was odd about it; it is kept all the same, for it happened. */
  readonly flags: readonly string[]
  /** While folding: another payload stands here than was taken. Never stored. */
  readonly amended?: true
}

export type StoredRecord<T extends RecordType = RecordType> = Draft<T> & ChainFields

/** A record of any type, told apart by `type`. */
export type AnyRecord = { [T in RecordType]: StoredRecord<T> }[RecordType]
export type AnyDraft = { [T in RecordType]: Draft<T> }[RecordType]

/** When it happened by the server's clock: milliseconds UTC. */
export const correctedAt = (r: { observedAt: number; clockOffset: number }): number =>
  r.observedAt + r.clockOffset
