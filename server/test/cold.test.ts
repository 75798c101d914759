import type { CaseState } from '@tadka/core/case'
import type { FoodReceived, FoodState } from '@tadka/core/food'
import type { StationState } from '@tadka/core/procedure'
import type { AnyDraft, RecordType, SubjectRef } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let crew: string
beforeAll(async () => {
  server = await testServer(1)
  crew = await signIn(server.app, 'bao')
})
afterAll(() => server.close())

const minute = 60_000
let at = Date.parse('2026-11-26T21:30:00Z')
async function send(type: RecordType, subject: SubjectRef, payload: object) {
  at += minute
  server.clock.now = at
  const made: AnyDraft = draft(at, type, payload, { by: 'bao', subject })
  const answer = await ask(server, crew, 'POST', '/records', { sentAt: at, drafts: [made] })
  expect(answer.statusCode, answer.body).toBe(200)
  const [outcome] = answer.json<{ outcomes: { outcome: string; code?: string }[] }>().outcomes
  return { id: made.id, ...outcome }
}
const state = async <T>(kind: string, id: string) =>
  (await ask(server, crew, 'GET', `/subjects/${kind}/${id}`)).json<{ state: T }>().state

const station = 'kiosk-fridge'
const of = { kind: 'station', id: station } as const
const exactly = (value: number) => ({ unit: '°C', value, interval: { lo: value, hi: value } }) as const
/** A reading as a tablet would send it that knows nothing of fridges, and calls it cold. */
const read = (value: number, recheckOf: string | null) =>
  send('reading.taken@1', of, {
    ...{ station, run: null, step: null, bath: null, case: recheckOf, what: 'cold-product' },
    ...{ reading: exactly(value), instruments: ['thermometer-1'], by: { product: 'thermometer-1' } },
    judgement: {
      ...{ overall: value <= 5 ? 'in' : 'out', layers: [], missing: [] },
      profile: { id: 'food-code-2022', version: 1 },
    },
  })

describe('a fridge that was read warm', () => {
  it('has an open corrective action that cold air does not close, whatever a tablet leaves out', async () => {
    const warm = await read(9, null)
    expect(warm.outcome).toBe('accepted')
    await read(4, warm.id)
    expect(await state<CaseState>('case', warm.id)).toMatchObject({ status: 'open', what: 'cold-product' })
    expect((await state<StationState>('station', station)).cold).toMatchObject({ last: { verdict: 'in' } })
    const told = { case: warm.id, station, run: null, bath: null, did: 'discarded', amount: null }
    await send('case.action@1', { kind: 'case', id: warm.id }, { ...told, note: 'milk, 6 bottles' })
    expect(await state<CaseState>('case', warm.id)).toMatchObject({ status: 'closed' })
  })
})

describe('a delivery', () => {
  const came = (id: string, more: Partial<FoodReceived>) =>
    send(
      'food.received@1',
      { kind: 'food', id },
      {
        ...{ name: 'Milk', supplier: 'Dairy', kind: 'milk', read: exactly(4), on: 'thermometer-1' },
        ...{ whole: true, took: true, note: '', ...more },
      },
    )
  it.each([
    ['warm', { read: exactly(9) }],
    ['not read', { read: null }],
    ['milk at 7 °C where no law allows it', { read: exactly(7) }],
    ['torn open', { whole: false }],
    ['frozen, and nobody felt it', { kind: 'frozen', read: null }],
    ['read as nothing can be', { read: exactly(400) }],
  ] as const)('is not put away: %s', async (name, more) => {
    expect(await came(`no-${name.length}`, more)).toMatchObject({ outcome: 'refused' })
  })
  const flagsOf = async (id: string) => {
    const log = await ask(server, crew, 'GET', `/log?kind=food&subject=${id}`)
    return log.json<{ records: { flags: string[] }[] }>().records[0]?.flags
  }
  it.each([
    ['nothing, read on a checked thermometer', { read: exactly(4) }, []],
    [
      'a reading that is sharper than what it was read on',
      { read: exactly(4), on: null },
      ['reading-differs'],
    ],
    ['a thermometer that nobody entered', { read: exactly(4), on: 'no-such' }, ['reading-differs']],
    ['°F read on a thermometer in °C', { read: { ...exactly(40), unit: '°F' } }, ['reading-differs']],
    ['a law that this site has not entered', { read: exactly(7), milkAt7: true }, ['rules-differ']],
  ] as const)('tells what a tablet made up: %s', async (name, more, flags) => {
    const id = `told-${name.length}`
    expect(await came(id, more)).toMatchObject({ outcome: 'accepted' })
    expect(await flagsOf(id)).toEqual(flags)
  })
  it('that is sent back is on record, and is nowhere to be used', async () => {
    expect(await came('back', { read: exactly(9), took: false })).toMatchObject({ outcome: 'accepted' })
    expect((await state<FoodState>('food', 'back')).received?.took).toBe(false)
  })
})

describe('a day on which a fridge went unread', () => {
  it('says so, and is not signed without a reason', async () => {
    const day = await ask(server, crew, 'GET', '/days/2026-11-26')
    const { left } = day.json<{ left: { what: string; station: string; from: number; to: number }[] }>()
    // The last round was at seven; one of the three was read once more, by the tests above.
    expect(left.filter((l) => l.what === 'not-read').map((l) => l.station)).toEqual([])
    server.clock.now = Date.parse('2026-11-27T01:00:00Z')
    const later = await ask(server, crew, 'GET', '/days/2026-11-26')
    const unread = later.json<{ left: typeof left }>().left.filter((l) => l.what === 'not-read')
    expect(unread.map((l) => [l.station, l.to])).toEqual(
      ['espresso-fridge', 'galley-cold-room'].map((id) => [id, Date.parse('2026-11-26T23:30:00Z')]),
    )
    server.clock.now = at
  })
})

describe('opened food', () => {
  const opened = (id: string, useBy: string) =>
    send('food.opened@1', { kind: 'food', id }, { name: 'Cream', since: '2026-11-26', useBy })
  it('has no last day past the seventh', async () => {
    expect(await opened('late', '2026-12-03')).toMatchObject({ outcome: 'refused' })
    expect(await opened('cream', '2026-12-02')).toMatchObject({ outcome: 'accepted' })
  })
  it('stands on every tablet until it is gone, however long ago it was opened', async () => {
    at += 5 * 24 * 60 * minute
    server.clock.now = at
    // A session of days ago has ended.
    crew = await signIn(server.app, 'bao')
    const there = async () =>
      (await ask(server, crew, 'GET', '/state'))
        .json<{ states: { kind: string; id: string }[] }>()
        .states.filter((s) => s.kind === 'food')
        .map((s) => s.id)
    expect(await there()).toContain('cream')
    await send('food.gone@1', { kind: 'food', id: 'cream' }, { how: 'used' })
    at += 5 * 24 * 60 * minute
    server.clock.now = at
    crew = await signIn(server.app, 'bao')
    expect(await there()).not.toContain('cream')
  })
})
