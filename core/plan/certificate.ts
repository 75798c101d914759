import type { PlanPerson, PlanProblem, PlanRun } from './problem.ts'
import type { Certificate, Claim, Known } from './proof.ts'

/** Whether a certificate proves its minute for a problem: everything in it is counted anew. */
export const isProved = (problem: PlanProblem, certificate: Certificate): boolean =>
  same(proofOf(problem, certificate), certificate)

const same = (a: Certificate | null, b: Certificate): boolean =>
  JSON.stringify(Object.entries(a ?? {}).toSorted()) === JSON.stringify(Object.entries(b).toSorted())
const total = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0)
const hasBegun = (run: PlanRun): boolean => run.segments.some((s) => s.fixed)

/** The certificate of a claim with all its sums, counted from the problem; null where it proves nothing. Minutes. */
export function proofOf(
  problem: PlanProblem,
  { kind, tasks, overtime, without, to }: Claim,
): Certificate | null {
  const { people, horizon } = problem
  const runs = problem.runs.filter((r) => !without.includes(r.id))
  const facts = factsOf(problem, runs, without)
  const known = tasks.flatMap((t) => facts.tasks.get(JSON.stringify(t)) ?? [])
  if (known.length < tasks.length || new Set(known).size < tasks.length) return null
  const sum = total(known.map((k) => k.minutes))
  const who = [...new Set(known.flatMap((k) => k.people))].toSorted()
  const first = Math.min(horizon, ...known.map((k) => k.head))
  const every = Array.from({ length: horizon }, (_, t) => t)
  const shared = { kind, tasks, people: who, overtime, without }
  const proof = (minute: number, from = first, minutes = sum, until = minute) => {
    return { ...shared, from, to: until, minutes, minute }
  }
  switch (kind) {
    case 'there': {
      const there = [...every.map((t) => facts.served(t) && t + 1), ...people.map((p) => p.from)]
      return tasks.length > 0 ? null : proof(Math.max(0, ...there), 0)
    }
    case 'hands':
      return facts.capacity(known, to, overtime) < sum ? proof(to + 1, first, sum, to) : null
    case 'late': {
      const over = Math.max(0, sum - facts.capacity(known, horizon, 0))
      const ends = (r: (typeof facts.runs)[number]) =>
        Math.max(r.begin + r.length, hasBegun(r.run) ? 0 : r.run.endsFrom)
      const late = facts.runs.map((r) => Math.max(0, ends(r) - r.run.latest) * r.run.weight)
      return proof(total(late) + 2 * over, first, over, horizon)
    }
    case 'paid':
      return proof(sum + total(every.map((t) => facts.served(t))), first, sum, horizon)
    case 'one-at-a-time': {
      const whole = facts.runs.filter((r) => tasks.some((t) => t[1] === r.run.id) && !hasBegun(r.run))
      const groups = problem.keepUp.filter((g) => g.mostDown === 1).map((g) => g.stations)
      const isOne = [...groups, whole.slice(0, 1).map((r) => r.run.station)].some((g) =>
        whole.every((r) => g.includes(r.run.station)),
      )
      if (!isOne || whole.length !== tasks.length || whole.length < 2) return null
      const begin = Math.min(...whole.map((r) => r.begin))
      const lasts = total(whole.map((r) => r.length))
      return proof(begin + lasts - Math.max(...whole.map((r) => r.length - r.hands)), begin, lasts)
    }
  }
}

/** What follows from a problem with some of its runs: when each can begin, how far its tasks are from its end, who is there when. */
function factsOf(problem: PlanProblem, some: readonly PlanRun[], without: readonly string[]) {
  const { people, stations, orders, counters, horizon } = problem
  const may = (r: PlanRun) => people.filter((p) => r.signedOff.includes(p.id) || r.learning.includes(p.id))
  const runs = problem.runs.map((run) => {
    const own = run.segments.map((s) => {
      const by = (p: string | null) => (p === null ? s.minutes : (s.minutesBy?.[p] ?? s.minutes))
      const theirs = may(run).map((p) => by(p.id))
      const least = s.kind === 'wait' || theirs.length === 0 ? s.minutes : Math.min(...theirs)
      const minutes = s.fixed ? by(s.fixed.person) : least
      const hands = s.kind === 'wait' ? -Infinity : 0
      return { s, minutes, way: 0, rest: 0, hands, head: s.fixed?.start ?? 0 }
    })
    const links = run.links.flatMap(({ from, to, least }) => {
      const [a, b] = [own.find((o) => o.s.id === from), own.find((o) => o.s.id === to)]
      return a && b ? [{ a, b, least }] : []
    })
    for (const _ of own)
      for (const { a, b, least } of links) {
        b.way = Math.max(b.way, a.way + a.minutes + least)
        a.rest = Math.max(a.rest, least + b.minutes + b.rest)
        a.hands = Math.max(a.hands, least + b.minutes + b.hands)
      }
    const ends = (of: typeof own) => Math.max(0, ...of.map((o) => o.way + o.minutes))
    const hands = ends(own.filter((o) => o.s.kind === 'hands-on'))
    return { run, own, links, length: ends(own), hands, begin: 0, after: 0 }
  })
  const placed = runs.filter((r) => some.includes(r.run))
  for (const _ of [null, ...placed])
    for (const x of placed.filter((r) => !hasBegun(r.run))) {
      const before = placed.filter((a) => orders.some((o) => o.before === a.run.id && o.after === x.run.id))
      x.begin = Math.max(x.begin, x.run.earliest, ...before.map((a) => a.begin + a.length))
      const up = stations.find((s) => s.id === x.run.station)?.up ?? []
      for (const u of up.toSorted((a, b) => a.from - b.from))
        if (u.from < x.begin + x.length && x.begin < u.to) x.begin = u.to
      for (const a of before) a.after = Math.max(a.after, x.hands, x.after > 0 ? x.length + x.after : 0)
    }
  const tasks = new Map<string, Known>()
  for (const { run, own, links, begin, after } of placed) {
    const there = Math.min(...may(run).map((p) => p.from), horizon)
    for (const o of own) if (!o.s.fixed) o.head = o.s.kind === 'wait' ? begin : Math.max(begin, there)
    for (const _ of own)
      for (const { a, b, least } of links)
        if (!b.s.fixed) b.head = Math.max(b.head, a.head + a.minutes + least)
    const ids = may(run).map((p) => p.id)
    const open = own.filter((o) => o.s.kind === 'hands-on' && !o.s.fixed)
    for (const { s, head, minutes, rest, hands } of open) {
      const tail = Math.max(hands, after > 0 ? rest + after : 0)
      tasks.set(JSON.stringify(['run', run.id, s.id]), { head, minutes, tail, people: ids })
    }
  }
  for (const { id, from, breaks } of people)
    for (const b of breaks.filter((b) => !without.includes(JSON.stringify([id, b.id])))) {
      const head = Math.max(b.earliest, from, 0)
      tasks.set(JSON.stringify(['break', id, b.id]), { head, minutes: b.minutes, tail: 0, people: [id] })
    }
  const fixed = runs.flatMap((r) => r.own.filter((o) => o.s.fixed))
  const isFree = (p: PlanPerson, t: number) =>
    !fixed.some((o) => o.s.fixed?.person === p.id && o.head <= t && t < o.head + o.minutes)
  const inHours = (t: number) => people.filter((p) => p.from <= t && t < p.to && isFree(p, t))
  /** How many places at counters can at least be filled at a minute, by whoever is in their hours and free. */
  function served(t: number): number {
    const left = inHours(t).toSorted((a, b) => a.serves.length - b.serves.length)
    const wanted = counters.flatMap((c) =>
      c.need.flatMap((n) => (n.from <= t && t < n.to ? new Array<string>(n.people).fill(c.id) : [])),
    )
    return wanted.filter((id) => {
      const at = left.findIndex((p) => p.serves.includes(id))
      return at >= 0 && left.splice(at, 1).length > 0
    }).length
  }
  /** The most minutes of tasks that can be worked until a minute, each in its window, by whoever the counters can spare. */
  function capacity(of: readonly Known[], until: number, past: number): number {
    let [now, later] = [0, 0]
    for (let t = 0; t < Math.min(until, horizon); t++) {
      const open = of.filter((k) => k.head <= t && t < until - k.tail)
      const who = new Set(open.flatMap((k) => k.people))
      const free = inHours(t)
      const mine = free.filter((p) => who.has(p.id)).length
      const others = free.filter((p) => !who.has(p.id) && p.serves.length > 0).length
      const spare = Math.max(0, mine - Math.max(0, served(t) - others))
      const over = people.filter((p) => who.has(p.id) && p.to <= t && t < p.most && isFree(p, t)).length
      now += Math.min(open.length, spare)
      later += Math.min(open.length, spare + over) - Math.min(open.length, spare)
    }
    return now + Math.min(past, later)
  }
  return { runs: placed, tasks, served, capacity }
}
