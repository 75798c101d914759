import type { Procedure } from './language.ts'
import { outline } from './outline.ts'
import type { RunState } from './run-state.ts'

/**
 * Water that a run rinsed with and threw away, mL: the plate's amount for each rinse that was poured in. What is rinsed at a tap
 * nobody measures: it is not in it.
 */
export function rinsedWater(procedure: Procedure, run: Pick<RunState, 'done' | 'parameters'>): number {
  const once = run.parameters['rinse'] ?? 0
  if (procedure.parameters['rinse'] !== 'mL' || once === 0) return 0
  const poured = outline(procedure, run).filter(
    (p) =>
      p.kind === 'step' &&
      p.step.kind === 'do' &&
      // The step says how much: clear water run through until nothing foams is not measured.
      p.step.title.includes('{rinse}') &&
      p.step.effects?.contents === 'rinse' &&
      run.done[p.key] !== undefined,
  )
  return poured.length * once
}
