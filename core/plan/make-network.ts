import { areasOf, nearestWork, setupsOf } from './areas.ts'
import type { Arc, Block, Job, Network, Piece } from './network.ts'
import { sharesOf } from './shares.ts'
import {
  segmentMinutes,
  type PlanBreak,
  type PlanPerson,
  type PlanProblem,
  type PlanRun,
  type PlanSegment,
  type Span,
} from './problem.ts'
import { holdsOn, tie, type Local } from './tie.ts'

/** Numbers a problem's parts and ties pieces to blocks. Throws where links go in a circle. */
export function networkOf(problem: PlanProblem): Network {
  const placeNames = Object.keys(problem.places)
  const areas = areasOf(problem)
  const pieces: Piece[] = []
  const blocks: Block[] = []
  const runs = [
    ...problem.runs.map((run) => ({ run, isBreak: false })),
    ...problem.people.flatMap((p) => p.breaks.map((b) => ({ run: breakRun(p, b), isBreak: true }))),
  ]
  const jobs = runs.map(({ run, isBreak }, index): Omit<Job, 'tied'> => {
    const first = pieces.length
    const local = locals(run, first)
    const blockOf = tie(first, local)
    const numbers = [...new Set(blockOf)]
    const firstBlock = blocks.length
    const may = whoMay(problem, run)
    const lasting = local.map(({ segment }) => lastingOf(problem, segment, may.people))
    const ways = waysOf(
      local,
      lasting.map((l) => l.minutes),
      first,
    )
    const station = isBreak ? -1 : areas.ofStation(run.station)
    const follows = nearestWork(local, first)
    local.forEach(({ segment, ...arcs }, i) => {
      const { minutes, by } = lasting[i] as (typeof lasting)[number]
      pieces.push({
        index: first + i,
        run: index,
        segment,
        work: segment.kind === 'hands-on',
        minutes,
        by,
        holds: holdsOn({ segment, ...arcs }),
        ...(isBreak ? { at: -1, enters: -1, leaves: -1 } : areas.ofSegment(segment, station)),
        follows: follows[i] ?? [],
        mates: local.flatMap((l, n) =>
          n !== i &&
          l.segment.kind === 'hands-on' &&
          l.segment.task !== undefined &&
          l.segment.task === segment.task
            ? [first + n]
            : [],
        ),
        needs: segment.hands ?? 1,
        places: [...new Set(segment.places.map((p) => placeNames.indexOf(p)))].filter((p) => p >= 0),
        ...arcs,
        block: firstBlock + numbers.indexOf(blockOf[i] ?? 0),
        head: ways.head[i] ?? 0,
        tail: ways.tail[i] ?? 0,
        handsTail: ways.handsTail[i] ?? 0,
      })
    })
    const own = pieces.slice(first)
    numbers.forEach((_, n) => blocks.push(blockFrom(own, index, firstBlock + n, first)))
    const length = Math.max(0, ...own.map((p) => p.head + p.minutes))
    return {
      index,
      run,
      isBreak,
      pieces: own.map((p) => p.index),
      blocks: numbers.map((_, n) => firstBlock + n),
      length,
      ...within(problem, run, length),
      at: station,
      ...may,
    }
  })
  const capacities = placeNames.map((p) => problem.places[p] ?? 0)
  const marks = [
    ...problem.counters.flatMap((c) => c.need.flatMap((n) => [n.from, n.to])),
    ...problem.stations.flatMap((s) => s.up.map((u) => u.to)),
    ...problem.people.map((p) => p.from),
  ]
  return {
    problem,
    pieces,
    blocks,
    jobs: jobs.map((job) => ({ ...job, tied: tiedTo(job, jobs) })),
    placeNames,
    capacities,
    marks: [...new Set(marks)],
    isLearned: jobs.some((job) => job.learning.length > 0),
    walks: areas.walks,
    areas: areas.count,
    setups: setupsOf(problem, areas),
    begunBy: Int16Array.from(jobs, ({ run }) => problem.people.findIndex((p) => p.id === run.begunBy)),
    shares: sharesOf(problem),
  }
}

/** How long a segment lasts: what has begun in the hands that have it, else the least of whoever may do it. */
function lastingOf(
  { people }: PlanProblem,
  segment: PlanSegment,
  may: readonly number[],
): Pick<Piece, 'minutes' | 'by'> {
  const { minutes, minutesBy, fixed } = segment
  if (fixed) return { minutes: segmentMinutes(segment, fixed.person), by: null }
  if (!minutesBy || may.length === 0) return { minutes, by: null }
  const by = Int16Array.from(people, (p) => segmentMinutes(segment, p.id))
  const theirs = may.map((p) => by[p] as number)
  return { minutes: Math.min(...theirs), by }
}

/** The name of a break among runs: no run's, which hold no such mark. */
export const breakKey = (person: string, id: string): string => `\u0000${JSON.stringify([person, id])}`

/** A break is a run of one piece, by one person, that takes no machine. */
const breakRun = (person: PlanPerson, b: PlanBreak): PlanRun => ({
  id: breakKey(person.id, b.id),
  station: '',
  procedure: '',
  title: '',
  earliest: b.earliest,
  target: b.latest + b.minutes,
  latest: b.latest + b.minutes,
  weight: 1,
  signedOff: [person.id],
  learning: [],
  segments: [{ id: b.id, title: '', kind: 'hands-on', minutes: b.minutes, most: null, places: [] }],
  links: [],
  endsFrom: 0,
})

/** A run's segments in an order that respects its links, each with its arcs. Throws on a circle. */
function locals(run: PlanRun, first: number): Local[] {
  const segments = ordered(run)
  const number = new Map(segments.map((s, i) => [s.id, first + i]))
  const arcs = (own: 'from' | 'to', other: 'from' | 'to', id: string): Arc[] =>
    run.links
      .filter((l) => l[own] === id)
      .map((l) => {
        const from = segments.find((s) => s.id === l.from)
        const slack = from?.kind === 'wait' && from.most !== null ? from.most - from.minutes : null
        const most = l.most === null ? slack : Math.min(l.most, slack ?? l.most)
        return { piece: number.get(l[other]) ?? 0, least: l.least, most }
      })
  return segments.map((s) => ({ segment: s, in: arcs('to', 'from', s.id), out: arcs('from', 'to', s.id) }))
}

function ordered(run: PlanRun): PlanSegment[] {
  const left = new Map(run.segments.map((s) => [s.id, run.links.filter((l) => l.to === s.id).length]))
  const free = run.segments.filter((s) => left.get(s.id) === 0)
  const order: PlanSegment[] = []
  for (let s = free.shift(); s; s = free.shift()) {
    const { id } = s
    order.push(s)
    for (const l of run.links.filter((l) => l.from === id)) {
      const n = (left.get(l.to) ?? 0) - 1
      left.set(l.to, n)
      const to = run.segments.find((x) => x.id === l.to)
      if (n === 0 && to) free.push(to)
    }
  }
  if (order.length < run.segments.length) throw new Error(`the links of run ${run.id} go in a circle`)
  return order
}

/** The longest ways from a run's begin to each piece, from each to its end, and to the end of its last work by hand. */
function waysOf(local: readonly Local[], lasting: readonly number[], first: number) {
  const head: number[] = []
  const tail: number[] = []
  const handsTail: number[] = []
  const minutes = (i: number) => lasting[i] ?? 0
  const longest = (arcs: readonly Arc[], far: readonly number[], least: number) =>
    arcs.reduce(
      (m, a) => Math.max(m, (far[a.piece - first] ?? 0) + minutes(a.piece - first) + a.least),
      least,
    )
  local.forEach((l, i) => (head[i] = longest(l.in, head, 0)))
  for (let i = local.length - 1; i >= 0; i--) {
    const l = local[i] as Local
    tail[i] = longest(l.out, tail, 0)
    handsTail[i] = longest(l.out, handsTail, l.segment.kind === 'hands-on' ? 0 : Number.NEGATIVE_INFINITY)
  }
  return { head, tail, handsTail }
}

function blockFrom(own: readonly Piece[], run: number, index: number, first: number): Block {
  const members = own.filter((p) => p.block === index)
  const beside = (side: 'in' | 'out') =>
    [...new Set(members.flatMap((p) => p[side].map((a) => own[a.piece - first]?.block ?? -1)))].filter(
      (b) => b !== index,
    )
  const goesFirst = members.some((p) => p.holds && p.segment.fixed)
  return {
    index,
    run,
    pieces: members.map((p) => p.index),
    before: beside('in'),
    after: beside('out'),
    goesFirst,
  }
}

/** When a run may stand: between its station's needs, after what comes before it, among those that may be down at once. */
function within(problem: PlanProblem, run: PlanRun, length: number) {
  const station = problem.stations.findIndex((s) => s.id === run.station)
  const gaps = gapsBetween(problem.stations[station]?.up ?? [], run.earliest, problem.horizon)
  return {
    station,
    gaps,
    firstGap: Math.max(
      0,
      gaps.findIndex((g) => g.to - g.from >= length),
    ),
    hasBegun: run.segments.some((s) => s.fixed),
    groups: problem.keepUp.flatMap((g, i) => (g.stations.includes(run.station) ? [i] : [])),
    after: problem.orders
      .filter((o) => o.after === run.id)
      .map((o) => problem.runs.findIndex((r) => r.id === o.before))
      .filter((i) => i >= 0),
  }
}

function whoMay(problem: PlanProblem, run: PlanRun) {
  const person = (id: string) => problem.people.findIndex((p) => p.id === id)
  const known = (ids: readonly string[]) => [...new Set(ids.map(person))].filter((i) => i >= 0)
  const alone = known(run.signedOff)
  // Nobody learns where nobody could be by.
  const learning = alone.length > 0 ? known(run.learning).filter((p) => !alone.includes(p)) : []
  const pin = problem.pins.find((p) => p.run === run.id)
  return {
    alone,
    learning,
    people: [...alone, ...learning],
    pin: { person: pin?.person ? person(pin.person) : -1, start: pin?.start ?? -1 },
  }
}

/** Everything whose place hangs on a job's, however far: on its machine, in its keep-up groups, and what comes after it. */
function tiedTo(job: Omit<Job, 'tied'>, jobs: readonly Omit<Job, 'tied'>[]): number[] {
  const all = new Set([job.index])
  for (const i of all)
    for (const other of jobs) {
      const of = jobs[i] as (typeof jobs)[number]
      const together =
        (other.station >= 0 && other.station === of.station) ||
        other.groups.some((g) => of.groups.includes(g)) ||
        other.after.includes(i)
      if (together) all.add(other.index)
    }
  return [...all]
}

/** The spans outside `up`, from `from` to `to`. */
export function gapsBetween(up: readonly Span[], from: number, to: number): Span[] {
  const gaps: Span[] = []
  let at = from
  for (const u of up.toSorted((a, b) => a.from - b.from)) {
    if (u.from > at) gaps.push({ from: at, to: Math.min(u.from, to) })
    at = Math.max(at, u.to)
  }
  if (at < to) gaps.push({ from: at, to })
  return gaps.filter((g) => g.to > g.from)
}
