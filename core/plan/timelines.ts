import { setupMinutes, type Network, type Piece, type Setups } from './network.ts'

/** What is free minute by minute while a plan is built: people, the counters' staff, shared places. Lines lie one after another. */
export interface Timelines {
  readonly horizon: number
  /** By person: why this person cannot be taken: away, busy, or a set of counters short of everybody it can spare. 0 is free. */
  readonly closed: Uint8Array
  /** By place: how many are free. */
  readonly room: Int16Array
  /** By set of counters: how many more may be away cleaning. */
  readonly spare: Int16Array
  /** By set: the minute from which none of its counters needs anybody. */
  readonly needUntil: Int32Array
  /** By person, the sets of counters in which this person is counted; by set, its people. */
  readonly setsOf: readonly (readonly number[])[]
  readonly membersOf: readonly (readonly number[])[]
  /** By person: minutes in which they are counted at all. */
  readonly hours: readonly { readonly from: number; readonly to: number }[]
  /** By person, where anybody learns or walks, and empty otherwise: the place of their work, 0 for none. */
  readonly at: Int16Array
  /** How their work is come to, and left: numbers of `Setups`, 0 for none. */
  readonly enters: Int16Array
  readonly leaves: Int16Array
  /** The place in which they must be for a learner, 0 for none; and for how many. By person alone: minutes of it in all. */
  readonly watch: Int16Array
  readonly watched: Int16Array
  readonly watchedMinutes: Int32Array
}

/**
 * Staff as capacities. By Hall's theorem the free people can fill every counter exactly if, for each set of counters, as many of
 * them serve one of the set as the set needs; so each set is a resource of its own, and who cleans takes one of each set served.
 */
export function timelinesOf({ problem, isLearned, setups }: Network): Timelines {
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
    needUntil: Int32Array.from(sets, (set) =>
      clip(Math.max(0, ...set.flatMap((c) => counters[c]?.need.map((n) => (n.people > 0 ? n.to : 0)) ?? []))),
    ),
    closed,
    room: Int16Array.from(Object.values(problem.places).flatMap((n) => new Array<number>(horizon).fill(n))),
    setsOf: people.map((_, p) => sets.flatMap((_, s) => (membersOf[s]?.includes(p) ? [s] : []))),
    membersOf,
    hours: people.map(({ from, to }) => ({ from, to })),
    ...byPlaces(people.length, isLearned || setups ? horizon : 0),
  }
  sets.forEach((_, s) => {
    for (let t = 0; t < horizon; t++) if ((spare[s * horizon + t] as number) <= 0) shut(lines, s, t, 1)
  })
  return lines
}

const byPlaces = (people: number, horizon: number) => ({
  at: new Int16Array(people * horizon),
  enters: new Int16Array(people * horizon),
  leaves: new Int16Array(people * horizon),
  watch: new Int16Array(people * horizon),
  watched: new Int16Array(people * horizon),
  watchedMinutes: new Int32Array(people),
})

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
  at: t.at.slice(),
  enters: t.enters.slice(),
  leaves: t.leaves.slice(),
  watch: t.watch.slice(),
  watched: t.watched.slice(),
  watchedMinutes: t.watchedMinutes.slice(),
})

/** Lays the lines of `from` over those of `to`, of the same shape. */
export function restore(to: Timelines, from: Timelines): void {
  to.closed.set(from.closed)
  to.room.set(from.room)
  to.spare.set(from.spare)
  if (to.at.length === 0) return
  to.at.set(from.at)
  to.enters.set(from.enters)
  to.leaves.set(from.leaves)
  to.watch.set(from.watch)
  to.watched.set(from.watched)
  to.watchedMinutes.set(from.watchedMinutes)
}

/** Takes (by 1) or gives back (by -1) places for a span. */
export function takePlaces(
  { horizon, room }: Timelines,
  places: readonly number[],
  start: number,
  end: number,
  by: 1 | -1,
): void {
  const until = Math.min(end, horizon)
  for (const p of places)
    for (let i = p * horizon + Math.max(0, start); i < p * horizon + until; i++)
      room[i] = (room[i] as number) - by
}

/** Holds somebody signed off (by 1) to a place for a learner, or lets them go (by -1). */
export function takeBy(
  { horizon, watch, watched, watchedMinutes }: Timelines,
  person: number,
  at: number,
  start: number,
  end: number,
  by: 1 | -1,
): void {
  const until = Math.min(end, horizon)
  for (let i = person * horizon + start; i < person * horizon + until; i++) {
    watched[i] = (watched[i] as number) + by
    watch[i] = (watched[i] as number) > 0 ? at : 0
  }
  watchedMinutes[person] = (watchedMinutes[person] as number) + by * Math.max(0, until - start)
}

/**
 * The first minute from `from`, and at the latest `until`, from which somebody can be by at a place for `minutes`: in their hours, on no
 * break, and at no work elsewhere; -1 where there is none.
 */
export function firstBy(
  t: Timelines,
  person: number,
  place: number,
  from: number,
  until: number,
  minutes: number,
): number {
  const hours = t.hours[person] as { from: number; to: number }
  const line = person * t.horizon
  let since = Math.max(from, hours.from)
  const last = Math.min(until + minutes, hours.to)
  for (let m = since; m < last && m - since < minutes; m++) {
    const [works, held] = [t.at[line + m] as number, t.watch[line + m] as number]
    if ((works !== 0 && works !== place) || (held !== 0 && held !== place)) since = m + 1
  }
  return since <= until && since + minutes <= last ? since : -1
}

/** Takes (by 1) or gives back (by -1) a person at a piece of work for a span, within the plan. A person of -1 is nobody. */
export function takePerson(
  t: Timelines,
  person: number,
  piece: Pick<Piece, 'at' | 'enters' | 'leaves'>,
  start: number,
  end: number,
  by: 1 | -1,
): void {
  if (person < 0) return
  const { horizon, closed, spare } = t
  const until = Math.min(end, horizon)
  const line = person * horizon
  if (t.at.length > 0) {
    t.at.fill(by === 1 ? piece.at : 0, line + start, line + until)
    t.enters.fill(by === 1 ? piece.enters : 0, line + start, line + until)
    t.leaves.fill(by === 1 ? piece.leaves : 0, line + start, line + until)
  }
  for (let i = line + start; i < line + until; i++) closed[i] = (closed[i] as number) + by
  const { from, to } = t.hours[person] as { from: number; to: number }
  for (const s of t.setsOf[person] as readonly number[]) {
    const counted = Math.min(until, to, t.needUntil[s] as number)
    for (let m = Math.max(start, from); m < counted; m++) {
      const i = s * horizon + m
      const was = spare[i] as number
      spare[i] = was - by
      if (by === 1 && was === 1) shut(t, s, m, 1)
      else if (by === -1 && was === 0) shut(t, s, m, -1)
    }
  }
}

/**
 * When somebody who is free from `start` for `minutes` can do a piece as well, coming to it from their work before, and going from it to
 * their work after: `start`, or the first minute that is worth trying next. A break ends no walk and begins none.
 */
export function reachedFrom(
  { enters, leaves, horizon }: Timelines,
  setups: Setups,
  person: number,
  piece: Pick<Piece, 'enters' | 'leaves'>,
  start: number,
  minutes: number,
): number {
  const line = person * horizon
  for (let m = start - 1; m >= Math.max(0, start - setups.longest); m--) {
    const before = leaves[line + m] as number
    if (before === 0) continue
    const ready = m + 1 + (before < 0 ? 0 : setupMinutes(setups, before, piece.enters))
    if (ready > start) return ready
    break
  }
  const end = start + minutes
  for (let m = end; m < Math.min(horizon, end + setups.longest); m++) {
    const after = enters[line + m] as number
    if (after === 0) continue
    return after > 0 && m - end < setupMinutes(setups, piece.leaves, after) ? m + 1 : start
  }
  return start
}

/**
 * The first minute from `from`, and at the latest `until`, at which a person, who may be held to another place than `at`, and places
 * are free for `minutes`; -1 where there is none.
 */
export function firstFree(
  t: Timelines,
  person: number,
  places: readonly number[],
  from: number,
  until: number,
  minutes: number,
  at: number,
): number {
  const { horizon, closed, room, watch } = t
  const isHeld = person >= 0 && (t.watchedMinutes[person] as number) > 0
  const last = Math.min(until + minutes, horizon)
  const line = person * horizon
  let since = from
  if (places.length === 0 && person >= 0 && !isHeld) {
    for (let m = from; m < last && m - since < minutes; m++)
      if (closed[line + m] !== 0) {
        since = m + 1
        if (since > until) return -1
      }
    return since <= until && since + minutes <= last ? since : -1
  }
  for (let m = from; m < last && m - since < minutes; m++) {
    let free = person < 0 || closed[line + m] === 0
    if (free && isHeld) free = watch[line + m] === 0 || watch[line + m] === at
    for (let i = 0; free && i < places.length; i++)
      free = (room[(places[i] as number) * horizon + m] as number) > 0
    if (free) continue
    since = m + 1
    if (since > until) return -1
  }
  return since <= until && since + minutes <= last ? since : -1
}
