import { lossOf } from '@tadka/core/duty'
import type { BathState } from '@tadka/core/record'
import type { Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

/** Baths of a product that its loss is learned from: the newest. */
const mostOfOne = 40
const mostInAll = 600

/** What a site's earlier baths lost an hour, by product: fitted to their readings. Baths since an instant, milliseconds UTC. */
export async function lossesOf(
  pool: Pool,
  site: string,
  since: number,
): Promise<Record<string, readonly number[]>> {
  const baths = await inSite(pool, site, async (db) => {
    const sql = `
      select state from subject_state
      where site_id = $1 and kind = 'bath' and touched_at >= $2 and jsonb_array_length(state -> 'readings') > 0
      order by touched_at desc limit $3`
    return (await db.query<{ state: BathState }>(sql, [site, since, mostInAll])).rows.map((r) => r.state)
  })
  const losses: Record<string, number[]> = {}
  for (const bath of baths) {
    if (bath.product === null) continue
    const of = (losses[bath.product] ??= [])
    const loss = of.length < mostOfOne ? lossOf(bath) : null
    if (loss !== null) of.push(Math.round(loss * 10_000) / 10_000)
    // Fitting takes its time; others wait for this process too.
    await new Promise((resolve) => setImmediate(resolve))
  }
  return losses
}
