import type { Node, Picture, Procedure, Step, When } from './language.ts'

/** A step, and no group of them. */
export const isStep = (node: Node): node is Step =>
  node.kind !== 'until' && node.kind !== 'each' && node.kind !== 'together' && node.kind !== 'branch'

/** Whether a procedure is for stations of a family: those of "dish-machine" serve every kind of it. */
export const servesFamily = ({ family: of }: Pick<Procedure, 'family'>, family: string): boolean =>
  of === family || family.startsWith(`${of}.`)

/** The pictures of a step, and of the parts that it counts. */
export const picturesOf = (step: Step): readonly Picture[] => [
  ...(step.pictures ?? []),
  ...(step.kind === 'parts' ? step.parts.flatMap((p) => p.picture ?? []) : []),
]

/** Every step of a list of nodes, those inside groups too. */
export const stepsOf = (nodes: readonly Node[]): Step[] =>
  nodes.flatMap((node): Step[] => {
    if (isStep(node)) return [node]
    return node.kind === 'together' ? node.lanes.flatMap((lane) => stepsOf(lane.steps)) : stepsOf(node.steps)
  })

/** The choice of an option: what was chosen, or its default. */
export function choiceOf(
  procedure: Procedure,
  option: string,
  chosen: Readonly<Record<string, string>>,
): string {
  const found = procedure.options?.find((o) => o.id === option)
  const choice = chosen[option]
  return found && choice !== undefined && found.choices.some((c) => c.id === choice)
    ? choice
    : (found?.fallback ?? '')
}

/** Whether a node belongs to a run with these choices. */
export const belongs = (
  procedure: Procedure,
  node: { readonly when?: readonly When[] },
  chosen: Readonly<Record<string, string>>,
): boolean => (node.when ?? []).every((w) => w.is.includes(choiceOf(procedure, w.option, chosen)))

/** The steps that belong to a run with these choices; those that only a finding would open are left out. */
export function stepsOfRun(procedure: Procedure, chosen: Readonly<Record<string, string>>): Step[] {
  const inside = (nodes: readonly Node[]): Step[] =>
    nodes.flatMap((node): Step[] => {
      if (!belongs(procedure, node, chosen) || node.kind === 'branch') return []
      if (isStep(node)) return [node]
      return node.kind === 'together' ? node.lanes.flatMap((l) => inside(l.steps)) : inside(node.steps)
    })
  return inside(procedure.nodes)
}
