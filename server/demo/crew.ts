import {
  currentPosition,
  finishStep,
  handsOn,
  numberOf,
  readLimits,
  wholeCount,
  runFold,
  startRun,
  startWait,
  stationFold,
  waitKindOf,
  waitMinutes,
  type Facts,
  type InspectChoice,
  type Position,
  type Procedure,
  type RunState,
  type StationState,
  type Step,
} from '@tadka/core/procedure'
import { recipeRange } from '@tadka/core/house'
import { inForceFor } from '@tadka/core/record'
import { type AnyDraft, type AnyRecord } from '@tadka/core/stream'
import { checkStep, mixStep } from './crew-checks.ts'
import type { Diary } from './diary.ts'
import { site } from './house.ts'
import { mixes, mixOfFamily, products } from './products.ts'

export interface Worker {
  readonly by: string
  readonly random: () => number
  /** Whether the first strip of this run reads between two blocks, below the label. */
  readonly weakMix: boolean
  /** Ends every contact time early once, and is told to begin it anew. */
  readonly hasty?: boolean
  /** The outcome to choose where an inspection offers it; what is fine where it does not, or is left out. */
  readonly outcome?: InspectChoice['outcome']
  /** A choice to make where an inspection offers it, by its id. */
  readonly choice?: string
}

/** The device's time since it was switched on: a demo tablet never is off. */
const boot = 'demo'

/** A draft as the server will store it, with what the demo's own records say. */
function asRecord(draft: AnyDraft, w: Pick<Working, 'station' | 'run' | 'procedure'>): AnyRecord {
  const inForce = inForceFor(draft, {
    station: () => w.station,
    run: () => w.run,
    procedure: () => w.procedure,
    product: (id) => products[id] ?? null,
    mix: (id) => mixes[id] ?? null,
    freshHours: site.freshHours,
  })
  const chain = { seq: 0, receivedAt: draft.observedAt, clockOffset: 0, prev: '', flags: [] }
  return { ...draft, ...chain, ...(inForce ? { inForce } : {}) } as AnyRecord
}

/** A run as it is being worked: its states kept up with each record. */
export class Working {
  run: RunState
  station: StationState
  readonly diary: Diary
  readonly procedure: Procedure
  readonly worker: Worker

  constructor(diary: Diary, procedure: Procedure, station: StationState, id: string, worker: Worker) {
    this.diary = diary
    this.procedure = procedure
    this.station = station
    this.worker = worker
    this.run = runFold.initial(id)
  }

  take(draft: AnyDraft): AnyDraft {
    const record = asRecord(draft, this)
    this.run = runFold.apply(this.run, record)
    this.station = stationFold.apply(this.station, record)
    return draft
  }

  get subject() {
    return { kind: 'run', id: this.run.id } as const
  }

  done(position: Position, at: number, facts: Facts = {}): number {
    const payload = finishStep(this.run, position, facts, boot)
    this.take(this.diary.note(at, this.worker.by, 'run.step.done@2', this.subject, payload))
    return at
  }
}

/** Works one run from its start to its end as a crew member would; returns when it was done (ms UTC) and how the station stands. */
export function workRun(
  diary: Diary,
  onStation: StationState,
  procedure: Procedure,
  start: number,
  worker: Worker,
): { readonly end: number; readonly station: StationState } {
  const id = `run-${onStation.id}-${start.toString(36)}`
  const w = new Working(diary, procedure, onStation, id, worker)
  const started = startRun(id, onStation.id, procedure)
  w.take(diary.note(start, worker.by, 'run.started@2', w.subject, started))
  let at = start
  for (;;) {
    const position = currentPosition(procedure, w.run)
    if (!position || w.run.status !== 'running') break
    at = workStep(w, position, at)
  }
  const finished = { run: id, station: onStation.id, procedure: procedure.id }
  if (w.run.status === 'running')
    w.take(diary.note(at + 1000, worker.by, 'run.finished@1', w.subject, finished))
  return { end: at, station: w.station }
}

function workStep(w: Working, position: Position, at: number): number {
  const { random } = w.worker
  const drawn = random()
  const planned = position.kind === 'sign' ? 0 : handsOn(position.step, w.run.parameters)
  // Practised hands are quicker than planned, and do not put by that a step took no time.
  const hands = at + Math.max((25 + drawn * 70) * 1000, (0.45 + 0.3 * drawn) * planned * 60_000)
  if (position.kind === 'sign')
    return w.done(position, at + 8000, { shown: position.round >= 2 || random() < 0.2 })
  const { step } = position
  switch (step.kind) {
    case 'wait':
    case 'tend':
      return waitStep(w, position, step, at)
    case 'mix':
      return mixStep(w, position, step, hands)
    case 'check':
      return checkStep(w, step, position.key, hands)
    case 'parts':
      return w.done(position, hands + 120_000, wholeCount(step))
    case 'read':
      return w.done(position, hands, { read: readOff(step, w.run, random) })
    case 'inspect':
      return w.done(position, hands, chosen(w.worker, step))
    case 'product':
      return w.done(position, hands, { kept: false, litres: Number((0.5 + random() * 2).toFixed(1)) })
    default:
      return w.done(position, hands, filledWith(step, w.station))
  }
}

/** Which mix went in, where one does. */
function filledWith(step: Step, { plate }: StationState): Facts {
  const mix = mixOfFamily[plate?.family ?? '']
  return step.effects?.contents === 'product' && mix ? { mixes: mix, reruns: '' } : {}
}

/** Starts the timer; where another lane is open meanwhile it is worked first, and this one is done when it comes up again. */
function waitStep(
  w: Working,
  position: Position,
  step: Step & { kind: 'wait' | 'tend' },
  at: number,
): number {
  const { run, worker, diary } = w
  const minutes = waitMinutes(step, run)
  const running = run.waits[position.key]
  if (running)
    return w.done(position, Math.max(at, running.startedAt + minutes * 60_000) + worker.random() * 60_000)
  const begin = (when: number) =>
    w.take(diary.note(when, worker.by, 'run.wait.started@2', w.subject, startWait(run, position, boot)))
  begin(at)
  if (worker.hasty && waitKindOf(step) === 'contact' && w.run.cut[position.key] === undefined) {
    w.done(position, at + minutes * 24_000)
    begin(at + minutes * 24_000 + 1000)
    return at + minutes * 24_000 + 2000
  }
  if (step.kind === 'tend') {
    const every = numberOf(step.every, run.parameters)
    for (let m = every; m < minutes; m += every)
      w.take(
        diary.note(at + m * 60_000, worker.by, 'run.visit.made@1', w.subject, {
          run: run.id,
          station: run.station,
          step: position.key,
        }),
      )
    return w.done(position, at + minutes * 60_000)
  }
  return at + 1000
}

/** What a gauge in order shows: near the middle of what the plate says. */
function readOff(step: Step & { kind: 'read' }, run: RunState, random: () => number): number {
  const recipe = step.recipe ? recipeRange([mixes[mixOfFamily['batch'] ?? ''] ?? null], step.recipe) : null
  const { from, to } = readLimits(step, run.parameters, recipe)
  const [lo, hi] = [from ?? to ?? 5, to ?? from ?? 5]
  const off = (hi - lo) * (random() - 0.5) * 0.6
  return Math.round(((lo + hi) / 2 + off) * 10) / 10
}

function chosen(worker: Worker, step: Step & { kind: 'inspect' }): Facts {
  const rare = worker.random() < 0.06 ? 'watch' : 'fine'
  const find = (outcome: string) => step.choices.find((c) => c.outcome === outcome)
  // Four hours of use spend every compartment of a sink.
  const named = step.choices.find((c) => c.id === (worker.choice ?? 'all'))
  const choice = named ?? find(worker.outcome ?? rare) ?? find('fine') ?? step.choices[0]
  return choice ? { choice: choice.id } : {}
}
