import type { Building } from './building.ts'
import { sameHands } from './decode.ts'
import { heldUntil } from './laid.ts'
import { minutesOf, type Job, type Piece } from './network.ts'
import { firstBy, firstFree, reachedFrom, takeBy, takePerson, takePlaces } from './timelines.ts'

/** Where a piece can stand: by whom, who is by or helps (-1 for nobody), and the minutes it takes more from other hands. */
export interface Found {
  readonly start: number
  readonly person: number
  readonly by: number
  readonly helper: number
  readonly extra: number
}

/** Minutes: not begun before, begun at the latest, ended at the latest. */
interface Within {
  readonly from: number
  readonly until: number
  readonly endsBy: number
}

/** A place found for one person, with who must be there beside them. */
type Beside = Pick<Found, 'start' | 'by' | 'helper'>

/** Takes what a piece takes, and for the waits before it their places up to its begin. */
export function put(b: Building, piece: Piece, { start, person, by, helper, extra }: Found): void {
  const { lines, network } = b
  for (const a of piece.in) {
    const before = network.pieces[a.piece] as Piece
    const end = before.holds ? heldUntil(network, b, a.piece) : start
    if (end < start) takePlaces(lines, before.places, end, start, 1)
  }
  const end = start + minutesOf(piece, person) + extra
  takePerson(lines, person, piece, start, end, 1)
  takePerson(lines, helper, piece, start, end, 1)
  takePlaces(lines, piece.places, start, end, 1)
  if (by >= 0) takeBy(lines, by, piece.at, start, end, 1)
  const { index } = piece
  b.start[index] = start
  b.person[index] = person
  b.by[index] = by
  b.helper[index] = helper
  b.extra[index] = extra
}

/** The first place for a piece, with whoever is to do it; null where there is none. @param hands who does it, or -1 for anybody. */
export function find(b: Building, job: Job, piece: Piece, within: Within, hands: number): Found | null {
  const { from, until } = within
  if (!piece.work) {
    const start =
      piece.places.length === 0 ? from : firstFree(b.lines, -1, piece.places, from, until, piece.minutes, 0)
    return start < 0 ? null : { start, person: -1, by: -1, helper: -1, extra: 0 }
  }
  const bound = boundTo(b, job, piece, hands)
  const wish = bound >= 0 ? bound : (b.order.hands[piece.index] as number)
  const asked = wish === sameHands ? lastHands(b, job, piece) : wish
  if (asked >= 0 && job.people.includes(asked)) {
    const found = firstFor(b, job, piece, asked, within)
    if (found) return foundFor(b, job, piece, asked, found)
  }
  if (bound >= 0) return null
  let [best, person, cost]: [Beside | null, number, number] = [null, -1, Number.POSITIVE_INFINITY]
  for (const p of job.people) {
    const found = firstFor(b, job, piece, p, within, cost)
    if (!found) continue
    // A minute past the hours is worth waiting two for somebody else.
    const end = found.start + lasting(b, job, piece, p)
    const c = end + 2 * Math.max(0, end - (b.lines.hours[p] as { to: number }).to)
    if (c < cost || (c === cost && p === lastHands(b, job, piece))) {
      best = found
      person = p
      cost = c
    }
  }
  return best && foundFor(b, job, piece, person, best)
}

/** The one who must do a piece: by somebody's decision, or because they did another piece of its task; -1 for anybody. */
function boundTo(b: Building, job: Job, piece: Piece, hands: number): number {
  if (job.pin.person >= 0) return job.pin.person
  for (const m of piece.mates) if ((b.start[m] as number) >= 0) return b.person[m] as number
  return hands
}

/** Whether a piece in somebody's hands comes from others. */
function isHandedOver(b: Building, job: Job, piece: Piece, person: number): boolean {
  if (job.isBreak) return false
  if (piece.follows.length === 0) {
    const by = b.network.begunBy[job.index] as number
    return job.run.begunBy !== undefined && by !== person
  }
  return !piece.follows.some((i) => b.person[i] === person)
}

const lasting = (b: Building, job: Job, piece: Piece, person: number): number =>
  minutesOf(piece, person) + (isHandedOver(b, job, piece, person) ? (b.network.problem.handing ?? 0) : 0)

/** When somebody can begin a piece and end it by `cost`, with who must be by or help; null where never. */
function firstFor(
  b: Building,
  job: Job,
  piece: Piece,
  person: number,
  { from, until, endsBy }: Within,
  cost = Number.POSITIVE_INFINITY,
): Beside | null {
  const minutes = lasting(b, job, piece, person)
  const latest = Math.min(until, endsBy - minutes, cost - minutes)
  const isAlone = !b.network.isLearned || job.alone.includes(person)
  for (let at = from; at <= latest;) {
    const start = firstReached(b, piece, person, { from: at, until: latest, minutes })
    if (start < 0) return null
    const by = isAlone
      ? { start, who: -1 }
      : soonest(job.alone, (p) => firstBy(b.lines, p, piece.at, start, latest, minutes))
    const help = helperFor(b, piece, person, { from: start, until: latest, minutes })
    if (!by || !help) return null
    at = Math.max(by.start, help.start)
    if (at === start) return { start, by: by.who, helper: help.who }
  }
  return null
}

/** Who can help soonest while a person works at a piece, where it needs two; -1 where it needs none, null where nobody can. */
function helperFor(
  b: Building,
  piece: Piece,
  person: number,
  within: { readonly from: number; readonly until: number; readonly minutes: number },
): { start: number; who: number } | null {
  const { from, minutes } = within
  if (piece.needs === 1) return { start: from, who: -1 }
  // Both are away from their counters at once.
  takePerson(b.lines, person, piece, from, from + minutes, 1)
  const found = soonest(helpers(b, person), (p) => firstReached(b, piece, p, within))
  takePerson(b.lines, person, piece, from, from + minutes, -1)
  return found
}

/** Everybody else of tonight: whoever helps need not be signed off. */
const helpers = ({ network }: Building, person: number): number[] =>
  network.problem.people.flatMap((_, p) => (p === person ? [] : [p]))

/** Of several the one who can soonest, -1 being never; null where nobody can. */
function soonest(
  who: readonly number[],
  when: (person: number) => number,
): { start: number; who: number } | null {
  let best: { start: number; who: number } | null = null
  for (const p of who) {
    const start = when(p)
    if (start >= 0 && (best === null || start < best.start)) best = { start, who: p }
  }
  return best
}

/** When somebody is free for a piece, and at its machine; -1 where never. */
function firstReached(
  { lines, network }: Building,
  piece: Piece,
  person: number,
  { from, until, minutes }: { readonly from: number; readonly until: number; readonly minutes: number },
): number {
  const { setups } = network
  for (let at = from; at <= until;) {
    const start = firstFree(lines, person, piece.places, at, until, minutes, piece.at)
    if (start < 0 || setups === null || piece.at <= 0) return start
    const reached = reachedFrom(lines, setups, person, piece, start, minutes)
    if (reached === start) return start
    at = reached
  }
  return -1
}

const foundFor = (b: Building, job: Job, piece: Piece, person: number, found: Beside): Found => ({
  ...found,
  person,
  extra: lasting(b, job, piece, person) - minutesOf(piece, person),
})

/** Who did the last work of the run before this piece, or -1. */
function lastHands(b: Building, job: Job, piece: Piece): number {
  let [person, at] = [-1, -1]
  for (const i of job.pieces) {
    if (i === piece.index || (b.person[i] as number) < 0 || (b.start[i] as number) <= at) continue
    person = b.person[i] as number
    at = b.start[i] as number
  }
  return person >= 0 ? person : (b.network.begunBy[job.index] as number)
}
