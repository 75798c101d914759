import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { foldsVersion } from '@tadka/core/record'
import { openPool, type Pool } from '../db/pool.ts'
import { siteId } from '../demo/house.ts'
import { keepUp, peopleOnRecord } from '../record/keep-up.ts'
import { stateOf } from '../stream/queries.ts'
import { verifySite } from '../record/verify/verify.ts'
import { testServer, type TestServer } from './server.ts'

let server: TestServer
let pool: Pool
beforeAll(async () => {
  server = await testServer(1)
  pool = openPool(server.appUrl, () => {})
})
afterAll(async () => {
  await pool.end()
  await server.close()
})

const bucket = () => stateOf(pool, siteId, 'station', 'galley-bucket')
const version = async () =>
  (await server.owner.query<{ version: number }>('select version from fold_version')).rows

describe('states that an older version folded', () => {
  it('are folded anew at the start after an update, from the records, and once', async () => {
    const right = await bucket()
    await server.owner.query("select set_config('tadka.site', $1, false)", [siteId])
    await server.owner.query(
      `update subject_state set state = '{"id":"galley-bucket"}' where kind = 'station' and subject_id = 'galley-bucket'`,
    )
    await server.owner.query('update fold_version set version = 0')
    expect((await bucket())?.state).toEqual({ id: 'galley-bucket' })
    expect(await keepUp(pool)).toBeGreaterThan(20)
    expect(await bucket()).toEqual(right)
    expect(await version()).toEqual([{ version: foldsVersion }])
    expect(await keepUp(pool)).toBe(0)
  })
  it('a database that was never in use only takes the version down', async () => {
    await server.owner.query('delete from fold_version')
    expect(await keepUp(pool)).toBe(0)
    expect(await version()).toEqual([{ version: foldsVersion }])
  })
})

describe('people who were entered before there were records of them', () => {
  it('get theirs at the start, as they stand, and once', async () => {
    await server.owner.query(
      `insert into person (site_id, id, name, role, pin_hash) values ($1, 'old-hand', 'Old Hand', 'lead', 'kept')`,
      [siteId],
    )
    expect((await verifySite(pool, siteId)).faults).toEqual([{ what: 'person', id: 'old-hand' }])
    const head = async () => (await verifySite(pool, siteId)).records
    const before = await head()
    await peopleOnRecord(pool, server.clock.now)
    expect((await verifySite(pool, siteId)).faults).toEqual([])
    expect(await head()).toBe(before + 2)
    await peopleOnRecord(pool, server.clock.now)
    expect(await head()).toBe(before + 2)
  })
})
