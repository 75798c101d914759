import { instant } from '../quantity/index.ts'
import * as procedure from '../procedure/index.ts'
import {
  sanitizerChecked,
  type AnyRecord,
  type Payloads,
  type ProductSet,
  type RecordType,
  type StationSet,
  type SubjectRef,
} from '../record/index.ts'
import type { StripPick } from '../rules/index.ts'
import { ppm } from '../quantity/index.ts'

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
    observedAt: at * 60_000,
    device: 'd',
    counter: n,
    by: 'bao',
    payload,
  }
  return {
    ...made,
    seq: n,
    receivedAt: at * 60_000,
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

/** Works a procedure to its end, as records a minute apart; checks are read as in. */
export function workThrough(
  id: string,
  answers: Answers = () => ({}),
  from = 0,
): { records: AnyRecord[]; run: procedure.RunState; station: procedure.StationState } {
  const known = procedure.latestProcedure(id)
  if (!known) throw new Error(`no procedure ${id}`)
  const run_ = { kind: 'run', id: `run-${id}` } as const
  let station: procedure.StationState = {
    ...procedure.stationFold.initial('st'),
    plate: { ...plate, parameters: { ...plate.parameters, bucket: 4000, bucketHolds: 6000 } },
  }
  let run = procedure.runFold.initial(run_.id)
  const records: AnyRecord[] = []
  let at = from
  const add = (r: AnyRecord) => {
    records.push(r)
    run = procedure.runFold.apply(run, r)
    station = procedure.stationFold.apply(station, r)
  }
  add(recordOf(at, 'run.started@1', run_, procedure.startRun(run_.id, station, known)))
  for (;;) {
    at += 1
    const position = procedure.currentPosition(known, run)
    if (!position) break
    if (position.kind === 'step' && position.step.kind === 'check') {
      add({ ...readingRecord(at, run_.id, { matches: 150 }, null, position.key) })
      continue
    }
    if (position.kind === 'step' && position.step.kind === 'wait') {
      const minutes = procedure.numberOf(position.step.length, run.parameters)
      add(
        recordOf(
          at,
          'run.wait.started@1',
          run_,
          procedure.startWait(known, run, position, station.facets, minutes),
        ),
      )
      at += minutes
    }
    const facts = position.kind === 'sign' ? { shown: true, ...answers(position) } : answers(position)
    add(
      recordOf(
        at,
        'run.step.done@1',
        run_,
        procedure.finishStep(known, run, position, station.facets, facts),
      ),
    )
  }
  add(recordOf(at, 'run.finished@1', run_, { run: run_.id, station: 'st' }))
  return { records, run, station }
}

/** A closing and an opening run with a weak strip and its recheck among the records. */
export function runRecords(): AnyRecord[] {
  const close = workThrough('soft-serve-gravity.close', (p) =>
    p.kind === 'sign' ? { shown: p.round >= 2 } : {},
  ).records
  const open = workThrough('soft-serve-gravity.open', () => ({}), 600).records
  return [recordOf(-1, 'station.set@1', { kind: 'station', id: 'st' }, plate), ...close, ...open]
}
