import type { Network } from './network.ts'

/** What is free minute by minute while a plan is built: people, the counters' staff, shared places. Lines lie one after another. */
export interface Timelines {
  readonly horizon: number
  /** By person: why this person cannot be taken: away, busy, or a set of counters short of everybody it can spare. 0 is free. */
  readonly closed: Uint8Array
  /** By place: how many are free. */
  readonly room: Int16Array
  /** By set of counters: how many more may be away cleaning. */
  readonly spare: Int16Array
  /** By person, the sets of counters in which this person is counted; by set, its people. */
  readonly setsOf: readonly (readonly number[])[]
  readonly membersOf: readonly (readonly number[])[]
  /** By person: minutes in which they are counted at all. */
  readonly hours: readonly { readonly from: number; readonly to: number }[]
}

/**
 * Staff as capacities. By Hall's theorem the free people can fill every counter exactly if, for each set of counters, as many of
 * them serve one of the set as the set needs; so each set is a resource of its own, and who cleans takes one of each set served.
 */
export function timelinesOf({ problem }: Network): Timelines {
  const { horizon, counters, people } = problem
  const serves = (p: number, set: readonly number[]) =>
    set.some((c) => people[p]?.serves.includes(counters[c]?.id ?? ''))
  const sets = subsets(counters.length).filter((set) => !redundant(set, problem))
  const numbers = people.map((_, p) => p)
  const spare = new Int16Array(sets.length * horizon)
  const clip = (t: number) => Math.min(Math.max(0, t), horizon)
  sets.forEach((set, s) => {
    const line = spare.subarray(s * horizon, (s + 1) * horizon)
    const needed = new Uint8Array(horizon)
    for (const p of numbers.filter((p) => serves(p, set)))
      for (let t = clip(people[p]?.from ?? 0); t < clip(people[p]?.to ?? 0); t++)
        line[t] = (line[t] as number) + 1
    for (const n of set.flatMap((c) => counters[c]?.need ?? []))
      for (let t = clip(n.from); t < clip(n.to); t++) {
        line[t] = (line[t] as number) - n.people
        if (n.people > 0) needed[t] = 1
      }
    // Where none of the set's counters needs anybody, nothing is asked.
    for (let t = 0; t < horizon; t++) if (!needed[t]) line[t] = people.length
  })
  const closed = new Uint8Array(people.length * horizon).fill(1)
  people.forEach((p, i) => closed.fill(0, i * horizon + clip(p.from), i * horizon + clip(p.most)))
  const membersOf = sets.map((set) => numbers.filter((p) => serves(p, set)))
  const lines: Timelines = {
    horizon,
    spare,
    closed,
    room: Int16Array.from(Object.values(problem.places).flatMap((n) => new Array<number>(horizon).fill(n))),
    setsOf: people.map((_, p) => sets.flatMap((_, s) => (membersOf[s]?.includes(p) ? [s] : []))),
    membersOf,
    hours: people.map(({ from, to }) => ({ from, to })),
  }
  sets.forEach((_, s) => {
    for (let t = 0; t < horizon; t++) if ((spare[s * horizon + t] as number) <= 0) shut(lines, s, t, 1)
  })
  return lines
}

/** Closes (by 1) or opens (by -1) everybody who is counted in a set at a minute. */
function shut(t: Timelines, set: number, minute: number, by: 1 | -1): void {
  for (const p of t.membersOf[set] as readonly number[]) {
    if (minute >= (t.hours[p] as { to: number }).to) continue
    const i = p * t.horizon + minute
    t.closed[i] = (t.closed[i] as number) + by
  }
}

const subsets = (n: number): number[][] =>
  Array.from({ length: 2 ** n - 1 }, (_, mask) =>
    Array.from({ length: n }, (_, c) => c).filter((c) => (mask + 1) & (1 << c)),
  )

/** A set whose people are the same as those of a larger set asks less than that one. */
const redundant = (set: readonly number[], { counters, people }: Network['problem']): boolean => {
  const serves = (c: number) => people.map((p) => p.serves.includes(counters[c]?.id ?? ''))
  const who = (s: readonly number[]) => people.map((_, i) => s.some((c) => serves(c)[i])).join()
  const own = who(set)
  return counters.some((_, c) => !set.includes(c) && who([...set, c]) === own)
}

export const copyOf = (t: Timelines): Timelines => ({
  ...t,
  closed: t.closed.slice(),
  room: t.room.slice(),
  spare: t.spare.slice(),
})

/** Lays the lines of `from` over those of `to`, of the same shape. */
export function restore(to: Timelines, from: Timelines): void {
  to.closed.set(from.closed)
  to.room.set(from.room)
  to.spare.set(from.spare)
}

/** Takes (by 1) or gives back (by -1) a person and places for a span. A person of -1 is nobody. */
export function take(
  t: Timelines,
  person: number,
  places: readonly number[],
  start: number,
  end: number,
  by: 1 | -1,
): void {
  const { horizon, closed, room, spare } = t
  for (const p of places)
    for (let i = p * horizon + start; i < p * horizon + end; i++) room[i] = (room[i] as number) - by
  if (person < 0) return
  for (let i = person * horizon + start; i < person * horizon + end; i++)
    closed[i] = (closed[i] as number) + by
  const { from, to } = t.hours[person] as { from: number; to: number }
  const counted = Math.min(end, to)
  for (const s of t.setsOf[person] as readonly number[])
    for (let m = Math.max(start, from); m < counted; m++) {
      const i = s * horizon + m
      const was = spare[i] as number
      spare[i] = was - by
      if (by === 1 && was === 1) shut(t, s, m, 1)
      else if (by === -1 && was === 0) shut(t, s, m, -1)
    }
}

/** The first minute from `from`, and at the latest `until`, at which a person and places are free for `minutes`; -1 where there is none. */
export function firstFree(
  t: Timelines,
  person: number,
  places: readonly number[],
  from: number,
  until: number,
  minutes: number,
): number {
  const { horizon, closed, room } = t
  const last = Math.min(until + minutes, horizon)
  const line = person * horizon
  let since = from
  if (places.length === 0 && person >= 0) {
    for (let m = from; m < last && m - since < minutes; m++)
      if (closed[line + m] !== 0) {
        since = m + 1
        if (since > until) return -1
      }
    return since <= until && since + minutes <= last ? since : -1
  }
  for (let m = from; m < last && m - since < minutes; m++) {
    let free = person < 0 || closed[line + m] === 0
    for (let i = 0; free && i < places.length; i++)
      free = (room[(places[i] as number) * horizon + m] as number) > 0
    if (free) continue
    since = m + 1
    if (since > until) return -1
  }
  return since <= until && since + minutes <= last ? since : -1
}
