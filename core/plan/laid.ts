import { minutesOf, type Network, type Piece } from './network.ts'
import { takeBy, takePerson, takePlaces, type Timelines } from './timelines.ts'

/** Where pieces stand, by piece: -1 where one does not, where it is nobody's, and where nobody need be by. */
export interface Laid {
  readonly start: Int32Array
  readonly person: Int16Array
  /** Who is signed off and by, for a learner's piece. */
  readonly by: Int16Array
  /** Who helps, where a piece needs two. */
  readonly helper: Int16Array
  /** Minutes that a piece takes more because it came from other hands. */
  readonly extra: Int8Array
}

export const endOf = ({ pieces }: Network, { start, person, extra }: Laid, i: number): number =>
  (start[i] as number) + minutesOf(pieces[i] as Piece, person[i] as number) + (extra[i] as number)

/** Until when a piece takes its places: a wait until everything after it that stands has begun. */
export function heldUntil(network: Network, laid: Laid, i: number): number {
  const piece = network.pieces[i] as Piece
  let until = endOf(network, laid, i)
  if (piece.holds) for (const a of piece.out) until = Math.max(until, laid.start[a.piece] as number)
  return until
}

/**
 * Takes (by 1) or gives back (by -1) all that a piece takes where it stands. Of one that has begun only what it holds past its own
 * minutes: the rest is in the lines from the first. To give back, a wait goes before what comes after it.
 */
export function lay(network: Network, lines: Timelines, laid: Laid, i: number, by: 1 | -1): void {
  const piece = network.pieces[i] as Piece
  const start = laid.start[i] as number
  if (start < 0) return
  const end = endOf(network, laid, i)
  const until = heldUntil(network, laid, i)
  const from = piece.segment.fixed ? end : start
  if (piece.places.length > 0 && until > from) takePlaces(lines, piece.places, from, until, by)
  if (piece.segment.fixed) return
  takePerson(lines, laid.person[i] as number, piece, start, end, by)
  if ((laid.helper[i] as number) >= 0) takePerson(lines, laid.helper[i] as number, piece, start, end, by)
  if ((laid.by[i] as number) >= 0) takeBy(lines, laid.by[i] as number, piece.at, start, end, by)
}
