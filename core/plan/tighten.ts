import { free, type Building } from './building.ts'
import { put } from './find.ts'
import { endOf } from './laid.ts'
import { minutesOf, type Job, type Piece } from './network.ts'
import { firstBy, firstFree, reachedFrom } from './timelines.ts'

/** Places tried for one piece before it stays where it is. */
const mostTries = 12

/**
 * Moves the pieces of a run that stands as late as what comes after them lets them, in the same hands: a machine is not opened before
 * somebody can go on with it. Its end stays. Blocks of several pieces, which are tied by longest waits, stay.
 */
export function tighten(b: Building, job: Job): void {
  const { blocks, pieces } = b.network
  for (let n = job.blocks.length - 1; n >= 0; n--) {
    const block = blocks[job.blocks[n] as number]
    const [only] = block?.pieces ?? []
    if (block?.pieces.length !== 1 || only === undefined) continue
    const piece = pieces[only] as Piece
    if (!piece.work || piece.segment.fixed || piece.out.length === 0) continue
    const start = b.start[only] as number
    const lasts = endOf(b.network, b, only) - start
    const latest = latestEnd(b, piece) - lasts
    if (latest > start) moveWork(b, piece, latest)
  }
  followWaits(b, job)
}

/** By when a piece must end: what is after it stands, waits between at their least. */
function latestEnd(b: Building, piece: Piece): number {
  let end = Number.POSITIVE_INFINITY
  for (const a of piece.out) {
    const next = b.network.pieces[a.piece] as Piece
    const begins =
      next.work || next.segment.fixed || isTied(b, next)
        ? (b.start[a.piece] as number)
        : latestEnd(b, next) - next.minutes
    end = Math.min(end, begins - a.least)
  }
  return end
}

/** Whether a wait may not move by itself: it takes a place, or is tied to others. */
const isTied = (b: Building, wait: Piece): boolean =>
  wait.places.length > 0 || wait.out.length === 0 || (b.network.blocks[wait.block]?.pieces.length ?? 0) > 1

function moveWork(b: Building, piece: Piece, latest: number): void {
  const { lines, network } = b
  const i = piece.index
  const found = {
    start: b.start[i] as number,
    person: b.person[i] as number,
    by: b.by[i] as number,
    helper: b.helper[i] as number,
    extra: b.extra[i] as number,
  }
  if (found.helper >= 0) return
  // What holds a place up to this piece would hold it longer.
  if (piece.in.some((a) => network.pieces[a.piece]?.holds)) return
  const minutes = minutesOf(piece, found.person) + found.extra
  free(b, i)
  const stands = (start: number) =>
    firstFree(lines, found.person, piece.places, start, start, minutes, piece.at) === start &&
    (network.setups === null ||
      reachedFrom(lines, network.setups, found.person, piece, start, minutes) === start) &&
    (found.by < 0 || firstBy(lines, found.by, piece.at, start, start, minutes) === start)
  let to = found.start
  for (let n = 0; n < mostTries && latest - n > found.start; n++)
    if (stands(latest - n)) {
      to = latest - n
      break
    }
  put(b, piece, { ...found, start: to })
}

/** Waits that nothing ties begin as what is before them ends. */
function followWaits(b: Building, job: Job): void {
  for (const i of job.pieces) {
    const piece = b.network.pieces[i] as Piece
    if (piece.work || piece.segment.fixed || isTied(b, piece) || piece.in.length === 0) continue
    b.start[i] = Math.max(...piece.in.map((a) => endOf(b.network, b, a.piece) + a.least))
  }
}
