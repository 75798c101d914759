import { describe, expect, it } from 'vitest'
import { instant, interval, point } from '../quantity/index.ts'
import {
  amendmentOf,
  amendReading,
  coldProductChecked,
  foldAll,
  folds,
  subjectsOf,
  type AnyRecord,
} from '../record/index.ts'
import { readingRecord, recordOf } from './records.ts'

const place = { station: 'st', run: null, step: null, bath: null, case: null }
const probe = {
  id: 'probe',
  kind: 'thermometer',
  name: 'p',
  unit: '°C',
  accuracy: 0.5,
  checkDue: 1000,
} as const
const strip = {
  kind: 'strip',
  name: 's',
  unit: 'ppm',
  agent: 'chlorine',
  blocks: [0, 50, 100, 150, 200],
  colours: [],
  bestBefore: 0,
} as const

describe('a mistyped temperature put right', () => {
  it('is judged anew as it was read: a point stays a point, an interval its width', () => {
    const sharp = coldProductChecked(place, 45, '°C', probe, instant(0))
    const right = amendReading(sharp, { value: 4.5 })
    expect([sharp.judgement.overall, right.judgement.overall]).toEqual(['out', 'in'])
    expect(right).toMatchObject({ reading: { value: 4.5, interval: point(4.5) } })
    const blunt = coldProductChecked(place, 45, '°C', probe, instant(2000))
    expect(amendReading(blunt, { value: 4.5 })).toMatchObject({ reading: { interval: interval(4, 5) } })
  })
  it('keeps where, what and with which instrument it was read', () => {
    const wrong = coldProductChecked({ ...place, run: 'r', step: 's' }, 45, '°C', probe, instant(0))
    expect(amendReading(wrong, { value: 4 })).toMatchObject({
      station: 'st',
      run: 'r',
      step: 's',
      instruments: ['probe'],
    })
  })
})

describe('a strip read wrong put right', () => {
  const weak = readingRecord(1, 'r', { between: [50, 100] }, null) as AnyRecord & { type: 'reading.taken@1' }
  it('changes the strength and nothing else, though the strip is past its date by now', () => {
    const right = amendReading(weak.payload, { strip, pick: { matches: 150 } })
    expect(right).toMatchObject({
      reading: { strength: interval(125, 175) },
      judgement: { overall: 'in' },
      picks: { strength: { matches: 150 } },
    })
    if (right.what !== 'sanitizer' || weak.payload.what !== 'sanitizer') throw new Error('not a sanitizer')
    expect(right.reading.ph).toEqual(weak.payload.reading.ph)
  })
  it('with what does not belong to it is left as it is', () => {
    expect(amendReading(weak.payload, { value: 4 })).toBe(weak.payload)
  })
})

describe('an amendment', () => {
  const good = readingRecord(1, 'r', { matches: 150 }, null) as AnyRecord & { type: 'reading.taken@1' }
  const bad = amendReading(good.payload, { strip, pick: { matches: 50 } })
  const amendment = recordOf(
    2,
    'record.amended@1',
    good.subject,
    amendmentOf(good, bad, 'read again by daylight'),
  )
  it('names every state that it changes, those too that it opens', () => {
    expect(subjectsOf(amendment)).toEqual([
      { kind: 'run', id: 'r' },
      { kind: 'station', id: 'st' },
      { kind: 'case', id: good.id },
    ])
  })
  it('that makes a pass a failure opens its case', () => {
    const { state } = foldAll(folds.case, { kind: 'case', id: good.id }, [good, amendment])
    expect(state).toMatchObject({ status: 'open', verdict: 'out' })
  })
  it('of an amended record again: the last one counts', () => {
    const again = recordOf(
      3,
      'record.amended@1',
      good.subject,
      amendmentOf(good, good.payload, 'it was right'),
    )
    const { state } = foldAll(folds.case, { kind: 'case', id: good.id }, [again, good, amendment])
    expect(state.status).toBe('void')
  })
})
