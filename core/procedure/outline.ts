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
import { numberOf } from './parameter.ts'
import { forMachine, movedParts } from './counts.ts'
import { framesOf, type Frame, type Position } from './frame.ts'
import type { RunState } from './run-state.ts'

type Worked = Pick<RunState, 'done'> & Partial<Pick<RunState, 'options' | 'parameters'>>

interface Walk {
  readonly positions: Position[]
  /** What may be worked now: the first undone of the sequence, or of each lane where lanes stand side by side. */
  readonly open: Position[]
}

/**
 * A run's steps in order and those that may be worked now: all rounds worked so far, the round under way, every lane, the
 * branches that inspections have opened, and what follows. Grows as rounds and branches are added; never shrinks but by
 * taking a step back. States are never changed in place: the last walk of each is kept.
 */
export function walk(procedure: Procedure, run: Worked): Walk {
  const last = walked.get(run)
  if (last?.procedure === procedure) return last.walk
  const found = walkAnew(procedure, run)
  walked.set(run, { procedure, walk: found })
  return found
}

const walked = new WeakMap<Worked, { readonly procedure: Procedure; readonly walk: Walk }>()

function walkAnew(written: Procedure, run: Worked): Walk {
  const choices = run.options ?? {}
  // Whoever asks, with whatever of it at hand: the steps are this machine's.
  const procedure = forMachine(written, run.parameters ?? {}, choices)
  const positions: Position[] = []

  /** Puts a position there; returns it where it may be worked now. */
  function put(position: Position): Position[] {
    positions.push(position)
    return run.done[position.key] ? [] : [position]
  }

  /** Puts what these nodes hold there; returns what of it may be worked now. */
  function sequence(nodes: readonly Node[], at: Frame): Position[] {
    let open: Position[] | null = null
    for (const node of nodes) {
      if (!belongs(procedure, node, choices)) continue
      const inner = one(node, at)
      if (open === null && inner.length > 0) open = inner
    }
    return open ?? []
  }

  function one(node: Node, at: Frame): Position[] {
    if (isStep(node)) return put(at.stepOf(node))
    if (node.kind === 'until') return rounds(node, at)
    if (node.kind === 'branch') return opened(node, at) ? sequence(node.steps, at) : []
    return lanes(node, at)
  }

  function opened({ on, is, chose = [] }: Branch, at: Frame): boolean {
    const { outcome, choice } = (run.done[at.keyOf(on)] ?? run.done[on])?.facts ?? {}
    return (
      (typeof outcome === 'string' && (is as readonly string[]).includes(outcome)) ||
      (typeof choice === 'string' && chose.includes(choice))
    )
  }

  function rounds(group: Until, at: Frame): Position[] {
    for (let round = 1; ; round++) {
      const inside = at.roundOf(group, round)
      const steps = sequence(group.steps, inside)
      const sign = inside.signOf(group)
      const signed = put(sign)
      const open = steps.length > 0 ? steps : signed
      if (open.length > 0 || run.done[sign.key]?.facts['shown'] !== false) return open
    }
  }

  function lanes(group: Each | Together, at: Frame): Position[] {
    const all = lanesOf(group, run.parameters ?? {})
    return all.flatMap((lane, i) => sequence(lane.steps, at.laneOf(group, lane, i + 1, all.length)))
  }

  return { open: sequence(procedure.nodes, framesOf(procedure)), positions }
}

/** The lanes of a group: one for every barrel, or those it names. Throws `parameter_missing`. */
export function lanesOf(
  group: Each | Together,
  parameters: Readonly<Record<string, number>>,
): { readonly id: string; readonly title: string; readonly steps: readonly Node[] }[] {
  if (group.kind === 'together') return [...group.lanes]
  const count = Math.max(1, Math.round(numberOf(group.count, parameters)))
  return Array.from({ length: count }, (_, i) => ({
    id: String(i + 1),
    title: `${group.unit} ${i + 1}`,
    steps: group.steps,
  }))
}

export const outline = (procedure: Procedure, run: Worked): Position[] => walk(procedure, run).positions

/** What may be worked now, in order; several where lanes stand side by side. */
export const openPositions = (procedure: Procedure, run: Worked): Position[] => walk(procedure, run).open

/** Whether nothing of a run is left to do. */
export const isComplete = (procedure: Procedure, run: Worked): boolean =>
  openPositions(procedure, run).length === 0

/** The step to work next: the first open one whose timer is not running, else the first open one; null where all are done. */
export function currentPosition(
  procedure: Procedure,
  run: Worked & Partial<Pick<RunState, 'waits'>>,
): Position | null {
  const open = openPositions(procedure, run)
  return open.find((p) => !run.waits?.[p.key]) ?? open[0] ?? null
}

/** The last step done, in this lane where one is named, which may be taken back; null at the start. */
export function lastDone(
  positions: readonly Position[],
  run: Pick<RunState, 'done'>,
  lane: string | null = null,
): Position | null {
  const done = positions.filter((p) => run.done[p.key] && (lane === null || p.lane?.key === lane))
  return done.reduce<Position | null>(
    (last, p) => (last === null || (run.done[p.key]?.at ?? 0) >= (run.done[last.key]?.at ?? 0) ? p : last),
    null,
  )
}

/** Instant (ms UTC) at which a wait's minutes are over, or null where it has not begun. */
export function waitEndsAt(run: Pick<RunState, 'waits'>, key: string): number | null {
  const wait = run.waits[key]
  return wait ? wait.startedAt + wait.minutes * 60_000 : null
}

/** Parts of a `parts` step that are moved: how many pieces in all. */
export const pieces = (step: Step & { kind: 'parts' }): number =>
  movedParts(step).reduce((n, p) => n + p.count, 0)
