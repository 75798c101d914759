import { dateAfter } from '@tadka/core/calendar'
import { exceptionsOf, type DaySheet } from '@tadka/core/sheet'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { people } from '../demo/house.ts'
import { ask, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookies: Record<string, string>
const today = '2026-11-26'
const yesterday = dateAfter(today, -1)
/** Who signed it is drawn; the other one may look it through. */
let [signer, other] = ['', '']
beforeAll(async () => {
  server = await testServer(4)
  cookies = {}
  for (const id of ['ines', 'oriel', 'bao']) cookies[id] = await signIn(server.app, id)
  signer = (await sheetOf(yesterday)).signed.at(-1)?.by ?? ''
  other = signer === 'ines' ? 'oriel' : 'ines'
})
afterAll(() => server.close())

const pinOf = (id: string) => people.find((p) => p.id === id)?.pin
const review = (who: string, change: object = {}, as = who) =>
  ask(server, cookies[as] ?? '', 'POST', '/review', {
    ...{ person: who, pin: pinOf(who), days: [yesterday], note: '' },
    ...change,
  })
const sheetOf = async (day: string): Promise<DaySheet> =>
  (await ask(server, cookies['oriel'] ?? '', 'GET', `/sheets/${day}`)).json()
const codeOf = (answer: { json: () => unknown }) => (answer.json() as { code?: string }).code

describe('a day looked through', () => {
  it('is not by who signed it, as long as somebody else may', async () => {
    expect(['ines', 'oriel']).toContain(signer)
    expect(codeOf(await review(signer))).toBe('review_own')
    expect((await sheetOf(yesterday)).reviewed).toEqual([])
  })
  it('is not by crew, not with another PIN or another’s, and not before the day is over', async () => {
    expect((await review('bao')).statusCode).toBe(403)
    expect((await review(other, { pin: '0000' })).statusCode).toBe(401)
    expect((await review(other, { person: signer })).statusCode).toBe(403)
    expect(codeOf(await review(other, { days: [yesterday, today] }))).toBe('day_not_over')
    expect((await sheetOf(yesterday)).reviewed).toEqual([])
  })
  it('is a record of the day: who, when, up to where in the chain, and how much was not as it should be', async () => {
    const { n: head } = (await server.owner.query<{ n: number }>('select max(seq)::int as n from record'))
      .rows[0] ?? {
      n: 0,
    }
    const answer = await review(other, { note: ' talked to the closers ' })
    expect(answer.statusCode, answer.body).toBe(200)
    const sheet = await sheetOf(yesterday)
    expect(sheet.reviewed).toMatchObject([
      { by: other, note: 'talked to the closers', upTo: head, exceptions: exceptionsOf(sheet).count },
    ])
  })
  it('several in one sweep, each its own record; or none, where one of them may not be', async () => {
    const { days } = (await ask(server, cookies['oriel'] ?? '', 'GET', '/reviews')).json<{
      days: { day: string; signedBy: string; reviewed: object | null }[]
    }>()
    expect(days.every((d) => d.day < today)).toBe(true)
    const mixed = days.map((d) => d.day)
    const own = days.filter((d) => d.signedBy === 'oriel')
    const answer = await review('oriel', { days: mixed })
    if (own.length > 0) expect(codeOf(answer)).toBe('review_own')
    else expect(answer.json<{ outcomes: unknown[] }>().outcomes).toHaveLength(mixed.length)
  })
  it('that waits longer than a day is late, and is no more once it was looked through', async () => {
    const lateOn = async () =>
      (await ask(server, cookies['ines'] ?? '', 'GET', '/reviews'))
        .json<{ days: { day: string; isLate: boolean }[] }>()
        .days.filter((d) => d.isLate)
        .map((d) => d.day)
    server.clock.now += 2 * 86_400_000
    const before = await lateOn()
    expect(before).toContain(today)
    cookies['oriel'] = await signIn(server.app, 'oriel')
    expect((await review('oriel', { days: [today] })).statusCode).toBe(200)
    expect(await lateOn()).toEqual(before.filter((d) => d !== today))
  })
})
