import { groupedBy } from '../stream/grouped.ts'
import { atLeastOf, cautiousShare, together } from './chance.ts'
import type { Entry, Question } from './entry.ts'

/** So few say nothing: of one person on one solution, of the others on it, and of one person all in all. */
const [fewest, fewestOthers, fewestInAll] = [5, 12, 15]
/** Asked about only where chance would do it so seldom: half a dozen people are looked at each fortnight. */
const askBelow = 1e-4

type Read = Entry & { readonly what: { readonly kind: 'strip' | 'number'; readonly like: string } }
const isRead = (e: Entry): e is Read => e.what.kind === 'strip' || e.what.kind === 'number'
const valueOf = (e: Read): string =>
  e.what.kind === 'strip' ? e.what.block : String((e.what as { value: number }).value)

/**
 * Whoever read the same again and again, where the others who read the same solutions did not: what each solution says is taken together.
 * A good dispenser gives everybody one block all month: then others did too, and nobody is asked. Where nobody else read it, nothing
 * can be told.
 */
export function alwaysTheSame(entries: readonly Entry[]): Question[] {
  const likes = groupsBy(entries.filter(isRead), (e) => e.what.like)
  const people = [...new Set(entries.map((e) => e.person))]
  return people.flatMap((person): Question[] => {
    const told = likes.flatMap((like) => sameOn(like, person))
    const read = told.reduce((n, s) => n + s.of, 0)
    const chance = together(told.map((s) => s.chance))
    const strongest = told.toSorted((a, b) => a.chance - b.chance)[0]
    if (!strongest || read < fewestInAll || chance >= askBelow) return []
    const { like, value, times, othersShare, others, records } = strongest
    return [{ ...about(records), kind: 'always-the-same', like, value, times, othersShare, others, chance }]
  })
}

/** How seldom chance alone gives one person the same so often on one solution; nothing where there is too little to tell. */
function sameOn(like: readonly Read[], person: string) {
  const own = like.filter((e) => e.person === person)
  const others = like.filter((e) => e.person !== person)
  if (own.length < fewest || others.length < fewestOthers) return []
  const [value, times] = mode(own.map(valueOf))
  const same = others.filter((e) => valueOf(e) === value).length
  const chance = atLeastOf(times, own.length, cautiousShare(same, others.length))
  const records = own.filter((e) => valueOf(e) === value)
  const told = { othersShare: same / others.length, others: others.length, chance, records }
  return [{ like: own[0]?.what.like ?? '', value, times, of: own.length, ...told }]
}

/** Whoever wrote whole numbers where others on the same wrote tenths. */
export function roundNumbers(entries: readonly Entry[]): Question[] {
  const numbers = entries.flatMap((e) => (e.what.kind === 'number' ? [{ ...e, what: e.what }] : []))
  return groupsBy(numbers, (e) => e.what.like).flatMap((like) =>
    groupsBy(like, (e) => e.person).flatMap((own): Question[] => {
      const others = like.filter((e) => e.person !== own[0]?.person)
      if (own.length < fewestInAll || others.length < fewestOthers) return []
      const isRound = (e: (typeof own)[number]) => Number.isInteger(e.what.value)
      const [mine, theirs] = [own.filter(isRound), others.filter(isRound)]
      const chance = atLeastOf(mine.length, own.length, cautiousShare(theirs.length, others.length))
      if (chance >= askBelow) return []
      return [
        {
          ...about(mine),
          ...{ kind: 'round-numbers', like: own[0]?.what.like ?? '', round: mine.length, of: own.length },
          ...{ othersShare: theirs.length / others.length, chance },
        },
      ]
    }),
  )
}

function mode(values: readonly string[]): readonly [string, number] {
  const counts = new Map<string, number>()
  for (const v of values) counts.set(v, (counts.get(v) ?? 0) + 1)
  return [...counts].reduce((a, b) => (b[1] > a[1] ? b : a), ['', 0])
}

export const groupsBy = <T>(all: readonly T[], key: (one: T) => string): T[][] => [
  ...groupedBy(all, key).values(),
]

/** Whose entries, from when to when, and which. */
export function about(entries: readonly Entry[]): Pick<Question, 'person' | 'from' | 'to' | 'records'> {
  const times = entries.map((e) => e.at)
  return {
    person: entries[0]?.person ?? '',
    from: Math.min(...times),
    to: Math.max(...times),
    records: entries.map((e) => e.record),
  }
}
