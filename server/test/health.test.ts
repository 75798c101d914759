import type { FastifyInstance } from 'fastify'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { buildApp } from '../app/app.ts'
import { headOf } from '../stream/heads.ts'
import { siteId } from '../demo/house.ts'
import { ask, onTablet, signIn, started, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookie: string
beforeAll(async () => {
  server = await testServer(1)
  cookie = await signIn(server.app, 'bao')
})
afterAll(() => server.close())

const asked = (url: string, remoteAddress = '127.0.0.1') =>
  server.app.inject({ method: 'GET', url, remoteAddress })
/** As the database refuses whatever is written to these tables, by an SQLSTATE. */
async function whileRefused(state: string, work: () => Promise<void>): Promise<void> {
  await server.owner.query(`
    create function refuse() returns trigger language plpgsql as $$
    begin raise exception 'refused' using errcode = '${state}'; end $$;
    create trigger refused before insert on record execute function refuse();
    create trigger refused before insert on probe execute function refuse();`)
  try {
    await work()
  } finally {
    await server.owner.query('drop function refuse cascade')
  }
}

describe('a server that cannot save', () => {
  it.each([
    ['53100', 'disk_full', 'is full. Make room there.'],
    ['25006', 'disk_read_only', 'may not write to its disk.'],
  ])('says so in a sentence, keeps nothing, and goes on when it can (%s)', async (state, code, words) => {
    const before = await headOf(server.pool, siteId)
    const draft = started(server.clock.now, `kept-${state}`)
    const send = () => ask(server, cookie, 'POST', '/records', { sentAt: server.clock.now, drafts: [draft] })
    await whileRefused(state, async () => {
      const answers = [await send(), await asked('/api/ready')]
      for (const answer of answers) {
        expect(answer.statusCode).toBe(503)
        expect(answer.json()).toMatchObject({ code, message: expect.stringContaining(words) as string })
      }
      expect((await asked('/api/health')).statusCode).toBe(200)
      expect(await headOf(server.pool, siteId)).toEqual(before)
    })
    expect((await asked('/api/ready')).json()).toEqual({ ready: true })
    expect((await send()).json()).toMatchObject({ outcomes: [{ outcome: 'accepted' }] })
  })
})

describe('what the server counts', () => {
  it('is told in the text format of Prometheus, to this computer alone, and names nobody', async () => {
    const drafts = [
      started(server.clock.now, 'counted'),
      { ...started(server.clock.now, 'bad'), counter: -1 },
    ]
    await ask(server, cookie, 'POST', '/records', { sentAt: server.clock.now, drafts })
    const answer = await asked('/api/metrics')
    expect(answer.headers['content-type']).toContain('text/plain')
    for (const line of [
      /^tadka_drafts_total\{outcome="accepted"\} [1-9]/m,
      /^tadka_drafts_total\{outcome="refused"\} 1$/m,
      /^tadka_event_streams 0$/m,
      /^tadka_http_answer_seconds_count\{method="POST",route="\/api\/sites\/:site\/records",status="200"\} [1-9]/m,
      /^tadka_process_resident_memory_bytes [1-9]/m,
    ])
      expect(answer.body).toMatch(line)
    for (const name of [siteId, 'bao', 'Bao']) expect(answer.body).not.toContain(name)
    for (const elsewhere of ['192.0.2.7', '::ffff:192.0.2.7'])
      expect((await asked('/api/metrics', elsewhere)).json()).toMatchObject({ code: 'not_allowed' })
  })
})

describe('the server’s log', () => {
  it('holds no PIN, password, key, token or cookie, whatever is asked', async () => {
    const lines: string[] = []
    const app: FastifyInstance = await buildApp({
      databaseUrl: server.appUrl,
      webRoot: null,
      tls: null,
      now: () => server.clock.now,
      logLevel: 'trace',
      logTo: { write: (line) => void lines.push(line) },
    })
    try {
      const body = { person: 'bao', site: siteId, device: 'tablet-1' }
      const post = (url: string, payload: object, headers = {}) =>
        app.inject({ method: 'POST', url, payload, headers: { cookie: onTablet, ...headers } })
      await post('/api/session/pin', { ...body, pin: '97531' })
      await post('/api/session/password', { login: 'oriel', password: 'a secret word', device: 'tablet-1' })
      await post('/api/tablets/enrol', { code: '86420864', device: 'tab-x', name: 'x' })
      await post('/api/devices/events', {}, { authorization: `Device ${siteId}/panel/verysecrettoken` })
      await app.inject({ method: 'GET', url: `/api/calendar/${siteId}/bao/keyofacalendarthatissecret.ics` })
      // What goes wrong is told whole, and still without them.
      await server.owner.query('alter table session rename to session_gone')
      await post('/api/session/pin', { ...body, pin: '2468' }, { cookie: `${onTablet}; ${cookie}` })
      await server.owner.query('alter table session_gone rename to session')
    } finally {
      await app.close()
    }
    expect(lines.length).toBeGreaterThan(6)
    const said = lines.join('')
    expect(said).toContain('/api/calendar/:site/:person/:key.ics')
    const secrets = [
      '97531',
      '2468',
      'a secret word',
      '86420864',
      'verysecrettoken',
      'keyofacalendar',
      'held by tablet',
    ]
    for (const secret of [...secrets, decodeURIComponent(onTablet), onTablet, cookie.split('=')[1] ?? '?'])
      expect(said).not.toContain(secret)
  })
})
