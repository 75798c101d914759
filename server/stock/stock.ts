import { dayOf, instantAt } from '@tadka/core/calendar'
import { instant, type UnitSystem } from '@tadka/core/quantity'
import { stockTold, type StockItem, type StockState, type StockTold, type Used } from '@tadka/core/stock'
import type { Pool } from '../db/pool.ts'
import { siteOf } from '../record/day.ts'
import * as queries from '../stream/queries.ts'
import { logBegins, usedSince, type UsedRow } from './queries.ts'

const dayMs = 86_400_000
/** As far back as the core looks, and a day. */
const daysBack = 201

export interface StockKept {
  readonly item: StockItem
  readonly told: StockTold
}

/** How all that is kept in stock stands. @param now ms UTC. Throws `not_found` where nobody has set the site up. */
export async function stockOf(
  pool: Pool,
  where: string,
  now: number,
): Promise<{ readonly today: string; readonly units: UnitSystem; readonly kept: readonly StockKept[] }> {
  const [site, states, used, begins] = await Promise.all([
    siteOf(pool, where),
    queries.statesOfKind(pool, where, 'stock') as Promise<StockState[]>,
    usedSince(pool, where, now - daysBack * dayMs),
    logBegins(pool, where),
  ])
  const today = dayOf(site, instant(now))
  const begun = instantAt(today, '00:00', site.timeZone)
  const kept = states.flatMap((state): StockKept[] => {
    const { item } = state
    if (!item || item.ended) return []
    return [{ item, told: stockTold(state, usedOf(item, used), begins ?? now, begun, now) }]
  })
  return { today, units: site.units, kept }
}

/** What the log says was used of one of them: by itself, and by the runs that use it up. */
function usedOf({ of, unit, perRun }: StockItem, rows: readonly UsedRow[]): Used {
  return rows.flatMap(({ kind, ref, unit: u, at, amount }) => {
    if (kind === 'run') {
      const each = perRun.find((p) => p.procedure === ref)?.amount ?? 0
      return each > 0 ? [{ at, amount: amount * each }] : []
    }
    return of.kind === kind && of.id === ref && u === unit ? [{ at, amount }] : []
  })
}
