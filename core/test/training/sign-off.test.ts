import { describe, expect, it } from 'vitest'
import {
  countsAsDone,
  countsAsShown,
  isOnShift,
  isReady,
  signOffFault,
  standingOf,
  standsByFault,
  stillToShow,
  usualTraining,
} from '../../training/index.ts'
import { by, close, day, personOf, runBy, signed } from './made.ts'

const able = standingOf(personOf('ines', [signed('ada', 0, 'ines', null)], day), close)
const unable = standingOf(personOf('ines', [], day), close)
const stands = {
  run: runBy(['bo']),
  learner: 'bo',
  watcher: 'ines',
  standing: able,
  onShift: true,
}

describe('who counts as standing by', () => {
  it('somebody signed off, on shift, who is not the one that works', () =>
    expect(standsByFault(stands)).toBeNull())
  it.each([
    ['not who works', { watcher: 'bo' }, 'watch_self'],
    ['not who is not signed off', { standing: unable }, 'watch_not_signed_off'],
    ['not who is not on shift', { onShift: false }, 'watch_not_on_shift'],
    ['not at a run that is over', { run: runBy(['bo'], 'finished') }, 'watch_run_over'],
    ['not where another works', { run: runBy(['wen']) }, 'watch_not_working'],
  ] as const)('%s', (_, change, code) => expect(standsByFault({ ...stands, ...change })).toBe(code))
})

describe('on shift', () => {
  const roster = (from: string, to: string, away = false) => [
    { day: '2026-11-26', shifts: [{ person: 'bo', from, to, breaks: [], away }] },
  ]
  const at = (time: string) => Date.parse(`2026-11-${time}:00Z`)
  it.each([
    ['in the hours', roster('16:00', '24:00'), '26T20:00', true],
    ['a little early', roster('16:00', '24:00'), '26T15:20', true],
    ['hours before', roster('16:00', '24:00'), '26T12:00', false],
    ['past midnight, written past 24:00', roster('16:00', '26:00'), '27T01:30', true],
    ['past midnight, written as the clock says', roster('22:00', '06:00'), '27T05:00', true],
    ['reported sick', roster('16:00', '24:00', true), '26T20:00', false],
    ['not on the roster', [], '26T20:00', false],
  ])('%s', (_, rosters, time, is) => expect(isOnShift('bo', rosters, at(time), 'UTC')).toBe(is))
  it('in summer time as by the clock on the wall', () => {
    const rosters = [
      { day: '2026-07-01', shifts: [{ person: 'bo', from: '16:00', to: '20:00', breaks: [] }] },
    ]
    expect(isOnShift('bo', rosters, Date.parse('2026-07-01T13:30:00Z'), 'Europe/Berlin')).toBe(true)
    expect(isOnShift('bo', rosters, Date.parse('2026-07-01T19:30:00Z'), 'Europe/Berlin')).toBe(false)
  })
})

describe('a run under somebody’s eyes', () => {
  it('counts once it is finished and most of its steps were the learner’s', () => {
    expect(countsAsDone(runBy(['bo', 'bo', 'ines'], 'finished'), 'bo')).toBe(true)
    expect(countsAsDone(runBy(['bo', 'bo', 'ines']), 'bo')).toBe(false)
    expect(countsAsDone(runBy(['bo', 'ines', 'ines'], 'finished'), 'bo')).toBe(false)
    expect(countsAsDone(runBy([], 'finished'), 'bo')).toBe(false)
    expect(countsAsDone({ ...runBy(['bo'], 'finished'), entered: true }, 'bo')).toBe(false)
  })
  it('counts as seen where who says so did it, and could do it alone', () => {
    const done = runBy(['ines', 'ines', 'bo'], 'finished')
    expect(countsAsShown(done, 'ines')).toBe(true)
    expect(countsAsShown(done, 'wen')).toBe(false)
    expect(countsAsShown({ ...done, learner: 'ines' }, 'ines')).toBe(false)
    expect(countsAsShown(runBy(['ines', 'ines']), 'ines')).toBe(false)
  })
  it('counts once however often it is told, and not by the learner’s own word', () => {
    const told = { run: 'r', station: 's', procedure: close.id, learner: 'bo' }
    const watched = (who: string, at: number) => by(who, at, 'run.watched@1', 'run', 'r', told)
    const of = personOf('bo', [watched('ines', 1), watched('ines', 2), watched('bo', 3)], day)
    expect(of.training?.of[close.id]?.watched).toEqual([{ run: 'r', at: 60_000, by: 'ines' }])
  })
})

describe('a sign-off', () => {
  const check = (at: number, right: number) =>
    by('bo', at, 'training.checked@1', 'training', 'bo', {
      procedure: close.id,
      ...{ asked: 10, right, passPercent: 90 },
    })
  const left = (records: Parameters<typeof personOf>[1], counted: { shown: number; watched: number }) =>
    stillToShow(standingOf(personOf('bo', records, 40 * day), close), counted, usualTraining)
  it('asks for all three: seen, done, the check passed', () => {
    expect(left([], { shown: 0, watched: 0 })).toEqual({ shown: true, watched: 3, check: true })
    expect(left([check(1, 8)], { shown: 1, watched: 3 })).toEqual({ shown: false, watched: 0, check: true })
    expect(isReady(left([check(1, 9)], { shown: 1, watched: 3 }))).toBe(true)
  })
  it('that lapsed by time asks for the check alone, passed after it was given', () => {
    const lapsed = [check(1, 10), signed('ines', 2, 'bo', '1970-01-05')]
    expect(left(lapsed, { shown: 0, watched: 0 })).toEqual({ shown: false, watched: 0, check: true })
    expect(isReady(left([...lapsed, check(20 * day, 10)], { shown: 0, watched: 0 }))).toBe(true)
  })
  it('that ended after a look at the work asks for one run more and the check', () => {
    const ended = by('ines', 5, 'training.ended@1', 'training', 'bo', {
      procedure: close.id,
      ...{ why: 'verification', note: 'not rinsed' },
    })
    const before = [check(1, 10), signed('ines', 2, 'bo', null), ended]
    expect(left(before, { shown: 0, watched: 0 })).toEqual({ shown: true, watched: 1, check: true })
    expect(isReady(left([...before, check(6, 10)], { shown: 0, watched: 1 }))).toBe(true)
  })
  it('is nobody’s own, and not given early', () => {
    const ready = { shown: false, watched: 0, check: false }
    expect(signOffFault('bo', 'bo', [ready])).toBe('sign_off_self')
    expect(signOffFault('ines', 'bo', [ready, { ...ready, watched: 1 }])).toBe('sign_off_early')
    expect(signOffFault('ines', 'bo', [ready])).toBeNull()
  })
})
