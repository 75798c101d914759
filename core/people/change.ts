import type { RefusalCode } from '../refusal/index.ts'
import type { PersonSet } from './records.ts'
import { may, type Role } from '../rights/roles.ts'

/** One of a site's people, as they stand. */
export type PersonNow = PersonSet & { readonly id: string }

/**
 * Why somebody may not be entered or changed so; null where they may.
 * @param actor who asks. @param id whom it is about, known or new. @param after as they should be. @param everyone as they stand.
 */
export function personFault(
  actor: { readonly id: string; readonly role: Role },
  id: string,
  after: PersonSet,
  everyone: readonly PersonNow[],
): RefusalCode | null {
  if (!may(actor.role, 'set-up-house')) return 'not_allowed'
  const before = everyone.find((p) => p.id === id)
  const others = everyone.filter((p) => p.id !== id)
  const same = (a: string | null, b: string | null) =>
    a !== null && b !== null && a.toLocaleLowerCase() === b.toLocaleLowerCase()
  if (!after.left && others.some((p) => !p.left && same(p.name, after.name))) return 'name_taken'
  if (others.some((p) => same(p.login, after.login))) return 'login_taken'
  if (after.login !== null && after.role !== 'manager') return 'login_is_managers'
  const isManager = (p: PersonSet) => p.role === 'manager' && !p.left
  if (before && isManager(before) && !isManager(after) && !others.some(isManager)) return 'last_manager'
  if (actor.id === id && before && before.role !== after.role) return 'own_role'
  return null
}
