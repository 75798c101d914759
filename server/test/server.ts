import { randomUUID } from 'node:crypto'
import type { AnyDraft, RecordType } from '@tadka/core/stream'
import type { FastifyInstance } from 'fastify'
import pg from 'pg'
import { v7 } from 'uuid'
import { dropDatabase, makeLike, type Like } from '../../launcher/like.ts'
import { buildApp } from '../app/app.ts'
import { people, siteId } from '../demo/house.ts'
import { loadDemo } from '../demo/load.ts'
import { tokenHash } from '../people/secrets.ts'
import { openPool, type Pool } from '../db/pool.ts'
import { stateOf } from '../stream/queries.ts'

export interface TestDatabase {
  readonly ownerUrl: string
  readonly appUrl: string
  readonly owner: pg.Client
  readonly drop: () => Promise<void>
}

const url = (whose: 'OWNER' | 'APP'): string => process.env[`TADKA_TEST_${whose}_URL`] ?? ''

/** A database of its own on the test cluster: with the schema alone, or like one that was filled before. */
export async function testDatabase(
  like: Like = { name: 'like_empty', fill: () => Promise.resolve() },
): Promise<TestDatabase> {
  const cluster = { ownerUrl: url('OWNER'), appUrl: url('APP') }
  const name = `t_${randomUUID().replaceAll('-', '')}`
  const reached = await makeLike(cluster, name, like)
  const owner = new pg.Client({ connectionString: reached.ownerUrl })
  await owner.connect()
  return {
    ...reached,
    owner,
    drop: async () => {
      await owner.end()
      await dropDatabase(cluster, name)
    },
  }
}

export interface TestServer extends TestDatabase {
  readonly pool: Pool
  readonly app: FastifyInstance
  readonly clock: { now: number }
  readonly close: () => Promise<void>
}

const evening = Date.parse('2026-11-26T21:30:00Z')

/** The demo with so many days of records: made once, then copied. */
export const demoLike = (days: number, from = evening): Like => ({
  name: `like_demo_${days}_${from}`,
  fill: (ownerUrl, appUrl) => loadDemo(ownerUrl, appUrl, from, days),
})

/** The server over a demo database, with a clock that the test moves. */
export async function testServer(days = 2, from = evening): Promise<TestServer> {
  const database = await testDatabase(demoLike(days, from))
  await enrolTestTablet(database.owner)
  const pool = openPool(database.appUrl, () => {})
  const clock = { now: from }
  const app = await buildApp({
    databaseUrl: database.appUrl,
    webRoot: null,
    tls: null,
    now: () => clock.now,
    logLevel: 'silent',
  })
  await app.ready()
  return {
    ...database,
    pool,
    app,
    clock,
    close: async () => {
      await pool.end()
      await app.close()
      await database.drop()
    },
  }
}

/** The same, with an address that devices reach it at. */
export async function listeningServer(days = 1): Promise<{ server: TestServer; url: string }> {
  const server = await testServer(days)
  return { server, url: await server.app.listen({ host: '127.0.0.1', port: 0 }) }
}

/** Makes a tablet of the demo's site; returns the cookie that it holds. */
export async function enrolTestTablet(owner: pg.Client, id = 'tablet-1'): Promise<string> {
  const sql = `
    insert into tablet (site_id, id, name, token_hash, enrolled_at) values ($1, $2, $3, $4, 0)`
  await owner.query(sql, [siteId, id, `Tablet ${id}`, tokenHash(`held by ${id}`)])
  return `tadka_tablet=${encodeURIComponent(`held by ${id}`)}`
}
/** The cookie of the tablet that every test server has. */
export const onTablet = `tadka_tablet=${encodeURIComponent('held by tablet-1')}`

/** Signs people in on one tablet and returns its cookie. */
export async function signIn(app: FastifyInstance, ...ids: string[]): Promise<string> {
  let cookie = ''
  for (const id of ids) {
    const pin = people.find((p) => p.id === id)?.pin
    const answer = await app.inject({
      method: 'POST',
      url: '/api/session/pin',
      headers: { cookie: `${onTablet}; ${cookie}` },
      payload: { site: siteId, person: id, pin, device: 'tablet-1' },
    })
    if (answer.statusCode !== 200) throw new Error(answer.body)
    const set = answer.cookies.find((c) => c.name === 'tadka_session')
    if (set) cookie = `tadka_session=${set.value}`
  }
  return cookie
}

/** Opens a link for an inspector that shows a week; returns the cookie of who opened it. @param by the cookie of a lead. */
export async function inspect(server: TestServer, by: string, more: object = {}): Promise<string> {
  const made = await ask(server, by, 'POST', '/inspections', { name: 'Quill', days: 7, hours: 2, ...more })
  const token = (made.json() as { path: string }).path.split('#')[1]
  const opened = await server.app.inject({
    method: 'POST',
    url: '/api/inspect',
    payload: { token, device: 'inspectors-own' },
  })
  return `tadka_session=${opened.cookies.find((c) => c.name === 'tadka_session')?.value}`
}

/** Asks the demo site's API as those signed in by a cookie. */
export const ask = (
  { app }: TestServer,
  cookie: string,
  method: 'GET' | 'POST' | 'DELETE',
  path: string,
  payload?: object,
) =>
  app.inject({
    method,
    url: `/api/sites/${siteId}${path}`,
    headers: { cookie },
    ...(payload ? { payload } : {}),
  })

/** Enters a dish machine like the demo's by a name of its own, with a probe; returns what the probe signs in with. */
export async function newDishMachine(server: TestServer, station: string, probe: string): Promise<string> {
  const cookie = await signIn(server.app, 'oriel')
  const { plate } = (await stateOf(server.pool, siteId, 'station', 'galley-dish'))?.state as { plate: object }
  const set = draft(server.clock.now, 'station.set@1', plate, {
    by: 'oriel',
    subject: { kind: 'station', id: station },
  })
  await ask(server, cookie, 'POST', '/records', { sentAt: server.clock.now, drafts: [set] })
  const made = await ask(server, cookie, 'POST', '/devices', { id: probe, name: 'Probe', station })
  if (made.statusCode !== 200) throw new Error(made.body)
  return (made.json() as { authorization: string }).authorization
}

let counter = 0
/** A draft as a tablet makes it. */
export function draft(at: number, type: RecordType, payload: object, change: object = {}): AnyDraft {
  counter += 1
  const run = (payload as { run?: string }).run ?? 'run-1'
  const subject = { kind: 'run', id: run }
  return {
    id: v7(),
    site: siteId,
    type,
    subject,
    observedAt: at,
    device: 'tablet-1',
    counter,
    by: 'bao',
    payload,
    ...change,
  } as unknown as AnyDraft
}

export const started = (at: number, run: string, change: object = {}) =>
  draft(
    at,
    'run.started@1',
    {
      run,
      station: 'espresso-bucket',
      procedure: { id: 'bucket.fill', version: 1 },
      parameters: { bucket: 4000, bucketHolds: 6000 },
    },
    change,
  )
