import type { Permission } from '../rights/index.ts'
import type { Payloads, RecordType, SubjectKind, SubjectRef } from './record.ts'

/**
 * Who makes records of a type: a person on a tablet; a person whose own PIN the server checked; a device or a logger's file, for which
 * the server makes them; or the server itself: where it has checked who gives rights to people and tablets, and of questions that it marked.
 */
export type MadeBy = 'person' | 'signature' | 'device' | 'rights'

/** What holds for all records of one type. */
export interface RecordRules<T extends RecordType = RecordType> {
  /** What whoever makes one must be allowed to do. */
  readonly needs: Permission
  /** Absent: a person. */
  readonly madeBy?: MadeBy
  /** A person typed it: another may stand in its place. What a clock or a device measured never is. */
  readonly typed?: true
  /** One tap made it, and may be taken back for some minutes. */
  readonly tap?: true
  /** What it folds into beside its own subject. @param id the record's own. */
  readonly concerns?: (payload: Payloads[T], id: string) => readonly SubjectRef[]
}

export type RulesOf<T extends RecordType> = { readonly [K in T]: RecordRules<K> }

/** A subject, where there is one. */
export const subject = (kind: SubjectKind, id: string | null): readonly SubjectRef[] =>
  id === null ? [] : [{ kind, id }]
