import {
  namesOf,
  stepsOf,
  violationsOf,
  type Node,
  type Parameter,
  type Procedure,
  type SafetyRule,
  type When,
} from '@tadka/core/procedure'
import { procedureSchema } from './schemas.ts'

/** What is wrong with a procedure file, and where. */
export type ProcedureFault =
  /** `at`: the path inside the file. */
  | { readonly kind: 'shape'; readonly at: string; readonly why: string }
  /** A name that nothing answers to. */
  | { readonly kind: 'name'; readonly at: string; readonly why: string }
  /** A way through it that is not safe; `at`: the key of the step where it breaks, none where it is how it ends. */
  | {
      readonly kind: 'safety'
      readonly rule: SafetyRule
      readonly at: string
      readonly path: readonly string[]
    }

/**
 * Reads a procedure from what a file holds: its shape, the names in it, its safety on every way through. Either a procedure or
 * every fault; never half of one.
 */
export function readProcedure(
  value: unknown,
):
  | { readonly procedure: Procedure; readonly faults: [] }
  | { readonly procedure: null; readonly faults: ProcedureFault[] } {
  const parsed = procedureSchema.safeParse(value)
  if (!parsed.success) {
    const faults = parsed.error.issues.map((i): ProcedureFault => ({
      kind: 'shape',
      at: i.path.join('.'),
      why: i.message,
    }))
    return { procedure: null, faults }
  }
  const procedure: Procedure = parsed.data
  const names = nameFaults(procedure)
  if (names.length > 0) return { procedure: null, faults: names }
  const unsafe = violationsOf(procedure)
  if (unsafe.length > 0)
    return {
      procedure: null,
      faults: unsafe.map(({ rule, at, path }) => ({ kind: 'safety', rule, at, path })),
    }
  return { procedure, faults: [] }
}

function nameFaults(procedure: Procedure): ProcedureFault[] {
  const faults: ProcedureFault[] = []
  const fault = (at: string, why: string) => faults.push({ kind: 'name', at, why })
  const known = new Set(Object.keys(procedure.parameters))
  const parameter = (at: string, p: Parameter | undefined) => {
    for (const name of namesOf(p)) if (!known.has(name)) fault(at, `no parameter "${name}"`)
  }
  for (const option of procedure.options ?? [])
    if (!option.choices.some((c) => c.id === option.fallback))
      fault(`options.${option.id}`, 'its default is no choice')

  function chosen(at: string, when: readonly When[] = []): void {
    for (const w of when) {
      const option = procedure.options?.find((o) => o.id === w.option)
      if (!option) fault(at, `no option "${w.option}"`)
      else if (!w.is.every((c) => option.choices.some((o) => o.id === c)))
        fault(at, `no such choice of "${w.option}"`)
    }
  }
  /** What is counted by the plate is counted in pieces. */
  function counted(at: string, of: string | undefined): void {
    if (of !== undefined && procedure.parameters[of] !== 'count') fault(at, `no count "${of}"`)
  }

  function siblings(nodes: readonly Node[], at: string): void {
    const ids = nodes.map((n) => n.id)
    for (const [i, n] of nodes.entries()) {
      const here = `${at}${n.id}`
      if (ids.indexOf(n.id) !== i) fault(here, 'its id is used twice')
      chosen(here, n.when)
      if (n.kind === 'together') for (const lane of n.lanes) siblings(lane.steps, `${here}.${lane.id}.`)
      else if (n.kind === 'until' || n.kind === 'each' || n.kind === 'branch') siblings(n.steps, `${here}.`)
      if (n.kind === 'each') parameter(here, n.count)
    }
  }
  siblings(procedure.nodes, '')
  for (const s of stepsOf(procedure.nodes)) {
    parameter(s.id, s.minutes)
    if (s.kind === 'fasten') for (const n of [s.of, s.each]) counted(s.id, n)
    for (const p of s.kind === 'parts' ? s.parts : []) {
      for (const n of [p.of, p.per]) counted(`${s.id}.${p.id}`, n)
      chosen(`${s.id}.${p.id}`, p.when)
    }
    for (const y of s.kind === 'lubricate' ? s.yes : []) chosen(s.id, y.when)
    if (s.kind === 'read') for (const p of [s.from, s.to, s.portion]) parameter(s.id, p)
    if (s.kind === 'mix') for (const p of [s.volume, s.capacity, s.amount]) parameter(s.id, p)
    if (s.kind === 'wait') for (const p of [s.length, s.most]) parameter(s.id, p)
    if (s.kind === 'tend') for (const p of [s.length, s.every, s.uses]) parameter(s.id, p)
    for (const word of [s.title, s.text ?? ''].join(' ').match(/\{(\w+)\}/g) ?? [])
      if (!known.has(word.slice(1, -1))) fault(s.id, `no parameter "${word.slice(1, -1)}"`)
  }
  return faults
}
