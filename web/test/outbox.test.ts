import type { AnyDraft } from '@tadka/core/stream'
import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Kept, Rows, TabletStore } from '../src/stream/tablet-store.ts'
import { tablet } from './tablet.ts'

/** Other files have opened the tablet's store already: here it is another, and what works on it is read anew. */
const tabletStore = vi.fn<() => Promise<TabletStore | null>>()
vi.resetModules()
vi.doMock('../src/stream/tablet-store.ts', () => ({ tabletStore }))
const { forgetBackedUp, keep } = await import('../src/stream/outbox.ts')
const { makeSender } = await import('../src/stream/sender.ts')
afterAll(() => {
  vi.doUnmock('../src/stream/tablet-store.ts')
  vi.resetModules()
})
const has = (outbox: object) => tabletStore.mockResolvedValue({ outbox } as unknown as TabletStore)

const draft = (id: string, counter: number) => ({ id, counter, site: 'gannet' }) as AnyDraft
const kept = (id: string, order: number): Kept => ({
  id,
  order,
  draft: draft(id, order),
  refusal: null,
  at: null,
})
const told = { settled: () => {}, joined: () => {} }
const three = ['a', 'b', 'c']
const provenance = { pass: null, offset: null }

/** A tablet's store that takes, or has no room; what it was asked to write, by each time. */
function store(room: boolean): string[][] {
  const written: string[][] = []
  const outbox: Rows<Kept> = {
    all: async () => [],
    put: async (all) => {
      if (!room) throw new Error('QuotaExceededError')
      written.push(all.map((k) => k.id))
    },
    change: async () => {},
    remove: async () => {},
  }
  has(outbox)
  return written
}

beforeEach(() => void tablet())
afterEach(() => vi.unstubAllGlobals())

describe('what was done at once', () => {
  it('is written to the tablet at once, not one after the other: a reload in between would lose the rest', async () => {
    const written = store(true)
    makeSender(() => 'gannet', told).add(three.map(draft), provenance)
    await vi.waitFor(() => expect(written).toEqual([three]))
  })
  it('is told as not kept when the tablet has no room', async () => {
    store(false)
    const sender = makeSender(() => 'gannet', told)
    sender.add(three.map(draft), provenance)
    await vi.waitFor(() => expect(sender.unkept.value).toBe(true))
  })
  it('is told as not kept where the browser has no store', async () => {
    tabletStore.mockResolvedValue(null)
    expect(await keep(three.map(kept))).toBe(false)
  })
})

describe('two tabs of one tablet', () => {
  const inTab = (told: Parameters<typeof makeSender>[1]) => makeSender(() => 'gannet', told)
  const nothing = { settled: () => {}, joined: () => {} }

  it('have the same unsent records, whichever made them, and know when they are sent', async () => {
    store(true)
    const t = tablet()
    const joined: string[] = []
    const settled: [string, number | null][] = []
    const one = inTab(nothing)
    const other = inTab({
      joined: (drafts) => joined.push(...drafts.map((d) => d.id)),
      settled: (id, seq) => settled.push([id, seq]),
    })
    one.add(three.map(draft), provenance)
    expect(joined).toEqual(three)
    expect(other.unsent.value).toBe(3)
    t.server.answer = (_, body) => ({
      status: 200,
      body: {
        serverTime: Date.now(),
        outcomes: (body as { drafts: { id: string }[] }).drafts.map(({ id }, i) => ({
          id,
          outcome: id === 'c' ? 'refused' : 'accepted',
          seq: i + 1,
          code: 'not_allowed',
          message: 'no',
        })),
      },
    })
    await vi.waitFor(() => expect([one.unsent.value, other.unsent.value]).toEqual([0, 0]))
    expect(settled.slice(0, 3)).toEqual([
      ['a', 1],
      ['b', 2],
      ['c', null],
    ])
    for (const tab of [one, other]) expect(tab.refused.value.map((r) => r.draft.id)).toContain('c')
    await one.putAside('c')
    expect(other.refused.value.map((r) => r.draft.id)).not.toContain('c')
  })
  it('send one at a time where the browser has locks', async () => {
    store(true)
    const t = tablet()
    let [inside, most] = [0, 0]
    let queue = Promise.resolve()
    const request = (_: string, work: () => Promise<void>) => {
      const mine = queue.then(async () => {
        inside += 1
        most = Math.max(most, inside)
        await work().finally(() => (inside -= 1))
      })
      queue = mine.catch(() => {})
      return mine
    }
    vi.stubGlobal('navigator', { locks: { request } })
    t.server.answer = (_, body) => ({
      status: 200,
      body: {
        serverTime: Date.now(),
        outcomes: (body as { drafts: { id: string }[] }).drafts.map(({ id }, i) => ({
          id,
          outcome: 'accepted',
          seq: i + 1,
        })),
      },
    })
    const [one, other] = [inTab(nothing), inTab(nothing)]
    one.add([draft('a', 1)], provenance)
    other.add([draft('b', 2)], provenance)
    await vi.waitFor(() => expect([one.unsent.value, other.unsent.value]).toEqual([0, 0]))
    await queue
    expect(most).toBe(1)
  })
})

describe('what the server took', () => {
  const taken = (id: string, order: number, at: number, takenAt: number): Kept => ({
    ...kept(id, order),
    at,
    takenAt,
  })
  const day = 86_400_000
  /** A store that holds these. */
  function holds(all: Kept[]): Map<string, Kept> {
    const rows = new Map(all.map((k) => [k.id, k]))
    const outbox: Rows<Kept> = {
      all: async () => [...rows.values()],
      remove: async (ids) => ids.forEach((id) => rows.delete(id)),
      put: async (more) => more.forEach((k) => rows.set(k.id, k)),
      change: async (changes) => {
        for (const [id, c] of changes) {
          const row = rows.get(id)
          if (row) rows.set(id, { ...row, ...c })
        }
      },
    }
    has(outbox)
    return rows
  }

  it('stays for a week, and until a backup holds it; what was not taken stays anyway', async () => {
    const rows = holds([
      taken('old', 1, 10, 0),
      taken('late', 2, 30, 0),
      taken('young', 3, 11, 2 * day),
      kept('unsent', 4),
    ])
    await forgetBackedUp(20, 8 * day)
    expect([...rows.keys()]).toEqual(['late', 'young', 'unsent'])
  })
  it('and keeps for a manager is kept here like the rest', async () => {
    const rows = holds([])
    const t = tablet()
    t.server.answer = () => ({
      status: 200,
      body: { serverTime: 5, outcomes: [{ id: 'a', outcome: 'held', code: 'not_on_this_tablet' }] },
    })
    const sender = makeSender(() => 'gannet', told)
    sender.add([draft('a', 1)], provenance)
    await vi.waitFor(() => expect(sender.unsent.value).toBe(0))
    expect(sender.held.value).toBe(1)
    expect(rows.get('a')).toMatchObject({ at: 0, takenAt: 5 })
  })
  it('is sent once more to a server that lost it, with whose work it was', async () => {
    const pass = { pass: 'signed', offset: 3 }
    const rows = holds([{ ...taken('a', 1, 10, 0), provenance: pass }, taken('b', 2, 11, 0)])
    const t = tablet()
    const joined: string[] = []
    const sender = makeSender(() => 'gannet', {
      settled: () => {},
      joined: (drafts) => joined.push(...drafts.map((d) => d.id)),
    })
    await sender.sendAgain()
    expect(joined).toEqual(['a', 'b'])
    expect([...rows.values()].map((k) => k.at)).toEqual([null, null])
    await vi.waitFor(() => expect(t.server.asked.length).toBeGreaterThan(0))
    expect(t.server.asked[0]?.body).toMatchObject({
      drafts: [{ id: 'a' }, { id: 'b' }],
      provenance: [pass, { pass: null, offset: null }],
    })
  })
})
