import { existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openPool } from '../../server/db/pool.ts'
import { siteId } from '../../server/demo/house.ts'
import { loadDemo } from '../../server/demo/load.ts'
import { verifySite } from '../../server/record/verify/verify.ts'
import { testDatabase, type TestDatabase } from '../../server/test/server.ts'
import { freshData, launch, toEnd } from '../launched.ts'

const now = Date.parse('2026-11-26T21:30:00Z')
let database: TestDatabase
beforeAll(async () => {
  database = await testDatabase()
})
afterAll(() => database.drop())
const records = async () =>
  (await database.owner.query<{ n: number }>('select count(*)::int as n from record')).rows[0]?.n ?? 0

describe('a first start that was killed', () => {
  it('while the database was being made, is begun anew by the next', async () => {
    const data = freshData('killed')
    const making = join(data, 'main/pg.making')
    mkdirSync(making, { recursive: true })
    writeFileSync(join(making, 'PG_VERSION'), 'half written')
    const { said } = await toEnd(launch(data, ['verify', 'gannet']))
    expect(said).toContain('There is no site gannet here')
    expect(existsSync(join(data, 'main/pg/PG_VERSION'))).toBe(true)
    expect(existsSync(making)).toBe(false)
  })
  it('while the demo was being made, is made anew by the next, whole; one that is whole is left alone', async () => {
    const load = () => loadDemo(database.ownerUrl, database.appUrl, now, 1)
    expect(await load()).toBe(true)
    const whole = await records()
    await database.owner.query('update site set is_making = true')
    await database.owner.query('delete from record where seq > 100')
    expect(await load()).toBe(true)
    expect(await records()).toBe(whole)
    const pool = openPool(database.appUrl, () => {})
    expect((await verifySite(pool, siteId)).faults).toEqual([])
    await pool.end()
    expect(await load()).toBe(false)
    expect(await records()).toBe(whole)
  })
})

describe('the secret of the application', () => {
  it('opens no other role', async () => {
    const app = new URL(database.appUrl)
    app.username = new URL(database.ownerUrl).username
    const client = new pg.Client({ connectionString: app.href })
    await expect(client.connect()).rejects.toThrow(/password authentication failed/)
    await client.end().catch(() => {})
  })
  it('lies in a file that nobody else reads', async () => {
    const data = freshData('secrets')
    await toEnd(launch(data, ['verify', 'gannet']))
    for (const name of ['secret', 'app-secret'])
      expect(statSync(join(data, 'main', name)).mode & 0o077).toBe(0)
    expect(readFileSync(join(data, 'main/secret'), 'utf8')).not.toBe(
      readFileSync(join(data, 'main/app-secret'), 'utf8'),
    )
  })
})

describe('the role of the application', () => {
  it.each([
    'update record set text = text',
    'delete from record',
    'truncate record',
    'update person set role = role',
    'delete from site_head',
    'alter role tadka_owner password null',
    'create table mine (x integer)',
  ])('may not: %s', async (sql) => {
    const app = new pg.Client({ connectionString: database.appUrl })
    await app.connect()
    await expect(app.query(sql)).rejects.toThrow(/permission denied|must be|not permitted/)
    await app.end()
  })
})
