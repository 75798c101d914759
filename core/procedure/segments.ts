import { forMachine } from './counts.ts'
import type { SharedPlace } from '../house/site.ts'
import { belongs, isStep } from './nodes.ts'
import { type Node, type Procedure, type Step, type Touch } from './language.ts'
import { lanesOf, pieces } from './outline.ts'
import { numberOf } from './parameter.ts'
import { SegmentBuilder } from './segment-builder.ts'

/** A piece of a run as planning sees it: a person's hands, or a wait that needs nobody. Minutes are whole. */
export interface Segment {
  readonly id: string
  readonly kind: 'hands-on' | 'wait'
  readonly title: string
  /** Of work, or the least of a wait. */
  readonly minutes: number
  /** Of work, by person, where somebody's own runs tell other minutes. */
  readonly minutesBy: Readonly<Record<string, number>>
  /** The most of a wait, minutes; null where it may last. */
  readonly most: number | null
  /** Nobody need stand by: another may be worked meanwhile. */
  readonly free: boolean
  readonly places: readonly SharedPlace[]
  /** People who must do it together. */
  readonly hands: 1 | 2
  /** What it touches first, and last, that is dirty or must stay clean; null where nothing does. */
  readonly first: Touch | null
  readonly last: Touch | null
  /** Somebody else may go on after it. */
  readonly handover: boolean
  /** The keys of the steps it holds, so that a run's progress is seen in the plan. */
  readonly steps: readonly string[]
}

/** `to` begins at least `least` and at most `most` minutes after `from` ends. */
export interface Link {
  readonly from: string
  readonly to: string
  readonly least: number
  readonly most: number | null
}

export interface SegmentGraph {
  readonly procedure: string
  readonly version: number
  readonly segments: readonly Segment[]
  readonly links: readonly Link[]
}

/** Minutes of hands-on work by kind of step. Common practice, no source; a site's own runs replace them. */
const usual: Record<Step['kind'], number> = {
  do: 2,
  gate: 1,
  mix: 3,
  wait: 0,
  tend: 1,
  check: 2,
  parts: 0,
  inspect: 1,
  lubricate: 3,
  fasten: 2,
  product: 3,
  read: 1,
}
const minutesPerPiece = 0.3

export interface Model {
  readonly parameters: Readonly<Record<string, number>>
  readonly options: Readonly<Record<string, string>>
  /** Minutes that the site takes for a step by its id, where it has runs enough to tell. */
  readonly learned?: Readonly<Record<string, number>>
  /** By person, minutes for a step by its id, where their own runs are enough to tell. */
  readonly learnedBy?: Readonly<Record<string, Readonly<Record<string, number>>>>
}

/**
 * Compiles a procedure to the graph that planning uses: neighbouring steps of a person joined, waits apart, tended waits as
 * chains of short visits, lanes side by side, repeated groups by their expected rounds.
 * Throws `parameter_missing`.
 */
export function segmentsOf(written: Procedure, model: Model): SegmentGraph {
  const built = new SegmentBuilder()
  const { parameters, options } = model
  const procedure = forMachine(written, parameters, options)
  function node(n: Node, prefix: string): void {
    if (!belongs(procedure, n, options)) return
    if (isStep(n)) return putStep(built, n, prefix, model)
    // A branch is the exception, not the plan, where it does not say otherwise.
    if (n.kind === 'branch') {
      for (const inner of n.expected ? n.steps : []) node(inner, prefix)
      return
    }
    if (n.kind === 'until') {
      for (let round = 1; round <= (n.expected ?? 2); round++)
        for (const inner of n.steps) node(inner, `${prefix}${n.id}.${round}.`)
      return
    }
    built.sideBySide(
      lanesOf(n, parameters).map((lane) => () => {
        for (const inner of lane.steps) node(inner, `${prefix}${n.id}.${lane.id}.`)
      }),
    )
  }
  for (const n of procedure.nodes) node(n, '')
  return { procedure: procedure.id, version: procedure.version, segments: built.segments, links: built.links }
}

/** Puts one step into the graph. @param lane what stands before its key: work of one lane joins only its own. */
function putStep(built: SegmentBuilder, step: Step, lane: string, model: Model): void {
  const { parameters, learned, learnedBy = {} } = model
  const key = lane + step.id
  if (step.kind === 'wait')
    return built.wait(step, key, {
      minutes: Math.round(numberOf(step.length, parameters)),
      most: step.most === undefined ? null : Math.round(numberOf(step.most, parameters)),
    })
  if (step.kind === 'tend') {
    const [length, every] = [numberOf(step.length, parameters), Math.max(1, numberOf(step.every, parameters))]
    return built.tended(step, key, every, Math.max(1, Math.floor(length / every)))
  }
  const minutes = learned?.[step.id] ?? handsOn(step, parameters)
  const others = Object.entries(learnedBy).flatMap(([person, own]): [string, number][] => {
    const took = own[step.id]
    return took === undefined || took === minutes ? [] : [[person, took]]
  })
  built.hands(step, key, lane, { minutes, minutesBy: Object.fromEntries(others) })
}

/** Whole minutes of a person's work that a step takes, at least one. */
export function handsOn(step: Step, parameters: Readonly<Record<string, number>>): number {
  if (step.minutes !== undefined) return Math.max(1, Math.round(numberOf(step.minutes, parameters)))
  if (step.kind === 'parts') return Math.max(1, Math.ceil(pieces(step) * minutesPerPiece))
  return Math.max(1, usual[step.kind])
}
