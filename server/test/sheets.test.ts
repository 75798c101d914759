import { dateAfter } from '@tadka/core/calendar'
import { readingsOf, type DaySheet } from '@tadka/core/sheet'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ask, inspect, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let lead: string
const today = '2026-11-26'
beforeAll(async () => {
  server = await testServer(4)
  lead = await signIn(server.app, 'ines')
})
afterAll(() => server.close())

const sheetOf = async (day: string, cookie = lead): Promise<DaySheet> => {
  const answer = await ask(server, cookie, 'GET', `/sheets/${day}`)
  expect(answer.statusCode, answer.body).toBe(200)
  return answer.json()
}
const count = async (sql: string, values: unknown[]): Promise<number> =>
  Number((await server.owner.query<{ n: string }>(sql, values)).rows[0]?.n)

describe('a day’s sheet', () => {
  it('has every run that began on the day and every reading of it, once: counted by plain SQL', async () => {
    const sheet = await sheetOf(dateAfter(today, -1))
    const of = [sheet.from, sheet.to]
    const runs = sheet.stations.flatMap((s) => s.runs)
    const begun = `select count(distinct subject_id) as n from record
      where type in ('run.started@2', 'run.entered@1') and corrected_at >= $1 and corrected_at < $2`
    expect(runs.length).toBe(await count(begun, of))
    expect(runs.length).toBeGreaterThan(20)
    const read = `select count(*) as n from record
      where type = 'reading.taken@1' and corrected_at >= $1 and corrected_at < $2`
    expect(readingsOf(sheet).length).toBe(await count(read, of))
    const mixed = `select count(*) as n from record where type = 'bath.mixed@1' and corrected_at >= $1 and corrected_at < $2`
    expect(sheet.baths.length).toBe(await count(mixed, of))
  })
  it('goes past midnight: what the close did at one in the night is the evening’s', async () => {
    const sheet = await sheetOf(dateAfter(today, -1))
    expect(new Date(sheet.to).toISOString().slice(11)).not.toBe('00:00:00.000Z')
    const next = await sheetOf(today)
    expect(next.from).toBe(sheet.to)
    expect(sheet.signed.at(-1)?.by).toBe('ines')
    expect(sheet.signed.at(-1)?.at).toBeGreaterThan(Date.parse(`${today}T00:00:00Z`))
  })
  it('every corrective action of it is told to its end', async () => {
    const sheets = await Promise.all([0, -1, -2, -3].map((n) => sheetOf(dateAfter(today, n))))
    const cases = sheets.flatMap((s) => s.cases)
    expect(cases.length).toBeGreaterThan(0)
    const ids = new Set(sheets.flatMap(readingsOf).map((r) => r.record))
    for (const c of cases) expect([c.id, ids.has(c.id), c.actions.length > 0]).toEqual([c.id, true, true])
  })
  it('of a day before the site had any station says that nothing was due', async () => {
    const before = await sheetOf('2026-09-01')
    expect([before.left, before.stations, before.cases]).toEqual([[], [], []])
  })
  it('of a day to come is refused', async () =>
    expect((await ask(server, lead, 'GET', '/sheets/2031-01-01')).json()).toMatchObject({
      code: 'day_not_begun',
    }))
  it('is an inspector’s for the days of their link, and for no day before', async () => {
    const theirs = await inspect(server, lead)
    expect((await sheetOf(today, theirs)).stations.length).toBeGreaterThan(0)
    // The seventh day before begins before the link's own period does.
    for (const ago of [20, 7]) {
      const refused = await ask(server, theirs, 'GET', `/sheets/${dateAfter(today, -ago)}`)
      expect([ago, refused.statusCode]).toEqual([ago, 403])
    }
  })
  it('is nobody’s who is not signed in', async () =>
    expect((await ask(server, '', 'GET', `/sheets/${today}`)).statusCode).toBe(401))
})
