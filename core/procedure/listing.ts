import { forMachine } from './counts.ts'
import { belongs, isStep } from './nodes.ts'
import {
  type Branch,
  type Each,
  type Node,
  type Procedure,
  type Step,
  type Together,
  type Until,
} from './language.ts'

/** One line of a procedure as it is read from the wall: a step with its number, or the head of a group. */
export type Line =
  | { readonly kind: 'step'; readonly number: number; readonly depth: number; readonly step: Step }
  | { readonly kind: 'group'; readonly depth: number; readonly group: Until | Each | Together | Branch }
  | { readonly kind: 'lane'; readonly depth: number; readonly title: string }

/** The steps of a procedure in order, groups set off, with the options chosen; numbered through. */
export function listing(procedure: Procedure, options: Readonly<Record<string, string>>): Line[] {
  const lines: Line[] = []
  let number = 0
  const add = (nodes: readonly Node[], depth: number): void => {
    for (const node of nodes) {
      if (!belongs(procedure, node, options)) continue
      if (isStep(node)) {
        number += 1
        lines.push({ kind: 'step', number, depth, step: node })
        continue
      }
      lines.push({ kind: 'group', depth, group: node })
      if (node.kind !== 'together') add(node.steps, depth + 1)
      else
        for (const lane of node.lanes) {
          lines.push({ kind: 'lane', depth: depth + 1, title: lane.title })
          add(lane.steps, depth + 2)
        }
    }
  }
  add(procedure.nodes, 0)
  return lines
}

/** What to bring before the first step: the procedure's own list and what its mixes are made of, by use. */
export function usesOf(procedure: Procedure, options: Readonly<Record<string, string>>): string[] {
  const uses = listing(procedure, options).flatMap((l) =>
    l.kind === 'step' && l.step.kind === 'mix' ? [l.step.use] : [],
  )
  return [...new Set(uses)]
}

/** What a choice of an option makes of a procedure beside its default one. */
export interface OptionChange {
  readonly adds: readonly Step[]
  readonly leavesOut: readonly Step[]
  /** Steps that stay with other parts, other places to lubricate. */
  readonly changes: readonly Step[]
}

/** What an option's choice changes in a procedure, step by step; nothing for its default. */
export function optionChange(procedure: Procedure, option: string, choice: string): OptionChange {
  const fallback = procedure.options?.find((o) => o.id === option)?.fallback ?? choice
  const steps = (to: string) =>
    listing(forMachine(procedure, {}, { [option]: to }), { [option]: to }).flatMap((l) =>
      l.kind === 'step' ? [l.step] : [],
    )
  const [usual, other] = [steps(fallback), steps(choice)]
  const has = (all: readonly Step[], s: Step) => all.some((x) => x.id === s.id && x.title === s.title)
  return {
    adds: other.filter((s) => !has(usual, s)),
    leavesOut: usual.filter((s) => !has(other, s)),
    changes: other.filter((s) =>
      usual.some((x) => x.id === s.id && x.title === s.title && JSON.stringify(x) !== JSON.stringify(s)),
    ),
  }
}
