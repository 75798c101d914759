import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { hashSecret } from '../people/secrets.ts'
import { verifySite } from '../record/verify/verify.ts'
import { ask, draft, onTablet, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let manager = ''
let lead = ''
let crew = ''
beforeAll(async () => {
  server = await testServer(1)
  manager = await signIn(server.app, 'oriel')
  lead = await signIn(server.app, 'ines')
  crew = await signIn(server.app, 'bao')
})
afterAll(() => server.close())

const byPin = (person: string, pin: string, more: object = {}) =>
  server.app.inject({
    method: 'POST',
    url: '/api/session/pin',
    headers: { cookie: onTablet },
    payload: { site: siteId, person, pin, device: 'tablet-1', ...more },
  })
const enter = (cookie: string, change: object = {}) =>
  ask(server, cookie, 'POST', '/people', {
    name: 'Sorrel',
    role: 'crew',
    login: null,
    pin: '5274',
    password: null,
    ...change,
  })
const change = (cookie: string, person: string, to: object) =>
  ask(server, cookie, 'POST', `/people/${person}`, { login: null, left: false, password: null, ...to })
const code = (answer: { json: () => unknown }) => (answer.json() as { code?: string }).code

describe('people of a site', () => {
  it('are entered by a manager alone, and choose their own PIN when they first come', async () => {
    for (const cookie of [crew, lead]) expect(code(await enter(cookie))).toBe('not_allowed')
    expect((await enter(manager)).json()).toEqual({ id: 'sorrel' })
    expect(code(await byPin('sorrel', '5274'))).toBe('pin_to_change')
    expect(code(await byPin('sorrel', '5274', { newPin: '5274' }))).toBe('pin_same')
    expect(code(await byPin('sorrel', '5274', { newPin: '1111' }))).toBe('body_malformed')
    expect((await byPin('sorrel', '5274', { newPin: '9046' })).statusCode).toBe(200)
    expect((await byPin('sorrel', '9046')).statusCode).toBe(200)
    expect(code(await byPin('sorrel', '5274'))).toBe('wrong_pin')
  })

  it('have one name each, however it is written; no login without a password', async () => {
    expect(code(await enter(manager, { name: 'BAO' }))).toBe('name_taken')
    expect(code(await enter(manager, { name: 'Ula', login: 'ula' }))).toBe('login_is_managers')
    const other = { name: 'Ula', role: 'manager' }
    expect(code(await enter(manager, { ...other, login: 'ula' }))).toBe('login_needs_password')
    expect(code(await enter(manager, { ...other, login: 'Oriel', password: 'kettle and rope' }))).toBe(
      'login_taken',
    )
  })

  it('do not change their own role, and the last manager stays one and does not leave', async () => {
    const oriel = { name: 'Oriel', role: 'manager', login: 'oriel' }
    expect(code(await change(manager, 'oriel', { ...oriel, role: 'lead', login: null }))).toBe('last_manager')
    expect(code(await change(manager, 'oriel', { ...oriel, left: true }))).toBe('last_manager')
    expect(
      (await enter(manager, { name: 'Ula', role: 'manager', login: 'ula', password: 'kettle and rope' }))
        .statusCode,
    ).toBe(200)
    expect(code(await change(manager, 'oriel', { ...oriel, role: 'lead', login: null }))).toBe('own_role')
    expect(code(await change(lead, 'ines', { name: 'Ines', role: 'manager' }))).toBe('not_allowed')
  })

  it('who leave are signed out everywhere and come in no more; what they did stays theirs', async () => {
    const cookie = await signIn(server.app, 'pim')
    expect((await ask(server, cookie, 'GET', '/log')).statusCode).toBe(200)
    expect((await change(manager, 'pim', { name: 'Pim', role: 'crew', left: true })).statusCode).toBe(200)
    expect(code(await ask(server, cookie, 'GET', '/log'))).toBe('not_signed_in')
    expect(code(await byPin('pim', '1928'))).toBe('wrong_pin')
    const door = await server.app.inject({
      method: 'GET',
      url: '/api/front-door',
      headers: { cookie: onTablet },
    })
    expect(JSON.stringify(door.json())).not.toContain('Pim')
    const state = (await ask(server, manager, 'GET', '/subjects/crew/pim')).json()
    expect(JSON.stringify(state)).toContain('"left":true')
    expect((await change(manager, 'pim', { name: 'Pim', role: 'crew' })).statusCode).toBe(200)
    expect((await byPin('pim', '1928')).statusCode).toBe(200)
  })

  it('get a new PIN from above only: crew from a lead, a lead from a manager, a manager from nobody here', async () => {
    const reset = (cookie: string, person: string) =>
      ask(server, cookie, 'POST', `/people/${person}/pin`, { pin: '8305' })
    expect(code(await reset(crew, 'dara'))).toBe('not_allowed')
    expect(code(await reset(lead, 'ines'))).toBe('not_allowed')
    expect(code(await reset(lead, 'oriel'))).toBe('not_allowed')
    expect(code(await reset(manager, 'oriel'))).toBe('not_allowed')
    expect((await reset(lead, 'dara')).statusCode).toBe(200)
    expect(code(await byPin('dara', '8305'))).toBe('pin_to_change')
    expect(code(await byPin('dara', '1357'))).toBe('wrong_pin')
  })

  it('change their own PIN by the one they have, a manager by their password too', async () => {
    const own = (cookie: string, body: object) => ask(server, cookie, 'POST', '/own-secret', body)
    expect(code(await own(crew, { what: 'pin', by: 'pin', now: '9999', next: '7096' }))).toBe('wrong_pin')
    expect((await own(crew, { what: 'pin', by: 'pin', now: '2468', next: '7096' })).statusCode).toBe(200)
    expect((await byPin('bao', '7096')).statusCode).toBe(200)
    expect(code(await own(crew, { what: 'pin', by: 'password', now: 'x', next: '7097' }))).toBe(
      'wrong_password',
    )
    const forgot = { what: 'pin', by: 'password', now: 'night ferry 2110', next: '6153' }
    expect((await own(manager, forgot)).statusCode).toBe(200)
    expect((await byPin('oriel', '6153')).statusCode).toBe(200)
  })

  it('prove nothing by a PIN that somebody else chose for them', async () => {
    const later = { person: 'ines', day: '2026-11-26', reason: 'tried' }
    await ask(server, manager, 'POST', '/people/ines/pin', { pin: '8305' })
    expect(code(await ask(server, lead, 'POST', '/sign', { ...later, pin: '8305' }))).toBe('pin_to_change')
    const own = { what: 'pin', by: 'pin', now: '8305', next: '4711' }
    expect((await ask(server, lead, 'POST', '/own-secret', own)).statusCode).toBe(200)
    expect(code(await ask(server, lead, 'POST', '/sign', { ...later, pin: '4711' }))).toBeUndefined()
  })

  it('become a manager with a login and a password, and nobody sets another manager’s', async () => {
    const noor = { name: 'Noor', role: 'manager', login: 'noor' }
    expect(code(await change(manager, 'noor', noor))).toBe('login_needs_password')
    expect((await change(manager, 'noor', { ...noor, password: 'kettle and rope' })).statusCode).toBe(200)
    expect(code(await change(manager, 'noor', { ...noor, password: 'another long one' }))).toBe(
      'login_needs_password',
    )
    const signed = await server.app.inject({
      method: 'POST',
      url: '/api/session/password',
      payload: { login: 'noor', password: 'kettle and rope', device: 'laptop' },
    })
    expect(signed.statusCode).toBe(200)
  })

  it('get no rights by a record that a tablet makes', async () => {
    const person = { name: 'Bao', role: 'manager', login: null, left: false }
    const secret = { what: 'pin', toChange: false, mark: '0'.repeat(64) }
    const tablet = { tablet: 'x', name: 'X', removed: false }
    const subject = { kind: 'crew', id: 'bao' }
    const drafts = [
      draft(server.clock.now, 'person.set@1', person, { by: 'oriel', subject }),
      draft(server.clock.now, 'person.secret@1', secret, { by: 'oriel', subject }),
      draft(server.clock.now, 'tablet.set@1', tablet, { by: 'oriel', subject: { kind: 'site', id: siteId } }),
    ]
    const answer = await ask(server, manager, 'POST', '/records', { sentAt: server.clock.now, drafts })
    const { outcomes } = answer.json() as { outcomes: { code: string }[] }
    expect(outcomes.map((o) => o.code)).toEqual(['not_allowed', 'not_allowed', 'not_allowed'])
  })

  it('stay as the records have them: a role, a PIN or a person put in by hand is found', async () => {
    expect((await verifySite(server.pool, siteId)).faults).toEqual([])
    const by = async (sql: string, ...values: string[]) => {
      await server.owner.query('begin')
      await server.owner.query(sql, values)
      await server.owner.query('commit')
      return (await verifySite(server.pool, siteId)).faults
    }
    expect(await by("update person set role = 'manager' where id = 'wen'")).toEqual([
      { what: 'person', id: 'wen' },
    ])
    await by("update person set role = 'crew' where id = 'wen'")
    expect(await by("update person set pin_hash = $1 where id = 'noor'", await hashSecret('1234'))).toEqual([
      { what: 'person', id: 'noor' },
    ])
    expect(
      await by(
        `insert into person (site_id, id, name, role) values ('${siteId}', 'ghost', 'Ghost', 'manager')`,
      ),
    ).toHaveLength(2)
  })
})
