import type { StationState } from '@tadka/core/procedure'
import type { SiteSet } from '@tadka/core/house'
import { instant } from '@tadka/core/quantity'
import { inForce, type LocalRule } from '@tadka/core/rules'
import type { CycleLimits } from '@tadka/core/warewash'
import type { Pool } from '../db/pool.ts'
import { stateOf, statesOfKind } from '../stream/queries.ts'
import { limitsAt } from './cutting.ts'

/** What a station's cycles are held to now, as the site's records have it; null where it is no dish machine. */
export async function limitsOf(
  pool: Pool,
  site: string,
  station: string,
  now: number,
): Promise<CycleLimits | null> {
  const held = (await stateOf(pool, site, 'station', station))?.state as StationState | undefined
  const set = (await stateOf(pool, site, 'site', site))?.state as Partial<SiteSet> | undefined
  return limitsAt(held ?? null, set ?? null, await localRules(pool, site, now))
}

/** The rules of the site's authority that are in force. @param now milliseconds UTC. */
export async function localRules(pool: Pool, site: string, now: number): Promise<LocalRule[]> {
  const rules = (await statesOfKind(pool, site, 'rule')) as Partial<LocalRule>[]
  return rules.filter((r): r is LocalRule => 'authority' in r && inForce(r as LocalRule, instant(now)))
}
