import { finishStep, runFold, startRun, stationFold, type StationState } from '@tadka/core/procedure'
import { latestProcedure, type Position, type Procedure } from '@tadka/core/procedure'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { useSession } from '../src/people/session.ts'
import { useRunActs } from '../src/procedure/run-acts.ts'
import { useRunView } from '../src/procedure/run-view.ts'
import { useSite } from '../src/record/site.ts'
import { tablet } from './tablet.ts'

const procedure = latestProcedure('soft-serve-gravity.open') as Procedure
const station: StationState = {
  ...stationFold.initial('st'),
  plate: {
    name: 'Soft-serve',
    tag: '1',
    place: '',
    family: 'soft-serve-gravity',
    model: '',
    parameters: { rinse: 3800, pailHolds: 10_000, sanitize: 5 },
    duties: [],
  },
  facets: {
    ...stationFold.initial('st').facets,
    contents: 'empty',
    assembly: 'drying',
    partsOut: 18,
    power: 'isolated',
    hygiene: 'clean',
  },
}

let scope: ReturnType<typeof effectScope>
let view: ReturnType<typeof useRunView>
let acts: ReturnType<typeof useRunActs>
let site: ReturnType<typeof useSite>

beforeEach(async () => {
  const t = tablet()
  const session = useSession()
  session.site = 'gannet'
  session.people = [{ id: 'bao', name: 'Bao', role: 'crew', locked: false }]
  site = useSite()
  const states = [{ kind: 'station', id: 'st', state: station, last: null }]
  t.server.answer = (path) => ({
    status: 200,
    body: path.endsWith('/state')
      ? { serverTime: Date.now(), seq: 1, states }
      : { serverTime: Date.now(), outcomes: [] },
  })
  await site.load()
  t.server.answer = null
  scope = effectScope()
  scope.run(() => {
    view = useRunView(() => 'r')
    acts = useRunActs()
  })
  site.record('run.started@1', { kind: 'run', id: 'r' }, startRun('r', station, procedure))
})
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
})

const run = () => view.run.value ?? runFold.initial('r')
const here = () => view.position.value as Position
/** Does steps until the one with this key is current. */
function workTo(key: string): void {
  for (let i = 0; here().key !== key; i++) {
    if (i > 40) throw new Error(`never came to ${key}`)
    acts.done(run(), here(), here().kind === 'sign' ? { shown: true } : {}, false)
  }
}

describe('a run on its screen', () => {
  it('begins at its first step, with nothing to take back', () => {
    expect(here().key).toBe('isolated')
    expect(view.before.value).toBeNull()
    expect(run()).toMatchObject({ status: 'running', startedBy: 'bao' })
  })
  it('warns of what the machine’s state forbids, as long as it does', () => {
    const warned = () => Object.fromEntries(view.warnings.value.map((w) => [w.act, w.why]))
    expect(warned()).toMatchObject({ freeze: 'parts-missing', prime: 'parts-missing' })
    workTo('sanitizer-agitate')
    expect(warned()).toMatchObject({
      freeze: 'solution-inside',
      prime: 'not-sanitized',
      'reach-in': 'not-isolated',
    })
    workTo('prime')
    expect(warned()['prime']).toBeUndefined()
  })
  it('blocks the step that the state forbids, and says why', () => {
    workTo('freeze')
    expect(view.blocked.value).toBeNull()
    const water = {
      run: 'other',
      station: 'st',
      step: 'x',
      kind: 'do',
      facts: {},
      effects: { contents: 'rinse' as const },
      before: {},
    }
    site.record('run.step.done@1', { kind: 'run', id: 'other' }, water)
    expect(view.blocked.value).toMatchObject({ act: 'freeze', why: 'water-inside' })
  })
  it('takes its last step back, and the machine’s state with it', () => {
    workTo('sanitizer-pour')
    const before = view.station.value?.facets
    acts.done(run(), here(), {}, false)
    expect(view.station.value?.facets.contents).toBe('sanitizer')
    acts.back(run(), view.before.value as Position)
    expect(here().key).toBe('sanitizer-pour')
    expect(view.station.value?.facets).toEqual(before)
  })
  it('counts a wait from the record, and keeps agitating only as long', () => {
    workTo('sanitizer-agitate')
    acts.wait(run(), here(), 5)
    expect(run().waits['sanitizer-agitate']).toMatchObject({ minutes: 5 })
    expect(view.station.value?.facets.power).toBe('agitating')
    acts.done(run(), here(), {}, false)
    acts.done(run(), here(), {}, false)
    expect(view.station.value?.facets).toMatchObject({
      power: 'off',
      contents: 'empty',
      hygiene: 'sanitized',
    })
  })
  it('parked, goes on where it was; given up, frees the station', () => {
    workTo('lubricate')
    acts.park(run())
    expect(run().status).toBe('parked')
    acts.resume(run())
    expect([run().status, here().key]).toEqual(['running', 'lubricate'])
    acts.abandon(run(), 'no water')
    expect(run()).toMatchObject({ status: 'abandoned', reason: 'no water' })
    expect(view.station.value?.currentRun).toBeNull()
  })
  it('with its last step finishes in the same breath', () => {
    workTo('product-check')
    acts.done(run(), here(), {}, true)
    expect(run().status).toBe('finished')
    expect(view.station.value?.lastRuns[procedure.id]).toMatchObject({ run: 'r', by: 'bao' })
  })
  it('makes the same payloads as anyone else would', () => {
    expect(finishStep(procedure, run(), here(), station.facets, { held: true })).toMatchObject({
      step: 'isolated',
      kind: 'gate',
      effects: { power: 'isolated' },
      before: { power: 'isolated' },
    })
  })
})
