import type { Plan, PlanProblem } from './problem.ts'

/** One broken constraint of a plan, in words for whoever develops it. */
export type Broken = string

/**
 * Checks a plan against every hard constraint of its problem, minute by minute, and its objective against a count of its own.
 * Shares no code with the planner on purpose. Empty where the plan keeps them all.
 */
export function brokenIn(problem: PlanProblem, plan: Plan): Broken[] {
  const broken: Broken[] = []
  const say = (what: string) => broken.push(what)
  const people = new Map(problem.people.map((p) => [p.id, p]))
  const runs = new Map(problem.runs.map((r) => [r.id, r]))
  const unplaced = new Set(plan.unplaced.map((u) => u.run))
  const at = new Map(plan.placed.map((p) => [`${p.run}|${p.segment}`, p]))
  if (at.size !== plan.placed.length) say('a segment is placed twice')
  const ends = new Map<string, { begin: number; end: number }>()

  for (const run of problem.runs) {
    const own = plan.placed.filter((p) => p.run === run.id)
    if (unplaced.has(run.id)) {
      if (own.length > 0) say(`${run.id} is unplaced and placed`)
      continue
    }
    if (own.length !== run.segments.length) {
      say(`${run.id} has ${own.length} of ${run.segments.length} segments`)
      continue
    }
    const begin = own.reduce((a, p) => (p.start < a ? p.start : a), Infinity)
    const end = own.reduce((a, p) => (p.end > a ? p.end : a), 0)
    ends.set(run.id, { begin, end })
    const moving = run.segments.some((s) => s.fixed)
    if (!moving && begin < run.earliest) say(`${run.id} begins at ${begin}, before ${run.earliest}`)
    if (end < run.endsFrom) say(`${run.id} ends at ${end}, stale by ${run.endsFrom}`)
    const up = problem.stations.find((s) => s.id === run.station)?.up ?? []
    for (const u of up)
      if (!moving && begin < u.to && u.from < end) say(`${run.id} has its machine down at ${u.from}`)
    for (const s of run.segments) {
      const p = at.get(`${run.id}|${s.id}`)
      if (!p) continue
      const minutes = p.person === null ? s.minutes : (s.minutesBy?.[p.person] ?? s.minutes)
      if (p.end - p.start !== minutes) say(`${run.id} ${s.id} takes ${p.end - p.start}, not ${minutes}`)
      if (p.start < 0 || p.end > problem.horizon) say(`${run.id} ${s.id} is outside the plan`)
      if (s.fixed && (p.start !== s.fixed.start || p.person !== s.fixed.person))
        say(`${run.id} ${s.id} was begun, and moved`)
      if ((s.kind === 'hands-on') !== (p.person !== null)) say(`${run.id} ${s.id} has the wrong hands`)
      if (s.kind === 'wait' && !s.fixed) {
        const due = run.links
          .filter((l) => l.to === s.id)
          .map((l) => (at.get(`${run.id}|${l.from}`)?.end ?? 0) + l.least)
        if (due.length > 0 && p.start !== Math.max(...due))
          say(`${run.id} ${s.id} begins at ${p.start}, not as what is before it ends`)
      }
    }
    for (const l of run.links) {
      const [from, to] = [at.get(`${run.id}|${l.from}`), at.get(`${run.id}|${l.to}`)]
      if (!from || !to) continue
      const lag = to.start - from.end
      if (lag < l.least) say(`${run.id} ${l.from} to ${l.to}: ${lag} < ${l.least}`)
      if (l.most !== null && lag > l.most) say(`${run.id} ${l.from} to ${l.to}: ${lag} > ${l.most}`)
      const wait = run.segments.find((s) => s.id === l.from)
      const begun = wait?.fixed ?? run.segments.find((s) => s.id === l.to)?.fixed
      if (wait?.kind === 'wait' && wait.most !== null && !begun && to.start - from.start > wait.most)
        say(`${run.id} ${l.from} lasts ${to.start - from.start} > ${wait.most}`)
    }
    const pin = problem.pins.find((p) => p.run === run.id)
    if (pin && pin.start !== null && begin !== pin.start)
      say(`${run.id} is pinned to ${pin.start}, begins at ${begin}`)
    if (pin && pin.person !== null && own.some((p) => p.person !== null && p.person !== pin.person))
      say(`${run.id} is pinned to ${pin.person}`)
  }

  const busy = new Map<string, { start: number; end: number; what: string }[]>(
    problem.people.map((p) => [p.id, []]),
  )
  for (const p of plan.placed)
    if (p.person !== null)
      busy.get(p.person)?.push({ start: p.start, end: p.end, what: `${p.run} ${p.segment}` })
  for (const b of plan.breaks) busy.get(b.person)?.push({ start: b.start, end: b.end, what: `break ${b.id}` })
  for (const person of problem.people) {
    const own = (busy.get(person.id) ?? []).toSorted((a, b) => a.start - b.start)
    own.forEach((o, i) => {
      const next = own[i + 1]
      if (next && next.start < o.end) say(`${person.id} does ${o.what} and ${next.what} at ${next.start}`)
      const run = runs.get(o.what.split(' ')[0] ?? '')
      const begun = run?.segments.some((s) => s.fixed)
      if (!begun && (o.start < person.from || o.end > person.most))
        say(`${person.id} does ${o.what} outside the hours`)
    })
    const last = Math.max(person.from, 0, ...own.map((o) => o.end))
    if ((plan.leaves[person.id] ?? 0) < last) say(`${person.id} leaves before the end of their work`)
    for (const b of person.breaks) {
      const taken = plan.breaks.filter((x) => x.person === person.id && x.id === b.id)
      if (taken.length > 1) say(`${person.id} has break ${b.id} twice`)
      if (taken.some((x) => x.start < b.earliest || x.end - x.start !== b.minutes))
        say(`${person.id} has break ${b.id} wrong`)
    }
  }
  for (const p of plan.placed) {
    const run = runs.get(p.run)
    if (!run || p.person === null || run.segments.find((s) => s.id === p.segment)?.fixed) continue
    if (run.signedOff.includes(p.person)) continue
    if (!run.learning.includes(p.person)) say(`${p.person} may not do ${p.run}`)
    const placeOf = (id: string) => problem.stations.find((s) => s.id === runs.get(id)?.station)?.place ?? ''
    const meanwhile = (o: { start: number; end: number }) => o.start < p.end && p.start < o.end
    const by = run.signedOff.some((id) => {
      const who = people.get(id)
      if (!who || who.from > p.start || (plan.leaves[id] ?? 0) < p.end) return false
      if (plan.breaks.some((b) => b.person === id && meanwhile(b))) return false
      const elsewhere = (o: Plan['placed'][number]) => placeOf(o.run) !== placeOf(run.id)
      return !plan.placed.some((o) => o.person === id && meanwhile(o) && elsewhere(o))
    })
    if (!by) say(`${p.person} learns ${p.run} ${p.segment} with nobody by`)
  }

  const leftAt = (p: Plan['placed'][number]): number => {
    const run = runs.get(p.run)
    if (run?.segments.find((s) => s.id === p.segment)?.kind !== 'wait') return p.end
    const next = run.links.filter((l) => l.from === p.segment).map((l) => at.get(`${p.run}|${l.to}`)?.start)
    return Math.max(p.end, ...next.map((start) => start ?? 0))
  }
  for (let t = 0; t < problem.horizon; t++) {
    const working = (id: string) => (busy.get(id) ?? []).some((o) => o.start <= t && t < o.end)
    for (const [place, count] of Object.entries(problem.places)) {
      const taken = plan.placed.filter(
        (p) =>
          p.start <= t &&
          t < leftAt(p) &&
          runs
            .get(p.run)
            ?.segments.find((s) => s.id === p.segment)
            ?.places.includes(place),
      )
      if (taken.length > count) say(`${taken.length} at the ${place} at ${t}, of ${count}`)
    }
    const down = [...ends]
      .filter(([, e]) => e.begin <= t && t < e.end)
      .map(([id]) => runs.get(id)?.station ?? '')
    if (new Set(down).size !== down.length) say(`two runs on one machine at ${t}: ${down.join()}`)
    for (const g of problem.keepUp)
      if (down.filter((s) => g.stations.includes(s)).length > g.mostDown)
        say(`too many of ${g.stations.join()} down at ${t}`)
    broken.push(...shortOfStaff(problem, plan, t, working))
  }
  for (const o of problem.orders) {
    const [before, after] = [ends.get(o.before), ends.get(o.after)]
    if (before && after && after.begin < before.end) say(`${o.after} begins before ${o.before} ends`)
  }
  const last = Math.max(0, ...Object.values(plan.leaves))
  if (last !== plan.objective.last) say(`the last leaves at ${last}, not ${plan.objective.last}`)
  return broken
}

/** Counters that nobody free is left for, where the people in their hours would have been enough: tried by matching. */
function shortOfStaff(
  problem: PlanProblem,
  plan: Plan,
  t: number,
  working: (id: string) => boolean,
): Broken[] {
  const wanted = problem.counters.flatMap((c) =>
    c.need
      .filter((n) => n.from <= t && t < n.to)
      .flatMap((n) => Array.from({ length: n.people }, () => c.id)),
  )
  if (wanted.length === 0) return []
  const inHours = problem.people.filter((p) => p.from <= t && t < p.to)
  const free = inHours.filter((p) => !working(p.id) && (plan.leaves[p.id] ?? 0) > t)
  const filled = matching(wanted, free)
  const could = matching(wanted, inHours)
  if (filled >= wanted.length) return []
  // Where even everybody would be too few, nobody who can serve may be away cleaning.
  if (could < wanted.length && filled >= could) return []
  return [`${filled} of ${wanted.length} at the counters at ${t}`]
}

function matching(wanted: readonly string[], free: PlanProblem['people']): number {
  const takes = new Map<string, number>()
  const seat = (w: number, seen: Set<string>): boolean =>
    free.some((p) => {
      if (!p.serves.includes(wanted[w] ?? '') || seen.has(p.id)) return false
      seen.add(p.id)
      const other = takes.get(p.id)
      if (other !== undefined && !seat(other, seen)) return false
      takes.set(p.id, w)
      return true
    })
  return wanted.filter((_, w) => seat(w, new Set())).length
}
