import { jobsOf, type Job } from './jobs.ts'
import type { Call, PersonLane } from './lanes.ts'

/** What a person does next: the job under way or the next to come, and those after it. */
export interface Next {
  readonly person: string
  readonly now: Job | null
  readonly then: readonly Job[]
  readonly leaves: number | null
  /** The learner that they are within call of meanwhile, or next. */
  readonly call: Call | null
}

/** @param now milliseconds UTC. A job is done when its last work is. */
export function nextOf(lane: PersonLane, lanes: readonly PersonLane[], now: number): Next {
  const [first = null, ...then] = jobsOf(lane, lanes).filter((j) => j.state !== 'done' && j.to > now)
  const call = lane.calls.find((c) => c.to > now && c.from < (first?.to ?? c.to)) ?? null
  return { person: lane.person, now: first, then, leaves: lane.leaves, call }
}
