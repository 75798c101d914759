import type { BathState } from '../bath/index.ts'
import { dayOf } from '../calendar/index.ts'
import type { MixSet, ProductState, SiteKept, SiteSet } from '../house/index.ts'
import { procedureOn, type OwnProcedure, type StationState } from '../procedure/index.ts'
import { instant } from '../quantity/index.ts'
import type { RerunState } from '../rerun/index.ts'
import type { IncidentState } from './fold.ts'
import type { IncidentKnown } from './list.ts'
import type { PlanOnFile } from './reopen.ts'

/** The states of a site that a list is made from. */
export interface IncidentSite {
  readonly site: SiteSet & SiteKept
  readonly stations: readonly StationState[]
  readonly baths: readonly BathState[]
  readonly reruns: readonly RerunState[]
  readonly mixOf: (id: string) => Partial<MixSet> | null
  readonly productOf: (id: string) => Partial<ProductState> | null
  readonly ownProcedure: (id: string) => OwnProcedure | null
}

/** What the label asks for against body fluids; null where it says nothing of them: what sanitizes a cup is no answer. */
const contactSecondsOf = (product: Partial<ProductState> | null): number | null =>
  product?.uses?.find((u) => u.id === 'body-fluids')?.contactSeconds ?? null

/** What counted when it happened, and what stands there now. @param now milliseconds UTC. */
export function incidentKnown(incident: IncidentState, known: IncidentSite, now: number): IncidentKnown {
  const { site, stations, baths, reruns, mixOf, productOf, ownProcedure } = known
  const today = dayOf(site, instant(now))
  const written =
    site.timeOnly && (site.entered?.timeOnly ?? Infinity) < incident.at ? site.timeOnly.hours : null
  return {
    ...{ stations, baths, reruns, mixOf, now },
    procedureOf: (id) => procedureOn(id, today, ownProcedure),
    contactSeconds: incident.product === null ? null : contactSecondsOf(productOf(incident.product)),
    writtenHours: written,
  }
}

/** The authority's plan for work without power or water, as the site has it; null where it has none. */
export const planOnFile = ({ outagePlan, entered }: Partial<SiteSet> & SiteKept): PlanOnFile | null =>
  outagePlan ? { conditions: outagePlan.conditions, since: entered?.outagePlan ?? Infinity } : null
