import type { CaseState } from '../case/index.ts'
import type { DayLeft } from '../duty/index.ts'
import type { RunState, StationState } from '../procedure/index.ts'
import type { ShiftState } from '../record/index.ts'
import type { AnyRecord, SubjectRef } from '../stream/index.ts'
import { cycleSheet } from './cycles.ts'
import { aboutOf, happenedTypes, hasHappened, photosOf, standsOf, type Happened } from './happened.ts'
import type {
  BathLine,
  ChargeLine,
  CheckLine,
  CycleSheet,
  HappenedLine,
  NoteLine,
  ReadingLine,
  RunLine,
} from './lines.ts'
import { runLine } from './run-line.ts'

/** What a site's records say of one trading day. */
export interface SheetKnown {
  /** ISO date. */
  readonly day: string
  /** Milliseconds UTC, the end not counted. */
  readonly from: number
  readonly to: number
  /** The records of the day by their own time, as they were judged. */
  readonly records: readonly AnyRecord[]
  /** What puts any of them right, whenever it came. */
  readonly amendments: readonly (AnyRecord & { type: 'record.amended@1' })[]
  /** The runs that any of them belong to. */
  readonly runs: readonly RunState[]
  /** Corrective actions opened on the day, or open on it still. */
  readonly cases: readonly CaseState[]
  readonly stations: readonly StationState[]
  readonly left: readonly DayLeft[]
  readonly signed: ShiftState['signatures']
  readonly reviewed: ShiftState['reviews']
  readonly charge: readonly ChargeLine[]
  /** The state of what a record is about; undefined where it is not known. */
  readonly stateOf: (of: SubjectRef) => unknown
}

/** A station's part of a day. */
export interface StationSheet {
  readonly station: string
  readonly runs: readonly RunLine[]
  /** Those that belong to no run. */
  readonly readings: readonly ReadingLine[]
  readonly cycles: CycleSheet | null
  readonly notes: readonly NoteLine[]
}

/** A day as a person would keep it. */
export interface DaySheet extends Pick<
  SheetKnown,
  'day' | 'from' | 'to' | 'left' | 'signed' | 'reviewed' | 'charge' | 'cases'
> {
  /** Those at which anything happened, in the order of their places and tags. */
  readonly stations: readonly StationSheet[]
  /** Readings at no station. */
  readonly readings: readonly ReadingLine[]
  readonly baths: readonly BathLine[]
  readonly checks: readonly CheckLine[]
  /** What happened beside cleaning and reading, by time. */
  readonly happened: readonly HappenedLine[]
}

const noteTypes: readonly string[] = [
  'station.stopped@1',
  'station.returned@1',
  'duty.closed@1',
  'dish.set-aside@1',
  'dish.returned@1',
] satisfies NoteLine['type'][]

/** The types of records by which a day is one on which anybody worked. */
export const workTypes: readonly string[] = [
  'reading.taken@1',
  'run.started@1',
  'run.started@2',
  'run.entered@1',
  'incident.opened@1',
]

/** The types of records that a day's sheet is made of, beside the runs that they belong to and the racks, which go by their own time. */
export const sheetTypes: readonly string[] = [
  ...noteTypes,
  ...new Set([...workTypes, ...happenedTypes]),
  'bath.mixed@1',
  'photo.attached@1',
  'instrument.checked@1',
]

const isOf =
  <T extends AnyRecord['type']>(type: T) =>
  (r: AnyRecord): r is AnyRecord & { type: T } =>
    r.type === type

/** The sheet of one day: a run belongs to the day on which it began, everything else to the day of its own time. */
export function daySheet(known: SheetKnown): DaySheet {
  const { day, from, to, left, signed, reviewed, charge, cases, stations } = known
  const records = known.records
    .filter((r) => timeOf(r) >= from && timeOf(r) < to)
    .toSorted((a, b) => timeOf(a) - timeOf(b) || a.seq - b.seq)
  const amendments = new Map(known.amendments.map((a) => [a.payload.target, a]))
  const photos = records.filter(isOf('photo.attached@1'))
  const lineOf = (r: AnyRecord) => {
    const amended = amendments.get(r.id)
    return {
      record: r.id,
      seq: r.seq,
      at: timeOf(r),
      by: r.by,
      ...(amended
        ? {
            amended: {
              at: timeOf(amended),
              by: amended.by,
              reason: amended.payload.reason,
              instead: amended.payload.instead,
            },
          }
        : {}),
    }
  }
  const readings = records.filter(isOf('reading.taken@1')).map((r): ReadingLine => {
    const { run, step } = r.payload
    const line = lineOf(r)
    const stands = (line.amended ? line.amended.instead : r.payload) as typeof r.payload | null
    const shown = photos.filter(
      (p) => p.payload.run !== null && p.payload.run === run && p.payload.step === step,
    )
    return {
      ...line,
      reading: r.payload,
      verdict: stands?.judgement.overall ?? null,
      photos: shown.map((p) => p.payload.sha256),
    }
  })
  const inDay = (run: RunState) => run.startedAt >= from && run.startedAt < to
  const runs = known.runs
    .filter(inDay)
    .toSorted((a, b) => a.startedAt - b.startedAt)
    .map((run) => runLine(run, readings, left))
  const ofDay = new Set(runs.map((r) => r.run))
  // What was read in a run of the day before stands at its station: it is lost nowhere.
  const loose = readings.filter((r) => r.reading.run === null || !ofDay.has(r.reading.run))
  const notes = records
    .filter((r) => noteTypes.includes(r.type))
    .map((r) => ({ ...lineOf(r), type: r.type as NoteLine['type'], payload: r.payload }))
  const cycles = records.filter(isOf('cycle.judged@1'))
  const stationOf = (payload: unknown) => (payload as { readonly station?: string }).station

  const sheets = stations.toSorted(byPlace).map((s): StationSheet => {
    const racks = cycles.filter((c) => c.payload.station === s.id)
    return {
      station: s.id,
      runs: runs.filter((r) => r.station === s.id),
      readings: loose.filter((r) => r.reading.station === s.id),
      cycles: racks.length > 0 ? cycleSheet(racks) : null,
      notes: notes.filter((n) => stationOf(n.payload) === s.id),
    }
  })
  return {
    ...{ day, from, to, left, signed, reviewed, charge, cases },
    stations: sheets.filter(
      (s) => s.runs.length + s.readings.length + s.notes.length > 0 || s.cycles !== null,
    ),
    readings: loose.filter((r) => r.reading.station === null && r.reading.bath === null),
    baths: records.filter(isOf('bath.mixed@1')).map((r) => ({
      ...lineOf(r),
      mixed: r.payload,
      readings: readings.filter((x) => x.reading.bath === r.payload.bath),
    })),
    checks: records.filter(isOf('instrument.checked@1')).map((r) => ({ ...lineOf(r), checked: r.payload })),
    happened: records.filter(hasHappened).map((r): HappenedLine => {
      const about = aboutOf(r, known.stateOf)
      const line = { ...lineOf(r), ...({ type: r.type, payload: r.payload, about } as Happened) }
      const stands = standsOf(line)
      return { ...line, photos: stands ? photosOf(stands) : [] }
    }),
  }
}

/** When it was: a rack has its own time, its record that of its judging. */
const timeOf = (r: AnyRecord): number =>
  r.type === 'cycle.judged@1' ? r.payload.to : r.observedAt + r.clockOffset

const byPlace = (a: StationState, b: StationState): number =>
  (a.plate?.place ?? '').localeCompare(b.plate?.place ?? '') ||
  Number(a.plate?.tag ?? 0) - Number(b.plate?.tag ?? 0) ||
  a.id.localeCompare(b.id)
