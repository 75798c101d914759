import { segmentMinutes, type Pin, type PlanProblem } from './problem.ts'
import { planSearch } from './search.ts'
import { freed, type Reason } from './ways-out.ts'

/** Iterations that look for a place: every rule of thumb, and a few changes. */
const trial = 12

/** Why a run cannot stand where somebody would have it. */
export type Refused =
  | { readonly why: 'begun' | 'not-signed-off' | 'nobody-by' | 'away' | 'elsewhere' }
  | { readonly why: 'too-early'; readonly from: number }
  | { readonly why: 'station-up'; readonly until: number }
  | { readonly why: Reason }

/** The reason for which a pinned run does not stand: what is plain first, then whatever would let it stand if it gave way. */
export function whyNot(problem: PlanProblem, pin: Pin): Refused {
  const run = problem.runs.find((r) => r.id === pin.run)
  const person = problem.people.find((p) => p.id === pin.person)
  if (!run || run.segments.some((s) => s.fixed)) return { why: 'begun' }
  if (pin.person !== null && !person) return { why: 'away' }
  if (person && !run.signedOff.includes(person.id) && !run.learning.includes(person.id))
    return { why: 'not-signed-off' }
  const first = run.segments.find((s) => !run.links.some((l) => l.to === s.id))
  if (pin.start !== null && first) {
    if (pin.start < run.earliest) return { why: 'too-early', from: run.earliest }
    if (person && (pin.start < person.from || pin.start + segmentMinutes(first, person.id) > person.most))
      return { why: 'away' }
    const begin = pin.start
    const least = run.segments.reduce((sum, s) => sum + (s.kind === 'hands-on' ? s.minutes : 0), 0)
    const up = problem.stations
      .find((s) => s.id === run.station)
      ?.up.find((u) => begin < u.to && u.from < begin + Math.min(least, first.minutes))
    if (up) return { why: 'station-up', until: up.to }
  }
  const stands = (p: PlanProblem) => {
    const search = planSearch(p)
    search.improve(trial)
    return search.plan().unplaced.every((u) => u.run !== pin.run)
  }
  const pinned = { ...problem, pins: [...problem.pins.filter((p) => p.run !== pin.run), pin] }
  // Who learns may do it alone: then it is only that nobody could be by.
  const alone = problem.runs.map((r) =>
    r === run ? { ...r, signedOff: [...r.signedOff, ...r.learning] } : r,
  )
  if (person && run.learning.includes(person.id) && stands({ ...pinned, runs: alone }))
    return { why: 'nobody-by' }
  for (const why of ['stations', 'counters', 'keep-up', 'places', 'order', 'hours'] as const)
    if (stands(freed(pinned, why))) return { why }
  return { why: 'elsewhere' }
}
