import type { Refusal } from '@tadka/core/refusal'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { Pins } from '../people/pins.ts'
import { enrolTestTablet, onTablet, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer(1)
})
afterAll(() => server.close())

const post = (url: string, payload: object | string, headers: Record<string, string> = {}) =>
  server.app.inject({
    method: 'POST',
    url,
    payload,
    headers: { 'content-type': 'application/json', ...headers },
  })
const pin = (person: string, value: string, cookie = onTablet) =>
  post('/api/session/pin', { site: siteId, person, pin: value, device: 't' }, { cookie })
const password = (login: string, value: string, cookie = '') =>
  post('/api/session/password', { login, password: value, device: 't' }, { cookie })
/** Long enough that nobody waits for a try. */
const pause = () => (server.clock.now += 31_000)

describe('sign-in', () => {
  it('by name and PIN gives a session that scripts cannot read', async () => {
    const answer = await pin('bao', '2468')
    expect(answer.json()).toMatchObject({ site: siteId, people: [{ id: 'bao', role: 'crew' }] })
    expect(answer.cookies[0]).toMatchObject({ httpOnly: true, sameSite: 'Strict' })
  })
  it('of a manager goes by password too, on a tablet and from elsewhere', async () => {
    for (const cookie of [onTablet, ''])
      expect((await password('oriel', 'night ferry 2110', cookie)).json()).toMatchObject({
        people: [{ id: 'oriel', role: 'manager' }],
      })
    const bad = await password('oriel', 'no')
    expect([bad.statusCode, bad.json<{ code: string }>().code]).toEqual([401, 'wrong_password'])
  })
  it('an unknown name is refused like a wrong PIN', async () => {
    expect((await pin('nobody', '1234')).json()).toMatchObject({ code: 'wrong_pin' })
  })
  it('wrong PINs make the name wait, and after ten its PIN is locked on that tablet alone', async () => {
    for (const left of [9, 8, 7, 6, 5])
      expect((await pin('wen', '0000')).json()).toMatchObject({
        code: 'wrong_pin',
        details: { triesLeft: left },
      })
    expect((await pin('wen', '8642')).json()).toMatchObject({ code: 'too_often', details: { seconds: 2 } })
    for (let i = 0; i < 4; i++) {
      pause()
      expect((await pin('wen', '0000')).json()).toMatchObject({ code: 'wrong_pin' })
    }
    pause()
    expect((await pin('wen', '0000')).json()).toMatchObject({ code: 'pin_locked' })
    pause()
    expect((await pin('wen', '8642')).json()).toMatchObject({ code: 'pin_locked' })
    const another = await enrolTestTablet(server.owner, 'bar-tablet')
    expect((await pin('wen', '8642', another)).statusCode).toBe(200)
  })
  it('a locked PIN is unlocked by somebody above, and by nobody else', async () => {
    const unlock = async (by: string, person: string) =>
      (
        await post(
          `/api/sites/${siteId}/people/${person}/unlock`,
          {},
          { cookie: await signIn(server.app, by) },
        )
      ).statusCode
    expect(await unlock('bao', 'wen')).toBe(403)
    expect(await unlock('ines', 'wen')).toBe(200)
    expect((await pin('wen', '8642')).statusCode).toBe(200)
    expect(await unlock('ines', 'oriel')).toBe(403)
    expect(await unlock('ines', 'ines')).toBe(403)
    expect(await unlock('oriel', 'ines')).toBe(200)
    expect(await unlock('oriel', 'oriel')).toBe(403)
  })
  it('of twenty wrong PINs at once no more than five are tried', async () => {
    const answers = await Promise.all(Array.from({ length: 20 }, (_, i) => pin('tomas', String(1000 + i))))
    const codes = answers.map((a) => a.json<{ code?: string }>().code)
    expect(codes.filter((c) => c === 'wrong_pin').length).toBe(5)
    expect(codes.filter((c) => c === 'too_often').length).toBe(15)
    const { rows } = await server.owner.query<{ wrong: number }>(
      `select wrong from pin_try where person_id = 'tomas'`,
    )
    expect(rows).toEqual([{ wrong: 5 }])
  })
  it('two processes that each let tries through do not let more through than ten', async () => {
    const on = { site_id: siteId, id: 'tablet-1' }
    const server2 = Array.from({ length: 4 }, () => new Pins(server.pool, () => server.clock.now))
    await server.owner.query(`delete from pin_try`)
    const answers = await Promise.allSettled(
      server2.flatMap((pins) => Array.from({ length: 5 }, () => pins.check(on, 'tomas', '0000'))),
    )
    const codes = answers.map((a) => (a.status === 'rejected' ? (a.reason as Refusal).code : 'in'))
    expect(codes.filter((c) => c === 'wrong_pin').length).toBe(9)
    expect(codes.filter((c) => c === 'pin_locked').length).toBe(11)
    await server.owner.query(`delete from pin_try`)
  })
  it('wrong passwords make their sender wait and lock nobody; a locked PIN leaves the password', async () => {
    await server.owner.query(
      `insert into pin_try values ($1, 'tablet-1', 'oriel', 10) on conflict do nothing`,
      [siteId],
    )
    pause()
    expect((await password('oriel', 'night ferry 2110')).statusCode).toBe(200)
    for (let i = 0; i < 3; i++)
      expect((await password('oriel', 'no')).json()).toMatchObject({ code: 'wrong_password' })
    expect((await password('oriel', 'night ferry 2110')).json()).toMatchObject({
      code: 'too_often',
      details: { seconds: 2 },
    })
    server.clock.now += 2000
    expect((await password('oriel', 'night ferry 2110')).statusCode).toBe(200)
    await server.owner.query(`delete from pin_try`)
  })
  it('is told to wait when tried too often', async () => {
    const codes: number[] = []
    for (let i = 0; i < 22; i++) codes.push((await pin('nobody-else', '1234')).statusCode)
    expect(codes.at(-1)).toBe(429)
  })
  it('keeps PINs only as argon2id hashes', async () => {
    const rows = await server.owner.query<{ pin_hash: string }>('select pin_hash from person')
    for (const r of rows.rows) expect(r.pin_hash).toMatch(/^\$argon2id\$/)
  })
})

describe('who acts on a tablet', () => {
  it('is the person named, and must be signed in there', async () => {
    const cookie = await signIn(server.app, 'bao', 'ines')
    const read = (acting: string) =>
      server.app.inject({
        method: 'GET',
        url: `/api/sites/${siteId}/state`,
        headers: { cookie, 'tadka-acting': acting },
      })
    expect((await read('bao')).statusCode).toBe(200)
    expect((await read('dara')).json()).toMatchObject({ code: 'not_signed_in' })
  })
  it('once signed out may no longer act', async () => {
    const cookie = await signIn(server.app, 'dara')
    await server.app.inject({ method: 'DELETE', url: '/api/session/people/dara', headers: { cookie } })
    const answer = await server.app.inject({
      method: 'GET',
      url: `/api/sites/${siteId}/state`,
      headers: { cookie },
    })
    expect(answer.json()).toMatchObject({ code: 'not_signed_in' })
  })
})

describe('signing the day', () => {
  const sign = (cookie: string, person: string, value: string, reason = '') =>
    post(
      `/api/sites/${siteId}/sign`,
      { person, pin: value, day: '2026-11-26', reason },
      { cookie, 'tadka-acting': person },
    )
  it('takes a lead’s own PIN', async () => {
    const cookie = await signIn(server.app, 'bao', 'ines')
    expect((await sign(cookie, 'bao', '2468')).json()).toMatchObject({ code: 'not_allowed' })
    expect((await sign(cookie, 'ines', '0000')).json()).toMatchObject({ code: 'wrong_pin' })
    expect((await sign(cookie, 'ines', '4711')).json()).toMatchObject({ outcome: { outcome: 'accepted' } })
  })
})

describe('bad requests get the one error shape and change nothing', () => {
  const shape = { code: expect.any(String), message: expect.any(String), details: expect.any(Object) }
  it.each([
    ['malformed JSON', 400, 'body_malformed', () => post('/api/session/pin', '{"site":')],
    [
      'a field too many',
      400,
      'body_malformed',
      () => post('/api/session/pin', { site: siteId, person: 'bao', pin: '2468', device: 't', admin: true }),
    ],
    [
      'a 5 MB body',
      413,
      'body_too_large',
      () => post('/api/session/pin', JSON.stringify({ pin: 'x'.repeat(5e6) })),
    ],
    [
      'no session',
      401,
      'not_signed_in',
      () => post(`/api/sites/${siteId}/records`, { sentAt: 1, drafts: [{}] }),
    ],
    [
      'another site',
      403,
      'wrong_site',
      async () =>
        post(
          '/api/sites/elsewhere/records',
          { sentAt: 1, drafts: [{}] },
          { cookie: await signIn(server.app, 'bao') },
        ),
    ],
    [
      'another page',
      403,
      'foreign_origin',
      () => post('/api/session/pin', {}, { origin: 'https://elsewhere.example' }),
    ],
    ['nothing there', 404, 'not_found', () => server.app.inject({ method: 'GET', url: '/api/nothing' })],
  ])('%s: %d %s', async (_, status, code, act) => {
    const answer = await act()
    expect(answer.statusCode).toBe(status)
    expect(answer.json()).toEqual({ ...shape, code })
  })
})
