import type { InstrumentSet, ProductSet } from '@tadka/core/house'
import { questionOf, type LessonKnown, type Question } from '@tadka/core/lesson'
import {
  baseOf,
  choiceOf,
  machineNumbers,
  servesFamily,
  type Procedure,
  type StationState,
} from '@tadka/core/procedure'
import { instant, randomFrom } from '@tadka/core/quantity'
import { createEmptyCard, fsrs, Rating } from 'ts-fsrs'
import type { Pool } from '../db/pool.ts'
import { statesOfKind } from '../stream/queries.ts'
import type { KeptCard } from './check-queries.ts'
import { procedureToday, type TrainingKnown } from './people.ts'

type Held<T> = T & { readonly id: string }

/** What of a site questions on any of its procedures are made of, read once. */
export async function lessonKnown(pool: Pool, where: string, known: TrainingKnown, at: number) {
  const kept = <S>(kind: 'station' | 'product' | 'instrument') =>
    statesOfKind(pool, where, kind) as Promise<S[]>
  const [stations, products, instruments] = await Promise.all([
    kept<StationState>('station'),
    kept<Held<Partial<ProductSet>>>('product'),
    kept<Held<Partial<InstrumentSet>>>('instrument'),
  ])
  const here = stations.filter((s) => s.plate && !s.plate.retired)
  const hot = (s: StationState) =>
    s.plate?.family.startsWith('dish-machine') === true && s.plate.family !== 'dish-machine.chemical'
  const shared = {
    system: known.site.units,
    products: products.filter((p): p is Held<ProductSet> => 'uses' in p),
    instruments: instruments.filter((i): i is Held<InstrumentSet> => 'kind' in i),
    hotDishMachine: here.some(hot),
    now: instant(at),
  }
  /** Null where no machine of the site is worked so. */
  return (id: string): LessonKnown | null => {
    const procedure = procedureToday(known, id)
    const on = procedure && here.find((s) => servesFamily(procedure, s.plate?.family ?? ''))
    if (!procedure || !on) return null
    return { ...shared, procedure, parameters: machineNumbers(on), options: optionsOf(procedure, on) }
  }
}

const optionsOf = (procedure: Procedure, on: StationState): Record<string, string> =>
  Object.fromEntries(
    (procedure.options ?? []).map((o) => [o.id, choiceOf(procedure, o.id, on.plate?.options ?? {})]),
  )

/** Cards that were answered wrong and are to come again by now. */
export const dueAgain = (cards: readonly KeptCard[], at: number): KeptCard[] =>
  cards.filter((c) => c.dueAt <= at)

/** A question, and what of the site it was made of. */
export interface Put {
  readonly question: Question
  readonly known: LessonKnown
}

/** Questions that go over what was wrong before, each on the procedure that it was about; and the cards that nothing can be asked of. */
export function questionsAgain(
  of: (procedure: string) => LessonKnown | null,
  due: readonly KeptCard[],
  seed: number,
): { readonly put: readonly Put[]; readonly gone: readonly string[] } {
  const random = randomFrom(seed)
  const drawn = due.slice(0, mostAgain).map(({ card, procedure }) => {
    const known = of(procedure)
    const question = known && questionOf(known, random, card)
    return { card, put: question && { question, known } }
  })
  return {
    put: drawn.flatMap((d) => d.put ?? []),
    gone: drawn.flatMap((d) => (d.put ? [] : d.card)),
  }
}
const mostAgain = 10

const spaced = fsrs({ enable_fuzz: false })

/** Cards after their questions were answered: when each comes again. Only what was once wrong is kept. */
export function cardsAfter(
  before: readonly KeptCard[],
  answered: readonly { readonly question: Question; readonly right: boolean }[],
  procedure: string,
  at: number,
): KeptCard[] {
  // Several of one card are one: it was wrong where one of them was.
  const byCard = new Map<string, boolean>()
  for (const { question, right } of answered)
    byCard.set(question.card, (byCard.get(question.card) ?? true) && right)
  return [...byCard].flatMap(([card, right]) => {
    const kept = before.find((c) => c.card === card)
    if (!kept && right) return []
    const now = new Date(at)
    const grade = right ? Rating.Good : Rating.Again
    const { card: state } = spaced.next(kept?.state ?? createEmptyCard(now), now, grade)
    const of = kept?.procedure ?? baseOf(procedure)
    return [{ card, procedure: of, dueAt: new Date(state.due).getTime(), wrong: !right, state }]
  })
}
