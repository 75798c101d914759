import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { DaySheet } from '@tadka/core/sheet'
import type { RecordType, SubjectKind } from '@tadka/core/stream'
import { strFromU8, unzipSync } from 'fflate'
import Papa from 'papaparse'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let lead: string
let folder: string
let at = Date.parse('2026-11-26T22:45:00Z')
const ids: string[] = []

/** @returns the record's id. */
async function send(kind: SubjectKind, id: string, type: RecordType, payload: object): Promise<string> {
  at += 1000
  server.clock.now = at
  const made = draft(at, type, payload, { by: 'ines', subject: { kind, id } })
  const answer = await ask(server, lead, 'POST', '/records', { sentAt: at, drafts: [made] })
  const [told] = answer.json<{ outcomes: { outcome: string }[] }>().outcomes
  expect(told, answer.body).toMatchObject({ outcome: 'accepted' })
  return made.id
}

beforeAll(async () => {
  server = await testServer(1)
  lead = await signIn(server.app, 'ines')
  folder = mkdtempSync(join(tmpdir(), 'tadka-happened-'))
  const slush = ['kiosk-slush']
  const alarm = { kind: 'water-off', station: null, place: 'Galley', stations: slush, cleans: null }
  ids.push(await send('incident', 'i1', 'incident.opened@1', alarm))
  await send('incident', 'i1', 'incident.false-alarm@1', { stations: slush, reason: 'the valve was shut' })
  const cut = { kind: 'power-cut', station: null, place: '', stations: [], cleans: null }
  await send('incident', 'i2', 'incident.opened@1', cut)
  const food = (task: string, more: object) =>
    send('incident', 'i2', 'incident.done@1', { task, station: null, note: '', photo: null, ...more })
  const read = { value: 9, unit: '°C' }
  await food('food.1', { food: 'quiche', read, warmSince: null })
  await food('decided.food.1', { thrownOut: true })
  await food('decided.food.1', {})
  await food('decided.food.1', { kept: true, note: 'Mr Oriel said so' })
  const seen = {
    station: 'kiosk-slush',
    kind: 'leak',
    works: 'care',
    said: 'drips from the lid',
    photo: null,
  }
  await send('fault', 'f1', 'fault.seen@1', seen)
  ids.push(await send('fault', 'f2', 'fault.seen@1', { ...seen, said: 'meant for another machine' }))
  await send('fault', 'f2', 'record.amended@1', {
    ...{ target: ids[1], targetType: 'fault.seen@1', subjects: [{ kind: 'fault', id: 'f2' }] },
    ...{ instead: null, reason: 'a tap astray' },
  })
  const mice = { pest: 'rodent', sign: 'droppings', area: 'Galley', said: 'behind the flour', photo: null }
  await send('pest', 'p1', 'pest.seen@1', mice)
  const swab = { kind: 'swab', station: 'galley-custard', where: 'spout', lab: 'Quay lab', number: 'Q 12' }
  await send('sample', 's1', 'sample.taken@1', swab)
  const one = { of: 'coliform', value: 400, bound: null, unit: '/swab' }
  ids.push(await send('sample', 's1', 'sample.result@1', { found: [one], report: null }))
  await send('sample', 's1', 'record.amended@1', {
    ...{ target: ids[2], targetType: 'sample.result@1', subjects: [{ kind: 'sample', id: 's1' }] },
    instead: { found: [{ ...one, value: 10, bound: 'less' }], report: null },
    reason: 'read one line too low',
  })
})
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true })
  await server.close()
})

async function packOf(stations: readonly string[]): Promise<(kind: string) => Promise<Buffer>> {
  const body = { from: '2026-11-26', to: '2026-11-26', stations, paper: 'A4', people: 'names' }
  const answer = await ask(server, lead, 'POST', '/packs', body)
  expect(answer.statusCode, answer.body).toBe(200)
  const last = JSON.parse(answer.body.trim().split('\n').at(-1) ?? '{}') as { id: string }
  return async (kind) => (await ask(server, lead, 'GET', `/packs/${last.id}/${kind}`)).rawPayload
}
function textOf(pdf: Buffer): string {
  const path = join(folder, 'pack.pdf')
  writeFileSync(path, pdf)
  return execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' }).replaceAll(/\s+/g, ' ')
}

describe('what went wrong, faults, pests and samples', () => {
  it('stand on the day’s sheet, with who, and what was taken back as taken back', async () => {
    const sheet = (await ask(server, lead, 'GET', '/sheets/2026-11-26')).json<DaySheet>()
    const of = (record: string | undefined) => sheet.happened.find((h) => h.record === record)
    expect(of(ids[0])).toMatchObject({
      type: 'incident.opened@1',
      by: 'ines',
      about: { stations: ['kiosk-slush'] },
    })
    expect(of(ids[1])?.amended).toMatchObject({ by: 'ines', reason: 'a tap astray', instead: null })
  })
  it('are in the pack, in words that another program reads', async () => {
    const text = textOf(await (await packOf([]))('pdf'))
    expect(text).toMatch(
      /Water, power, fire, sickness and the like No water, Galley\. 26 Nov 2026 \d\d:\d\d, Ines Out of service: Kiosk slush/,
    )
    expect(text).toMatch(/False alarm, 26 Nov 2026 \d\d:\d\d, Ines: the valve was shut/)
    // No limit is entered for it: nobody can tell.
    expect(text).toMatch(/Laboratory .*Swab of a surface, Galley custard, spout, Quay lab Q 12 can’t tell/)
    expect(text).toMatch(
      /Coliform: less than 10 \/swab: Can’t tell yet, your authority’s limit is not entered/,
    )
    for (const words of ['Kiosk slush: It leaks', 'drips from the lid', 'behind the flour', 'a tap astray'])
      expect(text).toContain(words)
  })
  it('of one station are those that concern it', async () => {
    const text = textOf(await (await packOf(['kiosk-slush']))('pdf'))
    expect(text).toContain('drips from the lid')
    for (const words of ['behind the flour', 'Quay lab']) expect(text).not.toContain(words)
    const none = textOf(await (await packOf(['galley-sink']))('pdf'))
    expect(none).toContain('sickness and the like Nothing of that kind in this period.')
  })
  it('tell by its name which food went, and say no more of how than is on record', async () => {
    const files = unzipSync(await (await packOf([]))('zip'))
    const csv = strFromU8(files['what-else-happened.csv'] ?? new Uint8Array())
    for (const said of [
      'Thrown out. quiche',
      'Used up in time or thrown out. quiche',
      'quiche: kept. Mr Oriel said so',
    ])
      expect(csv).toContain(said)
  })
  it('are tables of their own', async () => {
    const files = unzipSync(await (await packOf([]))('zip'))
    const table = (name: string) =>
      Papa.parse<Record<string, string>>(strFromU8(files[name] ?? new Uint8Array()).replace('\uFEFF', ''), {
        header: true,
        skipEmptyLines: true,
      }).data
    expect(table('what-went-wrong.csv')).toMatchObject([
      { kind: 'water-off', out_of_service: 'Kiosk slush', status: 'false-alarm', ended_by: 'Ines' },
      { kind: 'power-cut', out_of_service: '', status: 'open' },
    ])
    expect(table('laboratory.csv')).toMatchObject([
      { station: 'Galley custard', found: 'Coliform: less than 10 /swab', limit: '', verdict: 'cannot-tell' },
    ])
    const happened = table('what-else-happened.csv')
    expect(happened.find((r) => r['record'] === ids[1])).toMatchObject({
      ...{ what: '', before: expect.stringContaining('another machine') as string },
      ...{ amended: 'a tap astray', by: 'Ines' },
    })
    expect(happened.find((r) => r['record'] === ids[2])).toMatchObject({
      ...{ what: 'Laboratory: Coliform: less than 10 /swab', amended: 'read one line too low' },
      before: 'Laboratory: Coliform: 400 /swab',
    })
  })
})
