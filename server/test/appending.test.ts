import type { Role } from '@tadka/core/rights'
import type { AnyDraft } from '@tadka/core/stream'
import { Refusal } from '@tadka/core/refusal'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type { Pool } from '../db/pool.ts'
import { siteId } from '../demo/house.ts'
import { appendBatch, refusalIn, sha256, type Batch } from '../stream/append.ts'
import { headOf } from '../stream/heads.ts'
import { AppendMemory } from '../stream/memory.ts'
import { recordById, stateOf } from '../stream/queries.ts'
import { draft, started, testServer, type TestServer } from './server.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer(1)
})
afterAll(() => server.close())

const at = () => server.clock.now
const append = (drafts: readonly unknown[], change: Partial<Batch> = {}, pool: Pool = server.pool) =>
  appendBatch(pool, {
    site: siteId,
    drafts,
    clockOffset: 0,
    receivedAt: at(),
    allow: () => null,
    ...change,
  })
const parked = (when = at(), change: object = {}) =>
  draft(when, 'run.parked@1', { run: 'r', station: 'galley-bucket' }, change)

describe('a draft is refused, with what was wrong,', () => {
  it('where its type needs a PIN, a device or a right that it did not come with', async () => {
    const [signed, device, rights] = [
      draft(at(), 'shift.signed@1', { day: '2026-11-26', upTo: 1, openCases: [], reason: '' }),
      draft(at(), 'logger.withdrawn@1', { station: 'galley-dish', reason: 'tried' }),
      draft(at(), 'tablet.set@1', { tablet: 'tab-1', name: 'X', removed: false }),
    ]
    expect(await append([signed, device, rights])).toMatchObject([
      { id: signed.id, code: 'needs_pin', details: { type: 'shift.signed@1' } },
      { id: device.id, code: 'not_allowed', details: { type: 'logger.withdrawn@1' } },
      { id: rights.id, code: 'not_allowed', details: { type: 'tablet.set@1' } },
    ])
  })
  it('where it is another site’s, or of a time to come beyond what clocks differ by', async () => {
    const slack = 30_000
    const [elsewhere, early, late] = [
      parked(at(), { site: 'elsewhere' }),
      parked(at() + slack),
      parked(at() + slack + 1),
    ]
    expect(await append([elsewhere, early, late])).toMatchObject([
      { outcome: 'refused', code: 'wrong_site', details: { site: 'elsewhere' } },
      { outcome: 'accepted' },
      { outcome: 'refused', code: 'in_the_future', details: { observedAt: late.observedAt, clockOffset: 0 } },
    ])
    // By the clock that its tablet had, it was no time to come.
    const offsets = { clockOffsets: new Map([[late, -1000]]) }
    expect(await append([late], offsets)).toMatchObject([{ outcome: 'accepted' }])
  })
  it('by an id that can be shown, or none', async () => {
    const long = { ...parked(), id: 'x'.repeat(500) }
    const outcomes = await append([long, { ...parked(), id: 7 }, null, 'words'])
    expect(outcomes.map((o) => o.id)).toEqual(['x'.repeat(64), null, null, null])
    expect(outcomes.every((o) => o.outcome === 'refused')).toBe(true)
  })
  it('alone, where working it out fails: what came beside it is kept', async () => {
    for (const fault of [new TypeError('t'), new RangeError('r')]) {
      const [bad, good] = [parked(), parked()]
      const allow = (d: AnyDraft) => {
        if (d.id === bad.id) throw fault
        return null
      }
      expect(await append([bad, good], { allow })).toMatchObject([
        { id: bad.id, outcome: 'refused', code: 'broken' },
        { id: good.id, outcome: 'accepted' },
      ])
    }
  })
  it('never for what has to do with the database: the whole batch is sent again', async () => {
    const allow = () => {
      throw new Error('connection lost')
    }
    await expect(append([parked()], { allow })).rejects.toThrow('connection lost')
  })
  it('as the first of them was', () => {
    const refused = (code: string) => ({ id: null, outcome: 'refused' as const, code })
    expect(refusalIn([{ id: 'a', outcome: 'accepted', seq: 1 }])).toBeNull()
    expect(refusalIn([])).toBeNull()
    const both = [{ id: 'a', outcome: 'known' as const, seq: 1 }, refused('wrong_site'), refused('broken')]
    expect(refusalIn(both)).toMatchObject({ code: 'wrong_site' })
  })
})

describe('what is sent twice', () => {
  it('is known, in one batch as in two, and another under its id is refused', async () => {
    const one = started(at(), 'twice')
    const other = { ...one, payload: { ...(one.payload as object), station: 'galley-bucket' } }
    const [first, same, changed] = await append([one, { ...one }, other])
    expect([first?.outcome, same?.outcome, changed?.code]).toEqual(['accepted', 'known', 'id_reused'])
    expect(same?.seq).toBe(first?.seq)
    expect(await append([one, other])).toMatchObject([
      { id: one.id, outcome: 'known', seq: first?.seq },
      { id: one.id, outcome: 'refused', code: 'id_reused' },
    ])
  })
  it('is known to a process that remembers the chain and not the draft', async () => {
    const memory = new AppendMemory()
    const one = started(at(), 'remembered')
    const [first] = await append([one], { memory })
    expect(await append([one], { memory })).toMatchObject([{ outcome: 'known', seq: first?.seq }])
    // And goes on from there.
    const next = draft(at(), 'run.parked@1', { run: 'remembered', station: 'espresso-bucket' })
    const [second] = await append([next], { memory })
    expect(second?.seq).toBe((first?.seq ?? 0) + 1)
    // All that this one folds into is remembered: only the database can say that it is there already.
    expect(await append([next], { memory })).toMatchObject([{ outcome: 'known', seq: second?.seq }])
  })
  it('to a process that remembers where the chain stands, is written without reading it again', async () => {
    const memory = new AppendMemory()
    const read = vi.spyOn(server.pool, 'query')
    const readsOf = async (one: AnyDraft) => {
      read.mockClear()
      expect(await append([one], { memory })).toMatchObject([{ outcome: 'accepted' }])
      return read.mock.calls.filter((call) => JSON.stringify(call).includes('append_context')).length
    }
    const work = (type: 'run.parked@1' | 'run.resumed@1') =>
      draft(at(), type, { run: 'read-once', station: 'espresso-bucket' })
    expect(await readsOf(started(at(), 'read-once'))).toBe(1)
    expect(await readsOf(work('run.parked@1'))).toBe(0)
    expect(await readsOf(work('run.resumed@1'))).toBe(0)
    read.mockRestore()
  })
})

describe('what is written', () => {
  it('is hashed over its text, names the hash before it, and carries no flag that nobody raised', async () => {
    const before = await headOf(server.pool, siteId)
    const seen = { station: 'galley-dish', sign: 'odd', note: '' }
    const a = draft(at(), 'sign.seen@1', seen, { subject: { kind: 'station', id: 'galley-dish' } })
    const b = parked()
    await append([a, b], { extraFlags: (d) => (d.id === b.id ? ['let-in'] : []) })
    const { rows } = await server.owner.query<{ text: string; hash: string }>(
      'select text, hash from record where seq > $1 order by seq',
      [before.seq],
    )
    expect(rows.map((r) => r.hash)).toEqual(rows.map((r) => sha256(r.text)))
    const [first, second] = rows.map((r) => JSON.parse(r.text) as { prev: string; flags: string[] })
    expect([first?.prev, second?.prev]).toEqual([before.hash, rows[0]?.hash])
    expect(first?.flags).toEqual([])
    expect(second?.flags).toContain('let-in')
    expect(await headOf(server.pool, siteId)).toEqual({ seq: before.seq + 2, hash: rows[1]?.hash })
  })
  it('is nothing where every draft was refused: the database is not asked to write', async () => {
    const before = await headOf(server.pool, siteId)
    expect(await append([null])).toMatchObject([{ outcome: 'refused' }])
    expect(await append([])).toEqual([])
    expect(await headOf(server.pool, siteId)).toEqual(before)
  })
  it('is tried again where another moved the chain on, and given up after so many tries', async () => {
    let tries = 0
    // Another is always faster.
    const pool = new Proxy(server.pool, {
      get: (of, key) =>
        key === 'query'
          ? (query: { name?: string }, ...more: unknown[]) => {
              if (query.name === 'append-records') {
                tries += 1
                return Promise.resolve({ rows: [{ done: false }] })
              }
              return (of.query as (...all: unknown[]) => unknown)(query, ...more)
            }
          : (Reflect.get(of, key, of) as unknown),
    })
    await expect(append([parked()], {}, pool)).rejects.toMatchObject({ code: 'database_down' })
    expect(tries).toBe(21)
  })
  it('is not what the database could not write', async () => {
    const broken = new Proxy(server.pool, {
      get: (of, key) =>
        key === 'query'
          ? (query: { name?: string }, ...more: unknown[]) =>
              query.name === 'append-records'
                ? Promise.reject(Object.assign(new Error('twice'), { code: '23505' }))
                : (of.query as (...all: unknown[]) => unknown)(query, ...more)
          : (Reflect.get(of, key, of) as unknown),
    })
    // Nothing came from memory: it was looked up, and is no draft that was sent again.
    await expect(append([parked()], {}, broken)).rejects.toThrow('twice')
  })
})

describe('an amendment', () => {
  const count = (total: number, by: string, when = at()) =>
    draft(
      when,
      'count.read@1',
      { station: 'galley-dish', of: 'racks', total },
      { by, subject: { kind: 'station', id: 'galley-dish' } },
    )
  const amend = (target: AnyDraft, by: string, change: object = {}) =>
    draft(
      at(),
      'record.amended@1',
      {
        target: target.id,
        targetType: target.type,
        subjects: [],
        instead: { ...(target.payload as object), total: 5 },
        reason: 'misread',
        ...change,
      },
      { by, subject: { kind: 'station', id: 'galley-dish' } },
    )
  const made = async (one: AnyDraft, role: Role | null) => (await append([one], { allow: () => role }))[0]
  const sign = (upTo: number, day = '2026-11-26') =>
    append(
      [
        draft(
          at(),
          'shift.signed@1',
          { day, upTo, openCases: [], reason: 'tried' },
          { by: 'ines', subject: { kind: 'shift', id: day } },
        ),
      ],
      { signed: true },
    )

  it('of nothing, or of another type than it says, names what it would amend', async () => {
    const one = count(900_001, 'bao')
    expect(await made(amend(one, 'bao'), 'manager')).toMatchObject({
      code: 'amends_nothing',
      details: { target: one.id },
    })
    await append([one])
    const other = { targetType: 'sign.seen@1', instead: { station: 'galley-dish', sign: 'odd', note: '' } }
    expect(await made(amend(one, 'bao', other), 'manager')).toMatchObject({ code: 'amends_nothing' })
  })
  it('goes by who makes it until the day is signed, and by the manager alone afterwards', async () => {
    const [bao, dara] = [count(900_010, 'bao'), count(900_011, 'dara')]
    await append([bao, dara])
    expect(await made(amend(dara, 'bao'), 'crew')).toMatchObject({
      code: 'amend_not_yours',
      details: { target: dara.id },
    })
    expect(await made(amend(bao, 'bao'), 'crew')).toMatchObject({ outcome: 'accepted' })
    expect(await made(amend(dara, 'ines'), 'lead')).toMatchObject({ outcome: 'accepted' })

    // A signature of another day, or of records before it, covers it not.
    const { seq } = await headOf(server.pool, siteId)
    const seqOf = async (d: AnyDraft) => (await recordById(server.pool, siteId, d.id))?.seq ?? 0
    await sign(seq, '2026-11-20')
    await sign((await seqOf(bao)) - 1)
    expect(await made(amend(bao, 'bao'), 'crew')).toMatchObject({ outcome: 'accepted' })
    await sign(await seqOf(bao))
    expect(await made(amend(bao, 'bao'), 'crew')).toMatchObject({
      code: 'day_is_signed',
      details: { target: bao.id },
    })
    expect(await made(amend(bao, 'oriel'), 'manager')).toMatchObject({ outcome: 'accepted' })
    // What was made after it was signed is not covered yet.
    const after = count(900_012, 'bao')
    await append([after])
    expect(await made(amend(after, 'bao'), 'crew')).toMatchObject({ outcome: 'accepted' })
  })
  it('is judged as nobody’s where the server itself answers for it', async () => {
    const one = count(900_020, 'bao')
    await append([one])
    expect(await made(amend(one, 'dara'), null)).toMatchObject({ outcome: 'accepted' })
  })
  it('is filed where what it amends lies, under its own place in the chain', async () => {
    const one = count(900_030, 'bao')
    await append([one])
    const done = await made(
      draft(
        at(),
        'record.amended@1',
        {
          target: one.id,
          targetType: one.type,
          subjects: [],
          instead: { ...(one.payload as object), total: 900_031 },
          reason: 'misread',
        },
        { by: 'bao', subject: { kind: 'station', id: 'galley-dish' } },
      ),
      'crew',
    )
    const { rows } = await server.owner.query<{ kind: string; subject_id: string }>(
      'select kind, subject_id from record_subject where seq = $1 order by kind',
      [done?.seq],
    )
    expect(rows).toContainEqual({ kind: 'station', subject_id: 'galley-dish' })
    expect(rows.filter((r) => r.kind === 'station')).toHaveLength(1)
    const { state } = (await stateOf(server.pool, siteId, 'station', 'galley-dish')) ?? {}
    expect(state).toMatchObject({ counts: { racks: { total: 900_031 } } })
  })
  it('of a site whose hours nobody entered goes by whose it is', async () => {
    const site = 'bare'
    await server.owner.query("insert into site (id, name) values ('bare', 'Bare')")
    const sign = draft(
      at(),
      'sign.seen@1',
      { station: 'fridge', sign: 'odd', note: '' },
      { site, subject: { kind: 'station', id: 'fridge' } },
    )
    expect(await append([sign], { site })).toMatchObject([{ outcome: 'accepted' }])
    const change = { ...amend(sign, 'dara'), site, subject: { kind: 'station', id: 'fridge' } } as AnyDraft
    const instead = { ...(change.payload as object), instead: { ...(sign.payload as object), note: 'x' } }
    const [outcome] = await append([{ ...change, payload: instead }], { site, allow: () => 'crew' })
    expect(outcome).toMatchObject({ code: 'amend_not_yours' })
  })
})

describe('a refusal', () => {
  it('is told as it is, by its own code', async () => {
    const allow = () => {
      throw new Refusal('not_on_this_tablet', { by: 'bao' })
    }
    const one = parked()
    expect(await append([one], { allow })).toMatchObject([
      { id: one.id, outcome: 'refused', code: 'not_on_this_tablet', details: { by: 'bao' } },
    ])
  })
})
