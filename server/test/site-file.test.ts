import type { SiteFile } from '@tadka/core/house'
import { isEasyPin } from '@tadka/core/people'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { buildApp } from '../app/app.ts'
import { siteId } from '../demo/house.ts'
import { foundSite } from '../house/found.ts'
import { makeSetupCode } from '../house/setup-code.ts'
import { verifySite } from '../record/verify/verify.ts'
import { SiteQueue } from '../stream/queue.ts'
import { openPool } from '../db/pool.ts'
import { ask, signIn, testDatabase, testServer, type TestServer } from './server.ts'

let server: TestServer
let manager = ''
beforeAll(async () => {
  server = await testServer(1)
  manager = await signIn(server.app, 'oriel')
})
afterAll(() => server.close())

const take = (file: object, isTried = false) =>
  ask(server, manager, 'POST', '/set-up', { file: { format: 'tadka-site@1', ...file }, try: isTried })
const count = async () =>
  Number((await server.owner.query('select count(*) from record where site_id = $1', [siteId])).rows[0].count)
const station = (id: string, tag: string) => ({
  id,
  name: `Brewer ${tag}`,
  tag,
  place: 'Deck',
  family: 'ice-machine.cuber',
  model: 'typical',
  parameters: {},
  duties: [],
})
const two = {
  stations: [station('deck-1', '91'), station('deck-2', '92')],
  people: [
    { name: 'Sorrel', role: 'crew', cleans: 'everything' },
    { name: 'Bao', role: 'lead' },
  ],
}

describe('the set-up of a site from a file', () => {
  it('is told before it is taken, and nothing is done', async () => {
    const before = await count()
    const answer = await take(two, true)
    expect(answer.json()).toMatchObject({
      site: false,
      stations: { added: 2, changed: 0, same: 0 },
      people: { added: 1, changed: 0, same: 1 },
      pins: [],
    })
    expect(await count()).toBe(before)
  })
  it('is taken whole, gives who is new a PIN to change, and twice is once', async () => {
    const before = await count()
    const first = (await take(two)).json() as { pins: { id: string; pin: string }[] }
    expect(first.pins).toEqual([{ id: 'sorrel', name: 'Sorrel', pin: expect.stringMatching(/^\d{4}$/) }])
    expect(isEasyPin(first.pins[0]?.pin ?? '')).toBe(false)
    const after = await count()
    expect(after - before).toBe(2 + 3)
    const crew = await ask(server, manager, 'GET', '/subjects/crew/sorrel')
    const { state } = crew.json() as { state: { signedOff: string[]; serves: string[] } }
    expect(state.signedOff).toContain('ice-machine.cuber')
    // The site's own counters, though the file names none.
    expect(state.serves).toEqual(['espresso', 'kiosk', 'galley'])
    const again = await take(two)
    expect(again.json()).toMatchObject({
      stations: { added: 0, changed: 0, same: 2 },
      people: { added: 0, changed: 0, same: 2 },
      pins: [],
    })
    expect(await count()).toBe(after)
  })
  it('with one wrong entry is refused whole, and says where', async () => {
    const before = await count()
    const answer = await take({ stations: [station('deck-3', '93'), station('deck-4', '91')] })
    expect(answer.statusCode).toBe(400)
    expect(answer.json()).toMatchObject({
      code: 'site_file_wrong',
      details: { faults: [{ path: ['stations', 1, 'tag'], why: 'tag-taken', what: '91' }] },
    })
    expect(await count()).toBe(before)
  })
  it('with a procedure that is not safe is refused whole', async () => {
    const before = await count()
    const procedures = [{ format: 'tadka-procedure@1', id: 'own.x', version: 1, name: 'x', nodes: [] }]
    const answer = await take({ stations: [station('deck-5', '95')], procedures })
    expect(answer.json()).toMatchObject({
      code: 'site_file_wrong',
      details: { faults: [{ path: ['procedures', 0], why: 'procedure' }] },
    })
    // It is told before it would be taken, too.
    expect((await take({ procedures }, true)).json()).toMatchObject({ code: 'site_file_wrong' })
    expect(await count()).toBe(before)
  })
  it('that makes somebody a manager is none: they are entered by hand', async () => {
    const answer = await take({ people: [{ name: 'Uma', role: 'manager' }] })
    expect((answer.json() as { code: string }).code).toBe('body_malformed')
  })
  it('goes from one site to the next, with dates asked anew and nobody of its people', async () => {
    const file = (await ask(server, manager, 'GET', '/set-up')).json() as SiteFile
    expect(file.people).toBeUndefined()
    expect(file.site).not.toHaveProperty('name')
    expect(file.instruments?.filter((i) => 'bestBefore' in i && i.bestBefore !== 0)).toEqual([])
    const database = await testDatabase()
    const pool = openPool(database.appUrl, () => {})
    const now = Date.parse('2026-11-26T20:00:00Z')
    const code = (await makeSetupCode(database.ownerUrl, now)) ?? ''
    const found = { name: 'Pier', timeZone: 'Europe/Dublin', hours: {}, closedDays: [], sailings: [] }
    await foundSite(
      { pool, queue: new SiteQueue() },
      {
        id: 'pier',
        set: { ...found, units: 'metric', freshHours: 4, emergencyNumber: '112' },
        manager: { id: 'ada', name: 'Ada', login: 'ada', password: 'kettle and rope', pin: '5274' },
        code,
        device: 'server',
        at: now,
      },
    )
    const app = await buildApp({
      databaseUrl: database.appUrl,
      webRoot: null,
      tls: null,
      now: () => now,
      logLevel: 'silent',
    })
    const signed = await app.inject({
      method: 'POST',
      url: '/api/session/password',
      payload: { login: 'ada', password: 'kettle and rope', device: 'd' },
    })
    const cookie = `tadka_session=${signed.cookies.find((c) => c.name === 'tadka_session')?.value}`
    const post = () =>
      app.inject({
        method: 'POST',
        url: '/api/sites/pier/set-up',
        headers: { cookie },
        payload: { file, try: false },
      })
    const stations = file.stations?.length ?? 0
    expect(stations).toBeGreaterThan(10)
    expect((await post()).json()).toMatchObject({
      site: true,
      stations: { added: stations, changed: 0, same: 0 },
    })
    expect((await post()).json()).toMatchObject({ site: false, stations: { added: 0, same: stations } })
    expect(await verifySite(pool, 'pier')).toMatchObject({ sound: true })
    await pool.end()
    await app.close()
    await database.drop()
  })
})
