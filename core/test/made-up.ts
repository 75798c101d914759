import type { Node, Procedure, Step, Tick } from '../procedure/index.ts'

/** A step to do, named by its id. */
export const step = (id: string, more: Partial<Step> = {}): Step =>
  ({ id, kind: 'do', title: id, ...more }) as Step
export const pour = step('pour', { effects: { contents: 'rinse' } })
export const drain = step('drain', { effects: { contents: 'empty' } })

/** A procedure of these nodes and nothing else. */
export const of = (nodes: Node[], more: Partial<Procedure> = {}): Procedure => ({
  id: 'p',
  version: 1,
  name: 'p',
  family: 'f',
  parameters: {},
  isolation: 'none',
  materials: [],
  cautions: [],
  nodes,
  ...more,
})
/** Two barrels side by side, then an end. */
export const barrels = of([
  { id: 'barrels', kind: 'each', unit: 'barrel', count: 2, steps: [pour, drain] },
  step('end'),
])

/** An observation at an instant (ms) by clocks that agree. */
export const tick = (at: number, more: Partial<Tick> = {}): Tick => ({
  at,
  observedAt: at,
  clockOffset: 0,
  receivedAt: at,
  boot: null,
  ...more,
})
