import {
  movedParts,
  numberOf,
  stepsOf,
  waitKindOf,
  walk,
  type Contents,
  type Facets,
  type Isolation,
  type Position,
  type RunState,
  type StationState,
  type Step,
} from '../procedure/index.ts'
import {
  bathTemperature,
  closeLookOf,
  dippedIn,
  displayOf,
  gaugesOf,
  phStripOf,
  runsClear,
  stripOf,
  type CloseLook,
  type DrawnStrip,
  type Gauges,
} from './drawn.ts'
import { openFault, type FaultState, type Practice } from './fault.ts'
import { runsDry } from './throw.ts'

/** What stands before whoever practises. What may be touched is put right by that, where it is wrong. */
export type Thing =
  | {
      readonly is: 'machine'
      readonly contents: Contents
      /** How full, 0 to 1. */
      readonly level: number
      readonly beater: 'turns' | 'stands' | 'none'
      readonly spout: 'shut' | 'drips' | 'none'
    }
  | { readonly is: 'power'; readonly by: Isolation; readonly on: boolean }
  | { readonly is: 'feeds'; readonly on: boolean }
  | { readonly is: 'bottle'; readonly product: string }
  | {
      readonly is: 'laid-out'
      readonly parts: readonly { readonly id: string; readonly name: string; readonly count: number }[]
    }
  | { readonly is: 'close-look'; readonly of: CloseLook; readonly worn: boolean }
  | {
      readonly is: 'strip'
      readonly strip: DrawnStrip
      readonly ph: DrawnStrip | null
      readonly celsius: number
    }
  | { readonly is: 'gauges'; readonly shows: Gauges }
  | { readonly is: 'display'; readonly step: Step & { readonly kind: 'read' }; readonly value: number }
  | { readonly is: 'pan'; readonly cloudy: boolean }

/** Things that a hand can put right. */
export const touchable = ['machine', 'power', 'feeds', 'bottle'] as const
export type Touchable = (typeof touchable)[number]

const minuteMs = 60_000
/** A reservoir that is well holds out so much longer than from one visit to the next. */
const holdsOut = 1.7
/** Lower than this it can be seen that it runs dry. */
export const lowLevel = 0.5

/** Whether what is left on at a step that is done is on still. */
export const isLeftOn = (
  p: Practice,
  run: RunState,
  kind: 'power-left-on' | 'feeds-left-on',
): FaultState | null =>
  p.faults.find((f) => f.kind === kind && f.caught === null && run.done[f.at] !== undefined) ?? null

/** When what disturbs a wait shows, ms; null where the wait does not run. */
export function disturbedAt(run: RunState, fault: FaultState): number | null {
  const wait = run.waits[fault.at]
  return wait && !run.done[fault.at] ? wait.startedAt + fault.after * wait.minutes * minuteMs : null
}

/** The fault that disturbs a wait now; null where it runs as it should. */
export function disturbing(
  p: Practice,
  run: RunState,
  kind: 'beater-stopped' | 'contact-cut',
  at: number,
): FaultState | null {
  const shows = (f: FaultState) => at >= (disturbedAt(run, f) ?? Infinity)
  return p.faults.find((f) => f.kind === kind && f.caught === null && shows(f)) ?? null
}

/** How full the reservoir of a tended wait is, 0 to 1, by when it was last filled. */
export function reservoirLevel(p: Practice, run: RunState, position: Position, at: number): number {
  const wait = run.waits[position.key]
  if (position.kind !== 'step' || position.step.kind !== 'tend' || !wait) return 1
  const filled = run.visits[position.key]?.at(-1) ?? wait.startedAt
  const lasts = openFault(p, 'reservoir-dry', position.key) ? runsDry : holdsOut
  const every = numberOf(position.step.every, run.parameters) * minuteMs
  return Math.min(1, Math.max(0, 1 - (at - filled) / (every * lasts)))
}

/** Whether anything in the machine turns at any time of its cleaning. */
const hasBeater = (p: Practice): boolean =>
  stepsOf(p.procedure.nodes).some((s) => 'during' in s && s.during?.power === 'agitating')

/** What a step itself asks to be switched: to touch that is to do the step. */
export function switchedBy(position: Position, thing: Touchable): boolean {
  if (position.kind !== 'step') return false
  const { step } = position
  const after = { ...step.effects, ...('during' in step ? step.during : {}) }
  if (thing === 'feeds') return after.feeds !== undefined
  return thing !== 'bottle' && after.power !== undefined
}

/** How the machine stands as the hand has it: what a step asks to be switched may be, before it is said to be done. */
function facetsNow(p: Practice, { facets }: StationState, position: Position): Facets {
  if (position.kind !== 'step' || !p.switched.includes(position.key)) return facets
  const { step } = position
  const { power = facets.power, feeds = facets.feeds } = {
    ...step.effects,
    ...('during' in step ? step.during : {}),
  }
  return { ...facets, power, ...(feeds === undefined ? {} : { feeds }) }
}

function machineOf(p: Practice, run: RunState, facets: Facets, position: Position, at: number): Thing {
  const { contents, power } = facets
  const cut = disturbing(p, run, 'contact-cut', at)
  const ends = cut && run.waits[cut.at]
  const since = cut && disturbedAt(run, cut)
  const left = ends && since !== null ? ends.startedAt + ends.minutes * minuteMs - since : 0
  const ran = left > 0 && since !== null ? Math.min(0.9, (at - since) / left) : 0
  const turns = (power === 'agitating' || power === 'freezing') && !disturbing(p, run, 'beater-stopped', at)
  return {
    is: 'machine',
    contents,
    level: contents === 'empty' ? 0 : Math.min(1 - ran, reservoirLevel(p, run, position, at)),
    beater: hasBeater(p) ? (turns ? 'turns' : 'stands') : 'none',
    spout: !stepsOf(p.procedure.nodes).some(isContact) ? 'none' : cut ? 'drips' : 'shut',
  }
}

/** How the machine is cut off by its procedure; null where it is not. */
const isolationOf = (p: Practice): Isolation | null =>
  stepsOf(p.procedure.nodes).flatMap((s) => (s.kind === 'gate' ? (s.by ?? []) : []))[0] ?? null

function atStep(p: Practice, run: RunState, position: Position): readonly Thing[] {
  if (position.kind === 'sign')
    return runsClear(position)
      ? [{ is: 'pan', cloudy: openFault(p, 'water-cloudy', position.key) !== undefined }]
      : []
  const { step, key } = position
  const read = (run.readings[key] ?? []).length > 0
  switch (step.kind) {
    case 'mix': {
      const right = dippedIn(p.known, { done: {} }, step.use)?.product.id
      const product = openFault(p, 'wrong-bottle', key)?.of ?? right
      return product === undefined ? [] : [{ is: 'bottle', product }]
    }
    case 'parts': {
      const missing = openFault(p, 'part-missing', key)?.of
      const parts = movedParts(step).map(({ id, name, count }) => ({
        ...{ id, name },
        count: id === missing ? count - 1 : count,
      }))
      return [{ is: 'laid-out', parts }]
    }
    case 'inspect': {
      const of = closeLookOf(step)
      return of ? [{ is: 'close-look', of, worn: openFault(p, 'part-worn', key) !== undefined }] : []
    }
    case 'check': {
      const doubtful = (kind: 'strip-between' | 'rinse-low') =>
        p.faults.some((f) => f.kind === kind && f.at === key) && !p.mended.includes(key)
      if (step.what !== 'sanitizer')
        return [{ is: 'gauges', shows: gaugesOf(p.known, run, step.what, doubtful('rinse-low') && !read) }]
      const strip = stripOf(p.known, run, step.use, doubtful('strip-between'))
      const agent = dippedIn(p.known, run, step.use)?.product.agent
      const ph = agent === 'chlorine' || agent === 'iodine' ? phStripOf(p.known) : null
      return strip ? [{ is: 'strip', strip, ph, celsius: bathTemperature(p.known, run, step.use) }] : []
    }
    case 'read':
      return [{ is: 'display', step, value: displayOf(p.known, run, step) }]
    default:
      return []
  }
}

/**
 * What is to be seen at a step of a practice run. @param at milliseconds of the practice's clock. Throws `parameter_missing`.
 */
export function sceneOf(
  p: Practice,
  run: RunState,
  station: StationState,
  position: Position | null,
  at: number,
): Thing[] {
  if (!position) return []
  const by = isolationOf(p)
  const facets = facetsNow(p, station, position)
  const { power, feeds } = facets
  return [
    ...atStep(p, run, position),
    machineOf(p, run, facets, position, at),
    ...(by
      ? [{ is: 'power', by, on: power !== 'isolated' || isLeftOn(p, run, 'power-left-on') !== null } as const]
      : []),
    ...(feeds === undefined
      ? []
      : [{ is: 'feeds', on: feeds === 'on' || isLeftOn(p, run, 'feeds-left-on') !== null } as const]),
  ]
}

/** The step of a run by its key; null where it has none. */
export const positionAt = (p: Practice, run: RunState, key: string): Position | null =>
  walk(p.procedure, run).positions.find((found) => found.key === key) ?? null

export const isContact = (step: Step): boolean =>
  (step.kind === 'wait' || step.kind === 'tend') && waitKindOf(step) === 'contact'
