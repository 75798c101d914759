import type { MixChanged } from './mix-change.ts'
import type { RecordType } from '../stream/record.ts'
import { subject, type RulesOf } from '../stream/rules.ts'
import { baseOf } from './own.ts'
import type * as work from './payloads.ts'

interface RunPayloads {
  'run.started@1': work.RunStartedV1
  'run.started@2': work.RunStarted
  'run.step.done@1': work.StepDoneV1
  'run.step.done@2': work.StepDone
  'run.step.undone@1': work.StepUndoneV1
  'run.step.undone@2': work.StepUndone
  'run.wait.started@1': work.WaitStartedV1
  'run.wait.started@2': work.WaitStarted
  'run.visit.made@1': work.VisitMade
  'run.overridden@1': work.RunOverridden
  'run.part.missing@1': work.PartMissing
  'run.part.found@1': work.PartFound
  'run.part.lost@1': work.PartLost
  'run.parked@1': work.RunPlain
  'run.resumed@1': work.RunPlain
  'run.help.called@1': work.HelpCalled
  'run.help.answered@1': work.HelpAnswered
  'run.abandoned@1': work.RunAbandoned
  'run.finished@1': work.RunFinished
  'run.entered@1': work.RunEntered
}

interface StationPayloads {
  'follow-up.closed@1': work.FollowUpClosed
  'count.read@1': work.CountRead
  'sign.seen@1': work.SignSeen
  'station.laid-up@1': work.LaidUp
  'station.back@1': work.StationBack
  'station.stopped@1': work.StationStopped
  'station.returned@1': work.StationReturned
  'station.observed@1': work.StationObserved
  'station.made-safe@1': work.MadeSafe
  'duty.closed@1': work.DutyClosed
  'mix.changed@1': MixChanged
  'procedure.set@1': work.ProcedureSet
  'procedure.put@1': work.ProcedurePut
}

declare module '../stream/record.ts' {
  interface Payloads extends RunPayloads, StationPayloads {}
}

/** A run changes its station. */
const ofStation = ({ station }: work.RunPlain) => subject('station', station)
/** A finished run sets back what a dish machine counts. */
const ofDish = (procedure: string | undefined, station: string) =>
  subject('dish', procedure !== undefined && baseOf(procedure).startsWith('dish-machine.') ? station : null)

export type RunType = keyof RunPayloads

const runRecords: RulesOf<keyof RunPayloads> = {
  'run.started@1': { needs: 'record', concerns: ofStation },
  'run.started@2': { needs: 'record', concerns: ofStation },
  'run.step.done@1': { needs: 'record', typed: true, concerns: ofStation },
  'run.step.done@2': { needs: 'record', typed: true, concerns: ofStation },
  'run.step.undone@1': { needs: 'record', concerns: ofStation },
  'run.step.undone@2': { needs: 'record', concerns: ofStation },
  'run.wait.started@1': { needs: 'record', concerns: ofStation },
  'run.wait.started@2': { needs: 'record', concerns: ofStation },
  'run.visit.made@1': { needs: 'record' },
  'run.overridden@1': { needs: 'override', madeBy: 'signature', concerns: ofStation },
  'run.part.missing@1': { needs: 'record', concerns: ofStation },
  'run.part.found@1': { needs: 'record', typed: true, concerns: ofStation },
  'run.part.lost@1': { needs: 'record', typed: true, concerns: ofStation },
  'run.parked@1': { needs: 'record', concerns: ofStation },
  'run.resumed@1': { needs: 'record', concerns: ofStation },
  'run.help.called@1': { needs: 'record', tap: true },
  'run.help.answered@1': { needs: 'record' },
  'run.abandoned@1': { needs: 'record', typed: true, tap: true, concerns: ofStation },
  'run.finished@1': {
    needs: 'record',
    concerns: (run) => [...ofStation(run), ...ofDish(run.procedure, run.station)],
  },
  'run.entered@1': {
    needs: 'override',
    madeBy: 'signature',
    concerns: (run) => [...ofStation(run), ...ofDish(run.procedure.id, run.station)],
  },
}

export const isRunType = (type: RecordType): type is RunType => Object.hasOwn(runRecords, type)

export const procedureRecords: RulesOf<keyof RunPayloads | keyof StationPayloads> = {
  ...runRecords,
  'follow-up.closed@1': { needs: 'record', typed: true },
  'count.read@1': { needs: 'record', typed: true, tap: true },
  'sign.seen@1': {
    needs: 'record',
    typed: true,
    tap: true,
    // How soon a dish machine scales up tunes when it is delimed.
    concerns: ({ sign, station }) => subject('dish', sign === 'scale' ? station : null),
  },
  'station.laid-up@1': { needs: 'close-case', typed: true, tap: true },
  'station.back@1': { needs: 'close-case' },
  'station.stopped@1': { needs: 'record', typed: true },
  'station.returned@1': { needs: 'close-case' },
  'station.observed@1': { needs: 'record', tap: true },
  'station.made-safe@1': { needs: 'record', tap: true },
  'duty.closed@1': { needs: 'close-case' },
  'mix.changed@1': { needs: 'record', typed: true },
  'procedure.set@1': { needs: 'set-procedures' },
  'procedure.put@1': { needs: 'set-procedures' },
}
