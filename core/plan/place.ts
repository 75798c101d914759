import { free, type Building } from './building.ts'
import { find, put } from './find.ts'
import { endOf, heldUntil } from './laid.ts'
import type { Job, Piece } from './network.ts'
import type { Unplaced } from './problem.ts'
import { firstFree } from './timelines.ts'

/** What comes later in a block of one piece: nothing has reason to. */
const oneOnly = [0]
/** Attempts at one block before its run is given up. */
const mostTries = 400

/**
 * Places a block's pieces, each as early as it can; where a longest wait would be passed, what is before it comes later and
 * all is tried anew. Null where it stands, `gap` where it would reach past the span in which the machine may be down.
 */
export function placeBlock(b: Building, job: Job, block: readonly number[]): Unplaced['why'] | 'gap' | null {
  const gap = b.gap[job.index] as number
  const why = placeWith(b, job, block, -1)
  if (why === null || why === 'pin' || !block.some((i) => isTaskBegunIn(b, block, i))) return why
  // One pair of hands for a task that is come back to: not everybody can come back in time.
  for (const person of job.people) {
    b.gap[job.index] = gap
    if (placeWith(b, job, block, person) === null) return null
  }
  return why
}

/** Whether a piece belongs to a task of several pieces in the block, none of which stands before it. */
const isTaskBegunIn = (b: Building, block: readonly number[], i: number): boolean => {
  const { mates } = b.network.pieces[i] as Piece
  return mates.some((m) => block.includes(m)) && mates.every((m) => block.includes(m))
}

/** @param hands whoever does it all, or -1 for anybody. */
function placeWith(
  b: Building,
  job: Job,
  block: readonly number[],
  hands: number,
): Unplaced['why'] | 'gap' | null {
  const first = (b.ended[job.index] as number) === 0 && !job.hasBegun
  const lifted = block.length === 1 ? oneOnly : block.map(() => 0)
  for (let tries = 0; tries < mostTries; tries++) {
    const failed = attempt(b, job, block, lifted, first, hands)
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
  hands: number,
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
    const found = from > until ? null : find(b, job, piece, { from, until, endsBy }, hands)
    if (!found) return pinned || (job.pin.person >= 0 && piece.work) ? 'pin' : 'gap'
    const pulled = pullBack(b, piece, found.start, block, lifted)
    if (pulled !== null) return pulled
    if (cannotHold(b, piece, found.start, block, lifted)) return 'again'
    put(b, piece, found)
  }
  return null
}

/** Where a piece at `start` would come too long after one before it: has that one come later, or says that it cannot. */
function pullBack(
  b: Building,
  piece: Piece,
  start: number,
  block: readonly number[],
  lifted: number[],
): 'again' | 'gap' | null {
  let ready = 0
  for (const a of piece.in) ready = Math.max(ready, endOf(b.network, b, a.piece) + a.least)
  for (const a of piece.in) {
    const before = b.network.pieces[a.piece] as Piece
    const end = endOf(b.network, b, a.piece)
    // A wait begins the moment the last of what it waits on is done.
    const most = !piece.work && end + a.least === ready ? a.least : a.most
    const n = block.indexOf(a.piece)
    if (most === null || start <= end + most) continue
    // What has begun ends when it ends.
    if (n < 0 || before.segment.fixed) return 'gap'
    lifted[n] = start - most - (end - (b.start[a.piece] as number))
    return 'again'
  }
  return null
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
