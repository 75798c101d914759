import type { StockAnswer } from '@tadka/contract/stock'
import type { StockItem, StockStands } from '@tadka/core/stock'
import type { AnyDraft, RecordType, SubjectRef } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
const cookies: Record<string, string> = {}
beforeAll(async () => {
  server = await testServer(14)
  for (const who of ['bao', 'ines', 'oriel']) cookies[who] = await signIn(server.app, who)
})
afterAll(() => server.close())

const minute = 60_000
let at = Date.parse('2026-11-26T22:45:00Z')
async function send(by: string, type: RecordType, subject: SubjectRef, payload: object) {
  at += minute
  server.clock.now = at
  const made: AnyDraft = draft(at, type, payload, { by, subject })
  const answer = await ask(server, cookies[by] ?? '', 'POST', '/records', { sentAt: at, drafts: [made] })
  expect(answer.statusCode, answer.body).toBe(200)
  const [outcome] = answer.json<{ outcomes: { outcome: string; code?: string }[] }>().outcomes
  return { made, ...outcome }
}
const told = async () => (await ask(server, cookies['bao'] ?? '', 'GET', '/stock')).json<StockAnswer>()
const standsOf = async (id: string) => (await told()).items.find((i) => i.id === id) as StockStands

const of = { kind: 'product', id: 'tidewash' } as const
const item: StockItem = {
  ...{ name: 'Tidewash', of, unit: 'mL', pack: 2000, leadDays: 4, supplier: '=cmd()', price: 31.5 },
  ...{ keepsDays: null, perRun: [], place: 'Dry store' },
}
const to = { kind: 'stock', id: 'tidewash-stock' } as const
const mixed = {
  ...{ bath: 'b1', where: 'sink', station: null, run: null, product: 'tidewash', productName: 'Tidewash' },
  ...{ volume: 10_000, poured: 150, tool: 'jug', target: null, capacity: 20_000 },
}

describe('stock', () => {
  it('of the demo is worked out from its log: each stands with days and an order', async () => {
    const { today, items } = await told()
    expect(today).toBe('2026-11-26')
    expect(items.map((i) => i.id).toSorted()).toEqual([
      'brineguard',
      'chlorine-strips',
      'kelpwash',
      'skerrychlor',
      'towels',
    ])
    for (const one of items) {
      expect(one, one.id).not.toHaveProperty('untold')
      const { perDay, left } = one as StockStands
      expect(perDay, one.id).toBeGreaterThan(0)
      expect(left.least ?? 999, one.id).toBeLessThanOrEqual(left.most ?? 9999)
    }
  })
  it('is entered by a manager alone, counted by anybody', async () => {
    expect(await send('bao', 'stock.set@1', to, item)).toMatchObject({
      outcome: 'refused',
      code: 'not_allowed',
    })
    await send('oriel', 'stock.set@1', to, item)
    expect((await told()).items.find((i) => i.id === to.id)).toEqual({ id: to.id, untold: 'not-counted' })
    expect(await send('bao', 'stock.counted@1', to, { amount: 3000, of })).toMatchObject({
      outcome: 'accepted',
    })
    expect(await send('bao', 'stock.ordered@1', to, { amount: 2000, expected: '2026-11-30' })).toMatchObject({
      code: 'not_allowed',
    })
  })
  it.each([
    ['less than nothing', 'stock.counted@1', { amount: -1, of }],
    ['nothing that came', 'stock.came@1', { amount: 0, of, lot: '', bestBefore: null, label: 'same' }],
    ['lost without a word', 'stock.lost@1', { amount: 10, of, why: '' }],
  ] as const)('takes no %s', async (_, type, payload) => {
    expect(await send('bao', type, to, payload)).toMatchObject({ outcome: 'refused' })
  })
  it('goes down by what is mixed, as it was put right', async () => {
    const before = (await standsOf(to.id)).amount
    const bath = { kind: 'bath', id: 'b1' } as const
    // Of the hour in which it was counted nobody can say which came first: the next is another.
    at += 60 * minute
    const { made } = await send('bao', 'bath.mixed@1', bath, mixed)
    at += 60 * minute
    server.clock.now = at
    const after = (await standsOf(to.id)).amount
    expect(before - after).toBeGreaterThan(140)
    const amended = {
      target: made.id,
      targetType: 'bath.mixed@1',
      subjects: [bath],
      reason: 'misread the jug',
    }
    await send('oriel', 'record.amended@1', bath, { ...amended, instead: { ...mixed, poured: 50 } })
    expect((await standsOf(to.id)).amount - after).toBeGreaterThan(90)
  })
  it('is bought by a table that no spreadsheet works out', async () => {
    await send('bao', 'stock.counted@1', to, { amount: 100, of })
    const answer = await ask(server, cookies['oriel'] ?? '', 'GET', '/stock/shopping.csv')
    expect(answer.headers['content-type']).toContain('text/csv')
    const [head, ...rows] = answer.body.trim().split('\n')
    expect(head).toContain('order_by,name,packs,pack,unit,supplier,price_each,held_by')
    const row = rows.find((r) => r.includes('Tidewash'))
    expect(row).toMatch(/^2026-11-2\d,Tidewash,\d+,2,L,'=cmd\(\),31\.5,/)
  })
})
