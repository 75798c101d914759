import { randomFrom } from '../quantity/index.ts'
import { shuffled, tried } from './draw.ts'
import { questionKinds, type LessonKnown, type Question, type QuestionKind, type Random } from './question.ts'
import { sheetQuestion } from './sheets.ts'
import { doseQuestion, meetQuestion, stripQuestion } from './solutions.ts'
import { dryQuestion, firstQuestion, nowQuestion } from './steps.ts'

/** Makes a question of a kind; null where the site has too little for it. */
export const makers: Readonly<Record<QuestionKind, (known: LessonKnown, random: Random) => Question | null>> =
  {
    strip: stripQuestion,
    dose: doseQuestion,
    first: firstQuestion,
    dry: dryQuestion,
    meet: meetQuestion,
    sheet: sheetQuestion,
    now: nowQuestion,
  }

/** Questions of one check, and the fewest that make one. */
export const [questionsOfCheck, fewestOfCheck] = [10, 4]

/** A question of a card, drawn anew; null where the site has no such thing any more. */
export function questionOf(known: LessonKnown, random: Random, card: string): Question | null {
  const [kind = ''] = card.split('/')
  if (!isKind(kind)) return null
  // What else of its kind is drawn meanwhile is about another thing.
  return tried(() => {
    const found = makers[kind](known, random)
    return found?.card === card ? found : null
  }, triesForCard)
}
const triesForCard = 60
const isKind = (kind: string): kind is QuestionKind => (questionKinds as readonly string[]).includes(kind)

const textOf = (q: Question) => JSON.stringify([q.asks, q.answers.map((a) => JSON.stringify(a)).toSorted()])

/**
 * The questions of a check, each once: first those whose cards are to come again, then kind by kind in turn.
 * @param seed the same questions for the same site and seed. @param again cards that were answered wrong and are due.
 */
export function questionsFor(known: LessonKnown, seed: number, again: readonly string[] = []): Question[] {
  const random = randomFrom(seed)
  const found = new Map<string, Question>()
  const take = (q: Question | null) => {
    if (q && found.size < questionsOfCheck && !found.has(textOf(q))) found.set(textOf(q), q)
  }
  for (const card of again) take(questionOf(known, random, card))
  for (let round = 0; round < roundsAtMost && found.size < questionsOfCheck; round++)
    for (const kind of shuffled(questionKinds, random)) take(makers[kind](known, random))
  return shuffled([...found.values()], random)
}
const roundsAtMost = 12
