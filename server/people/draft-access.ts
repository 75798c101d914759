import { may, type Role } from '@tadka/core/rights'
import { permissionFor } from '@tadka/core/record'
import type { AnyDraft } from '@tadka/core/stream'
import { Refusal } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import { draftSlackMs, type Tablet } from './guard.ts'
import { stayByPassAlone, staysOf, type Passes, type Stay } from './passes.ts'

/** By whose work a batch's drafts may be taken: who is signed in now, and who the passes say was. */
export interface Senders {
  /** The session that asks; null where it is over. */
  readonly tablet: Tablet | null
  /** Stays by pass. */
  readonly stays: ReadonlyMap<string, readonly Stay[]>
}

/** Reads the passes of a batch, each once; those that are not this server's, or another site's, count as none. */
export async function staysByPass(
  pool: Pool,
  passes: Passes,
  site: string,
  given: readonly string[],
): Promise<Map<string, Stay[]>> {
  const stays = new Map<string, Stay[]>()
  for (const pass of new Set(given)) {
    const claims = await passes.read(pass)
    if (claims?.site !== site) continue
    const own = (await staysOf(pool, site, claims.session)).filter((s) => s.person === claims.person)
    const alone =
      own.length > 0 || typeof claims.since !== 'number' ? null : await stayByPassAlone(pool, claims)
    stays.set(pass, alone ? [alone] : own)
  }
  return stays
}

/** How a draft came to be allowed. */
export interface Allowed {
  readonly role: Role
  /** It came after the session in which it was made had ended, or from another. */
  readonly isAfterSession: boolean
}

/**
 * Whether the person named in a draft was signed in on its tablet when it was observed, and may make such a record: by the session that
 * asks, or by the pass that the draft carries. @param at corrected observed time, milliseconds UTC. Throws `not_on_this_tablet`,
 * `tablet_ended`, `not_allowed`.
 */
export function authorizeDraft(senders: Senders, draft: AnyDraft, at: number, pass: string | null): Allowed {
  const within = (from: number, to: number | null) =>
    at >= from - draftSlackMs && (to === null || at <= to + draftSlackMs)
  const now = senders.tablet?.people.find((p) => p.id === draft.by && within(p.signed_in_at, p.signed_out_at))
  if (now) return { role: allowed(now.role, draft), isAfterSession: false }
  const stays = (pass === null ? undefined : senders.stays.get(pass)) ?? []
  const own = stays.filter((s) => s.person === draft.by && s.device === draft.device)
  if (own.some((s) => s.revokedAt !== null)) throw new Refusal('tablet_ended')
  const stay = own.find((s) => within(s.from, s.to))
  if (!stay) throw new Refusal('not_on_this_tablet', { by: draft.by })
  return { role: allowed(stay.role, draft), isAfterSession: true }
}

function allowed(role: Role, draft: AnyDraft): Role {
  const permission = permissionFor(draft.type)
  if (!may(role, permission)) throw new Refusal('not_allowed', { needs: permission })
  return role
}
