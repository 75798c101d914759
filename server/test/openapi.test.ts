import type { FastifyInstance } from 'fastify'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { operations } from '../openapi/operations.ts'
import { testServer, type TestServer } from './server.ts'

interface Documented {
  readonly summary?: string
  readonly description?: string
  readonly requestBody?: {
    readonly content: Record<
      string,
      { readonly schema?: object; readonly example?: unknown; readonly examples?: unknown }
    >
  }
}

const uuid = '0193749a-0000-7000-8000-000000000000'
let server: TestServer
let app: FastifyInstance
const documented: Record<string, Documented> = {}
beforeAll(async () => {
  server = await testServer(1)
  app = server.app
  const { paths } = app.swagger() as { paths: Record<string, Record<string, Documented>> }
  for (const [path, methods] of Object.entries(paths))
    for (const [method, operation] of Object.entries(methods))
      documented[`${method.toUpperCase()} ${path}`] = operation
})
afterAll(() => server.close())

describe('every operation', () => {
  it('has a line in the catalogue, and every line an operation', () =>
    expect(Object.keys(documented).toSorted()).toEqual(Object.keys(operations).toSorted()))
  it('has a summary and says what it needs', () => {
    const silent = Object.entries(documented).filter(([, o]) => !o.summary || !o.description)
    expect(silent.map(([name]) => name)).toEqual([])
  })
  it('that takes a body has an example, and the document shows it', () => {
    const without = Object.entries(documented).filter(
      ([, o]) => o.requestBody && !JSON.stringify(o.requestBody).includes('"example'),
    )
    // The problem of a shift fills pages: docs/formats.md says it.
    expect(without.map(([name]) => name)).toEqual(['POST /api/plan'])
  })
})

describe('every example', () => {
  it('is read as it stands: no answer says that it could not be', async () => {
    const unread: string[] = []
    for (const [name, { example }] of Object.entries(operations)) {
      if (example === undefined) continue
      const [method = '', path = ''] = name.split(' ')
      const answer = await app.inject({
        method: method as 'POST',
        url: path.replaceAll(/\{(\w+)\}/g, (_, name: string) => (name === 'id' ? uuid : 'gannet')),
        payload: example as object,
      })
      const { code } = answer.json<{ code?: string }>()
      if (answer.statusCode >= 500 || code === 'body_malformed') unread.push(`${name}: ${answer.body}`)
    }
    expect(unread).toEqual([])
  })
})
