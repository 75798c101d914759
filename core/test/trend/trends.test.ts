import { describe, expect, it } from 'vitest'
import { caseFold } from '../../case/index.ts'
import type { DaySheet, RunLine } from '../../sheet/index.ts'
import { trendsOf } from '../../trend/index.ts'

const hour = 3_600_000
const midnight = Date.parse('2026-11-23T00:00:00Z')
const run = (more: Partial<RunLine>): RunLine => ({
  ...{ run: 'r', station: 'st', procedure: 'slush.close', from: 0, to: null, by: ['bao'] },
  ...{ verdict: null, readings: [], exceptions: [] },
  ...more,
})
const day = (date: string, more: Partial<DaySheet> = {}): DaySheet => ({
  ...{ day: date, from: 0, to: 0, left: [], signed: [], reviewed: [], charge: [], cases: [] },
  ...{ stations: [], readings: [], baths: [], checks: [], happened: [] },
  ...more,
})
const withRuns = (date: string, ...runs: RunLine[]) =>
  day(date, { stations: [{ station: 'st', runs, readings: [], notes: [], cycles: null }] })
const reading = (at: number, verdict: 'in' | 'out') =>
  ({
    ...{ record: `r${at}`, seq: 1, at, by: 'bao', verdict, photos: [] },
    reading: { what: 'cold-product', station: 'st' },
  }) as unknown as DaySheet['readings'][number]

describe('what many days tell', () => {
  it('is how long a machine takes, month by month, by the cleanings that were worked to their end', () => {
    const of = (minutes: number, more: Partial<RunLine> = {}) =>
      run({ from: 0, to: minutes * 60_000, ...more })
    const { work } = trendsOf(
      [
        withRuns('2026-10-30', of(10), of(20), of(60)),
        withRuns('2026-11-02', of(40), of(999, { exceptions: [{ what: 'entered' }] }), run({})),
        withRuns('2026-11-03', of(999, { exceptions: [{ what: 'abandoned', reason: 'x' }] })),
      ],
      'UTC',
    )
    expect(work).toEqual([
      {
        station: 'st',
        procedure: 'slush.close',
        months: [
          { month: '2026-10', cleanings: 3, medianMinutes: 20 },
          { month: '2026-11', cleanings: 1, medianMinutes: 40 },
        ],
      },
    ])
  })
  it('is which checks fail, and at what time of the day there, past midnight too', () => {
    const at = [22, 23, 24, 36].map((h) => midnight + h * hour)
    const { checks } = trendsOf(
      [day('2026-11-23', { readings: [...at.map((t) => reading(t, 'out')), reading(midnight, 'in')] })],
      'Europe/Berlin',
    )
    // 23, 00 and 01 o'clock in Berlin.
    expect(checks).toEqual([{ station: 'st', what: 'cold-product', readings: 5, failed: 4, mostly: 23 }])
    const one = trendsOf([day('2026-11-23', { readings: [reading(midnight, 'out')] })], 'UTC')
    expect(one.checks[0]?.mostly).toBeNull()
  })
  it('is how long corrective actions were open, each once though it stands on several days', () => {
    const open = (id: string, minutes: number | null) => ({
      ...caseFold.initial(id),
      ...{ status: minutes === null ? ('open' as const) : ('closed' as const), what: 'sanitizer' as const },
      ...{ openedAt: 0, closedAt: minutes === null ? null : minutes * 60_000 },
    })
    const cases = [open('a', 10), open('b', 30), open('c', 50), open('d', null)]
    const { cases: told } = trendsOf([day('2026-11-23', { cases }), day('2026-11-24', { cases })], 'UTC')
    expect(told).toEqual([{ what: 'sanitizer', ended: 3, open: 1, medianMinutes: 30, longestMinutes: 50 }])
  })
  it('is what was late, week by week from their Mondays', () => {
    const late = { what: 'late', station: 'st', procedure: 'p', run: 'r' } as const
    const notDone = { what: 'not-done', station: 'st', procedure: 'p' } as const
    const { late: weeks } = trendsOf(
      [day('2026-11-22', { left: [late] }), day('2026-11-23'), day('2026-11-24', { left: [late, notDone] })],
      'UTC',
    )
    expect(weeks).toEqual([
      { week: '2026-11-16', days: 1, late: 1, notDone: 0 },
      { week: '2026-11-23', days: 2, late: 1, notDone: 1 },
    ])
  })
  it('is nothing of nothing', () => {
    expect(trendsOf([], 'UTC')).toEqual({ solutions: [], checks: [], cases: [], work: [], late: [] })
  })
})
