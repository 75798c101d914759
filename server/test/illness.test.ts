import { randomUUID } from 'node:crypto'
import type { IllnessBody, IllnessKept } from '@tadka/contract/illness'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { ask, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
const cookies: Record<string, string> = {}
beforeAll(async () => {
  server = await testServer(1)
  for (const id of ['oriel', 'ines', 'bao']) cookies[id] = await signIn(server.app, id)
})
afterAll(() => server.close())

const began = Date.parse('2026-11-26T09:00:00Z')
const told = (more: Partial<IllnessBody> = {}): IllnessBody => ({
  ...{ person: 'bao', symptoms: ['vomiting'], diagnosis: null, began, freeSince: null },
  ...{ doctor: false, authority: false, covered: false, toldAt: null, note: 'zzprivate since the morning' },
  ...more,
})
const id = 'illness-1'
const keep = (who: string, body: object, at = id) =>
  ask(server, cookies[who] ?? '', 'POST', `/illness/${at}`, body)
const all = async (who = 'oriel') => ask(server, cookies[who] ?? '', 'GET', '/illness')
const listed = async () => (await all()).json<{ illnesses: IllnessKept[] }>().illnesses

describe('illness of staff', () => {
  it('is kept by a manager, and told anew in its place', async () => {
    expect((await keep('oriel', told())).statusCode).toBe(204)
    expect((await keep('oriel', told({ freeSince: began + 1000 }))).statusCode).toBe(204)
    expect(await listed()).toEqual([{ id, ...told({ freeSince: began + 1000 }) }])
  })
  it.each(['ines', 'bao'])('is seen and changed by nobody else: %s', async (who) => {
    expect((await all(who)).statusCode).toBe(403)
    expect((await keep(who, told({ note: 'mine' }))).statusCode).toBe(403)
    expect((await ask(server, cookies[who] ?? '', 'DELETE', `/illness/${id}`)).statusCode).toBe(403)
    expect((await listed())[0]?.note).toBe('zzprivate since the morning')
  })
  it.each([
    ['says nothing of what it is', { symptoms: [], diagnosis: null }],
    ['ends before it began', { freeSince: began - 1 }],
    ['is about nobody', { person: 'nobody' }],
  ] as const)('is not kept where it %s', async (_, more) => {
    const answer = await keep('oriel', { ...told(), ...more }, 'illness-2')
    expect([400, 404, 422]).toContain(answer.statusCode)
    expect(await listed()).toHaveLength(1)
  })
  it('stands in no record, no state of a tablet and no archive: a pack is made of these', async () => {
    const cookie = cookies['oriel'] ?? ''
    for (const path of ['/log?limit=200', '/state', '/log.json', '/set-up']) {
      const answer = await ask(server, cookie, 'GET', path)
      expect(answer.statusCode, path).toBe(200)
      expect(answer.body).not.toContain('zzprivate')
      expect(answer.body).not.toContain('illness')
    }
    const { rows } = await server.owner.query(
      `select count(*)::int as n from record r where r::text ~ 'zzprivate'`,
    )
    expect(rows).toEqual([{ n: 0 }])
  })
  it('of another site is not there at all', async () => {
    const db = await server.pool.connect()
    try {
      await db.query('begin')
      await db.query("select set_config('tadka.site', 'another', true)")
      expect((await db.query('select from illness')).rowCount).toBe(0)
      const sql = `insert into illness (site_id, id, person_id, told) values ($1, $2, 'bao', '{}')`
      await expect(db.query(sql, [siteId, randomUUID()])).rejects.toThrow(/row-level security/)
    } finally {
      await db.query('rollback')
      db.release()
    }
  })
  it('is erased for good', async () => {
    expect((await ask(server, cookies['oriel'] ?? '', 'DELETE', `/illness/${id}`)).statusCode).toBe(204)
    expect(await listed()).toEqual([])
    expect((await server.owner.query('select from illness')).rowCount).toBe(0)
    expect((await ask(server, cookies['oriel'] ?? '', 'DELETE', `/illness/${id}`)).statusCode).toBe(404)
  })
})
