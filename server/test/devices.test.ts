import { deliveryOf, gateway, rackStream, type MachineSample } from '@tadka/devices'
import type { DishState } from '@tadka/core/warewash'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { stateOf } from '../stream/queries.ts'
import { verifySite } from '../record/verify/verify.ts'
import { ask, draft, newDishMachine, listeningServer, signIn, type TestServer } from './server.ts'

let server: TestServer
let manager: string
let url: string
beforeAll(async () => {
  ;({ server, url } = await listeningServer())
  manager = await signIn(server.app, 'oriel')
})
afterAll(() => server.close())

const call = (method: 'GET' | 'POST', path: string, cookie: string, payload?: object) =>
  ask(server, cookie, method, path, payload)

/** Enters a station of its own with a device, so that each test begins with nothing. */
async function newDevice(id: string): Promise<{ station: string; authorization: string }> {
  const station = `dish-${id}`
  return { station, authorization: await newDishMachine(server, station, id) }
}
/** The samples of an hour's racks with a door opened mid-cycle somewhere, and half a minute of standing by. */
function hour(seed = 2): MachineSample[] {
  const stream = rackStream(seed)
  stream.busy(1770, 30)
  return stream.next(1800)
}
/** The clock stands where the last sample is just sent. */
const sendAll = async (
  authorization: string,
  samples: readonly MachineSample[],
  faults = {},
  batch = 300,
) => {
  const uptime = Math.max(...samples.map((s) => s.at)) + 1
  await gateway({ url, authorization, boot: 'boot-1', batch }, faults).deliver(samples, uptime)
}
const dish = async (station: string) =>
  (await stateOf(server.pool, siteId, 'dish', station))?.state as DishState
const shapeOf = ({ marks, total, since, days }: DishState) => ({
  marks: marks.map(({ at, ending, verdict, rinseLow, washLow, pressureHigh, missing }) => ({
    at,
    ending,
    verdict,
    rinseLow,
    washLow,
    pressureHigh,
    missing,
  })),
  total,
  racks: since.delime.racks,
  days: days.map(({ racks, failed, rinses }) => ({ racks, failed, rinses })),
})

describe('what a probe streams', () => {
  it('becomes cycles in the chain, judged against the plate and the code', async () => {
    const { station, authorization } = await newDevice('probe-a')
    await sendAll(authorization, hour())
    const state = await dish(station)
    expect(state.total).toBeGreaterThan(8)
    expect(state.total).toBe(state.marks.filter((m) => m.ending === 'complete').length)
    expect(new Set(state.marks.filter((m) => m.ending === 'complete').map((m) => m.verdict))).toEqual(
      new Set(['in']),
    )
    expect(await verifySite(server.pool, siteId)).toMatchObject({ sound: true })
    const mark = state.marks.find((m) => m.ending === 'complete')
    const trace = await call('GET', `/dish/trace/${mark?.key}`, manager)
    const { at, on } = trace.json() as { at: number[]; on: number[] }
    expect(at.length).toBeGreaterThan(80)
    expect(on.some((bits) => (bits & 2) !== 0)).toBe(true)
    const now = await call('GET', `/dish/${station}/now`, manager)
    expect(now.json()).toMatchObject({ phase: 'idle', at: server.clock.now - 1000 })
    const days = await call('GET', `/dish/${station}/days?from=0&to=${server.clock.now}`, manager)
    const [day] = (days.json() as { days: { racks: number; out: number }[] }).days
    expect(day).toMatchObject({ racks: state.total, out: 0 })
  })
  it('late, doubled and out of order gives the same cycles as the clean stream', async () => {
    const clean = await newDevice('probe-b')
    await sendAll(clean.authorization, hour(7))
    const odd = await newDevice('probe-c')
    await sendAll(odd.authorization, hour(7), { times: 2, reversed: true }, 137)
    expect(shapeOf(await dish(odd.station))).toEqual(shapeOf(await dish(clean.station)))
    // A part that comes an hour after all else.
    const late = await newDevice('probe-d')
    const samples = hour(7)
    await sendAll(
      late.authorization,
      samples.filter((s) => s.at < 400 || s.at > 700),
    )
    expect(shapeOf(await dish(late.station))).not.toEqual(shapeOf(await dish(clean.station)))
    const uptime = (samples.at(-1)?.at ?? 0) + 1
    await gateway({ url, authorization: late.authorization, boot: 'boot-1' }).deliver(
      samples.filter((s) => s.at >= 400 && s.at <= 700),
      uptime,
    )
    expect(shapeOf(await dish(late.station))).toEqual(shapeOf(await dish(clean.station)))
  })
  it('goes by the seconds of its power-up: what clock the device has does not matter, and a second power-up counts anew', async () => {
    const { station, authorization } = await newDevice('probe-e')
    await sendAll(authorization, hour(3))
    const first = (await dish(station)).total
    server.clock.now += 3_600_000
    await gateway({ url, authorization, boot: 'boot-2' }).deliver(hour(3), 1800)
    const state = await dish(station)
    expect(state.total).toBe(2 * first)
    const [a, b] = [state.marks[0]?.at ?? 0, state.marks[first]?.at ?? 0]
    expect(state.marks.length).toBeLessThanOrEqual(60)
    expect(b - a).toBeGreaterThan(1_700_000)
  })
  it('a cycle whose rinse was cold fails, two are told to stop, and only a pass brings it back', async () => {
    const { station, authorization } = await newDevice('probe-f')
    const stream = rackStream(4)
    stream.fault({ feed: 12, elementOut: true })
    stream.busy(900, 30)
    await sendAll(authorization, stream.next(900))
    expect((await dish(station)).marks.findLast((m) => m.verdict !== null)?.verdict).toBe('out')
    const subject = { kind: 'dish', id: station }
    const lead = await signIn(server.app, 'ines')
    const send = (drafts: object[]) => call('POST', '/records', lead, { sentAt: server.clock.now, drafts })
    const aside = { station, way: 'sink', inDoubt: 4, doubtSince: null, rewashed: true, note: '' }
    await send([draft(server.clock.now, 'dish.set-aside@1', aside, { subject, by: 'ines' })])
    await send([
      draft(server.clock.now + 1, 'dish.returned@1', { station, passed: 'none' }, { subject, by: 'ines' }),
    ])
    expect((await dish(station)).aside).toMatchObject({ way: 'sink', by: 'ines' })
  })
})

describe('what is kept of it', () => {
  it('stands in the log by its type, and apart from what people did', async () => {
    const all = await call('GET', '/log?types=cycle.judged@1&limit=5', manager)
    const cycles = (all.json() as { records: { type: string; by: string }[] }).records
    expect(cycles).toHaveLength(5)
    expect(new Set(cycles.map((r) => r.type))).toEqual(new Set(['cycle.judged@1']))
    const rest = await call('GET', '/log?without=cycle.judged@1&limit=200', manager)
    const others = (rest.json() as { records: { type: string }[] }).records
    expect(others.length).toBeGreaterThan(20)
    expect(others.some((r) => r.type === 'cycle.judged@1')).toBe(false)
  })
  it('a crash after the chain and before the table is made good, and nothing stands twice', async () => {
    const { station, authorization } = await newDevice('probe-h')
    const samples = hour(9)
    const first = samples.slice(0, 1500)
    await sendAll(authorization, first)
    const before = await dish(station)
    await server.owner.query('delete from cycle where station_id = $1', [station])
    await server.owner.query("update device_boot set checkpoint = 0 where device_id = 'probe-h'")
    server.clock.now += 300_000
    await gateway({ url, authorization, boot: 'boot-1' }).deliver(samples.slice(1500), 1800)
    const after = await dish(station)
    expect(after.marks.slice(0, before.marks.length)).toEqual(before.marks)
    expect(new Set(after.marks.map((m) => m.key)).size).toBe(after.marks.length)
    expect(after.total).toBe(after.marks.filter((m) => m.ending === 'complete').length)
  })
  it('days are those of the site’s zone', async () => {
    const { station, authorization } = await newDevice('probe-i')
    const was = server.clock.now
    // In July Dublin is an hour ahead: half an hour to midnight UTC is half past midnight there.
    server.clock.now = Date.parse('2027-07-03T23:30:00Z')
    await sendAll(authorization, hour(5))
    server.clock.now = Date.parse('2027-07-03T22:30:00Z')
    await gateway({ url, authorization, boot: 'boot-0' }).deliver(hour(6), 1800)
    const days = await call('GET', `/dish/${station}/days?from=0&to=${Date.parse('2027-08-01')}`, manager)
    expect((days.json() as { days: { day: string }[] }).days.map((d) => d.day)).toEqual([
      '2027-07-03',
      '2027-07-04',
    ])
    server.clock.now = was
  })
  it('seconds are let go after ninety days; cycles stay', async () => {
    const { station, authorization } = await newDevice('probe-j')
    const was = server.clock.now
    await sendAll(authorization, hour(11))
    const [mark] = (await dish(station)).marks
    const trace = () => call('GET', `/dish/trace/${mark?.key}`, manager)
    expect((await trace()).statusCode).toBe(200)
    server.clock.now += 91 * 86_400_000
    await gateway({ url, authorization, boot: 'boot-2' }).deliver(hour(12).slice(0, 60), 60)
    expect((await trace()).statusCode).toBe(404)
    expect((await dish(station)).marks[0]).toEqual(mark)
    server.clock.now = was
  })
})

describe('who may stream', () => {
  it('a device with its token, until a manager ends it; nobody else', async () => {
    const { authorization } = await newDevice('probe-g')
    const payload = deliveryOf(hour().slice(0, 30), 'boot-1', 30)
    const post = (header: string) =>
      server.app.inject({
        method: 'POST',
        url: '/api/devices/samples',
        headers: { authorization: header },
        payload,
      })
    expect((await post(authorization)).statusCode).toBe(200)
    expect((await post(`${authorization}x`)).json()).toMatchObject({ code: 'device_unknown' })
    expect((await post('Device gannet/probe-g/short')).statusCode).toBe(401)
    expect(
      (await call('POST', '/devices', manager, { id: 'probe-g', name: 'x', station: 'y' })).json(),
    ).toMatchObject({
      code: 'device_exists',
    })
    expect((await call('POST', '/devices/probe-g/end', manager)).statusCode).toBe(200)
    expect((await post(authorization)).statusCode).toBe(401)
    const crew = await signIn(server.app, 'bao')
    expect((await call('POST', '/devices', crew, { id: 'mine', name: 'x', station: 'y' })).statusCode).toBe(
      403,
    )
  })
  it('who only says that it is a device uses up its own share, not the device’s', async () => {
    const { authorization } = await newDevice('shared-name')
    const from = (auth: string, remoteAddress: string) =>
      server.app.inject({
        method: 'POST',
        url: '/api/devices/samples',
        remoteAddress,
        headers: { authorization: auth },
        payload: {},
      })
    const codes = []
    for (let i = 0; i < 601; i++) codes.push((await from(`${authorization}x`, '10.0.0.9')).statusCode)
    expect(codes.at(-1)).toBe(429)
    // Malformed, and looked at: not turned away.
    expect((await from(authorization, '10.0.0.9')).statusCode).toBe(400)
  })
  it('a tablet may not make up a cycle', async () => {
    const made = draft(server.clock.now, 'cycle.judged@1', (await dish('dish-probe-a')).marks[0] as object, {
      subject: { kind: 'dish', id: 'dish-probe-a' },
      by: 'oriel',
    })
    const answer = await call('POST', '/records', manager, { sentAt: server.clock.now, drafts: [made] })
    expect(answer.body).toContain('refused')
  })
  it.each([
    ['columns of unequal length', { tank: [1, 2] }],
    ['samples past the uptime', { uptime: 3 }],
    ['a temperature that none is', { tank: new Array(30).fill(9999) }],
  ])('%s are refused, and nothing is kept', async (_, change) => {
    const id = `probe-${Object.keys(change)[0]}-${JSON.stringify(change).length}`
    const { authorization } = await newDevice(id)
    const payload = { ...deliveryOf(hour().slice(0, 30), 'boot-1', 30), ...change }
    const answer = await server.app.inject({
      method: 'POST',
      url: '/api/devices/samples',
      headers: { authorization },
      payload,
    })
    expect(answer.statusCode).toBe(400)
    expect((await call('GET', `/dish/dish-${id}/now`, manager)).json()).toMatchObject({ at: null })
  })
})
