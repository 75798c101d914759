import { describe, expect, it } from 'vitest'
import { caseFold, type CaseState } from '../../case/index.ts'
import { runFold, type RunState } from '../../procedure/index.ts'
import { shiftFold } from '../../record/index.ts'
import { huddleDays, huddleLessons, type HuddleHeld, type HuddleKnown } from '../../training/index.ts'
import { recordOf } from '../records.ts'

const day = 86_400_000
const now = 100 * day
const wrong = (what: CaseState['what'], daysAgo: number, station = 'kiosk'): CaseState => ({
  ...caseFold.initial(`${what}-${daysAgo}`),
  ...{ status: 'closed', openedAt: now - daysAgo * day, what, station },
})
const known = (more: Partial<HuddleKnown>): HuddleKnown => ({
  ...{ cases: [], runs: [], gaps: [], held: [] },
  ...more,
})
const gap = (procedure: string, ...people: string[]) => ({
  procedure,
  people,
  from: '2026-12-01',
  lapses: [],
})
const told = (topic: HuddleHeld['topic'], daysAgo: number, procedure: string | null = null) => ({
  ...{ day: '2026-12-01', topic, procedure, station: null, there: ['noor'], at: now - daysAgo * day },
})
const topics = (k: HuddleKnown) => huddleLessons(k, now).map((l) => l.procedure ?? l.topic)

describe('the lesson of a shift', () => {
  it('is what went wrong oftenest lately; of two that went wrong once the later', () => {
    const cases = [
      ...[wrong('sanitizer', 2), wrong('sanitizer', 5, 'bar'), wrong('sanitizer', 9)],
      ...[wrong('dish-machine', 1), wrong('cold-product', 12)],
    ]
    expect(topics(known({ cases }))).toEqual(['strength', 'rinse', 'cold-food'])
    expect(huddleLessons(known({ cases }), now)[0]).toMatchObject({
      station: 'kiosk',
      wrong: { times: 3, last: now - 2 * day },
    })
  })
  it('is never what went wrong longer ago than it is looked back on, was taken back, or lies ahead', () => {
    const cases = [
      wrong('sanitizer', huddleDays + 1),
      wrong('dish-machine', -1),
      { ...wrong('cold-product', 1), status: 'void' as const },
    ]
    expect(topics(known({ cases }))).toEqual([])
  })
  it('is a contact time that a lead answered for, and a part that was given up', () => {
    const done = { at: now - day, by: 'noor', facts: {}, overridden: { by: 'ines', reason: 'rush' } }
    const stop = { why: 'part-missing', step: 's', what: 'ring', at: now - day, by: 'noor' } as const
    const run: RunState = { ...runFold.initial('r'), station: 'kiosk', done: { s: done } }
    expect(topics(known({ runs: [run] }))).toEqual(['not-sanitized'])
    expect(topics(known({ runs: [{ ...run, done: {}, stop }] }))).toEqual([])
    expect(topics(known({ runs: [{ ...run, done: {}, stop: { ...stop, lost: 'the mix' } }] }))).toEqual([
      'part-lost',
    ])
  })
  it('is what nobody may do alone before what went wrong once, and what one may after it', () => {
    const cases = [wrong('sanitizer', 0.5)]
    const gaps = [gap('batch.close'), gap('urn.daily', 'bao')]
    expect(topics(known({ cases, gaps }))).toEqual(['batch.close', 'strength', 'urn.daily'])
  })
  it('is not told twice in two weeks, unless it went wrong since', () => {
    const cases = [wrong('sanitizer', 3), wrong('dish-machine', 3)]
    const gaps = [gap('batch.close'), gap('urn.daily')]
    const held = [
      told('strength', 2),
      told('rinse', 4),
      told('few-know', 2, 'batch.close'),
      told('few-know', 15, 'urn.daily'),
    ]
    expect(topics(known({ cases, gaps, held }))).toEqual(['urn.daily', 'rinse'])
  })
})

it('what a shift was told stands with its day, with who was there', () => {
  const payload: HuddleHeld = {
    ...{ day: '2026-12-01', topic: 'strength', procedure: null, station: 'kiosk', there: ['noor', 'pim'] },
  }
  const subject = { kind: 'shift', id: '2026-12-01' } as const
  const after = shiftFold.apply(shiftFold.initial(subject.id), recordOf(5, 'huddle.held@1', subject, payload))
  expect(after.huddles).toEqual([{ ...payload, at: 300_000, by: 'bao' }])
})
