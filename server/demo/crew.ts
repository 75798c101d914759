import { instant } from '@tadka/core/quantity'
import {
  currentPosition,
  finishStep,
  numberOf,
  outline,
  pieces,
  runFold,
  startRun,
  startWait,
  stationFold,
  type Facets,
  type Facts,
  type Position,
  type Procedure,
  type RunState,
  type StationState,
  type Step,
} from '@tadka/core/procedure'
import {
  coldProductChecked,
  sanitizerChecked,
  type AnyDraft,
  type AnyRecord,
  type InstrumentSet,
} from '@tadka/core/record'
import { correct, freshDose, isLiquid, nearestMark } from '@tadka/core/solution'
import { interval, millilitres, ppm } from '@tadka/core/quantity'
import type { StripPick } from '@tadka/core/rules'
import type { Diary } from './diary.ts'
import { instruments as makeInstruments, products } from './house.ts'

export interface Worker {
  readonly by: string
  readonly random: () => number
  /** Whether the first strip of this run reads between two blocks, below the label. */
  readonly weakMix: boolean
}

const asRecord = (draft: AnyDraft): AnyRecord =>
  ({ ...draft, seq: 0, receivedAt: draft.observedAt, clockOffset: 0, prev: '', flags: [] }) as AnyRecord

/** Works one run from its start to its end as a crew member would, and returns when it was done (ms UTC). */
export function workRun(
  diary: Diary,
  onStation: StationState,
  procedure: Procedure,
  start: number,
  worker: Worker,
): number {
  const id = `run-${onStation.id}-${start.toString(36)}`
  let at = start
  let run = runFold.initial(id)
  let station = onStation
  const note = (draft: AnyDraft) => {
    run = runFold.apply(run, asRecord(draft))
    station = stationFold.apply(station, asRecord(draft))
  }
  note(diary.note(at, worker.by, 'run.started@1', { kind: 'run', id }, startRun(id, station, procedure)))
  for (;;) {
    const position = currentPosition(outline(procedure, run), run)
    if (!position) break
    at = workStep(diary, run, station.facets, position, at, worker, note)
  }
  diary.note(at + 1000, worker.by, 'run.finished@1', { kind: 'run', id }, { run: id, station: station.id })
  return at
}

type Note = (draft: AnyDraft) => void

function workStep(
  diary: Diary,
  run: RunState,
  facets: Facets,
  position: Position,
  at: number,
  worker: Worker,
  note: Note,
): number {
  const subject = { kind: 'run', id: run.id } as const
  const done = (when: number, facts: Facts = {}) => {
    note(diary.note(when, worker.by, 'run.step.done@1', subject, finishStep(run, position, facets, facts)))
    return when
  }
  const hands = at + (25 + worker.random() * 70) * 1000
  if (position.kind === 'sign')
    return done(at + 8000, { shown: position.round >= 2 || worker.random() < 0.2 })
  const { step } = position
  switch (step.kind) {
    case 'wait': {
      const minutes = numberOf(step.minutes, run.parameters)
      note(
        diary.note(at, worker.by, 'run.wait.started@1', subject, startWait(run, position, facets, minutes)),
      )
      return done(at + minutes * 60_000 + worker.random() * 60_000)
    }
    case 'mix':
      return mix(diary, run, step, hands, worker, done)
    case 'check':
      return step.what === 'sanitizer'
        ? sanitizerCheck(diary, run, step, position.key, hands, worker, note)
        : productCheck(diary, run, position.key, hands, worker, note)
    case 'parts':
      return done(hands + 120_000, { counted: pieces(step) })
    case 'inspect':
      return done(hands, { choice: worker.random() < 0.06 ? 'watch' : 'fine' })
    case 'product':
      return done(hands, { kept: false, litres: Number((0.5 + worker.random() * 2).toFixed(1)) })
    case 'do':
    case 'gate':
    case 'lubricate':
      return done(hands)
  }
}

function productFor(use: string) {
  const found = Object.entries(products).find(([, p]) => p.uses.some((u) => u.id === use))
  if (!found) throw new Error(`the demo has no product for ${use}`)
  return { id: found[0], ...found[1] }
}

function mix(
  diary: Diary,
  run: RunState,
  step: Step & { kind: 'mix' },
  at: number,
  worker: Worker,
  done: (at: number, facts: Facts) => number,
) {
  const product = productFor(step.use)
  const target = product.uses.find((u) => u.id === step.use)?.target ?? null
  const volume = millilitres(numberOf(step.volume, run.parameters))
  if (!isLiquid(product.supply)) throw new Error(`the demo pours ${product.name}`)
  const dose = freshDose(product.supply, target === null ? null : ppm(target), volume)
  const poured = nearestMark(dose.concentrate, dose.concentrate > 50 ? 5 : 1)
  const bath = `${run.id}-${step.id}`
  diary.note(
    at,
    worker.by,
    'bath.mixed@1',
    { kind: 'bath', id: bath },
    {
      bath,
      where: step.vessel,
      station: run.station,
      run: run.id,
      product: product.id,
      productName: product.name,
      volume,
      poured,
      tool: dose.concentrate > 50 ? '150 mL jug' : '50 mL beaker',
      target,
      capacity: numberOf(step.capacity, run.parameters),
    },
  )
  return done(at, { product: product.id, pouredMl: poured, volumeMl: volume, bath })
}

type StripSet = InstrumentSet & { kind: 'strip' }

function sanitizerCheck(
  diary: Diary,
  run: RunState,
  step: Step & { kind: 'check'; what: 'sanitizer' },
  key: string,
  at: number,
  worker: Worker,
  note: Note,
): number {
  const product = productFor(step.use)
  const kit = makeInstruments(at)
  const [stripId, ph] = [
    product.agent === 'quat' ? 'strip-quat' : 'strip-chlorine',
    kit['strip-ph'] as StripSet,
  ]
  const strip = kit[stripId] as StripSet
  const bath = Object.values(run.done).findLast((d) => typeof d.facts['bath'] === 'string')?.facts['bath'] as
    string | undefined
  const place = { station: run.station, run: run.id, step: key, bath: bath ?? null }
  const read = (when: number, pick: StripPick, recheckOf: string | null) => {
    const payload = sanitizerChecked(
      { ...place, case: recheckOf },
      product,
      step.use,
      {
        strength: { strip, pick },
        ph: product.agent === 'chlorine' ? { strip: ph, pick: { matches: 7 } } : null,
        temperature: {
          value: Math.round(26 + worker.random() * 10),
          unit: '°C',
          instrument: kit['thermometer-1'] as never,
        },
        hardness: product.agent === 'quat' ? 154 : null,
      },
      [stripId, 'thermometer-1', ...(product.agent === 'chlorine' ? ['strip-ph'] : [])],
      instant(when),
    )
    const draft = diary.note(when, worker.by, 'reading.taken@1', { kind: 'run', id: run.id }, payload)
    note(draft)
    return { draft, payload }
  }
  if (!worker.weakMix) {
    read(at, { matches: product.agent === 'quat' ? (worker.random() < 0.5 ? 200 : 300) : 150 }, null)
    return at
  }
  const [lo, hi] = product.agent === 'quat' ? ([100, 200] as const) : ([50, 100] as const)
  const weak = read(at, { between: [lo, hi] }, null)
  const use = product.uses.find((u) => u.id === step.use)
  if (product.supply.kind !== 'strength' || !use?.range)
    throw new Error('a sanitizer of the demo has no strength')
  const volume = millilitres(4000)
  const beaker = kit['beaker-50'] as InstrumentSet & { kind: 'tool' }
  const move = correct(
    { volume, capacity: millilitres(10_000), reading: interval(lo, hi) },
    product.supply.stock,
    use.range,
    beaker,
  )
  diary.note(
    at + 60_000,
    worker.by,
    'case.action@1',
    { kind: 'case', id: weak.draft.id },
    {
      case: weak.draft.id,
      station: run.station,
      run: run.id,
      bath: bath ?? null,
      did: 'strengthened',
      amount: move.amount,
      note: '',
    },
  )
  read(at + 150_000, { matches: product.agent === 'quat' ? 200 : 150 }, weak.draft.id)
  return at + 150_000
}

function productCheck(
  diary: Diary,
  run: RunState,
  key: string,
  at: number,
  worker: Worker,
  note: Note,
): number {
  const thermometer = {
    id: 'thermometer-1',
    ...(makeInstruments(at)['thermometer-1'] as InstrumentSet & { kind: 'thermometer' }),
  }
  const place = { station: run.station, run: run.id, step: key, bath: null, case: null }
  const value = Number((2 + worker.random() * 2.4).toFixed(1))
  const payload = coldProductChecked(place, value, '°C', thermometer, instant(at))
  note(diary.note(at, worker.by, 'reading.taken@1', { kind: 'run', id: run.id }, payload))
  return at
}
