import { belongs, isStep, stepsOf } from './nodes.ts'
import { type Node, type Part, type Procedure, type Step } from './language.ts'
import { namesOf } from './parameter.ts'
import type { Facts } from './payloads.ts'
import type { StationState } from './station-state.ts'

type PartsStep = Step & { readonly kind: 'parts' }

/** The plate's numbers that no run needs to begin: what it counts by, where the run counts itself, and what it judges a reading by. */
export function optionalNames(procedure: Procedure): ReadonlySet<string> {
  const known = names.get(procedure)
  if (known) return known
  const found = new Set(
    stepsOf(procedure.nodes).flatMap((s) => {
      if (s.kind === 'fasten') return s.of ?? []
      if (s.kind === 'read') return [s.from, s.to, s.portion].flatMap(namesOf)
      if (s.kind === 'mix') return namesOf(s.amount)
      if (s.kind === 'check' && s.what === 'sanitizer') return [s.from, s.to].flatMap(namesOf)
      if (s.kind === 'tend') return namesOf(s.uses)
      return s.kind === 'parts' ? s.parts.flatMap((p) => p.of ?? []) : []
    }),
  )
  names.set(procedure, found)
  return found
}
const names = new WeakMap<Procedure, ReadonlySet<string>>()

/** The plate's numbers without which a run cannot begin. */
export const neededNames = (procedure: Procedure): string[] =>
  Object.keys(procedure.parameters).filter((name) => !optionalNames(procedure).has(name))

/**
 * A procedure as it is for one machine: the plate's counts in the place of the usual ones, and of each list only what these options
 * leave in it. What the plate does not say keeps its name, and is counted when it comes out. Each is made once.
 * @param parameters by name, in their own units. @param options choices by option; its default where one is left out.
 */
export function forMachine(
  procedure: Procedure,
  parameters: Readonly<Record<string, number>>,
  options: Readonly<Record<string, string>>,
): Procedure {
  if (!hasOwn(procedure)) return procedure
  const numbers = [...optionalNames(procedure), ...timesNames(procedure)].map(
    (name) => parameters[name] ?? '',
  )
  const key = [...numbers, '', ...(procedure.options ?? []).map((o) => options[o.id] ?? o.fallback)].join(' ')
  const made = machines.get(procedure) ?? new Map<string, Procedure>()
  machines.set(procedure, made)
  const found = made.get(key) ?? { ...procedure, nodes: procedure.nodes.map(resolved) }
  made.set(key, found)
  return found

  function resolved(node: Node): Node {
    if (isStep(node)) return stepOf(node)
    if (node.kind === 'together')
      return { ...node, lanes: node.lanes.map((l) => ({ ...l, steps: l.steps.map(resolved) })) }
    return { ...node, steps: node.steps.map(resolved) }
  }
  function stepOf(step: Step): Step {
    if (step.kind === 'fasten') return drawn(step)
    if (step.kind === 'parts')
      return { ...step, parts: step.parts.filter((p) => belongs(procedure, p, options)).map(counted) }
    if (step.kind === 'lubricate')
      return { ...step, yes: step.yes.filter((y) => belongs(procedure, y, options)) }
    return step
  }
  function counted<T extends { readonly count: number; readonly of?: string; readonly per?: string }>(
    thing: T,
  ): T {
    const { of, per, ...rest } = thing
    const count = of === undefined ? undefined : parameters[of]
    if (count !== undefined) return { ...rest, count } as T
    const times = per === undefined ? 1 : (parameters[per] ?? 1)
    return {
      ...rest,
      count: rest.count * times,
      ...(of === undefined ? {} : { of }),
      ...(per === undefined || parameters[per] !== undefined ? {} : { per }),
    } as T
  }
  /** What is fastened, for one door, head or cover. */
  function drawn(step: Step & { readonly kind: 'fasten' }): Step {
    const { each, ...whole } = counted(step)
    const among = each === undefined ? 1 : parameters[each]
    if (whole.of !== undefined || among === undefined) return step
    return { ...whole, count: Math.max(1, Math.round(whole.count / Math.max(1, among))) }
  }
}
const machines = new WeakMap<Procedure, Map<string, Procedure>>()

/** The plate's numbers that parts come so many times as. */
function timesNames(procedure: Procedure): readonly string[] {
  const known = times.get(procedure)
  if (known) return known
  const found = stepsOf(procedure.nodes).flatMap((s) =>
    s.kind === 'parts' ? s.parts.flatMap((p) => p.per ?? []) : [],
  )
  times.set(procedure, found)
  return found
}
const times = new WeakMap<Procedure, readonly string[]>()

/** What is known of a machine in numbers: its plate's, and what runs have counted where that is silent. */
export const machineNumbers = (
  station: Pick<StationState, 'plate' | 'counted'>,
): Readonly<Record<string, number>> => ({ ...station.counted, ...station.plate?.parameters })

/** Whether anything of it is another from machine to machine. */
function hasOwn(procedure: Procedure): boolean {
  const known = differing.get(procedure)
  if (known !== undefined) return known
  const found =
    optionalNames(procedure).size > 0 ||
    stepsOf(procedure.nodes).some(
      (s) =>
        (s.kind === 'parts' && s.parts.some((p) => p.when ?? p.per)) ||
        (s.kind === 'lubricate' && s.yes.some((y) => y.when)),
    )
  differing.set(procedure, found)
  return found
}
const differing = new WeakMap<Procedure, boolean>()

/** The parts that a step moves: those that this cycle leaves are not. */
export const movedParts = (step: PartsStep): Part[] => step.parts.filter((p) => !step.leave?.includes(p.id))

/** Whether nobody has said yet how many of a part the machine has: what comes out is counted, and that is the number. */
export const isUncounted = (step: PartsStep, part: Part): boolean =>
  step.direction === 'out' && part.of !== undefined

/** The most that is believed of one part. */
export const mostOfPart = 200
const factOf = (part: Part) => `n.${part.id}`

/** What a count of parts brings. @param of pieces by part. */
export function countFacts(step: PartsStep, of: Readonly<Record<string, number>>): Facts {
  const moved = movedParts(step)
  const told = moved.filter((p) => isUncounted(step, p)).map((p) => [factOf(p), of[p.id] ?? 0] as const)
  return { counted: moved.reduce((n, p) => n + (of[p.id] ?? 0), 0), ...Object.fromEntries(told) }
}

/** The facts of a count in which everything is there, as the procedure has it. */
export const wholeCount = (step: PartsStep): Facts =>
  countFacts(step, Object.fromEntries(movedParts(step).map((p) => [p.id, p.count])))

/** Whether a count is whole: every piece that the machine has, and of what nobody had counted at least one. */
export function isWholeCount(step: PartsStep, facts: Facts): boolean {
  let total = 0
  for (const part of movedParts(step)) {
    const n = isUncounted(step, part) ? facts[factOf(part)] : part.count
    if (typeof n !== 'number' || !Number.isInteger(n) || n < 1 || n > mostOfPart) return false
    total += n
  }
  return facts['counted'] === total
}

/** The machine's own numbers that a whole count told, by their names on the plate. */
export function countsTold(step: Step, facts: Facts): Readonly<Record<string, number>> {
  if (step.kind !== 'parts') return {}
  const told = movedParts(step)
    .filter((p) => isUncounted(step, p))
    .map((p) => [p.of ?? '', facts[factOf(p)]] as const)
  return Object.fromEntries(told.filter((t): t is [string, number] => typeof t[1] === 'number'))
}
