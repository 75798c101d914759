import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { operationsOf, requestOf } from './generated-requests.ts'
import { signIn, testServer, type TestServer } from './server.ts'

const how = process.env['TADKA_LONG'] === undefined ? 600 : 30_000

let server: TestServer
const cookies: string[] = ['']
beforeAll(async () => {
  server = await testServer(1)
  for (const person of ['bao', 'ines', 'oriel']) cookies.push(await signIn(server.app, person))
})
afterAll(() => server.close())

describe('whatever is asked', () => {
  it('is answered: no request that the document allows, or nearly allows, is a fault of the server', async () => {
    const asked = operationsOf(server.app)
    expect(asked.length).toBeGreaterThan(50)
    const faults: string[] = []
    const statuses = new Map<number, number>()
    for (let n = 0; n < how; n++) {
      const request = requestOf(n, asked, cookies)
      const { statusCode } = await server.app.inject(request)
      statuses.set(statusCode, (statuses.get(statusCode) ?? 0) + 1)
      if (statusCode >= 500)
        faults.push(`${n}: ${request.method} ${request.url} ${statusCode} ${request.payload?.slice(0, 300)}`)
    }
    expect(faults).toEqual([])
    // Some were let in, some refused: it is no test of one answer.
    expect(statuses.get(200) ?? 0).toBeGreaterThan(how / 50)
    expect(statuses.get(400) ?? 0).toBeGreaterThan(how / 50)
  }, 3_600_000)
})
