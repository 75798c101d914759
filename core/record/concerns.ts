import { amendmentOf } from './amend.ts'
import type { AnyRecord, SubjectRef } from '../stream/record.ts'
import { subjectsOf } from './subjects.ts'
import { asJudged } from './upcast.ts'

export const isSameSubject = (a: SubjectRef, b: SubjectRef): boolean => a.kind === b.kind && a.id === b.id

/** The subjects of a list that another has not. */
export const subjectsWithout = (list: readonly SubjectRef[], of: readonly SubjectRef[]): SubjectRef[] =>
  list.filter((s) => !of.some((o) => isSameSubject(o, s)))

/**
 * The subjects that a stored record folds into: its own first, last those that only its judging brought (a flag may open a
 * case). An amendment folds into every subject of what it amends, whatever it names itself; `anew` are those that what it
 * amends comes to concern only by it. @param target of an amendment, as it was stored.
 */
export function concernsOf(
  record: AnyRecord,
  target?: AnyRecord,
): { readonly concerns: SubjectRef[]; readonly anew: SubjectRef[] } {
  const concerns: SubjectRef[] = []
  const add = (all: readonly SubjectRef[]) => concerns.push(...subjectsWithout(all, concerns))
  const told = (one: AnyRecord) => {
    if (one.type === 'record.amended@1' && target)
      add(amendmentOf(target, one.payload.instead, one.payload.reason).subjects)
    else add(subjectsOf(one))
  }
  add(subjectsOf({ ...record, flags: [] }))
  told({ ...record, flags: [] })
  if (record.flags.length > 0) told(asJudged(record))
  return { concerns, anew: target ? subjectsWithout(concerns, subjectsOf(target)) : [] }
}
