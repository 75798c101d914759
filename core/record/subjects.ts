import type { AnyDraft, Payloads, RecordType, SubjectRef } from '../stream/record.ts'
import type { RecordRules } from '../stream/rules.ts'
import { rulesOf } from './types.ts'

/**
 * Every subject that a record folds into: its own first, then the others it concerns (a run's step changes its
 * station; a failed reading opens a case under its own id; a recheck belongs to the case it rechecks).
 */
export function subjectsOf(draft: AnyDraft & { readonly flags?: readonly string[] }): SubjectRef[] {
  const rules = rulesOf(draft.type) as RecordRules<RecordType> | null
  const others = rules?.concerns?.(draft.payload as Payloads[RecordType] & never, draft.id) ?? []
  // What was done though the state forbade it opens a case of its own.
  const opened = draft.flags?.includes('forbidden-act') ? [{ kind: 'case', id: draft.id } as const] : []
  const all = [draft.subject, ...others, ...opened]
  return all.filter((s, i) => all.findIndex((o) => o.kind === s.kind && o.id === s.id) === i)
}
