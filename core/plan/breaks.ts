import type { Planning } from '../house/site.ts'
import type { RosterShift } from '../house/roster.ts'
import type { PlanBreak } from './problem.ts'

/** Between one break's begin and the next, of the longest that may be worked on end: so that no two fall farther apart. */
const spacing = 2 / 3

/**
 * When somebody's breaks may begin, so that nobody works longer than the site's hours without one: each in a window of its own, no two
 * of them too far apart wherever they fall in it. Minutes. What the roster says comes first. @param from, to the hours of the shift.
 */
export function breaksOf(
  shift: RosterShift,
  from: number,
  to: number,
  rule: Planning['breaks'],
  local: (time: string) => number,
): PlanBreak[] {
  const entered = shift.breaks.map((b, i): PlanBreak => ({
    id: `break-${i + 1}`,
    minutes: b.minutes,
    earliest: local(b.earliest),
    latest: local(b.latest),
  }))
  if (!rule || entered.length > 0) return entered
  const most = rule.hours * 60
  const apart = most * spacing
  const count = Math.max(0, Math.ceil((to - from - most) / apart + 0.5))
  return Array.from({ length: to - from > most ? count : 0 }, (_, i) => ({
    id: `break-${i + 1}`,
    minutes: rule.minutes,
    earliest: Math.round(from + (i + 0.5) * apart),
    latest: Math.round(from + (i + 1) * apart),
  }))
}
