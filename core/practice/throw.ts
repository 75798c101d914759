import {
  movedParts,
  numberOf,
  outline,
  waitKindOf,
  type Position,
  type Procedure,
  type RunState,
  type Step,
} from '../procedure/index.ts'
import { randomFrom } from '../quantity/index.ts'
import { kindOf, marksOf } from '../warewash/index.ts'
import { closeLookOf, lowRinse, runsClear, servesFor, stripOf } from './drawn.ts'
import { faultKinds, type Fault, type FaultKind, type Practice, type PracticeKnown } from './fault.ts'

/** A reservoir that leaks is dry after so much of the time from one visit to the next. */
export const runsDry = 0.7

/** What a step must not find left on: hands that reach in, acid that meets the machine's own feeds. */
export const harms = {
  'power-left-on': (step: Step) => step.act === 'reach-in',
  'feeds-left-on': (step: Step) => step.effects?.contents === 'descaler',
} as const

interface Where {
  readonly position: Position
  readonly later: readonly Position[]
  readonly run: RunState
  readonly known: PracticeKnown
}
type Thrown = Pick<Fault, 'of'>
const plain: readonly Thrown[] = [{ of: null }]
const when = (holds: boolean): readonly Thrown[] => (holds ? plain : [])
/** Whether it does harm before it is switched again. */
function harmedLater(later: readonly Position[], kind: keyof typeof harms): boolean {
  const steps = later.flatMap((p) => (p.kind === 'step' ? [p.step] : []))
  const switched = (s: Step) => (kind === 'power-left-on' ? s.effects?.power : s.effects?.feeds) !== undefined
  const first = steps.find((s) => harms[kind](s) || switched(s))
  return first !== undefined && harms[kind](first)
}

/** Where each kind of fault can be thrown in, and what it is about there. */
const fits: Readonly<Record<FaultKind, (step: Step, where: Where) => readonly Thrown[]>> = {
  'reservoir-dry': (step, { run }) =>
    when(
      step.kind === 'tend' &&
        numberOf(step.length, run.parameters) >= numberOf(step.every, run.parameters) * runsDry,
    ),
  'strip-between': (step, { run, known }) =>
    when(
      step.kind === 'check' &&
        step.what === 'sanitizer' &&
        stripOf(known, run, step.use, false) !== null &&
        stripOf(known, run, step.use, true) !== null,
    ),
  'rinse-low': (step, { run, known }) => {
    const kind = kindOf(known.family)
    const heats = kind !== null && kind !== 'chemical' && marksOf(kind, run.parameters).rinse > lowRinse
    return when(step.kind === 'check' && step.what === 'dish-machine' && heats)
  },
  'part-missing': (step) =>
    step.kind !== 'parts'
      ? []
      : movedParts(step)
          // How many there are of what nobody has counted is not known.
          .filter((p) => step.direction === 'in' || p.of === undefined)
          .map((p) => ({ of: p.id })),
  'part-worn': (step) => when(closeLookOf(step) !== null),
  'feeds-left-on': (step, { later }) =>
    when(step.effects?.feeds === 'off' && harmedLater(later, 'feeds-left-on')),
  'power-left-on': (step, { later }) =>
    when(step.effects?.power === 'isolated' && harmedLater(later, 'power-left-on')),
  'wrong-bottle': (step, { known }) =>
    step.kind !== 'mix' || servesFor(known, step.use).length === 0
      ? []
      : known.products.filter((p) => p.uses.every((u) => u.id !== step.use)).map((p) => ({ of: p.id })),
  'beater-stopped': (step) => when(step.kind === 'wait' && step.during?.power === 'agitating'),
  'contact-cut': (step) => when(step.kind === 'wait' && waitKindOf(step) === 'contact'),
  'water-cloudy': () => [],
}

/** All that could go wrong in a run that has just begun, step by step. */
export function faultsPossible(procedure: Procedure, run: RunState, known: PracticeKnown): Fault[] {
  const positions = outline(procedure, run)
  return positions.flatMap((position, i) => {
    const where = { position, later: positions.slice(i + 1), run, known }
    const found = (kind: FaultKind) =>
      position.kind === 'step'
        ? fits[kind](position.step, where)
        : when(kind === 'water-cloudy' && runsClear(position))
    return faultKinds.flatMap((kind) =>
      found(kind).map(({ of }) => ({ kind, at: position.key, of, after: 0 })),
    )
  })
}

/** Of so many practice runs one has nothing wrong, and of the others every second one thing, else two. */
const noneOf = 5
/** A wait is disturbed between these parts of it. */
const [earliest, latest] = [0.2, 0.5]

/**
 * A practice run. The same seed throws in the same faults; some throw in none.
 * @param run just begun. @param wanted one kind that is thrown in, alone.
 */
export function practiceOf(
  procedure: Procedure,
  run: RunState,
  known: PracticeKnown,
  seed: number,
  wanted?: FaultKind,
): Practice {
  const random = randomFrom(seed)
  const one = <T>(all: readonly T[]): T | undefined => all[Math.floor(random() * all.length)]
  const none = Math.floor(random() * noneOf) === 0
  const most = wanted !== undefined ? 1 : none ? 0 : random() < 0.5 ? 1 : 2
  let left = faultsPossible(procedure, run, known).filter((f) => wanted === undefined || f.kind === wanted)
  const faults: Practice['faults'][number][] = []
  while (faults.length < most && left.length > 0) {
    // Each kind is as likely, however many steps it fits.
    const kind = one([...new Set(left.map((f) => f.kind))])
    const fault = one(left.filter((f) => f.kind === kind))
    if (!fault) break
    const after = earliest + random() * (latest - earliest)
    faults.push({ ...fault, after, caught: null, missed: false })
    left = left.filter((f) => f.kind !== fault.kind && f.at !== fault.at)
  }
  return { procedure, known, faults, falseAlarms: [], mended: [], switched: [] }
}
