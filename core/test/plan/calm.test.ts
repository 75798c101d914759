import { describe, expect, it } from 'vitest'
import { calmest, planSearch, planViolations, type Plan, type PlanProblem } from '../../plan/index.ts'
import { madeUp } from './instances.ts'
import { laterIn, type Happened } from './later.ts'

const size = { runs: 9, people: 4, counters: 2, grid: 1, pieces: [2, 5], horizon: 260, trade: 60 } as const
const made = (seed: number): PlanProblem => ({ ...madeUp(seed, size), walkElse: 1, handing: 2 })

function evening(seed: number) {
  const problem = made(seed)
  const search = planSearch(problem, seed)
  search.improve(2500)
  return { problem, plan: search.plan() }
}
/** The evening goes on after something happened: what it goes on by, and the plan that was only pushed. */
function goesOn({ problem, plan }: ReturnType<typeof evening>, at: number, happened: Happened) {
  const later = laterIn(problem, plan, at, happened)
  const search = planSearch(later.problem, 1, later.before)
  search.improve(300)
  const kept = search.kept()
  const next = calmest(
    kept,
    search.repairs().map((r) => r.plan),
    search.plan(),
  )
  expect(planViolations(later.problem, next)).toEqual([])
  return { ...later, kept, next, best: search.plan() }
}
/** The next task of a person that is not under way already. */
function nextTask({ runs }: PlanProblem, plan: Plan, person: string) {
  const isOpen = (p: Plan['placed'][number]) =>
    runs.find((r) => r.id === p.run)?.segments.some((s) => s.id === p.segment && !s.fixed) === true
  return plan.placed.filter((p) => p.person === person && isOpen(p)).toSorted((a, b) => a.start - b.start)[0]
}

describe('an evening goes on', () => {
  const evenings = [1, 2, 3, 4, 5, 6].map(evening)
  it('after a slip of three minutes with everybody’s next task as it was, and nothing left out', () => {
    for (const one of evenings) {
      const { problem, before, next, best } = goesOn(one, 70, { slip: 3 })
      expect(next.unplaced.length).toBeLessThanOrEqual(best.unplaced.length)
      for (const { id } of problem.people) {
        const [was, is] = [nextTask(problem, before, id), nextTask(problem, next, id)]
        expect([is?.run, is?.segment]).toEqual([was?.run, was?.segment])
      }
    }
  })
  it('by the plan in force where nothing happened', () => {
    for (const one of evenings) {
      const { kept, next } = goesOn(one, 60, {})
      expect(next).toEqual(kept)
      expect(next.objective.terms.changes).toBe(0)
    }
  })
  it('by small repairs where somebody goes: the others keep what they have', () => {
    for (const one of evenings) {
      const gone = one.problem.people[0]?.id ?? ''
      const { before, next, best } = goesOn(one, 60, { gone })
      expect(next.unplaced.length).toBeLessThanOrEqual(best.unplaced.length)
      expect(next.placed.every((p) => p.person !== gone)).toBe(true)
      const others = before.placed.filter((p) => p.person !== null && p.person !== gone && p.start >= 0)
      const stay = others.filter((p) =>
        next.placed.some((o) => o.run === p.run && o.segment === p.segment && o.person === p.person),
      )
      expect(stay.length / Math.max(1, others.length)).toBeGreaterThan(0.6)
    }
  })
})
