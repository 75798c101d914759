import { foldsVersion } from '@tadka/core/record'
import type { Pool } from '../db/pool.ts'
import { rebuildSite } from './rebuild.ts'

/**
 * Folds every site's states anew where they were kept by another version of the folds, as after an update. Records are never
 * touched. Returns how many states were folded; safe to call at every start, and by several processes.
 */
export async function keepUp(pool: Pool): Promise<number> {
  const stored = await pool.query<{ version: number }>('select version from fold_version')
  const version = stored.rows[0]?.version
  if (version === foldsVersion) return 0
  let folded = 0
  if (version !== undefined) {
    const sites = await pool.query<{ id: string }>('select id from site order by id')
    for (const { id } of sites.rows) folded += await rebuildSite(pool, id)
  }
  await pool.query(
    `insert into fold_version (version) values ($1)
     on conflict (only_one) do update set version = excluded.version`,
    [foldsVersion],
  )
  return folded
}
