import { anyone, decoder, sameHands, type Order, type Schedule } from './decode.ts'
import { endOf } from './laid.ts'
import { breakKey, networkOf } from './make-network.ts'
import type { Network } from './network.ts'
import type { Plan, PlanProblem } from './problem.ts'
import { changed, someOf } from './moves.ts'
import { randomFrom } from '../quantity/index.ts'
import { repairsFor, troubledIn, type RepairKind } from './repairs.ts'
import { byStart, type Before } from './price.ts'
import { toldOf } from './check/told.ts'
import { compare, objectiveOf, valueOf, type Value } from './value.ts'

/** A search under way: it always has a plan, and `improve` makes it better or leaves it. */
export interface Search {
  readonly plan: () => Plan
  /** The plan before, its order and hands kept and only what must moved; null without one. */
  readonly kept: () => Plan | null
  /** Small changes of the plan before that mend what is wrong with it or make it cheaper, the best first; none without one. */
  readonly repairs: () => readonly Repair[]
  readonly iterations: () => number
  /** The plan of one rule of thumb, for comparing: 0 is whatever falls due first, by whoever is free. */
  readonly byRule: (rule: number) => Plan
  /** Tries so many changes; true where the plan became better. */
  readonly improve: (iterations: number) => boolean
}

/** A small change with the plan that comes of it. */
export interface Repair extends RepairKind {
  readonly plan: Plan
}

interface Standing {
  readonly order: Order
  readonly schedule: Schedule
  readonly value: Value
}

/** One try in so many, for each job, places all anew; the others only a few jobs, for a fraction of the work. */
const jobsForAll = 2
/** Below so many jobs, placing all anew costs as little. */
const fewestForFew = 10

/** Iterations of one cooling; then it is warmed anew from the best. */
const cycle = 1500
/** One cooling in so many begins from somewhere else: a rule of thumb, its keys moved by up to so many minutes. */
const [anewEvery, anewReach] = [3, 60]
/** How hot each cooling begins, in turn: most look near what is best, some far from it. */
const heats = [2, 8, 2, 30] as const

/**
 * Begins to plan: a first plan at once, from a rule of thumb; then better ones from the other rules and by simulated annealing over the order in which
 * work is placed and who is asked first. Every plan it holds keeps every hard constraint. Same problem, seed and iterations:
 * same plan. @param previous a plan that is changed as little as may be.
 */
export function planSearch(problem: PlanProblem, seed = 1, previous: Plan | null = null): Search {
  const network = networkOf(problem)
  const before = previous ? standingIn(network, previous) : null
  const decode = decoder(network)
  const random = randomFrom(seed)
  const valued = (order: Order, schedule: Schedule): Standing => ({
    order,
    schedule,
    value: valueOf(network, schedule, before),
  })
  const stand = (order: Order) => valued(order, decode.all(order))
  const rules = firstOrders(network)
  const untried = rules.slice(1)
  // Pushed as little as can be: everything as it was, or somewhat sooner where that mends what was pushed too far.
  const pushed = before ? pushes.map((sooner) => stand(keptOrder(network, before, sooner))) : []
  const kept = pushed.reduce<Standing | null>(
    (least, s) => (least === null || energy(s.value) < energy(least.value) ? s : least),
    null,
  )
  let best = stand(rules[0] as Order)
  // Repairs come before new plans: who is at something stays at it.
  const repaired = kept ? repairsOf(network, kept, stand) : []
  const mended = repaired[0]
  for (const s of [kept, mended?.standing]) if (s && compare(s.value, best.value) <= 0) best = s
  let current = best
  let done = 0
  const fromBest = () => {
    current = rekeyed(network, best)
    decode.hold(best.schedule, false)
  }
  const fromAnew = () => {
    const rule = rules[Math.floor(random() * rules.length)] as Order
    const keys = rule.keys.map((k) => k + (random() - 0.5) * anewReach)
    current = rekeyed(network, stand({ ...rule, keys }))
    decode.hold(current.schedule, true)
  }
  const next = (): Standing => {
    const anew =
      network.jobs.length >= fewestForFew && random() * network.jobs.length > jobsForAll
        ? someOf(network, current, random)
        : null
    const order = changed(network, current, random, anew)
    return valued(order, anew ? decode.some(order, anew) : decode.all(order))
  }
  return {
    plan: () => planOf(network, best, done),
    kept: () => kept && planOf(network, kept, done),
    repairs: () =>
      repaired.map(({ repair, standing }) => ({ ...repair, plan: planOf(network, standing, done) })),
    iterations: () => done,
    byRule: (rule) => planOf(network, stand(rules[2 * rule + 1] as Order), 1),
    improve: (iterations) => {
      const at = best
      // Nothing to do is done.
      if (network.jobs.length === 0) {
        done += iterations
        return false
      }
      for (let i = 0; i < iterations; i++, done++) {
        const rule = untried.shift()
        if (rule) {
          const first = stand(rule)
          if (compare(first.value, best.value) < 0) best = first
          if (untried.length === 0) fromBest()
          continue
        }
        const phase = (done % cycle) / cycle
        if (done % cycle === 0) {
          // Several starts: what is best may lie far from the best so far.
          if (Math.floor(done / cycle) % anewEvery === anewEvery - 1) fromAnew()
          else fromBest()
        }
        const tried = next()
        const heat = (heats[Math.floor(done / cycle) % heats.length] as number) * (1 - phase) ** 2 + 0.01
        const bearable = -heat * Math.log(random())
        // What is dear by its known part alone is not counted to the end.
        const limit = energy(current.value) + bearable
        const accepted =
          lateShare * tried.value.late + tried.value.least <= limit && energy(tried.value) <= limit
        if (accepted) {
          current = rekeyed(network, tried)
          decode.hold(tried.schedule, true)
        }
        if (compare(tried.value, best.value) < 0) best = tried
      }
      return best !== at
    },
  }
}

/** Repairs that are offered at most. */
const mostRepairs = 4

/** The repairs that are better than the plan as it stands, the best first; of two that come to the same only one. */
function repairsOf(network: Network, kept: Standing, stand: (order: Order) => Standing) {
  const troubled = troubledIn(network, kept, (i) => endOf(network, kept.schedule, i))
  const tried = repairsFor(network, kept, troubled).map(({ repair, order }) => ({
    repair,
    standing: stand(order),
  }))
  const better = tried
    .filter((t) => compare(t.standing.value, kept.value) < 0)
    .toSorted((a, b) => compare(a.standing.value, b.standing.value))
  const same = (a: Standing, b: Standing) =>
    a.value.late === b.value.late && a.value.price() === b.value.price()
  return better
    .filter((t, i) => !better.slice(0, i).some((o) => same(o.standing, t.standing)))
    .slice(0, mostRepairs)
}

/** One number for the annealing: what is late weighs more, yet not so much that nothing is tried which is late for a moment. */
const lateShare = 3
const energy = (v: Value): number => v.late * lateShare + v.price()

/** Orders by rules of thumb: least time left, longest way to the end first, earliest allowed; with the same hands, or anyone's. */
function firstOrders(network: Network): Order[] {
  const { blocks, jobs, pieces } = network
  const key = (of: (block: (typeof blocks)[number]) => number) => Float64Array.from(blocks, of)
  const lead = (b: (typeof blocks)[number], k: 'head' | 'tail') => pieces[b.pieces[0] ?? -1]?.[k] ?? 0
  const run = (b: (typeof blocks)[number]) => jobs[b.run]?.run
  const length = (b: (typeof blocks)[number]) => pieces[b.pieces[0] ?? -1]?.minutes ?? 0
  const rules = [
    key((b) => (run(b)?.latest ?? 0) - lead(b, 'tail') - length(b)),
    key((b) => -lead(b, 'tail') - length(b)),
    key((b) => (run(b)?.earliest ?? 0) + lead(b, 'head') - lead(b, 'tail') * 0.5),
    key((b) => (jobs[b.run]?.gaps[0]?.from ?? 0) - (jobs[b.run]?.length ?? 0) + lead(b, 'head') * 0.5),
  ]
  const hands = (of: number) => new Int16Array(pieces.length).fill(of)
  const delay = new Int16Array(pieces.length)
  return rules.flatMap((keys) => [
    { keys, hands: hands(sameHands), delay },
    { keys, hands: hands(anyone), delay },
  ])
}

/** Minutes by which what is kept may come sooner than it was, tried one after the other. */
const pushes = [0, 10, 45] as const

/** The order of a plan before: the same hands, and nothing sooner than it was by more than some minutes. */
function keptOrder({ blocks, pieces }: Network, before: Before, sooner: number): Order {
  const at = (piece: number | undefined) => before.start[piece ?? -1] ?? -1
  return {
    keys: Float64Array.from(blocks, (b) => (at(b.pieces[0]) < 0 ? 1e6 : at(b.pieces[0]))),
    hands: Int16Array.from(pieces, (_, i) => before.person[i] ?? anyone),
    delay: new Int16Array(pieces.length),
    from: Int32Array.from(pieces, (p) => (p.work ? Math.max(0, at(p.index) - sooner) : 0)),
  }
}

/** The same schedule from the keys of its own begins: neighbours of it are then small moves in time. */
function rekeyed({ blocks, pieces }: Network, standing: Standing): Standing {
  const { start } = standing.schedule
  const keys = Float64Array.from(blocks, (b) => {
    const at = start[b.pieces[0] ?? -1] as number
    return at < 0 ? 1e6 : at - (pieces[b.pieces[0] ?? -1]?.tail ?? 0) * 1e-4
  })
  const { hands, delay } = standing.order
  return { ...standing, order: { keys, hands, delay } }
}

function standingIn(network: Network, plan: Plan): Before {
  const { pieces, jobs, problem } = network
  const key = (run: string, segment: string) => JSON.stringify([run, segment])
  const breaks = plan.breaks.map((b) => ({ ...b, run: breakKey(b.person, b.id), segment: b.id }))
  const placed = new Map([...plan.placed, ...breaks].map((p) => [key(p.run, p.segment), p]))
  const of = pieces.map((p) => placed.get(key(jobs[p.run]?.run.id ?? '', p.segment.id)))
  // What is under way stands at the beginning.
  const start = Int32Array.from(of, (p) => (p && p.end > 0 ? Math.max(0, p.start) : -1))
  const person = Int16Array.from(of, (p) =>
    p?.person ? problem.people.findIndex((x) => x.id === p.person) : anyone,
  )
  const neighbour = new Int16Array(pieces.length).fill(-1)
  const row = new Int16Array(problem.people.length).fill(-1)
  for (const i of byStart(
    start.map((t) => Math.min(t, problem.horizon)),
    person,
    problem.horizon,
  )) {
    const p = person[i] as number
    neighbour[i] = row[p] as number
    row[p] = pieces[i]?.run ?? -1
  }
  return { start, person, neighbour }
}

function planOf(network: Network, { schedule, value }: Standing, tries: number): Plan {
  const { pieces, jobs, problem } = network
  const named = (p: number) => problem.people[p]?.id
  const placed = pieces
    .filter((p) => (schedule.start[p.index] as number) >= 0)
    .map((p) => {
      const start = schedule.start[p.index] as number
      const [by, helper] = [named(schedule.by[p.index] as number), named(schedule.helper[p.index] as number)]
      return {
        job: jobs[p.run],
        person: named(schedule.person[p.index] as number) ?? null,
        ...(by !== undefined && { by }),
        ...(helper !== undefined && { helper }),
        start,
        end: endOf(network, schedule, p.index),
        segment: p.segment.id,
      }
    })
    .toSorted((a, b) => a.start - b.start || a.end - b.end)
  const plan = {
    format: 'tadka-plan@1' as const,
    placed: placed.flatMap(({ job, ...p }) => (job && !job.isBreak ? [{ run: job.run.id, ...p }] : [])),
    breaks: placed.flatMap(({ job, person, segment, start, end }) =>
      job?.isBreak && person ? [{ person, id: segment, start, end }] : [],
    ),
    unplaced: schedule.unplaced.flatMap(({ job, why }) => {
      const run = jobs[job]
      return run && !run.isBreak ? [{ run: run.run.id, why, ...(why === 'not-found' && { tries }) }] : []
    }),
    leaves: Object.fromEntries(problem.people.map((p, i) => [p.id, value.leaves[i] ?? 0])),
    objective: objectiveOf(value),
  }
  return { ...plan, told: toldOf(problem, plan) }
}
