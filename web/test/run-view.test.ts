import {
  type Facts,
  latestProcedure,
  wholeCount,
  type Position,
  type Procedure,
  runFold,
  startRun,
  stationFold,
  type StationState,
} from '@tadka/core/procedure'
import { point } from '@tadka/core/quantity'
import { taken } from '@tadka/core/reading'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { useSession } from '../src/rights/session.ts'
import { useRunActs } from '../src/procedure/run-acts.ts'
import { useRunView } from '../src/procedure/run-view.ts'
import { useSiteStore } from '../src/site/site.ts'
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
let site: ReturnType<typeof useSiteStore>

beforeEach(async () => {
  const t = tablet()
  const session = useSession()
  session.site = 'gannet'
  session.people = [{ id: 'bao', name: 'Bao', role: 'crew', pass: '' }]
  site = useSiteStore()
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
  passed = 0
  const began = performance.now()
  vi.spyOn(performance, 'now').mockImplementation(() => began + passed)
  site.record('run.started@2', { kind: 'run', id: 'r' }, startRun('r', 'st', procedure))
})
afterEach(() => {
  scope.stop()
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

const run = () => view.run.value ?? runFold.initial('r')
const here = () => view.position.value as Position
/** What a worker answers who does as told. */
function answer(p: Position): Facts {
  if (p.kind === 'sign') return { shown: true }
  const { step } = p
  if (step.kind === 'parts') return wholeCount(step)
  if (step.kind === 'inspect') return { choice: step.choices.find((c) => c.outcome === 'fine')?.id ?? '' }
  return {}
}
/** The tablet's own clock runs on by so much. */
let passed = 0
const pass = (minutes: number) => (passed += minutes * 60_000)
/** A check is done by a reading; here it is taken as read, and in. */
function read(key: string): void {
  const reading = { temperature: { unit: '°C' as const, reading: point(80) }, seconds: 30 }
  const place = { station: 'st', run: 'r', step: key, bath: null, case: null }
  site.record('reading.taken@1', { kind: 'run', id: 'r' }, taken({ what: 'hot-water', reading }, place, []))
}
/** Does steps until the one with this key is current. */
function workTo(key: string): void {
  for (let i = 0; here().key !== key; i++) {
    if (i > 40) throw new Error(`never came to ${key}`)
    const at = here()
    const kind = at.kind === 'step' ? at.step.kind : 'sign'
    if (kind === 'wait') {
      acts.wait(run(), at)
      pass(5)
    }
    if (kind === 'check') read(at.key)
    else acts.done(run(), here(), answer(at))
    pass(0.1)
  }
}

describe('a run on its screen', () => {
  it('begins at its first step, with nothing to take back', () => {
    expect(here().key).toBe('isolated')
    expect(view.before.value).toBeNull()
    expect(run()).toMatchObject({ status: 'running', startedBy: 'bao', judged: true })
  })
  it('warns of what the machine’s state forbids, as long as it does', () => {
    const warned = () => Object.fromEntries(view.warnings.value.map((w) => [w.act, w.why]))
    expect(warned()).toMatchObject({ freeze: 'freeze-while-open', prime: 'parts-missing' })
    workTo('sanitizer-agitate')
    expect(warned()).toMatchObject({
      freeze: 'freeze-while-wet',
      prime: 'product-before-sanitizing',
      'reach-in': 'hands-before-isolation',
    })
    workTo('prime')
    expect(warned()['prime']).toBeUndefined()
  })
  it('blocks the step that the state forbids, and says why', () => {
    workTo('prime')
    expect(view.blocked.value).toBeNull()
    site.record('station.stopped@1', { kind: 'station', id: 'st' }, { station: 'st', reason: 'it smells' })
    expect(view.blocked.value).toBe('out-of-service')
  })
  it('takes its last step back, and the machine’s state with it', () => {
    workTo('sanitizer-pour')
    const before = view.station.value?.facets
    acts.done(run(), here(), {})
    expect(view.station.value?.facets.contents).toBe('sanitizer')
    acts.back(run(), view.before.value as Position)
    expect(here().key).toBe('sanitizer-pour')
    expect(view.station.value?.facets).toEqual(before)
  })
  it('counts a wait from the record, by the clock that nobody can set', () => {
    workTo('sanitizer-agitate')
    acts.wait(run(), here())
    expect(run().waits['sanitizer-agitate']).toMatchObject({ minutes: 5 })
    expect(view.station.value?.facets.power).toBe('agitating')
    pass(4)
    acts.done(run(), here(), {})
    // Too early: it has not happened, and the timer is to be started again.
    expect(here().key).toBe('sanitizer-agitate')
    expect(run().cut['sanitizer-agitate']).toMatchObject({ leastMs: 300_000 })
    acts.wait(run(), here())
    pass(5)
    acts.done(run(), here(), {})
    acts.done(run(), here(), {})
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
    read('product-check')
    acts.finishIfDone('r')
    expect(run().status).toBe('finished')
    expect(view.station.value?.lastRuns[procedure.id]).toMatchObject({ run: 'r', by: 'bao' })
  })
  it('a missing part stops it; found, it goes on from the count', () => {
    workTo('parts-in')
    acts.missing(run(), here(), 'valve-ring')
    expect(run().status).toBe('stopped')
    expect(view.station.value?.outOfService).toMatchObject({ why: 'part-missing', what: 'valve-ring' })
    acts.found(run(), 'in the sink strainer')
    expect([run().status, here().key]).toEqual(['running', 'parts-in'])
    expect(view.station.value?.outOfService).toBeNull()
  })
})
