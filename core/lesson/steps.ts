import { belongs, outline, stepsOf, stepsOfRun, type InspectChoice, type Step } from '../procedure/index.ts'
import { isEven, oneOf, shuffled, tried } from './draw.ts'
import type { LessonKnown, Question, Random } from './question.ts'

/** Titles of steps that stand one after the other, each once: what goes on side by side has no first. */
function titlesInOrder({ procedure, options, parameters }: LessonKnown): string[] {
  const positions = outline(procedure, { done: {}, options, parameters })
  const titles = positions.flatMap((p) => (p.kind === 'step' && p.lane === null ? p.step.title : []))
  // What another way through it does under the same name has no one place.
  const all = stepsOf(procedure.nodes).map((s) => s.title)
  return titles.filter((title) => all.filter((other) => other === title).length === 1)
}

/** Which of these steps comes first? */
export function firstQuestion(known: LessonKnown, random: Random): Question | null {
  const titles = titlesInOrder(known)
  return tried(() => {
    const drawn = shuffled(titles, random).slice(0, 4)
    const first = titles.find((t) => drawn.includes(t))
    if (first === undefined || drawn.length < 3) return null
    const right = drawn.indexOf(first)
    if (!isEven(drawn, right)) return null
    return {
      card: `first/${known.procedure.id}`,
      asks: { kind: 'first', procedure: known.procedure.name },
      answers: drawn.map((title) => ({ is: 'step', title })),
      right,
      because: { kind: 'procedure', procedure: known.procedure.name },
    }
  })
}

type Greased = Step & { readonly kind: 'lubricate' }

/** Which of these stays dry, while the others are lubricated? */
export function dryQuestion(known: LessonKnown, random: Random): Question | null {
  const { procedure, options } = known
  const steps = stepsOfRun(procedure, options).filter((s): s is Greased => s.kind === 'lubricate')
  const yes = new Set(
    steps.flatMap((s) => s.yes.filter((y) => belongs(procedure, y, options))).map((y) => y.part),
  )
  const never = [...new Set(steps.flatMap((s) => s.never))].filter((part) => !yes.has(part))
  return tried(() => {
    const dry = oneOf(never, random)
    const greased = shuffled([...yes], random).slice(0, 3)
    if (dry === undefined || greased.length < 2) return null
    const all = shuffled([dry, ...greased], random)
    const right = all.indexOf(dry)
    if (!isEven(all, right)) return null
    return {
      card: `dry/${procedure.id}`,
      asks: { kind: 'dry', procedure: procedure.name },
      answers: all.map((name) => ({ is: 'part', name })),
      right,
      because: { kind: 'procedure', procedure: procedure.name },
    }
  })
}

const outcomes: readonly InspectChoice['outcome'][] = ['fine', 'watch', 'regrease', 'replace', 'technician']

/** Something is found at an inspection: what is done now? */
export function nowQuestion(known: LessonKnown, random: Random): Question | null {
  const steps = stepsOfRun(known.procedure, known.options).flatMap((s) => (s.kind === 'inspect' ? [s] : []))
  const found = oneOf(
    steps.flatMap((step) => step.choices.map((choice) => ({ step, choice }))),
    random,
  )
  if (!found) return null
  const { step, choice } = found
  const others = shuffled(
    outcomes.filter((o) => o !== choice.outcome),
    random,
  ).slice(0, 3)
  const all = outcomes.filter((o) => o === choice.outcome || others.includes(o))
  return {
    card: `now/${known.procedure.id}/${step.id}/${choice.id}`,
    asks: { kind: 'now', step: step.title, found: choice.name },
    answers: all.map((outcome) => ({ is: 'outcome', outcome })),
    right: all.indexOf(choice.outcome),
    because: { kind: 'procedure', procedure: known.procedure.name },
  }
}
