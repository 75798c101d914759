import {
  finishStep,
  isComplete,
  procedureOfRun,
  runFold,
  startWait,
  takeBack,
  type Facts,
  type Position,
  type RunState,
} from '@tadka/core/procedure'
import { isByStep } from '@tadka/core/rerun'
import type { AnyDraft } from '@tadka/core/stream'
import { provisional } from '../stream/provisional.ts'
import { useSpares } from '../site/spares.ts'
import { useSite } from '../site/site.ts'
import { boot } from '../wire/device.ts'

const subjectOf = (run: RunState) => ({ kind: 'run', id: run.id }) as const

/** What a person does in a run, as records. */
export function useRunActs() {
  const site = useSite()
  const spares = useSpares()
  const plain = (run: RunState) => ({ run: run.id, station: run.station })

  /** A run of which nothing is left to do is finished. */
  function finishIfDone(id: string): void {
    const run = site.one('run', id)
    const procedure = run && procedureOfRun(run)
    if (run?.status === 'running' && procedure && isComplete(procedure, run)) site.commit(finishDraft(run))
  }
  const finishDraft = (run: RunState) =>
    site.draftOf('run.finished@1', subjectOf(run), { ...plain(run), procedure: run.procedure.id })

  /** Marks a step done, with what else happened in the same breath; the last step finishes the run. */
  function done(run: RunState, position: Position, facts: Facts, ...with_: AnyDraft[]): void {
    const step = site.draftOf('run.step.done@2', subjectOf(run), finishStep(run, position, facts, boot))
    const procedure = procedureOfRun(run)
    const after = runFold.apply(
      run,
      provisional(step, (kind, id) => site.one(kind, id)),
    )
    // What ends the run goes with it, in one breath.
    const ends = procedure && after.status === 'running' && isComplete(procedure, after)
    site.commit(...with_, step, ...(ends ? [finishDraft(run)] : []))
  }

  /** Takes a step back, and what it did with kept mix and spares. */
  function back(run: RunState, position: Position): void {
    const step = { run: run.id, step: position.key }
    const kept = site
      .all('rerun')
      .filter((r) => isByStep(r, step))
      .map((r) => site.draftOf('rerun.taken-back@1', { kind: 'rerun', id: r.id }, step))
    const spare = run.done[position.key]?.facts['spare']
    const put = typeof spare === 'string' ? [spares.drawn(spare, run.station, -1)] : []
    site.commit(site.draftOf('run.step.undone@2', subjectOf(run), takeBack(run, position)), ...kept, ...put)
  }

  /** Calls for help from the step at hand, once until somebody answers. */
  const callHelp = (run: RunState, step: string) =>
    site.record('run.help.called@1', subjectOf(run), { ...plain(run), step })
  const answerHelp = (run: RunState, call: string) =>
    site.record('run.help.answered@1', subjectOf(run), { ...plain(run), call })

  return {
    ...{ callHelp, answerHelp },
    done,
    finishIfDone,
    wait: (run: RunState, position: Position) =>
      site.record('run.wait.started@2', subjectOf(run), startWait(run, position, boot)),
    /** @param millilitres that it poured in. */
    visit: (run: RunState, position: Position, millilitres = 0) =>
      site.record('run.visit.made@1', subjectOf(run), {
        ...plain(run),
        step: position.key,
        ...(millilitres > 0 ? { millilitres } : {}),
      }),
    back,
    park: (run: RunState) => site.record('run.parked@1', subjectOf(run), plain(run)),
    resume: (run: RunState) => site.record('run.resumed@1', subjectOf(run), plain(run)),
    abandon: (run: RunState, reason: string) =>
      site.record('run.abandoned@1', subjectOf(run), { ...plain(run), reason }),
    outOfService: (station: string, reason: string) =>
      site.record('station.stopped@1', { kind: 'station', id: station }, { station, reason }),
    missing: (run: RunState, position: Position, part: string) =>
      site.record('run.part.missing@1', subjectOf(run), { ...plain(run), step: position.key, part }),
    found: (run: RunState, where: string) =>
      run.stop &&
      site.record('run.part.found@1', subjectOf(run), {
        ...plain(run),
        step: run.stop.step,
        part: run.stop.what,
        where,
      }),
    lost: (run: RunState, discarded: string) =>
      run.stop &&
      site.record('run.part.lost@1', subjectOf(run), {
        ...plain(run),
        step: run.stop.step,
        part: run.stop.what,
        discarded,
      }),
  }
}
