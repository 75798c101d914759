import type { CaseState } from '@tadka/core/case'
import { asJudged } from '@tadka/core/record'
import type { AnyRecord } from '@tadka/core/stream'
import { inSite } from '../db/transaction.ts'
import type { Pool } from '../db/pool.ts'

type Amended = AnyRecord & { type: 'record.amended@1' }
const parsed = (row: { text: string }): AnyRecord => asJudged(JSON.parse(row.text) as AnyRecord)

/** Records of these types between two instants by their own time, ms UTC, the end not counted. */
export const recordsBetween = (
  pool: Pool,
  site: string,
  from: number,
  to: number,
  types: readonly string[],
): Promise<AnyRecord[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select text from record
      where site_id = $1 and corrected_at >= $2 and corrected_at < $3 and type = any ($4) order by corrected_at, seq`
    return (await db.query<{ text: string }>(sql, [site, from, to, types])).rows.map(parsed)
  })

/** Racks that ended between two instants, ms UTC, whenever they were judged. */
export const racksBetween = (pool: Pool, site: string, from: number, to: number): Promise<AnyRecord[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select text from record
      where site_id = $1 and rack_to >= $2 and rack_to < $3 order by seq`
    return (await db.query<{ text: string }>(sql, [site, from, to])).rows.map(parsed)
  })

/** What puts any of these records right. */
export const amendmentsOf = (pool: Pool, site: string, ids: readonly string[]): Promise<Amended[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select text from record
      where site_id = $1 and type = 'record.amended@1' and body #>> '{payload,target}' = any ($2) order by seq`
    return (await db.query<{ text: string }>(sql, [site, ids])).rows.map((row) => parsed(row) as Amended)
  })

/** Corrective actions opened between two instants, ms UTC, and those opened before that were open then still. */
export const casesBetween = (pool: Pool, site: string, from: number, to: number): Promise<CaseState[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select state from subject_state
      where site_id = $1 and kind = 'case' and state ->> 'status' <> 'void' and (state ->> 'openedAt')::bigint < $3
        and ((state ->> 'openedAt')::bigint >= $2 or coalesce((state ->> 'closedAt')::bigint, $3) >= $2)
      order by (state ->> 'openedAt')::bigint`
    return (await db.query<{ state: CaseState }>(sql, [site, from, to])).rows.map((r) => r.state)
  })
