import { instant, ppm } from '../quantity/index.ts'
import * as procedure from '../procedure/index.ts'
import { inForceFor } from '../record/index.ts'
import { sanitizerChecked } from '../reading/index.ts'
import { type AnyRecord, type Payloads, type RecordType, type SubjectRef } from '../stream/index.ts'
import { type ProductSet, type StationSet } from '../house/index.ts'
import type { StripPick } from '../rules/index.ts'

/** A record as the server would store it, observed at `at` minutes. */
export function recordOf<T extends RecordType>(
  at: number,
  type: T,
  subject: SubjectRef,
  payload: Payloads[T],
  n = at,
): AnyRecord {
  const made = {
    id: `id-${type}-${at}-${n}`,
    site: 's',
    type,
    subject,
    observedAt: Math.round(at * 60_000),
    device: 'd',
    counter: n,
    by: 'bao',
    payload,
  }
  return {
    ...made,
    seq: n,
    receivedAt: Math.round(at * 60_000),
    clockOffset: 0,
    prev: '',
    flags: [],
  } as unknown as AnyRecord
}

export const plate: StationSet = {
  name: 'Soft-serve',
  tag: '1',
  place: 'kiosk',
  family: 'soft-serve-gravity',
  model: 'm',
  parameters: { rinse: 3800, pailHolds: 10_000, agitate: 5, sanitize: 5 },
  duties: [
    { procedure: 'soft-serve-gravity.close', trigger: { kind: 'each-close' }, rule: 'daily' },
    { procedure: 'soft-serve-gravity.open', trigger: { kind: 'each-open' }, rule: 'sanitized before use' },
  ],
}

export const chlorine: ProductSet & { id: string } = {
  id: 'chlor',
  name: 'Chlor',
  purpose: '',
  chemicalClass: 'hypochlorite',
  agent: 'chlorine',
  supply: { kind: 'strength', stock: ppm(25_000) },
  uses: [
    {
      id: 'frozen-dessert',
      name: 'Machines',
      range: { lo: 100, hi: 200 },
      target: 150,
      temperature: null,
      hardestWater: null,
      contactSeconds: 60,
      rinseAfter: false,
    },
  ],
  ppe: [],
  firstAid: '',
  neverWith: [],
}

const strips = (unit: 'ppm' | 'pH', blocks: number[]) =>
  ({ kind: 'strip', name: unit, unit, agent: 'chlorine', blocks, colours: [], bestBefore: 1e15 }) as const

/** A chlorine check in a run: the strip as picked, pH 7, 30 °C. */
export function readingRecord(
  at: number,
  run: string,
  pick: StripPick,
  recheckOf: string | null,
  step = 'sanitizer-check',
): AnyRecord {
  const place = { station: 'st', run, step, bath: null, case: recheckOf }
  const entry = {
    strength: { strip: strips('ppm', [0, 50, 100, 150, 200]), pick },
    ph: { strip: strips('pH', [5, 6, 7, 8, 9]), pick: { matches: 7 } },
    temperature: {
      value: 30,
      unit: '°C' as const,
      instrument: { kind: 'thermometer', name: 't', unit: '°C', accuracy: 0.5, checkDue: 1e15 } as const,
    },
    hardness: null,
  }
  const payload = sanitizerChecked(place, chlorine, 'frozen-dessert', entry, [], instant(at * 60_000))
  return recordOf(at, 'reading.taken@1', { kind: 'run', id: run }, payload)
}

/** Answers that a worker gives to what a step asks. */
export type Answers = (position: procedure.Position) => procedure.Facts

/** What a worker answers who does as told: all counted, everything fine, the sign seen. */
export function dutiful(position: procedure.Position): procedure.Facts {
  if (position.kind === 'sign') return { shown: true }
  const { step } = position
  if (step.kind === 'parts') return procedure.wholeCount(step)
  if (step.kind === 'mix') return { product: chlorine.id }
  if (step.kind === 'read') {
    const { from, to } = procedure.readLimits(step, {})
    return { read: from ?? to ?? 5 }
  }
  const choice = step.kind === 'inspect' ? step.choices.find((c) => c.outcome === 'fine') : undefined
  return step.kind === 'inspect' ? { choice: (choice ?? step.choices[0])?.id ?? '' } : {}
}

/** A station as a procedure begins from, with its plate. */
export function stationFor(
  known: procedure.Procedure,
  numbers: Readonly<Record<string, number>> = {},
): procedure.StationState {
  const begins = known.begins ?? {}
  // One bowl: walks at random come through all lanes of it.
  const parameters = {
    ...Object.fromEntries(Object.keys(known.parameters).map((name) => [name, 5])),
    ...('bowls' in known.parameters ? { bowls: 1 } : {}),
  }
  return {
    ...procedure.stationFold.initial('st'),
    plate: { ...plate, family: known.family, parameters: { ...parameters, ...plate.parameters, ...numbers } },
    facets: {
      ...procedure.unknownFacets,
      ...begins,
      partsOut: begins.assembly === 'drying' || begins.assembly === 'apart' ? null : 0,
      isolatedBy: null,
    },
  }
}

const usesFor = (known: procedure.Procedure, product: ProductSet) =>
  procedure
    .stepsOf(known.nodes)
    .flatMap((s) => procedure.useOf(s) ?? [])
    .flatMap((id) => product.uses.slice(0, 1).map((u) => ({ ...u, id })))

/** A run as it is worked on a station, record by record, as the server would store them. */
export class Worked {
  readonly records: AnyRecord[] = []
  run: procedure.RunState
  station: procedure.StationState
  /** Minutes. */
  at: number
  readonly known: procedure.Procedure
  readonly product: ProductSet & { id: string }

  constructor(
    known: procedure.Procedure,
    station = stationFor(known),
    {
      from = 0,
      id = `run-${known.id}`,
      product = chlorine,
      options = {} as Readonly<Record<string, string>>,
    } = {},
  ) {
    this.known = known
    this.station = station.plate ? { ...station, plate: { ...station.plate, options } } : station
    this.run = procedure.runFold.initial(id)
    this.at = from
    this.product = product
    this.add('run.started@2', procedure.startRun(id, station.id, known))
  }

  add<T extends RecordType>(type: T, payload: Payloads[T], by = 'bao'): AnyRecord {
    const made = recordOf(this.at, type, { kind: 'run', id: this.run.id }, payload, this.records.length)
    return this.stamped({ ...made, by })
  }

  /** Takes a record with what is in force for it, as the server writes it. */
  stamped(made: AnyRecord): AnyRecord {
    const inForce = inForceFor(made, {
      station: () => this.station,
      run: () => this.run,
      procedure: () => this.known,
      // Whatever a step mixes, this site has this product for it.
      product: () => ({ ...this.product, uses: usesFor(this.known, this.product) }),
      mix: () => null,
      freshHours: 4,
    })
    return this.take({ ...made, ...(inForce ? { inForce } : {}) } as AnyRecord)
  }

  take(record: AnyRecord): AnyRecord {
    this.records.push(record)
    this.run = procedure.runFold.apply(this.run, record)
    this.station = procedure.stationFold.apply(this.station, record)
    return record
  }

  get position(): procedure.Position | null {
    return procedure.currentPosition(this.known, this.run)
  }

  start(position: procedure.Position): void {
    this.add('run.wait.started@2', procedure.startWait(this.run, position))
  }

  done(position: procedure.Position, facts: procedure.Facts = {}): AnyRecord {
    return this.add('run.step.done@2', procedure.finishStep(this.run, position, facts))
  }

  /** Works the step at hand as it should be done; a wait is waited out. False where nothing is left or it stopped. */
  step(answers: Answers = () => ({})): boolean {
    const { position } = this
    if (!position || this.run.status !== 'running') return false
    this.at += 1
    if (position.kind === 'step' && position.step.kind === 'check') {
      this.stamped(readingRecord(this.at, this.run.id, { matches: 150 }, null, position.key))
      return true
    }
    if (position.kind === 'step' && (position.step.kind === 'wait' || position.step.kind === 'tend')) {
      if (!this.run.waits[position.key]) this.start(position)
      this.at = Math.max(this.at, (procedure.waitEndsAt(this.run, position.key) ?? 0) / 60_000)
    }
    this.done(position, { ...dutiful(position), ...answers(position) })
    return true
  }

  finish(): AnyRecord {
    return this.add('run.finished@1', { run: this.run.id, station: 'st' })
  }
}

/** Works a procedure to its end, as records a minute apart; checks are read as in. */
export function workThrough(
  id: string,
  answers: Answers = () => ({}),
  from = 0,
  begun?: procedure.StationState,
): Worked {
  const known = procedure.latestProcedure(id)
  if (!known) throw new Error(`no procedure ${id}`)
  const station = begun ?? stationFor(known, { bucket: 4000, bucketHolds: 6000 })
  const worked = new Worked(known, station, { from })
  while (worked.step(answers));
  worked.finish()
  return worked
}

/** A closing and an opening run with a weak strip and its recheck among the records. */
export function runRecords(): AnyRecord[] {
  const set = recordOf(-2, 'station.set@1', { kind: 'station', id: 'st' }, plate)
  const seen = recordOf(
    -1,
    'station.observed@1',
    { kind: 'station', id: 'st' },
    { station: 'st', contents: 'product', assembly: 'whole', power: 'on' },
  )
  const begun = [set, seen].reduce(procedure.stationFold.apply, procedure.stationFold.initial('st'))
  const close = workThrough(
    'soft-serve-gravity.close',
    (p) => (p.kind === 'sign' ? { shown: p.round >= 2 } : {}),
    0,
    begun,
  )
  const open = workThrough('soft-serve-gravity.open', () => ({}), 600, close.station)
  return [set, seen, ...close.records, ...open.records]
}
