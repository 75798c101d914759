import { describe, expect, it } from 'vitest'
import * as procedure from '../procedure/index.ts'
import { Refusal } from '../refusal/index.ts'
import { flagsOf } from '../record/index.ts'
import { recordOf, workThrough } from './records.ts'

const steps = (p: procedure.Procedure) => procedure.stepsOf(p.nodes)

describe('repeating until clear', () => {
  it('goes round as often as the sign is not seen, and records each round', () => {
    const { run } = workThrough('soft-serve-gravity.close', (p) =>
      p.kind === 'sign' ? { shown: p.round >= 3 } : {},
    )
    expect(Object.keys(run.done).filter((k) => k.endsWith('.sign'))).toEqual([
      'rinse.1.sign',
      'rinse.2.sign',
      'rinse.3.sign',
    ])
  })
})

describe('after its runs', () => {
  it('a closed soft-serve machine is empty, isolated, its parts drying, and may not freeze', () => {
    const { station } = workThrough('soft-serve-gravity.close')
    expect(station.facets).toMatchObject({
      contents: 'empty',
      power: 'isolated',
      assembly: 'drying',
      hygiene: 'clean',
    })
    expect(station.facets.partsOut).toBeGreaterThan(0)
    expect(procedure.forbiddenActs(station.facets, null, 4).map((f) => f.act)).toEqual([
      'freeze',
      'prime',
      'serve',
    ])
  })
  it('an opened one is whole, primed and freezing, with as many parts in as came out', () => {
    const { station, run } = workThrough('soft-serve-gravity.open')
    expect(station.facets).toMatchObject({
      contents: 'product',
      power: 'freezing',
      primed: true,
      partsOut: 0,
    })
    expect(station.sanitizedAt).not.toBeNull()
    expect(station.lastRuns['soft-serve-gravity.open']).toMatchObject({ run: run.id })
  })
  it('parts out and parts in are the same list', () => {
    const parts = (id: string) =>
      steps(procedure.latestProcedure(id) as procedure.Procedure).find((s) => s.kind === 'parts')
    expect(parts('soft-serve-gravity.close')).toMatchObject({
      parts: (parts('soft-serve-gravity.open') as { parts: unknown }).parts,
    })
  })
})

describe('what the state forbids (common practice, no source)', () => {
  const whole: procedure.Facets = {
    ...procedure.unknownFacets,
    contents: 'empty',
    power: 'isolated',
    hygiene: 'sanitized',
  }
  const forbidden = (change: Partial<procedure.Facets>, hours: number | null = 1) =>
    Object.fromEntries(procedure.forbiddenActs({ ...whole, ...change }, hours, 4).map((f) => [f.act, f.why]))
  it.each([
    ['water inside: no freezing', { contents: 'rinse' }, 'freeze', 'water-inside'],
    ['sanitizer inside: no freezing', { contents: 'sanitizer' }, 'freeze', 'solution-inside'],
    ['nobody knows what is inside: no freezing', { contents: 'unknown' }, 'freeze', 'contents-unknown'],
    ['not isolated: hands out', { power: 'off' }, 'reach-in', 'not-isolated'],
    [
      'descaler inside: no sanitizer before a clear rinse',
      { contents: 'descaler' },
      'sanitize',
      'descaler-inside',
    ],
    ['not sanitized: no product', { hygiene: 'clean' }, 'prime', 'not-sanitized'],
    ['parts out: no product', { partsOut: 1 }, 'prime', 'parts-missing'],
    ['parts not counted: no product', { partsOut: null }, 'prime', 'parts-missing'],
    ['water inside: no serving', { contents: 'rinse' }, 'serve', 'water-inside'],
  ] as const)('%s', (_, change, act, why) => expect(forbidden(change)[act]).toBe(why))
  it('sanitized longer ago than the site allows: again', () => {
    expect(forbidden({}, 4)['prime']).toBeUndefined()
    expect(forbidden({}, 4.1)['prime']).toBe('sanitized-too-long-ago')
    expect(forbidden({}, null)['prime']).toBe('sanitized-too-long-ago')
  })
})

describe('taking a step back', () => {
  it('restores what the step and its timer had changed', () => {
    const { records } = workThrough('soft-serve-gravity.close')
    const at = records.findIndex((r) => r.type === 'run.step.done@1' && r.payload.step === 'wash-agitate')
    const before = records.slice(0, at - 1)
    const worked = records.slice(0, at + 1)
    const fold = (list: typeof records) => ({
      run: list.reduce(procedure.runFold.apply, procedure.runFold.initial('run-soft-serve-gravity.close')),
      station: list.reduce(procedure.stationFold.apply, procedure.stationFold.initial('st')),
    })
    const { run } = fold(worked)
    const known = procedure.latestProcedure('soft-serve-gravity.close') as procedure.Procedure
    const position = procedure.outline(known, run).find((p) => p.key === 'wash-agitate') as procedure.Position
    const undone = recordOf(
      999,
      'run.step.undone@1',
      { kind: 'run', id: run.id },
      procedure.takeBack(run, position),
    )
    const after = fold([...worked, undone])
    expect(after.station.facets).toEqual(fold(before).station.facets)
    expect(after.run.done['wash-agitate']).toBeUndefined()
    expect(after.run.waits['wash-agitate']).toBeUndefined()
  })
})

describe('a station without the numbers that a procedure needs', () => {
  it('cannot start it, and the number is named', () => {
    const bare = procedure.stationFold.initial('st')
    const known = procedure.latestProcedure('bucket.fill') as procedure.Procedure
    expect(() => procedure.startRun('r', bare, known)).toThrow(Refusal)
  })
})

describe('flags on steps', () => {
  it('a wait cut short and a step out of order are told', () => {
    const { records } = workThrough('bucket.fill')
    const start = records[0]
    const run = start ? procedure.runFold.apply(procedure.runFold.initial('run-bucket.fill'), start) : null
    const done = (step: string) =>
      recordOf(
        1,
        'run.step.done@1',
        { kind: 'run', id: 'run-bucket.fill' },
        { run: 'run-bucket.fill', station: 'st', step, kind: 'do', facts: {}, effects: {}, before: {} },
      )
    expect(flagsOf(done('stand'), { run, station: null, at: 0, freshHours: 4 })).toEqual([
      'out-of-order',
      'wait-cut-short',
    ])
    expect(flagsOf(done('mix'), { run, station: null, at: 0, freshHours: 4 })).toEqual([])
  })
})
