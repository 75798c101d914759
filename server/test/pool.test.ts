import { afterAll, beforeAll, expect, it } from 'vitest'
import { inSite } from '../db/transaction.ts'
import { openPool, type Pool } from '../db/pool.ts'
import { siteId } from '../demo/house.ts'
import { testDatabase, type TestDatabase } from './server.ts'

let database: TestDatabase
let pool: Pool
const lost: string[] = []
beforeAll(async () => {
  database = await testDatabase()
  pool = openPool(database.appUrl, (error) => lost.push(error.message))
})
afterAll(async () => {
  await pool.end()
  await database.drop()
})

it('a connection that is lost between two statements fails its own work only, and another takes its place', async () => {
  const work = inSite(pool, siteId, async (client) => {
    const { rows } = await client.query<{ pid: number }>('select pg_backend_pid() as pid')
    const gone = new Promise((resolve) => client.once('end', resolve))
    await database.owner.query('select pg_terminate_backend($1)', [rows[0]?.pid])
    // Nothing is asked of it meanwhile: the loss itself must be heard, or the process ends.
    await gone
    await client.query('select 1')
  })
  await expect(work).rejects.toThrow()
  expect(lost.length).toBeGreaterThan(0)
  const { rows } = await inSite(pool, siteId, (client) => client.query<{ n: number }>('select 1 as n'))
  expect(rows).toEqual([{ n: 1 }])
})
