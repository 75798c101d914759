import { correctedAt, type AnyRecord } from '../stream/record.ts'
import { baseOf } from './own.ts'
import type { LastRun, StationState } from './station-state.ts'

/** Out of service by something that went wrong at the site: it ends with that, not by what is mended. */
export interface Closure {
  readonly incident: string
  readonly kind: string
  readonly since: number
  readonly by: string
  /** Since when it may be made ready again; null while it lasts. */
  readonly over: number | null
  /** It had to wait for something: once that is over, it has happened. */
  readonly lasted: boolean
  /** Procedures that it is worked through before it comes back. */
  readonly cleans: readonly string[]
  /** Runs that were on it before: what they did counts for nothing any more. */
  readonly runs: readonly string[]
  /** How clean it was, where that was taken away: a false alarm gives it back. */
  readonly before?: Pick<StationState, 'sanitizedAt'> & Pick<StationState['facets'], 'hygiene' | 'contact'>
}

/** Not in service, for whatever reason. */
export const isOut = ({
  outOfService,
  closures,
}: {
  readonly outOfService: object | null
  readonly closures?: readonly Closure[]
}): boolean => outOfService !== null || (closures ?? []).length > 0

/** Whether nothing is done at it for now: it lasts, or the run was there before. @param run null: a run that would begin. */
export const isClosed = ({ closures = [] }: Pick<StationState, 'closures'>, run: string | null): boolean =>
  closures.some((c) => c.over === null || (run !== null && c.runs.includes(run)))

/** The run that was begun and finished since it is over; none that stood half done before, and none that was only told of. */
export function cleanedSince(
  station: Pick<StationState, 'lastRuns'>,
  { over, runs }: Pick<Closure, 'over' | 'runs'>,
  procedure: string,
): LastRun | null {
  const last = station.lastRuns[baseOf(procedure)]
  if (!last || over === null || last.entered || runs.includes(last.run)) return null
  return last.finishedAt >= over ? last : null
}

type IncidentRecord = AnyRecord & {
  type: 'incident.opened@1' | 'incident.over@1' | 'incident.reopened@1' | 'incident.false-alarm@1'
}
export const isClosing = (record: AnyRecord): record is IncidentRecord =>
  record.type === 'incident.opened@1' ||
  record.type === 'incident.over@1' ||
  record.type === 'incident.reopened@1' ||
  record.type === 'incident.false-alarm@1'

/** A station after a record of what went wrong: closed, ready to be cleaned, back, or as it was. */
export function withClosure(state: StationState, record: IncidentRecord): StationState {
  const at = correctedAt(record)
  const incident = record.subject.id
  const { closures = [], ...rest } = state
  const others = closures.filter((c) => c.incident !== incident)
  const own = closures.find((c) => c.incident === incident)
  const having = (all: readonly Closure[]): StationState =>
    all.length > 0 ? { ...rest, closures: all } : rest
  switch (record.type) {
    case 'incident.opened@1': {
      const { kind, cleans } = record.payload
      const closure = {
        ...{ incident, kind, since: at, by: record.by, over: cleans === null ? null : at },
        ...{ lasted: cleans === null, cleans: cleans?.[state.id] ?? [], runs: Object.keys(state.runs) },
      }
      return closure.over === null ? having([...others, closure]) : spoiled(closure, having, others)
    }
    case 'incident.over@1': {
      if (!own || own.over !== null) return state
      // Never before it began, nor after it is said.
      const over = Math.max(own.since, Math.min(record.payload.at, at))
      const runs = [...new Set([...own.runs, ...Object.keys(state.runs)])]
      const closure = { ...own, over, runs, cleans: record.payload.cleans[state.id] ?? [] }
      return spoiled(closure, having, others)
    }
    case 'incident.false-alarm@1':
      return own && !(own.lasted && own.over !== null) ? asBefore(having(others), own) : state
    case 'incident.reopened@1':
      return own ? having(others) : state
  }
}

/** What touches no surface: what was sanitized is so still. */
const leavesClean: readonly string[] = ['gas', 'no-hot-water']

/** What went wrong has made it unclean: whatever it was, nobody knows. */
function spoiled(
  closure: Closure,
  having: (all: readonly Closure[]) => StationState,
  others: readonly Closure[],
): StationState {
  const state = having([...others, closure])
  if (leavesClean.includes(closure.kind)) return state
  const { facets, sanitizedAt } = state
  const { hygiene, contact } = facets
  const before = { hygiene, sanitizedAt, ...(contact ? { contact } : {}) }
  return {
    ...having([...others, { ...closure, before }]),
    facets: { ...facets, hygiene: 'unknown', contact: 'none' },
    sanitizedAt: null,
  }
}

/** It was none: as clean as it was, unless something was done there since. */
function asBefore(state: StationState, { before }: Closure): StationState {
  if (!before || state.facets.hygiene !== 'unknown') return state
  const { sanitizedAt, ...facets } = before
  return { ...state, facets: { ...state.facets, ...facets }, sanitizedAt }
}
