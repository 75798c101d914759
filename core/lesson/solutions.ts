import type { ProductSet, ProductUse } from '../house/index.ts'
import { numberOf, stepsOfRun, type Step } from '../procedure/index.ts'
import { interval, millilitres, ppm, showMeasured, type UnitSystem } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { judgeInterval, possibleReadings, type StripPick } from '../rules/index.ts'
import { clashOf, freshDose, isLiquid, supplyByTable, type ChemicalClass } from '../solution/index.ts'
import { isEven, oneOf, shuffled, tried } from './draw.ts'
import {
  stripAnswers,
  type Answer,
  type LessonKnown,
  type Question,
  type Random,
  type StripAnswer,
} from './question.ts'

type Known = ProductSet & { readonly id: string }
interface Used {
  readonly product: Known
  readonly use: ProductUse
}

/** What the procedure's own steps mix or check comes before what else stands at the site. */
export function usesFor({ procedure, options, products }: LessonKnown, does: (u: Used) => boolean): Used[] {
  const asked = new Set(
    stepsOfRun(procedure, options).flatMap((s) =>
      s.kind === 'mix' || (s.kind === 'check' && s.what === 'sanitizer') ? s.use : [],
    ),
  )
  const all = products.flatMap((product) => product.uses.map((use) => ({ product, use }))).filter(does)
  const own = all.filter((u) => asked.has(u.use.id))
  return own.length > 0 ? own : all
}

/** A strip is drawn: is it in the label's range? */
export function stripQuestion(known: LessonKnown, random: Random): Question | null {
  const used = oneOf(
    usesFor(known, ({ product, use }) => use.range !== null && product.agent !== null),
    random,
  )
  if (!used?.use.range) return null
  const { product, use } = used
  const { lo, hi } = used.use.range
  const strip = oneOf(
    known.instruments.filter((i) => i.kind === 'strip' && i.unit === 'ppm' && i.agent === product.agent),
    random,
  )
  if (strip?.kind !== 'strip') return null
  const readings = possibleReadings(strip)
  const drawn = oneOf(
    // One that says too little and too much at once is nobody's to read.
    readings.filter(({ reading }) => !(astride(reading, lo) && astride(reading, hi))),
    random,
  )
  if (!drawn) return null
  const says = stripSays(drawn.reading, { lo, hi })
  const at = readings.indexOf(drawn)
  const value = strip.blocks[Math.floor(at / 2)] ?? 0
  const next = strip.blocks[Math.floor(at / 2) + 1]
  const shows: StripPick =
    drawn.block !== null
      ? { matches: value }
      : next === undefined
        ? { darkerThan: value }
        : { between: [value, next] }
  return {
    card: `strip/${product.id}/${use.id}`,
    asks: {
      kind: 'strip',
      ...{ product: product.name, use: use.name, range: { lo, hi }, shows },
      ...{ blocks: strip.blocks, colours: strip.colours },
    },
    answers: stripAnswers.map((a) => ({ is: 'strip', says: a })),
    right: stripAnswers.indexOf(says),
    because: { kind: 'label', product: product.name },
  }
}

const astride = (r: { readonly lo: number | null; readonly hi: number | null }, limit: number): boolean =>
  (r.lo ?? -Infinity) < limit && limit < (r.hi ?? Infinity)

function stripSays(
  reading: { readonly lo: number | null; readonly hi: number | null },
  range: { readonly lo: number; readonly hi: number },
): StripAnswer {
  const verdict = judgeInterval(reading, interval(range.lo, range.hi))
  if (verdict === 'in') return 'in'
  if (verdict !== 'out') return 'too-close'
  return (reading.lo ?? -Infinity) > range.hi ? 'too-strong' : 'too-weak'
}

/** Slips that people make: a zero lost or added, the double, the half, the dose of another pail. */
const slips = [0.1, 0.2, 0.25, 0.5, 2, 3, 4, 5, 10] as const

/** How much of the product goes into what a step of the procedure mixes. */
export function doseQuestion(known: LessonKnown, random: Random): Question | null {
  const { procedure, options, parameters, products, system } = known
  const mixes = stepsOfRun(procedure, options).flatMap((s) => (s.kind === 'mix' ? [s] : []))
  return tried(() => {
    const step = oneOf(mixes, random)
    const product =
      step &&
      oneOf(
        products.filter((p) => p.uses.some((u) => u.id === step.use)),
        random,
      )
    if (!step || !product) return null
    const amount = doseOf(step, product, parameters)
    if (amount === null) return null
    const others = shuffled(slips, random).slice(0, 3)
    const amounts = [amount.poured, ...others.map((slip) => amount.poured * slip)].toSorted((a, b) => a - b)
    const texts = amounts.map((mL) => said(mL, system))
    if (new Set(texts).size < texts.length || !isEven(texts, amounts.indexOf(amount.poured))) return null
    return {
      card: `dose/${procedure.id}/${step.id}`,
      asks: {
        kind: 'dose',
        ...{ product: product.name, step: step.title, vessel: step.vessel, millilitres: amount.of },
      },
      answers: amounts.map((mL): Answer => ({ is: 'amount', millilitres: mL })),
      right: amounts.indexOf(amount.poured),
      because: { kind: 'label', product: product.name },
    }
  })
}

const said = (mL: number, system: UnitSystem): string => {
  const { value, unit } = showMeasured(mL, system)
  return `${value} ${unit}`
}

/** mL of a liquid product in what a step mixes; null where its label or plate does not tell, or it is no liquid. */
function doseOf(
  step: Step & { readonly kind: 'mix' },
  product: Known,
  parameters: Readonly<Record<string, number>>,
): { readonly poured: number; readonly of: number } | null {
  const use = product.uses.find((u) => u.id === step.use)
  try {
    const of = numberOf(step.volume, parameters)
    const amount = step.amount === undefined ? undefined : tableAmount(step.amount, parameters)
    const supply = supplyByTable(product.supply, amount, of) ?? product.supply
    if (!isLiquid(supply)) return null
    const dose = freshDose(supply, use?.target ? ppm(use.target) : null, millilitres(of))
    return dose.concentrate > 0 ? { poured: dose.concentrate, of } : null
  } catch (error) {
    // What the label or the plate does not tell is not asked.
    if (error instanceof Refusal) return null
    throw error
  }
}

function tableAmount(
  amount: NonNullable<(Step & { kind: 'mix' })['amount']>,
  parameters: Readonly<Record<string, number>>,
): number | undefined {
  try {
    return numberOf(amount, parameters)
  } catch (error) {
    if (error instanceof Refusal) return undefined
    throw error
  }
}

/** Of these, one must never meet the product. */
export function meetQuestion({ products }: LessonKnown, random: Random): Question | null {
  return tried(() => {
    const product = oneOf(products, random)
    if (!product) return null
    const never = (c: ChemicalClass) =>
      clashOf(product.chemicalClass, c) !== null || (product.neverWith ?? []).includes(c)
    // By name where the site has them, each class once: two of one class are one answer.
    const others = new Map(
      products.filter((p) => p.chemicalClass !== product.chemicalClass).map((p) => [p.chemicalClass, p]),
    )
    const classes = [...others.keys()]
    const bad = oneOf(classes.filter(never), random)
    const good = shuffled(
      classes.filter((c) => !never(c)),
      random,
    ).slice(0, 3)
    if (bad === undefined || good.length < 2) return null
    const all = shuffled([bad, ...good], random)
    const right = all.indexOf(bad)
    const names = all.map((c) => others.get(c)?.name ?? c)
    if (!isEven(names, right) || new Set(names).size < names.length) return null
    return {
      card: `meet/${product.id}`,
      asks: { kind: 'meet', product: product.name },
      answers: names.map((name): Answer => ({ is: 'product', name })),
      right,
      because: { kind: 'clash', effect: clashOf(product.chemicalClass, bad)?.effect ?? null },
    }
  })
}
