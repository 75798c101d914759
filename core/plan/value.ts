import type { Schedule } from './decode.ts'
import type { Timelines } from './timelines.ts'
import { endOf } from './laid.ts'
import { minutesOf, walkMinutes, type Network } from './network.ts'
import { overtimeWeight, softWeights, unplacedMinutes, type Objective } from './problem.ts'

export interface Value extends Omit<Objective, 'soft'> {
  /** Counted only when it is asked for. */
  readonly soft: () => number
  /** By person: when they may leave. */
  readonly leaves: readonly number[]
}

/** Where things stood before, by piece: changes against it are counted. */
export interface Before {
  readonly start: readonly number[]
  readonly person: readonly number[]
}

/** What a schedule is worth, and when everybody may leave: after their own last work, and while the counters need them. */
export function valueOf(network: Network, schedule: Schedule, before: Before | null): Value {
  const leaves = departures(network, schedule)
  const { jobs, problem } = network
  let [late, past] = [0, 0]
  for (const { job } of schedule.unplaced) late += unplacedMinutes * (jobs[job]?.run.weight ?? 1)
  for (const job of jobs) {
    let end = -1
    for (const i of job.pieces)
      if ((schedule.start[i] as number) >= 0) end = Math.max(end, endOf(network, schedule, i))
    if (end < 0) continue
    late += Math.max(0, end - job.run.latest) * job.run.weight
    past += Math.max(0, end - job.run.target) * softWeights.pastTarget
  }
  problem.people.forEach((p, i) => {
    late += Math.max(0, (leaves[i] as number) - p.to) * overtimeWeight
  })
  let soft: number | null = null
  return {
    late,
    last: Math.max(0, ...leaves),
    departures: leaves.reduce((a, b) => a + b, 0),
    soft: () => (soft ??= past + softness(network, schedule, before)),
    leaves,
  }
}

/** When each may leave: going back from the end, whoever works longest anyway stays for a counter that would be short. */
function departures(network: Network, schedule: Schedule): number[] {
  const { problem, pieces, jobs } = network
  const { start, person, by, lines } = schedule
  const leaves = problem.people.map((p) => Math.max(0, p.from))
  const stays = (p: number, end: number) => {
    if (p >= 0) leaves[p] = Math.max(leaves[p] as number, end)
  }
  for (let i = 0; i < start.length; i++) {
    if ((start[i] as number) < 0) continue
    const end = endOf(network, schedule, i)
    stays(person[i] as number, end)
    stays(by[i] as number, end)
  }
  const there = (p: number, t: number) => {
    const hours = lines.hours[p] as { from: number; to: number }
    return hours.from <= t && t < hours.to
  }
  for (const [s, members] of lines.membersOf.entries()) stayFor(s, members, lines, leaves)
  // Somebody who is signed off stays while a learner goes on with what has begun.
  for (let i = 0; network.isLearned && i < start.length; i++) {
    const p = person[i] as number
    const job = jobs[pieces[i]?.run ?? -1]
    if (p < 0 || (start[i] as number) < 0 || (by[i] as number) >= 0 || !job?.learning.includes(p)) continue
    const end = endOf(network, schedule, i)
    if (job.alone.some((a) => (leaves[a] as number) >= end && there(a, start[i] as number))) continue
    const other = job.alone
      .filter((a) => there(a, end - 1))
      .toSorted((a, b) => (leaves[b] as number) - (leaves[a] as number))[0]
    if (other !== undefined) leaves[other] = Math.max(leaves[other] as number, end)
  }
  return leaves
}

/** Going back from the end: where more of a set's people would be gone than it can spare, whoever works longest anyway stays. */
function stayFor(set: number, members: readonly number[], lines: Timelines, leaves: number[]): void {
  const { horizon, spare, hours, needUntil } = lines
  // How many are gone, and down to which minute that holds.
  let [gone, until] = [0, horizon]
  for (let t = (needUntil[set] as number) - 1; t >= 0; t--) {
    const mayBeGone = Math.max(0, spare[set * horizon + t] as number)
    if (mayBeGone >= members.length) continue
    if (t < until) [gone, until] = goneAt(t, members, lines, leaves)
    while (gone > mayBeGone) {
      let longest = -1
      for (const p of members) {
        const { from, to } = hours[p] as { from: number; to: number }
        if ((leaves[p] as number) > t || from > t || t >= to) continue
        if (longest < 0 || (leaves[p] as number) > (leaves[longest] as number)) longest = p
      }
      if (longest < 0) break
      leaves[longest] = t + 1
      gone--
    }
  }
}

/** How many of a set's people who should be there are gone at a minute, and the earliest minute down to which it is so. */
function goneAt(
  t: number,
  members: readonly number[],
  { hours }: Timelines,
  leaves: readonly number[],
): [number, number] {
  let [gone, until] = [0, 0]
  for (const p of members) {
    const { from, to } = hours[p] as { from: number; to: number }
    const left = Math.max(leaves[p] as number, from)
    if (left <= t && t < to) {
      gone++
      until = Math.max(until, left)
    } else if (t >= to) until = Math.max(until, to)
  }
  return [gone, until]
}

/** The third level: standing by, handovers, shares, walking, changes. */
function softness(network: Network, schedule: Schedule, before: Before | null): number {
  const { jobs, pieces, problem } = network
  const { start, person } = schedule
  const order = byStart(start, person, problem.horizon)
  const handsOfRun = new Int16Array(jobs.length).fill(-1)
  const until = new Int32Array(problem.people.length).fill(-1)
  const area = new Int16Array(problem.people.length)
  const minutes = new Int32Array(problem.people.length)
  let soft = 0
  for (const i of order) {
    const p = person[i] as number
    const piece = pieces[i] as (typeof pieces)[number]
    const job = jobs[piece.run] as (typeof jobs)[number]
    const at = start[i] as number
    if (!job.isBreak) {
      if ((handsOfRun[piece.run] as number) >= 0 && handsOfRun[piece.run] !== p) soft += softWeights.handover
      handsOfRun[piece.run] = p
      const from = area[p] as number
      if (from > 0 && from !== job.at)
        soft += Math.max(softWeights.walk, network.walks ? walkMinutes(network.walks, from, job.at) : 0)
      area[p] = job.at
      minutes[p] = (minutes[p] as number) + minutesOf(piece, p)
      if ((until[p] as number) >= 0) soft += Math.min(15, at - (until[p] as number)) * softWeights.idle
    }
    until[p] = at + minutesOf(piece, p)
    if (before && (before.start[i] as number) >= 0) {
      if (before.person[i] !== p || Math.abs((before.start[i] as number) - at) >= 5)
        soft += softWeights.change
    }
  }
  if (minutes.length > 1) soft += (Math.max(...minutes) - Math.min(...minutes)) * softWeights.unfair
  return soft
}

/** The pieces that somebody does, by their begin; those of the same minute by number. */
function byStart(start: Int32Array, person: Int16Array, horizon: number): Int32Array {
  const count = new Int32Array(horizon + 1)
  const isDone = (i: number) => (person[i] as number) >= 0 && (start[i] as number) >= 0
  let done = 0
  for (let i = 0; i < start.length; i++)
    if (isDone(i)) {
      done++
      count[start[i] as number] = (count[start[i] as number] as number) + 1
    }
  for (let t = 0, sum = 0; t <= horizon; t++) {
    const here = count[t] as number
    count[t] = sum
    sum += here
  }
  const order = new Int32Array(done)
  for (let i = 0; i < start.length; i++)
    if (isDone(i)) {
      const at = count[start[i] as number] as number
      order[at] = i
      count[start[i] as number] = at + 1
    }
  return order
}

/** Which of two is better, level by level; below zero where the first is. */
export const compare = (a: Value, b: Value): number =>
  a.late - b.late || a.last - b.last || a.departures - b.departures || a.soft() - b.soft()
