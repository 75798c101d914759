import { calmest, planSearch, type Plan, type PlanProblem } from '@tadka/core/plan'
import { laterIn, type Happened } from '../core/test/plan/later.ts'
import { madeUp } from '../core/test/plan/instances.ts'
import { report } from './report.ts'

/**
 * How many tasks change when an evening goes otherwise: of fifty made-up evenings the share of tasks that get other hands, another neighbour
 * or move by more than ten minutes, after a slip, a machine down or a person gone; theirs are not counted.
 */
const evenings = 50
const size = { runs: 10, people: 4, counters: 2, grid: 1, pieces: [2, 5], horizon: 280, trade: 60 } as const
const at = 70

function shareChanged(problem: PlanProblem, plan: Plan, happened: Happened): { share: number; lost: number } {
  const later = laterIn(problem, plan, at, happened)
  const search = planSearch(later.problem, 1, later.before)
  search.improve(400)
  const next = calmest(
    search.kept(),
    search.repairs().map((r) => r.plan),
    search.plan(),
  )
  const open = later.before.placed.filter((p) => p.person !== null && p.end > 0 && p.person !== happened.gone)
  const tasks = open.filter((p) => later.problem.runs.some((r) => r.id === p.run))
  const theirs = later.before.placed.filter((p) => p.person === happened.gone && p.end > 0).length
  const changes = Math.max(0, next.objective.terms.changes - theirs)
  return {
    share: tasks.length > 0 ? changes / tasks.length : 0,
    lost: Math.max(0, next.unplaced.length - search.plan().unplaced.length),
  }
}

const made = Array.from({ length: evenings }, (_, i) => {
  const problem = { ...madeUp(i + 1, size), walkElse: 1, handing: 2 }
  const search = planSearch(problem, 1)
  search.improve(2000)
  return { problem, plan: search.plan() }
})
const cases: readonly [string, (problem: PlanProblem, plan: Plan) => Happened][] = [
  ['slip of 3 min', () => ({ slip: 3 })],
  ['slip of 10 min', () => ({ slip: 10 })],
  ['slip of 20 min', () => ({ slip: 20 })],
  [
    'a machine down',
    (problem, plan) => {
      const ahead = plan.placed.find((p) => p.start > at)
      return { down: problem.runs.find((r) => r.id === ahead?.run)?.station ?? '' }
    },
  ],
  ['a person gone', (problem) => ({ gone: problem.people[0]?.id ?? '' })],
]
for (const [name, happened] of cases) {
  const found = made.map(({ problem, plan }) => shareChanged(problem, plan, happened(problem, plan)))
  const mean = found.reduce((sum, f) => sum + f.share, 0) / found.length
  const lost = found.reduce((sum, f) => sum + f.lost, 0)
  report({ bench: 'calm', case: name, figure: 'share of tasks that change', value: mean, unit: '1' })
  report({
    bench: 'calm',
    case: name,
    figure: 'left out though another plan places it',
    value: lost,
    unit: '1',
  })
}
