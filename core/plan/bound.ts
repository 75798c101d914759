import { overtimeAtLeast, possible, type Work } from './hands.ts'
import { networkOf } from './make-network.ts'
import type { Job, Network } from './network.ts'
import { overtimeWeight, unplacedMinutes, type PlanProblem } from './problem.ts'

export interface Bound {
  /** No plan that does every duty it can, no later than asked, has the last person leave before this minute. */
  readonly last: number
  /** No plan is less late than this, weighted minutes: of runs, and of people past their hours. */
  readonly late: number
  /** What sets it: the counters' last need, one run by itself, one machine or place, or the work of all hands. */
  readonly by: 'counter' | 'run' | 'machine' | 'hands'
}

/**
 * A proved lower bound of when the last person leaves: the greatest of the counters' last need, each run's longest way, the
 * preemptive bound of every machine and scarce place, and, by destructive search, the preemptive flow of all work by hand
 * over the people with their sign-offs, hours and the counters' staff. Waits and places are relaxed in the flow.
 * @param unplaced runs left out, by id: the bound is for the others.
 * @param late weighted minutes: being late comes first, so the bound is for plans that are no later than this; without it, for all.
 */
export function boundOf(
  problem: PlanProblem,
  unplaced: readonly string[] = [],
  late: number = Number.POSITIVE_INFINITY,
): Bound {
  const network = networkOf(problem)
  const jobs = network.jobs.filter((j) => !unplaced.includes(j.run.id) && (j.isBreak || j.alone.length > 0))
  const begins = begun(jobs, problem)
  const follows = followers(network, jobs)
  const works = jobs.flatMap((job) =>
    worksOf(network, job, begins.get(job.index) ?? 0, follows.get(job.index) ?? 0),
  )
  const lateRuns = latenessBound(jobs, begins)
  const overtime = overtimeAtLeast(network, works) * overtimeWeight
  let best: Bound = { last: lastNeed(problem), late: lateRuns + overtime, by: 'counter' }
  // What a plan is late by unplaced and late runs is no overtime.
  const left = problem.runs.filter((r) => unplaced.includes(r.id))
  const spent = left.reduce((sum, r) => sum + unplacedMinutes * r.weight, lateRuns)
  const mostOvertime = Math.max(0, Math.floor((late - spent) / overtimeWeight))
  const raise = (last: number, by: Bound['by']) => {
    if (last > best.last) best = { ...best, last, by }
  }
  for (const w of works) raise(w.head + w.minutes + w.tail, 'run')
  for (const one of oneAtATime(network, jobs, begins)) raise(preemptive(one), 'machine')
  let [low, high] = [best.last, problem.horizon]
  if (possible(network, works, low, mostOvertime)) return best
  // Not possible by `low`; `high` is taken to be.
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (possible(network, works, middle, mostOvertime)) high = middle
    else low = middle
  }
  raise(high, 'hands')
  return best
}

const lastNeed = ({ counters, people, horizon }: PlanProblem): number =>
  Math.max(
    0,
    ...people.map((p) => p.from),
    ...counters.flatMap((c) =>
      c.need
        .filter((n) => n.people > 0)
        .map((n) =>
          Math.min(
            n.to,
            horizon,
            Math.max(0, ...people.filter((p) => p.serves.includes(c.id)).map((p) => p.to)),
          ),
        ),
    ),
  )

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

/** The first minute at which a job can stand whole between its station's needs. */
function earliestBegin(job: Job, problem: PlanProblem): number {
  const fixed = job.run.segments.flatMap((s) => (s.fixed ? [s.fixed.start] : []))
  if (fixed.length > 0) return Math.min(...fixed)
  const gap = job.gaps.find((g) => g.to - Math.max(g.from, job.run.earliest) >= job.length)
  const there = Math.min(...job.people.map((p) => problem.people[p]?.from ?? 0))
  const begin = Math.max(gap?.from ?? job.run.earliest, job.run.earliest, job.pin.start)
  return Number.isFinite(there) && job.run.segments[0]?.kind === 'hands-on' ? Math.max(begin, there) : begin
}

function worksOf({ pieces }: Network, job: Job, begin: number, follows: number): Work[] {
  const people = job.pin.person >= 0 ? [job.pin.person] : job.people
  return job.pieces.flatMap((i): Work[] => {
    const piece = pieces[i]
    if (!piece?.work) return []
    const { fixed } = piece.segment
    return [
      {
        minutes: piece.minutes,
        head: fixed ? fixed.start : begin + piece.head,
        tail: Math.max(0, piece.handsTail, follows > 0 ? piece.tail + follows : 0),
        people,
      },
    ]
  })
}

const latenessBound = (jobs: readonly Job[], begins: ReadonlyMap<number, number>): number =>
  jobs.reduce((sum, job) => {
    const end = Math.max((begins.get(job.index) ?? 0) + job.length, job.run.endsFrom)
    return sum + Math.max(0, end - job.run.latest) * job.run.weight
  }, 0)

interface Lump {
  readonly head: number
  readonly minutes: number
  readonly tail: number
}

/** Jobs of one machine, of a keep-up group that lets one down, and pieces of a place that there is one of. */
function oneAtATime(
  { pieces, problem, capacities }: Network,
  jobs: readonly Job[],
  begins: ReadonlyMap<number, number>,
): Lump[][] {
  const whole = (job: Job): Lump => {
    // What stands after the last hands keeps the machine, but nobody at work.
    const waits = Math.max(
      0,
      ...job.pieces.map((i) => (pieces[i]?.handsTail === 0 ? (pieces[i]?.tail ?? 0) : 0)),
    )
    return { head: begins.get(job.index) ?? 0, minutes: job.length, tail: -waits }
  }
  const machines = problem.stations.map((_, s) => jobs.filter((j) => j.station === s).map(whole))
  const groups = problem.keepUp.map((g, i) =>
    g.mostDown === 1 ? jobs.filter((j) => j.groups.includes(i)).map(whole) : [],
  )
  const places = capacities.map((capacity, p) =>
    capacity !== 1
      ? []
      : jobs.flatMap((job) =>
          job.pieces.flatMap((i): Lump[] => {
            const piece = pieces[i]
            if (!piece?.places.includes(p)) return []
            const tail = Number.isFinite(piece.handsTail) ? piece.handsTail : -piece.minutes
            return [{ head: (begins.get(job.index) ?? 0) + piece.head, minutes: piece.minutes, tail }]
          }),
        ),
  )
  return [...machines, ...groups, ...places].filter((lumps) => lumps.length > 1)
}

/** The greatest end of any set of lumps on one machine: earliest head, all minutes, least tail. Method: Jackson's preemptive schedule. */
function preemptive(lumps: readonly Lump[]): number {
  const tails = [...new Set(lumps.map((l) => l.tail))]
  const heads = [...new Set(lumps.map((l) => l.head))]
  let most = 0
  for (const head of heads)
    for (const tail of tails) {
      const set = lumps.filter((l) => l.head >= head && l.tail >= tail)
      if (set.length > 0) most = Math.max(most, head + set.reduce((sum, l) => sum + l.minutes, 0) + tail)
    }
  return most
}
