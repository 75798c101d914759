import type { Fold } from '../stream/fold.ts'
import { correctedAt, type AnyRecord } from '../stream/record.ts'
import { readingInCelsius, toKPa, type Interval } from '../quantity/index.ts'
import type { ReadingTaken } from '../reading/reading.ts'
import type { Verdict } from '../rules/index.ts'
import type { Fed } from './detergent.ts'
import type { DelimeInterval } from './scale.ts'
import type { CycleJudged, RejectSign, WayOn } from './records.ts'
import type { Ending } from './split.ts'

/** One cycle, or one reading by hand, as the strip of marks shows it. */
export interface Mark {
  /** The cycle's key, or the record's id. */
  readonly key: string
  readonly by: 'probe' | 'hand'
  /** The record's id. */
  readonly record: string
  readonly at: number
  readonly ending: Ending
  readonly verdict: Verdict | null
  readonly washLow: number | null
  readonly rinseLow: number | null
  readonly rinseHigh: number | null
  readonly pressureLow: number | null
  readonly pressureHigh: number | null
  readonly missing: number
  readonly stuck: boolean
  readonly conductivity: number | null
  /** Heat dose at the manifold, s at 80 °C: a help, decides nothing. */
  readonly a0: number | null
}

/** Sanitizer read at the rack, where a machine sanitizes by it. */
export interface RackTest {
  readonly record: string
  readonly at: number
  readonly verdict: Verdict
  /** ppm; null where the strip told none. */
  readonly ppm: Interval | null
  /** On which side of its limits it lies, where it is out. */
  readonly off: 'weak' | 'strong' | null
}

/** What one day came to. */
export interface DishDay {
  /** Days since 1970, UTC. */
  readonly day: number
  readonly racks: number
  readonly failed: number
  /** Of the lowest held in each rinse, °C: how many, and their sum; and the lowest of all. */
  readonly rinses: number
  readonly rinseSum: number
  readonly rinseLow: number | null
  /** The tank's conductivity after each rack, mS/cm: how many, and their sum. */
  readonly doses: number
  readonly doseSum: number
}

/** Racks since something. */
export interface Since {
  readonly racks: number
  /** Null where it is not known to have been done. */
  readonly at: number | null
}

export interface DishState {
  readonly id: string
  /** The last of them, oldest first. */
  readonly marks: readonly Mark[]
  /** The last of them, oldest first. */
  readonly rackTests: readonly RackTest[]
  /** What meters of its feeds counted: the last stretches, oldest first; and the racks counted by then, by product. */
  readonly fed: readonly Fed[]
  readonly fedTotals: Readonly<Record<string, number>>
  readonly days: readonly DishDay[]
  /** Racks by hour since 1970, UTC: the last two days. */
  readonly hours: readonly (readonly [number, number])[]
  readonly total: number
  /** Racks counted by hand since the last that passed. */
  readonly tallied: number
  readonly since: { readonly water: Since; readonly clean: Since; readonly delime: Since }
  /** The last intervals from delime to delime, oldest first; and whether scale was seen since the last. */
  readonly delimes: readonly DelimeInterval[]
  readonly scaleSeen: boolean
  readonly lastAt: number | null
  /** Ware sent back at inspection, the newest last; absent where none was. */
  readonly rejects?: readonly { readonly at: number; readonly sign: RejectSign }[]
  /** Out of use for sanitizing; null while it serves. */
  readonly aside: {
    readonly at: number
    readonly by: string
    readonly way: WayOn
    readonly inDoubt: number
    /** Whether the racks in doubt were washed again by then. */
    readonly rewashed: boolean
    /** Whether a test of the sanitizer at the rack brings it back, rather than a hot cycle. */
    readonly asks: 'ppm' | 'heat'
  } | null
}

/** So many marks are kept, days, hours. */
const kept = { marks: 60, rejects: 60, rackTests: 12, fed: 48, delimes: 6, days: 130, hours: 48 } as const
const [hourMs, dayMs] = [3_600_000, 86_400_000]
const never: Since = { racks: 0, at: null }

/** A dish machine as its cycles, tallies and decisions have it. */
export const dishFold: Fold<DishState> = {
  initial: (id) => ({
    id,
    marks: [],
    rackTests: [],
    fed: [],
    fedTotals: {},
    days: [],
    hours: [],
    total: 0,
    tallied: 0,
    since: { water: never, clean: never, delime: never },
    delimes: [],
    scaleSeen: false,
    lastAt: null,
    aside: null,
  }),
  apply(state, record) {
    const at = correctedAt(record)
    switch (record.type) {
      case 'cycle.judged@1':
        return withCycle(state, record, record.payload)
      case 'reading.taken@1':
        return withReading(state, record, at)
      case 'rack.tallied@1': {
        const tallied = Math.max(0, state.tallied + record.payload.racks)
        return counted({ ...state, tallied }, record.payload.racks, at)
      }
      case 'ware.rejected@1': {
        const { sign, pieces } = record.payload
        const before = state.rejects ?? []
        const rejects =
          pieces > 0
            ? [...before, { at, sign }].slice(-kept.rejects)
            : before.toSpliced(
                before.findLastIndex((r) => r.sign === sign),
                before.some((r) => r.sign === sign) ? 1 : 0,
              )
        return { ...state, rejects }
      }
      case 'sign.seen@1':
        return record.payload.sign === 'scale' ? { ...state, scaleSeen: true } : state
      case 'concentrate.drawn@1': {
        const { product, millilitres } = record.payload
        const racks = Math.max(0, state.total - (state.fedTotals[product] ?? 0))
        const fed = [...state.fed, { product, at, millilitres, racks }].slice(-kept.fed)
        return { ...state, fed, fedTotals: { ...state.fedTotals, [product]: state.total } }
      }
      case 'dish.water-changed@1':
        return { ...state, since: { ...state.since, water: { racks: 0, at } } }
      case 'dish.set-aside@1': {
        const { way, inDoubt, rewashed, asks = 'heat' } = record.payload
        return { ...state, aside: { at, by: record.by, way, inDoubt, rewashed, asks } }
      }
      case 'dish.returned@1':
        return { ...state, aside: mayReturn(state) ? null : state.aside }
      case 'run.finished@1':
        return afterRun(state, record.payload.procedure ?? '', at)
      default:
        return state
    }
  },
}

/** Whole cycles and readings by hand, oldest first. */
export const judgedMarks = (state: DishState): readonly Mark[] =>
  state.marks.filter((m) => m.verdict !== null)

/** Whether the last check since it was set aside passed. */
export function mayReturn(state: DishState): boolean {
  const last = state.aside?.asks === 'ppm' ? state.rackTests.at(-1) : judgedMarks(state).at(-1)
  return state.aside !== null && last?.verdict === 'in' && last.at > state.aside.at
}

function withCycle(state: DishState, record: AnyRecord, cycle: CycleJudged): DishState {
  const { figures } = cycle
  const gone = new Set([cycle.cycle, ...cycle.replaces])
  const again = state.marks.filter((m) => gone.has(m.key))
  const mark: Mark = {
    key: cycle.cycle,
    by: 'probe',
    record: record.id,
    at: cycle.to,
    ending: cycle.ending,
    verdict: cycle.judgement?.overall ?? null,
    washLow: figures.washLow,
    rinseLow: figures.rinseLow,
    rinseHigh: figures.rinseHigh,
    pressureLow: figures.pressureLow,
    pressureHigh: figures.pressureHigh,
    missing: figures.missing,
    stuck: figures.stuck.length > 0,
    conductivity: cycle.conductivity,
    a0: figures.a0,
  }
  const marked = put({ ...state, marks: state.marks.filter((m) => !gone.has(m.key)) }, mark)
  return dayed(counted(marked, cycle.racks, cycle.to), mark, again)
}

function withReading(
  state: DishState,
  record: AnyRecord & { type: 'reading.taken@1' },
  at: number,
): DishState {
  const { payload } = record
  if (payload.what === 'sanitizer') return withRackTest(state, record.id, payload, at)
  if (payload.what !== 'dish-machine') return state
  const { wash, rinse, pressure, pressureUnit } = payload.reading
  const kPa = (end: number | null | undefined) =>
    end === null || end === undefined ? null : pressureUnit === 'psi' ? toKPa(end) : end
  const celsius = (t: typeof wash, end: 'lo' | 'hi') => {
    const value = t?.reading[end] ?? null
    return value === null ? null : readingInCelsius({ value, unit: t?.unit ?? '°C' })
  }
  return put(state, {
    key: record.id,
    by: 'hand',
    record: record.id,
    at,
    ending: 'complete',
    verdict: payload.judgement.overall,
    washLow: celsius(wash, 'lo'),
    rinseLow: celsius(rinse, 'lo'),
    rinseHigh: celsius(rinse, 'hi'),
    pressureLow: kPa(pressure?.lo),
    pressureHigh: kPa(pressure?.hi),
    missing: 0,
    stuck: false,
    conductivity: null,
    a0: null,
  })
}

function withRackTest(
  state: DishState,
  record: string,
  { reading, judgement }: ReadingTaken & { what: 'sanitizer' },
  at: number,
): DishState {
  const out = judgement.layers
    .flatMap((l) => l.limits)
    .find((l) => !l.struck && l.verdict === 'out' && l.unit === 'ppm')
  const below = (out?.reading?.hi ?? Number.POSITIVE_INFINITY) < (out?.limit?.lo ?? Number.NEGATIVE_INFINITY)
  const test: RackTest = {
    record,
    at,
    verdict: judgement.overall,
    ppm: reading.strength,
    off: out ? (below ? 'weak' : 'strong') : null,
  }
  const rackTests = [...state.rackTests.filter((t) => t.record !== record), test]
    .sort((a, b) => a.at - b.at)
    .slice(-kept.rackTests)
  const tallied = judgement.overall === 'in' || judgement.overall === 'too-close' ? 0 : state.tallied
  return { ...state, rackTests, tallied, lastAt: Math.max(state.lastAt ?? 0, at) }
}

function put(state: DishState, mark: Mark): DishState {
  const marks = [...state.marks, mark].sort((a, b) => a.at - b.at || (a.key < b.key ? -1 : 1))
  const passed = mark.verdict === 'in' || mark.verdict === 'too-close'
  const tallied = passed ? 0 : state.tallied
  return { ...state, tallied, marks: marks.slice(-kept.marks), lastAt: Math.max(state.lastAt ?? 0, mark.at) }
}

function counted(state: DishState, racks: number, at: number): DishState {
  if (racks === 0) return state
  // A file may bring racks of long ago: what was done since has them behind it.
  const more = (s: Since): Since =>
    s.at !== null && at <= s.at ? s : { ...s, racks: Math.max(0, s.racks + racks) }
  const { water, clean, delime } = state.since
  const hour = Math.floor(at / hourMs)
  const was = state.hours.find(([h]) => h === hour)?.[1] ?? 0
  const hours = [...state.hours.filter(([h]) => h !== hour), [hour, Math.max(0, was + racks)] as const]
  return {
    ...state,
    total: Math.max(0, state.total + racks),
    since: { water: more(water), clean: more(clean), delime: more(delime) },
    hours: hours.sort((a, b) => a[0] - b[0]).slice(-kept.hours),
    days: onDay(state.days, at, (d) => ({ ...d, racks: Math.max(0, d.racks + racks) })),
    lastAt: Math.max(state.lastAt ?? 0, at),
  }
}

/** The day's rinses, with what a mark that is judged anew had put there taken out. */
function dayed(state: DishState, mark: Mark, before: readonly Mark[]): DishState {
  const add = (days: readonly DishDay[], m: Mark, by: 1 | -1) =>
    onDay(days, m.at, (d) => ({
      ...d,
      failed: d.failed + (m.verdict === 'out' ? by : 0),
      rinses: d.rinses + (m.rinseLow === null || m.verdict === null ? 0 : by),
      rinseSum: d.rinseSum + (m.verdict === null ? 0 : by * (m.rinseLow ?? 0)),
      rinseLow: by < 0 || m.verdict === null ? d.rinseLow : least(d.rinseLow, m.rinseLow),
      doses: d.doses + (m.conductivity === null || m.verdict === null ? 0 : by),
      doseSum: d.doseSum + (m.verdict === null ? 0 : by * (m.conductivity ?? 0)),
    }))
  const days = before.reduce((all, m) => add(all, m, -1), state.days)
  return { ...state, days: add(days, mark, 1) }
}

const least = (a: number | null, b: number | null) => (a === null ? b : b === null ? a : Math.min(a, b))

function onDay(days: readonly DishDay[], at: number, change: (d: DishDay) => DishDay): readonly DishDay[] {
  const day = Math.floor(at / dayMs)
  const found = days.find((d) => d.day === day)
  const blank = { day, racks: 0, failed: 0, rinses: 0, rinseSum: 0, rinseLow: null, doses: 0, doseSum: 0 }
  const changed = change(found ?? blank)
  return [...days.filter((d) => d.day !== day), changed].sort((a, b) => a.day - b.day).slice(-kept.days)
}

/** The day's cleaning empties the tank too; a delime takes the scale. */
function afterRun(state: DishState, procedure: string, at: number): DishState {
  const fresh = { racks: 0, at }
  if (procedure.endsWith('.close')) return { ...state, since: { ...state.since, water: fresh, clean: fresh } }
  if (!procedure.endsWith('.delime')) return state
  const { delime } = state.since
  // Before the first that is known, nobody knows how long it was.
  const interval = delime.at === null ? [] : [{ racks: delime.racks, scaleSeen: state.scaleSeen }]
  return {
    ...state,
    since: { ...state.since, water: fresh, delime: fresh },
    delimes: [...state.delimes, ...interval].slice(-kept.delimes),
    scaleSeen: false,
  }
}
