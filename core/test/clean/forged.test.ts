import { describe, expect, it } from 'vitest'
import {
  allProcedures,
  latestProcedure,
  optionSets,
  outline,
  pieces,
  type Procedure,
} from '../../procedure/index.ts'
import { foldAll, type AnyRecord, type RecordType } from '../../stream/index.ts'
import { folds, inForceFor, upcast, type Known } from '../../record/index.ts'
import { Refusal } from '../../refusal/index.ts'
import { plate, recordOf, stationFor, Worked } from '../records.ts'

const open = latestProcedure('soft-serve-gravity.open') as Procedure
const close = latestProcedure('soft-serve-gravity.close') as Procedure

/** A record of the first version as a tablet once sent it, as the server stores it now: with what was in force. */
function sent(at: number, type: RecordType, payload: object, inForce: object = {}): AnyRecord {
  const run = { kind: 'run', id: 'r' } as const
  return upcast({ ...recordOf(at, type, run, payload as never, at), inForce } as AnyRecord)
}
const plain = { run: 'r', station: 'st' }
const start = (p: Procedure, more: object = {}) =>
  sent(
    1,
    'run.started@1',
    { ...plain, procedure: { id: p.id, version: p.version }, parameters: {}, ...more },
    { parameters: { rinse: 3800, pailHolds: 10_000, sanitize: 5, agitate: 5 }, options: {} },
  )
const step = (at: number, key: string, more: object = {}) =>
  sent(at, 'run.step.done@1', {
    ...plain,
    step: key,
    kind: 'do',
    facts: {},
    effects: { hygiene: 'sanitized', assembly: 'whole', partsOut: 0, contents: 'product' },
    before: {},
    ...more,
  })
const closed = stationFor(open)
const station = (records: AnyRecord[], from = closed) => records.reduce(folds.station.apply, from)
const run = (records: AnyRecord[]) => foldAll(folds.run, { kind: 'run', id: 'r' }, records).state

describe('what a draft says of itself makes nothing sanitized, whole or done', () => {
  it('effects sent with a step', () => {
    const after = station([start(open), step(2, 'isolated')])
    expect(after.facets).toMatchObject({ hygiene: 'clean', assembly: 'drying', contents: 'empty' })
    expect(after.sanitizedAt).toBeNull()
  })
  it('a step before its turn', () => {
    const records = [start(open), step(2, 'sanitizer-drain'), step(3, 'prime')]
    expect(run(records).done).toEqual({})
    expect(station(records).facets).toMatchObject({ hygiene: 'clean', contents: 'empty' })
  })
  it('what a step taken back restores', () => {
    const undone = sent(3, 'run.step.undone@1', {
      ...plain,
      step: 'isolated',
      restores: { hygiene: 'sanitized' },
    })
    expect(station([start(open), step(2, 'isolated'), undone]).facets.hygiene).toBe('clean')
  })
  it('a wait of no minutes', () => {
    const worked = new Worked(open)
    while (worked.position?.key !== 'sanitizer-agitate') worked.step()
    const began = sent(0, 'run.wait.started@1', {
      run: worked.run.id,
      station: 'st',
      step: 'sanitizer-agitate',
      minutes: 0,
      effects: { hygiene: 'sanitized' },
      before: {},
    })
    worked.take({ ...began, observedAt: worked.at * 60_000, receivedAt: worked.at * 60_000 })
    expect(worked.run.waits['sanitizer-agitate']).toMatchObject({ minutes: 5 })
    const position = worked.position
    if (!position) throw new Error('no step')
    worked.done(position)
    expect(worked.run.done['sanitizer-agitate']).toBeUndefined()
    expect(worked.station.facets.hygiene).toBe('clean')
  })
  it('numbers, options and a document sent with the start', () => {
    const forged = { ...open, nodes: open.nodes.filter((n) => n.id === 'sanitizer-drain') }
    const started = run([
      start(open, { parameters: { sanitize: 0 }, options: { a: 'b' }, document: { ...forged, id: 'own.x' } }),
    ])
    expect(started.parameters).toMatchObject({ sanitize: 5 })
    expect(started.document).toBeNull()
    expect(started.options).toEqual({})
  })
  it('a finish before the end', () => {
    const finished = sent(3, 'run.finished@1', { ...plain, procedure: open.id })
    const records = [start(open), step(2, 'isolated'), finished]
    expect(run(records).status).toBe('running')
    expect(station(records).lastRuns).toEqual({})
  })
  it('a finish of a run that never was', () => {
    expect(station([sent(3, 'run.finished@1', { ...plain, procedure: open.id })]).lastRuns).toEqual({})
  })
  it('steps of a run that never was', () => {
    expect(station([step(2, 'isolated'), step(3, 'sanitizer-drain')])).toEqual(closed)
  })
  it('a count that is short', () => {
    const worked = new Worked(open)
    while (worked.position?.key !== 'parts-in') worked.step()
    const position = worked.position
    const counted = position.kind === 'step' && position.step.kind === 'parts' ? pieces(position.step) : 0
    worked.done(position, { counted: counted - 1 })
    expect(worked.position.key).toBe('parts-in')
    expect(worked.station.facets.assembly).toBe('drying')
  })
  it('an outcome that the choice does not have', () => {
    const worked = new Worked(open)
    while (worked.position?.key !== 'look') worked.step()
    worked.done(worked.position, { choice: 'technician', outcome: 'fine' })
    expect(worked.run.status).toBe('stopped')
    expect(worked.station.outOfService).not.toBeNull()
  })
  it('how somebody says that it stands', () => {
    const dirty = { ...closed, facets: { ...closed.facets, hygiene: 'soiled' as const, partsOut: 3 } }
    const observed = recordOf(
      5,
      'station.observed@1',
      { kind: 'station', id: 'st' },
      { station: 'st', contents: 'product', assembly: 'whole', power: 'on' },
    )
    // Parts that were counted out are still out, whatever it looks like.
    expect(station([observed], dirty).facets).toMatchObject({
      hygiene: 'unknown',
      assembly: 'drying',
      partsOut: 3,
    })
  })
})

describe('records of before the server worked it out', () => {
  it('keep folding as they did', () => {
    const old = recordOf(
      2,
      'run.step.done@1',
      { kind: 'run', id: 'r' },
      { ...plain, step: 'x', kind: 'do', facts: {}, effects: { hygiene: 'sanitized' }, before: {} },
    )
    expect(upcast(old)).toBe(old)
    expect(station([old]).facets.hygiene).toBe('sanitized')
  })
})

describe('what was in force', () => {
  const known = (more: Partial<Known> = {}): Known => ({
    station: () => ({ ...closed, plate }),
    run: () => null,
    procedure: () => open,
    product: () => null,
    mix: () => null,
    freshHours: 4,
    ...more,
  })
  const draft = recordOf(
    1,
    'run.started@2',
    { kind: 'run', id: 'r' },
    { ...plain, procedure: { id: open.id, version: open.version } },
  )
  it('is the plate’s, the site’s and the label’s', () => {
    expect(inForceFor(draft, known())).toMatchObject({ parameters: { sanitize: 5, rinse: 3800 } })
  })
  it('nothing is begun by a procedure that the site does not have', () => {
    expect(() => inForceFor(draft, known({ procedure: () => null }))).toThrow(Refusal)
  })
  it('nothing is begun on a machine of another family: what sanitizes a table does not sanitize a freezer', () => {
    const surface = latestProcedure('surface.in-place') as Procedure
    expect(() => inForceFor(draft, known({ procedure: () => surface }))).toThrow(Refusal)
  })
})

describe.each(allProcedures().map((p) => [p.id, p] as const))('%s', (_, p) => {
  it('sent as steps alone, in any order, sanitizes nothing that it does not sanitize when it is worked', () => {
    for (const options of optionSets(p)) {
      const worked = new Worked(p, undefined, { options })
      const keys = outline(p, worked.run).map((o) => o.key)
      for (const key of [...keys].toReversed()) {
        worked.at += 1
        worked.add('run.step.done@2', {
          run: worked.run.id,
          station: 'st',
          step: key,
          facts: { shown: true },
        })
      }
      expect(worked.station.sanitizedAt).toBeNull()
    }
  })
})

describe('the closing run', () => {
  it('begun by a forged start still closes by the plate', () => {
    expect(run([start(close)]).parameters).toMatchObject({ rinse: 3800 })
  })
})

describe('a finish that is a moment early by the clocks', () => {
  it('is one once what was left is done, and not before', () => {
    const worked = new Worked(close)
    while (worked.position?.key !== 'lay-out') worked.step()
    const last = worked.position
    worked.finish()
    expect(worked.run.status).toBe('running')
    worked.done(last)
    expect(worked.run.status).toBe('finished')
    expect(worked.station.lastRuns[close.id]).toBeDefined()
    expect(worked.station.currentRun).toBeNull()
  })
})
