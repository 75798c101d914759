import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useSession } from '../src/rights/session.ts'
import { useSiteStore } from '../src/site/site.ts'
import { stored, tablet, type Tablet } from './tablet.ts'

let t: Tablet
let site: ReturnType<typeof useSiteStore>

const bao = { id: 'bao', name: 'Bao', role: 'crew' as const, pass: 'pass of bao' }
const start = { run: 'r', station: 's', procedure: { id: 'bucket.fill', version: 1 }, parameters: {} }
const subject = { kind: 'run', id: 'r' } as const

/** Lets everything that waits on answers go on. */
const settled = () => vi.waitFor(() => expect(site.unsent).toBe(0))

beforeEach(async () => {
  t = tablet()
  const session = useSession()
  session.site = 'gannet'
  session.people = [bao]
  site = useSiteStore()
  t.server.answer = (path) => ({
    status: 200,
    body: path.endsWith('/state')
      ? { serverTime: Date.now(), seq: 10, states: [] }
      : { serverTime: Date.now(), outcomes: [] },
  })
  await site.load()
})
afterEach(() => vi.unstubAllGlobals())

/** The server takes what comes, or refuses it. */
function takes(outcome: 'accepted' | 'refused' | 'held', seq = 11): void {
  t.server.answer = (_, body) => ({
    status: 200,
    body: {
      serverTime: Date.now(),
      outcomes: (body as { drafts: { id: string }[] }).drafts.map((d, i) => ({
        id: d.id,
        outcome,
        seq: seq + i,
        code: 'not_allowed',
        message: 'no',
      })),
    },
  })
}

describe('what is done on the tablet', () => {
  it('shows at once, before the server has it', async () => {
    t.server.answer = null
    site.record('run.started@1', subject, start)
    expect(site.one('run', 'r')).toMatchObject({ status: 'running', startedBy: 'bao' })
    expect(site.unsent).toBe(1)
    takes('accepted')
    await settled()
  })
  it('is sent once, and shows the same when it comes back in the stream', async () => {
    takes('accepted')
    const draft = site.record('run.started@1', subject, start)
    await settled()
    const before = site.one('run', 'r')
    t.say('record', stored(draft, 11))
    expect(site.one('run', 'r')).toEqual(before)
    expect(site.seq).toBe(11)
    expect(t.server.asked.filter((a) => a.path.endsWith('/records'))).toHaveLength(1)
  })
  it('is sent again by itself when the server could not be reached, in the order it was done', async () => {
    t.server.answer = null
    site.record('run.started@1', subject, start)
    site.record('run.parked@1', subject, { run: 'r', station: 's' })
    await vi.waitFor(() => expect(t.server.asked.length).toBeGreaterThan(1))
    takes('accepted')
    await settled()
    const sent = t.server.asked.at(-1)?.body as { drafts: { type: string }[] }
    expect(sent.drafts.map((d) => d.type)).toEqual(['run.started@1', 'run.parked@1'])
  })
  it('refused, no longer shows as done, and stays with its reason until it is put aside', async () => {
    takes('refused')
    const draft = site.record('run.started@1', subject, start)
    await settled()
    expect(site.one('run', 'r')).toBeNull()
    expect(site.refused.map((r) => [r.draft.id, r.refusal.code])).toEqual([[draft.id, 'not_allowed']])
    await site.putAside(draft.id)
    expect(site.refused).toEqual([])
  })
})

describe('what goes with what is done here', () => {
  it('is by whose sign-in it was made, whoever is signed in when it is sent', async () => {
    t.server.answer = null
    site.record('run.started@1', subject, start)
    useSession().people = [{ id: 'ines', name: 'Ines', role: 'lead', pass: 'pass of ines' }]
    site.record('run.parked@1', subject, { run: 'r', station: 's' })
    takes('accepted')
    void site.send()
    await settled()
    const sent = t.server.asked.flatMap(
      ({ body }) => (body as { provenance?: { pass: string }[] } | null)?.provenance ?? [],
    )
    expect(sent.slice(-2).map((c) => c.pass)).toEqual(['pass of bao', 'pass of ines'])
  })
  it('held for a manager no longer shows as done, and does not stay as refused', async () => {
    takes('held')
    site.record('run.started@1', subject, start)
    await settled()
    expect(site.one('run', 'r')).toBeNull()
    expect([site.refused.length, site.held]).toEqual([0, 1])
  })
})

describe('what the server has taken', () => {
  it('counts once where states came that hold it already, and the stream will never bring it', async () => {
    // The stream was lost: the answer tells a place that this tablet has not come to.
    takes('accepted', 15)
    site.record('run.started@1', subject, start)
    await settled()
    site.record('run.parked@1', subject, { run: 'r', station: 's' })
    await settled()
    const resumed = { ...site.one('run', 'r'), status: 'running', reason: 'as the server has it' }
    t.server.answer = () => ({
      status: 200,
      body: {
        serverTime: Date.now(),
        seq: 20,
        states: [{ kind: 'run', id: 'r', state: resumed, last: null }],
      },
    })
    await site.load()
    expect(site.one('run', 'r')).toEqual(resumed)
  })
})

describe('what others do', () => {
  const theirs = (seq: number, at: number, type: string, payload: object) =>
    stored(
      {
        id: `x${seq}`,
        site: 'gannet',
        type,
        subject,
        observedAt: at,
        device: 'other',
        counter: seq,
        by: 'dara',
        payload,
      } as never,
      seq,
    )

  it('shows as it comes', () => {
    t.say('record', theirs(11, 1000, 'run.started@1', start))
    t.say('record', theirs(12, 2000, 'run.parked@1', { run: 'r', station: 's' }))
    expect(site.one('run', 'r')).toMatchObject({ status: 'parked', lastBy: 'dara' })
    expect(site.all('run')).toHaveLength(1)
  })
  it('heard twice, counts once', () => {
    t.say('record', theirs(11, 1000, 'run.started@1', start))
    t.say('record', theirs(11, 1000, 'run.started@1', start))
    expect(site.seq).toBe(11)
  })
  it('come late, has the state fetched as the server folded it', async () => {
    t.say('record', theirs(11, 5000, 'run.started@1', start))
    const folded = { ...site.one('run', 'r'), reason: 'as the server has it' }
    t.server.answer = (path) => ({
      status: 200,
      body: path.includes('/subjects/') ? { kind: 'run', id: 'r', state: folded, last: null } : {},
    })
    t.say('record', theirs(12, 4000, 'run.parked@1', { run: 'r', station: 's' }))
    await vi.waitFor(() => expect(site.one('run', 'r')?.reason).toBe('as the server has it'))
  })
})

describe('a state that is fetched', () => {
  it('never puts back what came while it was under way', async () => {
    const said = (seq: number, at: number, type: string, payload: object) =>
      t.say(
        'record',
        stored(
          {
            id: `y${seq}`,
            site: 'gannet',
            type,
            subject,
            observedAt: at,
            device: 'o',
            counter: seq,
            by: 'dara',
            payload,
          } as never,
          seq,
        ),
      )
    said(11, 5000, 'run.started@1', start)
    const old = { ...site.one('run', 'r'), reason: 'before' }
    const parked = { ...old, status: 'parked', reason: 'after' }
    let asked = 0
    t.server.answer = () => {
      asked += 1
      // While the first answer is under way, the run is parked.
      if (asked === 1) said(13, 6000, 'run.parked@1', { run: 'r', station: 's' })
      const state = asked === 1 ? old : parked
      return { status: 200, body: { kind: 'run', id: 'r', state, last: null } }
    }
    said(12, 4000, 'run.resumed@1', { run: 'r', station: 's' })
    await vi.waitFor(() => expect(site.one('run', 'r')?.reason).toBe('after'))
    expect(site.one('run', 'r')?.status).toBe('parked')
  })
})

describe('the door', () => {
  it('is asked once, however many names are looked for', async () => {
    const session = useSession()
    t.server.answer = () => ({ status: 200, body: { hasSite: true, tablet: null, site: null, people: [] } })
    await Promise.all([session.openDoor(), session.openDoor(), session.openDoor()])
    expect(t.server.asked.filter((a) => a.path.endsWith('/front-door'))).toHaveLength(1)
  })
})

describe('the session', () => {
  it('acts as the person chosen, and may do what their role may', () => {
    const session = useSession()
    session.people = [bao, { id: 'ines', name: 'Ines', role: 'lead', pass: '' }]
    session.actingId = 'ines'
    expect([session.acting?.name, session.mayDo('sign-shift')]).toEqual(['Ines', true])
    session.actingId = 'bao'
    expect([session.acting?.name, session.mayDo('sign-shift')]).toEqual(['Bao', false])
  })
  it('without network goes on with the people who were signed in', async () => {
    const session = useSession()
    t.server.answer = () => ({
      status: 200,
      body: { site: 'gannet', device: 'd', people: [bao], serverTime: Date.now() },
    })
    await session.load()
    t.server.answer = null
    await session.load()
    expect([session.acting?.id, session.site]).toEqual(['bao', 'gannet'])
  })
})
