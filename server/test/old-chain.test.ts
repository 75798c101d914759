import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { gunzipSync } from 'node:zlib'
import { checkDraft } from '@tadka/contract/record'
import { asJudged } from '@tadka/core/record'
import { correctedAt, noRecordBefore, verifyChain, type AnyRecord } from '@tadka/core/stream'
import { describe, expect, it } from 'vitest'
import { draftOf, sha256 } from '../stream/append.ts'

/**
 * The first records of a site as an earlier release wrote them: `hash text`, a line each; and what its readings say, taken from those
 * texts alone when they were put here: [seq, ms UTC, who, step, verdict, [[quantity, verdict, reading, limit, unit]]]. Never changed.
 */
const dump = (file: string) => readFileSync(fileURLToPath(new URL(`dumps/${file}`, import.meta.url)))
const links = gunzipSync(dump('2026-11-chain.jsonl.gz'))
  .toString()
  .trim()
  .split('\n')
  .map((line, i) => ({ seq: i + 1, hash: line.slice(0, 64), text: line.slice(65) }))

describe('a chain of an earlier release', () => {
  it('still verifies, to the hash of its last record', () => {
    const end = verifyChain(links, sha256, { seq: 0, hash: noRecordBefore })
    expect(end).toEqual({ seq: links.length, hash: links.at(-1)?.hash })
    expect(links.length).toBeGreaterThan(600)
  })
  it('is taken for what it is by whoever takes in an archive: no record of it is of a kind that there is not', () => {
    for (const { text } of links)
      expect(() => checkDraft(draftOf(JSON.parse(text) as AnyRecord))).not.toThrow()
  })
  it('tells the same facts: who, when, what was read against which limit, and the verdict', () => {
    const told = links.flatMap(({ text }) => {
      const record = asJudged(JSON.parse(text) as AnyRecord)
      if (record.type !== 'reading.taken@1') return []
      const { judgement, step } = record.payload
      const limits = judgement.layers.flatMap((l) => l.limits)
      const facts = limits.map((l) => [l.quantity, l.verdict, l.reading, l.limit, l.unit])
      return [[record.seq, correctedAt(record), record.by, step, judgement.overall, facts]]
    })
    const golden = dump('2026-11-chain.facts.jsonl').toString().trim().split('\n')
    expect(told.map((one) => JSON.parse(JSON.stringify(one)) as unknown)).toEqual(
      golden.map((line) => JSON.parse(line) as unknown),
    )
    expect(golden.length).toBeGreaterThan(20)
  })
})
