import type { AnyRecord } from '@tadka/core/stream'
import { describe, expect, it } from 'vitest'
import { csvColumns, csvRow } from '../record/csv.ts'

const limit = (change: object) => ({
  quantity: 'strength',
  unit: 'ppm',
  source: 'the label',
  verdict: 'out',
  limit: { lo: 150, hi: 400 },
  reading: { lo: 100, hi: 200 },
  ...change,
})
const record = (change: object = {}) =>
  ({
    seq: 7,
    id: 'the-id',
    type: 'reading.taken@1',
    subject: { kind: 'bath', id: 'b-1' },
    by: 'bao',
    observedAt: Date.parse('2026-11-26T21:00:00Z'),
    clockOffset: 1000,
    receivedAt: Date.parse('2026-11-26T21:00:05Z'),
    flags: ['late', 'label-differs'],
    payload: {
      station: 'galley-bucket',
      step: 'mix.1',
      judgement: { overall: 'out', layers: [{ limits: [limit({})] }, { limits: [limit({ limit: null })] }] },
    },
    ...change,
  }) as unknown as AnyRecord
const cells = (r: AnyRecord) => Object.fromEntries(csvColumns.map((name, i) => [name, csvRow(r, 'hash')[i]]))

describe('a record as a row', () => {
  it('tells when, who, where, what was read against which limit, and all of its payload', () => {
    const row = record()
    expect(cells(row)).toEqual({
      seq: '7',
      observed_at: '2026-11-26T21:00:01.000Z',
      received_at: '2026-11-26T21:00:05.000Z',
      type: 'reading.taken@1',
      subject_kind: 'bath',
      subject: 'b-1',
      by: 'bao',
      station: 'galley-bucket',
      step: 'mix.1',
      verdict: 'out',
      reading: 'strength 100..200 ppm',
      limits: 'strength 150..400 ppm (the label): out',
      flags: 'late label-differs',
      id: 'the-id',
      hash: 'hash',
      payload: JSON.stringify(row.payload),
    })
  })
  it('tells a site in US units what it reads there, and limits as the code pairs them', () => {
    const limits = [
      limit({ quantity: 'rinse', unit: '°C', limit: { lo: 82, hi: null }, reading: { lo: 83.5, hi: 83.5 } }),
      limit({ quantity: 'pressure', unit: 'kPa', limit: { lo: 35, hi: 200 }, reading: { lo: 100, hi: 110 } }),
      limit({
        quantity: 'hardness',
        unit: 'mg/L',
        limit: { lo: null, hi: 500 },
        reading: { lo: 171, hi: 171 },
      }),
      limit({}),
    ]
    const judged = record({ payload: { judgement: { overall: 'in', layers: [{ limits }] } } })
    const row = csvRow(judged, 'hash', 'us')
    expect(row[csvColumns.indexOf('reading')]).toBe(
      'rinse 182.3 °F; pressure 14.5..16 psi; hardness 10 gpg; strength 100..200 ppm',
    )
    expect(row[csvColumns.indexOf('limits')]).toContain('rinse 180.. °F (the label): out; pressure 5..30 psi')
    expect(row.slice(0, -1).join()).not.toMatch(/°C|kPa|mg/)
  })
  it('tells each quantity once, and each limit', () => {
    const limits = [limit({}), limit({}), limit({ quantity: 'temperature', unit: '°C', reading: null })]
    const judgement = { overall: 'out', layers: [{ limits }] }
    const row = cells(record({ payload: { judgement } }))
    expect(row['reading']).toBe('strength 100..200 ppm')
    expect(row['limits']?.split('; ')).toHaveLength(3)
  })
  it('tells several quantities apart, open ends, and what is to be known of a limit', () => {
    const limits = [
      limit({ limit: { lo: null, hi: 200 }, source: '40 CFR 180.940', note: 'without-rinse' }),
      limit({
        quantity: 'pH',
        unit: 'pH',
        source: '',
        note: 'no-label',
        reading: { lo: 7, hi: 7 },
        limit: { lo: 6, hi: null },
      }),
    ]
    const row = cells(record({ payload: { judgement: { overall: 'out', layers: [{ limits }] } } }))
    expect(row['reading']).toBe('strength 100..200 ppm; pH 7 pH')
    expect(row['limits']).toBe(
      'strength ..200 ppm (40 CFR 180.940, without-rinse): out; pH 6.. pH (no-label): out',
    )
  })
  it('leaves blank what a record has not, and what is no text', () => {
    const row = cells(
      record({ type: 'run.parked@1', flags: [], payload: { station: null, step: 4, judgement: 1 } }),
    )
    for (const name of ['station', 'step', 'verdict', 'reading', 'limits', 'flags'])
      expect(row[name], name).toBe('')
  })
  it.each(['=1', '+1', '-1', '@x', '\tx', '\rx'])('sets %j behind an apostrophe', (by) =>
    expect(cells(record({ by }))['by']).toBe(`'${by}`),
  )
  it.each(['a=1', 'x-1', '1+1', ''])('leaves %j as it is', (by) =>
    expect(cells(record({ by }))['by']).toBe(by),
  )
})
