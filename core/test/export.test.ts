import { createHash } from 'node:crypto'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { canonicalText, noRecordBefore, verifyExport, type ExportFile } from '../stream/index.ts'

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex')

/** A log of so many records, each with its hash, as it is saved. */
function log(n: number, format: ExportFile['format'] = 'tadka-log', from = 1): ExportFile {
  const records: Record<string, unknown>[] = []
  let prev = noRecordBefore
  for (let seq = 1; seq <= n; seq++) {
    const record = { seq, prev, by: 'bao', payload: { note: `n ${seq}`, value: seq / 7 } }
    prev = sha256(canonicalText(record))
    // As another program may write it: in another order.
    records.push({ hash: prev, payload: record.payload, by: 'bao', prev: record.prev, seq })
  }
  const last = { seq: n, hash: prev }
  return {
    format,
    site: 's',
    records: records.slice(from - 1),
    ...(format === 'tadka-pack' ? { head: last } : {}),
  }
}
const changed = (file: ExportFile, at: number, change: object): ExportFile => ({
  ...file,
  records: file.records.map((r, i) => (i === at ? { ...r, ...change } : r)),
})
const without = (file: ExportFile, at: number): ExportFile => ({
  ...file,
  records: file.records.toSpliced(at, 1),
})
const headAt = (file: ExportFile, seq: number) => ({
  seq,
  hash: String(file.records.find((r) => r['seq'] === seq)?.['hash']),
})

describe('a log that was saved as a file', () => {
  it('is whole from its first record, or from where a pack begins, whatever the order of its fields', () => {
    expect(verifyExport(log(9), sha256)).toMatchObject({ records: 9, first: 1, fault: null })
    expect(verifyExport(log(9, 'tadka-pack', 4), sha256)).toMatchObject({ records: 6, first: 4, fault: null })
    expect(verifyExport({ ...log(0) }, sha256)).toMatchObject({ records: 0, first: null, fault: null })
  })
  it('with one record changed, removed, added or swapped is found out, and the place is named', () => {
    const size = fc.integer({ min: 3, max: 12 })
    fc.assert(
      fc.property(
        size,
        fc.nat(),
        fc.constantFrom('changed', 'removed', 'added', 'swapped'),
        (n, pick, how) => {
          const file = log(n)
          const at = pick % (n - 1)
          const [here, next] = [file.records[at] ?? {}, file.records[at + 1] ?? {}]
          const forged = {
            changed: changed(file, at, { by: 'somebody' }),
            removed: without(file, at),
            added: { ...file, records: file.records.toSpliced(at, 0, here) },
            swapped: { ...file, records: file.records.toSpliced(at, 2, next, here) },
          }[how]
          const { fault, records } = verifyExport(forged, sha256)
          expect(fault?.seq).toBe(how === 'added' ? at + 2 : at + 1)
          expect(records).toBe(how === 'added' ? at + 1 : at)
        },
      ),
    )
  })
  it('whose tail was cut off is found out by the head that a pack names, or one that was kept elsewhere', () => {
    const pack = log(9, 'tadka-pack', 4)
    // Its own days may end before the chain does: that is no fault.
    const cut = { ...pack, records: pack.records.slice(0, -2) }
    expect(verifyExport(cut, sha256).fault).toBeNull()
    expect(verifyExport(changed(pack, 5, { hash: 'x' }), sha256).fault?.seq).toBe(9)
    expect(verifyExport({ ...pack, head: { seq: 9, hash: noRecordBefore } }, sha256).fault).toEqual({
      why: 'head',
      seq: 9,
    })
  })
  it('that was written anew from some record on follows on in itself, and misses every head kept from there', () => {
    const honest = log(9)
    const forged: Record<string, unknown>[] = []
    let prev = noRecordBefore
    for (const r of honest.records) {
      const rest: Record<string, unknown> = { ...r, prev, ...(r['seq'] === 5 ? { by: 'somebody' } : {}) }
      delete rest['hash']
      prev = sha256(canonicalText(rest))
      forged.push({ ...rest, hash: prev })
    }
    const heads = [2, 4, 5, 9].map((seq) => headAt(honest, seq))
    const report = verifyExport({ ...honest, records: forged }, sha256, heads)
    expect(report.fault).toBeNull()
    expect(report.missed.map((h) => h.seq)).toEqual([5, 9])
    expect(verifyExport(honest, sha256, heads)).toMatchObject({ held: 4, missed: [] })
  })
  it('says nothing of heads that lie outside of it', () =>
    expect(verifyExport(log(9, 'tadka-pack', 4), sha256, [{ seq: 2, hash: noRecordBefore }])).toMatchObject({
      held: 0,
      missed: [],
    }))
})
