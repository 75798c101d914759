import { asOwner } from '../server/db/owner.ts'
import { siteId } from '../server/demo/house.ts'
import { launch, toEnd } from '../launcher/launched.ts'
import type { TabletKept } from './tablet.ts'

export interface Count {
  readonly acknowledged: number
  /** Of them: those that wait on the manager's page. */
  readonly held: number
  /** Acknowledged, and neither in the log nor on the manager's page. */
  readonly lost: number
  readonly doubled: number
  readonly refused: number
  readonly unsent: number
}

/** Holds what the tablets were told against what the database has. */
export function counted(ownerUrl: string, tablets: readonly TabletKept[]): Promise<Count> {
  const ids = tablets.flatMap((t) => Object.keys(t.acknowledged))
  return asOwner(ownerUrl, async (owner) => {
    await owner.query("select set_config('tadka.site', $1, false)", [siteId])
    const sql = `
      with asked as (select unnest($1::uuid[]) as id),
        there as (select id, 'stored' as how from record union all select id, 'held' from held_draft)
      select asked.id, count(there.how) filter (where how = 'stored')::int as stored,
        count(there.how) filter (where how = 'held')::int as held
      from asked left join there using (id) group by asked.id`
    const { rows } = await owner.query<{ id: string; stored: number; held: number }>(sql, [ids])
    return {
      acknowledged: ids.length,
      held: rows.filter((r) => r.held > 0 && r.stored === 0).length,
      lost: rows.filter((r) => r.stored + r.held === 0).length,
      doubled: rows.filter((r) => r.stored > 1 || r.held > 1).length,
      refused: tablets.reduce((n, t) => n + t.refused.length, 0),
      unsent: tablets.reduce((n, t) => n + t.unsent.length, 0),
    }
  })
}

/** Whether all that the site keeps is whole, by the command that whoever looks after it has. */
export async function isWhole(data: string): Promise<boolean> {
  const { code, said } = await toEnd(launch(data, ['verify', siteId]))
  if (code !== 0) console.error(said)
  return code === 0
}
