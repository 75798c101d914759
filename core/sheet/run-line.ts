import type { DayLeft } from '../duty/index.ts'
import type { RunState } from '../procedure/index.ts'
import { strictest, type Verdict } from '../rules/index.ts'
import type { ReadingLine, RunException, RunLine } from './lines.ts'

/**
 * One run as a line. Its verdict is the strictest of what each of its checks said last; what failed before that is told as such.
 * @param readings of the day. @param left what of the day is not as it should be.
 */
export function runLine(run: RunState, readings: readonly ReadingLine[], left: readonly DayLeft[]): RunLine {
  const steps = Object.values(run.readings).filter((r) => r.length > 0)
  const last = steps.flatMap((all) => all.at(-1)?.verdict ?? [])
  return {
    run: run.id,
    station: run.station,
    procedure: run.procedure.id,
    from: run.startedAt,
    to: run.endedAt,
    by: peopleOf(run),
    verdict: last.length > 0 ? strictest(last) : null,
    readings: readings.filter((r) => r.reading.run === run.id),
    exceptions: exceptionsOf(run, left),
  }
}

function peopleOf(run: RunState): string[] {
  const steps = Object.values(run.done).toSorted((a, b) => a.at - b.at)
  return [...new Set([run.startedBy, ...steps.map((d) => d.by)])].filter(Boolean)
}

const failed = (verdicts: readonly { readonly verdict: Verdict }[]): boolean =>
  verdicts.slice(0, -1).some((r) => r.verdict !== 'in')

function exceptionsOf(run: RunState, left: readonly DayLeft[]): RunException[] {
  const found: RunException[] = []
  if (run.entered) found.push({ what: 'entered' })
  if (run.startOverridden) found.push({ what: 'begun-as-it-was', ...run.startOverridden })
  for (const [step, done] of Object.entries(run.done))
    if (done.overridden && done.short)
      found.push({ what: 'not-sanitized', step, ...done.short, ...done.overridden })
  const { learner } = run
  if (learner !== undefined && !run.watched?.some((w) => w.learner === learner))
    found.push({ what: 'learner-alone', by: learner })
  const rechecked = Object.values(run.readings).filter(failed).length
  if (rechecked > 0) found.push({ what: 'failed-first', checks: rechecked })
  if (run.stop) found.push({ what: 'stopped', step: run.stop.step, why: run.stop.why })
  if (run.status === 'abandoned') found.push({ what: 'abandoned', reason: run.reason })
  else if (run.endedAt === null) found.push({ what: 'unfinished' })
  if (left.some((l) => l.what === 'late' && l.run === run.id)) found.push({ what: 'late' })
  return found
}
