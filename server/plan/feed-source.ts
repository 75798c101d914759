import { dayOf } from '@tadka/core/calendar'
import { proceduresHere, type OwnProcedure, type StationState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import { crewForPlan, trainingOf, type TrainingState } from '@tadka/core/training'
import type { BathState } from '@tadka/core/bath'
import type { CrewSet, CrewState, ProductSet, RosterSet, SiteSet } from '@tadka/core/house'
import type { PlanState } from '@tadka/core/plan'
import { dutyInputs, type DishState } from '@tadka/core/warewash'
import type { VisitState } from '@tadka/core/visit'
import type { Pool } from '../db/pool.ts'
import { headOf } from '../stream/heads.ts'
import { snapshot } from '../stream/queries.ts'
import type { FeedSource } from './feed.ts'

/** What calendars of a site are made from, for everybody of it. */
export interface SiteSource extends Omit<FeedSource, 'person' | 'crew'> {
  readonly crews: ReadonlyMap<string, CrewSet>
}

const dayMs = 86_400_000
/** What racks and baths foretell moves with the hour, whatever was recorded. */
const freshMs = 15 * 60_000

async function read(pool: Pool, site: string, now: number): Promise<SiteSource | null> {
  const { states } = await snapshot(pool, site, now - 2 * dayMs)
  const of = <S>(kind: string) => states.filter((s) => s.kind === kind).map((s) => s.state as S)
  const [set] = of<SiteSet>('site')
  if (!set || !('hours' in set)) return null
  const counted = dutyInputs({
    site: set,
    stations: of<StationState>('station'),
    dishes: of<DishState>('dish'),
    baths: of<BathState>('bath'),
    products: of<Partial<ProductSet> & { id: string }>('product'),
    losses: {},
  })
  const own = of<OwnProcedure>('procedure')
  const trainings = new Map(of<TrainingState>('training').map((t) => [t.id, t]))
  const procedures = proceduresHere(counted.stations, dayOf(set, instant(now)), own)
  const crewOf = (crew: CrewState) => {
    const ownOf = (id: string) => own.find((o) => o.id === id) ?? null
    return crewForPlan(trainingOf(set, now, crew, trainings.get(crew.id) ?? null, ownOf), procedures)
  }
  const crews = of<CrewState>('crew').filter((c) => 'signedOff' in c)
  return {
    site: set,
    ...counted,
    rosters: of<RosterSet>('roster').filter((r) => 'shifts' in r),
    plans: of<PlanState>('plan'),
    visits: of<VisitState>('visit'),
    crews: new Map(crews.map((c) => [c.id, crewOf(c)])),
  }
}

/** Calendars are asked for by many telephones again and again: what they are made from is read once for each change of the log. */
export class FeedSources {
  readonly #pool: Pool
  readonly #kept = new Map<
    string,
    { readonly seq: number; readonly at: number; readonly source: SiteSource | null }
  >()

  constructor(pool: Pool) {
    this.#pool = pool
  }

  /** Null where the site has no hours yet. @param now milliseconds UTC. */
  async of(site: string, now: number): Promise<SiteSource | null> {
    const { seq } = await headOf(this.#pool, site)
    const kept = this.#kept.get(site)
    if (kept && kept.seq === seq && Math.abs(now - kept.at) < freshMs) return kept.source
    const source = await read(this.#pool, site, now)
    this.#kept.set(site, { seq, at: now, source })
    return source
  }
}
