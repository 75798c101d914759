import type { RosterSet } from '@tadka/core/house'
import { findProcedure, latestProcedure, outline, procedureOfRun, type RunState } from '@tadka/core/procedure'
import type { TrainingState } from '@tadka/core/training'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { appendBatch } from '../stream/append.ts'
import { stateOf } from '../stream/queries.ts'
import { runsById } from '../training/queries.ts'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
/** Pim learns at the demo, Bao and Ines are signed off. */
let pim: string
let ines: string
beforeAll(async () => {
  server = await testServer(1)
  pim = await signIn(server.app, 'pim')
  ines = await signIn(server.app, 'ines')
})
afterAll(() => server.close())

const procedure = latestProcedure('bucket.fill')
if (!procedure) throw new Error('no bucket')
const post = (cookie: string, path: string, body: object) =>
  ask(server, cookie, 'POST', `/training/${path}`, body)
const put = (drafts: readonly object[], change: object = {}) =>
  appendBatch(server.pool, {
    ...{ site: siteId, drafts, clockOffset: 0, receivedAt: server.clock.now, allow: () => null },
    ...{ signed: true, rights: true, ...change },
  })
const at = () => server.clock.now
const station = 'espresso-bucket'
let n = 0
const runState = async (id: string) => (await stateOf(server.pool, siteId, 'run', id))?.state as RunState
const begin = async (by: string): Promise<string> => {
  const run = `t-${(n += 1)}`
  const of = { id: procedure.id, version: procedure.version }
  const one = draft(at(), 'run.started@2', { run, station, procedure: of }, { by })
  expect(await put([one])).toMatchObject([{ outcome: 'accepted' }])
  return run
}
const crew = (by: string, person: string, set: object) =>
  draft(
    at(),
    'crew.set@1',
    { signedOff: [], learning: [], serves: [], home: null, ...set },
    {
      by,
      subject: { kind: 'crew', id: person },
    },
  )
async function onRoster(...people: readonly string[]): Promise<void> {
  const rows = await server.owner.query<{ state: RosterSet }>(
    "select state from subject_state where kind = 'roster' order by subject_id",
  )
  for (const { state } of rows.rows) {
    const shifts = people.map((person) => ({ person, from: '00:00', to: '24:00', breaks: [] }))
    const payload = { day: state.day, shifts }
    await put([
      draft(at(), 'roster.set@1', payload, { by: 'ines', subject: { kind: 'roster', id: state.day } }),
    ])
  }
}

describe('who learns a run', () => {
  it('begins it flagged; who is signed off, or was never entered as crew, does not', async () => {
    const flags = async (run: string) =>
      (
        await server.owner.query<{ flags: string[] }>(
          "select body -> 'flags' as flags from record where type = 'run.started@2' and subject_id = $1",
          [run],
        )
      ).rows[0]?.flags
    await put([crew('oriel', 'pim', { learning: [procedure.family] })])
    await put([crew('oriel', 'bao', { signedOff: [procedure.family] })])
    expect(await flags(await begin('pim'))).toContain('not-signed-off')
    expect(await flags(await begin('bao'))).not.toContain('not-signed-off')
    expect((await runState('t-1')).learner).toBe('pim')
  })
})

describe('standing by', () => {
  const watch = (person: string, pin: string, run: string, cookie = pim) =>
    post(cookie, 'watch', { person, pin, run })
  const codeOf = async (answer: ReturnType<typeof watch>) => (await answer).json<{ code: string }>().code

  it('is confirmed by somebody signed off, on shift, with their own PIN, and stands at the run', async () => {
    await onRoster('bao', 'pim')
    const run = await begin('pim')
    expect((await watch('bao', '2468', run)).statusCode).toBe(204)
    expect((await runState(run)).watched).toMatchObject([{ learner: 'pim', by: 'bao' }])
    expect((await runState(run)).lastBy).toBe('pim')
  })
  it('does not count by a wrong PIN, by who works, by who is not signed off, or by who is not on shift', async () => {
    await onRoster('bao', 'pim')
    const run = await begin('pim')
    expect(await codeOf(watch('bao', '0001', run))).toBe('wrong_pin')
    expect(await codeOf(watch('pim', '1928', run))).toBe('watch_self')
    await put([crew('oriel', 'wen', { signedOff: [] })])
    expect(await codeOf(watch('wen', '8642', run))).toBe('watch_not_signed_off')
    await onRoster('pim')
    expect(await codeOf(watch('bao', '2468', run))).toBe('watch_not_on_shift')
    expect((await runState(run)).watched).toBeUndefined()
  })
  it('is no tablet’s to say without the PIN, and nothing of it comes of a run that is not there', async () => {
    const run = await begin('pim')
    const told = { run, station, procedure: procedure.id, learner: 'pim' }
    const forged = draft(at(), 'run.watched@1', told, { by: 'bao', subject: { kind: 'run', id: run } })
    expect(await put([forged], { signed: false })).toMatchObject([{ outcome: 'refused', code: 'needs_pin' }])
    expect(await codeOf(watch('bao', '2468', 'no-such-run'))).toBe('not_found')
  })
})

describe('a sign-off', () => {
  const sign = (cookie: string, person: string, pin: string, learner: string) =>
    post(cookie, 'sign-off', { person, pin, learner, procedures: [procedure.id] })
  const standing = async () =>
    ((await stateOf(server.pool, siteId, 'training', 'pim'))?.state as TrainingState).of[procedure.id]

  /** Does every step of a run in somebody's hands. */
  async function finish(run: string, by: string): Promise<void> {
    const state = await runState(run)
    const worked = procedureOfRun(state)
    if (!worked) throw new Error('no procedure')
    await server.owner.query(
      `update subject_state set state = state || jsonb_build_object('status', 'finished', 'done', $2::jsonb)
       where kind = 'run' and subject_id = $1`,
      [run, Object.fromEntries(outline(worked, state).map((p) => [p.key, { at: at(), by, facts: {} }]))],
    )
  }

  it('is refused until all is shown, to oneself always, and by crew', async () => {
    expect((await sign(ines, 'ines', '4711', 'pim')).json()).toMatchObject({ code: 'sign_off_early' })
    expect((await sign(ines, 'ines', '4711', 'ines')).json()).toMatchObject({ code: 'sign_off_self' })
    expect((await sign(pim, 'pim', '1928', 'bao')).json()).toMatchObject({ code: 'not_allowed' })
    expect((await standing())?.signed ?? null).toBeNull()
  })
  it('counts runs that were finished in the learner’s own hands, and needs the check', async () => {
    await onRoster('bao', 'pim')
    for (const by of ['pim', 'pim', 'pim', 'bao']) {
      const run = await begin('pim')
      expect((await post(pim, 'watch', { person: 'bao', pin: '2468', run })).statusCode).toBe(204)
      await finish(run, by)
    }
    const counted = (await ask(server, ines, 'GET', '/training/pim')).json()
    expect(counted).toMatchObject({ counted: { [procedure.id]: { watched: 3 } } })
    expect((await sign(ines, 'ines', '4711', 'pim')).json()).toMatchObject({ code: 'sign_off_early' })
    const check = { procedure: procedure.id, asked: 10, right: 9, passPercent: 90 }
    const taken = draft(at(), 'training.checked@1', check, {
      by: 'pim',
      subject: { kind: 'training', id: 'pim' },
    })
    expect(await put([taken], { rights: false })).toMatchObject([{ outcome: 'refused', code: 'not_allowed' }])
    await put([taken])
    expect((await sign(ines, 'ines', '0001', 'pim')).json()).toMatchObject({ code: 'wrong_pin' })
    expect((await sign(ines, 'ines', '4711', 'pim')).statusCode).toBe(204)
    expect(await standing()).toMatchObject({ signed: { by: 'ines' }, ended: null })
    expect((await runState(await begin('pim'))).learner).toBeUndefined()
  })
  it('ends when a lead finds the work wanting', async () => {
    const payload = { procedure: procedure.id, why: 'verification', note: 'no strip read' }
    await put([
      draft(at(), 'training.ended@1', payload, { by: 'ines', subject: { kind: 'training', id: 'pim' } }),
    ])
    expect((await runState(await begin('pim'))).learner).toBe('pim')
  })
})

it('runs are read by their ids, those that there are', async () => {
  expect(findProcedure(procedure.id, procedure.version)).toBe(procedure)
  expect((await runsById(server.pool, siteId, ['t-1', 'none'])).map((r) => r.id)).toEqual(['t-1'])
})
