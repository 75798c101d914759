import {
  celsius,
  fahrenheit,
  toCelsius,
  toFahrenheit,
  toKPa,
  toPsi,
  within,
  type Instant,
  type Interval,
} from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import {
  judgedQuantities,
  layerVerdict,
  limitVerdict,
  type JudgedQuantity,
  type Judgement,
  type LayerVerdict,
  type LimitVerdict,
} from './judgement.ts'
import { modelCode } from './profile.ts'
import { strictest, type Verdict } from './verdict.ts'

/** One rule of a site's own authority: dated, with a reason; it adds a limit, or replaces a named section. */
export interface LocalRule {
  readonly id: string
  readonly authority: string
  readonly effect: { readonly kind: 'adds' } | { readonly kind: 'replaces'; readonly section: string }
  readonly quantity: JudgedQuantity
  /** The unit of the limit, as readings of that quantity come. */
  readonly unit: string
  readonly limit: Interval
  /** In force from, milliseconds UTC. */
  readonly from: Instant
  readonly until: Instant | null
  readonly reason: string
}

/** What a rule can be about: everything that is judged but the cold room, which the code's table holds with the hours. */
export const ruledQuantities = (Object.keys(judgedQuantities) as JudgedQuantity[]).filter((q) => q !== 'room')

/** What rules once named for every temperature alike, by the section that they replace. */
const oncePlain: Readonly<Record<string, JudgedQuantity>> = {
  [modelCode.coldHolding.source]: 'product',
  [modelCode.washWater.section]: 'washWater',
  [modelCode.hotWaterByHand.section]: 'hotWater',
}

/**
 * What a rule is about; null for one entered when any temperature was named alike: it is laid over nothing until it is set anew.
 * One that replaces a section is about what that section is about.
 */
export function aboutOf(rule: Pick<LocalRule, 'quantity' | 'effect'>): JudgedQuantity | null {
  if (rule.quantity in judgedQuantities) return rule.quantity
  return rule.effect.kind === 'replaces' ? (oncePlain[rule.effect.section] ?? null) : null
}

/**
 * Throws `reason_missing` for a rule that tells no reason, `limit_missing` for one that limits nothing, `rule_about_nothing` for one
 * that names nothing that is judged, or in a unit that it is never read in.
 */
export function checkLocalRule(rule: LocalRule): LocalRule {
  const about = aboutOf(rule)
  const units: readonly string[] = about ? judgedQuantities[about] : []
  if (about === 'room' || !units.includes(rule.unit))
    throw new Refusal('rule_about_nothing', { field: 'quantity' })
  if (rule.reason.trim().length < 3) throw new Refusal('reason_missing', { field: 'reason' })
  if (rule.limit.lo === null && rule.limit.hi === null) throw new Refusal('limit_missing', { field: 'limit' })
  return rule
}

/** Whether a rule holds at an instant, milliseconds UTC. */
export const inForce = (rule: Pick<LocalRule, 'from' | 'until'>, now: Instant): boolean =>
  rule.from <= now && (rule.until === null || now < rule.until)

/** The rules in force at an instant, by their ids, each about what it names today; those that name nothing are left out. */
export const rulesInForce = (rules: readonly LocalRule[], at: Instant): LocalRule[] =>
  rules
    .filter((r) => inForce(r, at))
    .toSorted((a, b) => (a.id < b.id ? -1 : 1))
    .flatMap((r) => {
      const quantity = aboutOf(r)
      return quantity === null ? [] : [quantity === r.quantity ? r : { ...r, quantity }]
    })

/**
 * A judgement with the local rules in force laid over it. A replaced limit stays, struck, and does not vote; where the
 * replacement is looser than what it replaces, it is marked so. Each local rule judges the reading that the judgement
 * holds of its quantity in its unit; where there is none, it cannot tell.
 * @param now milliseconds UTC.
 */
export function withLocalRules(judgement: Judgement, rules: readonly LocalRule[], now: Instant): Judgement {
  const active = rules.filter((r) => inForce(r, now))
  return active.length > 0 ? layLocalRules(judgement, active) : judgement
}

/** The same, for rules that are known to be in force. A rule on something that the judgement does not speak of is left out. */
export function layLocalRules(judgement: Judgement, rules: readonly LocalRule[]): Judgement {
  const active = rules.filter((r) => speaksOf(judgement, r))
  if (active.length === 0) return judgement
  const replacing = active.filter((r) => r.effect.kind === 'replaces')
  const base = judgement.layers.map((layer) => struckBy(layer, replacing))
  const local = active.map((rule) => localLayer(rule, judgement.layers))
  const layers = [...base, ...local]
  return { ...judgement, layers, overall: strictest(voting(layers)) }
}

/** Layers judged anew from their limits, those that are struck without a vote. */
export function judgedAnew(judgement: Judgement, layers: readonly LayerVerdict[]): Judgement {
  const again = layers.map((l) => {
    const left = l.limits.filter((x) => !x.struck)
    return { ...l, verdict: left.length > 0 ? strictest(left.map((x) => x.verdict)) : ('in' as const) }
  })
  return { ...judgement, layers: again, overall: strictest(voting(again)) }
}

/** The rule's limit in the unit that was read: temperatures and pressures are converted, anything else must be in the same unit. */
function limitOf(rule: LocalRule, unit: string): Interval | null {
  if (rule.unit === unit) return rule.limit
  const turn = turns[`${rule.unit} to ${unit}`]
  if (!turn) return null
  const { lo, hi } = rule.limit
  return { lo: lo === null ? null : turn(lo), hi: hi === null ? null : turn(hi) }
}
const turns: Readonly<Record<string, (value: number) => number>> = {
  '°C to °F': (c) => toFahrenheit(celsius(c)),
  '°F to °C': (f) => toCelsius(fahrenheit(f)),
  'kPa to psi': toPsi,
  'psi to kPa': toKPa,
}

const isAbout = (rule: LocalRule, limit: LimitVerdict): boolean =>
  limit.quantity === aboutOf(rule) && limitOf(rule, limit.unit) !== null

const speaksOf = (judgement: Judgement, rule: LocalRule): boolean =>
  judgement.layers.some((l) => l.limits.some((x) => isAbout(rule, x)))

const voting = (layers: readonly LayerVerdict[]): Verdict[] =>
  layers.flatMap((l) => l.limits.filter((x) => !x.struck).map((x) => x.verdict))

const replacedBy = (limit: LimitVerdict, rules: readonly LocalRule[]) =>
  rules.find(
    (r) => r.effect.kind === 'replaces' && isAbout(r, limit) && sectionIn(limit.source, r.effect.section),
  )

/** A section is named whole: 4-501.11 does not name 4-501.114; it does name its own paragraphs, 4-501.11(A). */
function sectionIn(source: string, section: string): boolean {
  const at = source.indexOf(section)
  return at >= 0 && !/[\d.]/.test(source[at + section.length] ?? '')
}

function struckBy(layer: LayerVerdict, rules: readonly LocalRule[]): LayerVerdict {
  if (layer.layer !== 'code') return layer
  const limits = layer.limits.map((limit): LimitVerdict => {
    const rule = replacedBy(limit, rules)
    if (!rule) return limit
    return {
      ...limit,
      struck: true,
      looser: limit.limit !== null && !within(limitOf(rule, limit.unit) ?? rule.limit, limit.limit),
    }
  })
  const left = limits.filter((l) => !l.struck)
  return { ...layer, limits, verdict: left.length > 0 ? strictest(left.map((l) => l.verdict)) : 'in' }
}

function localLayer(rule: LocalRule, layers: readonly LayerVerdict[]): LayerVerdict {
  const about = layers.flatMap((l) => l.limits).filter((l) => isAbout(rule, l))
  const read = about.find((l) => l.reading !== null) ?? about[0]
  const unit = read?.unit ?? rule.unit
  return layerVerdict('local', rule.authority, [
    limitVerdict(
      aboutOf(rule) ?? rule.quantity,
      unit,
      rule.authority,
      limitOf(rule, unit) ?? rule.limit,
      read?.reading ?? null,
    ),
  ])
}
