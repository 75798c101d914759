import type { IllnessBody, IllnessKept } from '@tadka/contract/illness'
import type { Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

/** All that is kept, the newest first. */
export const illnessesOf = (pool: Pool, site: string): Promise<IllnessKept[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select told || jsonb_build_object('id', id, 'person', person_id) as kept
      from illness where site_id = $1 order by (told ->> 'began')::bigint desc, id`
    return (await db.query<{ kept: IllnessKept }>(sql, [site])).rows.map((r) => r.kept)
  })

/** Keeps what was told; told again under the same id, it stands in its place. */
export const keepIllness = (
  pool: Pool,
  site: string,
  id: string,
  { person, ...told }: IllnessBody,
): Promise<void> =>
  inSite(pool, site, async (db) => {
    const sql = `
      insert into illness (site_id, id, person_id, told) values ($1, $2, $3, $4)
      on conflict (site_id, id) do update set person_id = excluded.person_id, told = excluded.told`
    await db.query(sql, [site, id, person, JSON.stringify(told)])
  })

/** Erases it. Returns whether it was there. */
export const eraseIllness = (pool: Pool, site: string, id: string): Promise<boolean> =>
  inSite(pool, site, async (db) => {
    const { rowCount } = await db.query('delete from illness where site_id = $1 and id = $2', [site, id])
    return (rowCount ?? 0) > 0
  })
