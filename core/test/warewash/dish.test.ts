import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dueList } from '../../duty/index.ts'
import { stationFold } from '../../procedure/index.ts'
import { instant } from '../../quantity/index.ts'
import type { SiteSet } from '../../house/index.ts'
import type { Verdict } from '../../rules/index.ts'
import {
  adviceOf,
  countForecast,
  dishFold,
  dishPredictions,
  inDoubt,
  rackRate,
  rinseOutlook,
  withRacks,
} from '../../warewash/index.ts'

import { cycle, dayMs, folded, minuteMs, racks, record, soon, start } from './dish-records.ts'

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
  it('counts what is sent back at inspection, of late and by what for; one taken back was none', () => {
    const reject = (n: number, sign: string, pieces = 1) =>
      record('ware.rejected@1', start + n * 60_000, { sign, pieces })
    const state = [
      reject(1, 'soil'),
      reject(2, 'spots'),
      reject(3, 'soil'),
      reject(4, 'soil', -1),
      reject(5, 'suds', -1),
    ].reduce((s, r) => dishFold.apply(s, r), dishFold.initial('dish'))
    expect(state.rejects?.map((r) => r.sign)).toEqual(['soil', 'spots'])
  })
})
