import type { Bar, Call, PersonLane } from './lanes.ts'

/** What a person does next: the bar under way or the next to come, and the one after it. */
export interface Next {
  readonly person: string
  readonly now: Bar | null
  readonly then: Bar | null
  readonly leaves: number | null
  /** The learner that they are within call of meanwhile, or next. */
  readonly call: Call | null
}

/** @param now milliseconds UTC. Bars of the same run that follow each other count as one. */
export function nextOf(lane: PersonLane, now: number): Next {
  const ahead = lane.bars.filter((b) => b.state !== 'done' && b.to > now)
  const [first] = ahead
  const then = ahead.find((b) => b !== first && b.run !== first?.run)
  const call = lane.calls.find((c) => c.to > now && c.from < (first?.to ?? c.to)) ?? null
  return { person: lane.person, now: first ?? null, then: then ?? null, leaves: lane.leaves, call }
}
