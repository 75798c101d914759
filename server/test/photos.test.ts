import { createHash } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookie: string
beforeAll(async () => {
  server = await testServer(1)
  cookie = await signIn(server.app, 'bao')
})
afterAll(() => server.close())

const picture = Buffer.concat([
  Buffer.from([0xff, 0xd8, 0xff, 0xe0]),
  Buffer.from('a strip between two blocks'),
])
const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')
const put = (bytes: Buffer, sha256 = hashOf(bytes), headers: Record<string, string> = { cookie }) =>
  server.app.inject({
    method: 'PUT',
    url: `/api/sites/${siteId}/photos/${sha256}`,
    headers: { 'content-type': 'image/jpeg', ...headers },
    payload: bytes,
  })
const get = (sha256: string, site = siteId) =>
  server.app.inject({ url: `/api/sites/${site}/photos/${sha256}`, headers: { cookie } })

describe('a photo', () => {
  it('is kept by its hash, once however often it is sent, and given back as it was', async () => {
    expect((await put(picture)).statusCode).toBe(200)
    expect((await put(picture)).statusCode).toBe(200)
    const back = await get(hashOf(picture))
    expect(back.headers['content-type']).toBe('image/jpeg')
    expect(back.rawPayload.equals(picture)).toBe(true)
    const { rows } = await server.owner.query('select count(*)::int as n from photo')
    expect(rows).toEqual([{ n: 1 }])
  })
  it.each([
    ['under another hash', () => put(picture, 'a'.repeat(64)), 400, 'photo_unsound'],
    ['that is no picture', () => put(Buffer.from('<script>')), 400, 'photo_unsound'],
    [
      'that is too large',
      () => put(Buffer.concat([picture, Buffer.alloc(1_100_000)])),
      413,
      'body_too_large',
    ],
    ['with nobody signed in', () => put(picture, hashOf(picture), {}), 401, 'not_signed_in'],
    ['that nobody sent', () => get('b'.repeat(64)), 404, 'not_found'],
    ['of another site', () => get(hashOf(picture), 'elsewhere'), 403, 'wrong_site'],
  ] as const)('%s is refused', async (_, ask, status, code) => {
    const answer = await ask()
    expect([answer.statusCode, answer.json<{ code: string }>().code]).toEqual([status, code])
  })
  it('of a product is a data sheet as a PDF, larger than a photo; it is sent by whoever acts by then', async () => {
    const pdf = Buffer.concat([Buffer.from('%PDF-1.7 '), Buffer.alloc(3_000_000)])
    const send = async (who: string, bytes: Buffer, type = 'application/pdf') => {
      const headers = { cookie: await signIn(server.app, who), 'content-type': type }
      const url = `/api/sites/${siteId}/photos/${hashOf(bytes)}`
      const answer = await server.app.inject({ method: 'PUT', url, headers, payload: bytes })
      return [answer.statusCode, answer.json<{ code?: string }>().code]
    }
    expect(await send('oriel', Buffer.from('<script>'))).toEqual([400, 'photo_unsound'])
    expect(await send('oriel', picture)).toEqual([400, 'photo_unsound'])
    expect(await send('oriel', Buffer.concat([pdf, Buffer.alloc(6_000_000)]))).toEqual([
      413,
      'body_too_large',
    ])
    expect(await send('bao', pdf)).toEqual([200, undefined])
    const back = await get(hashOf(pdf))
    expect(back.headers['content-type']).toBe('application/pdf')
    expect(back.rawPayload.equals(pdf)).toBe(true)
  })
  it('can be neither changed nor taken out by the application', async () => {
    const { rows } = await server.owner.query(
      "select privilege_type from information_schema.role_table_grants where table_name = 'photo' and grantee = 'tadka_app'",
    )
    expect(rows.map((r: { privilege_type: string }) => r.privilege_type).toSorted()).toEqual([
      'INSERT',
      'SELECT',
    ])
  })
})
