import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createHash } from 'node:crypto'
import { canonicalText, noRecordBefore } from '@tadka/core/stream'
import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { verifyFile } from '../verify-file.ts'

const folder = mkdtempSync(join(tmpdir(), 'tadka-file-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const kept = (name: string, text: string) => {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}
const record = { seq: 1, prev: noRecordBefore, by: 'bao' }
const hash = createHash('sha256').update(canonicalText(record)).digest('hex')
const log = (change: object = {}) =>
  JSON.stringify({
    format: 'tadka-log',
    version: 1,
    site: 'gannet',
    records: [{ ...record, hash, ...change }],
  })
let said: string[]
beforeEach(() => {
  said = []
  vi.spyOn(console, 'log').mockImplementation((line: string) => void said.push(line))
})

describe('./tadka verify --file', () => {
  it('says that a whole file is whole, and what it cannot tell without a head', () => {
    expect(verifyFile(kept('log.json', log()))).toBe(0)
    expect(said.join('\n')).toContain('1 records of gannet are whole')
    expect(said.join('\n')).toContain('only a head kept elsewhere')
  })
  it('ends with 1 and names the record that was changed', () => {
    expect(verifyFile(kept('bad.json', log({ by: 'wen' })))).toBe(1)
    expect(said.join('\n')).toContain('record 1 was altered')
  })
  it('holds it against heads as a pack prints them, of its own site only', () => {
    const path = kept('log.json', log())
    expect(
      verifyFile(
        path,
        kept('heads.txt', `tadka-head 1 gannet 1 ${hash}\ntadka-head 1 other 1 ${noRecordBefore}\n`),
      ),
    ).toBe(0)
    expect(said.join('\n')).toContain('They go through 1 of the heads given')
    expect(verifyFile(path, kept('heads.txt', `tadka-head 1 gannet 1 ${noRecordBefore}\n`))).toBe(1)
    expect(said.join('\n')).toContain('record 1 is not the one that the heads remember')
  })
  it.each([
    ['no file', undefined, 'Say which file'],
    ['a file that is not there', '/no/such/file.json', 'There is no file'],
    ['a file of something else', kept('else.json', '{"format":"other"}'), 'is no log or pack'],
    ['a file that is no JSON', kept('text.json', 'hello'), 'is no log or pack'],
  ])('refuses %s, and says what it wants', (_, path, why) => expect(() => verifyFile(path)).toThrow(why))
  it('refuses heads that are none', () =>
    expect(() => verifyFile(kept('log.json', log()), kept('heads.txt', 'hello'))).toThrow(
      'is no file of heads',
    ))
})
