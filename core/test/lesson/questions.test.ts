import { describe, expect, it } from 'vitest'
import { latestProcedure, type Procedure } from '../../procedure/index.ts'
import { randomFrom, showMeasured } from '../../quantity/index.ts'
import {
  fewestOfCheck,
  makers,
  questionKinds,
  questionsFor,
  questionsOfCheck,
  type Answer,
  type LessonKnown,
  type Question,
  type QuestionKind,
} from '../../lesson/index.ts'
import { siteFrom } from './site.ts'

const each = 10_000

interface Asked {
  readonly known: LessonKnown
  readonly question: Question
}
/** So many questions of a kind, of sites of all sorts. */
function asked(kind: QuestionKind): Asked[] {
  const found: Asked[] = []
  for (let seed = 1; found.length < each && seed < each * 12; seed++) {
    const known = siteFrom(seed)
    const question = makers[kind](known, randomFrom(seed))
    if (question) found.push({ known, question })
  }
  return found
}
/** A question's sentence is narrowed to its kind. */
const asks = <K extends QuestionKind>(q: Question, kind: K) => {
  if (q.asks.kind !== kind) throw new Error(`asks ${q.asks.kind}`)
  return q.asks as Extract<Question['asks'], { readonly kind: K }>
}

/** What must not meet, as safety data sheets tell it: written down here apart from the core. Common practice, no single source. */
const apart = [
  'acid ammonia',
  ...['hypochlorite acid', 'hypochlorite ammonia', 'hypochlorite quat', 'hypochlorite detergent'],
  ...['quat detergent', 'quat acid', 'acid detergent'],
].slice(1)
const mustNotMeet = (a: string, b: string) => apart.includes(`${a} ${b}`) || apart.includes(`${b} ${a}`)
const classOf = (name: string) => name.split(' ').at(-1) ?? ''

/** All nodes of a document, in the order in which they are written. */
const written = (document: unknown): Record<string, unknown>[] => {
  if (Array.isArray(document)) return document.flatMap(written)
  if (typeof document !== 'object' || document === null) return []
  const own = document as Record<string, unknown>
  return [...('kind' in own && 'id' in own ? [own] : []), ...Object.values(own).flatMap(written)]
}
const seen = new Map<Procedure, Record<string, unknown>[]>()
function stepsIn(procedure: Procedure) {
  const found = seen.get(procedure) ?? written(JSON.parse(JSON.stringify(procedure.nodes)))
  seen.set(procedure, found)
  return found
}

/** Each kind's right answer, worked out apart from the core that asks. */
const isRight: Readonly<Record<QuestionKind, (of: Asked, answer: Answer) => boolean>> = {
  strip({ question }, answer) {
    const { shows, blocks, range } = asks(question, 'strip')
    const near = (v: number) => {
      const i = blocks.indexOf(v)
      const [below, above] = [blocks[i - 1], blocks[i + 1]]
      return [below === undefined ? 0 : (below + v) / 2, above === undefined ? Infinity : (v + above) / 2]
    }
    const [from = 0, to = 0] =
      'matches' in shows
        ? near(shows.matches)
        : 'between' in shows
          ? shows.between
          : [shows.darkerThan, Infinity]
    const says =
      from >= range.lo && to <= range.hi
        ? 'in'
        : to < range.lo
          ? 'too-weak'
          : from > range.hi
            ? 'too-strong'
            : 'too-close'
    return answer.is === 'strip' && answer.says === says
  },
  dose({ known, question }, answer) {
    const { product: name, millilitres: total, step: title } = asks(question, 'dose')
    const product = known.products.find((p) => p.name === name)
    const step = stepsIn(known.procedure).find((s) => s['title'] === title && s['kind'] === 'mix')
    const table = step?.['amount'] as { of?: string; times?: number } | number | undefined
    const byTable = typeof table === 'number' ? table : table?.of ? known.parameters[table.of] : undefined
    const supply = product?.supply
    const target = product?.uses.find((u) => u.id === step?.['use'])?.target ?? 0
    let mL = Number.NaN
    if (byTable !== undefined) mL = byTable * ((typeof table === 'object' && table.times) || 1)
    else if (supply?.kind === 'strength') mL = (total * target) / supply.stock
    else if (supply?.kind === 'per-litre') mL = total - total / (1 + supply.millilitres / 1000)
    else if (supply?.kind === 'ratio')
      mL = total / (supply.meaning === 'to' ? supply.parts + 1 : supply.parts)
    return answer.is === 'amount' && Math.abs(answer.millilitres / mL - 1) < 1e-9
  },
  first({ known, question }, answer) {
    const titles = stepsIn(known.procedure).map((s) => s['title'])
    const place = (a: Answer) => (a.is === 'step' ? titles.indexOf(a.title) : -1)
    return question.answers.every((other) => other === answer || place(other) > place(answer))
  },
  dry({ known }, answer) {
    const steps = stepsIn(known.procedure).filter((s) => s['kind'] === 'lubricate')
    const never = steps.flatMap((s) => s['never'] as string[])
    const yes = steps.flatMap((s) => (s['yes'] as { part: string }[]).map((y) => y.part))
    return answer.is === 'part' && never.includes(answer.name) && !yes.includes(answer.name)
  },
  meet({ question }, answer) {
    const { product } = asks(question, 'meet')
    return answer.is === 'product' && mustNotMeet(classOf(product), classOf(answer.name))
  },
  sheet({ known }, answer) {
    if (answer.is !== 'line') return false
    const { line } = answer
    // FDA Food Code 2022: 3-501.16(A)(2), 4-501.112, 4-501.19.
    const far = known.system === 'us'
    if (line.of === 'product') return line.value > (far ? 41 : 5)
    if (line.of === 'rinse') return line.value < (far ? 180 : 82) || line.value > (far ? 194 : 90)
    if (line.of === 'washWater') return line.value < (far ? 110 : 43)
    if (!('use' in line)) return false
    const all = known.products.find((p) => p.name === line.product)?.uses ?? []
    const uses = all.filter((u) => u.name === line.use)
    if (line.of === 'contact')
      return uses.every((u) => u.contactSeconds === null || line.value < u.contactSeconds)
    return uses.every((u) => !u.range || line.value < u.range.lo || line.value > u.range.hi)
  },
  now({ known, question }, answer) {
    const { step, found } = asks(question, 'now')
    const choices = stepsIn(known.procedure)
      .filter((s) => s['kind'] === 'inspect' && s['title'] === step)
      .flatMap((s) => s['choices'] as { name: string; outcome: string }[])
    return answer.is === 'outcome' && choices.some((c) => c.name === found && c.outcome === answer.outcome)
  },
}

/** What two answers mean, so that 1000 mL and 1 L are one. */
const meaning = (a: Answer): string =>
  a.is === 'amount'
    ? `${(a.millilitres / 1000).toPrecision(6)} litres`
    : a.is === 'line'
      ? `${a.line.of} ${'use' in a.line ? `${a.line.product} ${a.line.use}` : ''} ${a.line.value}`
      : JSON.stringify(a)
const words = (known: LessonKnown, a: Answer): string | null => {
  if (a.is === 'amount') {
    const { value, unit } = showMeasured(a.millilitres, known.system)
    return `${value} ${unit}`
  }
  return a.is === 'step' ? a.title : a.is === 'part' || a.is === 'product' ? a.name : null
}

describe.each(questionKinds)('ten thousand questions of the kind %s', (kind) => {
  const all = asked(kind)
  it('there are so many', () => expect(all.length).toBe(each))
  it('have one right answer each, worked out apart from the core', () => {
    for (const one of all) {
      const right = one.question.answers.flatMap((a, i) => (isRight[kind](one, a) ? [i] : []))
      expect(right, JSON.stringify(one.question)).toEqual([one.question.right])
    }
  })
  it('have no two answers that are the same, or mean the same', () => {
    for (const { known, question } of all) {
      expect(new Set(question.answers.map(meaning)).size).toBe(question.answers.length)
      const told = question.answers.map((a) => words(known, a))
      if (told[0] !== null) expect(new Set(told).size, told.join()).toBe(told.length)
    }
  })
  it('have no right answer that its length gives away', () => {
    for (const { known, question } of all) {
      const lengths = question.answers.map((a) => words(known, a)?.length ?? 1)
      const others = lengths.filter((_, i) => i !== question.right)
      expect(lengths[question.right]).toBeLessThanOrEqual(Math.max(...others) * 1.3)
      expect(lengths[question.right]).toBeGreaterThanOrEqual(Math.min(...others) * 0.7)
    }
  })
  it('do not have it always in the same place', () => {
    const places = new Set(all.map((a) => a.question.right))
    expect(places.size).toBeGreaterThanOrEqual(3)
  })
})

describe('the questions of a check', () => {
  const procedure = latestProcedure('soft-serve-gravity.open') as Procedure
  const known = siteFrom(7, procedure)
  it('are ten, each once, of many kinds; the same by the same seed', () => {
    const questions = questionsFor(known, 5)
    expect(questions.length).toBe(questionsOfCheck)
    expect(new Set(questions.map((q) => JSON.stringify(q.asks) + JSON.stringify(q.answers))).size).toBe(10)
    expect(new Set(questions.map((q) => q.asks.kind)).size).toBeGreaterThanOrEqual(5)
    expect(questionsFor(known, 5)).toEqual(questions)
    expect(questionsFor(known, 6)).not.toEqual(questions)
  })
  it('have among them what was answered wrong', () => {
    for (const { card } of questionsFor(known, 5))
      expect(questionsFor(known, 99, [card]).map((q) => q.card)).toContain(card)
  })
  it('are few or none where the site has entered little', () => {
    const bare = { ...known, products: [], instruments: [], hotDishMachine: false }
    for (const q of questionsFor(bare, 1)) expect(['first', 'dry', 'now']).toContain(q.asks.kind)
    const floors = latestProcedure('house.floors') as Procedure
    expect(questionsFor({ ...bare, procedure: floors, options: {} }, 1).length).toBeLessThan(questionsOfCheck)
    expect(fewestOfCheck).toBeLessThan(questionsOfCheck)
  })
})
