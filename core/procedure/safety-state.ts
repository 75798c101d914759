import type { Facets } from './facets.ts'
import type { Isolation, Procedure, Step } from './language.ts'
import { stepEffects } from './effects.ts'

/** A rule that holds on every way through a procedure. */
export type SafetyRule =
  | 'freeze-while-wet'
  | 'hands-before-isolation'
  | 'hands-while-hot'
  | 'sanitizer-on-descaler'
  | 'delime-with-feeds-on'
  | 'feeds-left-off'
  | 'parts-missing'
  | 'parts-differ'
  | 'cleaning-ice-kept'
  | 'left-off'
  | 'product-before-sanitizing'
  | 'acid-without-ppe'
  | 'ends-otherwise'

/** What the checker knows at one point of one way through. */
export interface Way {
  readonly facets: Partial<Facets>
  /** Descaler was inside and nothing clear has run through since. */
  readonly residue: boolean
  readonly isolation: Isolation | null
  readonly worn: readonly string[]
  /** Parts that are out, by id, with counts. */
  readonly out: Readonly<Record<string, number>>
  /** Of those, named ones that this cycle runs without. */
  readonly left: readonly string[]
  /** Outcomes of the inspections made so far. */
  readonly outcomes: Readonly<Record<string, string>>
}

export interface Breach {
  readonly rule: SafetyRule
  /** The step at which the rule breaks; the last one for rules about the end. */
  readonly step: string
}

export const firstWay = (procedure: Procedure): Way => ({
  facets: procedure.begins ?? {},
  residue: false,
  isolation: null,
  worn: [],
  out: {},
  left: [],
  outcomes: {},
})

const strength: Record<Isolation, number> = { front: 0, plug: 1, breaker: 2 }
const wet = (f: Partial<Facets>) =>
  f.contents !== undefined && ['rinse', 'detergent', 'sanitizer', 'descaler', 'unknown'].includes(f.contents)
const runs = (power: Facets['power'] | undefined) =>
  power !== undefined && power !== 'isolated' && power !== 'off'
const acidPpe = ['gloves', 'goggles']

/** What a step needs of the way before it: the rules that it would break. */
export function breaches(procedure: Procedure, way: Way, step: Step): Breach[] {
  const { facets } = way
  const found: SafetyRule[] = []
  const effects = stepEffects(step)
  const during = step.kind === 'wait' || step.kind === 'tend' ? (step.during ?? {}) : {}
  const becomes = { ...facets, ...effects, ...during }
  const freezes = effects.power === 'freezing' || during.power === 'freezing' || step.act === 'freeze'
  if (freezes && wet(becomes) && !procedure.freezesSolution) found.push('freeze-while-wet')
  if (step.act === 'reach-in') {
    const enough =
      facets.power === 'isolated' &&
      (!procedure.isolation ||
        (way.isolation !== null && strength[way.isolation] >= strength[procedure.isolation]))
    if (procedure.isolation && !enough) found.push('hands-before-isolation')
    if (facets.heat === 'hot') found.push('hands-while-hot')
  }
  if (effects.contents === 'sanitizer' && way.residue) found.push('sanitizer-on-descaler')
  if (effects.contents === 'descaler' && facets.feeds === 'on') found.push('delime-with-feeds-on')
  const acid = effects.contents === 'descaler' || (step.kind === 'mix' && step.acid)
  if (acid && !acidPpe.every((p) => way.worn.includes(p))) found.push('acid-without-ppe')
  const product = step.act === 'prime' || step.act === 'serve' || effects.contents === 'product'
  if (product && Object.keys(way.out).some((id) => !way.left.includes(id))) found.push('parts-missing')
  if (product && way.facets.hygiene !== 'sanitized') found.push('product-before-sanitizing')
  if (step.kind === 'parts' && step.direction === 'in' && !sameParts(way, step)) found.push('parts-differ')
  return found.map((rule) => ({ rule, step: step.id }))
}

function sameParts(way: Way, step: Step & { kind: 'parts' }): boolean {
  const out = Object.entries(way.out)
  // Parts that came out in an earlier run are counted against that run's tray, not here.
  if (out.length === 0) return true
  return step.parts.filter((p) => !step.leave?.includes(p.id)).every((p) => (way.out[p.id] ?? 0) === p.count)
}

/** The way after a step. */
export function after(way: Way, step: Step): Way {
  const effects = stepEffects(step)
  const { partsOut: _, ...kept } = effects
  const facets = { ...way.facets, ...kept }
  const worn =
    step.kind === 'gate' && step.wear ? [...new Set([...way.worn, ...step.wear])].toSorted() : way.worn
  const isolation =
    facets.power === 'isolated' ? (step.kind === 'gate' ? (step.by ?? way.isolation) : way.isolation) : null
  return { ...way, facets, worn, isolation, residue: residueAfter(way, effects), ...partsAfter(way, step) }
}

function residueAfter(way: Way, effects: Partial<Facets>): boolean {
  if (effects.contents === 'descaler') return true
  return effects.contents === 'rinse' ? false : way.residue
}

function partsAfter(way: Way, step: Step): Pick<Way, 'out' | 'left'> {
  if (step.kind !== 'parts') return { out: way.out, left: way.left }
  const moved = step.parts.filter((p) => !step.leave?.includes(p.id))
  if (step.direction === 'out')
    return {
      out: { ...way.out, ...Object.fromEntries(moved.map((p) => [p.id, p.count])) },
      left: [...way.left, ...(step.leave ?? [])],
    }
  const back = new Set(moved.map((p) => p.id))
  return {
    out: Object.fromEntries(Object.entries(way.out).filter(([id]) => !back.has(id))),
    left: [...new Set([...way.left.filter((id) => !back.has(id)), ...(step.leave ?? [])])],
  }
}

/** What must be true where a way ends. */
export function endBreaches(procedure: Procedure, way: Way, step: string): Breach[] {
  const found: SafetyRule[] = []
  if (way.facets.feeds === 'off') found.push('feeds-left-off')
  if (way.facets.ice === 'cleaning') found.push('cleaning-ice-kept')
  for (const [facet, value] of Object.entries(procedure.ends ?? {})) {
    const is = way.facets[facet as keyof Facets]
    if (is === value) continue
    const off = facet === 'power' && runs(value as Facets['power']) && !runs(is as Facets['power'])
    found.push(off ? 'left-off' : 'ends-otherwise')
  }
  return found.map((rule) => ({ rule, step }))
}
