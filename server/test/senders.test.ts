import { Refusal } from '@tadka/core/refusal'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { authorizeDraft, type Senders } from '../people/draft-access.ts'
import { draftSlackMs } from '../people/guard.ts'
import { Passes, type Stay } from '../people/passes.ts'
import { ask, draft, onTablet, signIn, testServer, type TestServer } from './server.ts'

const from = 1_000_000
const to = 2_000_000
const parked = (change: object = {}) =>
  draft(from, 'run.parked@1', { run: 'r', station: 'galley-bucket' }, change)
const stay = (change: Partial<Stay> = {}): Stay => ({
  person: 'bao',
  device: 'tablet-1',
  role: 'crew',
  from,
  to,
  revokedAt: null,
  ...change,
})
const here = (change: object = {}): Senders => ({
  tablet: {
    session: { id: 1, site_id: siteId, device: 'tablet-1', tablet_id: 'tablet-1' },
    people: [{ id: 'bao', name: 'Bao', role: 'crew', signed_in_at: from, signed_out_at: to, ...change }],
  },
  stays: new Map(),
})
const byPass = (...stays: Stay[]): Senders => ({ tablet: null, stays: new Map([['p', stays]]) })
/** What refuses it, with its details; null where it is let in. */
function refusal(senders: Senders, at: number, pass: string | null, change: object = {}): object | null {
  try {
    authorizeDraft(senders, parked(change), at, pass)
    return null
  } catch (error) {
    return error instanceof Refusal ? { code: error.code, ...error.details } : { error }
  }
}
const notHere = { code: 'not_on_this_tablet', by: 'bao' }

describe('whose work a draft is', () => {
  it('counts from the sign-in to the sign-out, with the slack of clocks at either end and not a moment more', () => {
    for (const [senders, pass] of [
      [here(), null],
      [byPass(stay()), 'p'],
    ] as const) {
      expect(refusal(senders, from - draftSlackMs, pass)).toBeNull()
      expect(refusal(senders, to + draftSlackMs, pass)).toBeNull()
      expect(refusal(senders, from - draftSlackMs - 1, pass)).toEqual(notHere)
      expect(refusal(senders, to + draftSlackMs + 1, pass)).toEqual(notHere)
    }
    expect(refusal(here({ signed_out_at: null }), to * 100, null)).toBeNull()
  })
  it('is of the session that asks, or came after it by its pass', () => {
    expect(authorizeDraft(here(), parked(), from, null)).toEqual({ role: 'crew', isAfterSession: false })
    expect(authorizeDraft(byPass(stay({ role: 'lead' })), parked(), from, 'p')).toEqual({
      role: 'lead',
      isAfterSession: true,
    })
  })
  it('is nobody’s without a pass, by another’s, by one that is not known, or on another tablet', () => {
    for (const [senders, pass] of [
      [byPass(stay()), null],
      [byPass(stay()), 'q'],
      [byPass(stay({ person: 'wen' })), 'p'],
      [byPass(stay({ device: 'tablet-2' })), 'p'],
    ] as const)
      expect(refusal(senders, from, pass)).toEqual(notHere)
    expect(refusal(byPass(stay({ revokedAt: 5 })), from, 'p')).toEqual({ code: 'tablet_ended' })
  })
  it('needs the right to make such a record, and says which', () => {
    const set = { type: 'site.set@1', subject: { kind: 'site', id: siteId } }
    expect(refusal(here(), from, null, set)).toEqual({ code: 'not_allowed', needs: 'set-up-house' })
  })
})

describe('who sends', () => {
  let server: TestServer
  beforeAll(async () => {
    server = await testServer(1)
  })
  afterAll(() => server.close())
  const answerOf = (answer: { json: () => unknown }) =>
    answer.json() as { code?: string; details?: Record<string, unknown> }
  const byPin = (person: string, pin: string) =>
    server.app.inject({
      method: 'POST',
      url: '/api/session/pin',
      headers: { cookie: onTablet },
      payload: { site: siteId, person, pin, device: 'tablet-1' },
    })

  it('acts as nobody who is not signed in there, nor as who has signed out', async () => {
    const cookie = await signIn(server.app, 'bao', 'wen')
    const as = (person: string) =>
      server.app.inject({
        method: 'GET',
        url: `/api/sites/${siteId}/log?limit=1`,
        headers: { cookie, 'tadka-acting': person },
      })
    expect((await as('wen')).statusCode).toBe(200)
    expect(answerOf(await as('dara')).code).toBe('not_signed_in')
    const out = (person: string) =>
      server.app.inject({ method: 'DELETE', url: `/api/session/people/${person}`, headers: { cookie } })
    await out('wen')
    expect(answerOf(await as('wen')).code).toBe('not_signed_in')
    expect((await as('bao')).statusCode).toBe(200)
    const plan = () =>
      server.app.inject({ method: 'POST', url: '/api/plan', headers: { cookie }, payload: {} })
    expect(answerOf(await plan()).code).not.toBe('not_signed_in')
    await out('bao')
    expect(answerOf(await as('bao')).code).toBe('not_signed_in')
    expect(answerOf(await plan()).code).toBe('not_signed_in')
    const drafts = [parked({ observedAt: server.clock.now })]
    const sent = await ask(server, cookie, 'POST', '/records', { sentAt: server.clock.now, drafts })
    expect(answerOf(sent).code).toBe('not_signed_in')
  })

  it('is told which right is missing', async () => {
    const cookie = await signIn(server.app, 'bao')
    const answer = answerOf(await ask(server, cookie, 'GET', '/tablets'))
    expect([answer.code, answer.details]).toEqual(['not_allowed', { needs: 'set-up-house' }])
    const entered = await ask(server, cookie, 'POST', '/enter', {
      ...{ person: 'bao', pin: '2468', who: 'bao', read: '', station: 'galley-bucket' },
      procedure: { id: 'bucket.fill', version: 1 },
      ...{ from: server.clock.now - 60_000, to: server.clock.now - 1000 },
    })
    expect([answerOf(entered).code, answerOf(entered).details]).toEqual([
      'not_allowed',
      { needs: 'override' },
    ])
  })

  it('brings nobody else’s work in by a pass: it counts for whom it was signed for alone', async () => {
    const cookie = await signIn(server.app, 'bao', 'wen')
    const view = await server.app.inject({ method: 'GET', url: '/api/session', headers: { cookie } })
    const { people } = view.json() as { people: { id: string; pass: string }[] }
    const pass = people.find((p) => p.id === 'bao')?.pass
    const at = server.clock.now
    const drafts = [parked({ by: 'wen', observedAt: at }), parked({ by: 'bao', observedAt: at })]
    const answer = await server.app.inject({
      method: 'POST',
      url: `/api/sites/${siteId}/records`,
      payload: { sentAt: at, drafts, provenance: drafts.map(() => ({ pass, offset: null })) },
    })
    const { outcomes } = answer.json() as { outcomes: { outcome: string; code?: string }[] }
    expect(outcomes.map((o) => o.outcome)).toEqual(['held', 'accepted'])
  })

  it('tries a PIN of nobody, or of who has none, and is told nothing but that it is wrong', async () => {
    await server.owner.query("update person set pin_hash = null where id = 'tomas'")
    for (const person of ['nobody-here', 'tomas']) {
      const { code, details } = answerOf(await byPin(person, '7531'))
      expect([code, details]).toEqual(['wrong_pin', {}])
    }
  })

  it('whose PIN was unlocked waits no more; somebody else still does', async () => {
    const lead = await signIn(server.app, 'ines')
    for (const person of ['dara', 'noor'])
      for (let n = 0; n < 5; n++) expect(answerOf(await byPin(person, '0001')).code).toBe('wrong_pin')
    expect(answerOf(await byPin('dara', '1357')).code).toBe('too_often')
    await ask(server, lead, 'POST', '/people/dara/unlock')
    expect((await byPin('dara', '1357')).statusCode).toBe(200)
    expect(answerOf(await byPin('noor', '3690')).code).toBe('too_often')
  })

  it('holds a pass that this server signed, whole; any other is none', async () => {
    const passes = new Passes(server.pool)
    const claims = { site: siteId, session: 1, person: 'bao', device: 'tablet-1', since: 1 }
    const pass = await passes.make(claims)
    expect(await passes.read(pass)).toEqual(claims)
    const [text = '', signed = ''] = pass.split('.')
    for (const other of ['', '.', text, `${text}.`, `.${signed}`, `${text}.${signed.slice(2)}`, `x${pass}`])
      expect(await passes.read(other), other).toBeNull()
  })
})
