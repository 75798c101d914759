import type { Highs } from 'highs'
import type { PlanProblem, PlanRun } from '../../plan/index.ts'

/** What a solver said of one program. */
export interface Solved {
  readonly rows: number
  readonly binaries: number
  /** The program itself, to be hashed. */
  readonly text: string
  readonly status: string
  readonly objective: number
}
export interface Optimum {
  readonly late: number
  readonly price: number
  /** Of the lateness, then of the price. */
  readonly log: readonly Solved[]
}

/**
 * The shift problem as a mixed integer program on a grid of `grid` minutes, solved to a proved optimum level by level: the
 * lateness, then minutes paid and the last departure together. Written apart from the planner; chains of segments only.
 */
export function optimum(highs: Highs, problem: PlanProblem, grid: number): Optimum {
  const slots = problem.horizon / grid
  const rows: string[] = []
  const binaries: string[] = []
  const bounds: string[] = []
  const row = (terms: readonly string[], op: '<=' | '>=' | '=', value: number) => {
    if (terms.length > 0) rows.push(` ${terms.join(' ')} ${op} ${value}`)
  }
  const plus = (c: number, name: string) => `${c < 0 ? '-' : '+'} ${Math.abs(c)} ${name}`
  const s = (minutes: number) => minutes / grid

  interface Hand {
    readonly run: PlanRun
    readonly n: number
    readonly name: string
    readonly places: readonly string[]
    /** By person and begin, in slots; it ends `slots` later. */
    readonly vars: readonly {
      readonly name: string
      readonly p: number
      readonly t: number
      readonly slots: number
    }[]
  }
  const hands: Hand[] = problem.runs.flatMap((run, r) =>
    run.segments.flatMap((segment, n): Hand[] => {
      if (segment.kind !== 'hands-on') return []
      const name = `${r}_${n}`
      const vars = problem.people.flatMap((person, p) =>
        run.signedOff.includes(person.id)
          ? Array.from({ length: slots }, (_, t) => {
              const own = s(segment.minutesBy?.[person.id] ?? segment.minutes)
              return { name: `x${name}_${p}_${t}`, p, t, slots: own }
            }).filter(
              (v) =>
                v.t + v.slots <= slots && v.t * grid >= person.from && (v.t + v.slots) * grid <= person.most,
            )
          : [],
      )
      binaries.push(...vars.map((v) => v.name))
      row(
        vars.map((v) => plus(1, v.name)),
        '=',
        1,
      )
      return [{ run, n, name, places: segment.places, vars }]
    }),
  )
  const startOf = (h: Hand, factor = 1) =>
    h.vars.map((v) => plus(factor * v.t, v.name)).filter((x) => !/^[+-] 0 /.test(x))
  const endOf = (h: Hand, factor = 1) => h.vars.map((v) => plus(factor * (v.t + v.slots), v.name))
  const at = (h: Hand, t: number, p?: number) =>
    h.vars.filter((v) => v.t <= t && t < v.t + v.slots && (p === undefined || v.p === p)).map((v) => v.name)
  const begun = (h: Hand, t: number, by: 1 | -1) =>
    h.vars.filter((v) => v.t <= t).map((v) => plus(by, v.name))
  const ended = (h: Hand, t: number, by: 1 | -1) =>
    h.vars.filter((v) => v.t + v.slots <= t).map((v) => plus(by, v.name))
  /** Waits that hold a place: from the end of `h` to the begin of `next`, or for `minutes` where nothing follows. */
  const held: { place: string; h: Hand; next: Hand | null; slots: number }[] = []

  const ends: { run: PlanRun; r: number; first: Hand; last: Hand; after: number }[] = []
  problem.runs.forEach((run, r) => {
    const own = hands.filter((h) => h.run === run)
    own.forEach((h, i) => {
      const next = own[i + 1]
      const wait = run.segments.slice(h.n + 1, next?.n)
      for (const w of wait)
        held.push(...w.places.map((place) => ({ place, h, next: next ?? null, slots: s(w.minutes) })))
      if (!next) return
      const least = wait.reduce((a, w) => a + s(w.minutes), 0)
      // Disaggregated: nothing of `next` up to t unless `h` ended at least `least` before.
      for (let t = 0; t < slots; t++) row([...begun(next, t, 1), ...ended(h, t - least, -1)], '<=', 0)
      const most = wait.map((w) => w.most).filter((m) => m !== null)
      if (most.length > 0) row([...startOf(next), ...endOf(h, -1)], '<=', s(Math.min(...most)))
    })
    const [first, last] = [own[0], own.at(-1)]
    if (!first || !last) throw new Error('a run without hands')
    const after = run.segments.slice(last.n + 1).reduce((a, w) => a + s(w.minutes), 0)
    ends.push({ run, r, first, last, after })
    row([...endOf(last), `- 1 late${r}`], '<=', s(run.latest) - after)
    row(endOf(last), '<=', slots - after)
    for (const [k, u] of (problem.stations.find((x) => x.id === run.station)?.up ?? []).entries()) {
      const z = `z${r}_${k}`
      binaries.push(z)
      row([...startOf(first), plus(-s(u.to), z)], '>=', 0)
      row([...endOf(last), plus(-slots * 2, z)], '<=', s(u.from) - after)
    }
  })
  for (const g of problem.keepUp) {
    const own = ends.filter((e) => g.stations.includes(e.run.station))
    own.forEach((a, i) =>
      own.slice(i + 1).forEach((b) => {
        const z = `k${a.r}_${b.r}`
        binaries.push(z)
        row([...endOf(a.last), ...startOf(b.first, -1), plus(-slots * 2, z)], '<=', -a.after)
        row([...endOf(b.last), ...startOf(a.first, -1), plus(slots * 2, z)], '<=', slots * 2 - b.after)
      }),
    )
  }
  for (const o of problem.orders) {
    const [a, b] = [ends.find((e) => e.run.id === o.before), ends.find((e) => e.run.id === o.after)]
    if (a && b) row([...startOf(b.first), ...endOf(a.last, -1)], '>=', a.after)
  }
  problem.people.forEach((person, p) => {
    for (let t = 0; t < slots; t++) {
      const y = `y${p}_${t}`
      binaries.push(y)
      row([...hands.flatMap((h) => at(h, t, p)).map((x) => plus(1, x)), `- 1 ${y}`], '<=', 0)
      if (t > 0) row([`+ 1 ${y}`, `- 1 y${p}_${t - 1}`], '<=', 0)
      row([plus(t + 1, y), '- 1 last'], '<=', 0)
    }
    row([...Array.from({ length: slots }, (_, t) => `+ 1 y${p}_${t}`), `- 1 over${p}`], '<=', s(person.to))
  })
  for (let t = 0; t < slots; t++) {
    for (const [place, count] of Object.entries(problem.places))
      row(
        [
          ...hands
            .filter((h) => h.places.includes(place))
            .flatMap((h) => at(h, t))
            .map((x) => plus(1, x)),
          ...held
            .filter((w) => w.place === place)
            .flatMap(({ h, next, slots }) => [
              ...ended(h, t, 1),
              ...(next ? begun(next, t, -1) : ended(h, t - slots, -1)),
            ]),
        ],
        '<=',
        count,
      )
    for (let mask = 1; mask < 2 ** problem.counters.length; mask++) {
      const set = problem.counters.filter((_, c) => mask & (1 << c))
      const need = set
        .flatMap((c) => c.need)
        .reduce((a, n) => a + (n.from <= t * grid && t * grid < n.to ? n.people : 0), 0)
      if (need === 0) continue
      const who = problem.people.flatMap((person, p) =>
        person.to > t * grid && person.from <= t * grid && set.some((c) => person.serves.includes(c.id))
          ? [p]
          : [],
      )
      row(
        [
          ...who.map((p) => `+ 1 y${p}_${t}`),
          ...who.flatMap((p) => hands.flatMap((h) => at(h, t, p)).map((x) => plus(-1, x))),
        ],
        '>=',
        Math.min(need, who.length),
      )
    }
  }
  const late = [
    ...problem.runs.map((run, r) => plus(run.weight, `late${r}`)),
    ...problem.people.map((_, p) => plus(2, `over${p}`)),
  ]
  const departures = problem.people.flatMap((_, p) =>
    Array.from({ length: slots }, (_, t) => `+ 1 y${p}_${t}`),
  )
  const log: Solved[] = []
  const solve = (objective: readonly string[], more: readonly string[]): number => {
    const text = `Minimize\n obj: ${objective.join(' ')}\nSubject To\n${[...rows, ...more].map((r, i) => ` c${i}:${r}`).join('\n')}\nBounds\n${bounds.join('\n')}\nBinary\n ${binaries.join('\n ')}\nEnd`
    const result = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0.5 })
    if (result.Status !== 'Optimal') throw new Error(`the program is ${result.Status}`)
    const size = { rows: rows.length + more.length, binaries: binaries.length }
    log.push({ ...size, text, status: result.Status, objective: result.ObjectiveValue })
    return Math.round(result.ObjectiveValue)
  }
  const l = solve(late, [])
  const isLate = ` ${late.join(' ')} <= ${l}`
  // Everybody is there from their first minute: what is paid is the sum of departures less those.
  const arrivals = problem.people.reduce((sum, p) => sum + p.from, 0)
  const e = solve([...departures, '+ 1 last'], [isLate])
  return { late: l * grid, price: e * grid - arrivals, log }
}
