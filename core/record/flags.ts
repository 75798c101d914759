import { conflictsAt } from '../procedure/condition.ts'
import { startFaults } from '../procedure/begin.ts'
import { isComplete, walk } from '../procedure/outline.ts'
import { procedureOfRun, tickOf, type RunState } from '../procedure/run-state.ts'
import { judgeStep } from '../procedure/step-taken.ts'
import type { StationState } from '../procedure/station-state.ts'
import type { AnyRecord } from '../stream/record.ts'

/** What may be odd about a record that is kept all the same. */
export const flags = [
  'run-not-running',
  'run-already-started',
  'out-of-order',
  'wait-cut-short',
  'forbidden-act',
  'verdict-differs',
  'label-differs',
  'rules-differ',
  'reading-differs',
  'station-busy',
  'does-not-fit',
  'not-counted',
  'not-complete',
  'amended-to-pass',
  'not-signed-off',
  'not-theirs',
  'after-session',
  'let-in',
] as const
export type Flag = (typeof flags)[number]

export interface FlagContext {
  /** States before the record, where the subjects were known. */
  readonly run: RunState | null
  readonly station: StationState | null
  /** Corrected observed time, milliseconds UTC. */
  readonly at: number
  readonly freshHours: number
  /** Whether who begins it may do it alone; absent or null where nobody has said what they may do. */
  readonly mayAlone?: boolean | null
}

/** What a record is flagged with when it is appended. A wrong state is no refusal: it happened. */
export function flagsOf(record: AnyRecord, context: FlagContext): Flag[] {
  const { run, station } = context
  switch (record.type) {
    case 'run.started@2': {
      if (run && run.status !== 'not-started') return ['run-already-started']
      const { procedure: named } = record.payload
      const procedure = procedureOfRun({ procedure: named, document: record.inForce?.document ?? null })
      const busy = station?.currentRun && station.currentRun.run !== record.payload.run
      const unfit = procedure && station && startFaults(procedure, station).length > 0
      return [
        ...(busy ? (['station-busy'] as const) : []),
        ...(unfit ? (['does-not-fit'] as const) : []),
        ...(context.mayAlone === false ? (['not-signed-off'] as const) : []),
      ]
    }
    case 'run.step.done@2':
      return stepFlags(record, context)
    case 'run.wait.started@2':
      return [...running(context), ...turnFlags(record.payload.step, context)]
    case 'run.visit.made@1':
    case 'run.step.undone@2':
      return running(context)
    case 'run.finished@1': {
      const procedure = run && procedureOfRun(run)
      const unfinished = run?.judged && (!procedure || !isComplete(procedure, run))
      return [...running(context), ...(unfinished ? (['not-complete'] as const) : [])]
    }
    default:
      return []
  }
}

const running = ({ run }: FlagContext): Flag[] => (run?.status === 'running' ? [] : ['run-not-running'])

function turnFlags(key: string, { run }: FlagContext): Flag[] {
  const procedure = run && procedureOfRun(run)
  if (!run || !procedure) return []
  return walk(procedure, run).open.some((p) => p.key === key) ? [] : ['out-of-order']
}

function stepFlags(record: AnyRecord & { type: 'run.step.done@2' }, context: FlagContext): Flag[] {
  const { run, station } = context
  const found = running(context)
  const procedure = run && procedureOfRun(run)
  if (!run || !procedure) return found
  const taken = judgeStep(
    procedure,
    run,
    record.payload,
    tickOf(record, record.payload.boot ?? null),
    record.inForce?.recipe,
  )
  if (!taken.inTurn) found.push('out-of-order')
  if (taken.short) found.push('wait-cut-short')
  else if (taken.inTurn && !taken.counts) found.push('not-counted')
  if (taken.position && station && conflictsAt(procedure, run, station, taken.position, context).length > 0)
    found.push('forbidden-act')
  return found
}
