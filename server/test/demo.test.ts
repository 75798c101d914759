import { dueList } from '@tadka/core/duty'
import { instant } from '@tadka/core/quantity'
import type { CaseState } from '@tadka/core/case'
import type { SiteSet } from '@tadka/core/house'
import type { SubjectKind } from '@tadka/core/stream'
import type { StationState } from '@tadka/core/procedure'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openPool, type Pool } from '../db/pool.ts'
import { demoHistory } from '../demo/history.ts'
import { randomFrom } from '@tadka/core/quantity'
import { site, siteId } from '../demo/house.ts'
import { stations } from '../demo/products.ts'
import { statesOfKind } from '../stream/queries.ts'
import { testServer, type TestServer } from './server.ts'

const now = Date.parse('2026-11-26T22:40:00Z')
const history = demoHistory(now, 14)

let server: TestServer
let pool: Pool
beforeAll(async () => {
  server = await testServer(4, now)
  pool = openPool(server.appUrl, () => {})
})
afterAll(async () => {
  await pool.end()
  await server.close()
})
/** The states as the server makes them of the demo's records. */
const statesOf = async <S>(kind: SubjectKind): Promise<S[]> => (await statesOfKind(pool, siteId, kind)) as S[]

describe('the demo’s history', () => {
  it('is the same for the same seed, and another for another', () => {
    expect(demoHistory(now, 3)).toEqual(demoHistory(now, 3))
    expect(demoHistory(now, 3, 7)).not.toEqual(demoHistory(now, 3))
  })
  it('lies in the past, in order, with an id for each record', () => {
    for (const [i, d] of history.entries()) {
      expect(d.observedAt).toBeLessThanOrEqual(now)
      expect(d.observedAt).toBeGreaterThanOrEqual(history[i - 1]?.observedAt ?? 0)
    }
    expect(new Set(history.map((d) => d.id)).size).toBe(history.length)
  })
  it('has failures in it, each closed by a recheck after something was done', async () => {
    const cases = await statesOf<CaseState>('case')
    expect(cases.length).toBeGreaterThan(2)
    for (const c of cases) {
      expect(c.status).toBe('closed')
      expect(['too-close', 'out']).toContain(c.verdict)
      expect(c.actions.length).toBe(1)
    }
  })
  it('leaves tonight’s closes to do, the soft-serve freezer’s among them, and nothing late', async () => {
    const due = dueList(site as SiteSet, await statesOf<StationState>('station'), instant(now))
    const tonight = due
      .filter((d) => d.risk === 'now' && ['each-close', 'hours'].includes(d.trigger))
      .map((d) => d.procedure)
    const closes = Object.values(stations).flatMap((s) =>
      s.duties.filter((d) => d.trigger.kind === 'each-close'),
    )
    expect(tonight.toSorted()).toEqual(closes.map((d) => d.procedure).toSorted())
    expect(tonight).toContain('soft-serve-gravity.close')
    expect(due.filter((d) => d.risk === 'late')).toEqual([])
  })
  it('sets up every station once, with the numbers that its procedures need', async () => {
    const states = await statesOf<StationState>('station')
    expect(states.map((s) => s.id).toSorted()).toEqual(Object.keys(stations).toSorted())
    for (const s of states) expect(s.currentRun).toBeNull()
  })
  it('is what a careful crew does: no record of it is odd, and what is opened is sanitized', async () => {
    const sql = "select text from record where site_id = $1 and text::jsonb -> 'flags' <> '[]'"
    const odd = (await server.owner.query<{ text: string }>(sql, [siteId])).rows
    expect(odd.map((r) => r.text)).toEqual([])
    for (const s of await statesOf<StationState>('station'))
      if (s.plate?.duties.some((d) => d.trigger.kind === 'each-open') && s.facets.contents === 'product')
        expect([s.id, s.facets.hygiene]).toEqual([s.id, 'sanitized'])
  })
  it('makes longer histories as well', () => {
    const [days, most] = process.env['TADKA_LONG'] === undefined ? [21, 3_500] : [90, 15_000]
    expect(demoHistory(now, days).length).toBeGreaterThan(most)
  })
})

describe('the seeded numbers', () => {
  it('lie from 0 to 1 and spread evenly', () => {
    const next = randomFrom(1)
    const buckets = Array.from({ length: 10 }, () => 0)
    for (let i = 0; i < 10_000; i++) {
      const at = Math.floor(next() * 10)
      buckets[at] = (buckets[at] ?? 0) + 1
    }
    for (const n of buckets) expect(Math.abs(n - 1000)).toBeLessThan(150)
  })
})
