import { demandAt, rushPeaks } from '../duty/index.ts'
import { instant, type Instant } from '../quantity/index.ts'
import type { RosterShift } from '../house/roster.ts'
import type { SiteSet } from '../house/site.ts'
import { breaksOf } from './breaks.ts'
import type { PlanCounter, PlanPerson, Span } from './problem.ts'
import type { ShiftInput } from './shift-problem.ts'

/** Minutes past their hours that people may be kept, and that a plan reaches past the last of them. */
const overtimeMinutes = 45
/** How busy the counters are from which it is a rush; 1 is an ordinary one. */
const rushFrom = 0.3
const minuteMs = 60_000
/** Minutes past opening that the plan of an opening reaches: what is late then is still seen. */
const afterOpening = 60

/** The last minute of a plan: before the day opens its opening is planned by itself. @param opens minutes from now; 0 and below: it has. */
export const reachOf = (opens: number): number =>
  opens > 0 ? opens + afterOpening : Number.POSITIVE_INFINITY

/** Somebody of the roster, in minutes of the plan. @param until the plan's last minute. */
export function personOf(
  { site, crew, names, worked }: ShiftInput,
  shift: RosterShift,
  local: (t: string) => number,
  until: number,
): PlanPerson {
  const to = Math.min(local(shift.to), until)
  return {
    id: shift.person,
    name: names[shift.person] ?? shift.person,
    from: Math.max(0, local(shift.from)),
    to,
    most: Math.min(to + overtimeMinutes, until),
    serves: crew[shift.person]?.serves ?? [],
    // One whose time is over was taken, or is lost.
    breaks: breaksOf(shift, local(shift.from), local(shift.to), site.planning?.breaks, local)
      .filter((b) => b.latest >= 0 && b.earliest + b.minutes <= until)
      .map((b) => ({ ...b, earliest: Math.max(0, b.earliest) })),
    home: crew[shift.person]?.home ?? null,
    ...(worked && { earlier: worked[shift.person] ?? 0 }),
  }
}

/** A peak farther off than this fills no counter any more, milliseconds. */
const rushReaches = 240 * minuteMs

/** Spans of minutes in which there is a rush. */
export function rushSpans(site: SiteSet, start: Instant, from: number, minutes: number): Span[] {
  const peaks = rushPeaks(
    site,
    instant(start - rushReaches),
    instant(start + Math.max(from, minutes) * minuteMs + rushReaches),
  )
  const spans: Span[] = []
  for (let t = from; t < minutes; t++) {
    if (demandAt(peaks, instant(start + t * minuteMs)) < rushFrom) continue
    const last = spans.at(-1)
    if (last?.to === t) spans[spans.length - 1] = { from: last.from, to: t + 1 }
    else spans.push({ from: t, to: t + 1 })
  }
  return spans
}

/** Who must stay at a counter, in quiet and in rushes. */
export function counterOf(
  c: NonNullable<SiteSet['counters']>[number],
  rushes: readonly Span[],
  trades: Span,
): PlanCounter {
  const need: PlanCounter['need'][number][] = []
  const closes = trades.to
  let at = trades.from
  for (const r of [...rushes, { from: closes, to: closes }]) {
    if (r.from > at) need.push({ from: at, to: Math.min(r.from, closes), people: c.quiet })
    if (r.to > r.from) need.push({ from: r.from, to: Math.min(r.to, closes), people: c.rush })
    at = Math.max(at, r.to)
  }
  return { id: c.id, name: c.name, need: need.filter((n) => n.to > n.from && n.people > 0) }
}
