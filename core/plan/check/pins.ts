import type { Check, Violation } from './violation.ts'

/** What somebody decided stays: when a run begins, and who does it. */
export const pins: Check = ({ problem, whole }) =>
  whole.flatMap(({ run, own, span }): Violation[] => {
    const pin = problem.pins.find((p) => p.run === run.id)
    if (!pin) return []
    const other = own.find((p) => p.person !== null && p.person !== pin.person)
    return [
      ...(pin.start !== null && span.begin !== pin.start
        ? [{ constraint: 'pin' as const, run: run.id, is: span.begin, limit: pin.start }]
        : []),
      ...(pin.person !== null && other
        ? [{ constraint: 'pin' as const, run: run.id, person: other.person ?? '' }]
        : []),
    ]
  })
