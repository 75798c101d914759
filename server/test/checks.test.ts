import type { AskedCheck, MarkedCheck } from '@tadka/contract/training'
import type { TrainingState } from '@tadka/core/training'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { stateOf } from '../stream/queries.ts'
import { ask, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let pim: string
beforeAll(async () => {
  server = await testServer(1)
  pim = await signIn(server.app, 'pim')
})
afterAll(() => server.close())

const post = (path: string, body: object, cookie = pim) =>
  ask(server, cookie, 'POST', `/training-checks${path}`, body)
const begin = async (procedure: string | null) => (await post('', { procedure })).json<AskedCheck>()
/** The right answers, which only the database knows. */
async function rightOf(id: string): Promise<number[]> {
  const sql = 'select questions from training_check where id = $1'
  const { rows } = await server.owner.query<{ questions: { right: number }[] }>(sql, [id])
  return (rows[0]?.questions ?? []).map((q) => q.right)
}
const wrongOf = (right: readonly number[]) => right.map((r) => (r === 0 ? 1 : 0))
const checks = async () =>
  ((await stateOf(server.pool, siteId, 'training', 'pim'))?.state as TrainingState | undefined)?.of[
    'slush.open'
  ]?.checks ?? []
const due = async () => (await ask(server, pim, 'GET', '/training-again')).json<{ due: number }>().due

describe('a check', () => {
  it('asks ten questions, and tells no right answer before it is answered', async () => {
    const asked = await begin('slush.open')
    expect(asked.questions.length).toBe(10)
    expect(JSON.stringify(asked)).not.toMatch(/"right"|"because"|"card"/)
  })
  it('is marked by the server, and stands in the log, passed or not', async () => {
    const passed = await begin('slush.open')
    const right = await rightOf(passed.id)
    const marked = (await post(`/${passed.id}`, { answers: right })).json<MarkedCheck>()
    expect(marked).toMatchObject({ right: 10, asked: 10, passed: true, counts: true })
    expect((await checks()).at(-1)).toMatchObject({ right: 10, asked: 10, passPercent: 90 })
    const failed = await begin('slush.open')
    const two = (await rightOf(failed.id)).map((r, i) => (i < 2 ? (r === 0 ? 1 : 0) : r))
    expect((await post(`/${failed.id}`, { answers: two })).json()).toMatchObject({ right: 8, passed: false })
    expect((await checks()).at(-1)).toMatchObject({ right: 8 })
  })
  it('is answered once, whole, by who began it, and not hours later', async () => {
    const codeOf = async (path: string, answers: readonly number[], cookie = pim) =>
      (await post(path, { answers }, cookie)).json<{ code: string }>().code
    const before = (await checks()).length
    const one = await begin('slush.open')
    expect(await codeOf(`/${one.id}`, [0], await signIn(server.app, 'bao'))).toBe('check_over')
    expect(await codeOf(`/${one.id}`, [0])).toBe('check_over')
    // Half an answer changed nothing: what is whole is taken still, and then never again.
    const right = await rightOf(one.id)
    expect((await post(`/${one.id}`, { answers: right })).json()).toMatchObject({ passed: true })
    expect(await codeOf(`/${one.id}`, right)).toBe('check_over')
    const late = await begin('slush.open')
    server.clock.now += 5 * 3_600_000
    expect(await codeOf(`/${late.id}`, await rightOf(late.id))).toBe('check_over')
    server.clock.now -= 5 * 3_600_000
    expect((await checks()).length).toBe(before + 1)
  })
  it('is not begun on what is no procedure of a machine here', async () => {
    expect((await post('', { procedure: 'no.such' })).json()).toMatchObject({ code: 'nothing_to_ask' })
    expect((await post('', { procedure: null })).json()).toMatchObject({ code: 'nothing_to_ask' })
  })
})

describe('what was answered wrong', () => {
  it('comes again, counts for nothing then, and is put off further once it was right', async () => {
    const one = await begin('slush.open')
    await post(`/${one.id}`, { answers: wrongOf(await rightOf(one.id)) })
    server.clock.now += 24 * 3_600_000
    pim = await signIn(server.app, 'pim')
    expect(await due()).toBeGreaterThan(3)
    const before = (await checks()).length
    const again = await begin(null)
    expect(again.questions.length).toBeGreaterThan(0)
    const marked = (await post(`/${again.id}`, { answers: await rightOf(again.id) })).json<MarkedCheck>()
    expect(marked).toMatchObject({ right: marked.asked, counts: false })
    expect((await checks()).length).toBe(before)
    expect(await due()).toBeLessThan(4 + marked.asked)
    const { rows } = await server.owner.query<{ n: number }>(
      'select count(*)::int as n from training_card where not wrong and due_at > $1',
      [server.clock.now],
    )
    expect(rows[0]?.n).toBeGreaterThan(0)
  })
  it('is forgotten once nothing can be asked of it any more', async () => {
    await server.owner.query('update training_card set due_at = 0')
    await server.owner.query(
      "update training_card set card = 'now/slush.open/gone/gone' where card like 'first/%'",
    )
    const [all, rest] = [await due(), (await begin(null)).questions.length]
    expect(all).toBeGreaterThan(rest)
    expect(await due()).toBe(all - 1)
  })
})
