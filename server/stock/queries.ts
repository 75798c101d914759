import { inSite } from '../db/transaction.ts'
import type { Pool } from '../db/pool.ts'
import { amended } from '../record/amended.ts'

/** What the log says was used: of a label, a strip, a spare, or how many runs of a procedure ended. What a meter counts stands by the hour. */
export interface UsedRow {
  readonly kind: 'product' | 'instrument' | 'spare' | 'run'
  readonly ref: string
  readonly unit: 'mL' | 'g' | 'pieces' | 'runs'
  /** ms UTC. */
  readonly at: number
  readonly amount: number
}

/** What was used since an instant, ms UTC: as it was put right, and without what was taken back. */
export const usedSince = (pool: Pool, site: string, from: number): Promise<UsedRow[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      with ${amended}, told as (
        select r.type, case when r.type = 'concentrate.drawn@1'
            then r.corrected_at / 3600000 * 3600000 + 1800000 else r.corrected_at end as at, coalesce(a.instead, r.body -> 'payload') as payload
        from record r left join amended a on a.id = r.id
        where r.site_id = $1 and r.corrected_at >= $2
          and r.type in ('bath.mixed@1', 'concentrate.drawn@1', 'spare.drawn@1', 'reading.taken@1', 'run.finished@1')
          and (a.id is null or a.instead <> 'null'::jsonb)
      ), used as (
        select at, 'product' as kind, payload ->> 'product' as ref,
          case when payload #>> '{measured,unit}' in ('g', 'pieces') then payload #>> '{measured,unit}' else 'mL' end as unit,
          case when payload #>> '{measured,unit}' in ('g', 'pieces')
            then (payload #>> '{measured,amount}')::float8 else (payload ->> 'poured')::float8 end as amount
        from told where type = 'bath.mixed@1'
        union all
        select at, 'product', payload ->> 'product', 'mL', (payload ->> 'millilitres')::float8
        from told where type = 'concentrate.drawn@1'
        union all
        select at, 'spare', payload ->> 'spare', 'pieces', (payload ->> 'count')::float8
        from told where type = 'spare.drawn@1'
        union all
        select at, 'instrument', named.id, 'pieces', 1
        from told cross join lateral jsonb_array_elements_text(payload -> 'instruments') as named (id)
        where type = 'reading.taken@1'
        union all
        select t.at, 'run', s.state #>> '{procedure,id}', 'runs', 1
        from told t join subject_state s on s.site_id = $1 and s.kind = 'run' and s.subject_id = t.payload ->> 'run'
        where t.type = 'run.finished@1'
      )
      select kind, ref, unit, used.at::text as at, sum(amount) as amount from used
      where ref is not null group by kind, ref, unit, used.at order by used.at`
    const { rows } = await db.query<Omit<UsedRow, 'at'> & { at: string }>(sql, [site, from])
    return rows.map((r) => ({ ...r, at: Number(r.at) }))
  })

/** When the log of a site begins, ms UTC; null where it is empty. */
export const logBegins = (pool: Pool, site: string): Promise<number | null> =>
  inSite(pool, site, async (db) => {
    const sql = 'select min(corrected_at)::text as at from record where site_id = $1'
    const { rows } = await db.query<{ at: string | null }>(sql, [site])
    const at = rows[0]?.at
    return at === null || at === undefined ? null : Number(at)
  })
