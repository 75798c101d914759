import type { Facets } from './facets.ts'
import { stepsOf } from './nodes.ts'
import { type Procedure, type Step } from './language.ts'
import { pieces } from './outline.ts'
import type { SafetyRule } from './safety-rules.ts'

/** What a step makes of the station where it is done as it should be: see `changeBy`. */
export interface Doing {
  /** For a wait: whether it lasted as long as it must. */
  readonly whole: boolean
  /** Rules that it broke: what happened all the same makes nothing clean, sanitized or whole. */
  readonly broke: readonly SafetyRule[]
}

/** What becomes of the facets by a step. What must be earned (sanitized, whole, cooled) is given only where it was. */
export function changeBy(step: Step, now: Partial<Facets>, { whole, broke }: Doing): Partial<Facets> {
  const change: { -readonly [F in keyof Facets]?: Facets[F] } = { ...(step.effects ?? {}) }
  const earned = broke.length === 0
  if (step.kind === 'parts') Object.assign(change, partsMoved(step, now, earned))
  if (change.assembly === 'whole' && (!earned || (change.partsOut ?? now.partsOut ?? 0) !== 0))
    delete change.assembly
  const timed = step.kind === 'wait' || step.kind === 'tend'
  if (change.heat === 'cooled' && timed && !whole) delete change.heat
  if (change.power !== undefined)
    change.isolatedBy = change.power === 'isolated' && step.kind === 'gate' ? (step.by ?? null) : null
  Object.assign(change, residueAfter(change, now))
  Object.assign(change, contactAfter(step, change, now, { whole: timed && whole, earned }))
  if (change.hygiene === 'sanitized') {
    if (earned && now.contact === 'whole') change.contact = 'none'
    else delete change.hygiene
  }
  if (change.hygiene === 'clean' && !earned) delete change.hygiene
  // Product in what was not fit for it: it is to be sanitized again, however it read before.
  if (broke.includes('sanitized-too-long-ago')) change.hygiene = 'unknown'
  return change
}

function partsMoved(step: Step & { kind: 'parts' }, now: Partial<Facets>, earned: boolean): Partial<Facets> {
  const moved = pieces(step)
  if (step.direction === 'out')
    return {
      assembly: step.effects?.assembly ?? 'apart',
      partsOut: now.partsOut === null ? null : (now.partsOut ?? 0) + moved,
      // What is taken apart is no longer sanitized.
      ...(now.hygiene === 'sanitized' ? { hygiene: step.effects?.hygiene ?? 'clean' } : {}),
    }
  if (!earned) return {}
  return { partsOut: now.partsOut === null ? 0 : Math.max(0, (now.partsOut ?? moved) - moved) }
}

function residueAfter(change: Partial<Facets>, now: Partial<Facets>): Partial<Facets> {
  if (change.contents === 'descaler') return { residue: 'descaler' }
  if (change.contents === 'rinse') return { residue: 'none' }
  if (change.contents === 'detergent' && now.residue !== 'descaler') return { residue: 'detergent' }
  // Brushed and rinsed at the sink: what is called clean holds no detergent. Descaler is rinsed out, and only so.
  if (change.hygiene === 'clean' && now.residue === 'detergent') return { residue: 'none' }
  return {}
}

function contactAfter(
  step: Step,
  change: Partial<Facets>,
  now: Partial<Facets>,
  did: { whole: boolean; earned: boolean },
): Partial<Facets> {
  if (step.act === 'sanitize') return { contact: did.earned ? 'wet' : 'none' }
  if (change.contents !== undefined && change.contents !== 'empty' && change.contents !== 'sanitizer')
    return { contact: 'none' }
  const timed = step.kind === 'wait' || step.kind === 'tend'
  if (timed && step.of === 'contact' && did.whole && did.earned && now.contact === 'wet')
    return { contact: 'whole' }
  return {}
}

/** What is true of the station while a wait runs. */
export function changeDuring(step: Step): Partial<Facets> {
  const during = step.kind === 'wait' || step.kind === 'tend' ? (step.during ?? {}) : {}
  return during.power === undefined ? during : { ...during, isolatedBy: null }
}

/** Whether a step, or its wait, may change a facet as it is written. */
export const mayChange = (step: Step, facet: keyof Facets): boolean =>
  facet in (step.effects ?? {}) || facet in changeDuring(step)

/**
 * The sides of a machine that its procedures speak of, in what they begin with, end with, change or count. Of the others nothing is
 * known, and nothing is told of them.
 */
export function facetsSaid(procedures: readonly Procedure[]): ReadonlySet<keyof Facets> {
  const steps = procedures.flatMap((p) => stepsOf(p.nodes))
  const named = [
    ...procedures.flatMap((p) => [p.begins ?? {}, p.ends ?? {}]),
    ...steps.flatMap((s) => [s.effects ?? {}, changeDuring(s)]),
  ].flatMap((f) => Object.keys(f) as (keyof Facets)[])
  return new Set([...named, ...(steps.some((s) => s.kind === 'parts') ? (['assembly'] as const) : [])])
}
