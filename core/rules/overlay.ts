import { within, type Instant, type Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import {
  layerVerdict,
  limitVerdict,
  type JudgedQuantity,
  type Judgement,
  type LayerVerdict,
  type LimitVerdict,
} from './judgement.ts'
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

/** Throws `reason_missing` for a rule that tells no reason, `limit_missing` for one that limits nothing. */
export function checkLocalRule(rule: LocalRule): LocalRule {
  if (rule.reason.trim().length < 3) throw new Refusal('reason_missing', { field: 'reason' })
  if (rule.limit.lo === null && rule.limit.hi === null) throw new Refusal('limit_missing', { field: 'limit' })
  return rule
}

const inForce = (rule: LocalRule, now: Instant) =>
  rule.from <= now && (rule.until === null || now < rule.until)

/**
 * A judgement with the local rules in force laid over it. A replaced limit stays, struck, and does not vote; where the
 * replacement is looser than what it replaces, it is marked so. Each local rule judges the reading that the judgement
 * holds of its quantity in its unit; where there is none, it cannot tell.
 * @param now milliseconds UTC.
 */
export function withLocalRules(judgement: Judgement, rules: readonly LocalRule[], now: Instant): Judgement {
  const active = rules.filter((r) => inForce(r, now))
  if (active.length === 0) return judgement
  const replacing = active.filter((r) => r.effect.kind === 'replaces')
  const base = judgement.layers.map((layer) => struckBy(layer, replacing))
  const local = active.map((rule) => localLayer(rule, judgement.layers))
  const layers = [...base, ...local]
  return { ...judgement, layers, overall: strictest(voting(layers)) }
}

const voting = (layers: readonly LayerVerdict[]): Verdict[] =>
  layers.flatMap((l) => l.limits.filter((x) => !x.struck).map((x) => x.verdict))

const replacedBy = (limit: LimitVerdict, rules: readonly LocalRule[]) =>
  rules.find(
    (r) =>
      r.effect.kind === 'replaces' &&
      limit.quantity === r.quantity &&
      limit.unit === r.unit &&
      sectionIn(limit.source, r.effect.section),
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
    return { ...limit, struck: true, looser: limit.limit !== null && !within(rule.limit, limit.limit) }
  })
  const left = limits.filter((l) => !l.struck)
  return { ...layer, limits, verdict: left.length > 0 ? strictest(left.map((l) => l.verdict)) : 'in' }
}

function localLayer(rule: LocalRule, layers: readonly LayerVerdict[]): LayerVerdict {
  const read = layers
    .flatMap((l) => l.limits)
    .find((l) => l.quantity === rule.quantity && l.unit === rule.unit && l.reading !== null)
  return layerVerdict('local', rule.authority, [
    limitVerdict(rule.quantity, rule.unit, rule.authority, rule.limit, read?.reading ?? null),
  ])
}
