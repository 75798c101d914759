import { waitEndsAt, walk } from '../procedure/outline.ts'
import { forbiddenActs } from '../procedure/facets.ts'
import { procedureOfRun, type RunState } from '../procedure/run.ts'
import type { StationState } from '../procedure/station.ts'
import { judge } from './judge.ts'
import type { AnyDraft } from './record.ts'

/** What was odd about a record that is kept all the same. */
export type Flag =
  | 'run-not-running'
  | 'run-already-started'
  | 'out-of-order'
  | 'wait-cut-short'
  | 'forbidden-act'
  | 'verdict-differs'
  | 'station-busy'

export interface FlagContext {
  /** States before the record, where the subjects were known. */
  readonly run: RunState | null
  readonly station: StationState | null
  /** Corrected observed time, milliseconds UTC. */
  readonly at: number
  readonly freshHours: number
}

/** What a draft is flagged with when it is appended. A wrong state is no refusal: it happened. */
export function flagsOf(draft: AnyDraft, context: FlagContext): Flag[] {
  switch (draft.type) {
    case 'run.started@1':
      if (context.run && context.run.status !== 'not-started') return ['run-already-started']
      return context.station?.currentRun ? ['station-busy'] : []
    case 'run.step.done@1':
      return stepFlags(draft.payload.step, context)
    case 'run.wait.started@1':
    case 'run.visit.made@1':
    case 'run.step.undone@1':
    case 'run.finished@1':
      return running(context)
    case 'reading.taken@1':
      return judge(draft.payload, draft.payload.local).overall === draft.payload.judgement.overall
        ? []
        : ['verdict-differs']
    default:
      return []
  }
}

const running = ({ run }: FlagContext): Flag[] => (run?.status === 'running' ? [] : ['run-not-running'])

function stepFlags(key: string, context: FlagContext): Flag[] {
  const flags = running(context)
  const { run, station, at } = context
  const procedure = run && procedureOfRun(run)
  if (!run || !procedure) return flags
  const { positions, open } = walk(procedure, run)
  if (!open.some((p) => p.key === key)) flags.push('out-of-order')
  const position = positions.find((p) => p.key === key)
  if (position?.kind !== 'step') return flags
  if (position.step.kind === 'wait' || position.step.kind === 'tend') {
    const ends = waitEndsAt(run, key)
    if (ends === null || at < ends) flags.push('wait-cut-short')
  }
  const { act } = position.step
  if (act && station) {
    const hours = station.sanitizedAt === null ? null : (at - station.sanitizedAt) / 3_600_000
    if (
      forbiddenActs(station.facets, hours, context.freshHours, procedure.freezesSolution).some(
        (f) => f.act === act,
      )
    )
      flags.push('forbidden-act')
  }
  return flags
}
