import { Refusal } from '../refusal/index.ts'
import type { Parameter, Procedure, Step, Until } from './language.ts'
import type { RunState } from './run.ts'

/** A step at its place in a run. A repeated group asks for its sign at the end of each round. */
export type Position =
  | {
      readonly key: string
      readonly kind: 'step'
      readonly step: Step
      readonly group: Until | null
      readonly round: number
    }
  | { readonly key: string; readonly kind: 'sign'; readonly group: Until; readonly round: number }

/**
 * The steps of a run in order: all rounds worked so far, the round under way, and what follows. Grows as rounds are
 * added; never shrinks but by taking a step back.
 */
export function outline(procedure: Procedure, run: Pick<RunState, 'done'>): Position[] {
  const positions: Position[] = []
  for (const node of procedure.nodes) {
    if (node.kind !== 'until') {
      positions.push({ key: node.id, kind: 'step', step: node, group: null, round: 0 })
      continue
    }
    for (let round = 1; ; round++) {
      for (const step of node.steps)
        positions.push({ key: `${node.id}.${round}.${step.id}`, kind: 'step', step, group: node, round })
      const sign = `${node.id}.${round}.sign`
      positions.push({ key: sign, kind: 'sign', group: node, round })
      if (run.done[sign]?.facts['shown'] !== false) break
    }
  }
  return positions
}

/** The first step not done, or null where all are. */
export const currentPosition = (
  positions: readonly Position[],
  run: Pick<RunState, 'done'>,
): Position | null => positions.find((p) => !run.done[p.key]) ?? null

/** The last step done before the current one, which may be taken back; null at the start. */
export function lastDone(positions: readonly Position[], run: Pick<RunState, 'done'>): Position | null {
  const at = positions.findIndex((p) => !run.done[p.key])
  return positions[(at < 0 ? positions.length : at) - 1] ?? null
}

/** A parameter's number from the run's model. Throws `parameter_missing`. */
export function numberOf(parameter: Parameter, parameters: Readonly<Record<string, number>>): number {
  if (typeof parameter === 'number') return parameter
  const value = parameters[parameter.of]
  if (value === undefined) throw new Refusal('parameter_missing', { parameter: parameter.of })
  return value
}

/** Instant (ms UTC) at which a wait's minutes are over, or null where it has not begun. */
export function waitEndsAt(run: Pick<RunState, 'waits'>, key: string): number | null {
  const wait = run.waits[key]
  return wait ? wait.startedAt + wait.minutes * 60_000 : null
}

/** Parts of a `parts` step: how many pieces in all. */
export const pieces = (step: Step & { kind: 'parts' }): number => step.parts.reduce((n, p) => n + p.count, 0)
