import { describe, expect, it } from 'vitest'
import {
  countFacts,
  forMachine,
  isComplete,
  latestProcedure,
  neededNames,
  pieces,
  procedureOfRun,
  runFold,
  startInForce,
  stationFold,
  violationsOf,
  wholeCount,
  type Facts,
  type Procedure,
  type RunState,
  type StationState,
  type Step,
} from '../../procedure/index.ts'
import type { AnyRecord, RecordType } from '../../stream/record.ts'
import { stationFor, workThrough } from '../records.ts'

const screws = { id: 'screw', name: 'Door screws', count: 4, of: 'doorScrews' }
const blades = { id: 'blade', name: 'Blades', count: 2, per: 'barrels' }
const ring = { id: 'ring', name: 'Rings', count: 1, when: [{ option: 'beater', is: ['springs'] }] }
const procedure: Procedure = {
  id: 'own.made-up',
  version: 1,
  name: 'Made up',
  family: 'soft-serve-gravity',
  parameters: { doorScrews: 'count', barrels: 'count' },
  options: [
    {
      id: 'beater',
      question: 'The beater',
      choices: [
        { id: 'solid', says: 'solid' },
        { id: 'springs', says: 'springs' },
      ],
      fallback: 'solid',
      why: 'The model.',
    },
  ],
  materials: [],
  cautions: [],
  isolation: 'none',
  nodes: [
    { id: 'out', kind: 'parts', title: 'Out', direction: 'out', parts: [screws, blades, ring] },
    { id: 'in', kind: 'parts', title: 'In', direction: 'in', parts: [screws, blades, ring] },
    {
      id: 'tight',
      kind: 'fasten',
      title: 'Tight',
      how: 'crosswise',
      what: 'screws',
      count: 4,
      of: 'doorScrews',
      each: 'barrels',
      why: 'A door cracks.',
    },
  ],
}
const stepOf = (p: Procedure | null, id: string) => p?.nodes.find((n) => n.id === id) as Step
const partsOf = (p: Procedure | null, id: string) => stepOf(p, id) as Step & { kind: 'parts' }

let seq = 0
const record = (type: RecordType, payload: object, inForce: object = {}): AnyRecord =>
  ({
    id: `r${seq}`,
    seq: ++seq,
    site: 's',
    type,
    subject: { kind: 'run', id: 'run' },
    observedAt: seq * 60_000,
    receivedAt: seq * 60_000,
    clockOffset: 0,
    device: 'd',
    counter: seq,
    by: 'bao',
    prev: '',
    flags: [],
    payload,
    inForce,
  }) as unknown as AnyRecord

const station = (plate: Record<string, number>, options = {}): StationState =>
  ({ ...stationFold.initial('st'), plate: { parameters: plate, options } }) as unknown as StationState
const started = (on: StationState) =>
  record(
    'run.started@2',
    { run: 'run', station: 'st', procedure: { id: procedure.id, version: 1 } },
    startInForce(on, procedure),
  )
const done = (step: string, facts: Facts) =>
  record('run.step.done@2', { run: 'run', station: 'st', step, facts })
const undone = (step: string) => record('run.step.undone@2', { run: 'run', station: 'st', step })
const worked = (on: StationState, ...records: AnyRecord[]): RunState =>
  [started(on), ...records].reduce((s, r) => runFold.apply(s, r), runFold.initial('run'))

describe('a machine’s own counts', () => {
  it('a two-screw machine is never counted with four', () => {
    const on = station({ barrels: 1, doorScrews: 2 })
    const out = partsOf(procedureOfRun(worked(on)), 'out')
    expect(pieces(out)).toBe(4)
    expect(worked(on, done('out', { counted: 6 })).done).toEqual({})
    expect(Object.keys(worked(on, done('out', { counted: 4 })).done)).toEqual(['out'])
  })
  it('what comes once for every barrel is counted so many times', () => {
    const count = (barrels: number) =>
      pieces(partsOf(procedureOfRun(worked(station({ barrels, doorScrews: 4 }))), 'out'))
    expect([1, 2, 3].map(count)).toEqual([6, 8, 10])
  })
  it('lists are those of the option chosen', () => {
    const names = (beater: string) =>
      partsOf(procedureOfRun(worked(station({ barrels: 1, doorScrews: 4 }, { beater }))), 'out').parts.map(
        (p) => p.id,
      )
    expect(names('solid')).toEqual(['screw', 'blade'])
    expect(names('springs')).toEqual(['screw', 'blade', 'ring'])
  })
  it('are shared out where one of several is drawn', () => {
    const drawn = (parameters: Record<string, number>) =>
      stepOf(procedureOfRun(worked(station(parameters))), 'tight')
    expect(drawn({ barrels: 3, doorScrews: 12 })).toMatchObject({ count: 4 })
    expect(drawn({ barrels: 1, doorScrews: 2 })).toMatchObject({ count: 2 })
  })
})

describe('what the plate does not say', () => {
  const on = station({ barrels: 1 })
  const told = countFacts(partsOf(procedureOfRun(worked(on)), 'out'), { screw: 2, blade: 2 })

  it('keeps no run from beginning, and is counted as it comes out', () => {
    expect(neededNames(procedure)).toEqual(['barrels'])
    expect(told).toEqual({ counted: 4, 'n.screw': 2 })
    const run = worked(on, done('out', told))
    expect(run.parameters).toEqual({ barrels: 1, doorScrews: 2 })
    expect(stepOf(procedureOfRun(run), 'tight')).toMatchObject({ count: 2 })
  })
  it('must then all go back in: a screw less is no count', () => {
    const short = worked(on, done('out', told), done('in', { counted: 3 }))
    expect(Object.keys(short.done)).toEqual(['out'])
    const whole = worked(on, done('out', told), done('in', { counted: 4 }), done('tight', {}))
    expect(isComplete(procedureOfRun(whole) as Procedure, whole)).toBe(true)
  })
  it.each<[string, Facts]>([
    ['none of it', { counted: 2, 'n.screw': 0 }],
    ['half a piece', { counted: 3.5, 'n.screw': 1.5 }],
    ['nothing said of it', { counted: 6 }],
    ['a sum that is another', { counted: 6, 'n.screw': 2 }],
    ['more than anybody has', { counted: 1002, 'n.screw': 1000 }],
  ])('is no count with %s', (_, facts) => expect(worked(on, done('out', facts)).done).toEqual({}))
  it('stands out of the machine by what was counted, and back in by the same', () => {
    const whole: StationState = { ...on, facets: { ...on.facets, assembly: 'whole', partsOut: 0 } }
    const facets = (...records: AnyRecord[]) =>
      [started(on), ...records].reduce((s, r) => stationFold.apply(s, r), whole).facets
    expect(facets(done('out', told))).toMatchObject({ assembly: 'apart', partsOut: 4 })
    expect(facets(done('out', told), done('in', { counted: 4 })).partsOut).toBe(0)
  })
  it('is not known any more once the count is taken back', () => {
    const run = worked(on, done('out', told), undone('out'))
    expect(run.parameters).toEqual({ barrels: 1 })
    expect(stepOf(procedureOfRun(run), 'tight')).toMatchObject({ count: 4, of: 'doorScrews' })
  })
  it('is the machine’s from then on; its plate goes before', () => {
    const after = [started(on), done('out', told)].reduce((s, r) => stationFold.apply(s, r), on)
    expect(after.counted).toEqual({ doorScrews: 2 })
    expect(startInForce(after, procedure).parameters).toEqual({ barrels: 1, doorScrews: 2 })
    const plated = {
      ...after,
      plate: { parameters: { barrels: 1, doorScrews: 3 } },
    } as unknown as StationState
    expect(startInForce(plated, procedure).parameters).toEqual({ barrels: 1, doorScrews: 3 })
    expect(stationFold.apply(after, undone('out')).counted).toEqual({})
  })
})

describe('an opening that was told of afterwards', () => {
  it.each([1, 2, 3])('puts back all that the closing took out of %i barrels', (barrels) => {
    const close = latestProcedure('custard.close') as Procedure
    const closed = workThrough(
      'custard.close',
      () => ({}),
      0,
      stationFor(close, { barrels, doorNuts: 4 * barrels }),
    )
    expect(closed.station.facets.partsOut).toBeGreaterThan(15 * barrels)
    const told = record('run.entered@1', {
      run: 'later',
      station: 'st',
      procedure: { id: 'custard.open', version: latestProcedure('custard.open')?.version },
      from: 1,
      to: 2,
      who: 'bao',
      read: 'on paper',
    })
    expect(stationFold.apply(closed.station, told).facets).toMatchObject({ assembly: 'whole', partsOut: 0 })
  })
})

describe('a procedure with counts of the plate', () => {
  it('is made once for a machine', () => {
    const once = forMachine(procedure, { barrels: 2, doorScrews: 2 }, {})
    expect(forMachine(procedure, { barrels: 2, doorScrews: 2, agitate: 5 }, {})).toBe(once)
    expect(forMachine(procedure, { barrels: 3, doorScrews: 2 }, {})).not.toBe(once)
  })
  it('is not safe where parts go in by another count than they came out by', () => {
    const rules = (parts: object) =>
      violationsOf({
        ...procedure,
        nodes: procedure.nodes.map((n) => (n.id === 'in' ? ({ ...n, ...parts } as typeof n) : n)),
      }).map((v) => v.rule)
    expect(rules({})).not.toContain('parts-differ')
    expect(rules({ parts: [{ ...screws, of: 'knobs' }, blades, ring] })).toContain('parts-differ')
    expect(rules({ parts: [screws, { ...blades, per: 'bowls' }, ring] })).toContain('parts-differ')
    expect(rules({ parts: [screws, blades, { ...ring, when: [] }] })).toContain('parts-differ')
  })
  it('the whole count is that of its list', () => {
    expect(wholeCount(partsOf(forMachine(procedure, { barrels: 2 }, {}), 'out'))).toEqual({
      counted: 8,
      'n.screw': 4,
    })
  })
})
