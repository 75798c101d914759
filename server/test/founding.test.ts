import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { buildApp } from '../app/app.ts'
import { openPool } from '../db/pool.ts'
import { makeSetupCode } from '../house/setup-code.ts'
import { verifySite } from '../record/verify/verify.ts'
import { testDatabase, type TestDatabase } from './server.ts'

const now = Date.parse('2026-11-26T20:00:00Z')
const body = (code: string, change: object = {}) => ({
  code,
  site: {
    name: 'Harbour Café',
    timeZone: 'America/New_York',
    country: 'US',
    hours: { 1: { open: '06:00', close: '24:30' } },
    closedDays: [],
    sailings: [],
    units: 'us',
    freshHours: 4,
    emergencyNumber: '911',
  },
  manager: { name: 'Ada', login: 'ada', password: 'kettle and rope', pin: '5274' },
  device: 'tab-1',
  tablet: 'Office',
  ...change,
})

describe('a site out of an empty database', () => {
  let database: TestDatabase
  let app: Awaited<ReturnType<typeof buildApp>>
  let clock = now
  beforeAll(async () => {
    database = await testDatabase()
    app = await buildApp({
      databaseUrl: database.appUrl,
      webRoot: null,
      tls: null,
      now: () => clock,
      logLevel: 'silent',
    })
    await app.ready()
  })
  afterAll(async () => {
    await app.close()
    await database.drop()
  })
  const found = (payload: object) => app.inject({ method: 'POST', url: '/api/found', payload })
  const door = async (cookie = '') =>
    (await app.inject({ method: 'GET', url: '/api/front-door', headers: { cookie } })).json()

  it('has no site, and founds none with a wrong code, with one that ended, or with what cannot be', async () => {
    expect((await door()).hasSite).toBe(false)
    const code = (await makeSetupCode(database.ownerUrl, clock)) ?? ''
    expect((await found(body('00000000'))).json().code).toBe('wrong_code')
    const easy = { manager: { name: 'Ada', login: 'ada', password: 'kettle and rope', pin: '0000' } }
    for (const change of [easy, { manager: { ...easy.manager, pin: '5274', password: 'short' } }])
      expect((await found(body(code, change))).json().code).toBe('body_malformed')
    clock += 3_600_001
    expect((await found(body(code))).json().code).toBe('wrong_code')
    expect((await door()).hasSite).toBe(false)
  })

  it('is founded with the newest code; its founder is signed in there, on its first tablet; all is on record, and whole', async () => {
    const first = (await makeSetupCode(database.ownerUrl, clock)) ?? ''
    const code = (await makeSetupCode(database.ownerUrl, clock)) ?? ''
    expect((await found(body(first))).json().code).toBe('wrong_code')
    const answer = await found(body(code))
    expect(answer.json()).toMatchObject({
      site: 'harbour-cafe',
      people: [{ id: 'ada', name: 'Ada', role: 'manager' }],
    })
    const cookie = answer.cookies.map((c) => `${c.name}=${c.value}`).join('; ')
    expect(await door(cookie)).toMatchObject({
      hasSite: true,
      tablet: { id: 'tab-1', name: 'Office' },
      people: [{ name: 'Ada' }],
    })
    const log = await app.inject({
      method: 'GET',
      url: '/api/sites/harbour-cafe/log.json',
      headers: { cookie },
    })
    const types = (log.json() as { records: { type: string }[] }).records.map((r) => r.type)
    expect(types.toSorted()).toEqual([
      'person.secret@1',
      'person.secret@1',
      'person.set@1',
      'site.set@1',
      'tablet.set@1',
    ])
    const pool = openPool(database.appUrl, () => {})
    expect(await verifySite(pool, 'harbour-cafe')).toMatchObject({ sound: true, records: 5 })
    await pool.end()
    const pin = { site: 'harbour-cafe', person: 'ada', pin: '5274', device: 'tab-1' }
    const byPin = await app.inject({
      method: 'POST',
      url: '/api/session/pin',
      headers: { cookie },
      payload: pin,
    })
    expect(byPin.statusCode).toBe(200)
  })

  it('is the only one: no second is founded, no further code told', async () => {
    expect(await makeSetupCode(database.ownerUrl, clock)).toBeNull()
    await database.owner.query('insert into setup_code values ($1, $2)', ['0'.repeat(64), clock + 1e6])
    expect((await found(body('12345678'))).json().code).toBe('wrong_code')
  })

  it('the application’s role founds none by itself, and makes nobody without a record', async () => {
    const pool = openPool(database.appUrl, () => {})
    for (const sql of [
      "insert into site (id, name) values ('x', 'X')",
      "insert into person (site_id, id, name, role) values ('harbour-cafe', 'x', 'X', 'manager')",
      "update person set role = 'manager'",
      'delete from person',
      'select * from setup_code',
      'select hash from staged_secret',
      'select remove_unfinished_sites()',
    ])
      await expect(pool.query(sql)).rejects.toThrow(/permission denied/)
    await pool.end()
  })
})
