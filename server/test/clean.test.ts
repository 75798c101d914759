import {
  latestProcedure,
  wholeCount,
  walk,
  type Position,
  type Procedure,
  type RunState,
  type StationState,
} from '@tadka/core/procedure'
import type { AnyDraft, RecordType } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let crew: string
let lead: string
beforeAll(async () => {
  server = await testServer(1)
  crew = await signIn(server.app, 'bao')
  lead = await signIn(server.app, 'bao', 'ines')
})
afterAll(() => server.close())

const close = latestProcedure('soft-serve-gravity.close') as Procedure
const open = latestProcedure('soft-serve-gravity.open') as Procedure
const minute = 60_000
type Outcome = { outcome: string; code?: string }

async function post(drafts: AnyDraft[], cookie = crew): Promise<Outcome[]> {
  const answer = await ask(server, cookie, 'POST', '/records', { sentAt: server.clock.now, drafts })
  expect(answer.statusCode).toBe(200)
  return answer.json<{ outcomes: Outcome[] }>().outcomes
}
async function state<T>(kind: string, id: string): Promise<T> {
  return (await ask(server, crew, 'GET', `/subjects/${kind}/${id}`)).json<{ state: T }>().state
}
async function flagsOf(run: string): Promise<string[][]> {
  const log = (await ask(server, crew, 'GET', `/log?kind=run&subject=${run}&limit=50`)).json<{
    records: { flags: string[] }[]
  }>()
  return log.records.map((r) => r.flags)
}
let n = 0
/** A soft-serve freezer of its own, closed last night by hand as a lead tells it: clean, apart, unplugged. */
async function closedFreezer(): Promise<string> {
  const station = `freezer-${(n += 1)}`
  const { plate } = await state<StationState>('station', 'kiosk-soft-serve')
  const manager = await signIn(server.app, 'oriel')
  const set = draft(server.clock.now, 'station.set@1', plate as object, {
    by: 'oriel',
    subject: { kind: 'station', id: station },
  })
  expect(await post([set], manager)).toMatchObject([{ outcome: 'accepted' }])
  server.clock.now += minute
  const told = {
    ...{ person: 'ines', pin: '4711', who: 'bao', read: 'all 18 parts', station },
    procedure: { id: close.id, version: close.version },
    ...{ from: server.clock.now - 90 * minute, to: server.clock.now - 30 * minute },
  }
  const answer = await ask(server, crew, 'POST', '/enter', told)
  expect(answer.json()).toMatchObject({ outcomes: [{ outcome: 'accepted' }] })
  server.clock.now += minute
  return station
}
const send = (type: RecordType, run: string, payload: object, cookie = crew) =>
  post([draft(server.clock.now, type, { run, ...payload })], cookie)

async function begin(station: string, procedure = open): Promise<string> {
  const run = `run-${station}`
  await send('run.started@2', run, { station, procedure: { id: procedure.id, version: procedure.version } })
  return run
}
const here = async (run: string): Promise<Position> => {
  const r = await state<RunState>('run', run)
  return walk(open, r).open[0] as Position
}
/** Works an opening up to a step, as it should be done. */
async function upTo(run: string, station: string, key: string): Promise<void> {
  for (let i = 0; i < 40; i++) {
    const position = await here(run)
    if (position.key === key || position.kind !== 'step') return
    server.clock.now += minute
    const { step } = position
    if (step.kind === 'wait') {
      await send('run.wait.started@2', run, { station, step: position.key, boot: 'b' })
      server.clock.now += 6 * minute
    }
    if (step.kind === 'check') await readIn(run, station, position.key)
    else {
      const facts =
        step.kind === 'parts'
          ? wholeCount(step)
          : step.kind === 'inspect'
            ? { choice: 'fine' }
            : step.kind === 'mix'
              ? { product: 'skerrychlor', pouredMl: 23 }
              : {}
      await send('run.step.done@2', run, { station, step: position.key, facts, boot: 'b' })
    }
  }
  throw new Error(`never came to ${key}`)
}
async function readIn(run: string, station: string, step: string): Promise<void> {
  const { taken } = await import('@tadka/core/reading')
  const { point } = await import('@tadka/core/quantity')
  const place = { station, run, step, bath: null, case: null }
  const reading = { temperature: { unit: '°C' as const, reading: point(80) }, seconds: 30 }
  await send('reading.taken@1', run, taken({ what: 'hot-water', reading }, place, []))
}

describe('what a tablet sends is judged by what the site’s records say', () => {
  it('“sanitized” sent as an effect sanitizes nothing; the record is kept', async () => {
    const station = await closedFreezer()
    const run = await begin(station)
    const forged = {
      ...{ station, step: 'sanitizer-drain', kind: 'do', facts: {} },
      ...{
        effects: { hygiene: 'sanitized', assembly: 'whole', contents: 'product', partsOut: 0 },
        before: {},
      },
    }
    expect(await send('run.step.done@1', run, forged)).toMatchObject([{ outcome: 'accepted' }])
    const after = await state<StationState>('station', station)
    expect(after.facets).toMatchObject({ hygiene: 'clean', assembly: 'drying', contents: 'empty' })
    expect(await flagsOf(run)).toContainEqual(expect.arrayContaining(['out-of-order']))
    expect((await state<RunState>('run', run)).done).toEqual({})
  })
  it('minutes, numbers and a document sent with a run are not taken: the plate’s are', async () => {
    const station = await closedFreezer()
    const run = `run-${station}`
    const named = { id: open.id, version: open.version }
    const document = { ...open, id: 'own.forged', nodes: open.nodes.slice(-1) }
    expect(
      (
        await send('run.started@1', run, {
          station,
          procedure: named,
          parameters: { sanitize: 0, rinse: 1, pailHolds: 1 },
        })
      )[0],
    ).toMatchObject({ outcome: 'accepted' })
    expect((await state<RunState>('run', run)).parameters).toMatchObject({ sanitize: 5, rinse: 3800 })
    const own = await send('run.started@1', `${run}-2`, {
      station,
      procedure: { id: 'own.forged', version: 1 },
      parameters: {},
      document,
    })
    expect(own[0]?.outcome).toBe('refused')
    const wrong = await send('run.started@2', `${run}-3`, {
      station,
      procedure: { id: 'surface.in-place', version: 2 },
    })
    expect(wrong[0]).toMatchObject({ outcome: 'refused', code: 'procedure_not_for_station' })
  })
  it('a contact time ended early sanitizes nothing; waited out, it does', async () => {
    const station = await closedFreezer()
    const run = await begin(station)
    await upTo(run, station, 'sanitizer-agitate')
    await send('run.wait.started@2', run, { station, step: 'sanitizer-agitate', boot: 'b' })
    server.clock.now += 2 * minute
    await send('run.step.done@2', run, { station, step: 'sanitizer-agitate', facts: {}, boot: 'b' })
    const cut = await state<RunState>('run', run)
    expect(cut.cut['sanitizer-agitate']).toMatchObject({ ms: 2 * minute, leastMs: 5 * minute })
    expect(await flagsOf(run)).toContainEqual(['wait-cut-short'])
    await send('run.step.done@2', run, { station, step: 'sanitizer-drain', facts: {}, boot: 'b' })
    expect((await state<StationState>('station', station)).facets.hygiene).toBe('clean')
    await upTo(run, station, 'hands')
    expect((await state<StationState>('station', station)).facets.hygiene).toBe('sanitized')
  })
  it('a wait that comes with its end in one batch, from a device that tells nothing of its time, did not pass', async () => {
    const station = await closedFreezer()
    const run = await begin(station)
    await upTo(run, station, 'sanitizer-agitate')
    server.clock.now += 60 * minute
    const at = server.clock.now
    const plain = { run, station, step: 'sanitizer-agitate' }
    await post([
      draft(at - 50 * minute, 'run.wait.started@2', plain),
      draft(at - 10 * minute, 'run.step.done@2', { ...plain, facts: {} }),
    ])
    expect((await state<RunState>('run', run)).done['sanitizer-agitate']).toBeUndefined()
  })
  it('product put in before it is sanitized is kept, flagged, opens a case, and makes nothing sanitized', async () => {
    const station = await closedFreezer()
    const run = await begin(station)
    await upTo(run, station, 'sanitizer-mix')
    await send('run.overridden@1', run, { station, step: '', what: 'start', reason: 'forged' })
    const sent = draft(server.clock.now, 'run.step.done@2', {
      run,
      station,
      step: 'sanitizer-mix',
      facts: { product: 'skerrychlor' },
    })
    await post([sent])
    await readIn(run, station, 'sanitizer-check')
    // The machine is filled with product meanwhile, as somebody sees.
    await post([
      draft(
        server.clock.now + 1,
        'station.observed@1',
        { station, contents: 'product', assembly: 'whole', power: 'off' },
        { subject: { kind: 'station', id: station } },
      ),
    ])
    server.clock.now += minute
    const pour = draft(server.clock.now, 'run.step.done@2', {
      run,
      station,
      step: 'sanitizer-pour',
      facts: {},
    })
    await post([pour])
    expect(await state<{ status: string; what: string }>('case', pour.id)).toMatchObject({
      status: 'open',
      what: 'forbidden-act',
    })
    expect((await state<StationState>('station', station)).facets).toMatchObject({ contact: 'none' })
  })
})

describe('what was in force stands in the record', () => {
  it('the label of what was mixed, as the site had it then; not what came later, not what was sent', async () => {
    const station = await closedFreezer()
    const run = await begin(station)
    await upTo(run, station, 'sanitizer-check')
    const { done } = await state<RunState>('run', run)
    expect(done['sanitizer-mix']?.label).toMatchObject({
      use: 'frozen-dessert',
      product: 'skerrychlor',
      agent: 'chlorine',
    })
  })
  it('a site’s own procedure is run as the site has it', async () => {
    const manager = await signIn(server.app, 'oriel')
    const own = { ...latestProcedure('bucket.fill'), id: 'own.bucket.fill', version: 1, name: 'Our bucket' }
    const subject = { kind: 'procedure', id: own.id }
    const set = draft(server.clock.now, 'procedure.set@1', { document: own }, { by: 'oriel', subject })
    expect(await post([set], manager)).toMatchObject([{ outcome: 'accepted' }])
    const started = { station: 'espresso-bucket', procedure: { id: own.id, version: 1 } }
    expect(await send('run.started@2', 'own-run', started)).toMatchObject([{ outcome: 'accepted' }])
    expect((await state<RunState>('run', 'own-run')).document).toMatchObject({ name: 'Our bucket' })
  })
})

describe('a shift lead’s own PIN', () => {
  const leave = (run: string, step: string, more: object = {}) =>
    ask(server, crew, 'POST', '/override', {
      ...{ person: 'ines', pin: '4711', reason: 'the late ferry is in' },
      what: { kind: 'wait', run, step },
      ...more,
    })
  it('lets a run go on, and everything says that it is not sanitized; product stays refused', async () => {
    const station = await closedFreezer()
    const run = await begin(station)
    await upTo(run, station, 'sanitizer-agitate')
    await send('run.wait.started@2', run, { station, step: 'sanitizer-agitate', boot: 'b' })
    server.clock.now += minute
    expect((await leave(run, 'sanitizer-agitate')).json()).toMatchObject({
      outcomes: [{ outcome: 'accepted' }],
    })
    expect((await state<RunState>('run', run)).done['sanitizer-agitate']).toMatchObject({
      short: { ms: minute, leastMs: 5 * minute },
      overridden: { by: 'ines', reason: 'the late ferry is in' },
    })
    await upTo(run, station, 'prime')
    await send('run.step.done@2', run, { station, step: 'prime', facts: {} })
    expect((await state<StationState>('station', station)).facets.hygiene).toBe('clean')
    expect(await flagsOf(run)).toContainEqual(['forbidden-act'])
    const { left } = (await ask(server, crew, 'GET', '/days/2026-11-26')).json<{
      left: { what: string; station: string }[]
    }>()
    expect(left).toContainEqual(expect.objectContaining({ what: 'not-sanitized', station, by: 'ines' }))
  })
  it('is theirs: neither a wrong one, nor a crew member’s, nor a record sent by a tablet does it', async () => {
    const station = await closedFreezer()
    const run = await begin(station)
    await upTo(run, station, 'sanitizer-agitate')
    expect((await leave(run, 'sanitizer-agitate', { pin: '0000' })).json()).toMatchObject({
      code: 'wrong_pin',
    })
    expect((await leave(run, 'sanitizer-agitate', { person: 'bao', pin: '2468' })).json()).toMatchObject({
      code: 'not_allowed',
    })
    expect((await leave(run, 'sanitizer-agitate', { reason: '' })).statusCode).toBe(400)
    const sent = await send(
      'run.overridden@1',
      run,
      { station, step: 'sanitizer-agitate', what: 'wait', reason: 'mine' },
      lead,
    )
    expect(sent[0]).toMatchObject({ outcome: 'refused' })
    expect((await state<RunState>('run', run)).done['sanitizer-agitate']).toBeUndefined()
  })
  it('overrides no isolation, no count, and no stop', async () => {
    const station = await closedFreezer()
    const run = await begin(station)
    expect((await leave(run, 'isolated')).json()).toMatchObject({ code: 'cannot_override' })
    await upTo(run, station, 'parts-in')
    expect((await leave(run, 'parts-in')).json()).toMatchObject({ code: 'cannot_override' })
    const other = await closedFreezer()
    const stopped = draft(
      server.clock.now,
      'station.stopped@1',
      { station: other, reason: 'smells' },
      { subject: { kind: 'station', id: other } },
    )
    await post([stopped])
    const start = {
      kind: 'start',
      run: `run-${other}`,
      station: other,
      procedure: { id: open.id, version: open.version },
    }
    expect((await leave(run, 'x', { what: start })).json()).toMatchObject({ code: 'cannot_override' })
  })
})

describe('a run done without the tablet', () => {
  it('closes the duty, says who and when, and sanitizes nothing', async () => {
    const station = await closedFreezer()
    const after = await state<StationState>('station', station)
    expect(after.lastRuns[close.id]).toMatchObject({ by: 'bao', entered: true })
    expect(after.facets).toMatchObject({ hygiene: 'clean', assembly: 'drying', partsOut: null })
    server.clock.now += minute
    const told = {
      ...{ person: 'ines', pin: '4711', who: 'bao', read: '100 ppm', station },
      procedure: { id: open.id, version: open.version },
    }
    const times = { from: server.clock.now - 20 * minute, to: server.clock.now - minute }
    await ask(server, crew, 'POST', '/enter', { ...told, ...times })
    expect((await state<StationState>('station', station)).facets).toMatchObject({
      contents: 'product',
      hygiene: 'unknown',
    })
    expect((await state<StationState>('station', station)).sanitizedAt).toBeNull()
  })
  it('is refused for a time in which the tablet saw the machine in another run, backwards, or to come', async () => {
    const station = await closedFreezer()
    const run = await begin(station)
    server.clock.now += 10 * minute
    const told = (from: number, to: number) =>
      ask(server, crew, 'POST', '/enter', {
        ...{ person: 'ines', pin: '4711', who: 'bao', read: '', station },
        procedure: { id: close.id, version: close.version },
        ...{ from: server.clock.now + from * minute, to: server.clock.now + to * minute },
      })
    expect((await told(-5, -1)).json()).toMatchObject({ code: 'seen_elsewhere', details: { runs: [run] } })
    expect((await told(-1, -5)).json()).toMatchObject({ code: 'time_order' })
    expect((await told(-1, 5)).json()).toMatchObject({ code: 'time_order' })
  })
})

describe('a contact time that is entered too short', () => {
  it('on the plate is refused, with the label that asks for more', async () => {
    const manager = await signIn(server.app, 'oriel')
    const { plate } = await state<StationState>('station', 'kiosk-soft-serve')
    const parameters = { ...plate?.parameters, sanitize: 0.1 }
    const set = draft(
      server.clock.now,
      'station.set@1',
      { ...plate, parameters },
      { by: 'oriel', subject: { kind: 'station', id: 'kiosk-soft-serve' } },
    )
    expect(await post([set], manager)).toMatchObject([{ outcome: 'refused', code: 'contact_too_short' }])
  })
})
