import { segmentMinutes, type Plan, type PlanProblem } from './problem.ts'
import { type PlanSet } from './records.ts'

/** Minutes that a new plan must win for it to take the place of the one in force. */
export const leastGain = 3
/** Minutes of the price that a weighted minute late is worth here: small lateness calls nobody away. */
const lateMinutes = 3
/** What begins within so many minutes stays where it is. */
export const nearMinutes = 5

/** A plan told in the minutes of a later problem. @param start ms UTC of its minute 0. */
export function shiftedPlan(set: Pick<PlanSet, 'plan' | 'start'>, start: number): Plan {
  const by = Math.round((start - set.start) / 60_000)
  const moved = <T extends { start: number; end: number }>(p: T): T => ({
    ...p,
    start: p.start - by,
    end: p.end - by,
  })
  const { plan } = set
  return {
    ...plan,
    placed: plan.placed.map(moved),
    breaks: plan.breaks.map(moved),
    leaves: Object.fromEntries(Object.entries(plan.leaves).map(([id, at]) => [id, at - by])),
    objective: { ...plan.objective, last: plan.objective.last - by },
  }
}

/** The problem with what is about to begin held to the plan before: a person on the way to a machine is not called back. */
export function heldNear(problem: PlanProblem, before: Plan): PlanProblem {
  const near = before.placed.filter((p) => p.start >= 0 && p.start <= nearMinutes && p.person !== null)
  const taken = new Map<string, number>()
  for (const r of problem.runs)
    for (const s of r.segments)
      if (s.fixed?.person) taken.set(s.fixed.person, s.fixed.start + segmentMinutes(s, s.fixed.person))
  const runs = problem.runs.map((run) => {
    const next = near.find((p) => p.run === run.id)
    if (!next?.person || run.segments.some((s) => s.fixed)) return run
    const person = problem.people.find((p) => p.id === next.person)
    const first = run.segments.find((s) => s.id === next.segment)
    const end = first && person ? next.start + segmentMinutes(first, person.id) : 0
    const whole = Math.max(end, ...before.placed.filter((p) => p.run === run.id).map((p) => p.end))
    const free =
      person !== undefined &&
      first?.kind === 'hands-on' &&
      first.hands !== 2 &&
      !run.links.some((l) => l.to === next.segment) &&
      next.start >= run.earliest &&
      person.from <= next.start &&
      end <= person.most &&
      run.signedOff.includes(person.id) &&
      (taken.get(person.id) ?? 0) <= next.start &&
      !problem.stations.find((s) => s.id === run.station)?.up.some((u) => u.from < whole && next.start < u.to)
    if (!free || !person) return run
    taken.set(person.id, end)
    const fixed = { person: person.id, start: next.start }
    return { ...run, segments: run.segments.map((s) => (s === first ? { ...s, fixed } : s)) }
  })
  return { ...problem, runs }
}

/** Whether a new plan is worth the change: it mends something, or wins `least` minutes of the price, in which changes count. */
export function worthChanging(kept: Plan, next: Plan, least = leastGain): boolean {
  if (next.unplaced.length !== kept.unplaced.length) return next.unplaced.length < kept.unplaced.length
  if (next.objective.late < kept.objective.late) return true
  if (next.objective.late > kept.objective.late) return false
  return kept.objective.price - next.objective.price >= least
}

/** What a better plan must win where nothing is wrong with the one in force: people are not called away for less. */
export const calmGain = 10

/**
 * What an evening goes on by, of the plan in force pushed by what happened, its repairs, and the best plan found: the one in force as long
 * as it is about as much in time as any; else the first that is less than `calmGain` minutes dearer than each that comes after it, changes
 * counted in. Nothing that another places is left out.
 */
export function calmest(kept: Plan | null, repairs: readonly Plan[], best: Plan): Plan {
  const all = [...(kept ? [kept] : []), ...repairs, best]
  const least = Math.min(...all.map((p) => p.unplaced.length))
  const cost = ({ objective }: Plan) => objective.late * lateMinutes + objective.price
  const able = all.filter((p) => p.unplaced.length === least && p.told.length <= best.told.length)
  // What is only cheaper calls nobody away from a plan that still holds: it is offered to who asks for it.
  const late = ({ objective }: Plan) => objective.late * lateMinutes
  if (kept && able.includes(kept) && able.every((o) => late(kept) - late(o) < calmGain)) return kept
  const calm = able.find((p, i) => able.slice(i + 1).every((o) => cost(p) - cost(o) < calmGain))
  return calm ?? best
}

/** What became of one run between two plans. Minutes of its first work by hand; the people in the order in which they come. */
export interface Change {
  readonly run: string
  readonly kind: 'moved' | 'handed' | 'put-in' | 'left-out'
  readonly from: { readonly start: number; readonly people: readonly string[] } | null
  readonly to: { readonly start: number; readonly people: readonly string[] } | null
}

/** The difference between two plans, run by run, the earliest first. Runs that moved by less than `least` minutes are left out. */
export function changesBetween(before: Plan, after: Plan, least = leastGain): Change[] {
  const runs = [...new Set([...before.placed, ...after.placed].map((p) => p.run))]
  return runs
    .flatMap((run): Change[] => {
      const [from, to] = [standing(before, run), standing(after, run)]
      if (!from && !to) return []
      if (!from) return [{ run, kind: 'put-in', from, to }]
      if (!to) return [{ run, kind: 'left-out', from, to }]
      if (from.people.toSorted().join() !== to.people.toSorted().join())
        return [{ run, kind: 'handed', from, to }]
      return Math.abs(from.start - to.start) >= least ? [{ run, kind: 'moved', from, to }] : []
    })
    .toSorted((a, b) => (a.to ?? a.from ?? { start: 0 }).start - (b.to ?? b.from ?? { start: 0 }).start)
}

function standing(plan: Plan, run: string): Change['from'] {
  const own = plan.placed.filter((p) => p.run === run && p.person !== null)
  if (own.length === 0) return null
  return {
    start: Math.min(...own.map((p) => p.start)),
    people: [...new Set(own.flatMap((p) => p.person ?? []))],
  }
}
