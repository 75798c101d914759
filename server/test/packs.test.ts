import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { canonicalText, isFault, verifyChain, type AnyRecord } from '@tadka/core/stream'
import { strFromU8, unzipSync } from 'fflate'
import Papa from 'papaparse'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { gatherPack, type PackKnown } from '../pack/gather.ts'
import { Paper } from '../pack/paper.ts'
import { packTables } from '../pack/tables.ts'
import { packTeller } from '../pack/teller.ts'
import { ask, draft, inspect, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let lead: string
let folder: string
const body = { from: '2026-11-23', to: '2026-11-26', stations: [], paper: 'A4', people: 'names' }
beforeAll(async () => {
  server = await testServer(4)
  lead = await signIn(server.app, 'ines')
  folder = mkdtempSync(join(tmpdir(), 'tadka-pack-'))
  const named = { bao: 'Bảo Nguyễn', wen: 'Łukasz Żak', noor: 'Наталья' }
  for (const [id, name] of Object.entries(named))
    await server.owner.query('update person set name = $1 where id = $2', [name, id])
})
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true })
  await server.close()
})

/** A pack of all of it, by name: made once. */
let whole: Promise<Made> | undefined
const wholePack = () => (whole ??= make())

interface Made {
  readonly lines: readonly { readonly done?: number; readonly of?: number; readonly id?: string }[]
  readonly id: string
}
async function make(change: object = {}, cookie = lead): Promise<Made> {
  const answer = await ask(server, cookie, 'POST', '/packs', { ...body, ...change })
  expect(answer.statusCode, answer.body).toBe(200)
  const lines = answer.body
    .trim()
    .split('\n')
    .map((l) => JSON.parse(l) as Made['lines'][number])
  return { lines, id: lines.at(-1)?.id ?? '' }
}
const file = async (id: string, kind: string, cookie = lead) => {
  const answer = await ask(server, cookie, 'GET', `/packs/${id}/${kind}`)
  expect(answer.statusCode).toBe(200)
  return answer.rawPayload
}
/** A document's words as another program reads them. */
function textOf(pdf: Buffer): string {
  const path = join(folder, 'pack.pdf')
  writeFileSync(path, pdf)
  return execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 })
}
const pagesOf = (pdf: Buffer): number => {
  const path = join(folder, 'pages.pdf')
  writeFileSync(path, pdf)
  return Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [path], { encoding: 'utf8' }))?.[1])
}
const sizeOf = (pdf: Buffer): string => {
  const path = join(folder, 'size.pdf')
  writeFileSync(path, pdf)
  return /Page size:\s+(.+)/.exec(execFileSync('pdfinfo', [path], { encoding: 'utf8' }))?.[1] ?? ''
}

describe('an inspector’s pack', () => {
  it('tells how far it is, day by day, and then where its files lie', async () => {
    const { lines } = await wholePack()
    expect(lines.slice(0, -1)).toEqual([1, 2, 3, 4].map((done) => ({ done, of: 4 })))
    expect(lines.at(-1)).toMatchObject({ files: [{ kind: 'pdf' }, { kind: 'zip' }, { kind: 'json' }] })
  })
  it('says who, where, and each verdict, read from the document by another program', async () => {
    const text = textOf(await file((await wholePack()).id, 'pdf'))
    for (const words of [
      'Gannet Terminal: cleaning log',
      '23 Nov 2026 to 26 Nov 2026',
      'by Ines',
      'Kiosk slush',
    ])
      expect(text).toContain(words)
    for (const verdict of ['In range', 'Too close to call']) expect(text).toContain(verdict)
    for (const name of ['Bảo Nguyễn', 'Łukasz Żak', 'Наталья']) expect(text).toContain(name)
    expect(text).toContain('3-501.16(A)(2)')
    expect(text).toMatch(/records were checked: none altered, none missing/)
    expect(text).toMatch(/Page 1 of \d+/)
  })
  it('shows the photo of a certificate under whose it is; by initials it leaves it out, for it names them', async () => {
    const manager = await signIn(server.app, 'oriel')
    const bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#fff' } })
      .jpeg()
      .toBuffer()
    const photo = createHash('sha256').update(bytes).digest('hex')
    const headers = { cookie: manager, 'content-type': 'image/jpeg' }
    const url = `/api/sites/${siteId}/photos/${photo}`
    expect((await server.app.inject({ method: 'PUT', url, headers, payload: bytes })).statusCode).toBe(200)
    const held = {
      ...{ paper: 'p1', kind: 'food-handler', name: 'Harbour food course', number: 'H 77' },
      ...{ issued: '2026-01-01', until: null, photo, removed: false },
    }
    const set = draft(server.clock.now, 'training.paper@1', held, {
      by: 'oriel',
      subject: { kind: 'training', id: 'bao' },
    })
    await ask(server, manager, 'POST', '/records', { sentAt: server.clock.now, drafts: [set] })
    const change = { from: '2026-11-26', stations: ['galley-sink'] }
    const text = textOf(await file((await make(change)).id, 'pdf'))
    expect(text).toMatch(/Photos of certificates\s+Bảo Nguyễn: Harbour food course\s+H 77/)
    expect(text).not.toContain('H 77 (')
    const initials = textOf(await file((await make({ ...change, people: 'initials' })).id, 'pdf'))
    expect(initials).toContain('Harbour food course')
    expect(initials).not.toContain('Photos of certificates')
  })
  it('of one station tells of no other', async () => {
    const text = textOf(await file((await make({ stations: ['kiosk-slush'] })).id, 'pdf'))
    expect(text).toContain('Stations: Kiosk slush')
    expect(text).not.toContain('Galley custard')
  })
  it('names people by their initials where that is asked for', async () => {
    const { id } = await make({ people: 'initials' })
    const text = textOf(await file(id, 'pdf'))
    // Its records would name them all the same.
    expect((await ask(server, lead, 'GET', `/packs/${id}/json`)).statusCode).toBe(404)
    expect(text).not.toContain('Nguyễn')
    expect(text).toContain('B. N.')
  })
  it.each([
    ['A4', '595.28 x 841.89'],
    ['LETTER', '612 x 792'],
  ])('is laid out for %s', async (paper, size) => {
    const pdf = await file((await make({ paper, stations: ['kiosk-slush'] })).id, 'pdf')
    expect(sizeOf(pdf)).toContain(size)
  })
  it('brings the stretch of the chain, which follows on without the database; changed, it does not', async () => {
    const told = JSON.parse((await file((await wholePack()).id, 'json')).toString()) as {
      head: { seq: number; hash: string }
      days: unknown[]
      records: (AnyRecord & { hash: string })[]
    }
    expect(told.days).toHaveLength(4)
    const sha256 = (text: string) => createHash('sha256').update(text).digest('hex')
    const linked = (records: typeof told.records) =>
      verifyChain(
        records.map(({ hash, ...r }) => ({ seq: r.seq, text: canonicalText(r), hash })),
        sha256,
        { seq: (records[0]?.seq ?? 1) - 1, hash: records[0]?.prev ?? '' },
      )
    expect(linked(told.records)).toEqual(told.head)
    const forged = told.records.map((r, i) => (i === 5 ? { ...r, by: 'somebody' } : r))
    const result = linked(forged)
    expect(isFault(result) && result.seq).toBe(told.records[5]?.seq)
  })
  it('brings tables that another parser reads, in the site’s own time', async () => {
    const files = unzipSync(await file((await wholePack()).id, 'zip'))
    const table = (name: string) =>
      Papa.parse<Record<string, string>>(strFromU8(files[name] ?? new Uint8Array()).replace('\uFEFF', ''), {
        header: true,
        skipEmptyLines: true,
      })
    const index = table('index.csv').data
    expect(index.map((r) => r['file']).toSorted()).toEqual(
      Object.keys(files)
        .filter((f) => f !== 'index.csv')
        .toSorted(),
    )
    for (const { file: name = '', rows } of index) {
      const { data, errors } = table(name)
      expect([name, errors, String(data.length)]).toEqual([name, [], rows])
    }
    const [first] = table('readings.csv').data
    expect(first?.['time']).toMatch(/^2026-11-2\d \d\d:\d\d:\d\d$/)
    expect(table('cleanings.csv').data.some((r) => r['by']?.includes('Bảo Nguyễn'))).toBe(true)
  })
  it('is not kept for ever, and not told to who is not of the site', async () => {
    const { id } = await make({ stations: ['kiosk-slush'] })
    expect((await ask(server, '', 'GET', `/packs/${id}/pdf`)).statusCode).toBe(401)
    const theirs = await inspect(server, lead)
    expect((await ask(server, theirs, 'GET', `/packs/${id}/pdf`)).statusCode).toBe(403)
    server.clock.now += 31 * 60_000
    expect((await ask(server, lead, 'GET', `/packs/${id}/pdf`)).statusCode).toBe(404)
  })
  it('of all time begins with the first day of which there is anything', async () => {
    const { lines } = await make({ from: '1990-01-01' })
    expect(lines.at(-2)?.of).toBeLessThan(10)
  })
  it('from a day after its last is refused', async () => {
    const answer = await ask(server, lead, 'POST', '/packs', {
      ...body,
      from: '2026-11-27',
      to: '2026-11-26',
    })
    expect(answer.statusCode).toBe(400)
  })
})

describe('tables for a spreadsheet', () => {
  it('hold no formula, whatever somebody called a station', async () => {
    const known: PackKnown = await gatherPack(
      server.pool,
      { site: siteId, from: '2026-11-25', to: '2026-11-25', stations: [], at: server.clock.now, by: 'ines' },
      () => Promise.resolve(),
    )
    const tell = { ...packTeller(known), station: () => '=HYPERLINK("x")', person: () => '@SUM(1)' }
    for (const [name, bytes] of Object.entries(unzipSync(packTables(known, tell))))
      for (const row of Papa.parse<string[]>(strFromU8(bytes).replace('\uFEFF', '')).data)
        for (const cell of row) expect([name, /^[=+@\t\r]/.test(cell)]).toEqual([name, false])
  })
})

describe('paper', () => {
  const laid = async (draw: (paper: Paper) => void) => {
    const paper = new Paper('A4', 'test')
    const bytes = buffer(paper.out)
    draw(paper)
    paper.end((page, of) => `${page}/${of}`)
    return bytes
  }
  it('sets every sign that people write, and each word in one font', async () => {
    const words = [
      '≥ 82 °C → Bảo Nguyễn',
      'Łukasz',
      'Жанна',
      '½ ⅔ µm ≤ 5 °C',
      'Ελένη',
      'naïve “quoted” – dash',
    ]
    const text = textOf(await laid((paper) => words.forEach((w) => paper.text(w))))
    for (const w of words) expect(text.replaceAll(/\s+/g, ' ')).toContain(w)
  })
  it('loses no line over the end of a page, and breaks a word that no line can hold', async () => {
    const lines = Array.from({ length: 200 }, (_, i) => `line ${i} of them`)
    const long = 'x'.repeat(400)
    const pdf = await laid((paper) => {
      for (const line of lines)
        paper.row([
          { text: line, share: 1 },
          { text: 'a', share: 1 },
        ])
      paper.text(long)
    })
    const text = textOf(pdf)
    for (const line of lines) expect(text).toContain(line)
    expect(text.match(/x/g)?.length).toBe(400)
    expect(pagesOf(pdf)).toBeGreaterThan(3)
  })
  it('a row is never torn in two', async () => {
    const tall = Array.from({ length: 6 }, () => 'tall').join('\n')
    const pdf = await laid((paper) => {
      for (let i = 0; i < 60; i++) paper.row([{ text: tall, share: 1 }])
    })
    const pages = textOf(pdf).split('\f')
    for (const page of pages) expect((page.match(/tall/g)?.length ?? 0) % 6).toBe(0)
  })
})
