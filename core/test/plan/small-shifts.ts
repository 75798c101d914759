import { createHash } from 'node:crypto'
import { planSearch, type Plan, type PlanProblem } from '../../plan/index.ts'
import { madeUp } from './instances.ts'
import { noTerms } from './little.ts'

/** Minutes: every duration is a multiple of it. */
export const grid = 5
const count = 30

/** What is proved of one of them, as the solver said it. */
export interface Proved {
  readonly shift: number
  /** SHA-256 of the instance as JSON. */
  readonly instance: string
  readonly late: number
  readonly price: number
  /** Of each program, the lateness first: its SHA-256, its size, and how the solver ended. */
  readonly log: readonly {
    readonly program: string
    readonly rows: number
    readonly binaries: number
    readonly status: string
    readonly objective: number
  }[]
}

export const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex')

/** Thirty shifts of two to four runs, at most twelve pieces of work, three people; priced by minutes paid and the last departure. */
export const smallShifts: readonly { readonly shift: number; readonly problem: PlanProblem }[] = Array.from(
  { length: count },
  (_, i) => {
    const size = { runs: 2 + (i % 3), people: 3, counters: 1 + (i % 2), grid, horizon: 170, trade: 50 }
    const made = madeUp(1000 + i, { ...size, pieces: [2, 3], ownMinutes: i % 3 === 0 })
    return { shift: i + 1, problem: { ...made, weights: { ...noTerms, paid: 1, last: 1 } } }
  },
)

/** Several starts: some shifts have one packing that is best, to the minute. */
const [seeds, rounds, tries] = [4, 20, 1000]

/** The best plan that is found within so many tries; ends at once where it is the proved one. */
export function bestPlan(problem: PlanProblem, { late, price }: Pick<Proved, 'late' | 'price'>): Plan {
  let best: Plan | null = null
  for (let seed = 1; seed <= seeds; seed++) {
    const search = planSearch(problem, seed)
    for (let n = 0; n < rounds; n++) {
      search.improve(tries)
      const plan = search.plan()
      const { objective } = plan
      if (best === null || isBetter(objective, best.objective)) best = plan
      if (objective.late === late && objective.price === price) return plan
    }
  }
  if (best === null) throw new Error('nothing was tried')
  return best
}

const isBetter = (a: Plan['objective'], b: Plan['objective']): boolean =>
  a.late < b.late || (a.late === b.late && a.price < b.price)
