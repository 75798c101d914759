import {
  finishStep,
  procedureOfRun,
  startWait,
  takeBack,
  type Facts,
  type Position,
  type Procedure,
  unknownFacets,
  type RunState,
} from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/record'
import { useSite } from '../record/site.ts'

const subjectOf = (run: RunState) => ({ kind: 'run', id: run.id }) as const

/** What a person does in a run, as records. */
export function useRunActs() {
  const site = useSite()
  const facetsOf = (run: RunState) => site.one('station', run.station)?.facets ?? unknownFacets
  function procedureOf(run: RunState): Procedure {
    const found = procedureOfRun(run)
    if (!found) throw new Error('a run of an unknown procedure is worked')
    return found
  }
  const plain = (run: RunState) => ({ run: run.id, station: run.station })
  const finished = (run: RunState) => ({ ...plain(run), procedure: run.procedure.id })

  /** Marks a step done, with what else happened in the same breath; the last step finishes the run. */
  function done(run: RunState, position: Position, facts: Facts, last: boolean, ...with_: AnyDraft[]): void {
    const drafts = [
      ...with_,
      site.draftOf(
        'run.step.done@1',
        subjectOf(run),
        finishStep(procedureOf(run), run, position, facetsOf(run), facts),
      ),
    ]
    if (last) drafts.push(site.draftOf('run.finished@1', subjectOf(run), finished(run)))
    site.commit(...drafts)
  }

  return {
    done,
    finish: (run: RunState) => site.record('run.finished@1', subjectOf(run), finished(run)),
    wait: (run: RunState, position: Position, minutes: number) =>
      site.record(
        'run.wait.started@1',
        subjectOf(run),
        startWait(procedureOf(run), run, position, facetsOf(run), minutes),
      ),
    visit: (run: RunState, position: Position) =>
      site.record('run.visit.made@1', subjectOf(run), { ...plain(run), step: position.key }),
    back: (run: RunState, position: Position) =>
      site.record('run.step.undone@1', subjectOf(run), takeBack(run, position)),
    park: (run: RunState) => site.record('run.parked@1', subjectOf(run), plain(run)),
    resume: (run: RunState) => site.record('run.resumed@1', subjectOf(run), plain(run)),
    abandon: (run: RunState, reason: string) =>
      site.record('run.abandoned@1', subjectOf(run), { ...plain(run), reason }),
  }
}
