import { foldOf, subjectsOf } from '@tadka/core/record'
import type { AnyDraft, SubjectKind } from '@tadka/core/stream'
import { provisional } from './provisional.ts'

/** The name of a subject among a tablet's states. */
export const nameOf = (kind: SubjectKind, id: string) => `${kind}/${id}`

/** Folds what is not in the chain yet into states, by the folds that the server goes by. */
export function foldDraft(states: Map<string, unknown>, draft: AnyDraft): void {
  const record = provisional(draft, (kind, id) => states.get(nameOf(kind, id)) ?? null)
  for (const { kind, id } of subjectsOf(draft)) {
    const [fold, name] = [foldOf(kind), nameOf(kind, id)]
    states.set(name, fold.apply(states.get(name) ?? fold.initial(id), record))
  }
}
