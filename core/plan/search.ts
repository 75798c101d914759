import { anyone, decoder, sameHands, type Order, type Schedule } from './decode.ts'
import { networkOf } from './make-network.ts'
import type { Network } from './network.ts'
import type { Plan, PlanProblem } from './problem.ts'
import { randomFrom } from './random.ts'
import { compare, valueOf, type Before, type Value } from './value.ts'

/** A search under way: it always has a plan, and `improve` makes it better or leaves it. */
export interface Search {
  readonly plan: () => Plan
  /** The plan before, its order and hands kept and only what must moved; null without one. */
  readonly kept: () => Plan | null
  readonly iterations: () => number
  /** The plan of one rule of thumb, for comparing: 0 is whatever falls due first, by whoever is free. */
  readonly byRule: (rule: number) => Plan
  /** Tries so many changes; true where the plan became better. */
  readonly improve: (iterations: number) => boolean
}

interface Standing {
  readonly order: Order
  readonly schedule: Schedule
  readonly value: Value
}

/** Work is held back by so many minutes at most. */
const longestDelay = 90

/** Iterations of one cooling; then it is warmed anew from the best. */
const cycle = 1500
/** How hot each cooling begins, in turn: most look near what is best, some far from it. */
const heats = [15, 60, 15, 240] as const

/**
 * Begins to plan: a first plan at once, from the rules of thumb; then better ones by simulated annealing over the order in which
 * work is placed and who is asked first. Every plan it holds keeps every hard constraint. Same problem, seed and iterations:
 * same plan. @param previous a plan that is changed as little as may be.
 */
export function planSearch(problem: PlanProblem, seed = 1, previous: Plan | null = null): Search {
  const network = networkOf(problem)
  const before = previous ? standingIn(network, previous) : null
  const decode = decoder(network)
  const random = randomFrom(seed)
  const stand = (order: Order): Standing => {
    const schedule = decode(order)
    return { order, schedule, value: valueOf(network, schedule, before) }
  }
  const firsts = firstOrders(network).map(stand)
  const kept = before ? stand(keptOrder(network, before)) : null
  if (kept) firsts.push(kept)
  let best = firsts.reduce((a, b) => (compare(b.value, a.value) < 0 ? b : a))
  let current = rekeyed(network, best)
  let done = 0
  return {
    plan: () => planOf(network, best),
    kept: () => kept && planOf(network, kept),
    iterations: () => done,
    byRule: (rule) => planOf(network, firsts[2 * rule + 1] ?? best),
    improve: (iterations) => {
      const at = best
      // Nothing to do is done.
      if (network.jobs.length === 0) {
        done += iterations
        return false
      }
      for (let i = 0; i < iterations; i++, done++) {
        const phase = (done % cycle) / cycle
        if (done > 0 && done % cycle === 0) current = rekeyed(network, best)
        const next = stand(changed(network, current, random))
        const heat = (heats[Math.floor(done / cycle) % heats.length] as number) * (1 - phase) ** 2 + 0.01
        const bearable = -heat * Math.log(random())
        const hard = energy(next.value) - energy(current.value)
        // What is soft is counted only where it could decide.
        const accepted =
          hard - softShare * current.value.soft() <= bearable &&
          hard + softShare * (next.value.soft() - current.value.soft()) <= bearable
        if (accepted) current = rekeyed(network, next)
        if (compare(next.value, best.value) < 0) best = next
      }
      return best !== at
    },
  }
}

/** One number for the annealing: the levels so far apart that the first nearly always decides. */
const energy = (v: Value): number => v.late * 200 + v.last * 20 + v.departures
/** What a point of the third level weighs beside a minute of departure. */
const softShare = 0.1

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

/** The order of a plan before: the same hands, and nothing sooner than it was. */
function keptOrder({ blocks, pieces }: Network, before: Before): Order {
  const at = (piece: number | undefined) => before.start[piece ?? -1] ?? -1
  return {
    keys: Float64Array.from(blocks, (b) => (at(b.pieces[0]) < 0 ? 1e6 : at(b.pieces[0]))),
    hands: Int16Array.from(pieces, (_, i) => before.person[i] ?? anyone),
    delay: new Int16Array(pieces.length),
    from: Int32Array.from(pieces, (p) => (p.work ? Math.max(0, at(p.index)) : 0)),
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

/** An order one change away. */
function changed(
  { blocks, jobs, pieces, marks }: Network,
  { order, schedule }: Standing,
  random: () => number,
): Order {
  const keys = order.keys.slice()
  const hands = order.hands.slice()
  const delay = order.delay.slice()
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T
  const some = random() < 0.3 ? 3 : 1
  const late = () => {
    // Of a few pieces the one that ends last: what comes last is what is to come sooner.
    let last = Math.floor(random() * pieces.length)
    for (let n = 0; n < 2; n++) {
      const other = Math.floor(random() * pieces.length)
      if ((schedule.start[other] as number) > (schedule.start[last] as number)) last = other
    }
    return pieces[last] as (typeof pieces)[number]
  }
  for (let n = 0; n < some; n++) {
    const kind = random()
    const near = random() < 0.5 ? late() : pick(pieces)
    const job = jobs[near.run] as (typeof jobs)[number]
    if (kind < 0.3) {
      const block = near.block
      keys[block] = (keys[block] as number) + (random() - 0.65) * 60
    } else if (kind < 0.45) {
      const [a, b] = [near.block, pick(blocks).index]
      ;[keys[a], keys[b]] = [keys[b] as number, keys[a] as number]
    } else if (kind < 0.5 && marks.length > 0) {
      // A whole run after a mark, among the rest of what stands there.
      const mark = pick(marks)
      const first = job.pieces[0] as number
      const key = mark + random() * 40
      job.blocks.forEach((block, n) => (keys[block] = key + n * 5))
      for (const i of job.pieces) delay[i] = 0
      delay[first] = Math.max(0, mark - Math.max(job.run.earliest, job.gaps[job.firstGap]?.from ?? 0))
    } else if (kind < 0.6) {
      const by = (random() - 0.6) * 90
      for (const block of job.blocks) keys[block] = (keys[block] as number) + by
    } else if (kind < 0.7) {
      // Waits for the end of some other work or of a counter's need, or no longer.
      const piece = near.index
      const other = pick(pieces)
      const until =
        random() < 0.3 && marks.length > 0
          ? pick(marks)
          : (schedule.start[other.index] as number) + other.minutes
      const by = until - (schedule.start[piece] as number)
      delay[piece] = by > 0 && by <= longestDelay ? (delay[piece] as number) + by : 0
    } else if (kind < 0.87) {
      hands[near.index] = chosen(random, job.people, pick)
    } else {
      // A whole run, or what is left of it from a piece on, in one pair of hands.
      const who = chosen(random, job.people, pick)
      const from = random() < 0.5 ? 0 : (schedule.start[near.index] as number)
      for (const i of job.pieces) if (pieces[i]?.work && (schedule.start[i] as number) >= from) hands[i] = who
    }
  }
  return { keys, hands, delay }
}

const chosen = (
  random: () => number,
  people: readonly number[],
  pick: <T>(of: readonly T[]) => T,
): number => {
  const r = random()
  if (r < 0.2 || people.length === 0) return anyone
  return r < 0.4 ? sameHands : pick(people)
}

function standingIn({ pieces, jobs, problem }: Network, plan: Plan): Before {
  const placed = new Map(plan.placed.map((p) => [`${p.run} ${p.segment}`, p]))
  const of = pieces.map((p) => placed.get(`${jobs[p.run]?.run.id ?? ''} ${p.segment.id}`))
  return {
    start: of.map((p) => p?.start ?? -1),
    person: of.map((p) => (p?.person ? problem.people.findIndex((x) => x.id === p.person) : anyone)),
  }
}

function planOf({ pieces, jobs, problem }: Network, { schedule, value }: Standing): Plan {
  const placed = pieces
    .filter((p) => (schedule.start[p.index] as number) >= 0)
    .map((p) => {
      const start = schedule.start[p.index] as number
      const job = jobs[p.run]
      const person = problem.people[schedule.person[p.index] as number]?.id ?? null
      return { job, person, start, end: start + p.minutes, segment: p.segment.id }
    })
    .toSorted((a, b) => a.start - b.start || a.end - b.end)
  const { late, last, departures } = value
  return {
    format: 'tadka-plan@1',
    placed: placed.flatMap(({ job, ...p }) => (job && !job.isBreak ? [{ run: job.run.id, ...p }] : [])),
    breaks: placed.flatMap(({ job, person, segment, start, end }) =>
      job?.isBreak && person ? [{ person, id: segment, start, end }] : [],
    ),
    unplaced: schedule.unplaced.flatMap(({ job, why }) => {
      const run = jobs[job]
      return run && !run.isBreak ? [{ run: run.run.id, why }] : []
    }),
    leaves: Object.fromEntries(problem.people.map((p, i) => [p.id, value.leaves[i] ?? 0])),
    objective: { late, last, departures, soft: value.soft() },
  }
}
