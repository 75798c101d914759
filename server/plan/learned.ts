import {
  findProcedure,
  learnedMinutes,
  minutesTaken,
  procedureOfRun,
  type Learned,
  type MinutesTaken,
  type Procedure,
  type RunState,
} from '@tadka/core/procedure'
import type { Pool } from '../db/pool.ts'
import { madeOfLessons } from '../stream/lessons.ts'

const learnedMs = 60 * 86_400_000
const learnedRuns = 1500

/** What a finished run teaches of minutes. */
interface RunLesson {
  readonly procedure: { readonly id: string; readonly version: number }
  /** Its text, where it is the site's own. */
  readonly document: Procedure | null
  readonly parameters: Readonly<Record<string, number>>
  readonly taken: readonly MinutesTaken[]
}

/** What was told later tells nothing of minutes. */
function lessonOf(run: RunState): RunLesson | null {
  const procedure = run.status === 'finished' && !run.entered ? procedureOfRun(run) : null
  if (!procedure) return null
  const { document, parameters } = run
  return { procedure: run.procedure, document, parameters, taken: minutesTaken(procedure, run) }
}

/** Minutes by procedure from what runs taught, the newest first; each by the newest version among them. */
export function learnedFrom(lessons: readonly RunLesson[]): Record<string, Learned> {
  const ids = [...new Set(lessons.map((l) => l.procedure.id))]
  return Object.fromEntries(
    ids.flatMap((id) => {
      const own = lessons.filter((l) => l.procedure.id === id)
      const version = Math.max(...own.map((l) => l.procedure.version))
      const newest = own.filter((l) => l.procedure.version === version)
      const [first] = newest
      const procedure = first && (first.document ?? findProcedure(id, version))
      const taken = newest.flatMap((l) => l.taken)
      return procedure && first ? [[id, learnedMinutes(procedure, taken, first.parameters)]] : []
    }),
  )
}

/** Minutes that a site and its people take by step, by procedure, from its finished runs of the last weeks. @param now milliseconds UTC. */
export const learnedBySite = (pool: Pool, site: string, now: number): Promise<Record<string, Learned>> =>
  madeOfLessons(pool, site, 'run', { since: now - learnedMs, most: learnedRuns }, lessonOf, learnedFrom)
