import type { AnyRecord } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { mostStreams } from '../record/events.ts'
import { headOf } from '../stream/heads.ts'
import { openPool } from '../db/pool.ts'
import { signIn, started, testServer, type TestServer } from './server.ts'

let server: TestServer
let address: string
let cookie: string
beforeAll(async () => {
  server = await testServer(1)
  address = await server.app.listen({ host: '127.0.0.1', port: 0 })
  cookie = await signIn(server.app, 'bao')
})
afterAll(() => server.close())

const send = (drafts: unknown[]) =>
  server.app.inject({
    method: 'POST',
    url: `/api/sites/${siteId}/records`,
    headers: { cookie },
    payload: { sentAt: server.clock.now, drafts },
  })

interface Event {
  readonly event: string
  readonly id: string | undefined
  readonly data: string
}

/** Follows the stream until `enough` says so, and hangs up. */
async function follow(
  path: string,
  headers: Record<string, string>,
  enough: (seen: Event[]) => boolean,
): Promise<Event[]> {
  const hangUp = new AbortController()
  const answer = await fetch(`${address}${path}`, { headers, signal: hangUp.signal })
  const seen: Event[] = []
  let rest = ''
  const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader()
  while (reader && !enough(seen)) {
    const { value, done } = await reader.read()
    if (done) break
    const blocks = (rest + value).split('\n\n')
    rest = blocks.pop() ?? ''
    for (const block of blocks) {
      const field = (name: string) => block.match(new RegExp(`^${name}: (.*)$`, 'm'))?.[1]
      seen.push({ event: field('event') ?? '', id: field('id'), data: field('data') ?? '' })
    }
  }
  hangUp.abort()
  return seen
}

/** Follows a stream to its end; returns when it has begun, with what is seen of it in the end. */
async function begun(path: string, own: string): Promise<{ seen: Promise<Event[]> }> {
  let seen: Promise<Event[]> = Promise.resolve([])
  await new Promise<void>((resolve, reject) => {
    const telling = (s: Event[]) => {
      if (s.length > 0) resolve()
      return false
    }
    seen = follow(path, { cookie: own }, telling)
    seen.catch(reject)
  })
  return { seen }
}

const records = (seen: Event[]) => seen.filter((e) => e.event === 'record')
const head = async () => {
  const pool = openPool(server.appUrl, () => {})
  const { seq } = await headOf(pool, siteId)
  await pool.end()
  return seq
}

describe('the stream of a site', () => {
  it('begins with the server’s time', async () => {
    const [first] = await follow(
      `/api/sites/${siteId}/events?after=${await head()}`,
      { cookie },
      (s) => s.length > 0,
    )
    expect(first).toMatchObject({ event: 'time', data: String(server.clock.now) })
  })
  it('brings all records from where the tablet stands, in order and without a gap', async () => {
    const end = await head()
    const seen = records(
      await follow(`/api/sites/${siteId}/events?after=0`, { cookie }, (s) => records(s).length >= end),
    )
    expect(seen.map((e) => Number(e.id))).toEqual(Array.from({ length: end }, (_, i) => i + 1))
    expect(JSON.parse(seen[0]?.data ?? '{}')).toMatchObject({ seq: 1, type: 'person.set@1' })
  })
  it('brings a record the moment another tablet makes it', async () => {
    const end = await head()
    const following = follow(
      `/api/sites/${siteId}/events?after=${end}`,
      { cookie },
      (s) => records(s).length >= 1,
    )
    await send([started(server.clock.now, 'run-live')])
    const [seen] = records(await following)
    expect(JSON.parse(seen?.data ?? '{}') as AnyRecord).toMatchObject({
      seq: end + 1,
      payload: { run: 'run-live' },
    })
  })
  it('resumes after the last event that the tablet had', async () => {
    const end = await head()
    await send([started(server.clock.now, 'run-r1'), started(server.clock.now, 'run-r2')])
    const headers = { cookie, 'last-event-id': String(end + 1) }
    const seen = records(
      await follow(`/api/sites/${siteId}/events?after=0`, headers, (s) => records(s).length >= 1),
    )
    expect(seen.map((e) => Number(e.id))).toEqual([end + 2])
  })
  it('begins where the address says, where the last event that a tablet had is no number', async () => {
    const end = await head()
    await send([started(server.clock.now, 'run-n1'), started(server.clock.now, 'run-n2')])
    for (const last of ['x', '-3', '0', '1.5', '9007199254740993']) {
      const headers = { cookie, 'last-event-id': last }
      const path = `/api/sites/${siteId}/events?after=${end + 1}`
      const [first] = records(await follow(path, headers, (s) => records(s).length >= 1))
      expect([last, Number(first?.id)]).toEqual([last, end + 2])
    }
  })
  it('is a stream to browsers and to what lies between, kept by nobody', async () => {
    const hangUp = new AbortController()
    const path = `/api/sites/${siteId}/events?after=${await head()}`
    const { headers } = await fetch(`${address}${path}`, { headers: { cookie }, signal: hangUp.signal })
    hangUp.abort()
    expect(headers.get('content-type')).toBe('text/event-stream')
    expect(headers.get('cache-control')).toBe('no-store')
    expect(headers.get('x-accel-buffering')).toBe('no')
  })
  it('tells each of many tablets every record once, wherever each of them stood', async () => {
    const end = await head()
    const stood = [0, 3, end - 1, end, end]
    const last = end + 30
    const following = stood.map((after) =>
      follow(
        `/api/sites/${siteId}/events?after=${after}`,
        { cookie },
        (s) => Number(records(s).at(-1)?.id) >= last,
      ),
    )
    for (let i = 0; i < 10; i++) await send([1, 2, 3].map((n) => started(server.clock.now, `run-m${i}-${n}`)))
    for (const [i, seen] of (await Promise.all(following)).entries()) {
      const after = stood[i] ?? 0
      expect(records(seen).map((e) => Number(e.id))).toEqual(
        Array.from({ length: last - after }, (_, n) => after + n + 1),
      )
    }
  })
  it('ends where the last one signs out', async () => {
    const own = await signIn(server.app, 'bao', 'ines')
    const ended = await begun(`/api/sites/${siteId}/events?after=${await head()}`, own)
    const out = (person: string) =>
      server.app.inject({ method: 'DELETE', url: `/api/session/people/${person}`, headers: { cookie: own } })
    await out('bao')
    await out('ines')
    // It comes back at all: the server hung up.
    expect(records(await ended.seen)).toEqual([])
  })
  it('ends where the session was ended in the database, whoever ended it', async () => {
    const own = await signIn(server.app, 'bao')
    const ended = await begun(`/api/sites/${siteId}/events?after=${await head()}`, own)
    await server.owner.query(`update session set expires_at = now() where id = (select max(id) from session)`)
    const other = await signIn(server.app, 'ines')
    await server.app.inject({ method: 'DELETE', url: '/api/session/people/ines', headers: { cookie: other } })
    expect(await ended.seen).toMatchObject([{ event: 'time' }])
  })
  it('has so many for one session: the oldest is hung up for the newest', async () => {
    const own = await signIn(server.app, 'bao')
    const path = `/api/sites/${siteId}/events?after=${await head()}`
    const oldest = await begun(path, own)
    const others = Array.from({ length: mostStreams.session }, () =>
      follow(path, { cookie: own }, (s) => records(s).length > 0),
    )
    expect(await oldest.seen).toMatchObject([{ event: 'time' }])
    await send([started(server.clock.now, 'run-tabs')])
    expect((await Promise.all(others)).map((s) => records(s).length)).toEqual(others.map(() => 1))
  })
  it('tells nothing to those who are not signed in', async () => {
    const answer = await fetch(`${address}/api/sites/${siteId}/events`)
    expect(answer.status).toBe(401)
    expect(await answer.json()).toMatchObject({ code: 'not_signed_in' })
  })
})
