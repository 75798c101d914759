import type { AnsweredQuestion } from '@tadka/contract/honesty'
import { dateAfter, dayOf } from '@tadka/core/calendar'
import { enteredTypes, entriesOf, questionsOf, type Question } from '@tadka/core/honesty'
import type { RosterSet } from '@tadka/core/house'
import type { StationState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import type { Pool } from '../db/pool.ts'
import { runsBetween } from '../record/day-queries.ts'
import { siteOf } from '../record/day.ts'
import { statesOf, statesOfKind } from '../stream/queries.ts'
import { recordsBetween } from '../sheet/queries.ts'

/** Days that are looked through. */
const daysAsked = 14
const dayMs = 86_400_000

/** What the last fortnight of a site's log makes one ask, without what was answered. @param now milliseconds UTC. */
export async function openQuestions(
  pool: Pool,
  site: string,
  now: number,
  answers: readonly AnsweredQuestion[],
): Promise<Question[]> {
  const set = await siteOf(pool, site)
  const from = now - daysAsked * dayMs
  const today = dayOf(set, instant(now))
  const dates = Array.from({ length: daysAsked + 2 }, (_, i) => dateAfter(today, -i))
  const [records, runs, stations, rosters] = await Promise.all([
    recordsBetween(pool, site, from, now + 1, enteredTypes),
    runsBetween(pool, site, from - dayMs, now + 1),
    statesOfKind(pool, site, 'station') as Promise<StationState[]>,
    statesOf(pool, site, 'roster', dates) as Promise<Partial<RosterSet>[]>,
  ])
  const looked = entriesOf({
    site: set,
    ...{ records, runs, stations },
    rosters: rosters.filter((r): r is RosterSet => r.shifts !== undefined),
  })
  // What was asked and answered is asked anew only by what was entered since.
  const isNew = (q: Question) =>
    !answers.some((a) => a.kind === q.kind && a.person === q.person && a.upTo >= q.from)
  return questionsOf(looked).filter(isNew)
}
