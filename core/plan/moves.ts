import { anyone, sameHands, type Order, type Schedule } from './decode.ts'
import { endOf } from './laid.ts'
import type { Network } from './network.ts'

interface Standing {
  readonly order: Order
  readonly schedule: Schedule
}

/** Work is held back by so many minutes at most. */
const longestDelay = 90
/** So many jobs are picked at most to be placed anew, besides those that are tied to them. */
const mostPicked = 3

/** A few jobs to be placed anew: near each other in time, or of the same person; null where they are tied to most of the rest. */
export function someOf(
  { jobs, pieces }: Network,
  { schedule }: Standing,
  random: () => number,
): ReadonlySet<number> | null {
  const { start, person } = schedule
  const anyPiece = () => pieces[Math.floor(random() * pieces.length)] as (typeof pieces)[number]
  let seed = anyPiece()
  const other = anyPiece()
  // Rather one that ends late.
  if ((start[other.index] as number) > (start[seed.index] as number)) seed = other
  const picked = new Set([seed.run])
  const many = 1 + Math.floor(random() ** 2 * mostPicked)
  const kin = random()
  const from = start[seed.index] as number
  const near = (i: number): boolean => {
    if (kin < 0.35) return person[i] === person[seed.index]
    if (kin < 0.7) return Math.abs((start[i] as number) - from) < 25
    return true
  }
  for (let n = 0; n < 8 * many && picked.size < many; n++) {
    const piece = anyPiece()
    if (near(piece.index)) picked.add(piece.run)
  }
  // What found no place is tried again.
  for (const { job } of schedule.unplaced) if (picked.size < 4 * mostPicked) picked.add(job)
  const anew = new Set([...picked].flatMap((job) => jobs[job]?.tied ?? []))
  return anew.size * 2 > jobs.length ? null : anew
}

/** An order one change away, or a few. @param anew only these jobs are changed; null is any. */
export function changed(
  network: Network,
  { order, schedule }: Standing,
  random: () => number,
  anew: ReadonlySet<number> | null,
): Order {
  const { blocks, jobs, pieces: all, marks } = network
  const keys = order.keys.slice()
  const hands = order.hands.slice()
  const delay = order.delay.slice()
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T
  const pieces = anew ? all.filter((p) => anew.has(p.run)) : all
  const some = anew ? 1 + Math.floor(random() * anew.size) : random() < 0.3 ? 3 : 1
  if (anew && random() < 0.5)
    for (const { index, follows } of pieces) {
      hands[index] = follows.length === 0 ? anyone : sameHands
      delay[index] = 0
    }
  const late = () => {
    // Of a few pieces the one that ends last: what comes last is what is to come sooner.
    let last = pick(pieces)
    for (let n = 0; n < 2; n++) {
      const other = pick(pieces)
      if ((schedule.start[other.index] as number) > (schedule.start[last.index] as number)) last = other
    }
    return last
  }
  for (let n = 0; n < some; n++) {
    const kind = random()
    const near = random() < 0.5 ? late() : pick(pieces)
    const job = jobs[near.run] as (typeof jobs)[number]
    if (kind < 0.18) {
      const block = near.block
      keys[block] = (keys[block] as number) + (random() - 0.65) * 60
    } else if (kind < 0.27) {
      const [a, b] = [near.block, anew ? pick(pieces).block : pick(blocks).index]
      ;[keys[a], keys[b]] = [keys[b] as number, keys[a] as number]
    } else if (kind < 0.32 && marks.length > 0) {
      // A whole run after a mark, among the rest of what stands there.
      const mark = pick(marks)
      const first = job.pieces[0] as number
      const key = mark + random() * 40
      job.blocks.forEach((block, n) => (keys[block] = key + n * 5))
      for (const i of job.pieces) delay[i] = 0
      delay[first] = Math.max(0, mark - Math.max(job.run.earliest, job.gaps[job.firstGap]?.from ?? 0))
    } else if (kind < 0.44) {
      const by = (random() - 0.6) * 90
      for (const block of job.blocks) keys[block] = (keys[block] as number) + by
    } else if (kind < 0.54) {
      // Waits for the end of some other work or of a counter's need, or no longer.
      const piece = near.index
      const other = pick(all)
      const until = random() < 0.3 && marks.length > 0 ? pick(marks) : endOf(network, schedule, other.index)
      const by = until - (schedule.start[piece] as number)
      delay[piece] = by > 0 && by <= longestDelay ? (delay[piece] as number) + by : 0
    } else if (kind < 0.6) {
      hands[near.index] = chosen(random, job.people, pick)
    } else if (kind < 0.72) {
      // A whole run in one go: each piece right after the one before.
      const first = keys[job.blocks[0] as number] as number
      job.blocks.forEach((block, n) => (keys[block] = first + n * 1e-3))
    } else if (kind < 0.76) {
      // Two runs change hands.
      const other = jobs[pick(pieces).run] as (typeof jobs)[number]
      const [a, b] = [whoDoes(schedule, job), whoDoes(schedule, other)]
      giveTo(hands, all, job, b)
      giveTo(hands, all, other, a)
    } else {
      // A whole run, or what is left of it from a piece on, in one pair of hands.
      const who = chosen(random, job.people, pick)
      const from = random() < 0.8 ? 0 : (schedule.start[near.index] as number)
      for (const i of job.pieces) if (all[i]?.work && (schedule.start[i] as number) >= from) hands[i] = who
    }
  }
  return { keys, hands, delay }
}

/** Who begins a run, or nobody yet. */
const whoDoes = ({ person }: Schedule, job: Network['jobs'][number]): number =>
  job.pieces.map((i) => person[i] as number).find((p) => p >= 0) ?? anyone

function giveTo(
  hands: Int16Array,
  pieces: Network['pieces'],
  job: Network['jobs'][number],
  who: number,
): void {
  for (const i of job.pieces) if (pieces[i]?.work) hands[i] = who
}

const chosen = (
  random: () => number,
  people: readonly number[],
  pick: <T>(of: readonly T[]) => T,
): number => {
  const r = random()
  if (r < 0.2 || people.length === 0) return anyone
  return r < 0.4 ? sameHands : pick(people)
}
