import type { BathState } from '@tadka/core/bath'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { openPool, type Pool } from '../db/pool.ts'
import { lessonsOf, madeOfLessons } from '../stream/lessons.ts'
import { learnedBySite } from '../plan/learned.ts'
import { lossesOf } from '../solution/losses.ts'
import { ask, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer(4)
})
afterAll(() => server.close())

const all = { since: 0, most: 1000 }
const forget = () => server.owner.query('truncate lesson')
/** What each bath teaches here: its id; and whose states were looked at for it. */
async function taught(span = all, learnt = (bath: BathState): string | null => bath.id) {
  const looked: string[] = []
  const lessons = await lessonsOf(server.pool, siteId, 'bath', span, (bath: BathState) => {
    looked.push(bath.id)
    return learnt(bath)
  })
  return { lessons, looked }
}

describe('what a state teaches', () => {
  it('is worked out once, and is the same from then on, the newest first', async () => {
    await forget()
    const first = await taught()
    expect(first.looked.length).toBeGreaterThan(60)
    expect(first.looked.toSorted()).toEqual(first.lessons.toSorted())
    const again = await taught()
    expect(again.looked).toEqual([])
    expect(again.lessons).toEqual(first.lessons)
    const { rows } = await server.owner.query<{ id: string }>(
      `select subject_id as id from subject_state where kind = 'bath' order by touched_at desc, subject_id`,
    )
    expect(first.lessons).toEqual(rows.map((r) => r.id))
    expect((await taught({ ...all, most: 3 })).lessons).toEqual(first.lessons.slice(0, 3))
    expect((await taught({ ...all, since: server.clock.now * 2 })).lessons).toEqual([])
  })
  it('that is nothing, is not looked at again either', async () => {
    await forget()
    const first = await taught(all, () => null)
    expect([first.lessons, first.looked.length > 0]).toEqual([[], true])
    expect(await taught(all, () => null)).toEqual({ lessons: [], looked: [] })
  })
  it('is worked out anew where the state has changed since, or the folds have', async () => {
    await forget()
    const { lessons } = await taught()
    const [one = '', two = ''] = lessons
    await server.owner.query(
      `update subject_state set touched_at = touched_at + 1 where kind = 'bath' and subject_id = $1`,
      [one],
    )
    await server.owner.query(`update lesson set version = version - 1 where subject_id = $1`, [two])
    expect((await taught()).looked.toSorted()).toEqual([one, two].toSorted())
    expect((await taught()).looked).toEqual([])
  })
})

describe('minutes and losses', () => {
  it('are the same from what was kept as from the states themselves, and the API tells them', async () => {
    await forget()
    const now = server.clock.now
    const askBoth = async (pool: Pool) => ({
      learned: await learnedBySite(pool, siteId, now),
      losses: await lossesOf(pool, siteId, now),
    })
    const fresh = await askBoth(server.pool)
    expect(Object.keys(fresh.learned.steps).length).toBeGreaterThan(5)
    // Of the last week: everybody of the demo cleaned, nobody all day and night.
    const worked = Object.values(fresh.learned.worked)
    expect(worked.length).toBeGreaterThan(4)
    for (const minutes of worked) expect(minutes).toBeLessThan(7 * 12 * 60)
    expect(Math.max(...worked)).toBeGreaterThan(30)
    expect(Object.values(fresh.losses).flat().length).toBeGreaterThan(5)
    for (const of of Object.values(fresh.losses)) expect(of.length).toBeLessThanOrEqual(40)
    // Another pool remembers nothing: it has only what was kept.
    const other = openPool(server.appUrl, () => {})
    expect(await askBoth(other)).toEqual(fresh)
    await other.end()
    const cookie = await signIn(server.app, 'bao')
    expect((await ask(server, cookie, 'GET', '/learned')).json()).toEqual(fresh.learned)
    expect((await ask(server, cookie, 'GET', '/baths/losses')).json()).toEqual({ losses: fresh.losses })
  })
  it('are made once, and anew when one more is settled, one is touched again, or a day has gone by', async () => {
    let made = 0
    const count = (since = 0) =>
      madeOfLessons(
        server.pool,
        siteId,
        'run',
        { since, most: 1000 },
        () => 1,
        (lessons) => {
          made += 1
          return lessons.length
        },
      )
    const first = await count()
    expect([await count(), made]).toEqual([first, 1])
    await server.owner.query(
      `insert into subject_state select site_id, kind, 'run-settled', state, last_key, touched_at, false
       from subject_state where kind = 'run' and not live limit 1`,
    )
    expect([await count(), made]).toEqual([first + 1, 2])
    const touch = `update subject_state set touched_at = touched_at + 1 where subject_id = 'run-settled'`
    await server.owner.query(touch)
    expect([await count(), made]).toEqual([first + 1, 3])
    await count(86_400_000)
    expect(made).toBe(4)
    // One that is under way teaches nothing yet.
    await server.owner.query(`update subject_state set live = true where subject_id = 'run-settled'`)
    expect(await count()).toBe(first)
    await server.owner.query(`delete from subject_state where subject_id = 'run-settled'`)
  })
})
