import { describe, expect, it } from 'vitest'
import { draftOfPlanning, planningFault, planningFrom } from '../src/house/planning-draft.ts'
import { jobsOf, laidOut, minutesOf } from '../src/plan/jobs.ts'
import type { Bar, PersonLane } from '../src/plan/lanes.ts'
import { lineHeight, rowsOf } from '../src/plan/sheet-lines.ts'

const minute = 60_000
const bar = (person: string, of: string, from: number, to: number, more: Partial<Bar> = {}): Bar => ({
  key: `${of} ${from}`,
  run: of,
  of,
  procedure: 'p',
  station: of,
  place: 'Kiosk',
  person,
  by: null,
  from: from * minute,
  to: to * minute,
  title: `work at ${from}`,
  state: 'planned',
  pinned: false,
  ...more,
})
const lane = (person: string, ...bars: Bar[]): PersonLane => ({
  person,
  away: false,
  leaves: null,
  bars,
  ropes: [{ key: bars[0]?.key ?? '', from: 10 * minute, to: 30 * minute, title: 'Soak', minutes: 20 }],
  calls: [],
})

describe('a job of the sheet', () => {
  const ana = lane('ana', bar('ana', 'slush', 0, 10), bar('ana', 'urn', 12, 20), bar('ana', 'slush', 30, 40))
  const ben = lane('ben', bar('ben', 'slush', 15, 18), bar('ben', 'urn', 50, 60))
  const [slush, urn] = jobsOf(ana, [ana, ben])
  it('is one run of one person, its waits inside, others’ visits as marks', () => {
    expect(slush?.parts.map((p) => [p.kind, p.from / minute, p.to / minute, p.title])).toEqual([
      ['work', 0, 10, 'work at 0'],
      ['wait', 10, 30, 'Soak'],
      ['work', 30, 40, 'work at 30'],
    ])
    expect(slush?.visits).toEqual([{ person: 'ben', at: 15 * minute }])
    // Ben is at the urn after she is done with it.
    expect(urn?.visits).toEqual([])
    expect(slush && minutesOf(slush, 0)).toEqual({ work: 20, wait: 20 })
    expect(slush && minutesOf(slush, 35 * minute)).toEqual({ work: 5, wait: 0 })
  })
  it('is under way once part of it is done, and done when all of it is', () => {
    const begun = lane(
      'ana',
      bar('ana', 'slush', 0, 10, { state: 'done', run: 'r1' }),
      bar('ana', 'slush', 30, 40),
    )
    expect(jobsOf(begun, [begun])).toMatchObject([{ state: 'running', run: 'slush' }])
    const ended = lane('ana', bar('ana', 'slush', 0, 10, { state: 'done' }))
    expect(jobsOf(ended, [ended])).toMatchObject([{ state: 'done' }])
  })
  it('stands in the first line of its row where its name lies over no other', () => {
    if (!slush || !urn) throw new Error('two jobs')
    expect(laidOut([slush, urn], (j) => [j.from, j.to]).map((l) => l.line)).toEqual([0, 1])
    expect(laidOut([slush, urn], () => [0, 0]).map((l) => l.line)).toEqual([0, 0])
    const rows = rowsOf(
      [
        { person: 'ana', jobs: [slush, urn] },
        { person: 'ben', jobs: [] },
      ],
      () => ({ name: 'Kiosk slush', what: 'close' }),
      (at) => at / minute,
      1000,
      60,
    )
    expect(rows.map((r) => r.height)).toEqual([2 * lineHeight + 10, 60])
    expect(rows[1]?.top).toBe((rows[0]?.top ?? 0) + (rows[0]?.height ?? 0))
    // At the right edge the words begin before the bar: they end in the sheet.
    const [edge] = rowsOf(
      [{ person: 'ana', jobs: [slush] }],
      () => ({ name: 'Kiosk slush', what: '' }),
      () => 990,
      1000,
      60,
    )
    expect(edge?.laid[0]?.at).toBeLessThan(990)
  })
})

describe('what a site asks of its plans', () => {
  const isTime = (text: string) => /^\d\d:\d\d$/.test(text)
  it('comes back from the form as it was', () => {
    const asked = {
      wish: 'even',
      neverAlone: true,
      keys: true,
      closedBy: '24:30',
      breaks: { hours: 6, minutes: 20 },
      placeAreas: { sink: 'Galley' },
    } as const
    expect(planningFrom(draftOfPlanning(asked))).toEqual(asked)
    expect(planningFrom(draftOfPlanning())).toEqual({ wish: 'home-soonest' })
    expect(planningFault(draftOfPlanning(asked), isTime)).toBeNull()
  })
  it.each([
    ['a time that is none', { closedBy: 'late' }, 'closedBy'],
    ['a break of no minutes', { breakHours: 6, breakMinutes: null }, 'breaks'],
    ['minutes after no hours', { breakHours: null, breakMinutes: 20 }, 'breaks'],
    ['too many hours', { breakHours: 40, breakMinutes: 20 }, 'breaks'],
  ])('with %s is refused', (_, typed, fault) => {
    expect(planningFault({ ...draftOfPlanning(), ...typed }, isTime)).toBe(fault)
  })
})
