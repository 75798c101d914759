import { canonicalText, type AnyDraft } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openPool } from '../db/pool.ts'
import { siteId } from '../demo/house.ts'
import { headOf } from '../stream/heads.ts'
import { snapshot, stateOf } from '../stream/queries.ts'
import { rebuildSite } from '../stream/rebuild.ts'
import { verifySite } from '../record/verify/verify.ts'
import { draft, signIn, started, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookie: string
beforeAll(async () => {
  server = await testServer(1)
  cookie = await signIn(server.app, 'bao', 'dara')
})
afterAll(() => server.close())

const send = async (drafts: unknown[], sentAt = server.clock.now) => {
  const answer = await server.app.inject({
    method: 'POST',
    url: `/api/sites/${siteId}/records`,
    headers: { cookie },
    payload: { sentAt, drafts },
  })
  return {
    status: answer.statusCode,
    body: answer.json<{ outcomes: { outcome: string; code?: string; seq?: number }[]; code?: string }>(),
  }
}
const outcomes = async (drafts: unknown[], sentAt?: number) =>
  (await send(drafts, sentAt)).body.outcomes.map((o) => o.code ?? o.outcome)
const pool = () => openPool(server.appUrl, () => {})

describe('a batch', () => {
  it('is accepted once: a retry finds it known, at the same place', async () => {
    const batch = [
      started(server.clock.now, 'run-a'),
      draft(server.clock.now, 'run.parked@1', { run: 'run-a', station: 'espresso-bucket' }),
    ]
    const first = await send(batch)
    const again = await send(batch)
    expect(first.body.outcomes.map((o) => o.outcome)).toEqual(['accepted', 'accepted'])
    expect(again.body.outcomes.map((o) => o.outcome)).toEqual(['known', 'known'])
    expect(again.body.outcomes.map((o) => o.seq)).toEqual(first.body.outcomes.map((o) => o.seq))
  })
  it('refuses one draft with its reason and takes the others', async () => {
    const now = server.clock.now
    const known = started(now, 'run-b')
    await send([known])
    expect(
      await outcomes([
        started(now, 'run-c'),
        { ...known, counter: 999_999 },
        started(now, 'run-d', { site: 'elsewhere' }),
        started(now + 3_600_000, 'run-e'),
        started(now, 'run-f', { type: 'run.dreamt@1' }),
        started(now, 'run-g', { by: 'wen' }),
        draft(now, 'shift.signed@1', { day: '2026-11-26', upTo: 1, openCases: [], reason: '' }),
        draft(now, 'station.set@1', {}, { subject: { kind: 'station', id: 'x' } }),
        'nonsense',
      ]),
    ).toEqual([
      'accepted',
      'id_reused',
      'wrong_site',
      'in_the_future',
      'type_unknown',
      'not_on_this_tablet',
      'needs_pin',
      'body_malformed',
      'body_malformed',
    ])
  })
  it('holds a crew member to what crew may do', async () => {
    const close = draft(
      server.clock.now,
      'case.closed@1',
      { case: 'c', station: null, reason: 'because' },
      { subject: { kind: 'case', id: 'c' } },
    )
    expect(await outcomes([close])).toEqual(['not_allowed'])
  })
  it('corrects the clock of a tablet that runs an hour ahead, and keeps what it said', async () => {
    const ahead = server.clock.now + 3_600_000
    const one = started(ahead, 'run-h')
    expect(await outcomes([one], ahead)).toEqual(['accepted'])
    const row = await server.owner.query<{ corrected_at: number; text: string }>(
      'select corrected_at, text from record where id = $1',
      [one.id],
    )
    expect(Number(row.rows[0]?.corrected_at)).toBe(server.clock.now)
    expect(JSON.parse(row.rows[0]?.text ?? '{}')).toMatchObject({
      observedAt: ahead,
      clockOffset: -3_600_000,
    })
  })
  it('keeps what was done in a wrong state, flagged', async () => {
    const odd = draft(server.clock.now, 'run.parked@1', { run: 'run-none', station: 'espresso-bucket' })
    const step = draft(server.clock.now, 'run.step.done@1', {
      run: 'run-none',
      station: 'espresso-bucket',
      step: 'mix',
      kind: 'mix',
      facts: {},
      effects: {},
      before: {},
    })
    expect(await outcomes([odd, step])).toEqual(['accepted', 'accepted'])
    const row = await server.owner.query<{ flags: string[] }>(
      "select body -> 'flags' as flags from record where id = $1",
      [step.id],
    )
    expect(row.rows[0]?.flags).toContain('run-not-running')
  })
  it('text that the database cannot hold is refused, and changes nothing', async () => {
    const db = pool()
    const before = await headOf(db, siteId)
    const bad = (reason: string) =>
      draft(server.clock.now, 'run.abandoned@1', { run: 'run-a', station: 'espresso-bucket', reason })
    expect(await outcomes([bad('a\0b'), bad('a\ud800b')])).toEqual(['body_malformed', 'body_malformed'])
    expect(await headOf(db, siteId)).toEqual(before)
    await db.end()
  })
})

describe('the states', () => {
  it('kept equal those rebuilt, late records included', async () => {
    const now = server.clock.now
    const step = (minute: number, name: string) =>
      draft(now - 60_000 + minute * 1000, 'run.step.done@1', {
        run: 'run-z',
        station: 'galley-bucket',
        step: name,
        kind: 'do',
        facts: {},
        effects: {},
        before: {},
      })
    const begun = started(now - 60_000, 'run-z', {
      payload: { ...started(now, 'run-z').payload, station: 'galley-bucket' },
    })
    await send([step(30, 'check'), step(20, 'stand')])
    await send([begun, step(10, 'mix')])
    const db = pool()
    const sorted = async () => {
      const { states } = await snapshot(db, siteId, 0)
      return states.map((s) => canonicalText(s)).toSorted()
    }
    const kept = await sorted()
    expect(await rebuildSite(db, siteId)).toBe(kept.length)
    expect(await sorted()).toEqual(kept)
    await db.end()
  })
})

describe('the chain', () => {
  it('is whole after many writers at once, without a gap', async () => {
    const before = (await verify()).records
    const batches = Array.from({ length: 24 }, (_, i) => [started(server.clock.now, `run-m${i}`)])
    await Promise.all(batches.map((b) => send(b)))
    expect(await verify()).toMatchObject({ sound: true, records: before + 24 })
  })
  it('shows a record altered behind the application’s back, by button as by command', async () => {
    await server.owner.query('begin')
    await server.owner.query("update record set text = replace(text, 'Oriel', 'Uriel') where seq = 1")
    await server.owner.query('commit')
    const answer = await server.app.inject({
      method: 'POST',
      url: `/api/sites/${siteId}/verify`,
      headers: { cookie },
    })
    const lines = answer.body.trim().split('\n')
    expect(JSON.parse(lines.at(-1) ?? '')).toMatchObject({
      sound: false,
      faults: [{ what: 'chain', seq: 1, why: 'hash' }],
    })
    await server.owner.query("update record set text = replace(text, 'Uriel', 'Oriel') where seq = 1")
    expect((await verify()).sound).toBe(true)
    const whole = await server.app.inject({
      method: 'POST',
      url: `/api/sites/${siteId}/verify`,
      headers: { cookie },
    })
    const told = whole.body
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l) as Record<string, unknown>)
    expect(told.at(-1)).toMatchObject({ sound: true })
    expect(told[0]).toMatchObject({ part: 'records', of: told.at(-1)?.['records'] })
    expect(told.at(-2)).toMatchObject({ part: 'states' })
  })
  async function verify() {
    const db = pool()
    const report = await verifySite(db, siteId)
    await db.end()
    return report
  }
})

describe('the application’s role', () => {
  it.each([
    ['update a record', 'update record set type = type'],
    ['delete a record', 'delete from record'],
    ['truncate the records', 'truncate record cascade'],
    ['drop the table', 'drop table record'],
    ['turn off row-level security', 'alter table record disable row level security'],
  ])('may not %s', async (_, sql) => {
    const db = pool()
    await expect(db.query(sql)).rejects.toThrow(/permission denied|must be owner/)
    await db.end()
  })
  it('sees no record before its transaction has named a site, nor those of another', async () => {
    const db = pool()
    expect((await db.query('select count(*)::int as n from record')).rows[0]).toEqual({ n: 0 })
    expect((await snapshot(db, 'elsewhere', 0)).states).toEqual([])
    await db.end()
  })
})

describe('a draft that names another device’s run', () => {
  it('folds into that run: a second tablet goes on where the first was', async () => {
    const now = server.clock.now
    await send([started(now, 'run-two')])
    const other: AnyDraft = draft(
      now + 1,
      'run.parked@1',
      { run: 'run-two', station: 'espresso-bucket' },
      { device: 'tablet-2', by: 'dara' },
    )
    await send([other])
    const answer = await server.app.inject({
      method: 'GET',
      url: `/api/sites/${siteId}/subjects/run/run-two`,
      headers: { cookie },
    })
    expect(answer.json()).toMatchObject({ state: { status: 'parked', lastBy: 'dara' } })
  })
})

describe('a batch that was long under way', () => {
  it('happened before the next one, as the tablet did it: the wait that was started stands', async () => {
    const now = server.clock.now
    const way = 2500
    const first = started(now - way, 'run-slow')
    const next = draft(now - way + 400, 'run.parked@1', { run: 'run-slow', station: 'espresso-bucket' })
    const post = (drafts: unknown[], sentAt: number) =>
      server.app.inject({
        method: 'POST',
        url: `/api/sites/${siteId}/records`,
        headers: { cookie },
        payload: { sentAt, offset: 0, drafts },
      })
    await post([first], now - way)
    await post([next], now)
    const db = pool()
    expect((await stateOf(db, siteId, 'run', 'run-slow'))?.state).toMatchObject({ status: 'parked' })
    await db.end()
  })
})
