import type { AnyDraft } from '@tadka/core/stream'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { headOf } from '../stream/heads.ts'
import { verifySite } from '../record/verify/verify.ts'
import { ask, draft, enrolTestTablet, onTablet, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let manager: string
beforeAll(async () => {
  server = await testServer(1)
})
afterAll(() => server.close())

interface Signed {
  readonly cookie: string
  readonly pass: string
}
/** Somebody signs in on a tablet: what its browser holds, and the pass that their work carries. */
async function signedIn(person: string, pin: string, on = onTablet, device = 'tablet-1'): Promise<Signed> {
  const answer = await server.app.inject({
    method: 'POST',
    url: '/api/session/pin',
    headers: { cookie: on },
    payload: { site: siteId, person, pin, device },
  })
  const pass = answer.json<{ people: { pass: string }[] }>().people[0]?.pass ?? ''
  return { cookie: answer.cookies.map((c) => `${c.name}=${c.value}`).join('; '), pass }
}
const parked = (at: number, change: object = {}) =>
  draft(at, 'run.parked@1', { run: 'r', station: 'galley-bucket' }, change)
async function send(
  cookie: string,
  drafts: readonly AnyDraft[],
  pass: string | null,
  offset: number | null = null,
) {
  const answer = await ask(server, cookie, 'POST', '/records', {
    sentAt: server.clock.now,
    drafts,
    provenance: drafts.map(() => ({ pass, offset })),
  })
  const { outcomes } = answer.json<{ outcomes?: { outcome: string; code?: string }[] }>()
  return (
    outcomes?.map((o) => (o.outcome === 'accepted' ? o.outcome : `${o.outcome} ${o.code}`)) ?? answer.json()
  )
}
const flagsOf = async (one: AnyDraft): Promise<string[]> =>
  (await server.owner.query(`select body -> 'flags' as flags from record where id = $1`, [one.id])).rows[0]
    ?.flags
const heldNow = async () =>
  (await ask(server, manager, 'GET', '/held')).json<{ held: { id: string; why: string }[] }>().held
const decided = (cookie: string, id: string, take: boolean, reason = 'I saw it done') =>
  ask(server, cookie, 'POST', `/held/${id}`, { take, reason })

beforeEach(async () => {
  server.clock.now += 3_600_000
  manager = await signIn(server.app, 'oriel')
})

describe('work done without network', () => {
  it('is taken by its pass when the session has ended meanwhile, and says so', async () => {
    const { cookie, pass } = await signedIn('bao', '2468')
    const [one, two] = [parked(server.clock.now), parked(server.clock.now + 60_000)]
    server.clock.now += 7_200_000
    await server.owner.query(
      `update session set expires_at = to_timestamp($1::double precision / 1000)
       where id = (select max(id) from session)`,
      [server.clock.now - 60_000],
    )
    expect(await send('', [one], null)).toMatchObject({ code: 'not_signed_in' })
    expect(await send(cookie, [one, two], pass)).toEqual(['accepted', 'accepted'])
    expect(await flagsOf(two)).toContain('after-session')
  })
  it('is taken when somebody else has signed in since, on a session of their own', async () => {
    const { pass } = await signedIn('bao', '2468')
    const one = parked(server.clock.now)
    server.clock.now += 600_000
    const { cookie } = await signedIn('dara', '1357')
    expect(await send(cookie, [one], null)).toEqual(['held not_on_this_tablet'])
    const two = { ...parked(server.clock.now - 300_000) }
    expect(await send(cookie, [two], pass)).toEqual(['accepted'])
  })
  it('keeps its time when the clock was put right meanwhile: each carries what was known then', async () => {
    const { cookie, pass } = await signedIn('bao', '2468')
    const fast = 9 * 3_600_000
    const one = parked(server.clock.now + fast)
    server.clock.now += 600_000
    expect(await send(cookie, [one], pass, -fast)).toEqual(['accepted'])
    const { rows } = await server.owner.query<{ corrected_at: number }>(
      'select corrected_at::float8 as corrected_at from record where id = $1',
      [one.id],
    )
    expect(rows[0]?.corrected_at).toBe(server.clock.now - 600_000)
  })
})

describe('a server that was restored from an older backup', () => {
  /** Nothing of who signed in since is left. */
  const forget = () =>
    server.owner.query(
      `delete from session_person where session_id = (select max(id) from session);
       delete from session where id = (select max(id) from session)`,
    )

  it('takes what a tablet sends again by its pass alone: whose work it was is signed in it', async () => {
    const { pass } = await signedIn('bao', '2468')
    const one = parked(server.clock.now + 600_000)
    await forget()
    server.clock.now += 7_200_000
    expect(await send(manager, [one], pass)).toEqual(['accepted'])
    expect(await flagsOf(one)).toContain('after-session')
  })
  it('takes nothing by it from before the sign-in or long after, of another, or of an ended tablet', async () => {
    const { pass } = await signedIn('bao', '2468')
    const since = server.clock.now
    await forget()
    server.clock.now += 20 * 3_600_000
    manager = await signIn(server.app, 'oriel')
    for (const odd of [
      parked(since - 3_600_000),
      parked(since + 17 * 3_600_000),
      parked(since, { by: 'dara' }),
      parked(since, { device: 'tablet-9' }),
    ])
      expect(await send(manager, [odd], pass)).toEqual(['held not_on_this_tablet'])
    await server.owner.query("update tablet set revoked_at = 1 where id = 'tablet-1'")
    expect(await send(manager, [parked(since)], pass)).toEqual(['held tablet_ended'])
    await server.owner.query("update tablet set revoked_at = null where id = 'tablet-1'")
  })
  it('is told apart by the tablets that saw more of its chain than it holds', async () => {
    const { seq, hash } = await headOf(server.pool, siteId)
    const holds = async (head: object) => (await ask(server, manager, 'POST', '/head', head)).json<unknown>()
    expect(await holds({ seq, hash })).toEqual({ holds: true })
    expect(await holds({ seq: 1, hash })).toEqual({ holds: false })
    expect(await holds({ seq: seq + 1, hash })).toEqual({ holds: false })
    expect(await holds({ seq: 0, hash: '0'.repeat(64) })).toEqual({ holds: true })
    const state = (await ask(server, manager, 'GET', '/state')).json<object>()
    expect(state).toMatchObject({ seq, hash, backedUpTo: 0 })
  })
})

describe('a pass lets nobody', () => {
  it('act as another, on another tablet, or at a time when they were not there', async () => {
    const { cookie, pass } = await signedIn('bao', '2468')
    await server.app.inject({ method: 'DELETE', url: '/api/session/people/bao', headers: { cookie } })
    server.clock.now += 7_200_000
    const at = server.clock.now
    const now = await signIn(server.app, 'dara')
    expect(await send(now, [parked(at - 7_200_000)], pass)).toEqual(['accepted'])
    for (const odd of [
      parked(at - 7_200_000, { by: 'wen' }),
      parked(at - 7_200_000, { device: 'another' }),
      parked(at - 3_600_000),
      parked(at - 90_000_000),
    ])
      expect(await send(now, [odd], pass)).toEqual(['held not_on_this_tablet'])
  })
  it('do what their role may not', async () => {
    const { pass } = await signedIn('bao', '2468')
    const closed = draft(
      server.clock.now,
      'case.closed@1',
      { case: 'c', station: null, reason: 'because' },
      { subject: { kind: 'case', id: 'c' } },
    )
    expect(await send('', [closed], pass)).toEqual(['refused not_allowed'])
  })
  it('in where it was changed, made up, or signed elsewhere', async () => {
    const { pass } = await signedIn('bao', '2468')
    const [text = '', signed = ''] = pass.split('.')
    const other = Buffer.from(text, 'base64url').toString().replace('bao', 'ines')
    for (const bad of [`${Buffer.from(other).toString('base64url')}.${signed}`, text, `${text}.`, 'x.y', '.'])
      expect(await send('', [parked(server.clock.now)], bad)).toMatchObject({ code: 'not_signed_in' })
  })
})

describe('what may not go into the log as it is', () => {
  it('waits for a manager, whole; let in it stands there and says so', async () => {
    const { cookie } = await signedIn('bao', '2468')
    const late = parked(server.clock.now - 1_800_000)
    expect(await send(cookie, [late], null)).toEqual(['held not_on_this_tablet'])
    // Sent again it is held still, once.
    expect(await send(cookie, [late], null)).toEqual(['held not_on_this_tablet'])
    expect((await heldNow()).filter((h) => h.id === late.id)).toEqual([
      expect.objectContaining({ id: late.id, why: 'not_on_this_tablet' }),
    ])
    for (const who of ['bao', 'ines'])
      expect((await decided(await signIn(server.app, who), late.id, true)).json()).toMatchObject({
        code: 'not_allowed',
      })
    expect((await decided(manager, late.id, true, ' ')).json()).toMatchObject({ code: 'body_malformed' })
    expect((await decided(manager, late.id, true)).json()).toMatchObject({ outcome: { outcome: 'accepted' } })
    expect(await flagsOf(late)).toContain('let-in')
    expect((await decided(manager, late.id, false)).statusCode).toBe(404)
    expect((await verifySite(server.pool, siteId)).faults).toEqual([])
  })
  it('is let in by the role that they have now: not what they may do no more, and still who has left', async () => {
    const change = (role: 'crew' | 'lead', left: boolean) =>
      ask(server, manager, 'POST', '/people/ines', { name: 'Ines', role, login: null, left, password: null })
    const { cookie } = await signedIn('bao', '2468')
    const at = server.clock.now - 1_800_000
    const closed = draft(
      at,
      'case.closed@1',
      { case: 'c-held', station: null, reason: 'because' },
      { by: 'ines', subject: { kind: 'case', id: 'c-held' } },
    )
    const walked = parked(at, { by: 'ines' })
    expect(await send(cookie, [closed, walked], null)).toEqual([
      'held not_on_this_tablet',
      'held not_on_this_tablet',
    ])
    await change('crew', false)
    expect((await decided(manager, closed.id, true)).json()).toMatchObject({
      code: 'not_allowed',
      details: { needs: 'close-case' },
    })
    expect((await heldNow()).map((h) => h.id)).toContain(closed.id)
    await change('crew', true)
    expect((await decided(manager, walked.id, true)).json()).toMatchObject({
      outcome: { id: walked.id, outcome: 'accepted' },
    })
    await change('lead', false)
    expect((await decided(manager, closed.id, false)).json()).toMatchObject({
      outcome: { id: closed.id, outcome: 'left-out' },
    })
  })
  it('stays undecided where the log refuses it, and says why', async () => {
    const { cookie } = await signedIn('bao', '2468')
    const now = parked(server.clock.now)
    const other = { ...now, observedAt: server.clock.now - 1_800_000 }
    expect(await send(cookie, [other], null)).toEqual(['held not_on_this_tablet'])
    expect(await send(cookie, [now], null)).toEqual(['accepted'])
    const answer = (await decided(manager, now.id, true)).json()
    expect(answer).toMatchObject({ outcome: { outcome: 'refused', code: 'id_reused' } })
    expect((await heldNow()).map((h) => h.id)).toContain(now.id)
  })
  it('left out is kept all the same, with who, when and why', async () => {
    const { cookie } = await signedIn('bao', '2468')
    const odd = parked(server.clock.now - 1_800_000)
    await send(cookie, [odd], null)
    await decided(manager, odd.id, false, 'nobody was there')
    expect(await flagsOf(odd)).toBeUndefined()
    const { rows } = await server.owner.query(
      `select draft ->> 'by' as by, taken, decided_by, reason from held_draft where id = $1`,
      [odd.id],
    )
    expect(rows).toEqual([{ by: 'bao', taken: false, decided_by: 'oriel', reason: 'nobody was there' }])
  })
  it('of a time to come is let in as of when it came, never later', async () => {
    const { cookie, pass } = await signedIn('bao', '2468')
    const ahead = parked(server.clock.now + 3_600_000)
    expect(await send(cookie, [ahead], pass)).toEqual(['held in_the_future'])
    const came = server.clock.now
    server.clock.now += 600_000
    await decided(manager, ahead.id, true)
    const { rows } = await server.owner.query<{ at: number }>(
      'select corrected_at::float8 as at from record where id = $1',
      [ahead.id],
    )
    expect(rows[0]?.at).toBe(came)
  })
  it('of a tablet that was ended is not taken by itself, whenever it says that it was', async () => {
    const held = await enrolTestTablet(server.owner, `tab-${server.clock.now}`)
    const { pass } = await signedIn('bao', '2468', held)
    const before = parked(server.clock.now)
    server.clock.now += 600_000
    await ask(server, manager, 'POST', `/tablets/tab-${server.clock.now - 600_000}/revoke`, {})
    expect(await send('', [before], pass)).toEqual(['held tablet_ended'])
  })
})
