import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { afterAll, describe, expect, it } from 'vitest'
import { dropDatabase, within } from '../../launcher/like.ts'
import { buildApp } from '../app/app.ts'
import { migrate } from '../db/migrate.ts'
import { asOwner } from '../db/owner.ts'
import { openPool } from '../db/pool.ts'
import { verifySite } from '../record/verify/verify.ts'

/**
 * Databases as they were: a site that was founded, with a few records. Made by `pg_dump --inserts --no-owner` of each release; none is ever
 * changed or taken away.
 */
const dumps = fileURLToPath(new URL('dumps/', import.meta.url))
const cluster = {
  ownerUrl: process.env['TADKA_TEST_OWNER_URL'] ?? '',
  appUrl: process.env['TADKA_TEST_APP_URL'] ?? '',
}
const made: string[] = []
afterAll(async () => {
  for (const name of made) await dropDatabase(cluster, name)
})

/** Puts a dump into a database of its own. */
async function asItWas(file: string) {
  const name = `t_update_${file.replaceAll(/\W/g, '_')}`
  made.push(name)
  await asOwner(within(cluster, 'postgres').ownerUrl, async (owner) => {
    await owner.query(`drop database if exists ${name} with (force)`)
    await owner.query(`create database ${name}`)
  })
  const reached = within(cluster, name)
  await asOwner(reached.ownerUrl, (owner) => owner.query(readFileSync(`${dumps}${file}`, 'utf8')))
  return reached
}

describe('an update', () => {
  it.each(readdirSync(dumps).filter((f) => f.endsWith('.sql')))(
    'brings a database of %s up to date: all whole, and people sign in as before',
    async (file) => {
      const { ownerUrl, appUrl } = await asItWas(file)
      await migrate(ownerUrl)
      const app = await buildApp({ databaseUrl: appUrl, webRoot: null, tls: null, logLevel: 'silent' })
      const pool = openPool(appUrl, () => {})
      try {
        await app.ready()
        const report = await verifySite(pool, 'harbour-cafe')
        expect(report.faults).toEqual([])
        expect(report.records).toBeGreaterThanOrEqual(12)
        const payload = { login: 'ada', password: 'kettle and rope', device: 'tab-1' }
        const answer = await app.inject({ method: 'POST', url: '/api/session/password', payload })
        expect(answer.json()).toMatchObject({
          site: 'harbour-cafe',
          people: [{ id: 'ada', role: 'manager' }],
        })
        const cookie = answer.cookies.map((c) => `${c.name}=${c.value}`).join('; ')
        const state = await app.inject({
          method: 'GET',
          url: '/api/sites/harbour-cafe/state',
          headers: { cookie },
        })
        const { states } = state.json<{ states: { kind: string; id: string; state: object }[] }>()
        expect(states.find((s) => s.id === 'run-1')?.state).toMatchObject({ status: 'parked' })
      } finally {
        await pool.end()
        await app.close()
      }
    },
  )
})
