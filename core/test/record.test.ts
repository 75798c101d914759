import { caseKindOf, caseKinds, caseOrigins } from '../case/index.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as record from '../record/index.ts'
import { Refusal } from '../refusal/index.ts'
import * as stream from '../stream/index.ts'
import { readingRecord, recordOf, runRecords } from './records.ts'

describe('canonical text (RFC 8785)', () => {
  it('sorts keys and writes numbers as ECMAScript does: the example of its section 3.2.3, in part', () => {
    expect(
      stream.canonicalText({ numbers: [333333333.3333333, 1e30, 4.5, 2e-3], literals: [null, true, false] }),
    ).toBe('{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002]}')
  })
  it('refuses what a database could not keep', () => {
    expect(() => stream.canonicalText({ a: 'x\0y' })).toThrow(Refusal)
    expect(() => stream.canonicalText({ a: '\ud800' })).toThrow(Refusal)
    expect(() => stream.canonicalText({ a: Number.NaN })).toThrow(Refusal)
  })
})

describe('folding', () => {
  const all = runRecords()
  const subjects = [
    ...new Map(all.flatMap((r) => record.subjectsOf(r)).map((s) => [`${s.kind}/${s.id}`, s])).values(),
  ]
  const of = (s: stream.SubjectRef, records: readonly stream.AnyRecord[]) =>
    records.filter((r) => record.subjectsOf(r).some((o) => o.kind === s.kind && o.id === s.id))

  it('gives the same states in whatever order the records arrive, kept up or folded anew', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (shuffled) => {
        for (const s of subjects) {
          const fold = record.foldOf(s.kind)
          let kept = { state: fold.initial(s.id), last: null as stream.FoldKey | null }
          const seen: stream.AnyRecord[] = []
          for (const r of of(s, shuffled)) {
            seen.push(r)
            kept = stream.followsOn(kept.last, r)
              ? { state: fold.apply(kept.state, r), last: stream.foldKey(r) }
              : stream.foldAll(fold, s, seen)
          }
          expect(kept.state).toEqual(stream.foldAll(fold, s, of(s, all)).state)
        }
      }),
      { numRuns: 60 },
    )
  })
  it('orders by corrected time, then device, then counter, and never by id', () => {
    const key = (at: number, device: string, counter: number) => ({ at, device, counter })
    expect(stream.compareKeys(key(1, 'b', 9), key(2, 'a', 1))).toBeLessThan(0)
    expect(stream.compareKeys(key(1, 'a', 9), key(1, 'b', 1))).toBeLessThan(0)
    expect(stream.compareKeys(key(1, 'a', 1), key(1, 'a', 2))).toBeLessThan(0)
  })
})

describe('a corrective case', () => {
  const weak = readingRecord(1, 'r-1', { between: [50, 100] }, null)
  const caseRef = { kind: 'case', id: weak.id } as const
  const state = (records: stream.AnyRecord[]) => stream.foldAll(record.folds.case, caseRef, records).state
  const recheck = readingRecord(3, 'r-1', { matches: 150 }, weak.id)

  it('is opened by a reading that is not in, and closed by a recheck that is', () => {
    expect(record.subjectsOf(weak)).toContainEqual(caseRef)
    expect(state([weak])).toMatchObject({ status: 'open', verdict: 'too-close' })
    expect(state([weak, recheck])).toMatchObject({ status: 'closed', closedBy: recheck.id })
  })
  it('stays open over a recheck that fails, and keeps what was done', () => {
    const again = readingRecord(2, 'r-1', { between: [50, 100] }, weak.id)
    const action = recordOf(2, 'case.action@1', caseRef, {
      case: weak.id,
      station: null,
      run: null,
      bath: null,
      did: 'strengthened',
      amount: 11,
      note: '',
    })
    expect(state([weak, action, again])).toMatchObject({ status: 'open', actions: [{ amount: 11 }] })
  })
  it('stays open when the reading that opened it is amended to one that is in: only a recheck closes it', () => {
    if (weak.type !== 'reading.taken@1') throw new Error('not a reading')
    const right = record.amendReading(weak.payload, { strip: chlorineStrip, pick: { matches: 150 } })
    const amendment = recordOf(
      4,
      'record.amended@1',
      weak.subject,
      record.amendmentOf(weak, right, 'mistyped'),
    )
    expect(record.subjectsOf(amendment)).toContainEqual(caseRef)
    expect(state([weak, amendment])).toMatchObject({ status: 'open', verdict: 'in' })
    expect(state([weak, amendment, recheck])).toMatchObject({ status: 'closed', closedBy: recheck.id })
  })
})

describe('a corrective case that a person opens', () => {
  const ref = { kind: 'case', id: 'c-1' } as const
  const state = (...records: stream.AnyRecord[]) => stream.foldAll(record.folds.case, ref, records).state
  const said = 'hand sink blocked for an hour'
  const of = { case: 'c-1', station: 'st' }
  const opened = recordOf(1, 'case.opened@1', ref, { ...of, run: null, origin: 'by-hand', said })
  const tell = (n: number, part: 'immediate' | 'cause' | 'fix', what: string) =>
    recordOf(n, 'case.told@1', ref, { ...of, part, said: what })
  const closed = recordOf(9, 'case.closed@1', ref, { ...of, reason: 'sink runs again' })

  it('stands open with what was said, gathers what was done and why, and ends with who closed it and what shows it', () => {
    expect(state(opened)).toMatchObject({
      status: 'open',
      origin: 'by-hand',
      said,
      station: 'st',
      what: null,
    })
    const whole = state(
      opened,
      tell(2, 'cause', 'a cloth in the drain'),
      tell(3, 'fix', 'strainer put in'),
      closed,
    )
    expect(whole).toMatchObject({
      status: 'closed',
      endedBy: closed.by,
      reason: 'sink runs again',
      closedBy: null,
    })
    expect(whole.told.map((t) => [t.part, t.said])).toEqual([
      ['cause', 'a cloth in the drain'],
      ['fix', 'strainer put in'],
    ])
  })
  it('is not there before anybody opened it, whatever else was written under its name', () => {
    expect(state().status).toBe('void')
    expect(state(tell(2, 'cause', 'a cloth')).status).toBe('void')
    expect(state(tell(2, 'cause', 'a cloth'), closed).status).toBe('void')
  })
  it('is there no more where its opening was taken back, whatever was told of it', () => {
    const taken = recordOf(5, 'record.amended@1', ref, record.takenBack(opened, 'taken back'))
    expect(state(opened, tell(2, 'cause', 'a cloth'), taken).status).toBe('void')
  })
  it('is opened once: a second opening changes nothing of it', () => {
    const again = recordOf(4, 'case.opened@1', ref, { ...of, run: null, origin: 'stop', said: 'else' })
    expect(state(opened, again)).toMatchObject({ origin: 'by-hand', said })
    expect(state(opened, closed, again).status).toBe('closed')
  })
  it('has a kind of its own to be helped by, whatever it is about', () => {
    for (const origin of caseOrigins) expect(caseKinds).toContain(caseKindOf({ what: null, origin }))
    expect(caseKindOf({ what: 'sanitizer', origin: null })).toBe('sanitizer')
    expect(caseKindOf({ what: 'forbidden-act', origin: null })).toBe('other')
  })
})

const chlorineStrip = {
  kind: 'strip',
  name: 's',
  unit: 'ppm',
  agent: 'chlorine',
  blocks: [0, 50, 100, 150, 200],
  colours: [],
  bestBefore: 1e15,
} as const

describe('flags', () => {
  const context = { run: null, station: null, at: 0, freshHours: 4 }
  it('tell of a step in a run that does not run', () => {
    const step = all('run.step.done@2')
    expect(record.flagsOf(step, context)).toContain('run-not-running')
  })
  function all(type: stream.RecordType): stream.AnyRecord {
    const found = runRecords().find((r) => r.type === type)
    if (!found) throw new Error(`no ${type}`)
    return found
  }
})

describe('payload versions', () => {
  it('are lifted step by step to the newest; a newest one is left as it is', () => {
    const lifts = {
      'x@1': { to: 'x@2', payload: (p: unknown) => ({ ...(p as object), b: 2 }) },
      'x@2': { to: 'x@3', payload: (p: unknown) => ({ ...(p as object), c: 3 }) },
    }
    expect(record.upcast({ type: 'x@1', payload: { a: 1 } }, lifts)).toEqual({
      type: 'x@3',
      payload: { a: 1, b: 2, c: 3 },
    })
    const newest = { type: 'x@3', payload: {} }
    expect(record.upcast(newest, lifts)).toBe(newest)
  })
})

describe('a record of a type that is not known here yet, from a server newer than the tablet', () => {
  const parked = recordOf(1, 'run.parked@1', { kind: 'run', id: 'r' }, { run: 'r', station: 's' })
  const coming = { ...parked, type: 'station.dreamt@1' } as never
  it('folds into its own subject, and is neither amended nor taken back', () => {
    expect(record.subjectsOf(coming)).toEqual([(coming as { subject: object }).subject])
    expect(record.mayBeAmended(coming)).toBe(false)
    expect(record.mayBeTakenBack(coming)).toBe(false)
  })
})
