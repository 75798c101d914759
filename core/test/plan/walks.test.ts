import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planSearch, planViolations, type Plan, type PlanProblem } from '../../plan/index.ts'
import { person, run, shift } from './little.ts'

const walk = (a: string, b: string, minutes: number) => ({ between: [a, b] as const, minutes })
const solved = (problem: PlanProblem, rounds = 200): Plan => {
  const search = planSearch(problem, 1)
  search.improve(rounds)
  return search.plan()
}
/** One person, nobody at a counter. */
const alone = (runs: PlanProblem['runs'], more: Partial<PlanProblem> = {}) =>
  shift(runs, { people: [person('ana')], counters: [], ...more })

describe('walking from area to area', () => {
  const two = [run('one', 'h10'), run('two', 'h10')]
  it('lies between two works of one person, either way round', () => {
    const plan = solved(alone(two, { walks: [walk('two', 'one', 7)] }))
    expect(plan.objective.last).toBe(27)
    expect(planViolations(alone(two, { walks: [walk('one', 'two', 7)] }), plan)).toEqual([])
  })
  it('costs nothing where nobody has said that areas lie apart', () => {
    expect(solved(alone(two)).objective.last).toBe(20)
  })
  it('is no reason to wait for somebody else’s hands in the area where they are', () => {
    const plan = solved(shift(two, { counters: [], walks: [walk('one', 'two', 30)] }))
    expect(plan.objective.last).toBe(10)
    expect(new Set(plan.placed.map((p) => p.person)).size).toBe(2)
  })
  it('there and back while a soak lasts is taken only where the soak is long enough for it', () => {
    const soak = (minutes: number) =>
      alone([run('one', `h10 w${minutes}<${minutes} h5`), run('two', 'h10')], {
        walks: [walk('one', 'two', 5)],
      })
    // 10 + 20 + 5: the other work goes into the soak with a walk on either side.
    expect(solved(soak(20)).objective.last).toBe(35)
    // A minute too short: before or after it instead.
    expect(solved(soak(19)).objective.last).toBe(10 + 19 + 5 + 5 + 10)
  })
  it('that is left out of a plan is found', () => {
    const problem = alone(two, { walks: [walk('one', 'two', 7)] })
    const plan = solved(alone(two))
    const second = plan.placed.toSorted((a, b) => b.start - a.start)[0]
    expect(planViolations(problem, plan).filter((v) => v.constraint === 'walk')).toEqual([
      { constraint: 'walk', person: 'ana', run: second?.run, at: 10, is: 0, limit: 7 },
    ])
  })
  it('is kept by every plan, whoever does what, with breaks and counters between', () => {
    const work = fc.constantFrom('h5', 'h10 w12 h5', 'h8 w10<15 h6', 'h15')
    const minutes = fc.integer({ min: 1, max: 12 })
    fc.assert(
      fc.property(fc.array(work, { minLength: 2, maxLength: 6 }), minutes, minutes, (works, near, far) => {
        const ids = works.map((_, i) => `r${i}`)
        const areas = ['bar', 'galley', 'deck']
        const problem = shift(
          works.map((w, i) => run(`r${i}`, w)),
          {
            people: [
              person('ana', { breaks: [{ id: 'b', minutes: 10, earliest: 20, latest: 60 }] }),
              person('ben', { from: 10 }),
            ],
            stations: ids.map((id, i) => ({ id, name: id, place: areas[i % 3] ?? '', up: [] })),
            walks: [walk('bar', 'galley', near), walk('bar', 'deck', far), walk('galley', 'deck', near)],
          },
        )
        expect(planViolations(problem, solved(problem, 60))).toEqual([])
      }),
      { numRuns: 40 },
    )
  })
})
