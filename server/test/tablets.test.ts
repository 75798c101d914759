import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { codeLastsMs, makeCode } from '../people/codes.ts'
import { ask, enrolTestTablet, onTablet, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer(1)
})
afterAll(() => server.close())

const post = (url: string, payload: object, cookie = '') =>
  server.app.inject({ method: 'POST', url, payload, headers: { cookie } })
const code = async () => (await makeCode(server.pool, siteId, null, server.clock.now)).code
const enrol = (given: string, device = 'tab-new', name = 'Bar tablet') =>
  post('/api/tablets/enrol', { code: given, device, name })
const byPin = (cookie: string) =>
  post('/api/session/pin', { site: siteId, person: 'bao', pin: '2468', device: 'd' }, cookie)
const heldBy = (answer: { cookies: { name: string; value: string }[] }) =>
  answer.cookies.map((c) => `${c.name}=${c.value}`).join('; ')
const door = async (cookie = '') =>
  (await server.app.inject({ method: 'GET', url: '/api/front-door', headers: { cookie } })).json<{
    site: unknown
    people: unknown[]
    hasSite: boolean
    tablet: unknown
  }>()

describe('a browser that is no tablet of the site', () => {
  it('is told no names, of people or sites', async () => {
    for (const cookie of ['', 'tadka_tablet=guessed'])
      expect(await door(cookie)).toEqual({ hasSite: true, tablet: null, site: null, people: [] })
  })
  it('cannot try a PIN, right or wrong, and no try of it counts', async () => {
    for (let i = 0; i < 12; i++)
      expect((await byPin('')).json()).toMatchObject({ code: 'tablet_not_enrolled' })
    expect((await server.owner.query('select from pin_try')).rowCount).toBe(0)
    expect((await byPin(onTablet)).statusCode).toBe(200)
  })
  it('cannot prove anything by PIN in a session of a password either', async () => {
    const signedIn = await post('/api/session/password', {
      login: 'oriel',
      password: 'night ferry 2110',
      device: 'office',
    })
    const signed = await ask(server, heldBy(signedIn), 'POST', '/sign', {
      person: 'oriel',
      pin: '9080',
      day: '2026-11-26',
      reason: 'tried from the office',
    })
    expect(signed.json()).toMatchObject({ code: 'tablet_not_enrolled' })
  })
  it('of somebody signed in is told names', async () => {
    const cookie = await signIn(server.app, 'bao')
    expect(await door(cookie)).toMatchObject({ site: { id: siteId }, tablet: null })
  })
})

describe('the front door of a tablet', () => {
  it('tells names, roles and where a PIN is locked, and no secret', async () => {
    const answer = await server.app.inject({
      method: 'GET',
      url: '/api/front-door',
      headers: { cookie: onTablet },
    })
    expect(answer.body).not.toMatch(/hash|argon|login|password|token/)
    const people = answer.json<{ people: unknown[] }>().people
    expect(people).toContainEqual({ id: 'bao', name: 'Bao', role: 'crew', lockedOn: [] })
    await server.owner.query(`insert into pin_try values ($1, 'tablet-1', 'bao', 10)`, [siteId])
    expect((await door(onTablet)).people).toContainEqual({
      id: 'bao',
      name: 'Bao',
      role: 'crew',
      lockedOn: [{ id: 'tablet-1', name: 'Tablet tablet-1' }],
    })
    await server.owner.query('delete from pin_try')
  })
})

describe('a code', () => {
  it('makes one browser a tablet, once, however its halves are parted', async () => {
    const given = await code()
    const enrolled = await enrol(` ${given.replace(' ', '-')} `)
    expect(enrolled.json()).toEqual({ site: siteId, tablet: { id: 'tab-new', name: 'Bar tablet' } })
    expect(enrolled.cookies[0]).toMatchObject({ name: 'tadka_tablet', httpOnly: true, sameSite: 'Strict' })
    expect((await byPin(heldBy(enrolled))).statusCode).toBe(200)
    expect((await enrol(given, 'tab-other')).json()).toMatchObject({ code: 'wrong_code' })
  })
  it('of twenty uses at once serves one', async () => {
    const given = await code()
    server.clock.now += 60_000
    const answers = await Promise.all(
      Array.from({ length: 4 }, (_, i) =>
        server.app.inject({
          method: 'POST',
          url: '/api/tablets/enrol',
          remoteAddress: `10.0.0.${i + 1}`,
          payload: { code: given, device: `tab-${i}`, name: 'Bar tablet' },
        }),
      ),
    )
    expect(answers.filter((a) => a.statusCode === 200)).toHaveLength(1)
  })
  it('ends: one of House after a quarter of an hour, one of the console after an hour', async () => {
    const cookie = await signIn(server.app, 'oriel')
    const made = (await ask(server, cookie, 'POST', '/tablets/codes')).json<{
      code: string
      endsAt: number
    }>()
    expect(made.endsAt).toBe(server.clock.now + codeLastsMs.house)
    const late = await code()
    server.clock.now += codeLastsMs.house
    expect((await enrol(made.code)).json()).toMatchObject({ code: 'wrong_code' })
    server.clock.now += codeLastsMs.console - codeLastsMs.house
    expect((await enrol(late)).json()).toMatchObject({ code: 'wrong_code' })
  })
  it('that is wrong makes its sender wait', async () => {
    server.clock.now += 60_000
    await enrol(await code())
    for (let i = 0; i < 5; i++)
      expect((await enrol('0000-0000')).json()).toMatchObject({ code: 'wrong_code' })
    expect((await enrol(await code())).json()).toMatchObject({ code: 'too_often' })
  })
})

describe('tablets', () => {
  it('are enrolled, named and revoked by a manager, and by nobody else', async () => {
    const [lead, manager] = [await signIn(server.app, 'ines'), await signIn(server.app, 'oriel')]
    const acts = [
      ['GET', '/tablets', undefined],
      ['POST', '/tablets', { device: 'tab-office', name: 'Office' }],
      ['POST', '/tablets/codes', {}],
      ['POST', '/tablets/tab-office/name', { name: 'Back office' }],
      ['POST', '/tablets/tab-office/revoke', {}],
    ] as const
    for (const [method, path, body] of acts)
      expect((await ask(server, lead, method, path, body)).json()).toMatchObject({ code: 'not_allowed' })
    for (const [method, path, body] of acts)
      expect((await ask(server, manager, method, path, body)).statusCode).toBe(200)
    // It was on that tablet, and ended with it.
    expect((await ask(server, manager, 'GET', '/tablets')).json()).toMatchObject({ code: 'not_signed_in' })
    const again = await signIn(server.app, 'oriel')
    const { tablets } = (await ask(server, again, 'GET', '/tablets')).json<{ tablets: object[] }>()
    expect(tablets).toContainEqual(
      expect.objectContaining({ id: 'tab-office', name: 'Back office', revokedAt: server.clock.now }),
    )
  })
  it('that a manager enrols in a session of a password takes PINs in that session', async () => {
    server.clock.now += 60_000
    const signedIn = heldBy(
      await post('/api/session/password', { login: 'oriel', password: 'night ferry 2110', device: 'office' }),
    )
    expect(
      (await ask(server, signedIn, 'POST', '/tablets', { device: 'office', name: 'Office' })).statusCode,
    ).toBe(200)
    const signed = await ask(server, signedIn, 'POST', '/sign', {
      person: 'oriel',
      pin: '0000',
      day: '2026-11-26',
      reason: '',
    })
    expect(signed.json()).toMatchObject({ code: 'wrong_pin' })
  })
  it('once revoked take no PIN, are told no names, and end who is signed in on them', async () => {
    const held = await enrolTestTablet(server.owner, 'tab-lost')
    const session = heldBy(await byPin(held))
    const read = () => ask(server, session, 'GET', '/state')
    expect((await read()).statusCode).toBe(200)
    const manager = await signIn(server.app, 'oriel')
    expect((await ask(server, manager, 'POST', '/tablets/tab-lost/revoke', {})).statusCode).toBe(200)
    expect((await read()).json()).toMatchObject({ code: 'not_signed_in' })
    expect((await byPin(held)).json()).toMatchObject({ code: 'tablet_not_enrolled' })
    expect((await door(held)).people).toEqual([])
    expect((await ask(server, manager, 'POST', '/tablets/tab-lost/revoke', {})).statusCode).toBe(404)
  })
  it('enrolled anew keep whose PIN is locked on them', async () => {
    const held = await enrolTestTablet(server.owner, 'tab-twice')
    await server.owner.query(`insert into pin_try values ($1, 'tab-twice', 'bao', 10)`, [siteId])
    server.clock.now += 60_000
    const again = await enrol(await code(), 'tab-twice')
    expect((await byPin(heldBy(again))).json()).toMatchObject({ code: 'pin_locked' })
    expect((await byPin(held)).json()).toMatchObject({ code: 'tablet_not_enrolled' })
  })
})
