import { proofOf } from './certificate.ts'
import { pastHours, shortOf, type Busy, type Work } from './hands.ts'
import { networkOf } from './make-network.ts'
import type { Job, Network } from './network.ts'
import { overtimeWeight, unplacedMinutes, type Plan, type PlanProblem } from './problem.ts'
import type { Certificate, Claim, ProofTask } from './proof.ts'

export interface Bound {
  /** No plan that does all that this one does, no later than asked, has the last person leave before this minute. */
  readonly last: number
  /** No plan is less late than this, weighted minutes: of runs, and of people past their hours. */
  readonly late: number
  /** No plan has people paid for fewer minutes in all. */
  readonly paid: number
  /** Why: each can be checked from the problem alone. */
  readonly proofs: { readonly last: Certificate; readonly late: Certificate; readonly paid: Certificate }
}

/** What a bound is for: plans with everything in them but this. */
export type LeftOut = Pick<Plan, 'unplaced' | 'breaks'>

interface Task extends Work {
  readonly task: ProofTask
  readonly job: Job
}

/** Of all single tasks so many are tried as proofs by themselves, those with the longest ways first. */
const mostPaths = 3

/**
 * Proved lower bounds for plans with everything in them but what `left` leaves out: the flow of all work by hand over the people with their
 * sign-offs, hours and the counters' staff finds what cannot be done by when; what is said is what its certificate counts up to.
 * @param late weighted minutes: being late comes first, so the bound is for plans that are no later than this; without it, for all.
 */
export function boundOf(
  problem: PlanProblem,
  left: LeftOut | null = null,
  late: number = Number.POSITIVE_INFINITY,
): Bound {
  const network = networkOf(problem)
  const without = left === null ? [] : leftOut(problem, left)
  const prove = (claim: Pick<Claim, 'kind' | 'tasks'> & Partial<Claim>) =>
    proofOf(problem, { to: 0, overtime: 0, ...claim, without })
  const start = prove({ kind: 'there', tasks: [] })
  const { tasks, busy } = tasksOf(network, without)
  const names = (of: readonly number[]): ProofTask[] => of.map((i) => (tasks[i] as Task).task)
  const lateness = prove({ kind: 'late', tasks: names(pastHours(network, tasks, busy)) })
  const paid = prove({ kind: 'paid', tasks: tasks.map((t) => t.task) })
  if (!start || !lateness || !paid) throw new Error('a bound that proves nothing')
  const overtime = mostOvertime(problem, without, late)
  let best: Certificate = start
  const raise = (proof: Certificate | null) => {
    if (proof && proof.minute > best.minute) best = proof
  }
  for (const one of oneAtATime(network, without)) raise(prove({ kind: 'one-at-a-time', tasks: one }))
  const ends = (t: Task) => t.head + t.minutes + t.tail
  for (const t of tasks.toSorted((a, b) => ends(b) - ends(a)).slice(0, mostPaths))
    raise(prove({ kind: 'hands', tasks: [t.task], to: ends(t) - 1 }))
  let [low, high] = [best.minute - 1, problem.horizon + 1]
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    const short = shortOf(network, tasks, busy, middle, overtime)
    if (short.length === 0) high = middle
    else {
      low = middle
      raise(prove({ kind: 'hands', tasks: names(short), to: middle, overtime }))
    }
  }
  return {
    last: best.minute,
    late: lateness.minute,
    paid: paid.minute,
    proofs: { last: best, late: lateness, paid },
  }
}

/** Runs by id, and breaks that found no place by `[person, id]`. */
function leftOut({ people }: PlanProblem, { unplaced, breaks }: LeftOut): string[] {
  const missing = people.flatMap((p) =>
    p.breaks.flatMap(({ id }) =>
      breaks.some((b) => b.person === p.id && b.id === id) ? [] : [JSON.stringify([p.id, id])],
    ),
  )
  return [...unplaced.map((u) => u.run), ...missing]
}

/** Minutes past their hours that people can have in a plan no later than asked: what is left out is late as well. */
function mostOvertime({ runs, people }: PlanProblem, without: readonly string[], late: number): number {
  const lost = runs
    .filter((r) => without.includes(r.id))
    .reduce((sum, r) => sum + unplacedMinutes * r.weight, 0)
  const breaks = people.flatMap((p) => p.breaks.filter((b) => without.includes(JSON.stringify([p.id, b.id]))))
  const spent = lost + breaks.length * unplacedMinutes
  const most = Math.floor((late - spent) / overtimeWeight)
  return Number.isFinite(most) ? Math.max(0, most) : people.length * 1440
}

/** Work by hand that is not begun yet, with the earliest it can be and what must come after it; and who is at work already. */
function tasksOf(network: Network, without: readonly string[]): { tasks: Task[]; busy: Busy[] } {
  const { jobs, pieces, problem } = network
  const placed = jobs.filter((j) =>
    j.isBreak
      ? !without.includes(JSON.stringify([j.run.signedOff[0], j.run.segments[0]?.id]))
      : !without.includes(j.run.id),
  )
  const begins = begun(placed, problem)
  const follows = followers(network, placed)
  const busy = pieces.flatMap((p): Busy[] => {
    const { fixed } = p.segment
    const person = problem.people.findIndex((x) => x.id === fixed?.person)
    return fixed && person >= 0 ? [{ person, from: fixed.start, to: fixed.start + p.minutes }] : []
  })
  const tasks = placed.flatMap((job) =>
    job.pieces.flatMap((i): Task[] => {
      const piece = pieces[i]
      if (!piece?.work || piece.segment.fixed || job.people.length === 0) return []
      const after = follows.get(job.index) ?? 0
      return [
        {
          job,
          task: job.isBreak
            ? ['break', job.run.signedOff[0] ?? '', piece.segment.id]
            : ['run', job.run.id, piece.segment.id],
          minutes: piece.minutes,
          head: (begins.get(job.index) ?? 0) + piece.head,
          tail: Math.max(0, piece.handsTail, after > 0 ? piece.tail + after : 0),
          people: job.people,
        },
      ]
    }),
  )
  return { tasks, busy }
}

/** By job: the first minute at which it can begin, after what must end before it. */
function begun(jobs: readonly Job[], problem: PlanProblem): Map<number, number> {
  const begins = new Map<number, number>()
  const of = (job: Job): number => {
    const known = begins.get(job.index)
    if (known !== undefined) return known
    begins.set(job.index, 0)
    const before = jobs.filter((j) => job.after.includes(j.index)).map((j) => of(j) + j.length)
    const begin = Math.max(earliestBegin(job, problem), ...(job.hasBegun ? [] : before))
    begins.set(job.index, begin)
    return begin
  }
  for (const job of jobs) of(job)
  return begins
}

/** The first minute at which a job can stand whole between its station's needs. */
function earliestBegin(job: Job, problem: PlanProblem): number {
  if (job.hasBegun) return 0
  const gap = job.gaps.find((g) => g.to - Math.max(g.from, job.run.earliest) >= job.length)
  const there = Math.min(...job.people.map((p) => problem.people[p]?.from ?? 0))
  const begin = Math.max(gap?.from ?? job.run.earliest, job.run.earliest)
  return Number.isFinite(there) && job.run.segments[0]?.kind === 'hands-on' ? Math.max(begin, there) : begin
}

/** By job: minutes to the last work by hand of what comes after it, from its end; 0 where nothing does. */
function followers({ pieces }: Network, jobs: readonly Job[]): Map<number, number> {
  const follows = new Map<number, number>()
  const of = (job: Job): number => {
    const known = follows.get(job.index)
    if (known !== undefined) return known
    follows.set(job.index, 0)
    const after = jobs.filter((j) => j.after.includes(job.index) && !j.hasBegun)
    const minutes = Math.max(
      0,
      ...after.map((j) => Math.max(handsLength(pieces, j), of(j) > 0 ? j.length + of(j) : 0)),
    )
    follows.set(job.index, minutes)
    return minutes
  }
  for (const job of jobs) of(job)
  return follows
}

/** From a job's begin to the end of its last work by hand. */
const handsLength = (pieces: Network['pieces'], job: Job): number =>
  Math.max(
    0,
    ...job.pieces.map((i) => (pieces[i]?.work ? (pieces[i]?.head ?? 0) + (pieces[i]?.minutes ?? 0) : 0)),
  )

/** Runs of one machine, and of a keep-up group that lets one down, of which nothing has begun. */
function oneAtATime({ jobs, problem, pieces }: Network, without: readonly string[]): ProofTask[][] {
  const open = jobs.filter((j) => !j.isBreak && !j.hasBegun && !without.includes(j.run.id))
  const named = (of: readonly Job[]) =>
    of.flatMap((j): ProofTask[] => {
      const first = j.pieces.map((i) => pieces[i]).find((p) => p?.work)
      return first ? [['run', j.run.id, first.segment.id]] : []
    })
  return [
    ...problem.stations.map((_, s) => open.filter((j) => j.station === s)),
    ...problem.keepUp.map((g, i) => (g.mostDown === 1 ? open.filter((j) => j.groups.includes(i)) : [])),
  ]
    .map(named)
    .filter((tasks) => tasks.length > 1)
}
