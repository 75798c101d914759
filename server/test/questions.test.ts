import type { QuestionList } from '@tadka/contract/honesty'
import type { Question } from '@tadka/core/honesty'
import type { AnyDraft } from '@tadka/core/stream'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookies: Record<string, string>
beforeAll(async () => {
  server = await testServer(14)
  cookies = {}
  for (const id of ['ines', 'oriel', 'bao']) cookies[id] = await signIn(server.app, id)
})
afterAll(() => server.close())

const asked = async (): Promise<Question[]> => {
  const answer = await ask(server, cookies['oriel'] ?? '', 'GET', '/questions')
  expect(answer.statusCode, answer.body).toBe(200)
  return answer.json<{ questions: Question[] }>().questions
}
const send = async (who: string, ...drafts: AnyDraft[]): Promise<string[]> => {
  const body = { sentAt: server.clock.now, drafts }
  const answer = await ask(server, cookies[who] ?? '', 'POST', '/records', body)
  return answer.json<{ outcomes: { outcome: string }[] }>().outcomes.map((o) => o.outcome)
}
const answer = async (q: Question, by = 'oriel'): Promise<number> => {
  const { kind, person, to: upTo } = q
  const body = { id: randomUUID(), kind, person, upTo, how: 'dismissed', note: 'talked it over' }
  return (await ask(server, cookies[by] ?? '', 'POST', '/questions', body)).statusCode
}
const read = (at: number, value: number) =>
  draft(
    at,
    'reading.taken@1',
    {
      ...{ station: 'kiosk-soft-serve', run: null, step: null, bath: null, case: null, instruments: [] },
      what: 'cold-product',
      reading: { unit: '°C', value, interval: { lo: value, hi: value } },
      judgement: {
        ...{ overall: 'cannot-tell', layers: [], missing: [] },
        profile: { id: 'food-code-2022', version: 1 },
      },
    },
    { by: 'pim', subject: { kind: 'station', id: 'kiosk-soft-serve' } },
  )

describe('what a log makes a manager ask', () => {
  it('is seen by nobody else', async () => {
    for (const who of ['bao', 'ines'])
      expect((await ask(server, cookies[who] ?? '', 'GET', '/questions')).statusCode).toBe(403)
  })
  it('is next to nothing of a fortnight that crew entered as they worked', async () => {
    const questions = await asked()
    // Somebody who works first and taps after may well be asked, once.
    expect(questions.map((q) => q.kind).filter((kind) => kind !== 'all-at-once')).toEqual([])
    expect(questions.length).toBeLessThanOrEqual(1)
  })
  it('is why somebody entered what they did long after their shift; answered on record, it is asked no more', async () => {
    // Pim's shift ended in the forenoon; under that name it goes on in the evening.
    cookies['pim'] = await signIn(server.app, 'pim')
    const sent: AnyDraft[] = []
    for (let i = 1; i <= 4; i++) {
      server.clock.now += 120_000
      sent.push(read(server.clock.now - 1000, 3 + i / 10))
    }
    expect(await send('pim', ...sent)).toEqual(sent.map(() => 'accepted'))
    const before = await asked()
    const questions = before.filter((q) => q.kind === 'not-on-shift')
    expect(questions).toMatchObject([{ kind: 'not-on-shift', person: 'pim', entries: 4 }])
    const [question] = questions
    if (!question) return
    expect(question.records).toEqual(sent.map((d) => d.id))
    for (const who of ['bao', 'ines']) expect(await answer(question, who)).toBe(403)
    expect(await asked()).toEqual(before)
    expect(await answer(question)).toBe(204)
    expect(await asked()).toEqual(before.filter((q) => q !== question))
    const list = (await ask(server, cookies['oriel'] ?? '', 'GET', '/questions')).json<QuestionList>()
    expect(list.answered).toMatchObject([
      { kind: 'not-on-shift', person: 'pim', how: 'dismissed', note: 'talked it over', by: 'oriel' },
    ])
  })
  it('stands in nothing that crew or an authority takes away', async () => {
    const log = await ask(server, cookies['ines'] ?? '', 'GET', '/log.json')
    expect(log.statusCode).toBe(200)
    expect(log.body).not.toContain('talked it over')
  })
  it('is never changed by the application', async () => {
    for (const sql of ["update question_answer set note = 'else'", 'delete from question_answer'])
      await expect(server.pool.query(sql)).rejects.toThrow(/permission denied/)
  })
})
