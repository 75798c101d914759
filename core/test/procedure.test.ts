import { describe, expect, it } from 'vitest'
import * as procedure from '../procedure/index.ts'
import { Refusal } from '../refusal/index.ts'
import { flagsOf } from '../record/index.ts'
import { recordOf, stationFor, workThrough } from './records.ts'

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
    const moment = { at: 0, freshHours: 4 }
    expect(procedure.forbiddenActs(close, null, station, null, moment).map((f) => f.act)).toEqual([
      'freeze',
      'serve',
      'prime',
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

const close = procedure.latestProcedure('soft-serve-gravity.close') as procedure.Procedure

describe('what the state forbids (common practice, no source)', () => {
  const whole: procedure.Facets = {
    ...procedure.unknownFacets,
    contents: 'empty',
    power: 'isolated',
    isolatedBy: 'plug',
    hygiene: 'sanitized',
  }
  const forbidden = (change: Partial<procedure.Facets>, hours: number | null = 1, outOfService = false) => {
    const station = {
      facets: { ...whole, ...change },
      sanitizedAt: hours === null ? null : 100 * 3_600_000 - hours * 3_600_000,
      outOfService: outOfService ? {} : null,
      countedAt: null,
      lanes: {},
    }
    const moment = { at: 100 * 3_600_000, freshHours: 4 }
    return Object.fromEntries(
      procedure.forbiddenActs(close, null, station, null, moment).map((f) => [f.act, f.why]),
    )
  }
  it.each([
    ['water inside: no freezing', { contents: 'rinse' }, 'freeze', 'freeze-while-wet'],
    ['sanitizer inside: no freezing', { contents: 'sanitizer' }, 'freeze', 'freeze-while-wet'],
    ['nobody knows what is inside: no freezing', { contents: 'unknown' }, 'freeze', 'freeze-while-wet'],
    ['parts out: no freezing', { partsOut: 2 }, 'freeze', 'freeze-while-open'],
    ['not isolated: hands out', { power: 'off' }, 'reach-in', 'hands-before-isolation'],
    ['off at the front only: hands out', { isolatedBy: 'front' }, 'reach-in', 'hands-before-isolation'],
    ['isolated nobody knows how: hands out', { isolatedBy: null }, 'reach-in', 'hands-before-isolation'],
    ['hot: hands out', { heat: 'hot' }, 'reach-in', 'hands-while-hot'],
    ['descaler inside: no sanitizer', { contents: 'descaler' }, 'sanitize', 'sanitizer-on-descaler'],
    ['descaler not rinsed out: no sanitizer', { residue: 'descaler' }, 'sanitize', 'sanitizer-on-descaler'],
    [
      'detergent not rinsed out: no sanitizer',
      { residue: 'detergent' },
      'sanitize',
      'sanitizer-on-detergent',
    ],
    ['product inside: no sanitizer', { contents: 'product' }, 'sanitize', 'sanitizer-on-product'],
    ['soiled: no sanitizer', { hygiene: 'soiled' }, 'sanitize', 'sanitizer-on-soil'],
    ['rinsed is not washed: no sanitizer', { hygiene: 'rinsed' }, 'sanitize', 'sanitizer-on-soil'],
    ['not sanitized: no product', { hygiene: 'clean' }, 'prime', 'product-before-sanitizing'],
    ['sanitizer inside: no product', { contents: 'sanitizer' }, 'prime', 'product-on-solution'],
    ['parts out: no product', { partsOut: 1 }, 'prime', 'parts-missing'],
    ['parts not counted: no product', { partsOut: null }, 'prime', 'parts-missing'],
    [
      'product in, never sanitized: no serving',
      { contents: 'product', hygiene: 'clean' },
      'serve',
      'product-before-sanitizing',
    ],
    ['water inside: no serving', { contents: 'rinse' }, 'serve', 'product-on-solution'],
  ] as const)('%s', (_, change, act, why) => expect(forbidden(change)[act]).toBe(why))
  it('sanitized longer ago than the site allows: again; once product is in, it is served', () => {
    expect(forbidden({}, 4)['prime']).toBeUndefined()
    expect(forbidden({}, 4.1)['prime']).toBe('sanitized-too-long-ago')
    expect(forbidden({}, null)['prime']).toBe('sanitized-too-long-ago')
    expect(forbidden({ contents: 'product' }, 40)['serve']).toBeUndefined()
  })
  it('out of service: no product, no cooling, no serving', () => {
    const why = 'out-of-service'
    expect(forbidden({}, 1, true)).toMatchObject({ freeze: why, prime: why, serve: why })
  })
  it('a bare clean machine forbids nothing', () => expect(forbidden({})).toEqual({}))
})

describe('taking a step back', () => {
  it('restores what the step and its timer had changed', () => {
    const { records } = workThrough('soft-serve-gravity.close')
    const at = records.findIndex((r) => r.type === 'run.step.done@2' && r.payload.step === 'wash-agitate')
    const fold = (list: typeof records) => ({
      run: list.reduce(procedure.runFold.apply, procedure.runFold.initial('run-soft-serve-gravity.close')),
      station: list.reduce(procedure.stationFold.apply, stationFor(close)),
    })
    const { run } = fold(records.slice(0, at + 1))
    const position = procedure.outline(close, run).find((p) => p.key === 'wash-agitate') as procedure.Position
    const undone = recordOf(
      999,
      'run.step.undone@2',
      { kind: 'run', id: run.id },
      procedure.takeBack(run, position),
    )
    const after = fold([...records.slice(0, at + 1), undone])
    expect(after.station.facets).toEqual(fold(records.slice(0, at - 1)).station.facets)
    expect(after.run.done['wash-agitate']).toBeUndefined()
    expect(after.run.waits['wash-agitate']).toBeUndefined()
  })
  it('of one that is not the last changes nothing of the machine: no earlier state comes back by it', () => {
    const { records } = workThrough('soft-serve-gravity.close')
    const upTo = records.slice(0, -1)
    const before = upTo.reduce(procedure.stationFold.apply, stationFor(close))
    const undone = recordOf(
      999,
      'run.step.undone@2',
      { kind: 'run', id: 'run-soft-serve-gravity.close' },
      { run: 'run-soft-serve-gravity.close', station: 'st', step: 'product' },
    )
    const after = procedure.stationFold.apply(before, undone)
    expect(after.facets).toEqual(before.facets)
    expect(after.facets.hygiene).toBe('clean')
  })
})

describe('a station without the numbers that a procedure needs', () => {
  it('cannot start it, and the number is named', () => {
    const bare = procedure.stationFold.initial('st')
    const known = procedure.latestProcedure('bucket.fill') as procedure.Procedure
    expect(() => procedure.startInForce(bare, known)).toThrow(Refusal)
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
        'run.step.done@2',
        { kind: 'run', id: 'run-bucket.fill' },
        { run: 'run-bucket.fill', station: 'st', step, facts: {} },
      )
    expect(flagsOf(done('stand'), { run, station: null, at: 0, freshHours: 4 })).toEqual([
      'out-of-order',
      'wait-cut-short',
    ])
    expect(flagsOf(done('mix'), { run, station: null, at: 0, freshHours: 4 })).toEqual([])
  })
})
