import {
  boundOf,
  calmest,
  planSearch,
  reasonsFor,
  waysOut,
  whyNot,
  type Bound,
  type Pin,
  type Plan,
  type PlanProblem,
  type Priced,
  type Reason,
  type Refused,
  type Repair,
} from '@tadka/core/plan'

export type Asked =
  | {
      readonly kind: 'plan'
      readonly problem: PlanProblem
      readonly before: Plan | null
      readonly seed: number
      readonly iterations: number
    }
  | { readonly kind: 'ways'; readonly problem: PlanProblem; readonly plan: Plan }
  | { readonly kind: 'why-not'; readonly problem: PlanProblem; readonly pin: Pin }

export type Said =
  | { readonly kind: 'better'; readonly plan: Plan; readonly kept: Plan | null; readonly iterations: number }
  | {
      readonly kind: 'planned'
      readonly plan: Plan
      /** What the evening goes on by where nobody asks for more: as it is, as long as it may. */
      readonly calm: Plan
      readonly kept: Plan | null
      readonly repairs: readonly Repair[]
      /** Each for plans like it. */
      readonly bound: Bound
      readonly calmBound: Bound
      readonly keptBound: Bound | null
    }
  | { readonly kind: 'ways'; readonly ways: readonly Priced[]; readonly reasons: readonly Reason[] | null }
  | { readonly kind: 'why-not'; readonly refused: Refused }

/** Times the tries, where something found no place. */
const moreTries = 3
/** Iterations between two looks at whether somebody called it off. */
const slice = 40

const cancelled = new Set<number>()
const breathe = () => new Promise((done) => setTimeout(done, 0))

/** What steps come to; null where somebody called it off meanwhile. */
async function stepByStep<T>(id: number, steps: Generator<void, T>): Promise<T | null> {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
    await breathe()
    if (cancelled.delete(id)) return null
  }
}

async function work(id: number, asked: Asked, say: (said: Said) => void): Promise<void> {
  if (asked.kind === 'why-not') return say({ kind: 'why-not', refused: whyNot(asked.problem, asked.pin) })
  if (asked.kind === 'ways') {
    const { problem, plan } = asked
    const ways = await stepByStep(id, waysOut(problem, plan))
    const reasons = ways && (await stepByStep(id, reasonsFor(problem, plan)))
    if (ways) say({ kind: 'ways', ways, reasons: reasons ?? null })
    return
  }
  const search = planSearch(asked.problem, asked.seed, asked.before)
  const better = () =>
    say({ kind: 'better', plan: search.plan(), kept: search.kept(), iterations: search.iterations() })
  better()
  /** While something found no place the search goes on. */
  const most = () =>
    search.plan().unplaced.some((u) => u.why === 'not-found')
      ? asked.iterations * moreTries
      : asked.iterations
  while (search.iterations() < most()) {
    await breathe()
    if (cancelled.delete(id)) break
    if (search.improve(slice)) better()
  }
  const [plan, kept, repairs] = [search.plan(), search.kept(), search.repairs()]
  const calm = calmest(
    kept,
    repairs.map((r) => r.plan),
    plan,
  )
  const boundFor = (of: Plan) => boundOf(asked.problem, of, of.objective.late)
  const [bound, keptBound] = [boundFor(plan), kept && boundFor(kept)]
  const calmBound = calm === plan ? bound : calm === kept && keptBound ? keptBound : boundFor(calm)
  say({ kind: 'planned', plan, calm, kept, repairs, bound, calmBound, keptBound })
}

/** Plans off the screen's thread: first plan at once, better ones as they come. */
self.addEventListener('message', (event: MessageEvent<{ id: number; asked?: Asked }>) => {
  const { id, asked } = event.data
  if (!asked) {
    cancelled.add(id)
    return
  }
  void work(id, asked, (said) => self.postMessage({ id, said }))
})
