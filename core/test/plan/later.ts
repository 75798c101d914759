import { shiftedPlan, type Plan, type PlanProblem, type PlanRun } from '../../plan/index.ts'

/** What happened to an evening by a minute: somebody took longer, a machine broke, somebody went. */
export interface Happened {
  /** Minutes that the work under way takes longer. */
  readonly slip?: number
  readonly down?: string
  readonly gone?: string
}

/** The problem as it stands at a minute of its plan, the work so far done by it; and the plan told in its minutes. */
export function laterIn(
  problem: PlanProblem,
  plan: Plan,
  at: number,
  { slip = 0, down, gone }: Happened = {},
): { readonly problem: PlanProblem; readonly before: Plan } {
  let slipped = slip === 0
  const runs = problem.runs.flatMap((run): PlanRun[] => {
    if (run.station === down) return []
    const own = plan.placed.filter((p) => p.run === run.id)
    const done = new Set(own.filter((p) => p.end <= at).map((p) => p.segment))
    const by = own.filter((p) => p.person !== null && p.start < at).toSorted((a, b) => b.start - a.start)[0]
    const segments = run.segments
      .filter((s) => !done.has(s.id))
      .map((s) => {
        const p = own.find((o) => o.segment === s.id)
        if (!p || p.start >= at) return s
        const slips = p.person !== null && !slipped
        if (slips) slipped = true
        const isGone = p.person !== null && p.person === gone
        const { minutesBy: _own, hands: _hands, ...plain } = s
        const minutes = p.end - at + (slips ? slip : 0)
        if (isGone) return { ...plain, minutes }
        return { ...plain, minutes, most: null, fixed: { person: p.person, start: 0 } }
      })
    if (segments.length === 0) return []
    const kept = new Set(segments.map((s) => s.id))
    const links = run.links
      .filter((l) => kept.has(l.from) && kept.has(l.to))
      .map((l) => (segments.find((s) => s.id === l.from)?.fixed ? { ...l, most: null } : l))
    return [
      {
        ...run,
        earliest: Math.max(0, run.earliest - at),
        target: run.target - at,
        latest: run.latest - at,
        endsFrom: run.endsFrom - at,
        segments,
        links,
        ...(by?.person && { begunBy: by.person }),
      },
    ]
  })
  const moved = <S extends { from: number; to: number }>(spans: readonly S[]) =>
    spans.map((s) => ({ ...s, from: s.from - at, to: s.to - at })).filter((s) => s.to > 0)
  const ids = new Set(runs.map((r) => r.id))
  return {
    problem: {
      ...problem,
      start: problem.start + at * 60_000,
      horizon: problem.horizon - at,
      people: problem.people
        .filter((p) => p.id !== gone && p.most > at)
        .map((p) => ({
          ...p,
          from: Math.max(0, p.from - at),
          to: p.to - at,
          most: p.most - at,
          breaks: p.breaks
            .filter((b) => plan.breaks.some((x) => x.person === p.id && x.id === b.id && x.start >= at))
            .map((b) => ({
              ...b,
              earliest: Math.max(0, b.earliest - at),
              latest: Math.max(0, b.latest - at),
            })),
        })),
      counters: problem.counters.map((c) => ({ ...c, need: moved(c.need) })),
      stations: problem.stations.map((s) => ({ ...s, up: moved(s.up) })),
      runs,
      orders: problem.orders.filter((o) => ids.has(o.before) && ids.has(o.after)),
      pins: problem.pins.filter((p) => ids.has(p.run) && p.person !== gone && p.start === null),
    },
    before: shiftedPlan({ plan, start: problem.start }, problem.start + at * 60_000),
  }
}
