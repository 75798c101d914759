import type { CostAnswer } from '@tadka/contract/cost'
import type { FaultState } from '@tadka/core/fault'
import type { StationState } from '@tadka/core/procedure'
import { takenBack } from '@tadka/core/record'
import type { AnyDraft, RecordType, SubjectRef } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
const cookies: Record<string, string> = {}
beforeAll(async () => {
  server = await testServer(14)
  for (const who of ['bao', 'ines', 'oriel']) cookies[who] = await signIn(server.app, who)
  // Clear of the demo's last evening.
  server.clock.now = Date.parse('2026-11-27T01:30:00Z')
})
afterAll(() => server.close())

const hour = 3_600_000
async function send(by: string, type: RecordType, subject: SubjectRef, payload: object) {
  server.clock.now += 60_000
  const made: AnyDraft = draft(server.clock.now, type, payload, { by, subject })
  const body = { sentAt: server.clock.now, drafts: [made] }
  const answer = await ask(server, cookies[by] ?? '', 'POST', '/records', body)
  expect(answer.statusCode, answer.body).toBe(200)
  const [outcome] = answer.json<{ outcomes: { outcome: string; code?: string }[] }>().outcomes
  return { made, ...outcome }
}
const stateOf = async <S>(kind: string, id: string) =>
  (await ask(server, cookies['ines'] ?? '', 'GET', `/subjects/${kind}/${id}`)).json<{ state: S }>().state
const costs = async (month = '2026-11') => {
  const answer = await ask(server, cookies['ines'] ?? '', 'GET', `/costs?month=${month}`)
  expect(answer.statusCode, answer.body).toBe(200)
  return answer.json<CostAnswer>().stations
}
const of = async (station: string | null) => (await costs()).find((s) => s.spent.station === station)

const station = { kind: 'station', id: 'galley-urn' } as const
const fault = { kind: 'fault', id: 'urn-leak' } as const
const seen = { station: 'galley-urn', kind: 'leak', works: 'no', said: 'tap drips', photo: null }

describe('a fault that stops a machine', () => {
  it('takes it out of service; mended, only a lead puts it back, and it is down as long as it was', async () => {
    await send('bao', 'fault.seen@1', fault, seen)
    expect((await stateOf<StationState>('station', station.id)).outOfService?.what).toBe('tap drips')
    server.clock.now += 5 * hour
    const mended = {
      ...{ station: 'galley-urn', who: 'Fathom', did: 'tap changed', labour: 60, warranty: false },
      parts: [{ name: 'Tap', spare: null, count: 1, price: 25 }],
    }
    await send('bao', 'fault.mended@1', fault, mended)
    expect((await stateOf<StationState>('station', station.id)).outOfService).not.toBeNull()
    const back = { station: 'galley-urn', mended: 'tap', proof: 'no drip in ten minutes' }
    expect(await send('bao', 'station.returned@1', station, back)).toMatchObject({ code: 'not_allowed' })
    await send('ines', 'station.returned@1', station, back)
    const cost = await of('galley-urn')
    expect(cost?.spent.hoursDown).toBeCloseTo(5 + 2 / 60, 1)
    expect([cost?.parts.sum, cost?.repairs.sum]).toEqual([25, 60])
  })
  it('that was tapped astray is taken back, and the machine is in service', async () => {
    const astray = { kind: 'fault', id: 'astray' } as const
    const { made } = await send('bao', 'fault.seen@1', astray, seen)
    const amended = takenBack(made, 'a stray tap')
    expect(await send('bao', 'record.amended@1', astray, amended)).toMatchObject({ outcome: 'accepted' })
    expect((await stateOf<StationState>('station', station.id)).outOfService).toBeNull()
    expect((await stateOf<FaultState>('fault', 'astray')).seen).toBeNull()
  })
  it('has its call in the history of its machine', async () => {
    const called = { station: 'galley-urn', company: 'Fathom', phone: '', answer: 'tomorrow', visit: null }
    await send('bao', 'fault.called@1', fault, called)
    const log = (await ask(server, cookies['ines'] ?? '', 'GET', '/log?stations=galley-urn&limit=5')).json<{
      records: { type: string }[]
    }>()
    expect(log.records.map((r) => r.type)).toContain('fault.called@1')
  })
  it('paid by warranty costs nothing', async () => {
    const before = await of('galley-urn')
    await send(
      'bao',
      'fault.mended@1',
      { kind: 'fault', id: 'urn-2' },
      {
        ...{ station: 'galley-urn', who: 'Maker', did: 'heater changed', labour: 200, warranty: true },
        parts: [{ name: 'Heater', spare: null, count: 1, price: 90 }],
      },
    )
    expect((await of('galley-urn'))?.total.sum).toBe(before?.total.sum)
  })
  it.each([
    ['no word on what is wrong', { ...seen, said: '' }],
    ['no word on whether it may be worked with', { ...seen, works: undefined }],
    ['a machine by no name', { ...seen, station: '' }],
  ])('is refused with %s, and nothing changes', async (_, payload) => {
    expect(await send('bao', 'fault.seen@1', { kind: 'fault', id: 'bad' }, payload)).toMatchObject({
      outcome: 'refused',
    })
  })
})

describe('the costs of a month', () => {
  it('are worked out from the demo’s log: each machine that was cleaned has minutes', async () => {
    const all = await costs()
    const sink = all.find((s) => s.spent.station === 'kiosk-soft-serve')
    expect(sink?.spent.cleanings).toBeGreaterThan(3)
    expect(sink?.work.sum).toBeCloseTo(((sink?.spent.minutes ?? 0) / 60) * 19, 6)
    expect(all.some((s) => s.chemicals.sum > 0)).toBe(true)
    expect(all.some((s) => s.water.sum > 0)).toBe(true)
  })
  it('grow by what is mixed for a machine, as it was put right', async () => {
    const before = await of('galley-sink')
    const bath = { kind: 'bath', id: 'b-cost' } as const
    const mixed = {
      ...{ bath: 'b-cost', where: 'sink', station: 'galley-sink', run: null, product: 'kelpwash' },
      ...{
        productName: 'Kelpwash',
        volume: 38_000,
        poured: 1000,
        tool: 'jug',
        target: null,
        capacity: 38_000,
      },
    }
    const { made } = await send('bao', 'bath.mixed@1', bath, mixed)
    const after = await of('galley-sink')
    // 1000 mL of what costs 46 for 10 L; 37 L of water at 4.2 for 1000 L.
    expect((after?.chemicals.sum ?? 0) - (before?.chemicals.sum ?? 0)).toBeCloseTo(4.6, 6)
    expect((after?.water.sum ?? 0) - (before?.water.sum ?? 0)).toBeCloseTo(0.037 * 4.2, 6)
    const amended = {
      ...{ target: made.id, targetType: made.type, subjects: [bath], reason: 'misread the jug' },
      instead: { ...mixed, poured: 100 },
    }
    await send('bao', 'record.amended@1', bath, amended)
    const put = await of('galley-sink')
    expect((put?.chemicals.sum ?? 0) - (before?.chemicals.sum ?? 0)).toBeCloseTo(0.46, 6)
  })
  it('of a month without work are none, and of what is no month are refused', async () => {
    expect(await costs('2025-01')).toEqual([])
    const answer = await ask(server, cookies['ines'] ?? '', 'GET', '/costs?month=2026-13')
    expect(answer.statusCode).toBe(400)
  })
})
