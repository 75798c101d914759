import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { makeCertificate } from '../../launcher/authority.ts'
import { buildApp } from '../app/app.ts'
import { instruments, site, siteId } from '../demo/house.ts'
import { products, stations } from '../demo/products.ts'
import { draft, onTablet, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer(1)
})
afterAll(() => server.close())

const send = async (cookie: string, drafts: unknown[]) => {
  const answer = await server.app.inject({
    method: 'POST',
    url: `/api/sites/${siteId}/records`,
    headers: { cookie },
    payload: { sentAt: server.clock.now, drafts },
  })
  return answer
    .json<{ outcomes: { outcome: string; code?: string }[] }>()
    .outcomes.map((o) => (o.outcome === 'held' ? `held: ${o.code}` : (o.code ?? o.outcome)))
}

describe('each role, by its records', () => {
  const set = (by: string) => {
    const at = server.clock.now
    const of = (kind: string, id: string) => ({ by, subject: { kind, id } })
    return [
      draft(at, 'run.parked@1', { run: 'r', station: 'galley-bucket' }, { by }),
      draft(at, 'case.closed@1', { case: 'c', station: null, reason: 'because' }, of('case', 'c')),
      draft(at, 'site.set@1', site, of('site', siteId)),
      draft(at, 'station.set@1', stations['galley-bucket'] as object, of('station', 'galley-bucket')),
      draft(at, 'product.set@1', products['kelpwash'] as object, of('product', 'kelpwash')),
      draft(at, 'instrument.set@1', instruments(at)['beaker-50'] as object, of('instrument', 'beaker-50')),
    ]
  }
  const yes = 'accepted'
  const no = 'not_allowed'
  it.each([
    ['bao', [yes, no, no, no, no, no]],
    ['ines', [yes, yes, no, no, no, no]],
    ['oriel', [yes, yes, yes, yes, yes, yes]],
  ])('%s', async (person, expected) => {
    expect(await send(await signIn(server.app, person), set(person))).toEqual(expected)
  })
  it('a site with a zone that is none, or a label upside down, is refused', async () => {
    const cookie = await signIn(server.app, 'oriel')
    const at = server.clock.now
    const bad = (payload: object) =>
      draft(at, 'site.set@1', payload, { by: 'oriel', subject: { kind: 'site', id: siteId } })
    expect(
      await send(cookie, [
        bad({ ...site, timeZone: 'Europe/Nowhere' }),
        bad({ ...site, hours: { '8': { open: '05:00', close: '06:00' } } }),
        bad({ ...site, freshHours: -1 }),
      ]),
    ).toEqual(['body_malformed', 'body_malformed', 'body_malformed'])
  })
})

describe('drafts over time', () => {
  it('made before their person signed out arrive after; made later they do not', async () => {
    const cookie = await signIn(server.app, 'dara', 'wen')
    const signedOutAt = server.clock.now + 600_000
    server.clock.now = signedOutAt
    await server.app.inject({ method: 'DELETE', url: '/api/session/people/dara', headers: { cookie } })
    server.clock.now = signedOutAt + 3_600_000
    const at = (when: number) =>
      draft(when, 'run.parked@1', { run: 'r', station: 'galley-bucket' }, { by: 'dara' })
    expect(await send(cookie, [at(signedOutAt - 60_000), at(signedOutAt + 1_800_000)])).toEqual([
      'accepted',
      'held: not_on_this_tablet',
    ])
  })
  it('of a session that has ended, without a pass, are not taken at all', async () => {
    const cookie = await signIn(server.app, 'bao')
    await server.owner.query("update session set expires_at = now() - interval '1 minute'")
    const answer = await server.app.inject({
      method: 'GET',
      url: `/api/sites/${siteId}/state`,
      headers: { cookie },
    })
    expect([answer.statusCode, answer.json<{ code: string }>().code]).toEqual([401, 'not_signed_in'])
  })
})

describe('the headers', () => {
  it('let the page load nothing from elsewhere, and nobody frame it', async () => {
    const { headers } = await server.app.inject({ method: 'GET', url: '/api/health' })
    const policy = String(headers['content-security-policy'])
    expect(policy).toContain("default-src 'self'")
    expect(policy).toContain("frame-ancestors 'none'")
    expect(policy).toContain("object-src 'none'")
    expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval';")
    expect(policy).not.toContain('https:')
    expect(headers['x-content-type-options']).toBe('nosniff')
    expect(headers['strict-transport-security']).toBeUndefined()
  })
  it('over TLS ask for TLS from then on, and mark the cookie secure', async () => {
    const { key, chain: cert } = await makeCertificate('localhost', Date.now())
    const app = await buildApp({
      databaseUrl: server.appUrl,
      webRoot: null,
      tls: { key, cert },
      logLevel: 'silent',
    })
    await app.ready()
    const answer = await app.inject({
      method: 'POST',
      url: '/api/session/pin',
      headers: { cookie: onTablet },
      payload: { site: siteId, person: 'bao', pin: '2468', device: 'd' },
    })
    expect(answer.headers['strict-transport-security']).toContain('max-age')
    expect(answer.cookies[0]).toMatchObject({ secure: true, httpOnly: true, path: '/' })
    await app.close()
  })
})

describe('words that would be SQL', () => {
  const words = ["' or 1=1 --", "'; drop table record; --", "x') union select 1 --", '\\\\x27', '%_', '$1']
  it.each(words)('%s lets nobody in and breaks nothing', async (word) => {
    const cookie = await signIn(server.app, 'bao')
    // Wrong passwords before it make this one wait.
    server.clock.now += 30_000
    const login = await server.app.inject({
      method: 'POST',
      url: '/api/session/password',
      payload: { login: word, password: word, device: 'd' },
    })
    expect(login.json()).toMatchObject({ code: 'wrong_password' })
    const types = encodeURIComponent(word)
    const log = await server.app.inject({
      method: 'GET',
      url: `/api/sites/${siteId}/log?types=${types}`,
      headers: { cookie },
    })
    expect(log.json()).toEqual({ records: [], cases: [], runs: [] })
    const reason = draft(server.clock.now, 'run.abandoned@1', {
      run: 'r',
      station: 'galley-bucket',
      reason: word,
    })
    expect(await send(cookie, [reason])).toEqual(['accepted'])
    const kept = await server.owner.query<{ reason: string }>(
      "select body #>> '{payload,reason}' as reason from record where id = $1",
      [reason.id],
    )
    expect(kept.rows[0]?.reason).toBe(word)
  })
})
