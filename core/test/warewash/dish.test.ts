import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dueList } from '../../duty/index.ts'
import { stationFold } from '../../procedure/index.ts'
import { instant } from '../../quantity/index.ts'
import type { AnyRecord, RecordType, SiteSet } from '../../record/index.ts'
import type { Verdict } from '../../rules/index.ts'
import {
  adviceOf,
  countForecast,
  dishFold,
  dishPredictions,
  doseOutlook,
  figuresOf,
  inDoubt,
  rackRate,
  rinseOutlook,
  traceOf,
  waterDue,
  withRacks,
  type CycleJudged,
  type DishState,
} from '../../warewash/index.ts'

const [minuteMs, dayMs] = [60_000, 86_400_000]
const start = Date.UTC(2026, 10, 2, 12)
const { from: _f, to: _t, ...blank } = figuresOf(traceOf([]), 0)
let seq = 0
const record = (type: RecordType, at: number, payload: object): AnyRecord =>
  ({
    id: `record-${++seq}`,
    type,
    observedAt: at,
    clockOffset: 0,
    by: 'ines',
    payload: { station: 'dish', ...payload },
  }) as unknown as AnyRecord
const cycle = (
  at: number,
  verdict: Verdict | null,
  change: Partial<CycleJudged> = {},
  rinse = 84,
): AnyRecord =>
  record('cycle.judged@1', at + 10_000, {
    cycle: `c-${at}`,
    from: at - 61_000,
    to: at,
    ending: verdict ? 'complete' : 'door',
    racks: verdict ? 1 : 0,
    figures: { ...blank, rinseLow: verdict ? rinse : null },
    judgement: verdict && { overall: verdict },
    conductivity: 2.3,
    replaces: [],
    ...change,
  })
const folded = (...records: AnyRecord[]): DishState =>
  records.reduce((s, r) => dishFold.apply(s, r), dishFold.initial('dish'))
const soon = instant(start + 60 * minuteMs)
const racks = (...verdicts: (Verdict | null)[]) => verdicts.map((v, i) => cycle(start + i * 3 * minuteMs, v))

describe('a dish machine as its records have it', () => {
  it('counts whole cycles since water, cleaning and delime, and starts anew at each', () => {
    const clean = (procedure: string, at: number) => record('run.finished@1', at, { run: 'r', procedure })
    const later = (n: number) => start + n * dayMs
    const state = folded(
      ...racks('in', 'in', null, 'out'),
      record('dish.water-changed@1', later(1), {}),
      cycle(later(1) + 1, 'in'),
      clean('dish-machine.close', later(2)),
      cycle(later(2) + 1, 'in'),
      clean('dish-machine.delime', later(3)),
      cycle(later(3) + 1, 'in'),
      record('rack.tallied@1', later(3) + 2, { racks: 5 }),
      record('rack.tallied@1', later(3) + 3, { racks: -1 }),
    )
    expect(state.total).toBe(10)
    expect(state.since.water.racks).toBe(5)
    expect(state.since.clean.racks).toBe(6)
    expect(state.since.delime).toEqual({ racks: 5, at: later(3) })
    expect(state.days.map((d) => [d.racks, d.failed])).toEqual([
      [3, 1],
      [1, 0],
      [1, 0],
      [5, 0],
    ])
  })
  it('a cycle judged anew takes the place of what stood there, in marks, counts and days', () => {
    const [first, second] = [
      cycle(start, 'in'),
      cycle(start + 90_000, 'cannot-tell', { ending: 'gap', racks: 0 }),
    ]
    const anew = cycle(start + 100_000, 'out', { replaces: [`c-${start}`, `c-${start + 90_000}`], racks: 0 })
    const state = folded(first, second, anew)
    expect(state.marks.map((m) => m.verdict)).toEqual(['out'])
    expect(state.total).toBe(1)
    expect(state.days[0]).toMatchObject({ racks: 1, failed: 1, rinses: 1 })
  })
  it('keeps the last sixty marks, in order of their ends, whatever the order they come in', () => {
    const all = Array.from({ length: 80 }, (_, i) => cycle(start + i * 3 * minuteMs, 'in'))
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e5 }), (seed) => {
        const mixed = all
          .slice(40)
          .toSorted((a, b) => ((a.observedAt * seed) % 991) - ((b.observedAt * seed) % 991))
        const state = folded(...all.slice(0, 40), ...mixed)
        expect(state.marks).toHaveLength(60)
        expect(state.marks.map((m) => m.at)).toEqual(state.marks.map((m) => m.at).toSorted((a, b) => a - b))
        expect(state.total).toBe(80)
      }),
      { numRuns: 20 },
    )
  })
})

/** One that fails: that rack again, and read again. Two: out of use. Back after a check that passes. Common practice, no source. */
describe('what is to be done', () => {
  it.each<[(Verdict | null)[], string]>([
    [[], 'cannot-tell'],
    [['in'], 'serves'],
    [['in', 'too-close'], 'serves'],
    [['in', 'out'], 'rewash'],
    [['in', 'out', null], 'rewash'],
    [['out', 'out'], 'stop'],
    [['out', 'in', 'out'], 'rewash'],
    [['out', null, 'out'], 'stop'],
    [['in', 'cannot-tell'], 'cannot-tell'],
  ])('after %j: %s', (verdicts, advice) => expect(adviceOf(folded(...racks(...verdicts)), soon)).toBe(advice))
  it('what was read a shift ago tells nothing of the next rack', () => {
    const state = folded(...racks('in', 'in'))
    expect(adviceOf(state, instant(start + 12 * 60 * minuteMs))).toBe('serves')
    expect(adviceOf(state, instant(start + 13 * 60 * minuteMs))).toBe('cannot-tell')
  })
  it('racks since the last that passed are in doubt', () => {
    expect(inDoubt(folded(...racks('in', 'in', 'out', 'cannot-tell', 'out')))).toEqual({
      racks: 3,
      since: start + 3 * minuteMs,
    })
    expect(inDoubt(folded(...racks('out', 'out')))).toEqual({ racks: 2, since: null })
  })
  it('racks counted by hand are in doubt like others, until a reading passes', () => {
    const tally = (n: number) => record('rack.tallied@1', start + n, { racks: 3 })
    const read = (at: number, overall: Verdict) =>
      record('reading.taken@1', at, {
        what: 'dish-machine',
        reading: { wash: null, rinse: null, pressure: null },
        judgement: { overall },
      })
    const failed = [tally(0), read(start + 1, 'in'), tally(2), tally(3), read(start + 4, 'out')]
    expect(inDoubt(folded(...failed))).toEqual({ racks: 6, since: start + 1 })
    expect(inDoubt(folded(...failed, read(start + 5, 'in'))).racks).toBe(0)
  })
  it('set aside, it comes back only after a check that passed', () => {
    const at = start + 60 * minuteMs
    const aside = record('dish.set-aside@1', at, {
      way: 'sink',
      inDoubt: 2,
      doubtSince: null,
      rewashed: true,
      note: '',
    })
    const back = (when: number) => record('dish.returned@1', when, { passed: 'x' })
    const failed = racks('out', 'out')
    expect(adviceOf(folded(...failed, aside), soon)).toBe('aside')
    expect(folded(...failed, aside, back(at + 1)).aside).not.toBeNull()
    expect(adviceOf(folded(...failed, aside, cycle(at + minuteMs, 'out')), soon)).toBe('aside')
    const passed = [...failed, aside, cycle(at + 2 * minuteMs, 'in')]
    expect(adviceOf(folded(...passed), soon)).toBe('may-return')
    expect(adviceOf(folded(...passed, back(at + 3 * minuteMs)), soon)).toBe('serves')
    // One that passed and then one that did not is no pass.
    const again = [...passed, cycle(at + 5 * minuteMs, 'out')]
    expect(adviceOf(folded(...again), soon)).toBe('aside')
    expect(folded(...again, back(at + 6 * minuteMs)).aside).not.toBeNull()
  })
})

describe('what comes', () => {
  const days = (n: number, rinse: (day: number) => number) =>
    folded(
      ...Array.from({ length: n * 10 }, (_, i) => {
        const day = Math.floor(i / 10)
        return cycle(start + day * dayMs + (i % 10) * 5 * minuteMs, 'in', {}, rinse(day) + ((i * 7) % 5) / 10)
      }),
    )
  it('a count falls due at the site’s own pace', () => {
    const state = days(6, () => 85)
    const now = instant(start + 6 * dayMs)
    expect(countForecast(state, state.since.delime.racks, 60, now)).toEqual({ left: 0, at: now })
    const ahead = countForecast(state, state.since.delime.racks, 460, now)
    expect(ahead.left).toBe(400)
    expect(((ahead.at ?? 0) - now) / dayMs).toBeCloseTo(40, 0)
    expect(countForecast(folded(), 0, 100, now)).toEqual({ left: 100, at: null })
    expect(rackRate(state, instant(start + 5 * dayMs + 50 * minuteMs)).lastHour).toBe(10)
  })
  it('a rinse that sinks is foretold, and a delime starts it anew', () => {
    const sinking = days(10, (d) => 86 - 0.3 * d)
    const { misses } = rinseOutlook(sinking, 82)
    const first = Math.floor(start / dayMs)
    expect((misses?.day ?? 0) - first).toBeGreaterThan(11)
    expect((misses?.day ?? 0) - first).toBeLessThan(15)
    const [foretold] = dishPredictions(sinking, 82)
    expect(foretold).toMatchObject({ station: 'dish', what: 'rinse' })
    const delimed = dishFold.apply(
      sinking,
      record('run.finished@1', start + 10 * dayMs, { run: 'r', procedure: 'dish-machine.delime' }),
    )
    expect(dishPredictions(delimed, 82)).toEqual([])
    expect(
      dishPredictions(
        days(10, () => 86),
        82,
      ),
    ).toEqual([])
  })
  it('one day that ran cold does not bring the foretold day nearer', () => {
    const sinking = days(10, (d) => 86 - 0.2 * d)
    const cold = dishFold.apply(sinking, cycle(start + 9 * dayMs + 200 * minuteMs, 'out', {}, 55))
    const [before, after] = [rinseOutlook(sinking, 82).misses, rinseOutlook(cold, 82).misses]
    expect(Math.abs((after?.day ?? 0) - (before?.day ?? 0))).toBeLessThan(2)
  })
  it('the racks counted stand on its station, so that what is due by count follows', () => {
    const state = days(3, () => 85)
    const station = {
      ...stationFold.initial('dish'),
      lastRuns: { 'dish-machine.delime': { run: 'r', finishedAt: start, by: 'ines' } },
    }
    const counted = withRacks(station, state)
    expect(counted.counts.racks?.total).toBe(30)
    expect(counted.lastRuns['dish-machine.delime']?.counts?.racks).toBe(0)
    expect(withRacks(station, null)).toBe(station)
  })
})

describe('a duty by count of racks', () => {
  it('falls between milliseconds by its forecast, and is still told in whole ones', () => {
    const every = 97
    const state = folded(
      ...Array.from({ length: 13 }, (_, i) => cycle(start + i * 7 * minuteMs + 1, 'in')),
      record('run.finished@1', start + 100 * minuteMs, { run: 'r', procedure: 'dish-machine.delime' }),
      ...Array.from({ length: 31 }, (_, i) => cycle(start + (101 + i * 7) * minuteMs + 1, 'in')),
    )
    const station = withRacks(
      {
        ...stationFold.initial('dish'),
        plate: {
          name: 'Dish',
          tag: '1',
          place: 'Galley',
          family: 'dish-machine.stationary-dual',
          model: 'Tern',
          parameters: {},
          duties: [
            {
              procedure: 'dish-machine.delime',
              trigger: { kind: 'count', of: 'racks', every },
              rule: 'by count',
            },
          ],
        },
        lastRuns: { 'dish-machine.delime': { run: 'r', finishedAt: start + 100 * minuteMs, by: 'ines' } },
      },
      state,
    )
    const everyDay = Object.fromEntries(
      [1, 2, 3, 4, 5, 6, 7].map((d) => [String(d), { open: '05:30', close: '23:30' }]),
    )
    const site: SiteSet = {
      name: 'Pier',
      timeZone: 'Europe/Dublin',
      hours: everyDay,
      closedDays: [],
      sailings: [],
      units: 'metric',
      freshHours: 4,
      emergencyNumber: '112',
    }
    const [due] = dueList(site, [station], instant(start + 330 * minuteMs))
    expect(Number.isInteger(due?.latest)).toBe(true)
    expect(due?.latest).toBeGreaterThan(start + 330 * minuteMs)
  })
})

describe('a machine that sanitizes by a chemical', () => {
  const test = (at: number, lo: number, hi: number, verdict: Verdict) =>
    record('reading.taken@1', at, {
      what: 'sanitizer',
      atRack: true,
      reading: { strength: { lo, hi } },
      judgement: {
        overall: verdict,
        layers: [
          {
            limits: [{ unit: 'ppm', verdict, limit: { lo: 50, hi: 200 }, reading: { lo, hi } }],
          },
        ],
      },
    })
  const at = (n: number) => start + n * minuteMs
  it('is judged at the rack as well: a hot wash says nothing of a feed that has run out', () => {
    const state = folded(
      test(at(1), 60, 80, 'in'),
      cycle(at(2), 'in'),
      test(at(3), 10, 25, 'out'),
      cycle(at(4), 'in'),
    )
    expect(adviceOf(state, soon, true)).toBe('rewash')
    expect(adviceOf(state, soon)).toBe('serves')
    expect(state.rackTests.map((t) => t.off)).toEqual([null, 'weak'])
    expect(inDoubt(state, true)).toEqual({ racks: 2, since: at(1) })
    const again = folded(test(at(1), 10, 25, 'out'), test(at(3), 300, 400, 'out'), cycle(at(4), 'in'))
    expect(adviceOf(again, soon, true)).toBe('stop')
    expect(again.rackTests.at(-1)?.off).toBe('strong')
  })
  it('was never tested: nobody can tell', () => {
    expect(adviceOf(folded(cycle(at(4), 'in')), soon, true)).toBe('cannot-tell')
  })
  it('set aside over its sanitizer comes back by a test at the rack, not by a hot cycle', () => {
    const aside = record('dish.set-aside@1', at(5), { way: 'sink', inDoubt: 2, rewashed: true, asks: 'ppm' })
    const state = folded(test(at(3), 10, 25, 'out'), aside, cycle(at(6), 'in'))
    expect(adviceOf(state, soon, true)).toBe('aside')
    const tested = dishFold.apply(state, test(at(7), 60, 80, 'in'))
    expect(adviceOf(tested, soon, true)).toBe('may-return')
    expect(dishFold.apply(tested, record('dish.returned@1', at(8), { passed: 'x' })).aside).toBeNull()
  })
  it('goes on by its chemical while its heat fails: that test does not bring its heat back', () => {
    const aside = record('dish.set-aside@1', at(5), { way: 'chemical', inDoubt: 2, rewashed: true })
    expect(adviceOf(folded(aside, test(at(6), 60, 80, 'in')), soon)).toBe('aside')
  })
})

describe('the count between delimes', () => {
  const plate = record('station.set@1', start, {
    family: 'dish-machine.stationary-dual',
    parameters: {},
    duties: [
      { procedure: 'dish-machine.delime', trigger: { kind: 'count', of: 'racks', every: 1000 }, rule: '' },
    ],
  })
  const station = stationFold.apply(stationFold.initial('dish'), plate)
  const delimed = (day: number) =>
    record('run.finished@1', start + day * dayMs, { run: 'r', procedure: 'dish-machine.delime' })
  const tallied = (day: number, n: number) => record('rack.tallied@1', start + day * dayMs, { racks: n })
  const every = (state: DishState) => {
    const [duty] = withRacks(station, state).plate?.duties ?? []
    return duty?.trigger.kind === 'count' ? duty.trigger.every : null
  }
  it('is the model’s until the site has an interval of its own', () =>
    expect(every(folded(tallied(0, 500), delimed(1), tallied(2, 900)))).toBe(1000))
  it('comes sooner where scale was seen before it, by that interval a fifth short', () => {
    const seen = record('sign.seen@1', start + 2.5 * dayMs, { sign: 'scale' })
    const state = folded(tallied(0, 500), delimed(1), tallied(2, 900), seen, delimed(3))
    // Twice the model's 1000, once 900 less a fifth.
    expect(every(state)).toBe(Math.round((2000 + 720) / 3))
    expect(state.scaleSeen).toBe(false)
  })
  it('stays where none was seen', () =>
    expect(every(folded(tallied(0, 500), delimed(1), tallied(2, 900), delimed(3), tallied(4, 1)))).toBe(1000))
})

describe('the wash water', () => {
  const changed = record('dish.water-changed@1', start, {})
  const racksAfter = (n: number) =>
    Array.from({ length: n }, (_, i) => cycle(start + (i + 1) * minuteMs, 'in'))
  const due = (parameters: Record<string, number>, minutes: number, n: number) =>
    waterDue(folded(changed, ...racksAfter(n)), parameters, instant(start + minutes * minuteMs))
  it('is due after so many racks or hours, whichever is first', () => {
    expect(due({ waterRacks: 10 }, 60, 4)).toMatchObject({ every: 10, left: 6 })
    expect(due({ waterHours: 2 }, 60, 4)).toEqual({ every: null, left: null, at: start + 120 * minuteMs })
    expect(due({ waterRacks: 1000, waterHours: 2 }, 60, 4)).toMatchObject({
      left: 996,
      at: start + 120 * minuteMs,
    })
    expect(due({ waterRacks: 1000, waterHours: 2 }, 121, 4)).toMatchObject({ left: 0 })
    expect(due({ waterRacks: 4, waterHours: 2 }, 60, 4)).toMatchObject({ left: 0 })
  })
  it('is not told where its plate says neither, nor by hours where nobody knows when it was changed', () => {
    expect(due({}, 60, 4)).toBeNull()
    expect(waterDue(folded(...racksAfter(2)), { waterHours: 2 }, soon)?.at).toBeNull()
  })
})

describe('the feeds of a machine', () => {
  it('sinking from day to day has its day; one that holds has none', () => {
    const days = (sinks: number) =>
      Array.from({ length: 8 }, (_, d) =>
        Array.from({ length: 4 }, (_, i) =>
          cycle(start + d * dayMs + i * 5 * minuteMs, 'in', {
            conductivity: 2.3 - sinks * d + (i % 2) * 0.01,
          }),
        ),
      ).flat()
    // From 2.3 by 0.02 a day to 85 %, 1.955: a little after the seventeenth day.
    const { misses } = doseOutlook(folded(...days(0.02)), 2.3)
    const first = Math.floor(start / dayMs)
    expect((misses?.day ?? 0) - first).toBeGreaterThan(15)
    expect((misses?.day ?? 0) - first).toBeLessThan(20)
    expect(doseOutlook(folded(...days(0)), 2.3).misses).toBeNull()
  })
  it('are metered each by itself', () => {
    const drawn = (at: number, product: string, millilitres: number) =>
      record('concentrate.drawn@1', start + at * minuteMs, { product, millilitres })
    const state = folded(
      ...racks('in', 'in', 'in'),
      drawn(20, 'soap', 18),
      drawn(21, 'chlor', 9),
      cycle(start + 30 * minuteMs, 'in'),
      drawn(40, 'chlor', 0),
    )
    expect(state.fed.map((f) => [f.product, f.racks])).toEqual([
      ['soap', 3],
      ['chlor', 3],
      ['chlor', 1],
    ])
  })
})
