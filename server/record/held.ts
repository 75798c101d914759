import type { AnyDraft } from '@tadka/core/stream'
import type { RefusalCode } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

/** What is not thrown away: it may have happened, and a manager knows better than a clock or a list of sign-ins. */
export const isHoldable = (code: string | undefined): code is RefusalCode =>
  code === 'not_on_this_tablet' || code === 'tablet_ended' || code === 'in_the_future'

/** Undecided ones of a site: more come only when some are decided, and stay on their tablet until then. */
const mostUndecided = 5000

export interface HeldDraft {
  readonly id: string
  readonly draft: AnyDraft
  /** The refusal's code. */
  readonly why: string
  readonly clockOffset: number
  /** Milliseconds UTC. */
  readonly receivedAt: number
}

/** Keeps drafts for a manager; returns the ids that are kept now, or were before. */
export const hold = (pool: Pool, site: string, drafts: readonly HeldDraft[]): Promise<Set<string>> =>
  inSite(pool, site, async (db) => {
    const sql = `
      insert into held_draft (site_id, id, draft, why, clock_offset, received_at)
      select $1, (h ->> 'id')::uuid, h -> 'draft', h ->> 'why', (h ->> 'clockOffset')::bigint, (h ->> 'receivedAt')::bigint
      from jsonb_array_elements($2) as h
      where (select count(*) from held_draft where site_id = $1 and decided_at is null) < $3
      on conflict do nothing`
    await db.query(sql, [site, JSON.stringify(drafts), mostUndecided])
    const ids = drafts.map((d) => d.id)
    const kept = await db.query<{ id: string }>(
      'select id from held_draft where site_id = $1 and id = any($2)',
      [site, ids],
    )
    return new Set(kept.rows.map((r) => r.id))
  })

const columns = `id, draft, why, clock_offset as "clockOffset", received_at as "receivedAt"`

/** Those that nobody has decided about, the oldest first. */
export const undecided = (pool: Pool, site: string): Promise<HeldDraft[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select ${columns} from held_draft where site_id = $1 and decided_at is null
      order by received_at, id limit 200`
    return (await db.query<HeldDraft>(sql, [site])).rows
  })

export const heldDraft = (pool: Pool, site: string, id: string): Promise<HeldDraft | null> =>
  inSite(pool, site, async (db) => {
    const sql = `select ${columns} from held_draft where site_id = $1 and id = $2 and decided_at is null`
    return (await db.query<HeldDraft>(sql, [site, id])).rows[0] ?? null
  })

export const decide = (
  pool: Pool,
  site: string,
  id: string,
  decision: { readonly by: string; readonly at: number; readonly taken: boolean; readonly reason: string },
): Promise<void> =>
  inSite(pool, site, async (db) => {
    const sql = `
      update held_draft set decided_at = $3, decided_by = $4, taken = $5, reason = $6
      where site_id = $1 and id = $2 and decided_at is null`
    await db.query(sql, [site, id, decision.at, decision.by, decision.taken, decision.reason])
  })
