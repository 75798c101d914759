import { instantAt, tradingDay } from '../calendar/index.ts'
import type { DueItem } from '../duty/index.ts'
import {
  baseOf,
  bringsProduct,
  isClosed,
  type Learned,
  type Procedure,
  type RunState,
  type StationState,
} from '../procedure/index.ts'
import { instant, type Instant } from '../quantity/index.ts'
import type { CrewSet, RosterSet } from '../house/roster.ts'
import type { SiteSet } from '../house/site.ts'
import { followUpRuns } from './follow-ups.ts'
import { orderOfWork } from './order-of-work.ts'
import { type Pin, type PlanPerson, type PlanProblem, type PlanRun } from './problem.ts'
import { counterOf, personOf, reachOf, rushSpans } from './shift-people.ts'
import { weightsFor } from './weights.ts'
import { workLeft } from './work-left.ts'

/** What a shift is planned from: the site as it stands at `now`. */
export interface ShiftInput {
  readonly site: SiteSet
  readonly stations: readonly StationState[]
  readonly due: readonly DueItem[]
  readonly runs: readonly RunState[]
  readonly roster: RosterSet
  readonly crew: Readonly<Record<string, CrewSet>>
  readonly names: Readonly<Record<string, string>>
  readonly procedure: (id: string) => Procedure | null
  /** Minutes that the site and its people take by step, by procedure. */
  readonly learned: Readonly<Record<string, Learned>>
  /** Minutes of work by hand in the last seven days, by person; absent where it is not known. */
  readonly worked?: Readonly<Record<string, number>> | undefined
  readonly pins: readonly Pin[]
  /** Runs put in though they are not yet aimed at tonight, by key; and those put off. */
  readonly putIn: readonly string[]
  readonly putOff: readonly string[]
  readonly now: Instant
}

const minuteMs = 60_000
/** Between two areas where the site says nothing; washing hands and changing gloves; showing what is done. Common practice, no source. */
const [walkMinutes, washingMinutes, handingMinutes] = [1, 1, 2]
/** What a minute late weighs: past a rule, or past what the site set itself. Invented: rules first. */
const ruleWeight = 3
const usualWeight = 1
/** The dish machine is never first to go: everything else is washed in it. */
const dishWeight = 4

/** The key of what is due in a plan; a run begun for it keeps the key. */
export const planKey = (d: Pick<DueItem, 'station' | 'procedure' | 'day'>): string =>
  `${d.station}/${d.procedure}/${d.day}`

/** Whether what is due brings product to a machine that is out of service, or is at one that is closed, and so waits. */
export function waitsForService(
  item: Pick<DueItem, 'outOfService' | 'closed' | 'procedure' | 'run'>,
  procedureOf: ShiftInput['procedure'],
): boolean {
  const procedure = procedureOf(item.procedure)
  if (item.closed) return true
  return item.outOfService && item.run === null && procedure !== null && bringsProduct(procedure)
}

/** Whether a run stands at a station where nothing that is done counts. */
const isClosedAt = (input: ShiftInput, run: RunState): boolean => {
  const station = input.stations.find((s) => s.id === run.station)
  return station !== undefined && isClosed(station, run.id)
}

/** The problem of planning one trading day's shift from `now`. Minute 0 is the whole minute of `now`. */
export function shiftProblem(input: ShiftInput): PlanProblem {
  const { site, roster, now } = input
  const start = instant(Math.floor(now / minuteMs) * minuteMs)
  const minute = (at: number) => Math.round((at - start) / minuteMs)
  const local = (time: string) => minute(instantAt(roster.day, time, site.timeZone))
  const day = tradingDay(site, roster.day)
  const trades = { from: Math.max(0, day ? minute(day.opens) : 0), to: day ? minute(day.closes) : 0 }
  // Before the day opens its opening is planned by itself: the close is planned when it trades.
  const isOpening = trades.from > 0
  const until = reachOf(trades.from)
  const people = roster.shifts
    .filter((s) => !s.away && local(s.to) > 0 && local(s.from) < until)
    .map((s) => personOf(input, s, local, until))
  const horizon = Math.max(60, ...people.map((p) => p.most))
  const rushes = rushSpans(site, start, trades.from, Math.min(horizon, trades.to))
  const stations = input.stations.map((s) => ({
    id: s.id,
    name: s.plate?.name ?? s.id,
    place: s.plate?.place ?? '',
    up:
      s.plate?.up === 'trading' && trades.to > trades.from ? [trades] : s.plate?.up === 'rush' ? rushes : [],
  }))
  const { putOff, crew } = input
  const runs = [
    ...runsOf(input, minute, horizon, people),
    ...(isOpening ? [] : followUpRuns(input.stations, crew, people, horizon, usualWeight)).filter(
      (r) => !putOff.includes(r.id),
    ),
  ]
  const { planning = {}, lastOfAll = [] } = site
  const closedBy = planning.closedBy === undefined ? undefined : local(planning.closedBy)
  const families = new Map(input.stations.map((s) => [s.id, s.plate?.family ?? '']))
  return {
    format: 'tadka-plan-problem@1',
    start,
    horizon,
    people,
    counters: (site.counters ?? []).map((c) => counterOf(c, rushes, trades)),
    stations,
    keepUp: site.keepUp ?? [],
    places: { ...site.shared },
    ...(site.walks ? { walks: site.walks } : {}),
    runs,
    orders: orderOfWork(
      runs,
      stations.map((s) => ({ ...s, family: families.get(s.id) ?? '' })),
      lastOfAll,
    ),
    pins: input.pins.filter((p) => runs.some((r) => r.id === p.run && !r.segments.some((s) => s.fixed))),
    walkElse: walkMinutes,
    washing: washingMinutes,
    handing: handingMinutes,
    ...(planning.placeAreas && { placeAreas: { ...planning.placeAreas } }),
    ...(planning.neverAlone && people.length > 1 && { neverAlone: true }),
    ...(planning.keys && { keys: people.filter((p) => crew[p.id]?.keys).map((p) => p.id) }),
    ...(closedBy !== undefined && !isOpening && { closedBy }),
    weights: weightsFor(planning.wish ?? 'home-soonest'),
  }
}

function runsOf(
  input: ShiftInput,
  minute: (at: number) => number,
  horizon: number,
  people: readonly PlanPerson[],
): PlanRun[] {
  // What stands at a station that is closed waits, begun or not.
  const going = input.runs.filter(
    (r) => (r.status === 'running' || r.status === 'parked') && !isClosedAt(input, r),
  )
  const taken = new Set<string>()
  const due = input.due.flatMap((item): PlanRun[] => {
    const key = planKey(item)
    const run = going.find((r) => r.id === item.run) ?? null
    const tonight = minute(item.target) <= horizon || input.putIn.includes(key) || run !== null
    if (!tonight || minute(item.earliest) >= horizon || input.putOff.includes(key) || taken.has(key))
      return []
    // An opening that went by is no work for tonight, nor is what a stopped machine may not do.
    if (item.goneBy && run === null && !input.putIn.includes(key)) return []
    if (item.closed || (run === null && waitsForService(item, input.procedure))) return []
    if (run) taken.add(run.id)
    // Several triggers may ask for the same procedure on the same day.
    taken.add(key)
    return planRun(
      input,
      item.station,
      item.procedure,
      run,
      {
        id: key,
        earliest: Math.max(0, minute(item.earliest), run ? 0 : servesUntil(input, item, minute)),
        target: minute(item.target),
        latest: Math.max(0, minute(item.latest)),
        weight: weightOf(item, input),
        endsFrom: freshFrom(input.site, item, minute),
      },
      minute,
      people,
    )
  })
  const begun = going
    .filter((r) => !taken.has(r.id))
    .flatMap((run) =>
      planRun(
        input,
        run.station,
        run.procedure.id,
        run,
        {
          id: `run/${run.id}`,
          earliest: 0,
          target: horizon,
          latest: horizon,
          weight: usualWeight,
          endsFrom: 0,
        },
        minute,
        people,
      ),
    )
  return [...due, ...begun]
}

/** A surface that is cleaned for the close serves until then. */
function servesUntil(
  { site, stations, roster }: ShiftInput,
  item: DueItem,
  minute: (at: number) => number,
): number {
  const closes = tradingDay(site, roster.day)?.closes
  const isSurface = stations.find((s) => s.id === item.station)?.plate?.family === 'surface'
  return isSurface && closes !== undefined && item.latest >= closes ? minute(closes) : 0
}

const weightOf = (item: DueItem, { stations }: ShiftInput): number => {
  const family = stations.find((s) => s.id === item.station)?.plate?.family ?? ''
  if (family.startsWith('dish-machine')) return dishWeight
  return item.trigger === 'each-close' || item.trigger === 'weekly' ? usualWeight : ruleWeight
}

/** What a machine is sanitized for is its first sale: earlier than the site's hours before it, it would be stale. */
const freshFrom = (site: SiteSet, item: DueItem, minute: (at: number) => number): number =>
  item.trigger === 'each-open' ? Math.max(0, minute(item.latest) - site.freshHours * 60) : 0

function planRun(
  input: ShiftInput,
  station: string,
  procedureId: string,
  run: RunState | null,
  window: Pick<PlanRun, 'id' | 'earliest' | 'target' | 'latest' | 'weight' | 'endsFrom'>,
  minute: (at: number) => number,
  people: readonly PlanPerson[],
): PlanRun[] {
  const plate = input.stations.find((s) => s.id === station)?.plate
  const procedure = run?.document ?? input.procedure(procedureId)
  if (!plate || !procedure) return []
  // What the site's own takes; until it was worked, what the one takes that it stands in for.
  const learned = input.learned[procedure.id] ?? input.learned[baseOf(procedure.id)]
  const work = workLeft(
    procedure,
    run,
    {
      parameters: run?.parameters ?? plate.parameters,
      options: run?.options ?? plate.options ?? {},
      learned: learned?.site ?? {},
      learnedBy: Object.fromEntries(
        people.flatMap((p) => {
          const own = learned?.people[p.id]
          return own ? [[p.id, own]] : []
        }),
      ),
    },
    minute,
    people.map((p) => p.id),
  )
  if (work.segments.length === 0) return []
  const kinds = [procedureId, baseOf(procedureId), procedure.family, plate.family]
  const may = (list: 'signedOff' | 'learning') =>
    people.filter((p) => input.crew[p.id]?.[list].some((x) => kinds.includes(x))).map((p) => p.id)
  return [
    {
      ...window,
      station,
      procedure: procedureId,
      title: procedure.name,
      signedOff: may('signedOff'),
      learning: may('learning'),
      ...(run && run.lastBy !== '' && { begunBy: run.lastBy }),
      ...work,
    },
  ]
}
