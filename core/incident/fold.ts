import type { Fold } from '../stream/fold.ts'
import { correctedAt, type AnyRecord } from '../stream/record.ts'
import { incidentRules } from './kinds.ts'
import type {
  EverybodyCounted,
  ExtentTold,
  IncidentApproved,
  IncidentDone,
  IncidentOpened,
  KnownGood,
} from './records.ts'

interface By {
  readonly at: number
  readonly by: string
}
type Told<T> = Omit<T, 'at'> & By

export interface IncidentState extends Omit<IncidentOpened, 'cleans'>, By {
  readonly id: string
  readonly status: 'void' | 'open' | 'false-alarm' | 'ended'
  /** Stations that came back. */
  readonly back: readonly string[]
  readonly counted: Told<EverybodyCounted> | null
  /** The newest: when the water was last known good, and who said so. */
  readonly knownGood: (KnownGood & { readonly by: string }) | null
  readonly product: string | null
  /** What was done, by task and station; the newest of each. */
  readonly done: Readonly<Record<string, Told<IncidentDone>>>
  /** What came back, was lifted or cleared, ms UTC; null while it lasts. */
  readonly over: By | null
  readonly cleans: Readonly<Record<string, readonly string[]>>
  readonly extent: (ExtentTold & By) | null
  readonly approval: (IncidentApproved & { readonly by: string }) | null
  readonly ended: (By & { readonly reason: string }) | null
}

/** The name of what was done, in `done`. */
export const doneKey = (task: string, station: string | null): string =>
  station === null ? task : `${task} ${station}`

/** An incident from the moment it was called until all is back as it was. What comes after its end changes nothing. */
export const incidentFold: Fold<IncidentState> = {
  initial: (id) => ({
    id,
    ...{ status: 'void', kind: 'device-out', station: null, place: '', stations: [], back: [] },
    ...{ at: 0, by: '', counted: null, knownGood: null, product: null, done: {}, over: null, cleans: {} },
    ...{ extent: null, approval: null, ended: null },
  }),
  apply(state, record) {
    if (record.type === 'incident.opened@1') return state.status === 'void' ? opened(state, record) : state
    return state.status === 'open' ? told(state, record) : state
  },
}

function opened(state: IncidentState, record: AnyRecord & { type: 'incident.opened@1' }): IncidentState {
  const { cleans, ...what } = record.payload
  const by = { at: correctedAt(record), by: record.by }
  const lasts = incidentRules[what.kind].lasts
  return { ...state, ...what, ...by, status: 'open', over: lasts ? null : by, cleans: cleans ?? {} }
}

/** Never before it began, nor after it is said. */
const overAt = (from: number, at: number, now: number): number => Math.max(from, Math.min(at, now))

function told(state: IncidentState, record: AnyRecord): IncidentState {
  const now = { at: correctedAt(record), by: record.by }
  switch (record.type) {
    case 'incident.counted@1':
      return { ...state, counted: { ...record.payload, ...now } }
    case 'incident.known-good@1':
      return { ...state, knownGood: { at: record.payload.at, by: record.by } }
    case 'incident.product@1':
      return { ...state, product: record.payload.product }
    case 'incident.done@1': {
      const { task, station } = record.payload
      return { ...state, done: { ...state.done, [doneKey(task, station)]: { ...record.payload, ...now } } }
    }
    case 'incident.over@1':
      return {
        ...state,
        over: { at: overAt(state.at, record.payload.at, now.at), by: record.by },
        cleans: record.payload.cleans,
      }
    case 'incident.extent@1':
      return { ...state, extent: { ...record.payload, ...now } }
    case 'incident.approved@1':
      return { ...state, approval: { ...record.payload, by: record.by } }
    case 'incident.reopened@1': {
      const back = [...new Set([...state.back, ...record.payload.stations])]
      return record.payload.ends
        ? { ...state, back, status: 'ended', ended: { ...now, reason: '' } }
        : { ...state, back }
    }
    case 'incident.false-alarm@1':
      // Once it is over it has happened: what it took away is not given back by a word.
      if (state.over && incidentRules[state.kind].lasts) return state
      return {
        ...state,
        back: state.stations,
        status: 'false-alarm',
        ended: { ...now, reason: record.payload.reason },
      }
    default:
      return state
  }
}
