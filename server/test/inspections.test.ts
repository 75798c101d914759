import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { verifySite } from '../record/verify/verify.ts'
import { siteId } from '../demo/house.ts'
import { ask, draft, inspect, signIn, testServer, type TestServer } from './server.ts'

const dayMs = 86_400_000
let server: TestServer
let lead = ''
let crew = ''
let inspector = ''
beforeAll(async () => {
  server = await testServer(14)
  lead = await signIn(server.app, 'ines')
  crew = await signIn(server.app, 'bao')
  inspector = await inspect(server, lead)
})
afterAll(() => server.close())

const code = (answer: { json: () => unknown }) => (answer.json() as { code?: string }).code
const open = (token: string, cookie = '') =>
  server.app.inject({
    method: 'POST',
    url: '/api/inspect',
    headers: { cookie },
    payload: { token, device: 'theirs' },
  })
const links = async () =>
  (
    (await ask(server, lead, 'GET', '/inspections')).json() as {
      links: { id: string; usedAt: number; endsAt: number; looked: string[] }[]
    }
  ).links
const newLink = async (more: object = {}) =>
  (await ask(server, lead, 'POST', '/inspections', { name: 'Nib', days: 7, hours: 2, ...more })).json() as {
    id: string
    path: string
    endsAt: number
  }
const tokenOf = ({ path }: { path: string }) => path.split('#')[1] ?? ''

describe('a link for an inspector', () => {
  it('is made by a lead, not by crew, for what is offered alone', async () => {
    expect(code(await ask(server, crew, 'POST', '/inspections', { name: 'X', days: 7, hours: 2 }))).toBe(
      'not_allowed',
    )
    for (const odd of [{ days: 8 }, { hours: 1000 }, { name: ' ' }]) {
      const body = { name: 'X', days: 7, hours: 2, ...odd }
      expect(code(await ask(server, lead, 'POST', '/inspections', body))).toBe('body_malformed')
    }
  })
  it('shows the log of its period and nothing before it, whatever is asked', async () => {
    const oldest = async (cookie: string, query: string) => {
      const answer = await ask(server, cookie, 'GET', `/log?limit=200${query}`)
      const { records } = answer.json() as { records: { observedAt: number }[] }
      return Math.min(...records.map((r) => r.observedAt))
    }
    const before = server.clock.now - 7 * dayMs
    expect(await oldest(lead, `&to=${before}`)).toBeLessThan(before)
    expect(await oldest(inspector, `&to=${before}`)).toBe(Number.POSITIVE_INFINITY)
    expect(await oldest(inspector, '&from=0')).toBeGreaterThanOrEqual(before)
    const own = (await ask(server, inspector, 'GET', '/inspection')).json()
    expect(own).toEqual({ from: before, endsAt: server.clock.now + 2 * 3_600_000, station: null })
  })
  it('shows who and what the log names, and not how things are right now', async () => {
    const { states } = (await ask(server, inspector, 'GET', '/state')).json() as {
      states: { kind: string }[]
    }
    const kinds = new Set(states.map((s) => s.kind))
    expect(kinds.has('station') && kinds.has('crew')).toBe(true)
    for (const kind of ['run', 'bath', 'case', 'plan', 'roster']) expect(kinds.has(kind)).toBe(false)
  })
  it('for who mends one machine shows that machine alone, whatever is asked', async () => {
    const station = 'kiosk-soft-serve'
    const theirs = await inspect(server, lead, { station, name: 'Bolt' })
    for (const query of ['', '&stations=kiosk-nugget', '&words=sanitizer']) {
      const { records } = (await ask(server, theirs, 'GET', `/log?limit=200${query}`)).json() as {
        records: { payload: { station?: string }; subject: { kind: string; id: string } }[]
      }
      if (query === '') expect(records.length).toBeGreaterThan(0)
      for (const r of records) expect(r.payload.station ?? r.subject.id).toBe(station)
    }
    const { states } = (await ask(server, theirs, 'GET', '/state')).json() as {
      states: { kind: string; id: string }[]
    }
    expect(states.filter((s) => s.kind === 'station').map((s) => s.id)).toEqual([station])
    const day = new Date(server.clock.now - dayMs).toISOString().slice(0, 10)
    expect(code(await ask(server, theirs, 'GET', `/sheets/${day}`))).toBe('not_allowed')
    const nowhere = { name: 'Bolt', days: 7, hours: 2, station: 'no-such' }
    expect(code(await ask(server, lead, 'POST', '/inspections', nowhere))).toBe('not_found')
  })
  it('may check the chain, and writes, plans and exports nothing', async () => {
    expect((await ask(server, inspector, 'POST', '/verify')).statusCode).toBe(200)
    const tried = draft(
      server.clock.now,
      'run.parked@1',
      { run: 'r', station: 'galley-bucket' },
      { by: 'inspector-quill' },
    )
    const sent = await ask(server, inspector, 'POST', '/records', {
      sentAt: server.clock.now,
      drafts: [tried],
    })
    expect(JSON.stringify(sent.json())).toContain('not_allowed')
    expect(code(await ask(server, inspector, 'GET', '/log.json'))).toBe('not_allowed')
    const plan = await server.app.inject({
      method: 'POST',
      url: '/api/plan',
      headers: { cookie: inspector },
      payload: {},
    })
    expect(code(plan)).not.toBe(undefined)
  })
  it('is no way to sign in beside somebody of the site, and nobody of its people', async () => {
    expect(code(await open(tokenOf(await newLink()), crew))).toBe('somebody_here')
    const { rows } = await server.owner.query<{ id: string }>('select id from tablet limit 1')
    await server.owner.query(
      'insert into pin_try (site_id, tablet_id, person_id, wrong) values ($1, $2, $3, 10)',
      [siteId, rows[0]?.id, 'bao'],
    )
    const lockedFor = async (cookie: string) => {
      const answer = await server.app.inject({ url: '/api/front-door', headers: { cookie } })
      const { people } = answer.json() as { people: { id: string; lockedOn: unknown[] }[] }
      return people.find((p) => p.id === 'bao')?.lockedOn.length
    }
    expect([await lockedFor(lead), await lockedFor(inspector)]).toEqual([1, 0])
    const door = await server.app.inject({ url: '/api/front-door', headers: { cookie: lead } })
    expect((door.json() as { people: { role: string }[] }).people.map((p) => p.role)).not.toContain(
      'inspector',
    )
  })
  it('ends by itself, and by a lead’s hand: at once for who has it open', async () => {
    const link = await newLink()
    const opened = await open(tokenOf(link))
    const cookie = `tadka_session=${opened.cookies.find((c) => c.name === 'tadka_session')?.value}`
    expect((await links()).find((l) => l.id === link.id)?.usedAt).toBe(server.clock.now)
    await ask(server, cookie, 'GET', '/sheets/2026-11-25')
    await ask(server, cookie, 'GET', '/log')
    await ask(server, cookie, 'GET', '/sheets/2026-11-25')
    expect((await links()).find((l) => l.id === link.id)?.looked).toEqual(['2026-11-25', 'entries'])
    expect((await ask(server, lead, 'POST', `/inspections/${link.id}/end`)).statusCode).toBe(200)
    expect(code(await ask(server, cookie, 'GET', '/log'))).toBe('not_signed_in')
    expect(code(await open(tokenOf(link)))).toBe('link_ended')
    expect(code(await ask(server, lead, 'POST', `/inspections/${link.id}/end`))).toBe('not_found')
    const other = await newLink({ hours: 2 })
    const now = server.clock.now
    server.clock.now = other.endsAt + 1
    expect(code(await open(tokenOf(other)))).toBe('link_ended')
    // What they were used for stays on record.
    for (const l of await links()) expect(l.endsAt).toBeLessThanOrEqual(server.clock.now)
    expect(code(await ask(server, inspector, 'GET', '/log'))).toBe('link_ended')
    server.clock.now = now
  })
  it('makes whoever guesses at one wait', async () => {
    const wrong = 'x'.repeat(43)
    const codes: (string | undefined)[] = []
    for (let n = 0; n < 8; n++) codes.push(code(await open(wrong)))
    expect(codes).toContain('too_often')
    expect(code(await open('not whole'))).toBe('body_malformed')
  })
  it('stands in the log with who made and ended it, and the chain is whole', async () => {
    const { rows } = await server.owner.query<{ by: string; left: boolean }>(
      `select by_person as by, (body #>> '{payload,left}')::boolean as left from record
      where site_id = $1 and type = 'person.set@1' and subject_id like 'inspector-%' order by seq`,
      [siteId],
    )
    expect(rows.every((r) => r.by === 'ines')).toBe(true)
    expect(rows.some((r) => r.left)).toBe(true)
    expect(await verifySite(server.pool, siteId)).toMatchObject({ sound: true })
  })
})
