import { dateAfter } from '../calendar/index.ts'
import type { Procedure } from '../procedure/index.ts'
import { standingOf, type Standing, type TrainingOf } from './standing.ts'

/** A procedure that too few may do alone, from a day on. */
export interface TrainingGap {
  readonly procedure: string
  /** Who still may that day. */
  readonly people: readonly string[]
  /** ISO date. */
  readonly from: string
  /** Who may today and not then. */
  readonly lapses: readonly { readonly person: string; readonly standing: Standing }[]
}

/** One person who knows how is none when they are ill. */
const enough = 2

/**
 * What too few may do alone within so many days, the fewest and the soonest first.
 * @param people who work here. @param procedures that the site's machines fall due for.
 */
export function gapsAhead(
  people: readonly TrainingOf[],
  procedures: readonly Procedure[],
  today: string,
  days: number,
): TrainingGap[] {
  const dates = Array.from({ length: days + 1 }, (_, i) => dateAfter(today, i))
  const gaps = procedures.flatMap((procedure): TrainingGap[] => {
    const on = (day: string) =>
      people.map((p) => ({ person: p.crew.id, standing: standingOf({ ...p, day }, procedure) }))
    const able = (all: ReturnType<typeof on>) => all.filter((a) => a.standing.may === 'alone')
    const now = able(on(today))
    const from = dates.find((day) => able(on(day)).length < enough)
    if (from === undefined) return []
    const then = on(from)
    const left = able(then).map((a) => a.person)
    const lapses = then.filter((a) => !left.includes(a.person) && now.some((n) => n.person === a.person))
    return [{ procedure: procedure.id, people: left, from, lapses }]
  })
  return gaps.toSorted((a, b) => a.people.length - b.people.length || (a.from < b.from ? -1 : 1))
}
