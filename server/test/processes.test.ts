import type { AnyDraft } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openPool, type Pool } from '../db/pool.ts'
import { siteId } from '../demo/house.ts'
import { stations } from '../demo/products.ts'
import { appendBatch, type Batch } from '../stream/append.ts'
import { AppendMemory } from '../stream/memory.ts'
import { snapshot, stateOf } from '../stream/queries.ts'
import { SiteQueue } from '../stream/queue.ts'
import { verifySite } from '../record/verify/verify.ts'
import { draft, started, testServer, type TestServer } from './server.ts'

let server: TestServer
/** Two server processes on one database: each with its own connections, queue and memory. */
let one: { pool: Pool; queue: SiteQueue }
let two: { pool: Pool; queue: SiteQueue }
beforeAll(async () => {
  server = await testServer(1)
  one = { pool: openPool(server.appUrl, () => {}), queue: new SiteQueue() }
  two = { pool: openPool(server.appUrl, () => {}), queue: new SiteQueue() }
})
afterAll(async () => {
  await one.pool.end()
  await two.pool.end()
  await server.close()
})

const batch = (drafts: AnyDraft[], memory: AppendMemory): Batch => ({
  site: siteId,
  drafts,
  clockOffset: 0,
  receivedAt: server.clock.now,
  allow: () => null,
  memory,
})
const append = ({ pool, queue }: typeof one, ...drafts: AnyDraft[]) =>
  queue.run(siteId, () => appendBatch(pool, batch(drafts, queue.memory)))
const park = (run: string, at = server.clock.now) =>
  draft(at, 'run.parked@1', { run, station: 'galley-bucket' })
const resume = (run: string, at = server.clock.now) =>
  draft(at, 'run.resumed@1', { run, station: 'galley-bucket' })

describe('two processes that write to one site', () => {
  it('never fork its chain, whatever each remembers', async () => {
    await append(one, started(server.clock.now, 'run-p'))
    for (let i = 0; i < 12; i++) {
      const both = await Promise.all([append(one, park('run-p')), append(two, resume('run-p'))])
      expect(both.flat().map((o) => o.outcome)).toEqual(['accepted', 'accepted'])
    }
    expect(await verifySite(one.pool, siteId)).toMatchObject({ sound: true })
  })
  it('fold on top of what the other wrote, not of what they remember', async () => {
    const at = server.clock.now
    await append(one, started(at, 'run-q'))
    await append(two, park('run-q', at + 1))
    await append(one, resume('run-q', at + 2))
    await append(two, park('run-q', at + 3))
    expect((await stateOf(one.pool, siteId, 'run', 'run-q'))?.state).toMatchObject({ status: 'parked' })
  })
  it('know a draft that the other has taken already', async () => {
    const same = started(server.clock.now, 'run-s')
    expect((await append(one, same))[0]?.outcome).toBe('accepted')
    expect((await append(two, same))[0]?.outcome).toBe('known')
    expect((await append(one, same))[0]?.outcome).toBe('known')
  })
})

describe('what a process remembers', () => {
  it('saves reading again, and is dropped when it no longer holds', () => {
    const memory = new AppendMemory()
    const states = [
      { kind: 'site', id: 's', state: {}, last: null },
      { kind: 'run', id: 'r', state: { a: 1 }, last: null },
    ] as const
    expect(memory.recall('s', [])).toBeNull()
    memory.remember('s', { seq: 4, hash: 'h' }, states)
    expect(memory.recall('s', [{ kind: 'run', id: 'r' }])).toMatchObject({ seq: 4, hash: 'h' })
    expect(memory.recall('s', [{ kind: 'run', id: 'other' }])).toBeNull()
    memory.forget('s')
    expect(memory.recall('s', [])).toBeNull()
  })
  it('keeps what was used last, and no more than it may', () => {
    const memory = new AppendMemory()
    for (let i = 0; i < 900; i++)
      memory.remember('s', { seq: i, hash: 'h' }, [
        { kind: 'site', id: 's', state: {}, last: null },
        { kind: 'run', id: `r${i}`, state: {}, last: null },
      ])
    expect(memory.recall('s', [{ kind: 'run', id: 'r899' }])?.seq).toBe(899)
    expect(memory.recall('s', [{ kind: 'run', id: 'r1' }])).toBeNull()
  })
})

describe('the queue of a site', () => {
  it('lets one pass at a time, in order, and goes on after a failure', async () => {
    const queue = new SiteQueue()
    const seen: string[] = []
    const work = (name: string, fails = false) =>
      queue.run('s', async () => {
        seen.push(`${name} begins`)
        await Promise.resolve()
        seen.push(`${name} ends`)
        if (fails) throw new Error(name)
      })
    const all = [work('a'), work('b', true), work('c')]
    await Promise.allSettled(all)
    expect(seen).toEqual(['a begins', 'a ends', 'b begins', 'b ends', 'c begins', 'c ends'])
    await expect(all[1]).rejects.toThrow('b')
  })
})

describe('a snapshot', () => {
  it('has all that is live, and of the rest only what was touched lately', async () => {
    const recent = await snapshot(one.pool, siteId, server.clock.now - 1000)
    const everything = await snapshot(one.pool, siteId, 0)
    expect(everything.states.length).toBeGreaterThan(recent.states.length)
    expect(recent.states.filter((s) => s.kind === 'station')).toHaveLength(Object.keys(stations).length)
    expect(recent.seq).toBe(everything.seq)
  })
})

describe('an amendment', () => {
  const reading = async () => {
    const rows = await server.owner.query<{ text: string }>(
      "select text from record where type = 'reading.taken@1' and verdict = 'in' and body #>> '{payload,case}' is null and text like '%sanitizer%' order by seq limit 1",
    )
    return JSON.parse(rows.rows[0]?.text ?? '{}') as AnyDraft & { type: 'reading.taken@1' }
  }
  const amend = (target: string, targetType: string, instead: unknown) =>
    draft(
      server.clock.now,
      'record.amended@1',
      { target, targetType, subjects: [], instead, reason: 'misread' },
      { subject: { kind: 'run', id: 'any' } },
    )
  it('of nothing is refused', async () => {
    const right = await reading()
    const nobody = '0193f2c4-8a6e-7c31-9f2a-1b2c3d4e5f60'
    expect((await append(one, amend(nobody, right.type, right.payload)))[0]?.code).toBe('amends_nothing')
    expect((await append(one, amend(right.id, 'run.parked@1', { run: 'r', station: 's' })))[0]?.code).toBe(
      'amends_nothing',
    )
  })
  it('reaches every state of what it amends, though it names none of them', async () => {
    const right = await reading()
    const { station } = right.payload
    if (right.payload.what !== 'sanitizer') throw new Error('not a sanitizer')
    const out = {
      ...right.payload,
      picks: { ...right.payload.picks, strength: { matches: 0 } },
      reading: { ...right.payload.reading, strength: { lo: 0, hi: 25 } },
    }
    expect((await append(one, amend(right.id, right.type, out)))[0]?.outcome).toBe('accepted')
    expect((await stateOf(one.pool, siteId, 'case', right.id))?.state).toMatchObject({
      status: 'open',
      station,
    })
  })
})
