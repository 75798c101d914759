import { instantAt, tradingDay } from '../../calendar/index.ts'
import type { CrewSet, RosterSet } from '../../house/roster.ts'
import type { SiteSet } from '../../house/site.ts'
import { baseOf, isWaterBack, type StationState } from '../../procedure/index.ts'
import { breaksOf } from '../breaks.ts'
import { followUpProcedure } from '../follow-ups.ts'
import type { Plan } from '../problem.ts'
import type { PlanSet } from '../records.ts'
import { reachOf } from '../shift-people.ts'
import type { Constraint } from './violation.ts'

/** What the site's records know of a plan that is to be put in force. */
export interface PlanKnown {
  readonly site: Partial<SiteSet> | null
  readonly roster: Partial<RosterSet> | null
  readonly crew: (id: string) => Partial<CrewSet> | null
  readonly station: (id: string) => StationState | null
}

/** What of a plan the records contradict: the rule, and of what. */
export interface Contradiction {
  readonly constraint: Constraint
  readonly of: string
}

const minuteMs = 60_000
/** Minutes past their hours that a plan may keep people. */
const overtimeMinutes = 45

/**
 * What the site's own records contradict of a plan, counted from them and not from the problem that it was made of: people who are not on
 * the roster, machines that are not there, work that nobody is signed off for, two things at once, work outside hours, a break left out
 * untold, a last departure that is not so. The first of it, or null.
 */
export function contradictionOf(set: PlanSet, known: PlanKnown): Contradiction | null {
  const { plan } = set
  return (
    unknownIn(plan, known) ??
    overlapIn(plan) ??
    notSignedOff(plan, known) ??
    outsideHours(set, known) ??
    breakLeftOut(set, known) ??
    (Math.max(0, ...Object.values(plan.leaves)) === plan.objective.last
      ? null
      : { constraint: 'objective', of: 'last' })
  )
}

const key = (...names: readonly string[]): string => JSON.stringify(names)
const stationOf = (run: string): string | null => (run.startsWith('run/') ? null : (run.split('/')[0] ?? ''))

function unknownIn(plan: Plan, { roster, station }: PlanKnown): Contradiction | null {
  const people = new Set((roster?.shifts ?? []).map((s) => s.person))
  const named = [
    ...plan.placed.flatMap((p) => [p.person, p.by, p.helper]),
    ...plan.breaks.map((b) => b.person),
    ...Object.keys(plan.leaves),
  ]
  const nobody = named.find((id) => typeof id === 'string' && !people.has(id))
  if (typeof nobody === 'string') return { constraint: 'unknown', of: nobody }
  const seen = new Set<string>()
  for (const p of plan.placed) {
    const name = key(p.run, p.segment)
    if (seen.has(name)) return { constraint: 'placed-once', of: p.run }
    seen.add(name)
    if (p.end < p.start) return { constraint: 'duration', of: p.run }
    const at = stationOf(p.run)
    if (at !== null && !station(at)?.plate) return { constraint: 'unknown', of: p.run }
  }
  return null
}

function overlapIn(plan: Plan): Contradiction | null {
  const busy = new Map<string, { start: number; end: number }[]>()
  const add = (person: string | null | undefined, span: { start: number; end: number }) => {
    if (person) busy.set(person, [...(busy.get(person) ?? []), span])
  }
  for (const p of plan.placed) for (const who of [p.person, p.helper]) add(who, p)
  for (const b of plan.breaks) add(b.person, b)
  for (const [person, spans] of busy) {
    const own = spans.toSorted((a, b) => a.start - b.start)
    if (own.some((s, i) => i > 0 && s.start < (own[i - 1]?.end ?? 0)))
      return { constraint: 'one-at-a-time', of: person }
  }
  return null
}

/** What has begun goes on in whoever's hands; what an inspection asked for is not signed off by procedure, and flushing by nobody. */
function notSignedOff(plan: Plan, { crew, station }: PlanKnown): Contradiction | null {
  const wrong = plan.placed.find((p) => {
    const [at, procedure = ''] = p.run.split('/')
    const state = station(at ?? '')
    if (
      p.person === null ||
      stationOf(p.run) === null ||
      state?.currentRun ||
      procedure === followUpProcedure ||
      isWaterBack({ id: procedure })
    )
      return false
    const family = state?.plate?.family ?? ''
    const kinds = [procedure, baseOf(procedure), family, baseOf(procedure).split('.')[0] ?? '']
    const { signedOff = [], learning = [] } = crew(p.person) ?? {}
    return ![...signedOff, ...learning].some((s) => kinds.includes(s))
  })
  return wrong ? { constraint: 'sign-off', of: wrong.person ?? '' } : null
}

/** A time of the plan's day in its minutes. */
const minuteIn =
  (day: string, start: number, zone: string) =>
  (time: string): number =>
    Math.round((instantAt(day, time, zone) - start) / minuteMs)

function outsideHours(
  { day, start, plan }: PlanSet,
  { site, roster, station }: PlanKnown,
): Contradiction | null {
  const zone = site?.timeZone
  if (!zone) return null
  const minute = minuteIn(day, start, zone)
  for (const shift of roster?.shifts ?? []) {
    const [from, to] = [minute(shift.from), minute(shift.to) + overtimeMinutes]
    const wrong = plan.placed.some((p) => {
      const begun = stationOf(p.run) === null || station(stationOf(p.run) ?? '')?.currentRun
      return p.person === shift.person && !begun && (p.start < from || p.end > to)
    })
    if (wrong) return { constraint: 'hours', of: shift.person }
  }
  return null
}

/** A break that is still to come is in the plan, or said to be left out. */
function breakLeftOut({ day, start, plan }: PlanSet, { site, roster }: PlanKnown): Contradiction | null {
  const zone = site?.timeZone
  if (!zone) return null
  const minute = minuteIn(day, start, zone)
  // A plan of the opening reaches to no break of the day.
  const opens = site.hours && tradingDay(site as SiteSet, day)?.opens
  const until = reachOf(opens ? Math.round((opens - start) / minuteMs) : 0)
  const untold = (roster?.shifts ?? []).find((shift) => {
    const asked = breaksOf(shift, minute(shift.from), minute(shift.to), site.planning?.breaks, minute)
    const ahead = asked.filter((b) => b.earliest > 0 && b.earliest + b.minutes <= until).length
    const told = plan.told.filter((t) => t.kind === 'break-missing' && t.person === shift.person).length
    const taken = plan.breaks.filter((b) => b.person === shift.person).length
    const plans = plan.leaves[shift.person] !== undefined
    return plans && !shift.away && taken + told < ahead
  })
  return untold ? { constraint: 'break', of: untold.person } : null
}
