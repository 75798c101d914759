import type { Placed, Plan, PlanProblem, PriceTerms } from '../problem.ts'
import { weightsOf } from '../weights.ts'
import { isHandedOver, workBefore } from './handed.ts'
import type { Check, Checked, Violation } from './violation.ts'
import { areaOf, walkBetween } from './walks.ts'

/** What the levels weigh, as the format says. */
const [unplaced, overtime, alone] = [600, 2, 2]
const short = 5

/** Weighted minutes late, counted from the plan alone. */
export function lateOf({ problem, plan }: Checked): number {
  const endOf = (run: string) => Math.max(0, ...plan.placed.filter((p) => p.run === run).map((p) => p.end))
  const left = new Set(plan.unplaced.map((u) => u.run))
  const runs = problem.runs.reduce(
    (sum, r) => sum + (left.has(r.id) ? unplaced : Math.max(0, endOf(r.id) - r.latest)) * r.weight,
    0,
  )
  const people = problem.people.reduce((sum, p) => {
    const breaks = p.breaks.reduce((late, b) => {
      const taken = plan.breaks.find((x) => x.person === p.id && x.id === b.id)
      return late + (taken ? Math.max(0, taken.start - b.latest) : unplaced)
    }, 0)
    return sum + breaks + Math.max(0, (plan.leaves[p.id] ?? 0) - p.to) * overtime
  }, 0)
  const told = plan.told.reduce(
    (sum, t) => sum + (t.kind === 'alone' || t.kind === 'no-keys' ? (t.to - t.from) * alone : 0),
    0,
  )
  return runs + people + told
}

/** The terms of the price, counted from the plan alone; changes are taken as the plan has them: the plan before is not known here. */
export function termsOf(checked: Checked): PriceTerms {
  const { problem, plan, whole, segment } = checked
  const leaves = problem.people.map((p) => ({ from: Math.max(0, p.from), to: plan.leaves[p.id] ?? 0 }))
  const rows = problem.people.map((p) =>
    plan.placed.filter((x) => x.person === p.id).toSorted((a, b) => a.start - b.start),
  )
  const sum = <T>(of: readonly T[], by: (t: T) => number) => of.reduce((s, t) => s + by(t), 0)
  const stays = rows.flatMap((row) => staysOf(checked, row))
  return {
    paid: sum(leaves, (l) => Math.max(0, l.to - l.from)),
    last: Math.max(0, ...Object.values(plan.leaves)),
    wish: sum(whole, ({ run, span }) => Math.max(0, span.end - run.target)),
    handovers: sum(
      whole,
      ({ run, own }) =>
        own.filter((p) => {
          const s = segment(p)
          const hands = (id: string) => own.find((o) => o.segment === id)?.person
          const isClean = workBefore(run, p.segment).some((b) => b.handover)
          return s !== undefined && isHandedOver(run, s, p.person, hands) && !isClean
        }).length,
    ),
    walks: sum(rows, (row) =>
      row
        .slice(1)
        .reduce(
          (m, p, i) => m + walkBetween(problem, areaOf(checked, row[i] as Placed), areaOf(checked, p)),
          0,
        ),
    ),
    areas: stays.filter((s) => s.isAway).length,
    short: stays.filter((s) => s.isAway && s.minutes < short).length,
    gaps: sum(whole, ({ own }) => gapsOf(checked, own)),
    unfair: unfairness(problem, plan),
    changes: plan.objective.terms.changes,
  }
}

/** One after the other the stays of a row in the areas of its machines; between two works of the same run nobody leaves. */
function staysOf({ problem, runs }: Checked, row: readonly Placed[]) {
  const place = (p: Placed) => problem.stations.find((s) => s.id === runs.get(p.run)?.station)?.place
  return row.reduce<{ place: string | undefined; isAway: boolean; minutes: number }[]>((stays, p) => {
    const last = stays.at(-1)
    if (last && last.place === place(p)) last.minutes += p.end - p.start
    else stays.push({ place: place(p), isAway: stays.length > 0, minutes: p.end - p.start })
    return stays
  }, [])
}

/** Minutes between a run's first and last work in which nothing of it runs. */
function gapsOf({ segment }: Checked, own: readonly Placed[]): number {
  const work = own.filter((p) => p.person !== null)
  const [first, last] = [Math.min(...work.map((p) => p.start)), Math.max(...work.map((p) => p.end))]
  const runsAt = (t: number) =>
    own.some((p) => p.start <= t && t < (p.person === null ? p.start + (segment(p)?.minutes ?? 0) : p.end))
  return Array.from({ length: Math.max(0, last - first) }, (_, n) => first + n).filter((t) => !runsAt(t))
    .length
}

/** Half of what people work more and less than their share of this shift. */
function unfairness({ people, runs, counters }: PlanProblem, plan: Plan): number {
  const free = people.map((p) => {
    const held = counters
      .filter((c) => p.serves.includes(c.id))
      .map((c) => {
        const servers = people.filter((o) => o.serves.includes(c.id)).length
        return c.need.reduce((m, n) => m + (n.to - n.from) * n.people, 0) / servers
      })
    const hours = Math.max(1, p.to - Math.max(0, p.from) - p.breaks.reduce((m, b) => m + b.minutes, 0))
    return held.reduce((left, m) => Math.max(1, left - m), hours)
  })
  const counted = people.flatMap((p) => p.earlier ?? [])
  const mean = counted.reduce((a, b) => a + b, 0) / Math.max(1, counted.length)
  return people.reduce((sum, p, i) => {
    const share = runs.reduce((of, r) => {
      const may = people.flatMap((o, n) => (r.signedOff.includes(o.id) ? [free[n] as number] : []))
      const hands = r.segments.reduce((m, s) => m + (s.kind === 'hands-on' ? s.minutes : 0), 0)
      return r.signedOff.includes(p.id)
        ? of + (hands * (free[i] as number)) / may.reduce((a, b) => a + b, 0)
        : of
    }, 0)
    const fair = p.earlier === undefined ? share : Math.max(0, share - (p.earlier - mean) / 7)
    const does = plan.placed
      .filter((x) => x.person === p.id || x.helper === p.id)
      .reduce((m, x) => m + x.end - x.start, 0)
    return sum + Math.abs(does - fair) / 2
  }, 0)
}

/** The objective is what the plan's own pieces count up to. */
export const objective: Check = (checked) => {
  const { problem, plan } = checked
  const { late, last, price, terms } = plan.objective
  const counted = termsOf(checked)
  const off = (is: number, limit: number): Violation[] =>
    Math.abs(is - limit) < 1e-6 ? [] : [{ constraint: 'objective', is, limit }]
  const names = Object.keys(counted) as (keyof PriceTerms)[]
  const weights = weightsOf(problem)
  const sum = names.reduce((s, n) => s + weights[n] * terms[n], 0)
  return [
    ...off(late, lateOf(checked)),
    ...off(last, counted.last),
    ...names.flatMap((n) => off(terms[n], counted[n])),
    ...off(price, sum),
  ]
}
