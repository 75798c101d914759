import { describe, expect, it } from 'vitest'
import { caseFold } from '../../case/index.ts'
import { runFold, stationFold, type RunState } from '../../procedure/index.ts'
import {
  daySheet,
  exceptionsOf,
  onlyOf,
  readingsOf,
  sheetTypes,
  stationPeriods,
  type DaySheet,
  type SheetKnown,
} from '../../sheet/index.ts'
import type { AnyRecord } from '../../stream/index.ts'
import { plate, readingRecord, recordOf } from '../records.ts'

const minute = 60_000
const run = (change: Partial<RunState> = {}): RunState => ({
  ...runFold.initial('r1'),
  status: 'finished',
  station: 'st',
  procedure: { id: 'slush.close', version: 1 },
  startedAt: 10 * minute,
  startedBy: 'bao',
  endedAt: 40 * minute,
  done: { a: { at: 11 * minute, by: 'bao', facts: {} }, b: { at: 12 * minute, by: 'wen', facts: {} } },
  ...change,
})
const station = (id: string, place: string, tag: string) => ({
  ...stationFold.initial(id),
  plate: { ...plate, place, tag },
})
const known = (change: Partial<SheetKnown> = {}): SheetKnown => ({
  day: '2026-11-26',
  from: 0,
  to: 1440 * minute,
  records: [],
  amendments: [],
  runs: [],
  cases: [],
  stations: [station('st', 'Kiosk', '2'), station('zz', 'Bar', '10'), station('aa', 'Bar', '9')],
  left: [],
  signed: [],
  reviewed: [],
  charge: [],
  stateOf: () => undefined,
  ...change,
})
const inRun = (at: number, pick: number) => readingRecord(at, 'r1', { matches: pick }, null)
const loose = (at: number, on: string | null, n = at): AnyRecord => {
  const made = readingRecord(at, 'none', { matches: 150 }, null)
  const payload = { ...made.payload, run: null, step: null, station: on } as never
  return recordOf(at, 'reading.taken@1', { kind: 'station', id: on ?? 'none' }, payload, n)
}
const amended = (target: AnyRecord, instead: unknown): SheetKnown['amendments'][number] =>
  recordOf(600, 'record.amended@1', target.subject, {
    target: target.id,
    targetType: target.type,
    subjects: [],
    instead,
    reason: 'typed one zero too many',
  }) as SheetKnown['amendments'][number]
const stationOf = (sheet: DaySheet, id: string) => sheet.stations.find((s) => s.station === id)
const onlyRun = (state: RunState, more: Partial<SheetKnown> = {}) =>
  stationOf(daySheet(known({ runs: [state], ...more })), 'st')?.runs[0]
const reading = (verdict: 'in' | 'out', at = 1) => ({ record: `x${at}`, at, verdict, case: null })

describe('a cleaning on a day’s sheet', () => {
  it('is one line: from, to, everybody who did a step of it, in their order', () =>
    expect(onlyRun(run())).toMatchObject({
      from: 10 * minute,
      to: 40 * minute,
      by: ['bao', 'wen'],
      verdict: null,
      exceptions: [],
    }))
  it('has the strictest verdict of what each check said last, and tells what failed before', () => {
    const checks = { c: [reading('out', 1), reading('in', 2)], d: [reading('in', 3)] }
    expect(onlyRun(run({ readings: checks }))).toMatchObject({
      verdict: 'in',
      exceptions: [{ what: 'failed-first', checks: 1 }],
    })
    const ended = { ...checks, d: [reading('in', 3), reading('out', 4)] }
    expect(onlyRun(run({ readings: ended }))?.verdict).toBe('out')
  })
  it('never passes for want of a check', () =>
    expect(onlyRun(run({ readings: { c: [] } }))?.verdict).toBeNull())
  it.each([
    ['entered later', { entered: true }, { what: 'entered' }],
    ['not finished', { endedAt: null, status: 'running' as const }, { what: 'unfinished' }],
    ['stopped', { status: 'abandoned' as const, reason: 'rush' }, { what: 'abandoned', reason: 'rush' }],
    [
      'begun as it was',
      { startOverridden: { by: 'ines', reason: 'seen' } },
      { what: 'begun-as-it-was', by: 'ines', reason: 'seen' },
    ],
    [
      'gone on from too early',
      {
        done: {
          w: {
            at: 1,
            by: 'bao',
            facts: {},
            short: { ms: 60_000, leastMs: 300_000 },
            overridden: { by: 'ines', reason: 'queue' },
          },
        },
      },
      { what: 'not-sanitized', step: 'w', ms: 60_000, leastMs: 300_000, by: 'ines', reason: 'queue' },
    ],
    [
      'stopped for a part',
      { stop: { why: 'part-missing' as const, step: 'p', what: 'ring', at: 1, by: 'bao' } },
      { what: 'stopped', step: 'p', why: 'part-missing' },
    ],
  ])('that was %s says so', (_, change, exception) =>
    expect(onlyRun(run(change))?.exceptions).toContainEqual(exception),
  )
  it('is late where the day says that it is, and no other of the same procedure with it', () => {
    const left = [{ what: 'late', station: 'st', procedure: 'slush.close', run: 'r1' }] as const
    const runs = [run(), run({ id: 'r2', startedAt: 11 * minute })]
    const lines = stationOf(daySheet(known({ runs, left })), 'st')?.runs
    expect(lines?.map((r) => [r.run, r.exceptions.map((e) => e.what)])).toEqual([
      ['r1', ['late']],
      ['r2', []],
    ])
  })
  it('belongs to the day on which it began, not to the one on which it ended', () => {
    expect(onlyRun(run({ startedAt: -1, endedAt: 40 * minute }))).toBeUndefined()
    expect(onlyRun(run({ startedAt: 1439 * minute, endedAt: 1500 * minute }))).toBeDefined()
  })
})

describe('the readings of a day', () => {
  it('stand with their run, or with their station, or by themselves; each once', () => {
    const records = [inRun(20, 150), loose(5, 'st'), loose(6, null), loose(4, 'zz')]
    const sheet = daySheet(known({ records, runs: [run()] }))
    expect(stationOf(sheet, 'st')?.runs[0]?.readings).toHaveLength(1)
    expect(stationOf(sheet, 'st')?.readings).toHaveLength(1)
    expect(sheet.readings).toHaveLength(1)
    expect(readingsOf(sheet).map((r) => r.at / minute)).toEqual([4, 5, 6, 20])
  })
  it('in a run that began the day before stand at their station: none is lost between two days', () => {
    const sheet = daySheet(known({ records: [inRun(20, 150)], runs: [run({ startedAt: -5 })] }))
    expect(stationOf(sheet, 'st')?.runs).toEqual([])
    expect(stationOf(sheet, 'st')?.readings).toHaveLength(1)
  })
  it('that were amended show both, and count as what they were amended to', () => {
    const [wrong, right] = [inRun(20, 50), inRun(21, 150)]
    const sheet = daySheet(
      known({ records: [wrong], runs: [run()], amendments: [amended(wrong, right.payload)] }),
    )
    const [line] = readingsOf(sheet)
    expect(line?.verdict).toBe('in')
    expect(line?.reading).toEqual(wrong.payload)
    expect(line?.amended).toMatchObject({ reason: 'typed one zero too many', instead: right.payload })
  })
  it('that were taken back stay in sight and count for nothing', () => {
    const wrong = inRun(20, 50)
    const sheet = daySheet(known({ records: [wrong], runs: [run()], amendments: [amended(wrong, null)] }))
    expect(readingsOf(sheet).map((r) => r.verdict)).toEqual([null])
    expect(stationPeriods([sheet])[0]).toMatchObject({ readings: 0, notIn: 0 })
  })
  it('carry the photos of their step, and no others', () => {
    const taken = (step: string, sha256: string) =>
      recordOf(
        22,
        'photo.attached@1',
        { kind: 'run', id: 'r1' },
        { station: 'st', run: 'r1', step, sha256, note: '' },
        7,
      )
    const records = [inRun(20, 150), taken('sanitizer-check', 'a'.repeat(64)), taken('other', 'b'.repeat(64))]
    expect(readingsOf(daySheet(known({ records, runs: [run()] })))[0]?.photos).toEqual(['a'.repeat(64)])
  })
})

describe('a day’s sheet', () => {
  it('has the stations at which anything happened, by their places, then their tags as numbers', () => {
    const records = ['st', 'zz', 'aa'].map((id, i) => loose(i, id))
    expect(daySheet(known({ records })).stations.map((s) => s.station)).toEqual(['aa', 'zz', 'st'])
    expect(daySheet(known()).stations).toEqual([])
  })
  it('counts racks as they were judged last, and what was cut short as no rack', () => {
    const rack = (cycle: string, at: number, overall: 'in' | 'out' | null, replaces: string[] = []) =>
      recordOf(at, 'cycle.judged@1', { kind: 'dish', id: 'st' }, {
        ...{ station: 'st', cycle, from: at, to: at * minute, ending: 'whole', racks: 1 },
        figures: { washLow: 66, rinseLow: 83 },
        judgement: overall && { overall, layers: [], missing: [], profile: { id: 'p', version: 1 } },
        ...{ conductivity: null, replaces },
      } as never)
    const records = [rack('a', 1, 'out'), rack('b', 2, 'in'), rack('c', 3, null), rack('a2', 4, 'in', ['a'])]
    const cycles = stationOf(daySheet(known({ records })), 'st')?.cycles
    expect(cycles?.counts).toEqual({ in: 2, out: 0, 'too-close': 0, 'cannot-tell': 0, 'cut-short': 1 })
    expect(cycles?.points.map((p) => p.at / minute)).toEqual([2, 4])
  })
  it('has the racks of its own time, whenever they were judged', () => {
    const judgedAt = (to: number) =>
      recordOf(500, 'cycle.judged@1', { kind: 'dish', id: 'st' }, {
        ...{ station: 'st', cycle: `c${to}`, from: to, to, ending: 'whole', racks: 1 },
        figures: { washLow: 66, rinseLow: 83 },
        judgement: { overall: 'in', layers: [], missing: [], profile: { id: 'p', version: 1 } },
        ...{ conductivity: null, replaces: [] },
      } as never)
    const records = [judgedAt(5 * minute), judgedAt(2000 * minute), judgedAt(-1)]
    expect(stationOf(daySheet(known({ records })), 'st')?.cycles?.points).toHaveLength(1)
  })
  it('asks the log for all that it is made of', () => {
    expect(sheetTypes).toContain('reading.taken@1')
    expect(new Set(sheetTypes).size).toBe(sheetTypes.length)
  })
  it('of one station leaves out what belongs to others, and what nobody can place', () => {
    const left = [
      { what: 'not-done', station: 'zz', procedure: 'slush.close' },
      { what: 'case', station: null, case: 'c' },
    ] as const
    const sheet = daySheet(known({ records: [loose(1, 'st'), loose(2, 'zz'), loose(3, null)], left }))
    const only = onlyOf(sheet, ['zz'])
    expect(only.stations.map((s) => s.station)).toEqual(['zz'])
    expect([only.left.length, only.readings.length]).toEqual([1, 0])
    expect(onlyOf(sheet, [])).toBe(sheet)
  })
})

describe('a station over some days', () => {
  it('adds up, and its last cleaning is the last that was finished', () => {
    const day = (at: number, change: Partial<RunState>) =>
      daySheet(known({ runs: [run({ startedAt: at, endedAt: at + 1, ...change })] }))
    const days = [
      day(1, { id: 'first' }),
      day(2, { id: 'second' }),
      day(3, { id: 'third', status: 'abandoned' }),
    ]
    expect(stationPeriods(days)).toMatchObject([{ station: 'st', cleanings: 3, last: { run: 'second' } }])
  })
})

describe('what of a day is looked at first', () => {
  const checks = { c: [reading('out', 1), reading('in', 2)] }
  it('is every cleaning with an exception, and every reading that was put right; the rest is routine', () => {
    const wrong = inRun(20, 50)
    const sheet = daySheet(
      known({
        records: [wrong],
        amendments: [amended(wrong, null)],
        runs: [run({ readings: checks }), run({ id: 'r2' })],
      }),
    )
    const { runs, amended: put } = exceptionsOf(sheet)
    expect(runs.map((r) => r.run)).toEqual(['r1'])
    expect(put.map((r) => r.record)).toEqual([wrong.id])
  })
  it('counts what a cleaning tells once, with its corrective action and its lateness', () => {
    const opened = { ...caseFold.initial('k'), run: 'r1', station: 'st' }
    const left = [
      { what: 'late', station: 'st', procedure: 'slush.close', run: 'r1' },
      { what: 'not-done', station: 'zz', procedure: 'slush.close' },
      { what: 'case', station: 'st', case: 'k' },
    ] as const
    const sheet = daySheet(known({ runs: [run({ readings: checks })], cases: [opened], left }))
    expect(exceptionsOf(sheet).count).toBe(2)
    expect(exceptionsOf(daySheet(known({ cases: [{ ...opened, run: null }] }))).count).toBe(1)
    expect(exceptionsOf(daySheet(known({ runs: [run()] }))).count).toBe(0)
  })
})
