import type { DeviceView, ReportedReading } from '@tadka/contract/device'
import type { StationState } from '@tadka/core/procedure'
import type { ProductState } from '@tadka/core/house'
import type { DishState } from '@tadka/core/warewash'
import { eventGateway, type Reported } from '@tadka/devices'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { headOf } from '../stream/heads.ts'
import { stateOf } from '../stream/queries.ts'
import { ask, listeningServer, signIn, type TestServer } from './server.ts'

let server: TestServer
let manager: string
let url: string
beforeAll(async () => {
  ;({ server, url } = await listeningServer())
  manager = await signIn(server.app, 'oriel')
})
afterAll(() => server.close())

const call = (method: 'GET' | 'POST', path: string, payload?: object) =>
  ask(server, manager, method, path, payload)
async function enter(body: object): Promise<string> {
  const answer = await call('POST', '/devices', body)
  expect(answer.statusCode).toBe(200)
  return (answer.json() as { authorization: string }).authorization
}
const state = async <S>(kind: string, id: string) =>
  (await stateOf(server.pool, siteId, kind, id))?.state as S
const report = (authorization: string, events: readonly Reported[], faults = {}, uptime = 4000) =>
  eventGateway({ url, authorization, boot: 'boot-1' }, faults).report(events, uptime)

describe('an ice machine’s panel', () => {
  it('makes a sign of its lamp and reads its count; doubled and reversed it is the same', async () => {
    const authorization = await enter({
      id: 'panel-1',
      name: 'Panel',
      kind: 'ice-panel',
      station: 'kiosk-nugget',
      of: null,
    })
    const events: Reported[] = [
      { what: 'cycles', at: 1000, total: 700 },
      { what: 'clean-light', at: 1200, on: true },
      { what: 'cycles', at: 3600, total: 702 },
      { what: 'clean-light', at: 3700, on: false },
    ]
    await report(authorization, events, { times: 2, reversed: true })
    const ice = await state<StationState>('station', 'kiosk-nugget')
    const at = (second: number) => server.clock.now - (4000 - second) * 1000
    expect(ice.counts.cycles).toEqual({ total: 702, at: at(3600) })
    expect(ice.signs).toEqual([{ sign: 'clean-light', at: at(1200), by: 'panel-1' }])
    const { seq } = await headOf(server.pool, siteId)
    // Delivered once more, minutes later.
    server.clock.now += 180_000
    await report(authorization, events)
    expect((await headOf(server.pool, siteId)).seq).toBe(seq)
    const { devices } = (await call('GET', '/devices')).json() as { devices: DeviceView[] }
    expect(devices.find((d) => d.id === 'panel-1')).toMatchObject({
      kind: 'ice-panel',
      heardAt: server.clock.now,
    })
  })
})

describe('a dispenser’s meter', () => {
  it('counts what is drawn from the product, and what the machine was fed', async () => {
    const authorization = await enter({
      id: 'meter-1',
      name: 'Meter',
      kind: 'dispenser-meter',
      station: 'galley-dish',
      of: 'kelpwash',
    })
    const before = (await state<ProductState>('product', 'kelpwash')).drawn?.millilitres ?? 0
    await report(authorization, [{ what: 'drawn', at: 600, millilitres: 42.5 }])
    expect((await state<ProductState>('product', 'kelpwash')).drawn?.millilitres).toBeCloseTo(before + 42.5)
    const { fed } = await state<DishState>('dish', 'galley-dish')
    expect(fed.map((f) => f.millilitres)).toContain(42.5)
  })
})

describe('a thermometer that reports', () => {
  it('is no record until somebody takes it; the newest is offered, for some minutes', async () => {
    const authorization = await enter({
      id: 'thermo-1',
      name: 'Thermo',
      kind: 'thermometer',
      station: null,
      of: 'thermometer-1',
    })
    const { seq } = await headOf(server.pool, siteId)
    const read = (at: number, value: number): Reported => ({ what: 'temperature', at, value, unit: '°C' })
    await report(authorization, [read(3990, 3.6), read(3995, 3.8)], { reversed: true })
    expect((await headOf(server.pool, siteId)).seq).toBe(seq)
    const offered = async () =>
      ((await call('GET', '/thermometers')).json() as { readings: ReportedReading[] }).readings
    expect(await offered()).toMatchObject([{ device: 'thermo-1', instrument: 'thermometer-1', unit: '°C' }])
    expect((await offered())[0]?.value).toBeCloseTo(3.8)
    server.clock.now += 10 * 60_000
    expect(await offered()).toEqual([])
  })
})

describe('an event that cannot be', () => {
  const sent = (authorization: string, payload: object) =>
    server.app.inject({ method: 'POST', url: '/api/devices/events', headers: { authorization }, payload })

  it('is answered for itself, now and for ever: what came beside it is kept', async () => {
    const authorization = await enter({
      id: 'panel-3',
      name: 'Panel',
      kind: 'ice-panel',
      station: 'kiosk-nugget',
    })
    const events = [
      { n: 1, at: 10, what: 'cycles', total: 2_000_000_000 },
      { n: 2, at: 20, what: 'clean-light', on: true },
    ]
    const answers = [1, 2].map(() => sent(authorization, { boot: 'boot-3', uptime: 30, events }))
    const [first, again] = await Promise.all(answers)
    expect([first?.statusCode, again?.statusCode]).toEqual([200, 200])
    expect([first?.json(), again?.json()].map((a: { taken: number }) => a.taken).toSorted()).toEqual([0, 1])
    expect(first?.json()).toMatchObject({ refused: [{ n: 1, code: 'body_malformed' }] })
  })
  it('is refused where its device would have run since before it was made', async () => {
    const authorization = await enter({
      id: 'panel-4',
      name: 'Panel',
      kind: 'ice-panel',
      station: 'kiosk-nugget',
    })
    const answer = await sent(authorization, {
      boot: 'boot-4',
      uptime: 1_900_000_000,
      events: [{ n: 1, at: 10, what: 'clean-light', on: true }],
    })
    expect(answer.statusCode).toBe(400)
    expect(answer.json()).toMatchObject({ code: 'body_malformed' })
  })
})

describe('a device that may not', () => {
  it('is refused: one that ended, one of another kind, one that is told no station', async () => {
    const authorization = await enter({
      id: 'panel-2',
      name: 'Panel',
      kind: 'ice-panel',
      station: 'kiosk-nugget',
    })
    // A panel streams no samples, and what it cannot know makes no record.
    const samples = { boot: 'boot-1', uptime: 9, from: 0, tank: [1], rinse: [1], pressure: [1], on: [0] }
    const streamed = await server.app.inject({
      method: 'POST',
      url: '/api/devices/samples',
      headers: { authorization },
      payload: samples,
    })
    expect(streamed.json()).toMatchObject({ code: 'device_unknown' })
    const { seq } = await headOf(server.pool, siteId)
    await report(authorization, [{ what: 'drawn', at: 1, millilitres: 10 }])
    expect((await headOf(server.pool, siteId)).seq).toBe(seq)
    await call('POST', '/devices/panel-2/end')
    await expect(report(authorization, [{ what: 'cycles', at: 2, total: 1 }])).rejects.toThrow('401')
    const bad = { id: 'meter-2', name: 'Meter', kind: 'dispenser-meter', station: 'galley-dish' }
    expect((await call('POST', '/devices', bad)).json()).toMatchObject({ code: 'body_malformed' })
  })
})
