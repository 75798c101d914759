import { createHash } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { amendmentOf } from '@tadka/core/record'
import { canonicalText, type AnyRecord } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { asOwner } from '../db/owner.ts'
import { inSite } from '../db/transaction.ts'
import { openPool } from '../db/pool.ts'
import { headOf } from '../stream/heads.ts'
import { statesOfKind } from '../stream/queries.ts'
import { allSites, everyoneOf } from '../people/queries.ts'
import { takeIn } from '../archive/take-in.ts'
import { writeArchive } from '../archive/write.ts'
import { verifySite } from '../record/verify/verify.ts'
import { ask, draft, testDatabase, signIn, testServer, type TestDatabase, type TestServer } from './server.ts'

let server: TestServer
let folder: string
let file: string
let lines: string[]
const photo = Buffer.from('not a picture, but bytes')

beforeAll(async () => {
  server = await testServer(1)
  // Something was put right: a record that concerns what another amends.
  const cookie = await signIn(server.app, 'ines')
  const found = await ask(server, cookie, 'GET', '/log?types=bath.mixed@1&limit=1')
  const [target] = found.json<{ records: AnyRecord[] }>().records
  if (target?.type !== 'bath.mixed@1') throw new Error('nothing was mixed')
  const amendment = amendmentOf(target, { ...target.payload, poured: target.payload.poured + 1 }, 'misread')
  const { subject } = target
  const drafts = [draft(server.clock.now, 'record.amended@1', amendment, { by: 'ines', subject })]
  const sent = await ask(server, cookie, 'POST', '/records', { sentAt: server.clock.now, drafts })
  expect(sent.json()).toMatchObject({ outcomes: [{ outcome: 'accepted' }] })
  await inSite(server.pool, siteId, (db) =>
    db.query(
      `insert into photo (site_id, sha256, bytes, received_at) values ($1, encode(sha256($2), 'hex'), $2, 5)`,
      [siteId, photo],
    ),
  )
  folder = mkdtempSync(join(tmpdir(), 'archive-'))
  file = join(folder, 'gannet.jsonl.gz')
  await writeArchive(server.pool, siteId, file)
  lines = gunzipSync(readFileSync(file)).toString().trimEnd().split('\n')
})
const made: TestDatabase[] = []
/** An empty database elsewhere. */
async function nowhere(): Promise<TestDatabase> {
  const database = await testDatabase()
  made.push(database)
  return database
}
afterAll(async () => {
  for (const database of made) await database.drop()
  await server.close()
  rmSync(folder, { recursive: true })
})

/** The same file with some of its lines otherwise. */
function otherwise(change: (all: string[]) => string[]): string {
  const path = join(folder, `other-${Math.round(performance.now() * 1000)}.gz`)
  writeFileSync(path, gzipSync(`${change([...lines]).join('\n')}\n`))
  return path
}

/** The last record made otherwise by whoever can make hashes, and the head with it. */
function forged(all: readonly string[], change: object): string[] {
  const at = all.findLastIndex((l) => l.startsWith('{"record"'))
  const { record } = JSON.parse(all[at] ?? '') as { record: object }
  const text = canonicalText({ ...record, ...change })
  const hash = createHash('sha256').update(text).digest('hex')
  const head = JSON.parse(all[0] ?? '') as { head: { seq: number } }
  return [
    JSON.stringify({ ...head, head: { ...head.head, hash } }),
    ...all.slice(1, at),
    `{"record":${text},"hash":"${hash}"}`,
    ...all.slice(at + 1),
  ]
}

describe('an archive', () => {
  it('is a line of JSON for what it is of, each record, each photo, and its end', () => {
    const head = JSON.parse(lines[0] ?? '') as { format: string; records: number; photos: number }
    expect(head).toMatchObject({ format: 'tadka-archive', version: 1, site: siteId, photos: 1 })
    expect(lines).toHaveLength(head.records + head.photos + 2)
    expect(lines.join('')).not.toContain('$scrypt')
    expect(lines.at(-1)).toBe('{"end":true}')
  })
  it('taken in elsewhere is the same site, folded anew, its chain whole; taken in twice it is there once', async () => {
    const elsewhere = await nowhere()
    const pool = openPool(elsewhere.appUrl, () => {})
    try {
      const taken = await asOwner(elsewhere.ownerUrl, (owner) => takeIn(owner, file, () => {}))
      expect(taken).toMatchObject({ outcome: 'taken', site: siteId, records: lines.length - 3, photos: 1 })
      expect(await headOf(pool, siteId)).toEqual(await headOf(server.pool, siteId))
      expect((await allSites(pool)).map((s) => s.id)).toEqual([siteId])
      for (const kind of ['station', 'run', 'case', 'shift', 'crew'] as const) {
        const [here, there] = await Promise.all([
          statesOfKind(server.pool, siteId, kind),
          statesOfKind(pool, siteId, kind),
        ])
        // They come in no order of their own.
        const byId = (all: readonly unknown[]) =>
          (all as { id: string }[]).toSorted((a, b) => a.id.localeCompare(b.id))
        expect(byId(there)).toEqual(byId(here))
      }
      const names = (all: readonly { id: string; name: string; role: string }[]) =>
        all.map(({ id, name, role }) => [id, name, role]).toSorted()
      expect(names(await everyoneOf(pool, siteId))).toEqual(names(await everyoneOf(server.pool, siteId)))
      const secrets = await pool.query(
        'select from person where pin_hash is not null or password_hash is not null',
      )
      expect(secrets.rowCount).toBe(0)
      expect(await verifySite(pool, siteId)).toMatchObject({ sound: true, records: lines.length - 3 })
      const again = await asOwner(elsewhere.ownerUrl, (owner) => takeIn(owner, file, () => {}))
      expect(again).toEqual({ outcome: 'known', site: siteId })
      const other = otherwise((all) => [
        // Another digit, whatever stands there.
        (all[0] ?? '').replace(/"hash":"([0-9a-f])/, (_, digit) => `"hash":"${digit === '0' ? '1' : '0'}`),
        ...all.slice(1),
      ])
      expect(await asOwner(elsewhere.ownerUrl, (owner) => takeIn(owner, other, () => {}))).toEqual({
        outcome: 'other-site',
        site: siteId,
      })
    } finally {
      await pool.end()
    }
  })
  const middle = () => Math.floor(lines.length / 2)
  it.each<[string, (all: string[]) => string[], RegExp]>([
    [
      'a record that was changed',
      (all) => all.with(middle(), (all[middle()] ?? '').replace('"device":"', '"device":"x')),
      /was altered/,
    ],
    ['a record that was removed', (all) => all.toSpliced(middle(), 1), /is missing/],
    [
      'a record that was put in twice',
      (all) => all.toSpliced(middle(), 0, all[middle()] ?? ''),
      /is missing/,
    ],
    [
      'two records that changed places',
      (all) => all.with(5, all[6] ?? '').with(6, all[5] ?? ''),
      /is missing/,
    ],
    [
      'a tail that was cut off',
      (all) => [...all.slice(0, middle()), all.at(-1) ?? ''],
      /last record should be/,
    ],
    [
      'a record of a kind that there is not, its hashes made to fit',
      (all) => forged(all, { type: 'made.up@1' }),
      /holds what no record of its kind does/,
    ],
    [
      'a record that holds something else, its hashes made to fit',
      (all) => forged(all, { payload: { station: 7 } }),
      /holds what no record of its kind does/,
    ],
    ['an end that is missing', (all) => all.slice(0, -1), /end is missing/],
    [
      'a photo that was changed',
      (all) => all.map((l) => (l.includes('"photo"') ? l.replace('"bytes":"bm', '"bytes":"bn') : l)),
      /photo [0-9a-f]+ was altered/,
    ],
    [
      'a photo that was removed',
      (all) => all.filter((l) => !l.startsWith('{"photo"')),
      /should hold 1 photos/,
    ],
    ['a line that is no JSON', (all) => all.with(7, '{"record":'), /^line 8: no JSON/],
    ['another file', () => ['{"format":"else"}'], /^line 1: no archive/],
  ])('with %s is refused whole, with its place', async (_, change, why) => {
    const elsewhere = await nowhere()
    const bad = otherwise(change)
    await expect(asOwner(elsewhere.ownerUrl, (owner) => takeIn(owner, bad, () => {}))).rejects.toThrow(why)
    const pool = openPool(elsewhere.appUrl, () => {})
    try {
      expect(await allSites(pool)).toEqual([])
      expect((await inSite(pool, siteId, (db) => db.query('select from record'))).rowCount).toBe(0)
    } finally {
      await pool.end()
    }
  })
  it('that is no compressed file, or was cut off, is refused whole', async () => {
    const elsewhere = await nowhere()
    const [plain, cut] = [join(folder, 'plain'), join(folder, 'cut')]
    writeFileSync(plain, lines.join('\n'))
    writeFileSync(cut, readFileSync(file).subarray(0, 20_000))
    for (const bad of [plain, cut])
      await expect(asOwner(elsewhere.ownerUrl, (owner) => takeIn(owner, bad, () => {}))).rejects.toThrow(
        /cannot be unpacked/,
      )
  })
})
