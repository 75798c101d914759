import type { Building } from './building.ts'
import { sameHands } from './decode.ts'
import type { Job, Piece } from './network.ts'
import type { Unplaced } from './problem.ts'
import { firstFree, take } from './timelines.ts'

/** Attempts at one block before its run is given up. */
const mostTries = 400

/**
 * Places a block's pieces, each as early as it can; where a longest wait would be passed, what is before it comes later and
 * all is tried anew. Null where it stands, `gap` where it would reach past the span in which the machine may be down.
 */
export function placeBlock(b: Building, job: Job, block: readonly number[]): Unplaced['why'] | 'gap' | null {
  const first = (b.ended[job.index] as number) === 0 && !job.hasBegun
  const lifted = block.map(() => 0)
  for (let tries = 0; tries < mostTries; tries++) {
    const failed = attempt(b, job, block, lifted, first)
    if (failed === null) {
      for (const i of block) b.ended[job.index] = Math.max(b.ended[job.index] as number, endOf(b, i))
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

function free(b: Building, i: number): void {
  const piece = b.network.pieces[i] as Piece
  const at = b.start[i] as number
  if (at < 0 || piece.segment.fixed) return
  take(b.lines, b.person[i] as number, piece.places, at, at + piece.minutes, -1)
  b.start[i] = -1
  b.person[i] = -1
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
    let until = (job.hasBegun ? problem.horizon : gap.to) - piece.tail - piece.minutes
    if (piece.tail === 0) from = Math.max(from, job.run.endsFrom - piece.minutes)
    for (const a of piece.in) from = Math.max(from, endOf(b, a.piece) + a.least)
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
    const found = from > until ? null : find(b, job, piece, from, until)
    if (!found) return pinned || (job.pin.person >= 0 && piece.work) ? 'pin' : 'gap'
    if (pullBack(b, piece, found.start, block, lifted)) return 'again'
    take(b.lines, found.person, piece.places, found.start, found.start + piece.minutes, 1)
    b.start[piece.index] = found.start
    b.person[piece.index] = found.person
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
  for (const a of piece.in) ready = Math.max(ready, endOf(b, a.piece) + a.least)
  for (const a of piece.in) {
    const before = b.network.pieces[a.piece] as Piece
    const end = endOf(b, a.piece)
    // A wait begins the moment the last of what it waits on is done.
    const most = piece.work ? a.most : end + a.least === ready ? a.least : null
    const n = block.indexOf(a.piece)
    if (most === null || start <= end + most || n < 0 || before.segment.fixed) continue
    lifted[n] = start - most - before.minutes
    return true
  }
  return false
}

const endOf = (b: Building, piece: number): number =>
  (b.start[piece] as number) + (b.network.pieces[piece] as Piece).minutes

interface Found {
  readonly start: number
  readonly person: number
}

function find(b: Building, job: Job, piece: Piece, from: number, until: number): Found | null {
  if (!piece.work) {
    const start =
      piece.places.length === 0 ? from : firstFree(b.lines, -1, piece.places, from, until, piece.minutes)
    return start < 0 ? null : { start, person: -1 }
  }
  const before = lastHands(b, job, piece)
  const wish = job.pin.person >= 0 ? job.pin.person : (b.order.hands[piece.index] as number)
  const asked = wish === sameHands ? before : wish
  if (asked >= 0 && job.people.includes(asked)) {
    const start = firstFor(b, job, piece, asked, from, until)
    if (start >= 0) return { start, person: asked }
  }
  if (job.pin.person >= 0) return null
  let [best, person, cost] = [-1, -1, Number.POSITIVE_INFINITY]
  for (const p of job.people) {
    const start = firstFor(b, job, piece, p, from, Math.min(until, cost))
    if (start < 0) continue
    // A minute past the hours is worth waiting two for somebody else.
    const c = start + 2 * Math.max(0, start + piece.minutes - (b.lines.hours[p] as { to: number }).to)
    if (c < cost || (c === cost && p === before)) {
      best = start
      person = p
      cost = c
    }
  }
  return best < 0 ? null : { start: best, person }
}

/** A learner begins only while somebody who is signed off is there. */
function firstFor(b: Building, job: Job, piece: Piece, person: number, from: number, until: number): number {
  const start = firstFree(b.lines, person, piece.places, from, until, piece.minutes)
  if (start < 0 || job.alone.includes(person)) return start
  for (const p of job.alone) {
    const hours = b.lines.hours[p] as { from: number; to: number }
    if (hours.from <= start && hours.to >= start + piece.minutes) return start
  }
  return -1
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
