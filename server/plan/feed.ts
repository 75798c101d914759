import { dateAfter, dateAt, instantAt } from '@tadka/core/calendar'
import { dueAhead, isDaily, type DueItem, type Prediction } from '@tadka/core/duty'
import { baseOf, latestProcedure, type StationState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import type { CrewSet, RosterSet, SiteSet } from '@tadka/core/house'
import type { PlanState } from '@tadka/core/plan'
import { visitsAhead, type VisitState } from '@tadka/core/visit'
import { calendar as words } from '@tadka/words/en/calendar'
import { pest } from '@tadka/words/en/pest'
import { run as runWords } from '@tadka/words/en/run'
import { said } from '@tadka/words/said'
import { ICalCalendar } from 'ical-generator'

export interface FeedSource {
  readonly site: SiteSet
  readonly person: { readonly id: string; readonly name: string }
  /** With their racks counted. */
  readonly stations: readonly StationState[]
  /** What rinses and baths are expected to do. */
  readonly predictions: readonly Prediction[]
  readonly rosters: readonly RosterSet[]
  readonly plans: readonly PlanState[]
  /** Who comes from outside; none where this person looks after no visits. */
  readonly visits: readonly VisitState[]
  readonly crew: CrewSet | null
}

const minuteMs = 60_000
const weeksAhead = 4
/** Pieces of one run that follow on within so many minutes are one event. */
const joinMinutes = 20

/**
 * A person's calendar: their shifts, what the plans in force give them, the weekly and rarer duties to come that they are
 * signed off for, and visits from outside where they look after those. @param now milliseconds UTC. Returns iCalendar text.
 */
export function personFeed(source: FeedSource, now: number): string {
  const { site, person } = source
  const calendar = new ICalCalendar({
    name: said(words.name, { site: site.name, person: person.name }),
    prodId: { company: 'tadka', product: 'shift' },
  })
  const stamp = new Date(now)
  const event = (id: string, start: number, end: number, summary: string, description: string) =>
    calendar.createEvent({ id, stamp, start: new Date(start), end: new Date(end), summary, description })

  for (const roster of source.rosters)
    for (const s of roster.shifts.filter((s) => s.person === person.id && !s.away)) {
      const at = (time: string) => instantAt(roster.day, time, site.timeZone)
      event(
        `shift-${roster.day}-${person.id}`,
        at(s.from),
        at(s.to),
        said(words.shift, { site: site.name }),
        '',
      )
    }
  for (const plan of source.plans)
    for (const w of workIn(plan, person.id))
      event(
        `work-${plan.id}-${w.run}-${w.start}`,
        w.start,
        w.end,
        wordsOf(source.stations, w.run),
        words.asPlanned,
      )
  for (const d of rareDuties(source, now))
    event(
      `duty-${d.station}-${d.procedure}-${d.day}`,
      d.target - 30 * minuteMs,
      d.target,
      said(words.due, { what: wordsOf(source.stations, `${d.station}/${d.procedure}`) }),
      d.rule,
    )
  for (const v of visitsAhead(source.visits, dateAt(instant(now), site.timeZone))) {
    const station = source.stations.find((s) => s.id === v.station)?.plate?.name
    calendar.createEvent({
      ...{ id: `visit-${v.id}`, stamp, allDay: true, timezone: 'UTC' },
      start: new Date(`${v.day}T00:00:00Z`),
      summary: said(words.visit, { what: pest.visit.kind[v.kind], company: v.company }),
      description: [station, v.note].filter(Boolean).join(': '),
    })
  }
  return calendar.toString()
}

function wordsOf(stations: readonly StationState[], run: string): string {
  const [id = '', procedure = '', of = ''] = run.split('/')
  const station = stations.find((s) => s.id === id)
  const asked = station?.followUps.find((f) => of === `${f.run}.${f.step}`)?.outcome
  const what =
    asked === 'regrease' || asked === 'replace'
      ? runWords.choice[asked]
      : (latestProcedure(procedure)?.name ?? procedure)
  return said(words.work, { station: station?.plate?.name ?? id, what })
}

function workIn(plan: PlanState, person: string): { run: string; start: number; end: number }[] {
  const { inForce } = plan
  if (!inForce) return []
  const out: { run: string; start: number; end: number }[] = []
  for (const p of inForce.plan.placed
    .filter((p) => p.person === person)
    .toSorted((a, b) => a.start - b.start)) {
    const start = inForce.start + p.start * minuteMs
    const end = inForce.start + p.end * minuteMs
    const last = out.findLast((o) => o.run === p.run)
    if (last && start - last.end <= joinMinutes * minuteMs) last.end = Math.max(last.end, end)
    else out.push({ run: p.run, start, end })
  }
  return out
}

function rareDuties({ site, stations, predictions, crew }: FeedSource, now: number): DueItem[] {
  const to = instantAt(dateAfter(dateAt(instant(now), site.timeZone), 7 * weeksAhead), '24:00', site.timeZone)
  return dueAhead(site, stations, instant(now), to, predictions).filter((d) => {
    const family = stations.find((s) => s.id === d.station)?.plate?.family ?? ''
    const signedOff = crew?.signedOff ?? []
    return !isDaily(d) && signedOff.some((x) => x === family || baseOf(x) === baseOf(d.procedure))
  })
}
