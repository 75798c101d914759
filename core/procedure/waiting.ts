import type { Step, WaitKind } from './language.ts'
import { numberOf } from './parameter.ts'
import type { LabelInForce } from './in-force.ts'
import type { RunState } from './run-state.ts'

export type Timed = Step & { kind: 'wait' | 'tend' }

export const waitKindOf = (step: Timed): WaitKind => step.of ?? 'contact'

/** Kinds of wait that have not happened where they end early. The others may, and the log says by how much. */
const strict: readonly WaitKind[] = ['contact', 'cool', 'dry', 'flush']
export const mustLast = (step: Timed): boolean => strict.includes(waitKindOf(step))

/** Kinds of wait that a shift lead may end on their own responsibility; a machine is cool when it is cool. */
export const mayOverride = (step: Timed): boolean => mustLast(step) && waitKindOf(step) !== 'cool'

/**
 * A surface this cool is touched without harm however long, °C: the burn threshold for contact of eight hours and more, by
 * ISO 13732-1. From memory: nothing but going on before a cooling time is over rests on it.
 */
export const coolEnoughCelsius = 43
/**
 * @example isCoolEnough(40) // true
 */
export const isCoolEnough = (celsius: number): boolean => celsius <= coolEnoughCelsius

/**
 * The least contact time of a sanitizer, seconds: FDA Food Code 2022, 4-703.11(C): chlorine 10 s (the 7 s for some
 * strengths and temperatures are not relied on here), other chemicals 30 s; a label's longer time wins.
 * @param label of the product in use; null where it is not known: then the longest of the code's.
 */
export function leastContactSeconds(label: LabelInForce | null): number {
  const code = label?.agent === 'chlorine' ? 10 : 30
  return Math.max(code, label?.contactSeconds ?? 0)
}

/**
 * The sanitizer that this run mixed last, or dipped a strip in where it was mixed elsewhere, by its label as the site had it
 * then; null where there was none.
 */
export function sanitizerUsed(run: Pick<RunState, 'done'>): LabelInForce | null {
  return Object.values(run.done)
    .filter((d) => d.label !== undefined && d.label.agent !== null)
    .reduce<LabelInForce | null>((_, d) => d.label ?? null, null)
}

/**
 * Minutes that a wait must last: the procedure's or the plate's, and for contact no less than the code and the label of
 * what is really used. Throws `parameter_missing`.
 */
export function waitMinutes(step: Timed, run: Pick<RunState, 'done' | 'parameters'>): number {
  const length = numberOf(step.length, run.parameters)
  if (waitKindOf(step) !== 'contact') return length
  return Math.max(length, leastContactSeconds(sanitizerUsed(run)) / 60)
}

/** When something was observed, by every clock that saw it. Milliseconds. */
export interface Tick {
  /** By the server's clock: corrected. */
  readonly at: number
  /** By the device's own clock. */
  readonly observedAt: number
  readonly clockOffset: number
  readonly receivedAt: number
  /** Names the device's time since it was switched on, within which its clock cannot be set; null where nothing tells. */
  readonly boot: string | null
}

/** Clocks this near to each other agree. */
const slackMs = 2000
/** A record that comes within this time came as it was made. */
const promptMs = 60_000

/**
 * Milliseconds that are proven to lie between two observations, by the clock that nobody can set. Within one start of a
 * device its own clock counts; after a restart the corrected one, where the beginning reached the server as it was made. What
 * cannot be squared did not pass.
 */
export function provenMs(start: Tick, end: Tick): number {
  const ahead = Math.max(0, end.at - end.receivedAt - slackMs)
  const corrected = end.at - start.at - ahead
  if (start.boot === null || start.boot !== end.boot)
    return start.receivedAt - start.at <= promptMs ? Math.max(0, corrected) : 0
  const own = end.observedAt - start.observedAt - ahead
  if (Math.abs(end.clockOffset - start.clockOffset) <= slackMs) return Math.max(0, own)
  // The device slept, or its clock was moved: the server's own clock must bear out what is more.
  const received = end.receivedAt - start.receivedAt
  return Math.max(0, Math.min(corrected, Math.max(own, received)))
}
