import {
  findProcedure,
  learnedMinutes,
  minutesTaken,
  procedureOfRun,
  rinsedWater,
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
export interface RunLesson {
  readonly station: string
  readonly procedure: { readonly id: string; readonly version: number }
  /** Its text, where it is the site's own. */
  readonly document: Procedure | null
  readonly parameters: Readonly<Record<string, number>>
  readonly taken: readonly MinutesTaken[]
  /** Water that it rinsed with, mL, as far as it is measured. */
  readonly rinsed: number
  readonly endedAt: number
}

/** What runs of a site taught: minutes by step, by procedure, and by person who worked how long, run by run. */
interface Taught {
  readonly steps: Record<string, Learned>
  readonly work: readonly { readonly at: number; readonly by: string; readonly minutes: number }[]
}

/** What a shift is planned by beside the site's records. */
export interface LearnedBySite {
  readonly steps: Readonly<Record<string, Learned>>
  /** Minutes of work by hand in the last seven days, by person. */
  readonly worked: Readonly<Record<string, number>>
}

/** What was told later tells nothing of minutes. */
export function lessonOf(run: RunState): RunLesson | null {
  const procedure = run.status === 'finished' && !run.entered ? procedureOfRun(run) : null
  if (!procedure) return null
  const { document, parameters } = run
  return {
    station: run.station,
    procedure: run.procedure,
    document,
    parameters,
    taken: minutesTaken(procedure, run),
    rinsed: rinsedWater(procedure, run),
    endedAt: run.endedAt ?? run.startedAt,
  }
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

/** A step that lay open for longer was not worked at all that time, minutes. */
const longestStep = 45
/** Minutes that somebody worked at a step: no longer than anybody works at one. */
export const workedMinutes = ({ minutes }: MinutesTaken): number => Math.min(longestStep, minutes)
const weekMs = 7 * 86_400_000

const taughtBy = (lessons: readonly RunLesson[]): Taught => ({
  steps: learnedFrom(lessons),
  work: lessons.flatMap((l) =>
    l.taken.map((taken) => ({ at: l.endedAt, by: taken.by, minutes: workedMinutes(taken) })),
  ),
})

/** What a site's finished runs of the last weeks tell of minutes. @param now milliseconds UTC. */
export async function learnedBySite(pool: Pool, site: string, now: number): Promise<LearnedBySite> {
  const span = { since: now - learnedMs, most: learnedRuns }
  const { steps, work } = await madeOfLessons(pool, site, 'run', span, lessonOf, taughtBy)
  const worked: Record<string, number> = {}
  for (const w of work) if (w.at > now - weekMs) worked[w.by] = (worked[w.by] ?? 0) + w.minutes
  return {
    steps,
    worked: Object.fromEntries(Object.entries(worked).map(([id, m]) => [id, Math.round(m)])),
  }
}
