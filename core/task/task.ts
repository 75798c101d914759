import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { TaskSet } from './records.ts'

interface Ended {
  readonly how: 'done' | 'dropped'
  /** What was done, or why it need not be. */
  readonly said: string
  readonly photo: string | null
  readonly at: number
  readonly by: string
}

export interface TaskState {
  readonly id: string
  /** Null until somebody wrote it down, and where that was taken back. */
  readonly task: TaskSet | null
  /** When and by whom it was written down first. */
  readonly since: { readonly at: number; readonly by: string } | null
  readonly ended: Ended | null
}

/** What ended first stands: two tablets may both say that it is done. */
export const taskFold: Fold<TaskState> = {
  initial: (id) => ({ id, task: null, since: null, ended: null }),
  apply(state, record) {
    const here = { at: correctedAt(record), by: record.by }
    switch (record.type) {
      case 'task.set@1':
        return { ...state, task: record.payload, since: state.since ?? here }
      case 'task.done@1': {
        const { note, photo } = record.payload
        return state.ended ? state : { ...state, ended: { how: 'done', said: note, photo, ...here } }
      }
      case 'task.dropped@1':
        return state.ended
          ? state
          : { ...state, ended: { how: 'dropped', said: record.payload.reason, photo: null, ...here } }
      default:
        return state
    }
  },
}

export interface TaskOpen extends TaskSet {
  readonly id: string
  readonly since: { readonly at: number; readonly by: string }
  /** Its day is over, is today, or comes. */
  readonly is: 'late' | 'today' | 'ahead'
}

/**
 * What is still to be done: first what is late, then by day; of one day what is the person's own, then what is nobody's.
 * @param day the trading day, ISO date; @param person by id, null for nobody's eyes in particular.
 */
export function tasksOpen(tasks: readonly TaskState[], day: string, person: string | null): TaskOpen[] {
  const rank = (t: TaskSet) => (t.owner !== null && t.owner === person ? 0 : t.owner === null ? 1 : 2)
  return tasks
    .flatMap(({ id, task, since, ended }): TaskOpen[] => {
      if (!task || !since || ended) return []
      return [{ ...task, id, since, is: task.due < day ? 'late' : task.due === day ? 'today' : 'ahead' }]
    })
    .toSorted((a, b) => a.due.localeCompare(b.due) || rank(a) - rank(b) || a.since.at - b.since.at)
}

/** By whose day's end it was not done. */
export interface TaskMissed {
  readonly task: string
  readonly say: string
  readonly owner: string | null
}

/**
 * What was not done by the end of a day that it was due on or before. What was done afterwards was late all the same.
 * @param day ISO date; @param ends when that day's end was, ms UTC.
 */
export const tasksMissed = (tasks: readonly TaskState[], day: string, ends: number): TaskMissed[] =>
  tasks.flatMap(({ id, task, since, ended }) => {
    if (!task || !since || task.due > day || since.at >= ends) return []
    const missed = ended === null || (ended.at >= ends && task.due === day)
    return missed ? [{ task: id, say: task.say, owner: task.owner }] : []
  })
