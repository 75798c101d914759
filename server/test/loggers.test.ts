import type { ImportAnswer, LoggerDrawing, LoggerFile } from '@tadka/contract/logger'
import type { LoggerMapping } from '@tadka/core/logger'
import type { DishState } from '@tadka/core/warewash'
import { csvOf, gateway, mappingOf, rackStream, samplesIn } from '@tadka/devices'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { headOf } from '../stream/heads.ts'
import { stateOf } from '../stream/queries.ts'
import { verifySite } from '../record/verify/verify.ts'
import { ask, draft, newDishMachine, listeningServer, signIn, type TestServer } from './server.ts'

let server: TestServer
let lead: string
let url: string
beforeAll(async () => {
  ;({ server, url } = await listeningServer())
  lead = await signIn(server.app, 'ines')
})
afterAll(() => server.close())

const call = (method: 'GET' | 'POST', path: string, cookie: string, payload?: object) =>
  ask(server, cookie, method, path, payload)
const bring = (text: string | Buffer, mapping: LoggerMapping, station = 'galley-dish', cookie = lead) =>
  server.app.inject({
    method: 'POST',
    url: `/api/sites/${siteId}/loggers`,
    query: { station, name: 'logger.csv', mapping: JSON.stringify(mapping) },
    headers: { cookie, 'content-type': 'text/csv' },
    payload: text,
  })
const answerOf = (r: { json: () => unknown }) => r.json() as ImportAnswer
const dish = async (station: string) =>
  (await stateOf(server.pool, siteId, 'dish', station))?.state as DishState

const newMachine = (id: string) => newDishMachine(server, id, `${id}-probe`)
function hour(seed: number) {
  const stream = rackStream(seed)
  stream.busy(1770, 30)
  return stream.next(1800)
}
const ware: LoggerMapping = {
  encoding: 'utf-8',
  delimiter: ';',
  decimal: ',',
  skip: 1,
  time: { column: 0, clock: null, order: 'dmy', zone: 'Europe/Berlin' },
  columns: [{ column: 1, measures: 'ware', unit: '°C' }],
  accuracy: 0.5,
}
const rides = (top: string) =>
  `Zeit;Wert\n${['22', '55', '66', top, top, '60', '30'].map((v, i) => `20.11.2026 10:00:${String(i * 5).padStart(2, '0')};${v}`).join('\n')}\n`

describe('a file of a machine’s signals', () => {
  it('gives the same cycles as the stream that it was written from', async () => {
    const authorization = await newMachine('streamed')
    await newMachine('filed')
    const samples = hour(4)
    const begin = server.clock.now - 1800_000
    await gateway({ url, authorization, boot: 'boot-1' }).deliver(samples, 1800)
    const text = csvOf(samples, begin)
    const answer = await bring(text, mappingOf(text), 'filed')
    expect(answer.statusCode).toBe(200)
    const shape = (d: DishState) =>
      d.marks.map(({ at, ending, verdict, rinseLow, washLow, conductivity }) => ({
        at,
        ending,
        verdict,
        rinseLow,
        washLow,
        conductivity,
      }))
    const [streamed, filed] = [await dish('streamed'), await dish('filed')]
    expect(shape(filed)).toEqual(shape(streamed))
    expect(filed.total).toBe(streamed.total)
    expect(answerOf(answer).imported.cycles?.judged.in).toBe(filed.total)
    // Its cycles have their traces, and no device streams because of it.
    const trace = await call('GET', `/dish/trace/${filed.marks.at(-1)?.key}`, lead)
    expect((trace.json() as { at: number[] }).at.length).toBeGreaterThan(20)
    const devices = await call('GET', '/devices', await signIn(server.app, 'oriel'))
    expect(devices.body).not.toContain('file-')
    // Streamed again from the file, nothing is new.
    expect(samplesIn(text)).toHaveLength(1800)
  })
  it('twice is once, and what the probe streamed is not counted again', async () => {
    const authorization = await newMachine('both')
    const samples = hour(9)
    await gateway({ url, authorization, boot: 'boot-1' }).deliver(samples.slice(0, 900), 1800)
    const text = csvOf(samples, server.clock.now - 1800_000)
    const first = answerOf(await bring(text, mappingOf(text), 'both'))
    expect(first.imported.cycles?.known).toBeGreaterThan(3)
    const before = await dish('both')
    const { seq } = await headOf(server.pool, siteId)
    const again = answerOf(await bring(text, mappingOf(text), 'both'))
    expect(again).toMatchObject({ id: first.id, known: true })
    expect(await dish('both')).toEqual(before)
    expect((await headOf(server.pool, siteId)).seq).toBe(seq)
    // The clean stream's count.
    const clean = await newMachine('clean')
    await gateway({ url, authorization: clean, boot: 'boot-1' }).deliver(samples, 1800)
    expect(before.total).toBe((await dish('clean')).total)
    expect(await verifySite(server.pool, siteId)).toMatchObject({ sound: true })
  })
  it('of long ago does not count towards the water that was changed since', async () => {
    await newMachine('old')
    const now = server.clock.now
    const changed = draft(
      now,
      'dish.water-changed@1',
      { station: 'old' },
      { by: 'ines', subject: { kind: 'dish', id: 'old' } },
    )
    await call('POST', '/records', lead, { sentAt: now, drafts: [changed] })
    const text = csvOf(hour(5), now - 5 * 86_400_000)
    await bring(text, mappingOf(text), 'old')
    const state = await dish('old')
    expect(state.total).toBeGreaterThan(8)
    expect(state.since.water.racks).toBe(0)
    expect(state.since.delime.racks).toBe(state.total)
  })
  it('whose cycles are counted cannot be taken back', async () => {
    await newMachine('stays')
    const text = csvOf(hour(3), server.clock.now - 1800_000)
    const { id } = answerOf(await bring(text, mappingOf(text), 'stays'))
    const answer = await call('POST', `/loggers/${id}/withdraw`, lead, { reason: 'wrong machine' })
    expect(answer.json()).toMatchObject({ code: 'logger_cycles' })
  })
})

describe('a logger that rides in the rack', () => {
  it('is judged by the hottest that the ware became, drawn, and can be taken back', async () => {
    const answer = answerOf(await bring(rides('72,4'), ware))
    expect(answer.imported).toMatchObject({
      cycles: null,
      passes: { count: 1, judged: { in: 1 }, last: [{ highest: 72.4 }] },
      summary: { rows: 7, step: 5000, from: Date.parse('2026-11-20T09:00:00Z') },
    })
    const { from, to } = answer.imported.summary
    const drawn = await call('GET', `/loggers/${answer.id}/rows?from=${from}&to=${to}`, lead)
    const { at, columns } = drawn.json() as LoggerDrawing
    expect([at.length, columns[0]?.high[3]]).toEqual([7, 72.4])
    const list = async () => ((await call('GET', '/loggers', lead)).json() as { files: LoggerFile[] }).files
    expect((await list()).map((f) => f.id)).toContain(answer.id)
    await call('POST', `/loggers/${answer.id}/withdraw`, lead, { reason: 'wrong station' })
    expect((await list()).map((f) => f.id)).not.toContain(answer.id)
    const kept = await owner('select count(*)::integer as n from logger_part where file_id = $1', answer.id)
    expect(kept).toBe(0)
    // Taken back, it may come again.
    expect(answerOf(await bring(rides('72,4'), ware)).known).toBe(false)
  })
  it('reads other encodings, and refuses bytes that are not in the one told', async () => {
    const text = rides('73,0')
    const utf16 = Buffer.from(`\uFEFF${text}`, 'utf16le')
    expect((await bring(utf16, { ...ware, encoding: 'utf-16le' })).statusCode).toBe(200)
    const latin = Buffer.from(text.replace('Wert', 'Wärme'), 'latin1')
    expect((await bring(latin, ware)).json()).toMatchObject({ details: { why: 'encoding' } })
    expect((await bring(latin, { ...ware, encoding: 'windows-1252' })).statusCode).toBe(200)
  })
})

const owner = async (sql: string, ...values: unknown[]) => {
  const { rows } = await server.owner.query<{ n: number }>(sql, values)
  return rows[0]?.n
}

describe('a file that is bad', () => {
  it('is refused whole with line and reason, and changes nothing', async () => {
    const { seq } = await headOf(server.pool, siteId)
    const files = await owner('select count(*)::integer as n from logger_file')
    const many = Array.from(
      { length: 60_000 },
      (_, i) => `${new Date(1_790_000_000_000 + i * 1000).toISOString()};60,5`,
    )
    const answer = await bring(`t;v\n${many.join('\n')}\nbroken\n`, {
      ...ware,
      time: { ...ware.time, order: 'ymd' },
    })
    expect(answer.statusCode).toBe(400)
    expect(answer.json()).toMatchObject({ code: 'logger_file', details: { line: 60_002, why: 'few-cells' } })
    const future = await bring('t;v\n20.11.2027 10:00;1', ware)
    expect(future.json()).toMatchObject({ details: { why: 'future' } })
    expect((await headOf(server.pool, siteId)).seq).toBe(seq)
    expect(await owner('select count(*)::integer as n from logger_file')).toBe(files)
  })
  it('is no file of somebody who may not, of no station, or read by no mapping', async () => {
    const crew = await signIn(server.app, 'bao')
    expect((await bring(rides('72'), ware, 'galley-dish', crew)).json()).toMatchObject({
      code: 'not_allowed',
    })
    expect((await bring(rides('72'), ware, 'nowhere')).json()).toMatchObject({ code: 'not_found' })
    const asJson = await server.app.inject({
      method: 'POST',
      url: `/api/sites/${siteId}/loggers`,
      query: { station: 'galley-dish', name: 'a.csv', mapping: JSON.stringify(ware) },
      headers: { cookie: lead },
      payload: { rows: [] },
    })
    expect(asJson.json()).toMatchObject({ code: 'body_malformed' })
    const twice = { ...ware, columns: [...ware.columns, ...ware.columns] }
    expect((await bring(rides('72'), twice)).json()).toMatchObject({ code: 'body_malformed' })
  })
})
