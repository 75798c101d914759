import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { operations } from '../openapi/operations.ts'
import { draft, signIn, started, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookie: string
beforeAll(async () => {
  server = await testServer(1)
  cookie = await signIn(server.app, 'bao')
})
afterAll(() => server.close())

/** Fits no name of anything. */
const nonsense = 'No%20Such!'
const good: Readonly<Record<string, string>> = {
  site: siteId,
  kind: 'station',
  which: 'now',
  day: '2026-11-26',
}

async function codeOf(method: string, url: string, payload?: object): Promise<string | undefined> {
  const answer = await server.app.inject({
    method: method as 'GET',
    url,
    headers: { cookie },
    ...(payload ? { payload } : {}),
  })
  return answer.headers['content-type']?.toString().includes('json')
    ? answer.json<{ code?: string }>().code
    : undefined
}

describe('a name in an address that names nothing', () => {
  const named = Object.keys(operations).filter((name) => name.includes('{site}') && !name.includes('.ics'))
  it.each(named)('%s is refused before anything is looked up', async (name) => {
    const [method = '', path = ''] = name.split(' ')
    const url = path.replaceAll(/\{(\w+)\}/g, (_, part: string) =>
      part === 'site' ? nonsense : (good[part] ?? 'x'),
    )
    expect(await codeOf(method, url)).toBe('body_malformed')
  })
  it('is refused of a subject too', async () => {
    expect(await codeOf('GET', `/api/sites/${siteId}/subjects/${nonsense}/x`)).toBe('body_malformed')
    expect(await codeOf('GET', `/api/sites/${siteId}/subjects/station/${nonsense}`)).toBe('body_malformed')
    expect(await codeOf('GET', `/api/sites/${siteId}/subjects/station/not-there`)).toBe('not_found')
  })
})

describe('text that the database cannot hold', () => {
  it.each<[string, string, object?]>([
    ['POST', '/api/session/password', { login: 'a\0b', password: 'x', device: 'd' }],
    ['POST', `/api/sites/${siteId}/tablets`, { device: 'd', name: 'Galley\ud800' }],
    ['POST', '/api/tablets/enrol', { code: '12345678', device: 'd', name: 'a\0b' }],
    ['GET', `/api/sites/${siteId}/log?types=%00`],
    ['GET', `/api/sites/${siteId}/log?without=a%00`],
  ])('is refused: %s %s', async (method, url, payload) =>
    expect(await codeOf(method, url, payload)).toBe('body_malformed'),
  )
})

describe('what is sent', () => {
  const records = `/api/sites/${siteId}/records`
  it.each<[string, object]>([
    ['no drafts', { sentAt: 1, drafts: [] }],
    ['no time', { drafts: [{}] }],
    ['drafts that are none', { sentAt: 1, drafts: 'x' }],
  ])('with %s is refused whole', async (_, payload) =>
    expect(await codeOf('POST', records, payload)).toBe('body_malformed'),
  )
  it.each(['x', '-1', '1.5'])('as a place in the stream, %s, is refused', async (after) =>
    expect(await codeOf('GET', `/api/sites/${siteId}/events?after=${after}`)).toBe('body_malformed'),
  )
  it('in its session carries no flag of one that was sent after it', async () => {
    const one = started(server.clock.now, 'in-session')
    await server.app.inject({
      method: 'POST',
      url: records,
      headers: { cookie },
      payload: { sentAt: server.clock.now, drafts: [one] },
    })
    const log = await server.app.inject({
      method: 'GET',
      url: `/api/sites/${siteId}/log.json`,
      headers: { cookie },
    })
    const { records: all } = log.json<{ records: { id: string; flags: string[] }[] }>()
    expect(all.find((r) => r.id === one.id)?.flags).not.toContain('after-session')
  })
})

describe('a tablet’s start', () => {
  it('brings what has ended lately too: somebody may still look at it', async () => {
    const run = 'ended-lately'
    const at = server.clock.now
    const gone = { run, station: 'espresso-bucket', reason: 'tried' }
    await server.app.inject({
      method: 'POST',
      url: `/api/sites/${siteId}/records`,
      headers: { cookie },
      payload: { sentAt: at, drafts: [started(at, run), draft(at, 'run.abandoned@1', gone)] },
    })
    const answer = await server.app.inject({
      method: 'GET',
      url: `/api/sites/${siteId}/state`,
      headers: { cookie },
    })
    const { states } = answer.json<{ states: { kind: string; id: string }[] }>()
    expect(states).toContainEqual(expect.objectContaining({ kind: 'run', id: run }))
  })
})
