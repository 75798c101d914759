import { dishFold, mayReturn, type DishState } from '@tadka/core/warewash'
import type { AnyRecord } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { noFormula } from '../pack/tables.ts'
import { sha256 } from '../stream/append.ts'
import { ask, draft, signIn, started, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookie: string
let signedInAt: number
beforeAll(async () => {
  server = await testServer(1)
  signedInAt = server.clock.now
  cookie = await signIn(server.app, 'bao', 'ines')
  server.clock.now += 600_000
})
afterAll(() => server.close())

const outcomes = async (drafts: object[], sentAt = server.clock.now) => {
  const answer = await ask(server, cookie, 'POST', '/records', { sentAt, drafts })
  return answer
    .json<{ outcomes: { outcome: string; code?: string }[] }>()
    .outcomes.map((o) => o.code ?? o.outcome)
}

describe('no record', () => {
  it('observed before its person signed in', async () => {
    // Clocks and sign-ins do not agree to the second: two minutes are let pass.
    expect(await outcomes([started(signedInAt - 121_000, 'run-early')])).toEqual(['not_on_this_tablet'])
    expect(await outcomes([started(signedInAt - 119_000, 'run-just')])).toEqual(['accepted'])
    expect(await outcomes([started(signedInAt + 1000, 'run-late')])).toEqual(['accepted'])
  })
  it('from the future, beyond half a minute of slack', async () => {
    const { now } = server.clock
    expect(await outcomes([started(now + 29_000, 'run-near')], now)).toEqual(['accepted'])
    expect(await outcomes([started(now + 31_000, 'run-far')], now)).toEqual(['in_the_future'])
  })
  it('moved by a clock that is two seconds off at most: the way over the network alone makes some difference', async () => {
    const { now } = server.clock
    const [near, far] = [started(now - 5000, 'run-2s'), started(now - 5000, 'run-3s')]
    expect(await outcomes([near], now - 2000)).toEqual(['accepted'])
    expect(await outcomes([far], now - 3000)).toEqual(['accepted'])
    const rows = await server.owner.query<{ id: string; at: string }>(
      'select id, corrected_at as at from record where id = any($1)',
      [[near.id, far.id]],
    )
    const at = new Map(rows.rows.map((r) => [r.id, Number(r.at)]))
    expect([at.get(near.id), at.get(far.id)]).toEqual([now - 5000, now - 2000])
  })
  it.each(['cycle.judged@1', 'concentrate.drawn@1'])('of a device’s kind from a tablet: %s', async (type) => {
    const [outcome] = await outcomes([
      draft(server.clock.now, type as never, { product: 'kelpwash', station: 'galley-dish', millilitres: 5 }),
    ])
    expect(['not_allowed', 'body_malformed']).toContain(outcome)
  })
})

describe('a day', () => {
  const sign = (acting: string, person: string, pin: string) =>
    server.app.inject({
      method: 'POST',
      url: `/api/sites/${siteId}/sign`,
      headers: { cookie, 'tadka-acting': acting },
      payload: { person, pin, day: '2026-11-26', reason: 'as it stands' },
    })
  it.each([
    ['with another’s PIN', 'ines', 'ines', '2468', 'wrong_pin'],
    ['in another’s name', 'ines', 'oriel', '4711', 'not_allowed'],
    ['by crew', 'bao', 'bao', '2468', 'not_allowed'],
  ])('is not signed %s', async (_, acting, person, pin, code) => {
    const answer = await sign(acting, person, pin)
    expect(answer.json<{ code: string }>().code).toBe(code)
  })
  it('is signed by the one whose PIN it was', async () => {
    expect((await sign('ines', 'ines', '4711')).json()).toMatchObject({ outcome: { outcome: 'accepted' } })
    const log = await ask(server, cookie, 'GET', '/log?types=shift.signed@1&limit=1')
    expect(log.json<{ records: AnyRecord[] }>().records[0]).toMatchObject({ by: 'ines' })
  })
})

describe('the chain', () => {
  it('hangs on its anchor: the first record follows 64 zeros, each other the hash of the one before', async () => {
    const rows = await server.owner.query<{ text: string; hash: string }>(
      'select text, hash from record order by seq limit 5',
    )
    let before = '0'.repeat(64)
    for (const { text, hash } of rows.rows) {
      expect(JSON.parse(text)).toMatchObject({ prev: before })
      expect(sha256(text)).toBe(hash)
      before = hash
    }
  })
})

describe('a cell of the CSV', () => {
  it.each(['=1', '+a', '-a', '@a', '\tx', '\rx'])('that begins as %j is no formula', (cell) => {
    expect(noFormula(cell)).toBe(`'${cell}`)
  })
  it.each(['-18', '-2.5', '0', 'Bao'])('that is %j stays so', (cell) => {
    expect(noFormula(cell)).toBe(cell)
  })
})

describe('a machine set aside', () => {
  const mark = (at: number, verdict: 'in' | 'out') => ({ at, verdict, ending: 'complete' })
  const state = (at: number, verdict: 'in' | 'out') =>
    ({
      ...dishFold.initial('d'),
      marks: [mark(at, verdict)],
      aside: { at: 1000, by: 'ines', way: 'sink', inDoubt: 1, rewashed: true, asks: 'heat' },
    }) as unknown as DishState
  it('comes back after a pass that is later than its setting aside, never after an earlier one', () => {
    expect(mayReturn(state(1001, 'in'))).toBe(true)
    expect(mayReturn(state(1000, 'in'))).toBe(false)
    expect(mayReturn(state(999, 'in'))).toBe(false)
    expect(mayReturn(state(1001, 'out'))).toBe(false)
  })
})
