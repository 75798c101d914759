import type { Check, Violation } from './violation.ts'

/** What follows in a run follows neither too soon nor too late, and a wait that must end is ended. */
export const links: Check = ({ whole, at }) =>
  whole.flatMap(({ run }) =>
    run.links.flatMap((l): Violation[] => {
      const [from, to] = [at(run.id, l.from), at(run.id, l.to)]
      if (!from || !to) return []
      const of = { run: run.id, segment: l.to }
      const lag = to.start - from.end
      const wait = run.segments.find((s) => s.id === l.from)
      const begun = wait?.fixed ?? run.segments.find((s) => s.id === l.to)?.fixed
      const lasts = to.start - from.start
      const most = wait?.kind === 'wait' && !begun ? wait.most : null
      return [
        ...(lag < l.least ? [{ constraint: 'lag' as const, ...of, is: lag, limit: l.least }] : []),
        ...(l.most !== null && lag > l.most
          ? [{ constraint: 'lag' as const, ...of, is: lag, limit: l.most }]
          : []),
        ...(most !== null && lasts > most
          ? [{ constraint: 'wait-most' as const, run: run.id, segment: l.from, is: lasts, limit: most }]
          : []),
      ]
    }),
  )
