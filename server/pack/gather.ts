import { boundsOfDay, dateAfter, dayOf } from '@tadka/core/calendar'
import { dueList, type DueItem } from '@tadka/core/duty'
import type { IncidentState } from '@tadka/core/incident'
import { samplesStand, type SampleStands, type SampleState } from '@tadka/core/lab'
import type { InstrumentSet, ProductSet } from '@tadka/core/house'
import { isWaterBack, proceduresHere, type OwnProcedure, type Procedure } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import type { LocalRule } from '@tadka/core/rules'
import { onlyOf, type DaySheet } from '@tadka/core/sheet'
import { standingOf, type PaperSet, type Standing } from '@tadka/core/training'
import { backedUpHeads } from '../backup/queries.ts'
import type { Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'
import { everyoneOf } from '../people/queries.ts'
import { siteKnown, type SiteKnown } from '../record/day.ts'
import { followChain } from '../record/verify/chain.ts'
import { sheetOfDay } from '../sheet/sheets.ts'
import { headOf, headsMissed } from '../stream/heads.ts'
import { statesOfKind } from '../stream/queries.ts'
import { trainingKnown, type TrainingKnown } from '../training/people.ts'
import type { Named } from './teller.ts'

/** What is packed: the days, and the stations; none: every one. */
export interface PackAsked {
  readonly site: string
  /** ISO dates, both counted. */
  readonly from: string
  readonly to: string
  readonly stations: readonly string[]
  /** Milliseconds UTC, and who asked. */
  readonly at: number
  readonly by: string
}

/** All that a pack tells. */
export interface PackKnown extends Named {
  readonly asked: PackAsked
  readonly days: readonly DaySheet[]
  /** Those that were open in the period, the oldest first. */
  readonly incidents: readonly IncidentState[]
  /** Taken in the period, the oldest first, as the authority's rules judge them. */
  readonly samples: readonly SampleStands[]
  readonly due: readonly DueItem[]
  readonly trained: readonly Trained[]
  readonly rules: readonly LocalRule[]
  readonly chain: {
    readonly seq: number
    readonly hash: string
    readonly checked: number
    readonly brokenAt: number | null
  }
}

/** How somebody who works here stands with what the site's machines ask for, and the certificates that they hold. */
export interface Trained {
  readonly id: string
  readonly standings: readonly (Standing & { readonly family: string })[]
  readonly papers: readonly PaperSet[]
}

type WithId<T> = Partial<T> & { readonly id: string }

/** Gathers a pack's records, day by day. @param progress is told how many days are read. */
export async function gatherPack(
  pool: Pool,
  asked: PackAsked,
  progress: (done: number, of: number) => Promise<void>,
): Promise<PackKnown> {
  const { site: where, at } = asked
  const of = <T>(kind: Parameters<typeof statesOfKind>[2]) => statesOfKind(pool, where, kind) as Promise<T[]>
  const [all, products, instruments, procedures, ruled, incidents, samples, known, everyone] =
    await Promise.all([
      siteKnown(pool, where),
      of<WithId<ProductSet>>('product'),
      of<WithId<InstrumentSet>>('instrument'),
      of<OwnProcedure>('procedure'),
      of<WithId<LocalRule>>('rule'),
      of<IncidentState>('incident'),
      of<SampleState>('sample'),
      trainingKnown(pool, where, at),
      everyoneOf(pool, where),
    ])
  const { site, stations } = all
  const list = datesBetween(all, asked, at)
  const days: DaySheet[] = []
  for (const day of list) {
    days.push(onlyOf(await sheetOfDay(pool, where, day, at, all), asked.stations))
    await progress(days.length, list.length)
  }
  const worked = proceduresHere(stations, known.day, procedures).filter((p) => !isWaterBack(p))
  const rules = ruled.filter((r): r is LocalRule => r.limit !== undefined)
  const [first, last] = [list[0] ?? asked.from, list.at(-1) ?? asked.to]
  const from = boundsOfDay(site, first).from
  const to = boundsOfDay(site, last).to
  const isAsked = (...ids: readonly (string | null)[]) =>
    asked.stations.length === 0 || ids.some((id) => id !== null && asked.stations.includes(id))
  const here = stations.filter((s) => isAsked(s.id))
  return {
    ...{ asked, site, days, stations, products, instruments, procedures, people: everyone },
    trained: everyone.flatMap((p) => (p.left ? [] : trainedAs(known, p.id, worked))),
    rules,
    incidents: incidents
      .filter((i) => i.status !== 'void' && i.at < to && (i.ended === null || i.ended.at >= from))
      .filter((i) => isAsked(i.station, ...i.stations))
      .toSorted((a, b) => a.at - b.at),
    samples: samplesStand(samples, rules)
      .filter(({ taken }) => taken.at >= from && taken.at < to && isAsked(taken.station))
      .toReversed(),
    due: dueList(site, here, instant(at)),
    chain: await chainOf(pool, where),
  }
}

function trainedAs(known: TrainingKnown, id: string, procedures: readonly Procedure[]): Trained {
  const of = known.person(id)
  return {
    id,
    standings: procedures.map((p) => ({ ...standingOf(of, p), family: p.family })),
    papers: of.training?.papers ?? [],
  }
}

/** The trading days asked for, from the first on which any station was in the log, as far as they have begun. */
function datesBetween({ site, since }: SiteKnown, { from, to }: PackAsked, at: number): string[] {
  const begun = dayOf(site, instant(Math.min(at, ...since.values())))
  const last = [to, dayOf(site, instant(at))].toSorted()[0] ?? to
  const found: string[] = []
  for (let day = from < begun ? begun : from; day <= last; day = dateAfter(day, 1)) found.push(day)
  return found
}

/** Whether the chain is whole, and goes through the heads that backups hold. */
async function chainOf(pool: Pool, site: string): Promise<PackKnown['chain']> {
  const head = await headOf(pool, site)
  const { told, missed } = await inSite(pool, site, async (db) => ({
    told: await followChain(db, site, () => {}),
    missed: await headsMissed(db, site, await backedUpHeads(db, site)),
  }))
  const fault = [...told.faults, ...missed].find((f) => 'seq' in f)
  return { ...head, checked: told.records, brokenAt: fault && 'seq' in fault ? fault.seq : null }
}
