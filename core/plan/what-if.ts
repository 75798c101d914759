import type { PlanProblem, Span } from './problem.ts'
import { relieved } from './ways-out.ts'

/** The same shift, otherwise. */
export type Otherwise =
  | { readonly kind: 'without'; readonly person: string }
  | { readonly kind: 'another' }
  | { readonly kind: 'close-sooner'; readonly minutes: number }

/** The problem as it would be: somebody fewer, somebody more who may do it all, or trade that ends sooner. */
export function otherwise(problem: PlanProblem, other: Otherwise): PlanProblem {
  switch (other.kind) {
    case 'without':
      return {
        ...problem,
        people: problem.people.filter((p) => p.id !== other.person),
        pins: problem.pins.filter((p) => p.person !== other.person),
        // What they have begun is taken over by somebody else.
        runs: problem.runs.map((r) => ({
          ...r,
          segments: r.segments.map((s) =>
            s.fixed?.person === other.person ? { ...s, fixed: undefined } : s,
          ),
        })),
      }
    case 'another':
      return relieved(problem, { kind: 'person', until: problem.horizon })
    case 'close-sooner':
      return closedSooner(problem, other.minutes)
  }
}

function closedSooner(problem: PlanProblem, minutes: number): PlanProblem {
  const closes = Math.max(0, ...problem.counters.flatMap((c) => c.need.map((n) => n.to)))
  const last = Math.max(0, closes - minutes)
  const cut = <S extends Span>(spans: readonly S[]): S[] =>
    spans.map((s) => ({ ...s, to: Math.min(s.to, last) })).filter((s) => s.to > s.from)
  return {
    ...problem,
    counters: problem.counters.map((c) => ({ ...c, need: cut(c.need) })),
    stations: problem.stations.map((s) => ({ ...s, up: cut(s.up) })),
  }
}
