import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { taskFold, tasksMissed, tasksOpen, type TaskSet, type TaskState } from '../../task/index.ts'
import { recordOf } from '../records.ts'

const [minute, day] = [60_000, 24 * 60]
const to = (id: string) => ({ kind: 'task', id }) as const
const set = (over: Partial<TaskSet> = {}): TaskSet => ({
  ...{ say: 'Close the gap under the back door', area: 'Yard', owner: null, due: '2026-12-04', from: null },
  ...over,
})
const written = (at: number, over: Partial<TaskSet> = {}) => recordOf(at, 'task.set@1', to('t'), set(over))
const done = (at: number, note = '') =>
  recordOf(at, 'task.done@1', to('t'), { say: set().say, note, photo: null })
const after = (...records: ReturnType<typeof written>[]): TaskState =>
  records.reduce((s, r) => taskFold.apply(s, r), taskFold.initial('t'))

describe('something to be done by a day', () => {
  it('keeps who wrote it down first, whatever is changed later', () => {
    const state = after(written(1), { ...written(9, { owner: 'wen' }), by: 'ines' })
    expect(state.since).toEqual({ at: minute, by: 'bao' })
    expect(state.task?.owner).toBe('wen')
  })
  it('is ended by who says so first, done or not needed', () => {
    const twice = after(written(1), done(5, 'strip glued on'), { ...done(8, 'again'), by: 'ines' })
    expect(twice.ended).toMatchObject({ how: 'done', said: 'strip glued on', at: 5 * minute, by: 'bao' })
    const dropped = after(
      written(1),
      recordOf(3, 'task.dropped@1', to('t'), { say: set().say, reason: 'door replaced' }),
      done(5),
    )
    expect(dropped.ended).toMatchObject({ how: 'dropped', said: 'door replaced' })
  })
  it('is not there before anybody wrote it down', () => {
    expect(tasksOpen([taskFold.initial('t'), after(done(3))], '2026-12-04', null)).toEqual([])
  })
  it.each([
    ['2026-12-03', 'ahead'],
    ['2026-12-04', 'today'],
    ['2026-12-05', 'late'],
  ])('on %s one that is due on the 4th is %s', (on, is) => {
    expect(tasksOpen([after(written(1))], on, null).map((t) => t.is)).toEqual([is])
  })
  it('stands by its day, of one day one’s own first and then what nobody has taken', () => {
    const of = (id: string, over: Partial<TaskSet>) => ({ ...after(written(1, over)), id })
    const all = [
      of('theirs', { owner: 'wen' }),
      of('nobodys', {}),
      of('mine', { owner: 'bao' }),
      of('late', { owner: 'wen', due: '2026-12-01' }),
    ]
    const order = tasksOpen(all, '2026-12-04', 'bao').map((t) => t.id)
    expect(order).toEqual(['late', 'mine', 'nobodys', 'theirs'])
  })
  it('is missed by a day where it was done only afterwards, and from then on only while it is open', () => {
    const ends = 10 * day * minute
    const late = after(written(1), done(11 * day))
    expect(tasksMissed([late], '2026-12-04', ends).map((t) => t.task)).toEqual(['t'])
    expect(tasksMissed([late], '2026-12-05', ends + day * minute)).toEqual([])
    const open = after(written(1))
    expect(tasksMissed([open], '2026-12-06', ends).map((t) => t.say)).toEqual([set().say])
    expect(tasksMissed([open], '2026-12-03', ends)).toEqual([])
  })
  it('is never missed by a day that was over before it was written down', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 30 * day }),
        fc.integer({ min: 0, max: 30 * day }),
        (at, ends) => {
          const missed = tasksMissed([after(written(at, { due: '2026-01-01' }))], '2026-12-04', ends * minute)
          expect(missed.length).toBe(at < ends ? 1 : 0)
        },
      ),
    )
  })
})
