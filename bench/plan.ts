import {
  boundOf,
  isProved,
  planViolations,
  planSearch,
  weightsOf,
  type Plan,
  type PlanProblem,
  type PriceTerms,
} from '@tadka/core/plan'
import { byHand } from './by-hand.ts'
import { copies, demoClose, longer } from './evening.ts'
import { median, report } from './report.ts'

/**
 * Plans of the demo's close and of larger ones made of it: the time to the first plan, the gap to the proved bound after a time,
 * and what it saves the last to leave against the two ways it is done by hand. Every plan goes through the checker.
 */
const close = '2026-11-26T20:40:00Z'
const cases: readonly { name: string; problem: PlanProblem; ms: number }[] = [
  { name: 'demo-close', problem: demoClose(close), ms: 1000 },
  { name: '25-runs-8-people', problem: copies(demoClose(close), 25, 8), ms: 2000 },
  { name: '60-runs-12-people', problem: longer(copies(demoClose(close), 60, 12), 60), ms: 5000 },
  { name: '120-runs-24-people', problem: longer(copies(demoClose(close), 120, 24), 60), ms: 10_000 },
  { name: '200-runs-40-people', problem: longer(copies(demoClose(close), 200, 40), 60), ms: 10_000 },
  // Twelve people's hours do not hold four closes: lateness is proved, and decides.
  { name: '60-runs-12-people-short-of-hours', problem: copies(demoClose(close), 60, 12), ms: 5000 },
]

const checked = (problem: PlanProblem, plan: Plan): Plan => {
  const [violation] = planViolations(problem, plan)
  if (violation) throw new Error(`a plan breaks its problem: ${JSON.stringify(violation)}`)
  return plan
}

for (const { name, problem, ms } of cases) {
  const firsts = Array.from({ length: 5 }, () => {
    const begin = performance.now()
    const first = planSearch(problem).plan()
    const ms = performance.now() - begin
    checked(problem, first)
    return ms
  })
  const gaps: number[] = []
  let iterations = 0
  let last: Plan | null = null
  for (const seed of [1, 2, 3]) {
    const search = planSearch(problem, seed)
    const begin = performance.now()
    while (performance.now() - begin < ms) search.improve(10)
    last = checked(problem, search.plan())
    iterations = search.iterations()
    const bound = boundOf(problem, last, last.objective.late)
    gaps.push((last.objective.last - bound.last) / Math.max(1, bound.last))
    if (seed === 3) {
      report({
        bench: 'plan',
        case: name,
        figure: `bound set by ${bound.proofs.last.kind}`,
        value: bound.last,
        unit: 'min',
      })
      report({ bench: 'plan', case: name, figure: 'unplaced', value: last.unplaced.length, unit: '1' })
      const { late } = last.objective
      report({ bench: 'plan', case: name, figure: 'weighted minutes late', value: late, unit: 'min' })
      report({ bench: 'plan', case: name, figure: 'proved late', value: bound.late, unit: 'min' })
      if (!Object.values(bound.proofs).every((p) => isProved(problem, p)))
        throw new Error('a bound that is not proved')
      const { terms } = last.objective
      // What is proved of a term; of the others it is none.
      const proved: Partial<PriceTerms> = { paid: bound.paid, last: bound.last }
      const weights = weightsOf(problem)
      for (const term of Object.keys(weights) as (keyof PriceTerms)[])
        report({
          bench: 'plan',
          case: name,
          figure: `price above its bound: ${term}`,
          value: Math.round((terms[term] - (proved[term] ?? 0)) * weights[term]),
          unit: 'min',
        })
    }
  }
  report({ bench: 'plan', case: name, figure: 'first plan', value: median(firsts), unit: 'ms' })
  report({ bench: 'plan', case: name, figure: `gap after ${ms} ms`, value: median(gaps), unit: '1' })
  report({ bench: 'plan', case: name, figure: 'iterations', value: iterations, unit: '1' })
  for (const way of ['first-come', 'one-machine-after-another'] as const) {
    const hand = byHand(problem, way)
    const other = checked(hand.problem, hand.plan)
    if (!last) continue
    const saved = other.objective.last - last.objective.last
    report({ bench: 'plan', case: name, figure: `minutes saved against ${way}`, value: saved, unit: 'min' })
    const late = other.objective.late - last.objective.late
    report({ bench: 'plan', case: name, figure: `minutes less late than ${way}`, value: late, unit: 'min' })
  }
}
