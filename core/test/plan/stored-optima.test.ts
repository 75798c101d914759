import { describe, expect, it } from 'vitest'
import { boundOf, planViolations } from '../../plan/index.ts'
import stored from './optima.json' with { type: 'json' }
import { bestPlan, sha256, smallShifts } from './small-shifts.ts'

describe('small shifts, against what a mixed integer program proved of them (HiGHS, stored with hashes)', () => {
  const plans = smallShifts.map(({ shift, problem }) => {
    const proved = stored.find((p) => p.shift === shift)
    if (!proved) throw new Error(`shift ${shift} was never solved`)
    return { shift, problem, proved, plan: bestPlan(problem, proved) }
  })
  it('are the very instances that were solved, each to its optimum', () => {
    expect(plans).toHaveLength(30)
    for (const { problem, proved } of plans) {
      expect(proved.instance).toBe(sha256(JSON.stringify(problem)))
      expect(problem.runs.length).toBeLessThanOrEqual(4)
      expect(problem.runs.flatMap((r) => r.segments).length).toBeLessThanOrEqual(12)
      expect(proved.log.map((l) => l.status)).toEqual(['Optimal', 'Optimal'])
    }
  })
  it('have plans equal to it in 27 of 30, and within a hundredth of it in all', () => {
    const equal = plans.filter(
      ({ plan: { objective: o }, proved: p }) => o.late === p.late && o.price === p.price,
    )
    expect(equal.length).toBeGreaterThanOrEqual(27)
    for (const { shift, plan, proved } of plans) {
      expect([shift, plan.objective.late]).toEqual([shift, proved.late])
      expect(plan.objective.price, `shift ${shift}`).toBeLessThanOrEqual(proved.price * 1.01)
    }
  })
  it('have none that is better: the plan’s checker and the program mean the same', () => {
    for (const { shift, problem, plan, proved } of plans) {
      expect(planViolations(problem, plan), `shift ${shift}`).toEqual([])
      expect([plan.objective.late, plan.objective.price >= proved.price]).toEqual([proved.late, true])
    }
  })
  it('have bounds that are never above it', () => {
    for (const { shift, problem, proved } of plans) {
      const bound = boundOf(problem)
      expect(bound.late, `shift ${shift}`).toBeLessThanOrEqual(proved.late)
      expect(bound.last + bound.paid, `shift ${shift}`).toBeLessThanOrEqual(proved.price)
    }
  })
})
