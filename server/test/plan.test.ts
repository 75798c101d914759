import ical from 'ical.js'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { planViolations, planSearch, type Plan, type PlanProblem, type PlanState } from '@tadka/core/plan'
import type { Learned, StationState } from '@tadka/core/procedure'
import { siteId } from '../demo/house.ts'
import { FeedSources } from '../plan/feed-source.ts'
import { personFeed } from '../plan/feed.ts'
import { draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let [lead, crew] = ['', '']
beforeAll(async () => {
  server = await testServer(4)
  lead = await signIn(server.app, 'ines')
  crew = await signIn(server.app, 'bao')
})
afterAll(() => server.close())

const send = (cookie: string, ...drafts: unknown[]) =>
  server.app.inject({
    method: 'POST',
    url: `/api/sites/${siteId}/records`,
    headers: { cookie },
    payload: { sentAt: server.clock.now, drafts },
  })
const outcome = async (cookie: string, one: unknown) => {
  const answer = await send(cookie, one)
  return (answer.json() as { outcomes: { outcome: string; code?: string }[] }).outcomes[0]
}

const problem: PlanProblem = {
  format: 'tadka-plan-problem@1',
  start: Date.parse('2026-11-26T21:30:00Z'),
  horizon: 120,
  people: [{ id: 'ines', name: 'Ines', from: 0, to: 100, most: 120, serves: [], breaks: [], home: null }],
  counters: [],
  stations: [{ id: 'kiosk-slush', name: 'Slush', place: 'Kiosk', up: [] }],
  keepUp: [],
  places: {},
  runs: [
    {
      id: 'kiosk-slush/slush.in-place/2026-11-26',
      station: 'kiosk-slush',
      procedure: 'slush.in-place',
      title: 'Clean in place',
      earliest: 0,
      target: 60,
      latest: 90,
      weight: 1,
      signedOff: ['ines'],
      learning: [],
      segments: [{ id: 'a', title: 'Drain', kind: 'hands-on', minutes: 12, most: null, places: [] }],
      links: [],
      endsFrom: 0,
    },
  ],
  orders: [],
  pins: [],
}
const plan = planSearch(problem).plan()
const planSet = (by: string) =>
  draft(
    server.clock.now,
    'plan.set@1',
    { day: '2026-11-26', start: problem.start, plan, bound: 12, pins: [], putIn: [], putOff: [] },
    { subject: { kind: 'plan', id: '2026-11-26' }, by },
  )
const rosterSet = (by: string, shifts: object[]) =>
  draft(
    server.clock.now,
    'roster.set@1',
    { day: '2026-11-27', shifts },
    { subject: { kind: 'roster', id: '2026-11-27' }, by },
  )
const shift = (person: string, more: object = {}) => ({
  person,
  from: '15:00',
  to: '24:30',
  breaks: [],
  ...more,
})

describe('rosters and plans', () => {
  it('are put in force by a lead, and refused from a crew member', async () => {
    expect(await outcome(lead, planSet('ines'))).toMatchObject({ outcome: 'accepted' })
    expect(await outcome(crew, planSet('bao'))).toMatchObject({ outcome: 'refused', code: 'not_allowed' })
    expect(await outcome(crew, rosterSet('bao', [shift('bao')]))).toMatchObject({
      outcome: 'refused',
      code: 'not_allowed',
    })
    expect(await outcome(lead, rosterSet('ines', [shift('ines')]))).toMatchObject({ outcome: 'accepted' })
  })
  it('sign-offs are a manager’s', async () => {
    const crewSet = draft(
      server.clock.now,
      'crew.set@1',
      { signedOff: ['slush'], learning: [], serves: [], home: null },
      { subject: { kind: 'crew', id: 'bao' }, by: 'ines' },
    )
    expect(await outcome(lead, crewSet)).toMatchObject({ outcome: 'refused', code: 'not_allowed' })
  })
  it.each([
    ['a time that is none', shift('ines', { from: '9 o’clock' })],
    ['a break without its minutes', shift('ines', { breaks: [{ earliest: '18:00', latest: '19:00' }] })],
    ['a field nobody knows', shift('ines', { nickname: 'I' })],
  ])('a roster with %s is refused and changes nothing', async (_, bad) => {
    expect(await outcome(lead, rosterSet('ines', [bad]))).toMatchObject({ outcome: 'refused' })
  })
})

describe('planning over the wire', () => {
  let cookie: string
  beforeAll(async () => {
    cookie = await signIn(server.app, 'bao')
  })
  const ask = (payload: object, headers: object = { cookie }) =>
    server.app.inject({ method: 'POST', url: '/api/plan', headers: { ...headers }, payload })
  it('asks who is there before it works', async () =>
    expect((await ask({ problem, iterations: 20 }, {})).json()).toMatchObject({ code: 'not_signed_in' }))
  it('gives a plan that keeps its constraints, and a bound, the same for the same seed', async () => {
    const answers = await Promise.all([ask({ problem, iterations: 20 }), ask({ problem, iterations: 20 })])
    const [first, second] = answers.map((a) => a.json() as { plan: Plan; bound: { last: number } })
    expect(first && planViolations(problem, first.plan)).toEqual([])
    expect(first?.bound.last).toBeLessThanOrEqual(first?.plan.objective.last ?? 0)
    expect(first).toEqual(second)
  })
  const [run] = problem.runs
  it.each([
    ['no problem', {}],
    ['a station that is not there', { problem: { ...problem, stations: [] } }],
    [
      'links in a circle',
      { problem: { ...problem, runs: [{ ...run, links: [{ from: 'a', to: 'a', least: 0, most: null }] }] } },
    ],
    ['more iterations than it gives', { problem, iterations: 1_000_000 }],
    ['a negative horizon', { problem: { ...problem, horizon: -1 } }],
  ])('refuses %s', async (_, payload) => {
    const answer = await ask(payload)
    expect(answer.statusCode).toBe(400)
    expect(answer.json()).toMatchObject({ code: expect.any(String), message: expect.any(String) })
  })
})

describe('minutes learned', () => {
  it('come from the site’s finished runs, whole and at least one', async () => {
    const answer = await server.app.inject({ url: `/api/sites/${siteId}/learned`, headers: { cookie: crew } })
    const { steps: learned } = answer.json() as { steps: Record<string, Learned> }
    expect(Object.keys(learned)).toContain('slush.in-place')
    const { site = {}, people = {} } = learned['slush.in-place'] ?? {}
    expect(Object.keys(site).length).toBeGreaterThan(0)
    for (const minutes of [site, ...Object.values(people)].flatMap((m) => Object.values(m))) {
      expect(Number.isInteger(minutes)).toBe(true)
      expect(minutes).toBeGreaterThanOrEqual(1)
    }
  })
  it('are for people signed in', async () => {
    expect((await server.app.inject({ url: `/api/sites/${siteId}/learned` })).statusCode).toBe(401)
  })
})

describe('a person’s calendar', () => {
  const subscribe = async (cookie: string) => {
    const answer = await server.app.inject({
      method: 'POST',
      url: `/api/sites/${siteId}/calendar`,
      headers: { cookie },
    })
    return (answer.json() as { path: string }).path
  }
  const events = (text: string) =>
    new ical.Component(ical.parse(text) as never).getAllSubcomponents('vevent').map((e) => new ical.Event(e))

  it('is read without signing in by whoever has its address: shifts, planned work, rare duties', async () => {
    await send(lead, planSet('ines'))
    const answer = await server.app.inject({ url: await subscribe(lead) })
    expect(answer.headers['content-type']).toContain('text/calendar')
    const found = events(answer.body)
    const titles = found.map((e) => e.summary)
    expect(titles).toContain('Shift, Gannet Terminal')
    expect(titles).toContain('Kiosk slush: Clean in place')
    expect(titles.some((x) => x.startsWith('Due: '))).toBe(true)
    const work = found.find((e) => e.summary === 'Kiosk slush: Clean in place')
    expect(work?.startDate.toJSDate().getTime()).toBe(problem.start + (plan.placed[0]?.start ?? 0) * 60_000)
    expect((work?.endDate.toJSDate().getTime() ?? 0) - (work?.startDate.toJSDate().getTime() ?? 0)).toBe(
      12 * 60_000,
    )
  })
  it('shows nobody else’s shifts', async () => {
    const answer = await server.app.inject({ url: await subscribe(crew) })
    expect(events(answer.body).map((e) => e.summary)).not.toContain('Kiosk slush: Clean in place')
  })
  it('has the visits from outside of a day, for those who look after them alone', async () => {
    const visit = { kind: 'technician', company: 'Quayside Cold', day: '2026-12-03' }
    const subject = { kind: 'visit', id: 'v9' }
    const set = { ...visit, station: 'kiosk-slush', note: 'drips' }
    await send(lead, draft(server.clock.now, 'visit.set@1', set, { by: 'ines', subject }))
    const of = async (cookie: string) =>
      events((await server.app.inject({ url: await subscribe(cookie) })).body).find((e) =>
        e.summary.includes('Quayside Cold'),
      )
    const found = await of(lead)
    expect([found?.summary, found?.description]).toEqual([
      'A technician: Quayside Cold',
      'Kiosk slush: drips',
    ])
    expect([found?.startDate.isDate, found?.startDate.toString()]).toEqual([true, '2026-12-03'])
    expect(await of(crew)).toBeUndefined()
  })
  it('ends its old address when a new one is asked for', async () => {
    const old = await subscribe(crew)
    const next = await subscribe(crew)
    expect((await server.app.inject({ url: old })).statusCode).toBe(404)
    expect((await server.app.inject({ url: next })).statusCode).toBe(200)
  })
  it.each([
    ['a wrong key', `/api/calendar/${siteId}/bao/${'x'.repeat(43)}.ics`],
    ['another person', `/api/calendar/${siteId}/nobody/${'x'.repeat(43)}.ics`],
    ['another site', `/api/calendar/elsewhere/bao/${'x'.repeat(43)}.ics`],
  ])('is not found with %s', async (_, url) => {
    expect((await server.app.inject({ url })).statusCode).toBe(404)
  })
  it('keeps only the key’s hash', async () => {
    const path = await subscribe(crew)
    const key = path.split('/').at(-1)?.replace('.ics', '') ?? ''
    const { rows } = await server.owner.query<{ key_hash: string }>('select key_hash from calendar_key')
    expect(rows.length).toBeGreaterThan(0)
    for (const row of rows) expect(row.key_hash).not.toContain(key)
  })
})

describe('what calendars are made from', () => {
  it('is read once for each change of the log, and anew every quarter of an hour', async () => {
    const sources = new FeedSources(server.pool)
    const at = server.clock.now
    const first = await sources.of(siteId, at)
    expect(first?.stations.length).toBeGreaterThan(3)
    expect(await sources.of(siteId, at + 14 * 60_000)).toBe(first)
    expect(await sources.of(siteId, at + 16 * 60_000)).not.toBe(first)
    const again = await sources.of(siteId, at + 16 * 60_000)
    await send(lead, planSet('ines'))
    const changed = await sources.of(siteId, at + 16 * 60_000)
    expect(changed).not.toBe(again)
    expect(changed?.plans.length).toBeGreaterThan(0)
    expect(await sources.of('nowhere', at)).toBeNull()
  })
  it('names a repair that an inspection asked for in the words of the screens', async () => {
    const source = await new FeedSources(server.pool).of(siteId, server.clock.now)
    const [station] = source?.stations.filter((s) => s.plate !== null) ?? []
    if (!source || !station?.plate) throw new Error('the demo has machines')
    const asked = { run: 'run-9', step: 'seal', outcome: 'regrease', part: 'seal', at: 0 }
    const { crews: _, ...rest } = source
    const placed = [
      { run: `${station.id}/follow-up/run-9.seal`, segment: 'do', person: 'bao', start: 0, end: 15 },
    ]
    const feed = personFeed(
      {
        ...rest,
        person: { id: 'bao', name: 'Bao' },
        stations: [{ ...station, followUps: [asked] } as unknown as StationState],
        plans: [{ id: 'p', inForce: { start: server.clock.now, plan: { placed } } } as unknown as PlanState],
        crew: null,
      },
      server.clock.now,
    )
    expect(feed).toContain(`SUMMARY:${station.plate.name}: Regrease it`)
  })
})
