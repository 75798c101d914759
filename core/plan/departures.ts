import type { Schedule } from './decode.ts'
import { endOf } from './laid.ts'
import type { Network } from './network.ts'
import type { PlanProblem } from './problem.ts'
import type { Timelines } from './timelines.ts'

/** When each may leave: going back from the end, whoever works longest anyway stays for a counter that would be short. */
export function departures(network: Network, schedule: Schedule): number[] {
  const { problem, pieces, jobs } = network
  const { start, person, by, helper, lines } = schedule
  const leaves = problem.people.map((p) => Math.max(0, p.from))
  const stays = (p: number, end: number) => {
    if (p >= 0) leaves[p] = Math.max(leaves[p] as number, end)
  }
  for (let i = 0; i < start.length; i++) {
    if ((start[i] as number) < 0) continue
    const end = endOf(network, schedule, i)
    stays(person[i] as number, end)
    stays(by[i] as number, end)
    stays(helper[i] as number, end)
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
  stayToTheEnd(problem, leaves)
  return leaves
}

/** Somebody with keys stays to the end, and somebody beside the last one: whoever leaves latest anyway. */
function stayToTheEnd({ people, keys, neverAlone }: PlanProblem, leaves: number[]): void {
  const last = Math.max(0, ...leaves)
  const stays = (may: (p: number) => boolean) => {
    let best = -1
    people.forEach((p, i) => {
      if (
        may(i) &&
        p.most >= last &&
        p.from < last &&
        (best < 0 || (leaves[i] as number) > (leaves[best] as number))
      )
        best = i
    })
    if (best >= 0) leaves[best] = last
  }
  const isLast = (p: number) => (leaves[p] as number) >= last
  const holds = (p: number) => keys?.includes(people[p]?.id ?? '') === true
  if (keys && !people.some((_, p) => holds(p) && isLast(p))) stays(holds)
  if (neverAlone && people.filter((_, p) => isLast(p)).length === 1) stays((p) => !isLast(p))
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
