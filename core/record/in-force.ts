import { startInForce } from '../procedure/acts.ts'
import { useOf, type InForce, type LabelInForce } from '../procedure/in-force.ts'
import { plateStrength } from '../procedure/read-off.ts'
import { servesFamily } from '../procedure/nodes.ts'
import { type Procedure } from '../procedure/language.ts'
import { isRunType } from '../procedure/records.ts'
import { walk } from '../procedure/outline.ts'
import { procedureOfRun, type RunState } from '../procedure/run-state.ts'
import type { StationState } from '../procedure/station-state.ts'
import type { Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { asksFullClean, recipeRange, type MixSet, type RecipeRange } from '../house/mix.ts'
import type { ProductSet } from '../house/product.ts'
import type { PlanSet } from '../plan/records.ts'
import type { ReadingTaken } from '../reading/reading.ts'
import type { AnyDraft, SubjectRef } from '../stream/record.ts'
import { stationLookedAt } from '../round/records.ts'
import { foodReadIn } from './food-flags.ts'

/** What the site's records know, as far as a run depends on it. */
export interface Known {
  readonly station: (id: string) => StationState | null
  readonly run: (id: string) => RunState | null
  /** A procedure at one version: the library's, or the site's own. */
  readonly procedure: (id: string, version: number) => Procedure | null
  readonly product: (id: string) => Partial<ProductSet> | null
  readonly mix: (id: string) => Partial<MixSet> | null
  readonly freshHours: number
}

/** The states beside its own subjects that a draft is judged by. */
export function alsoNeeded(draft: AnyDraft): SubjectRef[] {
  if (draft.type === 'run.started@1' || draft.type === 'run.started@2')
    return [
      { kind: 'procedure', id: draft.payload.procedure.id },
      { kind: 'crew', id: draft.by },
      { kind: 'training', id: draft.by },
    ]
  if (draft.type === 'mix.changed@1') return draft.payload.to.map((id) => ({ kind: 'mix' as const, id }))
  if (draft.type === 'plan.set@1') return planNeeds(draft.payload)
  if (draft.type === 'ware.in@1') return [{ kind: 'product', id: draft.payload.product }]
  if (draft.type === 'walk.looked@1') return [...stationLookedAt(draft.payload)]
  if (draft.type === 'walk.begun@1') return [{ kind: 'crew', id: draft.by }]
  const reading = readingIn(draft)
  if (reading) return readingNeeds(reading)
  const food = foodReadIn(draft)
  if (draft.type === 'food.received@1' || food)
    return [
      { kind: 'site', id: draft.site },
      ...(food?.on ? [{ kind: 'instrument' as const, id: food.on }] : []),
    ]
  const used = solutionOf(draft)
  return used ? [{ kind: 'product', id: used.product }] : []
}

/** What a plan is held against: its day's roster, who may do what, and the machines. */
function planNeeds({ day, plan }: PlanSet): SubjectRef[] {
  const people = new Set(plan.placed.flatMap((p) => p.person ?? []))
  const stations = new Set(
    plan.placed.flatMap((p) => (p.run.startsWith('run/') ? [] : (p.run.split('/')[0] ?? []))),
  )
  return [
    { kind: 'roster', id: day },
    ...[...people].flatMap((id) => [
      { kind: 'crew' as const, id },
      { kind: 'training' as const, id },
    ]),
    ...[...stations].map((id) => ({ kind: 'station' as const, id })),
  ]
}

/** The reading that a draft brings: itself, or put in the place of a mistaken one. */
export function readingIn(draft: AnyDraft): ReadingTaken | null {
  if (draft.type === 'reading.taken@1') return draft.payload
  const { targetType, instead } =
    draft.type === 'record.amended@1' ? draft.payload : { targetType: '', instead: null }
  return targetType === 'reading.taken@1' && instead !== null ? (instead as ReadingTaken) : null
}

/** What a reading is judged by: its label, its instruments, its place, the site's practices. */
function readingNeeds(reading: ReadingTaken): SubjectRef[] {
  const { station, run, bath, instruments } = reading
  const ref = (kind: SubjectRef['kind'], id: string | null): SubjectRef[] =>
    id === null ? [] : [{ kind, id }]
  return [
    ...ref('product', reading.what === 'sanitizer' ? reading.product : null),
    ...[...new Set([...instruments, ...Object.values(reading.by ?? {})])].flatMap((id) =>
      ref('instrument', id),
    ),
    ...ref('station', station),
    ...ref('run', run),
    ...ref('bath', bath),
  ]
}

/** The solution that a step of a run mixed, or dipped a strip in. */
interface Solution {
  readonly run: string
  readonly step: string
  readonly product: string
}

function solutionOf(draft: AnyDraft): Solution | null {
  if (draft.type === 'reading.taken@1') {
    const { run, step } = draft.payload
    const product = draft.payload.what === 'sanitizer' ? draft.payload.product : null
    return run !== null && step !== null && product ? { run, step, product } : null
  }
  if (draft.type !== 'run.step.done@1' && draft.type !== 'run.step.done@2') return null
  const { run, step, facts } = draft.payload
  const { product } = facts
  return typeof product === 'string' && product !== '' ? { run, step, product } : null
}

/**
 * What was in force for a draft; undefined where it depends on nothing. The options that a run was begun with may be
 * chosen anew from the plate only: a draft brings none.
 * Throws `procedure_unknown`, `procedure_not_for_station`, `parameter_missing`.
 */
export function inForceFor(draft: AnyDraft, known: Known): InForce | undefined {
  switch (draft.type) {
    case 'run.started@1':
    case 'run.started@2': {
      const { procedure, station } = draft.payload
      const found = known.procedure(procedure.id, procedure.version)
      if (!found)
        throw new Refusal('procedure_unknown', { procedure: procedure.id, version: procedure.version })
      const on = known.station(station) ?? { plate: null }
      if (on.plate && !servesFamily(found, on.plate.family))
        throw new Refusal('procedure_not_for_station', { procedure: procedure.id, station })
      return startInForce(on, found)
    }
    case 'run.step.done@1':
    case 'run.step.done@2': {
      const label = labelFor(draft, known)
      const recipe = recipeFor(draft.payload, known)
      return { freshHours: known.freshHours, ...(label ? { label } : {}), ...(recipe ? { recipe } : {}) }
    }
    case 'mix.changed@1': {
      const { station, to } = draft.payload
      const held = known.station(station)?.holds?.mixes ?? []
      return { asks: asksFullClean(held.map(known.mix), to.map(known.mix)) ? 'full-clean' : 'none' }
    }
    case 'ware.in@1': {
      const { product } = draft.payload
      const label = wareLabel(product, known.product(product))
      return label ? { label } : {}
    }
    case 'reading.taken@1': {
      const label = labelFor(draft, known)
      return label ? { label } : undefined
    }
    default:
      return isRunType(draft.type) ? {} : undefined
  }
}

/** The recipe that a number of a step is held against; null where it goes by none, or nobody has entered one. */
function recipeFor(
  payload: { run: string; station: string; step: string },
  known: Known,
): RecipeRange | null {
  const run = known.run(payload.run)
  const procedure = run && procedureOfRun(run)
  const position = procedure && walk(procedure, run).positions.find((p) => p.key === payload.step)
  if (position?.kind !== 'step' || position.step.kind !== 'read' || !position.step.recipe) return null
  const held = known.station(payload.station)?.holds?.mixes ?? []
  return recipeRange(held.map(known.mix), position.step.recipe)
}

/** A product's label for one use, as far as a run depends on it; null where it has no such use. */
export function labelInForce(
  id: string,
  product: Partial<ProductSet> | null,
  useId: string,
): LabelInForce | null {
  const use = product?.uses?.find((u) => u.id === useId)
  if (!product || !use) return null
  return {
    use: useId,
    product: id,
    name: product.name ?? '',
    agent: use.range ? (product.agent ?? null) : null,
    chemicalClass: product.chemicalClass ?? null,
    contactSeconds: use.contactSeconds,
    alsoWashes: use.alsoWashes ?? false,
  }
}

/** The label's use for ware that is dipped by hand: the one for utensils, else the one that asks for the longest contact. */
function wareLabel(id: string, product: Partial<ProductSet> | null): LabelInForce | null {
  const uses = (product?.uses ?? []).filter((u) => u.range !== null)
  const longest = uses.toSorted((a, b) => (b.contactSeconds ?? 0) - (a.contactSeconds ?? 0))[0]
  const use = uses.find((u) => u.id === 'utensils') ?? longest
  return use ? labelInForce(id, product, use.id) : null
}

/** The use of a product that a step of a run mixes or checks; null where it does neither. */
export function useOfStep(run: RunState | null, key: string): string | null {
  const procedure = run && procedureOfRun(run)
  if (!run || !procedure) return null
  const position = walk(procedure, run).positions.find((p) => p.key === key)
  return position?.kind === 'step' ? useOf(position.step) : null
}

/** ppm that the machine's manual asks for at a step that checks sanitizer, by the plate as the run began; null where it says nothing. */
export function strengthOfStep(run: RunState | null, key: string): Interval | null {
  const procedure = run && procedureOfRun(run)
  if (!run || !procedure) return null
  const position = walk(procedure, run).positions.find((p) => p.key === key)
  return position?.kind === 'step' ? plateStrength(position.step, run.parameters) : null
}

/** The label of what a step mixed or checked, for the use that the procedure names. */
function labelFor(draft: AnyDraft, known: Known): LabelInForce | null {
  const used = solutionOf(draft)
  const use = used && useOfStep(known.run(used.run), used.step)
  return !used || use === null ? null : labelInForce(used.product, known.product(used.product), use)
}
