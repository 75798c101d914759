import { describe, expect, it } from 'vitest'
import { planSearch, planViolations, type Constraint, type Plan, type PlanProblem } from '../../plan/index.ts'
import { evening } from './evenings.ts'

/** One way of spoiling a plan; null where this plan has nothing to spoil so. */
type Spoil = (plan: Plan, problem: PlanProblem) => Plan | null

const withPlaced = (plan: Plan, at: number, more: Partial<Plan['placed'][number]>): Plan => ({
  ...plan,
  placed: plan.placed.map((p, i) => (i === at ? { ...p, ...more } : p)),
})
const workAt = (plan: Plan) => plan.placed.findIndex((p) => p.person !== null)

/** Each rule broken once: what is done to a plan, and what the checker must find at least. */
const spoils: readonly [string, readonly Constraint[], Spoil][] = [
  [
    'a segment left out',
    ['placed-whole'],
    (plan) => (plan.placed.length > 0 ? { ...plan, placed: plan.placed.slice(1) } : null),
  ],
  [
    'a run left out untold',
    ['placed-whole'],
    (plan) => {
      const run = plan.placed[0]?.run
      return run === undefined ? null : { ...plan, placed: plan.placed.filter((p) => p.run !== run) }
    },
  ],
  [
    'a run said to be left out that is not known',
    ['unknown'],
    (plan) => ({ ...plan, unplaced: [...plan.unplaced, { run: 'nowhere', why: 'no-room' }] }),
  ],
  [
    'work by somebody unknown',
    ['unknown'],
    (plan) => {
      const at = workAt(plan)
      return at < 0 ? null : withPlaced(plan, at, { person: 'nobody' })
    },
  ],
  [
    'work that ends before it begins',
    ['unknown'],
    (plan) => {
      const at = workAt(plan)
      return at < 0 ? null : withPlaced(plan, at, { end: -1 })
    },
  ],
  [
    'work in fewer minutes than it takes',
    ['duration'],
    (plan) => {
      const at = workAt(plan)
      const p = plan.placed[at]
      return p ? withPlaced(plan, at, { end: p.end - 1 }) : null
    },
  ],
  [
    'a break left out untold',
    ['untold', 'objective'],
    (plan) => (plan.breaks.length > 0 ? { ...plan, breaks: plan.breaks.slice(1) } : null),
  ],
  [
    'a break that is nobody’s',
    ['break'],
    (plan, { people }) => ({
      ...plan,
      breaks: [...plan.breaks, { person: people[0]?.id ?? '', id: 'more', start: 0, end: 5 }],
    }),
  ],
  [
    'something told that is not so',
    ['untold'],
    (plan, { people }) => ({
      ...plan,
      told: [...plan.told, { kind: 'alone', person: people[0]?.id ?? '', from: 1, to: 2 }],
    }),
  ],
  [
    'somebody who leaves before their work is done',
    ['leaves', 'objective'],
    (plan) => {
      const who = plan.placed[workAt(plan)]?.person
      return who ? { ...plan, leaves: { ...plan.leaves, [who]: 0 } } : null
    },
  ],
  [
    'somebody who stays past their most',
    ['hours', 'objective'],
    (plan, { people }) => {
      const [first] = people
      return first ? { ...plan, leaves: { ...plan.leaves, [first.id]: first.most + 1000 } } : null
    },
  ],
  [
    'somebody whose leaving is not told',
    ['leaves'],
    (plan, { people }) => ({
      ...plan,
      leaves: Object.fromEntries(Object.entries(plan.leaves).filter(([id]) => id !== people[0]?.id)),
    }),
  ],
  [
    'a helper too many',
    ['helper'],
    (plan, { people, runs }) => {
      const at = plan.placed.findIndex(
        (p) =>
          p.person !== null && runs.every((r) => r.id !== p.run || r.segments.every((s) => s.hands !== 2)),
      )
      const other = people.find((p) => p.id !== plan.placed[at]?.person)
      return at < 0 || !other ? null : withPlaced(plan, at, { helper: other.id })
    },
  ],
  [
    'a task in two pairs of hands',
    ['task'],
    (plan, { people, runs }) => {
      const taskOf = (p: Plan['placed'][number]) =>
        runs.find((r) => r.id === p.run)?.segments.find((s) => s.id === p.segment)?.task
      const at = plan.placed.findIndex(
        (p) => taskOf(p) && plan.placed.filter((o) => o.run === p.run && taskOf(o) === taskOf(p)).length > 1,
      )
      const other = people.find((p) => p.id !== plan.placed[at]?.person)
      return at < 0 || !other ? null : withPlaced(plan, at, { person: other.id })
    },
  ],
  ...(['late', 'price', 'last'] as const).map((level): [string, readonly Constraint[], Spoil] => [
    `a ${level} that is not its own count`,
    ['objective'],
    (plan) => ({ ...plan, objective: { ...plan.objective, [level]: plan.objective[level] - 1 } }),
  ]),
  ...(['paid', 'last', 'wish', 'handovers', 'walks', 'areas', 'short', 'gaps', 'unfair'] as const).map(
    (term): [string, readonly Constraint[], Spoil] => [
      `${term} that are not its own count`,
      ['objective'],
      (plan) => ({
        ...plan,
        objective: {
          ...plan.objective,
          terms: { ...plan.objective.terms, [term]: plan.objective.terms[term] - 1 },
        },
      }),
    ],
  ),
]

const made = Array.from({ length: 30 }, (_, i) => {
  const problem = evening(500 + i)
  const search = planSearch(problem, i)
  search.improve(20)
  return { problem, plan: search.plan() }
})

describe('a spoiled plan is refused', () => {
  it.each(spoils)('%s', (_, found, spoil) => {
    const spoiled = made.flatMap(({ problem, plan }) => {
      const broken = spoil(plan, problem)
      return broken ? [planViolations(problem, broken).map((v) => v.constraint)] : []
    })
    expect(spoiled.length).toBeGreaterThan(0)
    for (const all of spoiled) for (const one of found) expect(all).toContain(one)
  })
})
