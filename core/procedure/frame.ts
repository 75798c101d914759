import type { Each, Procedure, Step, Together, Until } from './language.ts'

/** One of several lanes side by side. */
export interface InLane {
  readonly group: Each | Together
  /** The lane's place among the group's keys: "barrels.2". */
  readonly key: string
  readonly number: number
  readonly of: number
  readonly name: string
}

interface Placed {
  readonly key: string
  readonly round: number
  readonly lane: InLane | null
}

/** A step at its place in a run. A repeated group asks for its sign at the end of each round. */
export type Position = Placed &
  (
    | { readonly kind: 'step'; readonly step: Step; readonly group: Until | null }
    | { readonly kind: 'sign'; readonly group: Until }
  )

/**
 * Where in a procedure a sequence stands: in which round, in which lane. It makes each position once, however many runs are walked
 * however often: a walk then only looks what is done.
 */
export class Frame {
  readonly #prefix: string
  readonly #group: Until | null
  readonly #round: number
  readonly #lane: InLane | null
  readonly #steps = new Map<Step, Position>()
  readonly #keys = new Map<string, string>()
  readonly #inner = new Map<object, Frame[]>()
  #sign: Position | null = null

  constructor(prefix: string, group: Until | null, round: number, lane: InLane | null) {
    this.#prefix = prefix
    this.#group = group
    this.#round = round
    this.#lane = lane
  }

  /** The key of a step of this sequence. */
  keyOf(id: string): string {
    const known = this.#keys.get(id)
    if (known !== undefined) return known
    const made = this.#prefix + id
    this.#keys.set(id, made)
    return made
  }

  #at(id: string) {
    return { key: this.keyOf(id), round: this.#round, lane: this.#lane }
  }

  stepOf(step: Step): Position {
    const known = this.#steps.get(step)
    if (known) return known
    const made: Position = { ...this.#at(step.id), kind: 'step', step, group: this.#group }
    this.#steps.set(step, made)
    return made
  }

  /** The sign at the end of a round: of the frame inside it. */
  signOf(group: Until): Position {
    return (this.#sign ??= { ...this.#at('sign'), kind: 'sign', group })
  }

  #innerOf(whose: object, number: number, make: () => Frame, fits: (frame: Frame) => boolean): Frame {
    const frames = this.#inner.get(whose) ?? []
    this.#inner.set(whose, frames)
    const known = frames[number]
    if (known && fits(known)) return known
    const made = make()
    frames[number] = made
    return made
  }

  roundOf(group: Until, round: number): Frame {
    const make = () => new Frame(`${this.#prefix}${group.id}.${round}.`, group, round, this.#lane)
    return this.#innerOf(group, round, make, () => true)
  }

  /** @param of how many lanes there are: a machine's barrels, by its plate. */
  laneOf(
    group: Each | Together,
    lane: { readonly id: string; readonly title: string },
    number: number,
    of: number,
  ): Frame {
    const make = () => {
      const key = `${this.#prefix}${group.id}.${lane.id}`
      const inLane: InLane = { group, key, number, of, name: lane.title }
      return new Frame(`${key}.`, this.#group, this.#round, inLane)
    }
    return this.#innerOf(group, number, make, (frame) => frame.#lane?.of === of)
  }
}

/** The outermost frame of a procedure. */
export function framesOf(procedure: Procedure): Frame {
  const known = frames.get(procedure)
  if (known) return known
  const made = new Frame('', null, 0, null)
  frames.set(procedure, made)
  return made
}

const frames = new WeakMap<Procedure, Frame>()
