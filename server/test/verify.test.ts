import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openPool, type Pool } from '../db/pool.ts'
import { siteId } from '../demo/house.ts'
import { headOf, type Head } from '../stream/heads.ts'
import type { VerifyProgress } from '../record/verify/progress.ts'
import { verifyIn, verifySite } from '../record/verify/verify.ts'
import { ask, draft, signIn, started, testServer, type TestServer } from './server.ts'

let server: TestServer
let pool: Pool
let db: Pool
let cookie: string
let photo: string
beforeAll(async () => {
  server = await testServer(1)
  pool = openPool(server.appUrl, () => {})
  db = openPool(server.ownerUrl, () => {})
  cookie = await signIn(server.app, 'bao', 'oriel', 'ines')
  const now = server.clock.now
  const weak = draft(
    now,
    'station.stopped@1',
    { station: 'galley-bucket', reason: 'dropped it', photo: null },
    {
      subject: { kind: 'station', id: 'galley-bucket' },
    },
  )
  await ask(server, cookie, 'POST', '/records', { sentAt: now, drafts: [started(now, 'run-v'), weak] })
  const signed = await ask(server, await signIn(server.app, 'ines'), 'POST', '/sign', {
    person: 'ines',
    pin: '4711',
    day: '2026-11-26',
    reason: 'tried only tonight',
  })
  expect(signed.json()).toMatchObject({ outcome: { outcome: 'accepted' } })
  const bytes = Buffer.from([0xff, 0xd8, 0xff, 1, 2, 3])
  photo = (await server.owner.query("select encode(sha256($1), 'hex') as name", [bytes])).rows[0].name
  const put = await server.app.inject({
    method: 'PUT',
    url: `/api/sites/${siteId}/photos/${photo}`,
    headers: { cookie, 'content-type': 'image/jpeg' },
    payload: bytes,
  })
  expect(put.statusCode).toBe(200)
})
afterAll(async () => {
  await pool.end()
  await db.end()
  await server.close()
})

const seqOf = async (type: string) =>
  (
    await server.owner.query<{ seq: number }>(
      'select seq::int from record where type = $1 order by seq desc limit 1',
      [type],
    )
  ).rows[0]?.seq

describe('what was left alone', () => {
  it('is whole, records, lists, states, signatures and photos', async () => {
    const told: VerifyProgress[] = []
    const report = await verifySite(pool, siteId, (line) => void told.push(line))
    expect(report).toMatchObject({ sound: true, faults: [] })
    const of = report.records
    expect(told.filter((l) => l.part === 'records').at(-1)).toEqual({ part: 'records', done: of, of })
    expect(told.at(-1)).toMatchObject({ part: 'states' })
  })
  it('is whole while somebody writes', async () => {
    const writing = ask(server, cookie, 'POST', '/records', {
      sentAt: server.clock.now,
      drafts: [started(server.clock.now, 'run-w')],
    })
    const [report] = await Promise.all([verifySite(pool, siteId), writing])
    expect(report.faults).toEqual([])
  })
})

/** Somebody who owns the database alters it, in a transaction that is taken back. */
describe('is found', () => {
  const altered = async (sql: string, heads: readonly Head[] = []) => {
    const client = await db.connect()
    try {
      await client.query('begin')
      await client.query("select set_config('tadka.site', $1, true)", [siteId])
      await client.query(sql)
      return (await verifyIn(client, siteId, () => {}, heads)).faults
    } finally {
      await client.query('rollback')
      client.release()
    }
  }

  it.each([
    ['id', `update record set id = gen_random_uuid() where seq = 5`, 'id'],
    ['type', `update record set type = 'run.dreamt@1' where seq = 5`, 'type'],
    ['subject_kind', `update record set subject_kind = 'spare' where seq = 5`, 'subject_kind'],
    ['subject_id', `update record set subject_id = 'other' where seq = 5`, 'subject_id'],
    ['by_person', `update record set by_person = 'nobody' where seq = 5`, 'by_person'],
    ['corrected_at', `update record set corrected_at = corrected_at - 1 where seq = 5`, 'corrected_at'],
    ['received_at', `update record set received_at = received_at + 1 where seq = 5`, 'received_at'],
    ['body', `update record set body = body || '{"by": "nobody"}' where seq = 5`, 'body'],
  ])('a column that says otherwise: %s', async (_, sql, column) => {
    expect(await altered(sql)).toContainEqual({ what: 'column', seq: 5, column })
  })

  it('a text that was altered', async () => {
    const faults = await altered(`update record set text = replace(text, 'a', 'b') where seq = 7`)
    expect(faults).toMatchObject([{ what: 'chain', seq: 7 }])
  })
  it('a text that was altered with its hash', async () => {
    const sql = `
      update record set text = t.text, hash = encode(sha256(convert_to(t.text, 'UTF8')), 'hex')
      from (select replace(text, '"device":"', '"device":"x') as text from record where seq = 7) as t where seq = 7`
    expect(await altered(sql)).toMatchObject([{ what: 'chain', seq: 8, why: 'prev' }])
  })
  it('a record that is gone from the middle', async () => {
    expect(await altered('delete from record where seq = 7')).toMatchObject([
      { what: 'chain', seq: 7, why: 'gap' },
    ])
  })
  it('a tail that was cut off', async () => {
    const sql = 'delete from record where seq > (select max(seq) - 2 from record)'
    expect(await altered(sql)).toMatchObject([{ what: 'head' }])
  })
  it('a head that was set back over records', async () => {
    const sql = `update site_head h set seq = r.seq, hash = r.hash from record r where r.seq = 9 and r.site_id = h.site_id`
    expect(await altered(sql)).toMatchObject([{ what: 'after-head', seq: 10 }])
  })
  it('a head with another hash', async () => {
    const sql = `update site_head set hash = repeat('a', 64)`
    expect(await altered(sql)).toMatchObject([{ what: 'head' }])
  })
  it('a head that is gone', async () => {
    expect(await altered('delete from site_head')).toMatchObject([{ what: 'after-head', seq: 1 }])
  })
  it('a tail that was cut off with its head, and a chain that was written anew, by a head kept elsewhere', async () => {
    const head = await headOf(pool, siteId)
    const cut = `
      delete from record_subject where seq = (select max(seq) from record);
      delete from record where seq = (select max(seq) from record);
      update site_head h set seq = r.seq, hash = r.hash from record r
      where r.site_id = h.site_id and r.seq = (select max(seq) from record)`
    const missed = { what: 'head-elsewhere', seq: head.seq }
    expect(await altered(cut)).not.toContainEqual(missed)
    expect(await altered(cut, [head])).toContainEqual(missed)
    expect(await altered('select 1', [head, { seq: 0, hash: '0'.repeat(64) }])).toEqual([])
    expect(await altered('select 1', [{ ...head, hash: 'a'.repeat(64) }])).toEqual([missed])
  })
  it('the same by what the last backup held, as the database remembers it', async () => {
    const { seq, hash } = await headOf(pool, siteId)
    const remembered = (h: string) => `
      insert into backup (at, file, bytes) values (1, 'f', 1);
      insert into backup_head (at, site_id, seq, hash) values (1, '${siteId}', ${seq}, '${h}')`
    expect(await altered(remembered(hash))).toEqual([])
    expect(await altered(remembered('b'.repeat(64)))).toEqual([{ what: 'head-elsewhere', seq }])
  })
  it('a record that is hidden from its lists', async () => {
    const faults = await altered(
      'delete from record_subject where seq = 5 and kind = (select min(kind) from record_subject where seq = 5)',
    )
    expect(faults).toContainEqual(expect.objectContaining({ what: 'index', seq: 5, why: 'missing' }))
  })
  it('a record that is filed where it does not belong', async () => {
    const sql = `insert into record_subject select site_id, 'station', 'kiosk-slush', 5 from site_head`
    const fault = { what: 'index', seq: 5, why: 'extra', kind: 'station', id: 'kiosk-slush' }
    expect(await altered(sql)).toContainEqual(fault)
  })
  it('an entry of a list for a record that is not there', async () => {
    const sql = `insert into record_subject select site_id, 'case', 'made-up', 999999 from site_head`
    const fault = { what: 'index', seq: 999_999, why: 'extra', kind: 'case', id: 'made-up' }
    expect(await altered(sql)).toContainEqual(expect.objectContaining({ ...fault }))
  })
  it.each([
    ['its state', `set state = state || '{"currentRun": "made-up"}'`],
    ['the last record that it stands on', `set last_key = null`],
    ['whether tablets get it', 'set live = not live'],
    ['when it was touched', 'set touched_at = touched_at + 1'],
  ])('a state that its records do not make: %s', async (_, set) => {
    const sql = `update subject_state ${set} where kind = 'station' and subject_id = 'galley-bucket'`
    expect(await altered(sql)).toEqual([{ what: 'state', kind: 'station', id: 'galley-bucket' }])
  })
  it('a state that is gone, and one that nothing stands behind', async () => {
    const gone = `delete from subject_state where kind = 'station' and subject_id = 'galley-bucket'`
    expect(await altered(gone)).toEqual([{ what: 'state', kind: 'station', id: 'galley-bucket' }])
    const made = `
      insert into subject_state select site_id, kind, 'made-up', state, last_key, touched_at, live
      from subject_state where kind = 'station' and subject_id = 'galley-bucket'`
    expect(await altered(made)).toEqual([{ what: 'state', kind: 'station', id: 'made-up' }])
  })
  it('a photo that is another', async () => {
    expect(await altered(`update photo set bytes = bytes || '\\x00'`)).toEqual([
      { what: 'photo', sha256: photo },
    ])
  })
  it('a chain that was written anew from a record on, by the signature over it', async () => {
    // Everything in order by itself: texts, hashes, links, columns, head. Only the signature knows what it was made over.
    const sign = await seqOf('shift.signed@1')
    const faults = await altered(`do $$
        declare r record; told jsonb; before text;
        begin
          before := (select hash from record where seq = 2);
          for r in select * from record where seq > 2 order by seq loop
            told := r.text::jsonb || jsonb_build_object('prev', before);
            if r.seq = 3 then told := told || '{"device": "another"}'; end if;
            before := encode(sha256(convert_to(told::text, 'UTF8')), 'hex');
            update record set text = told::text, body = told, hash = before where seq = r.seq;
          end loop;
          update site_head set hash = before;
        end $$`)
    expect(faults).toContainEqual({ what: 'signature', seq: sign })
  })
})
