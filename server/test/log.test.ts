import { createHash } from 'node:crypto'
import {
  canonicalText,
  isFault,
  noRecordBefore,
  recordText,
  verifyChain,
  type AnyRecord,
} from '@tadka/core/stream'
import { dateAfter } from '@tadka/core/calendar'
import { latestProcedure, type StationState } from '@tadka/core/procedure'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { workRun } from '../demo/crew.ts'
import { Diary } from '../demo/diary.ts'
import { siteId } from '../demo/house.ts'
import type { LogCounts } from '../record/find-queries.ts'
import { inSite } from '../db/transaction.ts'
import { stateOf } from '../stream/queries.ts'
import { leftOfDay, siteKnown } from '../record/day.ts'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookie: string
beforeAll(async () => {
  server = await testServer(14)
  cookie = await signIn(server.app, 'bao')
})
afterAll(() => server.close())

const get = (path: string) =>
  server.app.inject({ method: 'GET', url: `/api/sites/${siteId}/${path}`, headers: { cookie } })
type Stored = AnyRecord & { hash: string }
const page = async (query: string) => (await get(`log?${query}`)).json<{ records: Stored[] }>().records

type Only = { readonly only?: { readonly late: number; readonly open: number } }
const stationOf = (r: Stored) =>
  'station' in r.payload && typeof r.payload.station === 'string' ? r.payload.station : ''

describe('the log', () => {
  it('comes newest first, a page at a time, each record once', async () => {
    const seen: number[] = []
    for (let before = ''; ;) {
      const records = await page(`limit=100${before}`)
      seen.push(...records.map((r) => r.seq))
      const last = records.at(-1)
      if (!last || records.length < 100) break
      before = `&before=${last.seq}`
    }
    expect(seen).toEqual(Array.from({ length: seen.length }, (_, i) => seen.length - i))
  })
  it.each([
    ['of one type', 'types=reading.taken@1', (r: Stored) => r.type === 'reading.taken@1'],
    [
      'of one station',
      'kind=station&subject=galley-bucket',
      (r: Stored) => JSON.stringify(r.payload).includes('galley-bucket') || r.subject.id === 'galley-bucket',
    ],
    ['of shifts', 'kind=shift', (r: Stored) => r.subject.kind === 'shift'],
  ])('can be asked for %s', async (_, query, fits) => {
    const records = await page(query)
    expect(records.length).toBeGreaterThan(0)
    expect(records.every(fits)).toBe(true)
  })
  it('can be asked for a stretch of time', async () => {
    const [from, to] = [server.clock.now - 86_400_000, server.clock.now - 43_200_000]
    const records = await page(`from=${from}&to=${to}&limit=200`)
    expect(records.length).toBeGreaterThan(0)
    for (const r of records) expect(r.observedAt >= from && r.observedAt < to).toBe(true)
  })
  it.each([
    ['one station', 'stations=kiosk-slush', "station = 'kiosk-slush'"],
    ['one person', 'person=wen', "by_person = 'wen'"],
    [
      'what was not in range',
      'verdicts=out,too-close,cannot-tell',
      "verdict in ('out', 'too-close', 'cannot-tell')",
    ],
    [
      'two stations and a person',
      'stations=kiosk-slush,galley-sink&person=wen',
      "station in ('kiosk-slush', 'galley-sink') and by_person = 'wen'",
    ],
    ['a word of a name', 'words=slush', "station = 'kiosk-slush' or subject_id = 'kiosk-slush'"],
  ])('finds %s, and counts it as plain SQL does', async (_, query, sql) => {
    const want = await server.owner.query<{ n: number }>(`select count(*)::int as n from record where ${sql}`)
    const counts = (await get(`log/counts?${query}`)).json<LogCounts>()
    const n = Object.values(counts.types).reduce((sum, k) => sum + k, 0)
    if (query.startsWith('words')) expect(n).toBeGreaterThanOrEqual(want.rows[0]?.n ?? NaN)
    else expect(n).toBe(want.rows[0]?.n)
    expect(n).toBeGreaterThan(0)
    const found = await page(`limit=200&${query}`)
    expect(found.length).toBe(Math.min(n, 200))
  })
  it('a word tells nothing of another site’s records, and nothing where no site is named', async () => {
    const places = async (site: string) =>
      (
        await inSite(server.pool, site, (db) =>
          db.query<{ n: number }>("select count(*)::int as n from record_places_of_word('brineguard', 0)"),
        )
      ).rows[0]?.n
    const own = await inSite(server.pool, siteId, (db) =>
      db.query<{ n: number }>("select count(*)::int as n from record_places_of_word('brineguard', 0)"),
    )
    expect(own.rows[0]?.n).toBeGreaterThan(0)
    expect([await places('elsewhere'), await places('')]).toEqual([0, 0])
  })
  it('each filter is counted as if it were not asked for itself', async () => {
    const all = (await get('log/counts?')).json<LogCounts>()
    const one = (await get('log/counts?stations=galley-custard&verdicts=in')).json<LogCounts>()
    expect(one.stations['galley-custard']).toBeLessThan(all.stations['galley-custard'] ?? 0)
    expect(Object.keys(one.stations).length).toBeGreaterThan(1)
    const passed = (await get('log/counts?verdicts=in')).json<LogCounts>()
    expect(passed.verdicts).toEqual(all.verdicts)
    expect(Object.keys(all.verdicts).length).toBeGreaterThan(1)
  })
  it('late cleanings and open corrective actions are counted beside their filter, of the stations asked for', async () => {
    const counted = async (query: string) => (await get(`log/counts?${query}`)).json<LogCounts & Only>().only
    const runs = async (query: string) =>
      new Set((await page(`limit=200&types=run.finished@1&${query}`)).map((r) => r.subject.id)).size
    const all = await counted('')
    expect(all?.late).toBe(await runs('only=late'))
    const stations = [...new Set((await page('limit=200&only=late')).map((r) => stationOf(r)))]
    for (const station of stations.filter((s) => s !== ''))
      expect((await counted(`stations=${station}`))?.late).toBe(await runs(`only=late&stations=${station}`))
    const { rows } = await server.owner.query<{ n: number }>(
      "select count(*)::int as n from subject_state where kind = 'case' and state ->> 'status' = 'open'",
    )
    expect(all?.open).toBe(rows[0]?.n)
    expect(await counted('person=wen')).toBeUndefined()
  })
  it('finds every word of several, in what was written or in what things are called, from its first letters', async () => {
    const [some] = await page('stations=kiosk-slush&types=run.finished@1&limit=1')
    const who = some?.by ?? ''
    const found = await page(`limit=200&words=slus%20${who.slice(0, 4)}`)
    expect(found.length).toBeGreaterThan(0)
    for (const r of found) expect([r.by, JSON.stringify(r).includes('slush')]).toEqual([who, true])
    expect(await page('words=slush%20nobodycalledthis')).toEqual([])
  })
  it.each(["'", '"', ':*', '& |', '!', '\\', '%', "'); drop table record; --"])(
    'takes the words %s as words and nothing else',
    async (words) => {
      const answer = await get(`log?words=${encodeURIComponent(words)}`)
      expect(answer.statusCode).toBe(200)
    },
  )
  it('can be asked for what came since, what was before, and all but some types', async () => {
    const at = server.clock.now - 43_200_000
    const since = await page(`from=${at}&limit=200`)
    expect(since.length).toBeGreaterThan(0)
    expect(since.every((r) => r.observedAt >= at)).toBe(true)
    const until = await page(`to=${at}&limit=200`)
    expect(until.length).toBeGreaterThan(0)
    expect(until.every((r) => r.observedAt < at)).toBe(true)
    const others = await page('without=cycle.judged@1,run.step.done@2&limit=200')
    expect(others.length).toBe(200)
    expect(others.some((r) => r.type === 'cycle.judged@1' || r.type === 'run.step.done@2')).toBe(false)
  })
  it('has beside a reading that was not in what it led to, and beside others nothing', async () => {
    const answer = (await get('log?types=reading.taken@1&limit=200')).json<{
      records: Stored[]
      cases: { id: string }[]
    }>()
    const failed = answer.records.filter(
      (r) => r.type === 'reading.taken@1' && r.payload.judgement.overall !== 'in' && !r.payload.case,
    )
    expect(failed.length).toBeGreaterThan(0)
    expect(answer.cases.map((c) => c.id).toSorted()).toEqual(failed.map((r) => r.id).toSorted())
    const none = await get('log?types=run.finished@1&limit=5')
    expect(none.json()).toMatchObject({ cases: [] })
  })
  it('tells nothing of a subject that there is not, and of one that there is its state', async () => {
    expect((await get('subjects/station/no-such-station')).json()).toMatchObject({ code: 'not_found' })
    expect((await get('subjects/station/galley-bucket')).json()).toMatchObject({
      state: { plate: { name: 'Galley cloths' } },
    })
    const { serverTime, seq } = (await get('state')).json<{ serverTime: number; seq: number }>()
    expect([serverTime, seq > 1000]).toEqual([server.clock.now, true])
  })
  it('refuses a page that makes no sense', async () => {
    expect((await get('log?limit=0')).json()).toMatchObject({ code: 'body_malformed' })
    expect((await get('log?before=yesterday')).statusCode).toBe(400)
  })
})

describe('the log as JSON', () => {
  it('is whole, and its chain can be checked by anyone with SHA-256 and RFC 8785', async () => {
    const file = (await get('log.json')).json<{ format: string; version: number; records: Stored[] }>()
    expect(file).toMatchObject({ format: 'tadka-log', version: 1, site: siteId })
    // More than are read at a time.
    expect(file.records.length).toBeGreaterThan(1000)
    expect(file.records.map((r) => r.seq)).toEqual(file.records.map((_, i) => i + 1))
    const links = file.records.map(({ hash, ...record }) => ({
      seq: record.seq,
      text: canonicalText(record),
      hash,
    }))
    const sha = (text: string) => createHash('sha256').update(text).digest('hex')
    expect(isFault(verifyChain(links, sha, { seq: 0, hash: noRecordBefore }))).toBe(false)
  })
})

describe('the stored text', () => {
  it('is the canonical text of draft and server fields, byte for byte', async () => {
    const rows = await server.owner.query<{ text: string; hash: string }>(
      'select text, hash from record order by seq',
    )
    for (const { text, hash } of rows.rows) {
      const { seq, receivedAt, clockOffset, prev, flags, ...draft } = JSON.parse(text) as AnyRecord
      expect(recordText(draft as AnyRecord, { seq, receivedAt, clockOffset, prev, flags })).toBe(text)
      expect(createHash('sha256').update(text).digest('hex')).toBe(hash)
    }
  })
})

describe('the log of a day that went otherwise', () => {
  it('shows late cleanings only, and open corrective actions only, where that is asked for', async () => {
    // Two hours after the opening somebody mixes what was due at it.
    server.clock.now = Date.parse('2026-11-27T07:30:00Z')
    cookie = await signIn(server.app, 'bao')
    const on = (await stateOf(server.pool, siteId, 'station', 'galley-bucket'))?.state as StationState
    const fill = latestProcedure('bucket.fill')
    if (!fill) throw new Error('no such procedure')
    const diary = new Diary(siteId, 'tablet-1')
    const { end } = workRun(diary, on, fill, server.clock.now, {
      by: 'bao',
      random: () => 0.5,
      weakMix: false,
    })
    server.clock.now = end + 60_000
    const worked = await ask(server, cookie, 'POST', '/records', {
      sentAt: server.clock.now,
      drafts: diary.drafts,
    })
    for (const o of worked.json<{ outcomes: { outcome: string }[] }>().outcomes)
      expect(o.outcome).toBe('accepted')
    const late = await page('only=late&limit=200')
    expect(late.length).toBeGreaterThan(0)
    const known = await siteKnown(server.pool, siteId)
    const runs = new Set<string>()
    for (let back = 0; back <= 31; back++) {
      const day = dateAfter('2026-11-27', -back)
      for (const l of await leftOfDay(server.pool, siteId, day, server.clock.now, known))
        if (l.what === 'late') runs.add(l.run)
    }
    const of = late.map((r) => (r.payload as { run?: string }).run ?? r.subject.id)
    expect(new Set(of)).toEqual(runs)
    expect(await page('only=open')).toEqual([])
    const opened = { case: 'c-9', station: null, run: null, origin: 'by-hand', said: 'sink blocked' } as const
    const open = draft(server.clock.now, 'case.opened@1', opened, {
      by: 'bao',
      subject: { kind: 'case', id: 'c-9' },
    })
    const sent = await ask(server, cookie, 'POST', '/records', { sentAt: server.clock.now, drafts: [open] })
    expect(sent.json()).toMatchObject({ outcomes: [{ outcome: 'accepted' }] })
    expect((await page('only=open')).map((r) => r.id)).toEqual([open.id])
    // However far off somebody asks, it ends.
    for (const asked of ['from=1000000000000000', 'to=0', 'from=99999999999999&to=99999999999999'])
      expect(await page(`only=late&${asked}`)).toEqual([])
    expect((await get('log?only=other')).statusCode).toBe(400)
  })
})
