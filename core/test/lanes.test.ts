import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  crosswise,
  currentPosition,
  lastDone,
  openPositions,
  outline,
  runFold,
  stationFold,
  tendingOf,
  unknownFacets,
  type Procedure,
  type RunState,
  type StationState,
  type Step,
} from '../procedure/index.ts'
import { barrels, of, step, tick } from './made-up.ts'
import { recordOf } from './records.ts'

/** Does the steps at these keys, and returns the run and the machine after them. */
function work(
  procedure: Procedure,
  keys: readonly string[],
): { run: RunState; facets: StationState['facets'] } {
  const records = keys.map((step, i) =>
    recordOf(i, 'run.step.done@2', { kind: 'run', id: 'r' }, { run: 'r', station: 'st', step, facts: {} }),
  )
  const begun: RunState = { ...runFold.initial('r'), status: 'running', station: 'st', document: procedure }
  const station: StationState = {
    ...stationFold.initial('st'),
    facets: { ...unknownFacets, contents: 'product' },
    runs: { r: begun },
  }
  const after = records.reduce(stationFold.apply, station)
  return { run: after.runs['r'] ?? begun, facets: after.facets }
}

describe('lanes side by side', () => {
  it('may each be worked, and what follows waits for them all', () => {
    expect(openPositions(barrels, runFold.initial('r')).map((p) => p.key)).toEqual([
      'barrels.1.pour',
      'barrels.2.pour',
    ])
    const { run } = work(barrels, ['barrels.1.pour', 'barrels.1.drain'])
    expect(openPositions(barrels, run).map((p) => p.key)).toEqual(['barrels.2.pour'])
    const all = work(barrels, ['barrels.1.pour', 'barrels.1.drain', 'barrels.2.pour', 'barrels.2.drain'])
    expect(openPositions(barrels, all.run).map((p) => p.key)).toEqual(['end'])
  })
  it('make the machine as wet as its wettest barrel, until each is empty', () => {
    const contents = (keys: string[]) => work(barrels, keys).facets.contents
    expect(contents(['barrels.1.pour'])).toBe('rinse')
    // The other barrel still holds product: water in this one is worse.
    expect(contents(['barrels.1.pour', 'barrels.1.drain'])).toBe('product')
    expect(contents(['barrels.1.pour', 'barrels.2.pour', 'barrels.1.drain'])).toBe('rinse')
    expect(contents(['barrels.1.pour', 'barrels.2.pour', 'barrels.1.drain', 'barrels.2.drain'])).toBe('empty')
  })
  it('in whatever order they are worked, leave the machine the same', () => {
    const lanes = [
      ['barrels.1.pour', 'barrels.1.drain'],
      ['barrels.2.pour', 'barrels.2.drain'],
    ]
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }), (picks) => {
        const left = lanes.map((l) => [...l])
        const keys: string[] = []
        for (const first of picks)
          keys.push((left[first ? 0 : 1]?.shift() ?? left[first ? 1 : 0]?.shift()) as string)
        return work(barrels, keys).facets.contents === 'empty'
      }),
    )
  })
  it('the next one free comes first; a step taken back is this lane’s last', () => {
    const { run } = work(barrels, ['barrels.1.pour', 'barrels.2.pour'])
    const waiting = { ...run, waits: { 'barrels.1.drain': { startedAt: 0, minutes: 5, tick: tick(0) } } }
    expect(currentPosition(barrels, waiting)?.key).toBe('barrels.2.drain')
    expect(lastDone(outline(barrels, run), run, 'barrels.1')?.key).toBe('barrels.1.pour')
    expect(lastDone(outline(barrels, run), run)?.key).toBe('barrels.2.pour')
  })
})

describe('a branch', () => {
  const look = step('look', {
    kind: 'inspect',
    choices: [
      { id: 'a', name: 'a', outcome: 'fine' },
      { id: 'b', name: 'b', outcome: 'regrease' },
    ],
  } as Partial<Step>)
  const branched = of([
    look,
    { id: 'b', kind: 'branch', on: 'look', is: ['regrease'], steps: [step('grease')] },
    step('end'),
  ])
  it.each([
    ['fine', ['look', 'end']],
    ['regrease', ['look', 'grease', 'end']],
  ] as const)('after %s', (outcome, keys) => {
    const done = { look: { at: 0, by: 'b', facts: { outcome } } }
    expect(outline(branched, { done }).map((p) => p.key)).toEqual(keys)
  })
})

describe('what an inspection asks for', () => {
  const subject = { kind: 'station', id: 'st' } as const
  const record = (type: string, payload: object, at = 0) =>
    ({ type, subject, payload, by: 'bao', observedAt: at, clockOffset: 0 }) as never
  const done = record('run.step.done@1', {
    run: 'r',
    station: 'st',
    step: 'seal',
    kind: 'inspect',
    facts: { choice: 'replace', outcome: 'replace' },
    effects: {},
    before: {},
  })
  it('stands at the station until it is dealt with, or the step is taken back', () => {
    const asked = stationFold.apply(stationFold.initial('st'), done)
    expect(asked.followUps).toMatchObject([{ step: 'seal', outcome: 'replace', by: 'bao' }])
    const closed = record('follow-up.closed@1', { run: 'r', station: 'st', step: 'seal', note: 'new seal' })
    expect(stationFold.apply(asked, closed).followUps).toEqual([])
    const back = record('run.step.undone@1', { run: 'r', station: 'st', step: 'seal', restores: {} })
    expect(stationFold.apply(asked, back).followUps).toEqual([])
  })
  it('is nothing where it was fine', () => {
    const fine = record('run.step.done@1', {
      run: 'r',
      station: 'st',
      step: 's',
      kind: 'inspect',
      facts: { outcome: 'watch' },
      effects: {},
      before: {},
    })
    expect(stationFold.apply(stationFold.initial('st'), fine).followUps).toEqual([])
  })
})

describe('a tended wait', () => {
  const tend = step('t', {
    kind: 'tend',
    length: 20,
    every: 4,
    duty: 'Top up',
    late: 'It cuts out.',
  } as Partial<Step>) as Step & { kind: 'tend' }
  const at = (minutes: number, visits: number[] = []) =>
    tendingOf(
      tend,
      't',
      {
        waits: { t: { startedAt: 0, minutes: 20, tick: tick(0) } },
        visits: { t: visits.map((m) => m * 60_000) },
        parameters: {},
      },
      minutes * 60_000,
    )
  it('asks for each visit in its time, and tells when one is late', () => {
    expect(at(3)).toMatchObject({ nextAt: 4 * 60_000, late: false })
    expect(at(4.5).late).toBe(false)
    expect(at(5.5)).toMatchObject({ late: true, visits: 0 })
    expect(at(5.5, [5])).toMatchObject({ nextAt: 9 * 60_000, late: false, visits: 1 })
  })
  it('asks for none past its end, and none before it begins', () => {
    expect(at(18, [17]).nextAt).toBeNull()
    expect(tendingOf(tend, 't', { waits: {}, visits: {}, parameters: {} }, 0)).toMatchObject({
      nextAt: null,
      late: false,
    })
  })
})

describe('fastening crosswise', () => {
  it('names every place once, each next to the last only where it must be', () => {
    expect(crosswise(4)).toEqual([0, 2, 1, 3])
    expect(crosswise(6)).toEqual([0, 3, 1, 4, 2, 5])
    fc.assert(fc.property(fc.integer({ min: 1, max: 24 }), (n) => new Set(crosswise(n)).size === n))
  })
})
