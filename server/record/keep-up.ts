import { foldsVersion } from '@tadka/core/record'
import type { Pool } from '../db/pool.ts'
import { allSites, peopleWithoutRecord } from '../people/queries.ts'
import { changeRights, keptSecretChange, personChange } from '../people/rights.ts'
import { SiteQueue } from '../stream/queue.ts'
import { rebuildSite } from '../stream/rebuild.ts'

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

/** People who were entered before there were records of it get theirs, as they stand. Safe to call at every start. */
export async function peopleOnRecord(pool: Pool, now: number): Promise<void> {
  for (const { id: site } of await allSites(pool)) {
    const unrecorded = (await peopleWithoutRecord(pool, site)).map(async (p) => [
      personChange(p.id, { name: p.name, role: p.role, login: p.login, left: false }),
      ...(p.pin_hash === null ? [] : [await keptSecretChange(pool, site, p.id, 'pin', p.pin_hash)]),
      ...(p.password_hash === null
        ? []
        : [await keptSecretChange(pool, site, p.id, 'password', p.password_hash)]),
    ])
    const changes = (await Promise.all(unrecorded)).flat()
    if (changes.length > 0)
      await changeRights({ pool, queue: new SiteQueue() }, site, 'console', now, changes)
  }
}
