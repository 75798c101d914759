import { holdsSolution, isLive, type Act, type Facets } from './facets.ts'
import type { Isolation, Procedure, Step } from './language.ts'
import { pieces } from './outline.ts'

/**
 * What a step may break. One list for the checker of whole procedures and for the run: what a path may not do,
 * a person is not offered.
 */
export const safetyRules = [
  'freeze-while-wet',
  'freeze-while-open',
  'hands-before-isolation',
  'hands-while-hot',
  'isolation-not-stated',
  'sanitizer-on-product',
  'sanitizer-on-detergent',
  'sanitizer-on-descaler',
  'sanitizer-on-soil',
  'sanitized-without-contact',
  'contact-too-short',
  'delime-with-feeds-on',
  'feeds-left-off',
  'parts-missing',
  'parts-differ',
  'parts-never-out',
  'cleaning-ice-kept',
  'left-off',
  'product-before-sanitizing',
  'product-on-solution',
  'sanitized-too-long-ago',
  'acid-without-ppe',
  'mix-changed',
  'out-of-service',
  'closed',
  'ends-otherwise',
] as const
export type SafetyRule = (typeof safetyRules)[number]

/** What is known just before a step: of a station, or of one way through a procedure. */
export interface Condition {
  readonly facets: Partial<Facets>
  /** What is worn, from the gates passed so far. */
  readonly worn: readonly string[]
  /** Uses of the products mixed so far in this run; `alsoWashes` where the label says that the agent washes too. */
  readonly mixed: readonly { readonly use: string; readonly alsoWashes: boolean }[]
  /** Parts named to stay out for this cycle. */
  readonly leftOut: boolean
  /** Parts have been counted in already in this run: the count goes on. */
  readonly counting: boolean
  /** Longer ago than the site allows between sanitizing and product. */
  readonly stale: boolean
  readonly outOfService: boolean
  /** Something went wrong at the site and lasts, or was there before this run: nothing that is done counts. */
  readonly closed?: boolean
  /** The next mix has other allergens, and it was not cleaned fully since. */
  readonly mixChanged: boolean
}

const strength: Record<Isolation, number> = { front: 0, plug: 1, breaker: 2 }
const acidPpe = ['gloves', 'goggles']

/** Whether a step puts a hand or a short tool past a guard: into barrel, bin, tank or chute. */
export function putsHandsIn(step: Step): boolean {
  if (step.at) return false
  if (step.act === 'reach-in' || step.kind === 'parts') return true
  // A bin is emptied by hand or scoop; what is sprayed or wiped is reached into.
  return step.effects?.ice === 'none' || (step.act === 'sanitize' && step.effects?.contents === undefined)
}

/** The rules that a step would break as things stand. An act alone is judged by `conflictsOfAct`. */
export function conflictsOf(procedure: Procedure, condition: Condition, step: Step): SafetyRule[] {
  const effects = step.effects ?? {}
  const during = step.kind === 'wait' || step.kind === 'tend' ? (step.during ?? {}) : {}
  const becomes = { ...condition.facets, ...effects, ...during }
  const freezes = becomes.power === 'freezing' && condition.facets.power !== 'freezing'
  const found: SafetyRule[] = [
    ...(condition.closed ? (['closed'] as const) : []),
    ...(putsHandsIn(step) ? handsConflicts(procedure, condition) : []),
    ...(step.act === 'freeze' || freezes ? freezeConflicts(procedure, condition, becomes) : []),
    ...sanitizerConflicts(condition, step),
    ...(effects.hygiene === 'sanitized' ? sanitizedConflicts(condition, step) : []),
    ...(step.act === 'prime' || step.act === 'serve' || effects.contents === 'product'
      ? productConflicts(condition, step.act === 'serve')
      : []),
    ...chemicalConflicts(condition, step),
    ...(step.kind === 'parts' && step.direction === 'in' ? partsInConflicts(condition) : []),
  ]
  return [...new Set(found)]
}

/** The rules that an act by itself would break as things stand. */
export const conflictsOfAct = (procedure: Procedure, condition: Condition, act: Act): SafetyRule[] =>
  conflictsOf(procedure, condition, {
    id: act,
    kind: 'do',
    title: act,
    act,
    // Sanitizer that is poured in: what is reached for has its own act.
    ...(act === 'sanitize' ? { effects: { contents: 'sanitizer' } } : {}),
  })

function handsConflicts(procedure: Procedure, { facets }: Condition): SafetyRule[] {
  const { isolation } = procedure
  if (isolation === 'none') return []
  const found: SafetyRule[] = []
  const by = facets.isolatedBy ?? null
  if (isolation === undefined) found.push('isolation-not-stated')
  else if (facets.power !== 'isolated' || by === null || strength[by] < strength[isolation])
    found.push('hands-before-isolation')
  if (facets.heat === 'hot') found.push('hands-while-hot')
  return found
}

function freezeConflicts(
  procedure: Procedure,
  { facets, leftOut, outOfService }: Condition,
  becomes: Partial<Facets>,
): SafetyRule[] {
  const open = (facets.assembly !== undefined && facets.assembly !== 'whole') || (facets.partsOut ?? 0) !== 0
  return [
    ...(holdsSolution(becomes.contents) && !procedure.freezesSolution ? (['freeze-while-wet'] as const) : []),
    ...(open && !leftOut && !procedure.freezesSolution ? (['freeze-while-open'] as const) : []),
    ...(outOfService && !procedure.freezesSolution ? (['out-of-service'] as const) : []),
  ]
}

/**
 * No sanitizing over product, soil, detergent, or descaler that has not been rinsed out; one agent that by its label washes
 * and sanitizes may follow its own wash once soil is rinsed off: FDA Food Code 2022, 4-501.115 and 4-701.10.
 */
function sanitizerConflicts({ facets, mixed }: Condition, step: Step): SafetyRule[] {
  const pours = step.effects?.contents === 'sanitizer'
  const sanitizes = step.act === 'sanitize'
  if (!pours && !sanitizes) return []
  const found: SafetyRule[] = []
  if (facets.residue === 'descaler' || facets.contents === 'descaler') found.push('sanitizer-on-descaler')
  if (!sanitizes) return found
  const sameAgent =
    step.sameAgent !== undefined && mixed.some((m) => m.use === step.sameAgent && m.alsoWashes)
  if (facets.contents === 'product' || facets.contents === 'unknown') found.push('sanitizer-on-product')
  if (!sameAgent && (facets.residue === 'detergent' || facets.contents === 'detergent'))
    found.push('sanitizer-on-detergent')
  const clean = facets.hygiene === 'clean' || facets.hygiene === 'sanitized'
  if (!clean && !(sameAgent && facets.hygiene === 'rinsed')) found.push('sanitizer-on-soil')
  return found
}

/** Sanitized is what was wet for its whole contact time and is whole: a part put in later was not. */
function sanitizedConflicts({ facets, leftOut }: Condition, step: Step): SafetyRule[] {
  const counted = step.kind === 'parts' && step.direction === 'in' ? pieces(step) : 0
  const apart = (step.effects?.assembly ?? facets.assembly ?? 'whole') !== 'whole'
  return [
    ...(facets.contact === 'whole' ? [] : (['sanitized-without-contact'] as const)),
    ...(!leftOut && (apart || (facets.partsOut ?? 0) > counted) ? (['parts-missing'] as const) : []),
  ]
}

function productConflicts(
  { facets, leftOut, stale, outOfService, mixChanged }: Condition,
  serving: boolean,
): SafetyRule[] {
  const found: SafetyRule[] = []
  const out = facets.partsOut === null || (facets.partsOut ?? 0) > 0
  if ((out || (facets.assembly !== undefined && facets.assembly !== 'whole')) && !leftOut)
    found.push('parts-missing')
  if (facets.hygiene !== 'sanitized') found.push('product-before-sanitizing')
  // Once product is in, its own limits hold; the time counts until then.
  else if (stale && !serving && facets.contents !== 'product') found.push('sanitized-too-long-ago')
  if (holdsSolution(facets.contents)) found.push('product-on-solution')
  if (mixChanged) found.push('mix-changed')
  if (outOfService) found.push('out-of-service')
  return found
}

function chemicalConflicts({ facets, worn }: Condition, step: Step): SafetyRule[] {
  const effects = step.effects ?? {}
  const acid = effects.contents === 'descaler' || (step.kind === 'mix' && step.acid === true)
  return [
    ...(effects.contents === 'descaler' && facets.feeds === 'on' ? (['delime-with-feeds-on'] as const) : []),
    ...(acid && !acidPpe.every((p) => worn.includes(p)) ? (['acid-without-ppe'] as const) : []),
  ]
}

/** Parts that never came out cannot be counted in: the count would tell of a machine that nobody opened. */
const partsInConflicts = ({ facets, counting }: Condition): SafetyRule[] =>
  facets.assembly === 'whole' && facets.partsOut === 0 && !counting ? ['parts-never-out'] : []

/** What must be true where a way ends. */
export function endConflicts(procedure: Procedure, facets: Partial<Facets>): SafetyRule[] {
  const found: SafetyRule[] = []
  if (facets.feeds === 'off') found.push('feeds-left-off')
  if (facets.ice === 'cleaning') found.push('cleaning-ice-kept')
  for (const [facet, value] of Object.entries(procedure.ends ?? {})) {
    const is = facets[facet as keyof Facets]
    if (is === value) continue
    const off = facet === 'power' && isLive(value as Facets['power']) && !isLive(is as Facets['power'])
    found.push(off ? 'left-off' : 'ends-otherwise')
  }
  return found
}
