import { ownPool } from '../work/database.ts'
import type { Job } from '../work/work.ts'
import { FeedSources } from './feed-source.ts'
import { personFeed } from './feed.ts'

export interface CalendarAsked {
  readonly site: string
  readonly person: { readonly id: string; readonly name: string }
  /** Whether they look after visits from outside. */
  readonly visits: boolean
  /** Milliseconds UTC. */
  readonly now: number
}

let sources: FeedSources | undefined

/** Somebody's calendar as iCalendar text; null where the site has no hours yet. */
export default async function calendarJob({
  asked: { site, person, visits, now },
}: Job<CalendarAsked>): Promise<string | null> {
  sources ??= new FeedSources(ownPool())
  const source = await sources.of(site, now)
  if (!source) return null
  const { crews, ...rest } = source
  const crew = crews.get(person.id) ?? null
  return personFeed({ ...rest, person, crew, visits: visits ? rest.visits : [] }, now)
}
