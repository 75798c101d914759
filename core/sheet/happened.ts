import type { FaultState } from '../fault/index.ts'
import type { FoodState } from '../food/index.ts'
import { aboutTask, type IncidentState } from '../incident/index.ts'
import type { SampleState } from '../lab/index.ts'
import type { PestState, TrapState } from '../pest/index.ts'
import type { RoundState } from '../round/index.ts'
import type { AnyRecord, SubjectRef } from '../stream/index.ts'
import type { VisitState } from '../visit/index.ts'

/** The types of records of what happened beside cleaning and reading: what went wrong, pests, faults, samples, rounds, deliveries. */
export const happenedTypes = [
  'incident.opened@1',
  'incident.counted@1',
  'incident.known-good@1',
  'incident.product@1',
  'incident.done@1',
  'incident.over@1',
  'incident.extent@1',
  'incident.approved@1',
  'incident.reopened@1',
  'incident.false-alarm@1',
  'food.received@1',
  'walk.ended@1',
  'pest.seen@1',
  'pest.caused@1',
  'pest.settled@1',
  'trap.looked@1',
  'visit.done@1',
  'fault.seen@1',
  'fault.called@1',
  'fault.mended@1',
  'fault.dropped@1',
  'sample.taken@1',
  'sample.result@1',
] as const satisfies readonly AnyRecord['type'][]

type Told<R> = R extends AnyRecord ? Pick<R, 'type' | 'payload'> : never
export type HappenedRecord = Extract<AnyRecord, { type: (typeof happenedTypes)[number] }>

const types: readonly string[] = happenedTypes
export const hasHappened = (record: AnyRecord): record is HappenedRecord => types.includes(record.type)

/** What a record is about, as far as it does not say so itself. */
export interface About {
  /** A round's, a delivery's, a company's name, a device's number, the area of a pest, where a bath stood; empty where it is about nothing named. */
  readonly name: string
  /** Machines that it concerns. */
  readonly stations: readonly string[]
  /** A device of poisoned bait counts nothing: it was eaten from, or not. */
  readonly bait: boolean
}

/** One thing that happened, with what its subject is. */
export type Happened = Told<HappenedRecord> & { readonly about: About }

/** Subjects whose states say what a record is about. */
export const aboutRefs = (record: HappenedRecord): readonly SubjectRef[] => {
  const bath = bathOf(record)
  return bath === null ? [record.subject] : [record.subject, { kind: 'bath', id: bath }]
}

/** The bath that something of an incident's list was done about; null where it was about none. */
function bathOf(record: HappenedRecord): string | null {
  if (record.type !== 'incident.done@1') return null
  const [what, id] = aboutTask(record.payload.task).split(' ')
  return what === 'bath' && id !== undefined ? id : null
}

/** The food that something of an incident's list was decided about, as it was named when it was entered. */
function foodOf(record: HappenedRecord, incident: IncidentState | undefined): string | undefined {
  if (record.type !== 'incident.done@1') return undefined
  return incident?.done[aboutTask(record.payload.task)]?.food
}

const named = (name: string | undefined, ...stations: (string | null | undefined)[]): About => ({
  name: name ?? '',
  stations: stations.filter((s): s is string => typeof s === 'string'),
  bait: false,
})

/** What a record is about. @param stateOf the folded state of a subject; undefined where it is not known. */
export function aboutOf(record: HappenedRecord, stateOf: (of: SubjectRef) => unknown): About {
  const state = stateOf(record.subject)
  switch (record.subject.kind) {
    case 'incident': {
      const bath = bathOf(record)
      const where = bath === null ? undefined : stateOf({ kind: 'bath', id: bath })
      const incident = state as IncidentState | undefined
      return named(
        (where as { readonly where?: string } | undefined)?.where ?? foodOf(record, incident),
        ...(incident?.stations ?? []),
        incident?.station,
      )
    }
    case 'fault':
      return named(undefined, (state as FaultState | undefined)?.seen?.station)
    case 'pest':
      return named((state as PestState | undefined)?.seen?.area)
    case 'sample':
      return named(undefined, (state as SampleState | undefined)?.taken?.station)
    case 'visit': {
      const visit = (state as VisitState | undefined)?.visit
      return named(visit?.company, visit?.station)
    }
    case 'round':
      return named((state as RoundState | undefined)?.round?.name)
    case 'trap': {
      const trap = (state as TrapState | undefined)?.trap
      return { ...named(trap?.number), bait: trap?.kind === 'bait-station' }
    }
    case 'food':
      return named((state as FoodState | undefined)?.name)
    default:
      return named(undefined)
  }
}

/** What of it stands: as it was put right afterwards; null where it was taken back. */
export function standsOf(
  happened: Happened & { readonly amended?: { readonly instead: unknown } },
): Happened | null {
  const { type, payload, about, amended } = happened
  if (!amended) return { type, payload, about } as Happened
  return amended.instead === null ? null : ({ type, payload: amended.instead, about } as Happened)
}

/** Photos that such a record brought, by the hashes of their bytes. */
export function photosOf({ type, payload }: Told<HappenedRecord>): readonly string[] {
  const of = (sha256: string | null) => (sha256 === null ? [] : [sha256])
  switch (type) {
    case 'incident.done@1':
    case 'incident.approved@1':
    case 'pest.seen@1':
    case 'fault.seen@1':
      return of(payload.photo)
    case 'visit.done@1':
    case 'sample.result@1':
      return of(payload.report)
    default:
      return []
  }
}
