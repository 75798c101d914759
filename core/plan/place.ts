import { free, type Building } from './building.ts'
import { sameHands } from './decode.ts'
import { endOf, heldUntil } from './laid.ts'
import { minutesOf, type Job, type Piece } from './network.ts'
import type { Unplaced } from './problem.ts'
import { firstBy, firstFree, reachedFrom, takeBy, takePerson, takePlaces } from './timelines.ts'

/** What comes later in a block of one piece: nothing has reason to. */
const oneOnly = [0]
/** Attempts at one block before its run is given up. */
const mostTries = 400

/**
 * Places a block's pieces, each as early as it can; where a longest wait would be passed, what is before it comes later and
 * all is tried anew. Null where it stands, `gap` where it would reach past the span in which the machine may be down.
 */
export function placeBlock(b: Building, job: Job, block: readonly number[]): Unplaced['why'] | 'gap' | null {
  const first = (b.ended[job.index] as number) === 0 && !job.hasBegun
  const lifted = block.length === 1 ? oneOnly : block.map(() => 0)
  for (let tries = 0; tries < mostTries; tries++) {
    const failed = attempt(b, job, block, lifted, first)
    if (failed === null) {
      for (const i of block)
        b.ended[job.index] = Math.max(b.ended[job.index] as number, endOf(b.network, b, i))
      return null
    }
    for (const i of block) free(b, i)
    if (failed === 'again') continue
    if (failed !== 'gap' || !first || (b.gap[job.index] as number) + 1 >= job.gaps.length) return failed
    b.gap[job.index] = (b.gap[job.index] as number) + 1
    lifted.fill(0)
  }
  return 'no-room'
}

function attempt(
  b: Building,
  job: Job,
  block: readonly number[],
  lifted: number[],
  first: boolean,
): Unplaced['why'] | 'gap' | 'again' | null {
  const { pieces, problem } = b.network
  const gap = job.gaps[b.gap[job.index] as number] ?? { from: 0, to: problem.horizon }
  const begunAt = b.begun[job.index] as number
  const firstChance = job.gaps[job.firstGap]?.from ?? 0
  for (let n = 0; n < block.length; n++) {
    const piece = pieces[block[n] as number] as Piece
    if (piece.segment.fixed) continue
    let from = Math.max(begunAt, lifted[n] as number, job.hasBegun ? 0 : gap.from)
    const endsBy = (job.hasBegun ? problem.horizon : gap.to) - piece.tail
    let until = endsBy - piece.minutes
    if (piece.tail === 0) from = Math.max(from, job.run.endsFrom - piece.minutes)
    for (const a of piece.in) from = Math.max(from, endOf(b.network, b, a.piece) + a.least)
    if (b.order.from) from = Math.max(from, b.order.from[piece.index] as number)
    if (piece.work) {
      const delay = b.order.delay[piece.index] as number
      // The first work counts its delay from its first chance: it may reach into a later gap.
      const chance = first && n === 0 ? Math.min(from, Math.max(begunAt, firstChance)) : from
      const later = Math.max(from, chance + delay)
      if (first && n === 0 && later > until && (b.gap[job.index] as number) + 1 < job.gaps.length)
        return 'gap'
      from = Math.min(later, Math.max(from, until))
    }
    const pinned = job.pin.start >= 0 && first && n === 0
    if (pinned) {
      from = Math.max(from, job.pin.start)
      until = Math.min(until, job.pin.start)
    }
    const found = from > until ? null : find(b, job, piece, { from, until, endsBy })
    if (!found) return pinned || (job.pin.person >= 0 && piece.work) ? 'pin' : 'gap'
    if (pullBack(b, piece, found.start, block, lifted)) return 'again'
    if (cannotHold(b, piece, found.start, block, lifted)) return 'again'
    put(b, job, piece, found)
  }
  return null
}

/** Where a piece at `start` would come too long after one before it: has that one come later, and says so. */
function pullBack(
  b: Building,
  piece: Piece,
  start: number,
  block: readonly number[],
  lifted: number[],
): boolean {
  let ready = 0
  for (const a of piece.in) ready = Math.max(ready, endOf(b.network, b, a.piece) + a.least)
  for (const a of piece.in) {
    const before = b.network.pieces[a.piece] as Piece
    const end = endOf(b.network, b, a.piece)
    // A wait begins the moment the last of what it waits on is done.
    const most = piece.work ? a.most : end + a.least === ready ? a.least : null
    const n = block.indexOf(a.piece)
    if (most === null || start <= end + most || n < 0 || before.segment.fixed) continue
    lifted[n] = start - most - minutesOf(before, b.person[a.piece] as number)
    return true
  }
  return false
}

/**
 * Where a wait before a piece at `start` would have to hold its places longer than they are free: has the wait come later, so that it
 * ends as the piece begins, and says so.
 */
function cannotHold(
  b: Building,
  piece: Piece,
  start: number,
  block: readonly number[],
  lifted: number[],
): boolean {
  for (const a of piece.in) {
    const before = b.network.pieces[a.piece] as Piece
    if (!before.holds) continue
    const end = heldUntil(b.network, b, a.piece)
    if (start <= end || firstFree(b.lines, -1, before.places, end, end, start - end, 0) === end) continue
    const n = block.indexOf(a.piece)
    if (n < 0 || before.segment.fixed) continue
    lifted[n] = start - before.minutes
    return true
  }
  return false
}

/** Takes what a piece takes, and for the waits before it their places up to its begin. */
function put(b: Building, job: Job, piece: Piece, { start, person, by }: Found): void {
  const { lines, network } = b
  for (const a of piece.in) {
    const before = network.pieces[a.piece] as Piece
    const end = before.holds ? heldUntil(network, b, a.piece) : start
    if (end < start) takePlaces(lines, before.places, end, start, 1)
  }
  const end = start + minutesOf(piece, person)
  takePerson(lines, person, job.at, start, end, 1)
  takePlaces(lines, piece.places, start, end, 1)
  if (by >= 0) takeBy(lines, by, job.at, start, end, 1)
  b.start[piece.index] = start
  b.person[piece.index] = person
  b.by[piece.index] = by
}

interface Found {
  readonly start: number
  readonly person: number
  readonly by: number
}

/** Minutes: not begun before, begun at the latest, ended at the latest. */
interface Within {
  readonly from: number
  readonly until: number
  readonly endsBy: number
}

function find(b: Building, job: Job, piece: Piece, within: Within): Found | null {
  const { from, until } = within
  if (!piece.work) {
    const start =
      piece.places.length === 0 ? from : firstFree(b.lines, -1, piece.places, from, until, piece.minutes, 0)
    return start < 0 ? null : { start, person: -1, by: -1 }
  }
  const wish = job.pin.person >= 0 ? job.pin.person : (b.order.hands[piece.index] as number)
  const asked = wish === sameHands ? lastHands(b, job, piece) : wish
  if (asked >= 0 && job.people.includes(asked)) {
    const start = firstFor(b, job, piece, asked, within)
    if (start >= 0) return foundFor(b, job, piece, asked, start)
  }
  if (job.pin.person >= 0) return null
  let [best, person, cost] = [-1, -1, Number.POSITIVE_INFINITY]
  for (const p of job.people) {
    const start = firstFor(b, job, piece, p, within, cost)
    if (start < 0) continue
    // A minute past the hours is worth waiting two for somebody else.
    const end = start + minutesOf(piece, p)
    const c = end + 2 * Math.max(0, end - (b.lines.hours[p] as { to: number }).to)
    if (c < cost || (c === cost && p === lastHands(b, job, piece))) {
      best = start
      person = p
      cost = c
    }
  }
  return best < 0 ? null : foundFor(b, job, piece, person, best)
}

/** When somebody can begin a piece and end it by `cost`, or -1; a learner only while somebody who is signed off can be by. */
function firstFor(
  b: Building,
  job: Job,
  piece: Piece,
  person: number,
  { from, until, endsBy }: Within,
  cost = Number.POSITIVE_INFINITY,
): number {
  const minutes = minutesOf(piece, person)
  const latest = Math.min(until, endsBy - minutes, cost - minutes)
  const isAlone = !b.network.isLearned || job.alone.includes(person)
  for (let at = from; ;) {
    const start = firstReached(b, job, piece, person, { from: at, until: latest, minutes })
    if (start < 0 || isAlone) return start
    at = Number.POSITIVE_INFINITY
    for (const p of job.alone) {
      const by = firstBy(b.lines, p, job.at, start, Math.min(latest, at), minutes)
      if (by >= 0 && by < at) at = by
    }
    if (at === start) return start
    if (at > latest) return -1
  }
}

/** When somebody is free for a piece, and at its machine; -1 where never. */
function firstReached(
  { lines, network }: Building,
  job: Job,
  piece: Piece,
  person: number,
  { from, until, minutes }: { readonly from: number; readonly until: number; readonly minutes: number },
): number {
  const { walks } = network
  for (let at = from; at <= until;) {
    const start = firstFree(lines, person, piece.places, at, until, minutes, job.at)
    if (start < 0 || walks === null || job.at <= 0) return start
    const reached = reachedFrom(lines, walks, person, job.at, start, minutes)
    if (reached === start) return start
    at = reached
  }
  return -1
}

function foundFor(b: Building, job: Job, piece: Piece, person: number, start: number): Found {
  if (job.alone.includes(person)) return { start, person, by: -1 }
  const minutes = minutesOf(piece, person)
  const by = job.alone.find((p) => firstBy(b.lines, p, job.at, start, start, minutes) === start) ?? -1
  return { start, person, by }
}

/** Who did the last work of the run before this piece, or -1. */
function lastHands(b: Building, job: Job, piece: Piece): number {
  let [person, at] = [-1, -1]
  for (const i of job.pieces) {
    if (i === piece.index || (b.person[i] as number) < 0 || (b.start[i] as number) <= at) continue
    person = b.person[i] as number
    at = b.start[i] as number
  }
  return person
}
