import { describe, expect, it } from 'vitest'
import { instant, interval, point } from '../quantity/index.ts'
import { amendmentOf, amendReading, folds, numbersOf, subjectsOf } from '../record/index.ts'
import { foldAll, type AnyRecord } from '../stream/index.ts'
import { heatRead, taken, type Place } from '../reading/index.ts'
import { readingRecord, recordOf } from './records.ts'

const place: Place = { station: 'st', run: null, step: null, bath: null, case: null }
const probe = {
  id: 'probe',
  kind: 'thermometer',
  name: 'p',
  unit: '°C',
  accuracy: 0.5,
  checkDue: 1000,
} as const
const product = (value: number, at: number, where = place) => {
  const entry = {
    numbers: { product: value },
    on: { product: probe },
    turned: null,
    kind: 'chemical' as const,
    kept: 'room' as const,
    units: { temperature: '°C' as const, pressure: 'kPa' as const },
    plate: null,
    practice: 'manifold' as const,
    label: null,
  }
  return taken(heatRead('cold-product', entry, instant(at)), where, ['probe'])
}
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
    const sharp = product(45, 0)
    const right = amendReading(sharp, { value: 4.5 })
    expect([sharp.judgement.overall, right.judgement.overall]).toEqual(['out', 'in'])
    expect(right).toMatchObject({ reading: { value: 4.5, interval: point(4.5) } })
    const blunt = product(45, 2000)
    expect(amendReading(blunt, { value: 4.5 })).toMatchObject({ reading: { interval: interval(4, 5) } })
  })
  it('keeps where, what and with which instrument it was read', () => {
    const wrong = product(45, 0, { ...place, run: 'r', step: 's' })
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

describe('the numbers of a reading of heat put right', () => {
  const degrees = (value: number) => ({ unit: '°C', reading: point(value) }) as const
  const machine = taken(
    {
      what: 'dish-machine',
      reading: {
        kind: 'stationary-dual',
        wash: degrees(66),
        rinse: degrees(28),
        pressure: interval(120, 120),
        surface: null,
        plate: null,
      },
    },
    place,
    ['probe'],
  )
  it('come back by field, what was not read left out', () =>
    expect(numbersOf(machine)).toEqual({ wash: 66, rinse: 28, pressure: 120 }))
  it('are judged anew, the others as they were', () => {
    const right = amendReading(machine, { numbers: { wash: 66, rinse: 82, pressure: 120 } })
    expect([machine.judgement.overall, right.judgement.overall]).toEqual(['out', 'in'])
    expect(right).toMatchObject({ reading: { wash: degrees(66), surface: null }, instruments: ['probe'] })
  })
  it('never make up a field that was not read', () =>
    expect(amendReading(machine, { numbers: { surface: 90 } })).toMatchObject({ reading: { surface: null } }))
  it('of water held by hand, with its seconds', () => {
    const held = taken(
      { what: 'hot-water', reading: { temperature: { unit: '°C', reading: interval(76, 78) }, seconds: 3 } },
      place,
      [],
    )
    const right = amendReading(held, { numbers: { temperature: 80, seconds: 30 } })
    expect(right).toMatchObject({
      reading: { temperature: { reading: interval(79, 81) }, seconds: 30 },
      judgement: { overall: 'in' },
    })
  })
  it('counted in drops', () => {
    const weak = readingRecord(1, 'r', { matches: 50 }, null) as AnyRecord & { type: 'reading.taken@1' }
    expect(amendReading(weak.payload, { drops: 6, perDrop: 25 })).toMatchObject({
      reading: { strength: interval(137.5, 162.5) },
      picks: { strength: { drops: 6 } },
    })
    expect(numbersOf(weak.payload)).toBeNull()
  })
})

describe('what the house keeps of its kit', () => {
  const strip_ = { kind: 'thermometer', name: 'p', unit: '°C', accuracy: 0.5, checkDue: 5 } as const
  const subject = { kind: 'instrument', id: 'probe' } as const
  const check = (at: number, due: number) =>
    recordOf(at, 'instrument.checked@1', subject, {
      instrument: 'probe',
      method: 'ice-point',
      unit: '°C',
      read: 0.2,
      verdict: 'in',
      due,
    })
  it('is the check that sets when a thermometer is due, and at most thirty of them', () => {
    const set = recordOf(0, 'instrument.set@1', subject, strip_)
    const checks = Array.from({ length: 35 }, (_, i) => check(i + 1, 100 + i))
    const { state } = foldAll(folds.instrument, subject, [set, ...checks])
    expect(state).toMatchObject({ checkDue: 134, name: 'p' })
    expect(state.checks).toHaveLength(30)
  })
  it('is the spares on the shelf: as counted, less what was drawn since', () => {
    const of = { kind: 'spare', id: 'seal' } as const
    const counted = recordOf(1, 'spare.set@1', of, { name: 'Seal', fits: [], count: 3 })
    const drawn = (at: number) =>
      recordOf(at, 'spare.drawn@1', of, { spare: 'seal', station: 'st', count: 1 })
    expect(foldAll(folds.spare, of, [counted, drawn(2), drawn(3)]).state.count).toBe(1)
    // Drawn before it was counted: the count has it in already.
    expect(foldAll(folds.spare, of, [drawn(0), counted]).state.count).toBe(3)
  })
  it('is the container in use, a new label or not', () => {
    const of = { kind: 'product', id: 'q' } as const
    const opened = { product: 'q', openedAt: 9, bestBefore: null, daysOnceOpen: 90 }
    const records = [recordOf(1, 'concentrate.opened@1', of, opened)]
    expect(foldAll(folds.product, of, records).state).toMatchObject({ container: opened })
  })
})

describe('an amendment', () => {
  it('takes back a tap that concerns other subjects too, and names them all', () => {
    const came = recordOf(
      1,
      'stock.came@1',
      { kind: 'stock', id: 's' },
      {
        ...{ amount: 1, of: { kind: 'product', id: 'kelpwash' }, lot: '', bestBefore: null, label: 'other' },
      },
    )
    expect(amendmentOf(came, null, 'a stray tap').subjects).toEqual([
      { kind: 'stock', id: 's' },
      { kind: 'product', id: 'kelpwash' },
    ])
  })
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
  it('of an amended record again: the last one counts, and its case waits for a recheck all the same', () => {
    const again = recordOf(
      3,
      'record.amended@1',
      good.subject,
      amendmentOf(good, good.payload, 'it was right'),
    )
    const { state } = foldAll(folds.case, { kind: 'case', id: good.id }, [again, good, amendment])
    expect(state).toMatchObject({ status: 'open', verdict: 'in' })
  })
})
