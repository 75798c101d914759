import type { FaultPart } from '@tadka/core/fault'
import { inSite } from '../db/transaction.ts'
import type { Pool } from '../db/pool.ts'
import { amended } from '../record/amended.ts'

/** What a record of a span says was spent on a station, as it was put right. */
export interface SpentRow {
  readonly station: string | null
  readonly type:
    'bath.mixed@1' | 'concentrate.drawn@1' | 'spare.drawn@1' | 'dish.water-changed@1' | 'fault.mended@1'
  readonly product: string | null
  readonly unit: 'mL' | 'g' | 'pieces' | null
  readonly amount: number | null
  /** mL of solution. */
  readonly volume: number | null
  readonly spare: string | null
  readonly parts: readonly FaultPart[] | null
  readonly labour: number | null
  readonly warranty: boolean | null
}

/** What was mixed, drawn, built in, changed and repaired between two instants, ms UTC; without what was taken back. */
export const spentBetween = (pool: Pool, site: string, from: number, to: number): Promise<SpentRow[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      with ${amended}, told as (
        select r.type, coalesce(a.instead, r.body -> 'payload') as payload
        from record r left join amended a on a.id = r.id
        where r.site_id = $1 and r.corrected_at >= $2 and r.corrected_at < $3
          and r.type in ('bath.mixed@1', 'concentrate.drawn@1', 'spare.drawn@1', 'dish.water-changed@1', 'fault.mended@1')
          and (a.id is null or a.instead <> 'null'::jsonb)
      )
      select type, payload ->> 'station' as station, payload ->> 'product' as product, payload ->> 'spare' as spare,
        case when type = 'concentrate.drawn@1' then 'mL'
          when payload #>> '{measured,unit}' in ('g', 'pieces') then payload #>> '{measured,unit}'
          when type = 'bath.mixed@1' then 'mL' end as unit,
        case when type = 'concentrate.drawn@1' then (payload ->> 'millilitres')::float8
          when type = 'spare.drawn@1' then (payload ->> 'count')::float8
          when payload #>> '{measured,unit}' in ('g', 'pieces') then (payload #>> '{measured,amount}')::float8
          when type = 'bath.mixed@1' then (payload ->> 'poured')::float8 end as amount,
        (payload ->> 'volume')::float8 as volume, payload -> 'parts' as parts,
        (payload ->> 'labour')::float8 as labour, (payload ->> 'warranty')::boolean as warranty
      from told`
    return (await db.query<SpentRow>(sql, [site, from, to])).rows
  })
